package polydex.desktop.today;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.NumberedLines;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.state.Recording;
import polydex.recall.DrillSettings;
import polydex.recall.NextToLearn;

/** What Today says of the drill. */
final class TodayDrill {
  private static final int OF_EACH = 3;

  /**
   * What the drill has to offer.
   *
   * @param due how many items; none while the setup is looked into
   */
  private record ToDrill(Optional<Integer> due, List<NextToLearn.Proposal> next) {}

  private final Desk desk;
  private Optional<ToDrill> toDrill = Optional.empty();

  TodayDrill(Desk desk) {
    this.desk = desk;
  }

  /** It is reckoned anew for the next page. */
  void forget() {
    toDrill = Optional.empty();
  }

  /** Before a page is made; while a recorder is at work it is not reckoned anew with each event. */
  void look() {
    if (toDrill.isEmpty() || desk.recording().state().get() != Recording.State.RECORDING) {
      toDrill =
          Optional.of(
              new ToDrill(
                  desk.drills().plan(new Random(0)).map(p -> p.due().size()),
                  desk.drills().next(OF_EACH)));
    }
  }

  private ToDrill found() {
    return toDrill.orElseThrow();
  }

  /** The button with which the drill begins. */
  Button begin(NumberedLines page) {
    Button begin = page.button("Enter", "Begin the drill", desk.keys()::drill);
    begin.setDefaultButton(true);
    return begin;
  }

  /** What is due and how long it takes. */
  VBox due(Button begin) {
    Optional<Integer> due = found().due();
    Label words =
        Texts.heading(
            due.map(
                    n ->
                        n == 0
                            ? "Nothing is due"
                            : "%,d due, about %s".formatted(n, minutes(DrillSettings.timeOf(n))))
                .orElse(desk.analyst().inItsPlace()));
    words.setWrapText(true);
    VBox card = new VBox(10, words, begin);
    card.getStyleClass().add("card");
    return card;
  }

  private static String minutes(Duration time) {
    return time.toSeconds() < 60
        ? "%d seconds".formatted(time.toSeconds())
        : "%d min".formatted(Math.round(time.toSeconds() / 60.0));
  }

  /** What to learn next, with its reasons; its digit marks it. */
  VBox learn(NumberedLines page) {
    VBox box = new VBox(4, Texts.part("Worth learning next"));
    List<NextToLearn.Proposal> proposals = found().next();
    for (NextToLearn.Proposal p : proposals) {
      box.getChildren()
          .add(
              page.line(
                  desk.titles().action(p.item().action()),
                  new GestureView(p.gesture(), desk.titles().words(p.item().environment())),
                  desk.titles().place(p.item().environment())
                      + ". "
                      + String.join(" ", p.reasons()),
                  () -> desk.drills().mark(List.of(p.item()))));
    }
    if (proposals.isEmpty()) {
      box.getChildren()
          .add(
              Texts.quiet(
                  found().due().isEmpty()
                      ? desk.analyst().inItsPlace()
                      : "Everything in this setup was drilled."));
    }
    return box;
  }
}
