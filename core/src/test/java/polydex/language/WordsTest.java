package polydex.language;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static polydex.language.CoreWords.worded;

import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.MissingResourceException;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.StringLength;
import net.jqwik.api.lifecycle.AfterProperty;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class WordsTest {
  @AfterEach
  @AfterProperty
  void speakEnglishAgain() {
    Language.speak(Language.ENGLISH);
  }

  @Test
  void wordsFollowTheLanguageAndTheirNumber() {
    assertThat(worded("sheets.actions", 1)).isEqualTo("1 action");
    assertThat(worded("sheets.actions", 12345)).isEqualTo("12,345 actions");
    Language.speak(Language.GERMAN);
    assertThat(worded("sheets.actions", 1)).isEqualTo("1 Aktion");
    assertThat(worded("sheets.actions", 12345)).isEqualTo("12.345 Aktionen");
    assertThat(worded("sheets.actions", 0)).isEqualTo("0 Aktionen");
    Language.speak(Language.ENGLISH);
    assertThat(worded("sheets.actions", 2)).as("and back").isEqualTo("2 actions");
  }

  @Test
  void numbersAndDatesAreWrittenAsTheLanguageDoes() {
    assertThat(Language.decimals(1, 1234.25)).isEqualTo("1,234.3");
    assertThat(Language.signed(0, 3.5)).isEqualTo("+4");
    assertThat(Language.quoted("x")).isEqualTo("“x”");
    assertThat(Language.within("Machine")).isEqualTo("machine");
    LocalDate day = LocalDate.of(2031, 3, 14);
    assertThat(Language.dates("d MMMM").format(day)).isEqualTo("14 March");
    Language.speak(Language.GERMAN);
    assertThat(Language.decimals(1, 1234.25)).isEqualTo("1.234,3");
    assertThat(Language.signed(1, -0.25)).isEqualTo("-0,3");
    assertThat(Language.quoted("x")).isEqualTo("„x“");
    assertThat(Language.list(List.of("a", "b"))).isEqualTo("a“, „b");
    assertThat(Language.within("Rechner")).as("nouns stay as they are").isEqualTo("Rechner");
    assertThat(Language.dates("d. MMMM").format(day)).isEqualTo("14. März");
  }

  @Test
  void numbersAreReadAsTheyAreWritten() {
    assertThat(Language.numbers(" 1.5 1,0.8;2 ")).containsExactly(1.5, 1.0, 0.8, 2.0);
    Language.speak(Language.GERMAN);
    assertThat(Language.numbers("1,5 1.0; 0,8")).containsExactly(1.5, 1.0, 0.8);
    assertThat(Language.numbers(Language.decimals(1, 2.5))).containsExactly(2.5);
    assertThatThrownBy(() -> Language.numbers("1,5 x")).isInstanceOf(NumberFormatException.class);
    assertThatThrownBy(() -> Language.numbers("")).isInstanceOf(NumberFormatException.class);
  }

  @Test
  void aPlaceThatIsUnknownHereIsSpokenToInEnglish() {
    assertThat(Language.of(Locale.GERMANY)).isEqualTo(Language.GERMAN);
    assertThat(Language.of(Locale.of("de", "CH"))).isEqualTo(Language.GERMAN);
    assertThat(Language.of(Locale.FRANCE)).isEqualTo(Language.ENGLISH);
    assertThat(Language.ofCode("de")).isEqualTo(Optional.of(Language.GERMAN));
    assertThat(Language.ofCode("../x")).isEmpty();
  }

  @Test
  void aKeyWithoutWordsIsAMistakeThatIsNamed() {
    assertThatThrownBy(() -> worded("no.such-key"))
        .isInstanceOf(MissingResourceException.class)
        .hasMessageContaining("no.such-key");
  }

  /** What is filled in is never taken for a place to fill itself, nor for a message. */
  @Property
  void whatIsFilledInStaysAsItIs(
      @ForAll @StringLength(max = 40) String first, @ForAll @StringLength(max = 40) String second) {
    String between = worded("workspace.change-for-in", first, "{0}" + second, "'{1}'");
    assertThat(between).isEqualTo("Change " + first + " for “{0}" + second + "” in '{1}'");
    assertThat(worded("person.make-setups-for-the-log", 1, "{0}'" + first))
        .isEqualTo("Make the setup “{0}'" + first + "” for the log");
  }
}
