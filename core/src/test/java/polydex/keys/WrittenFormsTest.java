package polydex.keys;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import polydex.keys.WrittenForms.Chord;

/** What is written in a form is read as what was meant, whatever it is. */
class WrittenFormsTest {

  private static void reads(String text, Gesture meant, Notation... forms) {
    GestureReader.Reading reading = GestureReader.PLAIN.read(text);
    assertThat(reading.gesture()).as(text).isEqualTo(meant);
    assertThat(reading.form()).as(text).isIn((Object[]) forms);
  }

  @Property(tries = 2000)
  void everyFormIsReadAsWhatWasMeant(@ForAll long seed) {
    Random random = new Random(seed);
    List<Chord> chords = WrittenForms.chords(random, 3);
    Gesture meant = WrittenForms.meant(chords);
    reads(
        WrittenForms.accelerator(chords.getFirst()),
        WrittenForms.meant(chords.subList(0, 1)),
        Notation.ACCELERATOR);
    reads(WrittenForms.terse(chords), meant, Notation.TERSE);
    reads(WrittenForms.symbols(chords), meant, Notation.SYMBOLS);
    reads(
        WrittenForms.prose(chords, random),
        meant,
        Notation.PROSE,
        Notation.OWN, // one chord joined by plus signs is our own as well
        Notation.SEQUENCE);
    boolean signs = chords.stream().anyMatch(c -> c.key().get(0).matches("'\\+'|-|,"));
    if (!signs) {
      reads(
          WrittenForms.sequence(chords),
          meant,
          chords.size() == 1 ? Notation.OWN : Notation.SEQUENCE);
    }
    assertThat(GestureReader.PLAIN.read(meant.toString()).gesture()).isEqualTo(meant);
  }

  /** The order in which modifiers are named, and the case of names, never matter. */
  @Property(tries = 500)
  void orderAndCaseDoNotMatter(@ForAll long seed) {
    List<Chord> chords = WrittenForms.chords(new Random(seed), 2);
    List<Chord> turned = chords.stream().map(c -> new Chord(c.held().reversed(), c.key())).toList();
    assertThat(WrittenForms.meant(turned)).isEqualTo(WrittenForms.meant(chords));
    String own = WrittenForms.meant(chords).toString();
    assertThat(GestureReader.PLAIN.read(own.toLowerCase(Locale.ROOT)).gesture())
        .isEqualTo(WrittenForms.meant(chords));
  }

  @Test
  void keysymsOfCharactersAreReadAsThem() {
    int read = 0;
    for (String name :
        List.of("adiaeresis", "EuroSign", "Cyrillic_ya", "Greek_omega", "U20AC", "ssharp")) {
      Optional<Keysyms.Sign> sign = Keysyms.sign(name);
      assertThat(sign).as(name).isPresent();
      Gesture gesture = GestureReader.PLAIN.read("<Primary>" + name).gesture();
      assertThat(gesture.steps().getFirst())
          .isEqualTo(
              new Step.Stroke(Held.of(Modifier.CTRL), new KeyRef.Typed(sign.get().codePoint())));
      read++;
    }
    assertThat(read).isEqualTo(6);
    assertThat(Keysyms.sign("dead_acute").orElseThrow().dead()).isTrue();
    assertThat(Keysyms.sign("0x10020ac").orElseThrow().codePoint()).isEqualTo('€');
    assertThat(Keysyms.sign("Shift_L")).isEmpty();
    assertThat(Keysyms.sign("Shift_Q")).isEmpty();
    assertThat(Keysyms.sign("Uzzzz")).isEmpty();
  }
}
