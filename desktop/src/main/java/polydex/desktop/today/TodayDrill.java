package polydex.desktop.today;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.NumberedLines;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.state.Recording;
import polydex.effort.SpokenTime;
import polydex.recall.DrillSettings;
import polydex.recall.NextToLearn;

/** What Today says of the drill. */
final class TodayDrill {
  private static final int LOOKED_AT = 9;

  /** What saves less in a year is no reason to learn anything, in hours. */
  private static final double WORTH_IT = 5 / 60.0;

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
                  desk.drills().next(LOOKED_AT)));
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
  HBox due(Button begin) {
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
    Region room = new Region();
    HBox.setHgrow(room, Priority.ALWAYS);
    HBox card = new HBox(16, words, room, begin);
    card.setAlignment(Pos.CENTER_LEFT);
    card.getStyleClass().add("card");
    begin.setMinWidth(Region.USE_PREF_SIZE);
    return card;
  }

  private static String minutes(Duration time) {
    return time.toSeconds() < 60
        ? "%d seconds".formatted(time.toSeconds())
        : "%d min".formatted(Math.round(time.toSeconds() / 60.0));
  }

  /**
   * The one thing to learn next, with its reasons; its digit marks it, another shows the others.
   */
  VBox learn(NumberedLines page) {
    VBox box = new VBox(4, Texts.part("Learn next"));
    List<NextToLearn.Proposal> all = found().next();
    Optional<NextToLearn.Proposal> best =
        all.stream().filter(p -> p.marked() || p.hoursAYear() >= WORTH_IT).findFirst();
    best.ifPresent(p -> box.getChildren().add(line(page, p)));
    List<NextToLearn.Proposal> others =
        all.stream().filter(p -> !best.equals(Optional.of(p))).toList();
    if (best.isEmpty()) {
      box.getChildren()
          .add(
              Texts.quiet(
                  found().due().isEmpty()
                      ? desk.analyst().inItsPlace()
                      : others.isEmpty()
                          ? "Everything in this setup was drilled."
                          : "Nothing new would save five minutes a year."));
    }
    if (!others.isEmpty()) {
      box.getChildren()
          .add(
              page.more(
                  others.size() == 1 ? "1 other" : "%,d others".formatted(others.size()),
                  () -> choose(others)));
    }
    return box;
  }

  private Node line(NumberedLines page, NextToLearn.Proposal p) {
    return page.line(
        desk.titles().action(p.item().action()),
        new GestureView(p.gesture(), desk.titles().words(p.item().environment())),
        desk.titles().place(p.item().environment()) + ". " + String.join(" ", p.reasons()),
        () -> mark(p));
  }

  private void choose(List<NextToLearn.Proposal> others) {
    desk.dialogs()
        .choose(
            "Mark for the next drill",
            others,
            p ->
                "%s in %s: %s, %s a year"
                    .formatted(
                        desk.titles().action(p.item().action()),
                        desk.titles().place(p.item().environment()),
                        p.gesture(),
                        SpokenTime.hours(p.hoursAYear())),
            this::mark);
  }

  private void mark(NextToLearn.Proposal p) {
    desk.drills().mark(List.of(p.item()));
  }
}
