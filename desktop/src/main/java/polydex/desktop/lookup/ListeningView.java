package polydex.desktop.lookup;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import polydex.boards.Presses;
import polydex.boards.Presses.Made;
import polydex.catalog.GestureIndex.Owner;
import polydex.conflict.ConflictSentence;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.LayerStack;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCapture;
import polydex.desktop.paths.PathView;
import polydex.desktop.paths.PressedSoFar;
import polydex.desktop.state.Analysis;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.route.Trace;
import polydex.workspace.Workspace;

/** What pressed keys would do: in each layer of the setup in use, and in every environment. */
final class ListeningView extends HBox implements KeyCapture.Listener {
  private final Desk desk;
  private final Runnable left;
  private final PressedSoFar soFar = new PressedSoFar();
  private final HBox caps = new HBox(8);
  private final LayerStack stack = new LayerStack();
  private final VBox outcome = new VBox(6);
  private final VBox elsewhere = new VBox(8);
  private boolean afresh = true;

  ListeningView(Desk desk, Runnable left) {
    this.desk = desk;
    this.left = left;
    caps.getStyleClass().add("big");
    caps.setAlignment(Pos.CENTER_LEFT);
    caps.setMinHeight(52);
    VBox here = new VBox(10, caps, outcome, stack);
    ScrollPane hereScroll = new ScrollPane(here);
    hereScroll.setFitToWidth(true);
    hereScroll.setFocusTraversable(false);
    HBox.setHgrow(hereScroll, Priority.ALWAYS);
    ScrollPane elsewhereScroll = new ScrollPane();
    elsewhereScroll.setFitToWidth(true);
    elsewhereScroll.setFocusTraversable(false);
    elsewhereScroll.getStyleClass().add("elsewhere");
    setSpacing(24);
    desk.narrow()
        .subscribe(
            narrow -> {
              if (narrow) {
                here.getChildren().add(elsewhere);
                getChildren().setAll(hereScroll);
              } else {
                here.getChildren().remove(elsewhere);
                elsewhereScroll.setContent(elsewhere);
                getChildren().setAll(hereScroll, elsewhereScroll);
              }
            });
  }

  void start() {
    soFar.clear();
    caps.getChildren().setAll(GestureView.emptyCap(), Texts.quiet(worded("lookup.press-any-keys")));
    outcome.getChildren().clear();
    elsewhere.getChildren().clear();
    desk.analyst().found().get().ifPresent(a -> stack.show(a.traces().tracer().layers()));
    desk.keys().capture(this, false, worded("lookup.go-back-to-words"));
  }

  void stop() {
    desk.keys().release();
  }

  @Override
  public void pressed(Made press, long nanos) {
    afresh = false;
    Optional<Analysis> analysis = desk.analyst().found().get();
    analysis.ifPresent(a -> show(soFar.add(press, a)));
  }

  @Override
  public void holding(Modifiers held) {
    afresh = afresh || held.isEmpty();
    if (afresh && !held.isEmpty()) {
      caps.getChildren().setAll(GestureView.held(Held.of(held), Map.of()));
    }
  }

  @Override
  public void leave() {
    left.run();
  }

  void show(Gesture gesture) {
    Optional<Analysis> found = desk.analyst().found().get();
    if (found.isEmpty()) {
      return;
    }
    Analysis analysis = found.get();
    Trace trace = analysis.traces().tracer().trace(gesture);
    soFar.traced(trace);
    Workspace workspace = desk.session().workspace().get();
    caps.getChildren().setAll(new GestureView(gesture, Map.of()));
    Label what = Texts.words(PathView.outcome(trace, workspace.catalog()));
    what.getStyleClass().add("part");
    outcome.getChildren().setAll(what);
    PathView.show(stack, analysis.traces().tracer(), trace, desk);
    showOwners(gesture, analysis, workspace);
  }

  private void showOwners(Gesture gesture, Analysis analysis, Workspace workspace) {
    elsewhere.getChildren().setAll(Texts.part(worded("lookup.who-else-has-it")));
    Optional<List<Physical>> presses =
        Presses.physical(gesture, analysis.traces().tracer().layout());
    List<Owner> owners = presses.map(analysis.owners()::owners).orElse(List.of());
    for (Owner owner : owners) {
      VBox card =
          new VBox(
              2,
              Texts.part(workspace.catalog().title(owner.binding().action())),
              Texts.quiet(
                  ConflictSentence.where(
                      workspace.catalog(), owner.environment(), owner.binding().context())));
      card.getStyleClass().add("card");
      elsewhere.getChildren().add(card);
    }
    if (owners.isEmpty()) {
      elsewhere.getChildren().add(Texts.quiet(worded("lookup.no-environment-has-a-binding-for")));
    }
    elsewhere
        .getChildren()
        .add(
            Lists.column(
                Texts.quiet(
                    worded("lookup.environments-known", workspace.catalog().environments().size())),
                18));
  }
}
