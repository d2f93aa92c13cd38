package polydex.desktop.fit;

import static polydex.desktop.language.DesktopWords.worded;

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
    return worded("fit.on", desk.titles().action(o.action()), o.computer().title());
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
    edit(worded("fit.planned-for", gesture, named(planned)), bench().planning(planned));
  }

  /** Moves what is only planned to another gesture. */
  void move(OwnBinding o, Gesture gesture) {
    edit(worded("fit.planned-for", gesture, named(o)), bench().planning(o.on(gesture, today())));
  }

  void mean(OwnBinding o, Optional<Target> target) {
    edit(worded("fit.said-what-it-starts", named(o)), bench().planning(o.meaning(target)));
  }

  void apply(OwnBinding o) {
    edit(worded("fit.applied", named(o)), bench().applying(o, today()));
  }

  void verify(OwnBinding o) {
    edit(worded("fit.verified", named(o)), bench().verifying(o, today()));
  }

  void remove(OwnBinding o) {
    String title = o.onComputer() ? worded("fit.to-be-removed") : worded("fit.no-longer-planned");
    edit(title + named(o), bench().removing(o, today()));
  }

  void keep(OwnBinding o) {
    edit(worded("fit.kept-after-all", named(o)), bench().keeping(o, today()));
  }

  void gone(OwnBinding o) {
    edit(worded("fit.gone", named(o)), bench().gone(o));
  }

  void tick(Computer computer, String step, boolean done) {
    Bench bench = bench();
    edit(
        done ? worded("fit.ticked-a-step") : worded("fit.took-back-a-tick"),
        new Bench(bench.situation(), bench.fitting().ticking(computer, step, done)));
  }

  void draft(RemapDraft draft) {
    Bench bench = bench();
    edit(
        worded("fit.draft", draft.remap().title()),
        new Bench(bench.situation(), bench.fitting().with(draft)));
  }

  void drop(RemapDraft draft) {
    Bench bench = bench();
    edit(
        worded("fit.no-longer-drafted", draft.remap().title()),
        new Bench(bench.situation(), bench.fitting().without(draft)));
  }

  void make(RemapDraft draft) {
    edit(
        worded("fit.made-on", draft.remap().title(), draft.computer().title()),
        bench().making(draft));
  }

  /** Something larger, as one change. */
  void all(String title, Bench after) {
    edit(title, after);
  }
}
