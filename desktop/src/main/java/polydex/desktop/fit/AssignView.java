package polydex.desktop.fit;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import polydex.catalog.ActionId;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.fit.Bench;
import polydex.fit.OwnBinding;
import polydex.free.Assigner;
import polydex.free.Assignment;
import polydex.free.Candidate;
import polydex.free.Candidates;
import polydex.free.Families;
import polydex.free.FreeGestures;
import polydex.free.Score;
import polydex.free.Scorer;
import polydex.keys.Gesture;
import polydex.mouse.MouseChoices;
import polydex.mouse.Wish;
import polydex.own.OwnKey;
import polydex.route.Setup;
import polydex.route.Situation.Computer;
import polydex.workspace.Workspace;

/** The best gestures for all that is wished for on a computer, as a whole. */
final class AssignView {
  private final Desk desk;
  private final Computer computer;
  private final List<Wish> wishes;
  private final Map<ActionId, Gesture> locked = new HashMap<>();
  private final Label state = Texts.quiet("");
  private final ListView<Assignment.Given> list;
  private Optional<Assignment> found = Optional.empty();

  private AssignView(Desk desk, Computer computer, List<Wish> wishes) {
    this.desk = desk;
    this.computer = computer;
    this.wishes = wishes;
    list =
        Lists.of(
            worded("fit.gestures-for-what-is-wished-for"),
            this::row,
            g -> desk.titles().action(g.action()),
            Texts.quiet(worded("any.no-gesture-is-free-in-every")));
    list.getStyleClass().add("nine-rows");
  }

  /** Lets the computer be chosen, if wishes are about several. */
  static void choose(Desk desk) {
    Map<Computer, List<Wish>> by = new LinkedHashMap<>();
    Workspace now = desk.session().workspace().get();
    now.mouse().wishes().values().stream()
        .sorted(Comparator.comparing(Wish::day).thenComparing(w -> w.place().toString()))
        .forEach(
            w -> {
              Setup setup = now.setups().get(w.place().setup());
              if (setup != null && w.place().action().isPresent()) {
                by.computeIfAbsent(Computer.of(setup.innermost()), _ -> new ArrayList<>()).add(w);
              }
            });
    if (by.isEmpty()) {
      desk.session().say(worded("fit.nothing-is-wished-for-in-mouse"));
    } else if (by.size() == 1) {
      by.forEach((c, w) -> new AssignView(desk, c, w).open());
    } else {
      desk.dialogs()
          .choose(
              worded("fit.the-wishes-of-which-computer"),
              List.copyOf(by.keySet()),
              c -> "%s: %d".formatted(c.title(), by.get(c).size()),
              c -> new AssignView(desk, c, by.get(c)).open());
    }
  }

  private void open() {
    VBox box =
        OverlayBox.wide(
            Texts.heading(worded("fit.keys-for-all-wishes-on", computer.title())), state, list);
    desk.keys()
        .open(
            box,
            list,
            List.of(
                KeyCommand.of(OwnKey.ASSIGN_PLAN, this::plan),
                KeyCommand.of(OwnKey.ASSIGN_LOCK, this::lock)));
    desk.analyst().stopLookingWithout(box, "free gestures");
    look();
  }

  private void look() {
    state.setText(worded("fit.looking-for-the-best-as-a"));
    Lists.waiting(list, worded("fit.they-come-when-all-is-compared"));
    Workspace now = desk.session().workspace().get();
    List<ActionId> actions =
        wishes.stream().flatMap(w -> w.place().action().stream()).distinct().toList();
    Map<ActionId, Gesture> kept = Map.copyOf(locked);
    desk.analyst()
        .look(
            "free gestures",
            course -> {
              FreeGestures free = FreeGestures.on(now.situation(), computer);
              Candidates make = Candidates.of(free.setups());
              List<Candidate> all =
                  make.own(now.catalog(), Set.of(computer)).stream()
                      .filter(c -> course.isWanted() && free.isFree(c.gesture()))
                      .toList();
              Map<ActionId, Candidate> fixed = new HashMap<>();
              kept.forEach((a, g) -> make.of(g).ifPresent(c -> fixed.put(a, c)));
              return new Assigner(
                      new Scorer(now.situation(), free.setups(), Score.Weights.USUAL), all)
                  .of(
                      actions,
                      Families.of(now.catalog(), actions),
                      fixed,
                      () -> !course.isWanted());
            },
            this::show,
            why -> {
              state.setText("");
              Lists.failed(list, why);
            });
  }

  private void show(Assignment assignment) {
    found = Optional.of(assignment);
    int at = Math.max(0, list.getSelectionModel().getSelectedIndex());
    Lists.found(list, assignment.given());
    String proof =
        assignment.proved()
            ? worded("fit.no-other-way-has-fewer")
            : worded("fit.not-proved-to-be-the-fewest");
    state.setText(
        desk.named(
            worded(
                "fit.points-in-all-assign-lock-locks",
                FitWords.points(assignment.total()),
                proof,
                assignment
                    .inTurn()
                    .map(t -> worded("fit.if-each-took-its-best-in", FitWords.points(t)))
                    .orElse(""),
                assignment.without().isEmpty()
                    ? ""
                    : worded("fit.are-left-without", assignment.without().size()))));
    list.getSelectionModel().clearAndSelect(Math.min(at, assignment.given().size() - 1));
    list.requestFocus();
  }

  private void lock() {
    Assignment.Given given = list.getSelectionModel().getSelectedItem();
    if (given != null) {
      if (locked.remove(given.action()) == null) {
        locked.put(given.action(), given.candidate().gesture());
      }
      look();
    }
  }

  private void plan() {
    if (found.isEmpty() || found.get().given().isEmpty()) {
      return;
    }
    desk.keys().close();
    FitEdits edits = new FitEdits(desk);
    Bench bench = edits.bench();
    Workspace before = desk.session().workspace().get();
    MouseChoices mouse = before.mouse();
    for (Assignment.Given g : found.get().given()) {
      String id = bench.fitting().unused(g.action().value() + "-" + computer.platform().value());
      bench =
          bench.planning(
              OwnBinding.planned(
                  id,
                  computer,
                  g.action(),
                  g.candidate().gesture(),
                  Optional.empty(),
                  edits.today()));
      for (Wish w : wishes) {
        mouse =
            w.place().action().equals(Optional.of(g.action()))
                ? mouse.notWishing(w.place())
                : mouse;
      }
    }
    desk.session()
        .apply(
            new polydex.workspace.Change.Edit(
                worded("fit.planned-bindings-on", found.get().given().size(), computer.title()),
                before,
                before.with(bench).with(mouse)));
  }

  private void row(HBox box, Assignment.Given g) {
    box.getChildren()
        .addAll(
            Lists.column(
                Texts.styled(
                    g.locked() ? worded("fit.locked") : g.family() ? worded("fit.together") : "",
                    "quiet"),
                5),
            Lists.column(Texts.styled(desk.titles().action(g.action()), "row-title"), 14),
            Lists.column(
                new GestureView(g.candidate().gesture(), desk.titles().words(computer.platform())),
                12),
            Lists.growing(
                Texts.styled(
                    FitWords.why(g.score(), desk.session().workspace().get().catalog()), "quiet")));
  }
}
