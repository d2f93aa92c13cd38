package polydex.desktop.today;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
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
import polydex.desktop.mouse.Marks;
import polydex.desktop.mouse.NextStep;
import polydex.desktop.state.Drills;
import polydex.desktop.state.Recording;
import polydex.effort.SpokenTime;
import polydex.mouse.Remaining;
import polydex.mouse.Remaining.RemainingRow;
import polydex.own.OwnKey;
import polydex.person.Findings;
import polydex.recall.NextToLearn;

/** What Today says of the drill. */
final class TodayDrill {
  private static final int LOOKED_AT = 9;

  /**
   * What the drill has to offer.
   *
   * @param drill the drill of now; none while the setup is looked into
   */
  private record ToDrill(Optional<Drills.Drill> drill, List<NextToLearn.Proposal> next) {}

  /** What pays once something was done for it first. */
  private static final Set<Remaining.Kind> PAYS =
      EnumSet.of(Remaining.Kind.BIND, Remaining.Kind.WALK, Remaining.Kind.FREE_THE_WAY);

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
              new ToDrill(desk.drills().drill(new Random(0)), desk.drills().next(LOOKED_AT)));
    }
  }

  private ToDrill found() {
    return toDrill.orElseThrow();
  }

  /** The button with which the drill begins. */
  Button begin(NumberedLines page) {
    Button begin =
        page.button(OwnKey.TODAY_BEGIN, worded("today.begin-the-drill"), desk.keys()::drill);
    begin.setDefaultButton(true);
    return begin;
  }

  /** What is asked and how long it takes. */
  HBox due(Button begin) {
    Label words =
        Texts.heading(
            found()
                .drill()
                .map(d -> d.says(desk.session().now(), desk.session().zone()))
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

  /**
   * The one thing to learn next, with its reasons; its digit marks it, another shows the others.
   */
  VBox learn(NumberedLines page, Optional<Findings> log) {
    VBox box = new VBox(4, Texts.part(worded("today.learn-next")));
    List<NextToLearn.Proposal> all = found().next();
    Optional<NextToLearn.Proposal> best = all.stream().findFirst();
    best.ifPresent(p -> box.getChildren().add(line(page, p)));
    List<NextToLearn.Proposal> others =
        all.stream().filter(p -> !best.equals(Optional.of(p))).toList();
    if (best.isEmpty()) {
      box.getChildren()
          .add(
              Texts.quiet(
                  found().drill().isEmpty()
                      ? desk.analyst().inItsPlace()
                      : worded("today.nothing-new-would-pay-back-its")));
      if (found().drill().isPresent()) {
        box.getChildren()
            .add(
                log.map(f -> instead(page, f.remaining()))
                    .orElseGet(() -> Texts.quiet(desk.auditor().inItsPlace())));
      }
    }
    if (!others.isEmpty()) {
      box.getChildren().add(page.more(worded("today.others", others.size()), () -> choose(others)));
    }
    return box;
  }

  /** What would pay where nothing new does: what needs a binding, a way or a walk first. */
  private Node instead(NumberedLines page, List<RemainingRow> remaining) {
    // What costs most stands beside this already.
    Optional<RemainingRow> row =
        remaining.stream()
            .filter(r -> r.hoursAYear() > 0)
            .skip(1)
            .filter(r -> PAYS.contains(r.kind()))
            .findFirst();
    if (row.isEmpty()) {
      return desk.keyed(Texts.quiet(worded("today.another-application-would-bring-in-its")));
    }
    RemainingRow r = row.get();
    return page.line(
        desk.titles().action(r.place()),
        Marks.kind(r.kind()),
        worded(
            "today.this-would-a-year-in",
            SpokenTime.hours(r.hoursAYear()),
            desk.titles().place(r.place().environment()),
            NextStep.brief(r.kind())),
        () -> NextStep.take(desk, r));
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
            worded("today.mark-for-the-next-drill"),
            others,
            p ->
                worded(
                    "today.in-a-year",
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
