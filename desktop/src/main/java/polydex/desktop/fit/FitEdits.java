package polydex.desktop.fit;

import java.time.LocalDate;
import java.util.Optional;
import polydex.catalog.ActionId;
import polydex.desktop.desk.Desk;
import polydex.fit.Bench;
import polydex.fit.Fitting;
import polydex.fit.OwnBinding;
import polydex.fit.RemapDraft;
import polydex.fit.Target;
import polydex.keys.Gesture;
import polydex.route.Situation.Computer;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** What is done to plans of bindings and remaps, each as a change that can be undone. */
final class FitEdits {
  private final Desk desk;

  FitEdits(Desk desk) {
    this.desk = desk;
  }

  Bench bench() {
    return desk.session().workspace().get().bench();
  }

  LocalDate today() {
    return desk.session().today();
  }

  private String named(OwnBinding o) {
    return "\u201c%s\u201d on %s".formatted(desk.titles().action(o.action()), o.computer().title());
  }

  private void edit(String title, Bench after) {
    Workspace before = desk.session().workspace().get();
    desk.session().apply(new Change.Edit(title, before, before.with(after)));
  }

  /** Plans a binding. */
  void plan(ActionId action, Computer computer, Gesture gesture, Optional<Target> target) {
    Fitting fitting = bench().fitting();
    String id = fitting.unused(action.value() + "-" + computer.platform().value());
    OwnBinding planned = OwnBinding.planned(id, computer, action, gesture, target, today());
    edit("Planned: %s for %s".formatted(gesture, named(planned)), bench().planning(planned));
  }

  /** Moves what is only planned to another gesture. */
  void move(OwnBinding o, Gesture gesture) {
    edit(
        "Planned: %s for %s".formatted(gesture, named(o)),
        bench().planning(o.on(gesture, today())));
  }

  void mean(OwnBinding o, Optional<Target> target) {
    edit("Said what it starts: " + named(o), bench().planning(o.meaning(target)));
  }

  void apply(OwnBinding o) {
    edit("Applied: " + named(o), bench().applying(o, today()));
  }

  void verify(OwnBinding o) {
    edit("Verified: " + named(o), bench().verifying(o, today()));
  }

  void remove(OwnBinding o) {
    String title = o.onComputer() ? "To be removed: " : "No longer planned: ";
    edit(title + named(o), bench().removing(o, today()));
  }

  void keep(OwnBinding o) {
    edit("Kept after all: " + named(o), bench().keeping(o, today()));
  }

  void gone(OwnBinding o) {
    edit("Gone: " + named(o), bench().gone(o));
  }

  void tick(Computer computer, String step, boolean done) {
    Bench bench = bench();
    edit(
        done ? "Ticked a step" : "Took back a tick",
        new Bench(bench.situation(), bench.fitting().ticking(computer, step, done)));
  }

  void draft(RemapDraft draft) {
    Bench bench = bench();
    edit(
        "Draft: " + draft.remap().title(),
        new Bench(bench.situation(), bench.fitting().with(draft)));
  }

  void drop(RemapDraft draft) {
    Bench bench = bench();
    edit(
        "No longer drafted: " + draft.remap().title(),
        new Bench(bench.situation(), bench.fitting().without(draft)));
  }

  void make(RemapDraft draft) {
    edit(
        "Made: %s on %s".formatted(draft.remap().title(), draft.computer().title()),
        bench().making(draft));
  }

  /** Something larger, as one change. */
  void all(String title, Bench after) {
    edit(title, after);
  }
}
