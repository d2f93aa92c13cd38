package polydex.desktop.route;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.conflict.Accepted;
import polydex.conflict.Conflict;
import polydex.conflict.ConflictFinder;
import polydex.conflict.ConflictSentence;
import polydex.conflict.HabitFinder;
import polydex.conflict.Person;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.state.Analysis;
import polydex.desktop.state.Beside;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** The conflicts that are asked for, and what can be done about the chosen one. */
final class ConflictList {
  /** So many of the worst are planned for at once. */
  private static final int PLANNED = 20;

  private final Desk desk;
  private final Label head = Texts.part(worded("route.conflicts"));
  private final ConflictRows rows;
  private ConflictFilter filter = ConflictFilter.FIRST;
  private List<Conflict> loaded = List.of();

  ConflictList(Desk desk, Consumer<Conflict> selected) {
    this.desk = desk;
    this.rows = new ConflictRows(desk, selected);
  }

  Label head() {
    return head;
  }

  ListView<ConflictRows.ConflictRow> list() {
    return rows.list();
  }

  /**
   * Looks for what is to be shown; other setups are looked into beside, and come when they come.
   */
  void load(Analysis analysis) {
    Workspace workspace = analysis.workspace();
    Person person = desk.analyst().person();
    switch (filter.where()) {
      case HERE -> list(analysis.conflicts());
      case HABITS -> {
        wait(worded("route.looking-at-habits"));
        desk.analyst()
            .look(
                "conflicts",
                _ -> HabitFinder.find(workspace.catalog(), workspace.setups().values(), person),
                whileWanted(),
                this::failed);
      }
      case EVERYWHERE, ACCEPTED -> {
        wait(worded("any.looking-into-all-setups"));
        desk.analyst()
            .look(
                "conflicts",
                course -> everywhere(workspace, person, course),
                whileWanted(),
                this::failed);
      }
    }
  }

  /** The setup is being looked into, or can't be. */
  void waiting() {
    wait(desk.analyst().inItsPlace());
  }

  private void wait(String words) {
    head.setText(words);
    Lists.waiting(rows.list(), words);
  }

  private void failed(String why) {
    head.setText(worded("route.conflicts"));
    Lists.failed(rows.list(), why);
  }

  /** Lists what was found, unless something else was asked for meanwhile. */
  private Consumer<List<Conflict>> whileWanted() {
    ConflictFilter asked = filter;
    return found -> {
      if (filter.equals(asked)) {
        list(found);
      }
    };
  }

  private static List<Conflict> everywhere(
      Workspace workspace, Person person, Beside.Course course) {
    List<Conflict> found = new ArrayList<>();
    for (Setup setup : workspace.setups().values()) {
      if (course.isWanted() && workspace.world().problem(setup).isEmpty()) {
        found.addAll(ConflictFinder.find(SetupTraces.of(setup, workspace.world()), person));
      }
    }
    found.sort(Conflict.WORST_FIRST);
    return found;
  }

  private void list(List<Conflict> found) {
    loaded = found;
    Accepted accepted = desk.session().workspace().get().accepted();
    boolean wantsAccepted = filter.where() == ConflictFilter.Where.ACCEPTED;
    List<Conflict> shownOnes =
        found.stream()
            .filter(c -> accepted.of(c).isPresent() == wantsAccepted && filter.shows(c))
            .toList();
    long lived = found.stream().filter(c -> accepted.of(c).isPresent()).count();
    head.setText(
        switch (shownOnes.size()) {
              case 0 -> worded("route.no-conflicts", words(filter));
              case 1 -> worded("route.1-conflict", words(filter));
              default -> worded("route.conflicts-the-worst-first", shownOnes.size(), words(filter));
            }
            + (lived > 0 && !wantsAccepted ? worded("route.lived-with", lived) : ""));
    rows.show(shownOnes);
  }

  private String words(ConflictFilter of) {
    return of.words(desk.titles()::place);
  }

  /** When conflicts came and went. */
  void days() {
    new ConflictDays(desk).open();
  }

  void chooseWhich() {
    desk.dialogs()
        .choose(
            worded("route.which-conflicts"),
            filter.choices(loaded),
            f -> worded("route.conflicts-2", words(f)),
            chosen -> {
              filter = chosen;
              desk.analyst().found().get().ifPresent(this::load);
              rows.list().requestFocus();
            });
  }

  /** What would end the chosen conflict. */
  void waysOut() {
    rows.selected().ifPresent(c -> new WaysOut(desk, c).open());
  }

  /** Accepts the chosen conflict with a reason, or takes that back. */
  void accept() {
    Optional<Conflict> chosen = rows.selected();
    if (chosen.isEmpty()) {
      return;
    }
    Conflict conflict = chosen.get();
    Workspace before = desk.session().workspace().get();
    if (before.accepted().of(conflict).isPresent()) {
      apply(worded("route.no-longer-live-with"), conflict, before.accepted().withdrawing(conflict));
      return;
    }
    TextField reason = new TextField();
    reason.setPromptText(worded("route.why-it-may-stay"));
    reason.setAccessibleText(worded("route.why-it-may-stay"));
    reason.setOnAction(
        _ -> {
          desk.keys().close();
          apply(
              worded("route.live-with"),
              conflict,
              before
                  .accepted()
                  .accepting(conflict, reason.getText().strip(), desk.session().today()));
        });
    Label what =
        Texts.words(
            conflict.loser().gesture()
                + ": "
                + ConflictSentence.withoutWayOut(conflict, before.catalog()));
    what.setMinHeight(Region.USE_PREF_SIZE);
    VBox box =
        OverlayBox.narrow(
            Texts.heading(worded("route.live-with-it")),
            what,
            reason,
            Texts.quiet(worded("route.it-is-out-of-the-list")));
    desk.keys().open(box, reason);
  }

  private void apply(String verb, Conflict conflict, Accepted accepted) {
    Workspace before = desk.session().workspace().get();
    desk.session()
        .apply(
            new Change.Edit(
                worded(
                    "route.for",
                    verb,
                    conflict.loser().gesture(),
                    before.catalog().title(conflict.loser().action())),
                before,
                before.with(accepted)));
  }

  void plan() {
    List<Conflict> some =
        rows.all().stream().filter(c -> c.setup().isPresent()).limit(PLANNED).toList();
    if (some.isEmpty()) {
      desk.session().say(worded("route.there-is-no-conflict-of-a"));
    } else {
      new PlanView(desk, some).open();
    }
  }
}
