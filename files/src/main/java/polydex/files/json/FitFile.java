package polydex.files.json;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.fit.Bench;
import polydex.fit.Fitting;
import polydex.fit.OwnBinding;
import polydex.fit.OwnBinding.State;
import polydex.fit.RemapDraft;
import polydex.fit.Target;
import polydex.keys.Gesture;
import polydex.mouse.MouseChoices;
import polydex.mouse.Wish;
import polydex.recognition.Place;
import polydex.route.Remap;
import polydex.route.SetupId;
import polydex.route.Situation.Computer;
import polydex.workspace.Workspace;

/**
 * What was planned of bindings and remaps of one's own, and wished for, as a file.
 *
 * @param format {@code polydex-fit/1}
 * @param own bindings, planned or there
 * @param drafts of remaps
 * @param ticked the steps of change sheets that are done
 * @param wishes gestures wished for
 */
public record FitFile(
    String format, List<Own> own, List<Draft> drafts, List<Tick> ticked, List<Wished> wishes) {

  /**
   * A binding of one's own.
   *
   * @param id of its binding on the computer; of a planned one any
   * @param touched whether what its gesture meets has changed since it was verified
   */
  public record Own(
      String id,
      Computer computer,
      ActionId action,
      Gesture gesture,
      Optional<Target> target,
      State state,
      LocalDate since,
      boolean touched) {}

  /** A draft of a remap. */
  public record Draft(
      String id,
      Computer computer,
      boolean window,
      RemapDraft.Effect takes,
      boolean chosen,
      Remap remap) {}

  /** A step that is done. */
  public record Tick(Computer computer, String step) {}

  /** A gesture wished for. */
  public record Wished(
      String setup, String environment, String action, Gesture gesture, LocalDate day) {}

  /** A workspace with all of it. */
  public Workspace in(Workspace workspace) {
    Workspace with = workspace;
    for (Own o : own) {
      String id = o.state() == State.PLANNED ? o.id() : Bench.key(o.computer(), o.id());
      OwnBinding binding =
          new OwnBinding(
              id, o.computer(), o.action(), o.gesture(), o.target(), o.state(), o.since(), "");
      String seen =
          o.state() != State.VERIFIED ? "" : o.touched() ? "before" : with.bench().meets(binding);
      with =
          with.with(
              with.fitting()
                  .with(
                      new OwnBinding(
                          id,
                          o.computer(),
                          o.action(),
                          o.gesture(),
                          o.target(),
                          o.state(),
                          o.since(),
                          seen)));
    }
    Fitting fitting = with.fitting();
    for (Draft d : drafts) {
      fitting =
          fitting.with(
              new RemapDraft(d.id(), d.computer(), d.window(), d.remap(), d.takes(), d.chosen()));
    }
    for (Tick t : ticked) {
      fitting = fitting.ticking(t.computer(), t.step(), true);
    }
    Map<Place, Wish> all = new HashMap<>(with.mouse().wishes());
    for (Wished w : wishes) {
      Place place =
          Place.read(new SetupId(w.setup()), new EnvironmentId(w.environment()), w.action());
      all.put(place, new Wish(place, w.gesture(), w.day()));
    }
    return with.with(fitting)
        .with(new MouseChoices(with.mouse().kept(), all, with.mouse().names()));
  }
}
