package polydex.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import polydex.language.Language;

class LanguageChoiceTest {
  @TempDir private Path home;
  private final Locale before = Locale.getDefault(Locale.Category.FORMAT);

  @BeforeEach
  void keepHere() {
    StatePlace.use(Map.of("XDG_STATE_HOME", home.toString()), "");
  }

  @AfterEach
  void asItWas() {
    System.clearProperty("polydex.state");
    Locale.setDefault(Locale.Category.FORMAT, before);
    Language.speak(Language.ENGLISH);
  }

  @Test
  void whatIsChosenIsSpokenFromTheNextStartOn() throws Exception {
    assertThat(LanguageChoice.chosen()).isEmpty();
    LanguageChoice.choose(Optional.of(Language.GERMAN));
    assertThat(Language.now()).as("not yet").isEqualTo(Language.ENGLISH);
    LanguageChoice.speak();
    assertThat(Language.now()).isEqualTo(Language.GERMAN);
    assertThat("%.1f".formatted(1.5)).isEqualTo("1,5");
    LanguageChoice.choose(Optional.empty());
    assertThat(LanguageChoice.chosen()).isEmpty();
  }

  @Test
  void whatIsNoLanguageIsAsIfNothingWasChosen() throws Exception {
    LanguageChoice.choose(Optional.of(Language.GERMAN));
    Path kept = home.resolve("polydex").resolve("language");
    for (String wrong : new String[] {"", "xx", "../../de", "de".repeat(100_000), "\u0000"}) {
      Files.writeString(kept, wrong);
      assertThat(LanguageChoice.chosen()).as(wrong).isEmpty();
    }
  }

  @Test
  void whereNothingCanBeKeptItIsSaid() {
    System.clearProperty("polydex.state");
    assertThatThrownBy(() -> LanguageChoice.choose(Optional.of(Language.GERMAN)))
        .isInstanceOf(FileProblem.class)
        .hasMessageContaining("no folder of yours");
  }
}
