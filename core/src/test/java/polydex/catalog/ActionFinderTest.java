package polydex.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Questions as people ask them, of actions that are called otherwise. */
class ActionFinderTest {
  private static final List<Action> ACTIONS =
      List.of(
              "Paste as plain text",
              "Paste",
              "Nonprinting characters on or off",
              "Window to the other screen",
              "Window to the left half",
              "Go to the matching brace",
              "Close the tab",
              "Close the window",
              "Magnify text",
              "Lock the screen",
              "Take a picture of the screen",
              "Answer all",
              "Delete the word before",
              "Delete the word after",
              "Find the previous",
              "Find the next",
              "Comment the line in or out",
              "Go to the start of the document",
              "Full screen",
              "Empty the trash")
          .stream()
          .map(t -> Action.of(new ActionId(t.toLowerCase(Locale.ROOT).replace(' ', '-')), t, "g"))
          .toList();
  private static final ActionFinder FINDER = ActionFinder.of(ACTIONS, SameWords.SHIPPED);

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          paste without formatting            | Paste as plain text
          show hidden characters              | Nonprinting characters on or off
          move window to other monitor        | Window to the other screen
          jump to matching bracket            | Go to the matching brace
          how do I close the current page     | Close the tab
          make the letters bigger             | Magnify text
          secure my display                   | Lock the screen
          screenshot                          | Take a picture of the screen
          reply to everyone                   | Answer all
          remove the previous word            | Delete the word before
          search backwards                    | Find the previous
          put a window on the left side       | Window to the left half
          jump to the top of the file         | Go to the start of the document
          fullscreen                          | Full screen
          throw away the rubbish              | Empty the trash
          """)
  void theRightActionIsAmongTheFirstThree(String question, String title) {
    assertThat(FINDER.find(question, 3).actions()).extracting(Action::title).contains(title);
  }

  @Test
  void allWordsComeFirstAndWhatHasOnlySomeIsMarked() {
    assertThat(FINDER.find("close win", 9))
        .isEqualTo(new ActionFinder.Answer(ActionSearch.of(ACTIONS).find("close win", 9), false));
    assertThat(FINDER.find("close the volcano", 9))
        .satisfies(a -> assertThat(a.partial()).isTrue())
        .satisfies(
            a -> assertThat(a.actions()).extracting(Action::title).contains("Close the tab"));
    assertThat(FINDER.find("volcano xyzzy", 9).actions()).isEmpty();
    assertThat(FINDER.find("how do I", 9).actions()).isEmpty();
    assertThat(FINDER.find("clsoe tabb", 3).actions().getFirst().title())
        .isEqualTo("Close the tab");
  }

  @Test
  void wordsOfOnesOwnFindTheSame() {
    assertThat(SameWords.SHIPPED.groups()).isGreaterThanOrEqualTo(300);
    assertThat(FINDER.find("luminaire portal", 9).actions()).isEmpty();
    SameWords.Group group = SameWords.Group.parse(" Portal ,  window; light fitting").orElseThrow();
    assertThat(group).isEqualTo(new SameWords.Group("portal", "portal, window, light fitting"));
    assertThat(SameWords.Group.parse("portal, Portal")).isEmpty();
    assertThat(
            ActionFinder.of(ACTIONS, SameWords.with(List.of(group.group())))
                .find("luminaire portal", 9)
                .actions())
        .extracting(Action::title)
        .contains("Close the window");
  }

  /** Of two that share a word with the question the one that shares the rarer comes first. */
  @Property(tries = 200)
  void whatIsRarerCountsMore(@ForAll long seed) {
    Random random = new Random(seed);
    List<String> titles = new ArrayList<>();
    int common = 3 + random.nextInt(20);
    for (int i = 0; i < common; i++) {
      titles.add("vrum quaz" + i);
    }
    int at = random.nextInt(common);
    titles.add(at, "blix quazzz");
    List<Action> actions =
        titles.stream().map(t -> Action.of(new ActionId(t.replace(' ', '-')), t, "g")).toList();
    ActionFinder.Answer answer =
        ActionFinder.of(actions, SameWords.SHIPPED).find("blix vrum nowhere", 5);
    assertThat(answer.partial()).isTrue();
    assertThat(answer.actions().getFirst().title()).isEqualTo("blix quazzz");
    assertThat(Set.copyOf(answer.actions())).hasSameSizeAs(answer.actions());
  }
}
