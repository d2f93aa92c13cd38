package polydex.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Titles from outside: which are surely an action that is known, and which are only like one. */
class TitleMatcherTest {
  private static final TitleMatcher MATCHER =
      new TitleMatcher(
          Stream.of(
                  "Quit",
                  "Find",
                  "Find the next",
                  "Find the previous",
                  "Next tab",
                  "Previous tab",
                  "Close the tab",
                  "Close the window",
                  "Start of the line",
                  "Word back",
                  "Paste",
                  "Open",
                  "Select all",
                  "Row below",
                  "Refresh",
                  "Follow the link",
                  "Page down")
              .map(t -> Action.of(new ActionId(t.toLowerCase(Locale.ROOT)), t, "g"))
              .toList());

  private static TitleMatcher.Match best(String title) {
    List<TitleMatcher.Match> all = MATCHER.match(title);
    return all.isEmpty()
        ? new TitleMatcher.Match(Action.of(new ActionId("none"), "", ""), 0, false)
        : all.getFirst();
  }

  @ParameterizedTest
  @CsvSource({
    "Exit, Quit",
    "EXIT, Quit",
    "Search, Find",
    "search_next, Find the next",
    "SEARCH_PREV, Find the previous",
    "PrevTab, Previous tab",
    "tab_close, Close the tab",
    "Close Window, Close the window",
    "beginning of line, Start of the line",
    "backward word, Word back",
    "Reload, Refresh"
  })
  void theSameWordsAreSure(String title, String action) {
    assertThat(best(title).action().title()).isEqualTo(action);
    assertThat(best(title).sure()).isTrue();
  }

  /** Each of these says the same by a list of words that are near, and means something else. */
  @ParameterizedTest
  @CsvSource({
    "Insert, Paste",
    "Selects all., Select all",
    "Page, Page down",
    "Follow link to, Follow the link",
    "NEXT_PAGE, Next tab",
    "previous-page, Previous tab",
    "View, Open",
    "Line down, Row below",
    "Next link, Follow the link",
    "Close all tabs, Close the tab",
    "Search forward, Find the next",
    "Go to start of line, Start of the line"
  })
  void whatIsOnlyNearIsAsked(String title, String action) {
    assertThat(MATCHER.match(title)).noneMatch(TitleMatcher.Match::sure);
    assertThat(MATCHER.match(title)).extracting(m -> m.action().title()).contains(action);
  }
}
