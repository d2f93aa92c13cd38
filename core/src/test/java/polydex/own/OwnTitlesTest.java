package polydex.own;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.language.Language;

/** The program's own keymap is kept in one language and told in each. */
class OwnTitlesTest {
  private final Catalog english = OwnKeymap.usual();

  @AfterEach
  void speakEnglishAgain() {
    Language.speak(Language.ENGLISH);
  }

  private static List<String> titles(Catalog catalog) {
    return catalog.actions().stream().map(Action::title).toList();
  }

  private static List<String> contexts(Environment environment) {
    return environment.contexts().stream().map(Context::title).toList();
  }

  @Test
  void aKeymapOfOneLanguageIsToldInAnotherAndKeptInEnglish() {
    Environment keymap = english.environment(OwnKeymap.ID).orElseThrow();
    Language.speak(Language.GERMAN);
    Catalog german = OwnKeymap.usual();
    assertThat(titles(german)).hasSameSizeAs(titles(english)).isNotEqualTo(titles(english));
    assertThat(english.actions().stream().map(OwnTitles::said)).isEqualTo(german.actions());
    assertThat(german.actions().stream().map(OwnTitles::said)).isEqualTo(german.actions());
    assertThat(german.actions().stream().map(OwnTitles::kept)).isEqualTo(english.actions());
    assertThat(contexts(OwnTitles.said(keymap)))
        .isEqualTo(contexts(german.environment(OwnKeymap.ID).orElseThrow()))
        .contains("Finden, mit Wörtern")
        .doesNotContainAnyElementsOf(List.of("Look up, by words", "any place"));
    assertThat(OwnTitles.kept(OwnTitles.said(keymap))).isEqualTo(keymap);
    Language.speak(Language.ENGLISH);
    assertThat(german.actions().stream().map(OwnTitles::said)).isEqualTo(english.actions());
  }

  @Test
  void whatItsUserCallsOtherwiseAndWhatIsOfOthersStaysSo() {
    Action own = english.action(OwnKey.UNDO.action()).orElseThrow();
    Action named = own.titled("Oh no");
    // Another command's title is no usual one of this.
    Action swapped = own.titled(OwnKey.REDO.title());
    Action gone = Action.of(new ActionId("program.no-longer"), own.title(), "");
    Action other = Action.of(new ActionId("undo"), own.title(), "");
    for (Language language : Language.values()) {
      Language.speak(language);
      for (Action a : List.of(named, swapped, gone, other)) {
        assertThat(OwnTitles.said(a)).isSameAs(a);
        assertThat(OwnTitles.kept(a)).isSameAs(a);
      }
    }
    assertThat(OwnTitles.said(own.searchedBy(List.of("back"))).words()).containsExactly("back");
    assertThat(OwnTitles.said(own).title()).isEqualTo("Widerrufen");
  }
}
