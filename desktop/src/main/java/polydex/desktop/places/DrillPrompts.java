package polydex.desktop.places;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import polydex.desktop.state.Analysis;
import polydex.desktop.state.Session;
import polydex.keys.Gesture;
import polydex.keys.Step;
import polydex.mouse.Habit;
import polydex.recall.DrillItem;
import polydex.recall.Prompt;
import polydex.route.Layer;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.TracedBinding;
import polydex.route.Tracer;

/** What can be asked in a setup: every action that a gesture without a pointer reaches in it. */
final class DrillPrompts {
  private DrillPrompts() {}

  /** The prompts, those that the mouse is used for most at the front. */
  static List<Prompt> of(Analysis analysis, Session session) {
    Map<DrillItem, List<Gesture>> gestures = new LinkedHashMap<>();
    for (TracedBinding traced : analysis.traces().all()) {
      if (traced.works() && !traced.gesture().usesPointer()) {
        gestures
            .computeIfAbsent(
                new DrillItem(traced.environment(), traced.binding().action()),
                _ -> new ArrayList<>())
            .add(traced.gesture());
      }
    }
    Tracer bare = withThisProgramInFocus(analysis);
    List<Prompt> prompts = new ArrayList<>();
    gestures.forEach(
        (item, all) -> {
          boolean spelled = all.stream().anyMatch(g -> isTaken(bare, g));
          // Only plain strokes can be spelled: a tap or a hold is nothing but its timing.
          if (!spelled || all.stream().allMatch(DrillPrompts::isOfStrokes)) {
            prompts.add(new Prompt(item, all, spelled));
          }
        });
    prompts.sort(Comparator.comparingInt(p -> -pointerUses(session, p.item())));
    return prompts;
  }

  private static int pointerUses(Session session, DrillItem item) {
    return session.habits().habit(item.action()).map(Habit::byPointer).orElse(0);
  }

  /** This program has no bindings while a drill runs, so the bare desktop stands for it. */
  private static Tracer withThisProgramInFocus(Analysis analysis) {
    Setup setup = analysis.traces().setup();
    return Tracer.of(
        new Setup(
            setup.id(), setup.title(), setup.board(), setup.machine().with(new Machine.Bare())),
        analysis.workspace().world());
  }

  private static boolean isTaken(Tracer bare, Gesture gesture) {
    return bare.trace(gesture).passages().stream()
        .anyMatch(
            p ->
                switch (p.verb()) {
                  case TAKES, HOLDS -> p.layer().kind() != Layer.Kind.TYPING;
                  case PASSES, CHANGES, DROPS, TYPES -> false;
                });
  }

  private static boolean isOfStrokes(Gesture gesture) {
    return gesture.steps().stream().allMatch(Step.Stroke.class::isInstance);
  }
}
