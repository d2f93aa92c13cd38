package polydex.desktop.mouse;

import static polydex.desktop.language.DesktopWords.worded;

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
      say(worded("mouse.no-longer-kept", desk.titles().action(place)), said().notKeeping(place));
      return;
    }
    desk.dialogs()
        .ask(
            worded("mouse.keep-for-the-mouse", desk.titles().action(place)),
            worded("mouse.why-it-stays-with-the-mouse"),
            reason ->
                say(
                    worded("mouse.kept-for-the-mouse", desk.titles().action(place)),
                    said()
                        .keeping(
                            place, reason.isBlank() ? worded("mouse.no-reason-given") : reason)));
  }

  /** Lets a gesture that is free be chosen for an action, and keeps that as a wish. */
  void wish(Place place) {
    Workspace workspace = desk.session().workspace().get();
    Setup setup = workspace.setups().get(place.setup());
    Optional<ActionId> action = place.action();
    if (setup == null || action.isEmpty()) {
      desk.session().say(worded("mouse.only-for-an-action-that-is"));
      return;
    }
    desk.session().say(worded("any.looking-for-gestures-that-are-free"));
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
      desk.session().say(worded("any.no-gesture-is-free-in-every"));
      return;
    }
    desk.session().say("");
    desk.dialogs()
        .chooseGesture(
            worded("mouse.a-gesture-to-wish-for", desk.titles().action(place)),
            free,
            desk.titles().words(place.environment()),
            g ->
                say(
                    worded("mouse.wished-for-for", g, desk.titles().action(place)),
                    said().wishing(new Wish(place, g, desk.session().today()))));
  }

  /** Takes a wish back. */
  void unwish(Place place) {
    say(
        worded("mouse.no-longer-wished-for", desk.titles().action(place)),
        said().notWishing(place));
  }

  /** Says what names in the log mean. */
  void name(Map<LearntName, Optional<ActionId>> meanings) {
    String title = worded("mouse.explain-names", meanings.size());
    say(title, said().learning(new LinkedHashMap<>(meanings)));
  }
}
