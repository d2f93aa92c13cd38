package polydex.desktop.mouse;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.catalog.ActionId;
import polydex.desktop.desk.Desk;
import polydex.free.Proposals;
import polydex.keys.Gesture;
import polydex.mouse.MouseChoices;
import polydex.mouse.Wish;
import polydex.recognition.LearntName;
import polydex.recognition.Place;
import polydex.route.Setup;
import polydex.route.Situation.Computer;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** What a person says about what the mouse still does, each as a change that can be undone. */
final class Choices {
  private static final int OFFERED = 9;

  private final Desk desk;

  Choices(Desk desk) {
    this.desk = desk;
  }

  private MouseChoices said() {
    return desk.session().workspace().get().mouse();
  }

  private void say(String title, MouseChoices after) {
    Workspace before = desk.session().workspace().get();
    desk.session().apply(new Change.Edit(title, before, before.with(after)));
  }

  /** Leaves an action to the pointer, with a reason, or no longer. */
  void keepOrNot(Place place) {
    if (said().kept().containsKey(place)) {
      say("No longer kept: " + desk.titles().action(place), said().notKeeping(place));
      return;
    }
    desk.dialogs()
        .ask(
            "Keep \u201c%s\u201d for the mouse".formatted(desk.titles().action(place)),
            "Why it stays with the mouse",
            reason ->
                say(
                    "Kept for the mouse: " + desk.titles().action(place),
                    said().keeping(place, reason.isBlank() ? "no reason given" : reason)));
  }

  /** Lets a gesture that is free be chosen for an action, and keeps that as a wish. */
  void wish(Place place) {
    Workspace workspace = desk.session().workspace().get();
    Setup setup = workspace.setups().get(place.setup());
    Optional<ActionId> action = place.action();
    if (setup == null || action.isEmpty()) {
      desk.session().say("Only for an action that is known, in a setup that is here.");
      return;
    }
    desk.session().say("Looking for gestures that are free \u2026");
    int depth = setup.machines().size() - 1;
    desk.analyst()
        .look(
            "free gestures",
            _ ->
                Proposals.own(workspace.situation(), Computer.of(setup.machines().get(depth)))
                    .best(action.get(), OFFERED),
            free -> offer(place, free),
            desk.session()::problem);
  }

  private void offer(Place place, List<Gesture> free) {
    if (free.isEmpty()) {
      desk.session().say("No gesture is free in every setup of this computer.");
      return;
    }
    desk.session().say("");
    desk.dialogs()
        .chooseGesture(
            "A gesture to wish for: \u201c%s\u201d".formatted(desk.titles().action(place)),
            free,
            desk.titles().words(place.environment()),
            g ->
                say(
                    "Wished for: %s for \u201c%s\u201d".formatted(g, desk.titles().action(place)),
                    said().wishing(new Wish(place, g, desk.session().today()))));
  }

  /** Takes a wish back. */
  void unwish(Place place) {
    say("No longer wished for: " + desk.titles().action(place), said().notWishing(place));
  }

  /** Says what names in the log mean. */
  void name(Map<LearntName, Optional<ActionId>> meanings) {
    String title =
        meanings.size() == 1 ? "Explain a name" : "Explain %d names".formatted(meanings.size());
    say(title, said().learning(new LinkedHashMap<>(meanings)));
  }
}
