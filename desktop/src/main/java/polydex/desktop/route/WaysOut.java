package polydex.desktop.route;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.catalog.Catalog;
import polydex.conflict.Conflict;
import polydex.conflict.ConflictSentence;
import polydex.conflict.Fix;
import polydex.conflict.FixFinder;
import polydex.conflict.Person;
import polydex.conflict.Trial;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.recall.DrillItem;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** What would end a conflict, each change tried on a copy before it is offered. */
final class WaysOut {
  private static final int NAMED = 4;

  private static final double ROW_WIDTH = 430;

  private final Desk desk;
  private final Conflict conflict;

  /** What changes are tried on, and the one thing that they are made to. */
  private final Workspace workspace;

  private final ListView<Trial.Outcome> list;
  private final Label details = Texts.words("");
  private final Label state = Texts.quiet(worded("route.trying-changes-on-a-copy"));

  WaysOut(Desk desk, Conflict conflict) {
    this.desk = desk;
    this.conflict = conflict;
    workspace = desk.session().workspace().get();
    list =
        Lists.of(
            worded("route.ways-out"),
            this::row,
            o -> o.fix().title(catalog()),
            desk.keyed(Texts.quiet(worded("route.nothing-that-can-be-changed-here"))));
    list.getStyleClass().add("nine-rows");
    details.setMinHeight(Region.USE_PREF_SIZE);
  }

  void open() {
    VBox box =
        OverlayBox.wide(
            Texts.heading(worded("route.ways-out")),
            new GestureView(
                conflict.loser().gesture(), desk.titles().words(conflict.loser().environment())),
            sentence(),
            state,
            list,
            details,
            Texts.quiet(worded("route.enter-make-the-change-which-can")));
    list.getSelectionModel()
        .selectedItemProperty()
        .addListener((_, _, o) -> details.setText(o == null ? "" : details(o)));
    list.addEventHandler(
        KeyEvent.KEY_PRESSED,
        event -> {
          if (event.getCode() == KeyCode.ENTER) {
            event.consume();
            make();
          }
        });
    Lists.waiting(list, worded("route.which-of-them-end-it-is"));
    desk.keys().open(box, list);
    Person person = desk.analyst().person();
    desk.analyst()
        .look(
            "ways out",
            _ ->
                new FixFinder(new Trial(workspace.situation(), person))
                    .offered(conflict, Fix.Weights.USUAL),
            this::show,
            why -> {
              state.setText("");
              Lists.failed(list, why);
            });
  }

  private Label sentence() {
    Label sentence = Texts.words(ConflictSentence.withoutGesture(conflict, catalog()));
    sentence.setMinHeight(Region.USE_PREF_SIZE);
    return sentence;
  }

  private void show(List<Trial.Outcome> offered) {
    state.setText(
        switch (offered.size()) {
          case 0 -> worded("route.no-change-ends-it");
          case 1 -> worded("route.one-change-ends-it");
          default -> worded("route.changes-end-it-what-breaks-and", offered.size());
        });
    Lists.found(list, offered);
    list.getSelectionModel().selectFirst();
  }

  private Catalog catalog() {
    return workspace.catalog();
  }

  private void row(HBox box, Trial.Outcome outcome) {
    Region title =
        GestureView.within(outcome.fix().title(catalog()), outcome.fix().gestures(), ROW_WIDTH);
    HBox.setHgrow(title, Priority.ALWAYS);
    int makes = outcome.makes().size();
    Label made =
        Texts.styled(
            makes == 0 ? worded("route.makes-none") : worded("route.makes", makes), "quiet");
    if (makes > 0) {
      made.getStyleClass().add("stops");
    }
    box.getChildren()
        .addAll(
            title,
            Lists.column(Texts.styled(worded("route.ends-2", outcome.ends().size()), "quiet"), 5),
            Lists.column(made, 7),
            Lists.column(Texts.styled(changed(outcome), "quiet"), 11));
  }

  private static String changed(Trial.Outcome outcome) {
    int robbed = outcome.robs().size();
    if (robbed > 0) {
      return worded("route.actions-lose-their-keys", robbed);
    }
    return switch (outcome.changed()) {
      case 0 -> worded("route.changes-nothing-else");
      case 1 -> worded("route.1-gesture-changes");
      default -> worded("route.gestures-change", outcome.changed());
    };
  }

  private String details(Trial.Outcome outcome) {
    String makes = named(outcome.makes());
    String changes =
        outcome.changes().entrySet().stream()
            .map(
                e ->
                    workspace.setups().get(e.getKey()).title()
                        + ": "
                        + e.getValue().stream()
                            .limit(2L * NAMED)
                            .map(Object::toString)
                            .collect(Collectors.joining(", ")))
            .collect(Collectors.joining("; "));
    return (makes.isEmpty()
            ? worded("route.it-makes-no-new-conflict")
            : worded("route.it-makes", makes))
        + outcome.robs().stream()
            .limit(NAMED)
            .map(a -> worded("route.nothing-does-then", catalog().title(a)))
            .collect(Collectors.joining())
        + (changes.isEmpty() ? "" : worded("route.these-end-elsewhere-then-in", changes));
  }

  private String named(List<Conflict> conflicts) {
    return conflicts.stream()
        .limit(NAMED)
        .map(c -> c.loser().gesture() + ": " + ConflictSentence.withoutWayOut(c, catalog()))
        .collect(Collectors.joining("\n"));
  }

  private void make() {
    Trial.Outcome chosen = list.getSelectionModel().getSelectedItem();
    if (chosen == null) {
      return;
    }
    desk.keys().close();
    if (chosen.fix() instanceof Fix.UseOther other) {
      desk.drills().mark(Set.of(new DrillItem(conflict.loser().environment(), other.action())));
      return;
    }
    desk.session()
        .apply(
            new Change.Edit(
                chosen.fix().title(catalog()),
                workspace,
                workspace.with(chosen.fix().applyTo(workspace.situation()))));
  }
}
