package polydex.desktop.keys;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.AlphaChars;
import net.jqwik.api.constraints.Size;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;

class AccessLettersTest {
  @Property(tries = 300)
  void everyLineHasALetterOfItsOwnWhileThereAreAny(
      @ForAll @Size(max = 50) List<@AlphaChars @StringLength(max = 12) String> titles) {
    List<Optional<Character>> letters = AccessLetters.of(titles);
    assertThat(letters).hasSameSizeAs(titles);
    List<Character> given = letters.stream().flatMap(Optional::stream).toList();
    assertThat(given).doesNotHaveDuplicates().hasSize(Math.min(titles.size(), 36));
    for (int i = 0; i < titles.size(); i++) {
      // Who comes first is not disturbed by who comes after.
      assertThat(AccessLetters.of(titles.subList(0, i + 1)).get(i)).isEqualTo(letters.get(i));
    }
  }

  @Test
  void initialsComeBeforeOtherLettersAndThoseBeforeStrangeOnes() {
    assertThat(AccessLetters.of(List.of("Larger text", "Look up", "Letters", "Öl", "T l")))
        .extracting(l -> l.orElseThrow())
        .containsExactly('l', 'u', 'e', 'a', 't');
  }
}
