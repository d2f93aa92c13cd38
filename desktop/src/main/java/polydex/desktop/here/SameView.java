package polydex.desktop.here;

import static polydex.desktop.language.DesktopWords.worded;
import static polydex.language.Language.decimals;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import polydex.catalog.ActionId;
import polydex.computer.ComputerPlan;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.intake.IntakePlan.Proposal;
import polydex.own.OwnKey;

/**
 * Names that were found beside actions that are known: those beyond doubt are taken for the same,
 * the others are asked, all in one list. What is said of them is kept while the computer is looked
 * at.
 */
final class SameView {
  private final Desk desk;
  private final Runnable changed;
  private final Map<String, ActionId> meant = new HashMap<>();
  private final Set<String> apart = new HashSet<>();
  private final ListView<Row> list;

  /** A name, the action it may be, and whether it is taken for it. */
  private record Row(Proposal proposal, boolean same) {
    String words() {
      return proposal.title();
    }
  }

  SameView(Desk desk, Runnable changed) {
    this.desk = desk;
    this.changed = changed;
    list =
        Lists.of(
            worded("here.names-that-may-be-the-same"),
            SameView::draw,
            Row::words,
            Texts.quiet(worded("here.no-name-resembles-an-action-that")));
    list.getStyleClass().add("here-rows");
  }

  /** What the person said names mean, by the names. */
  Map<String, ActionId> meant() {
    return meant;
  }

  /** Names that the person said are something else. */
  Set<String> apart() {
    return apart;
  }

  /** Shows what there is to say of a plan. */
  void open(ComputerPlan plan) {
    VBox box =
        OverlayBox.wide(
            Texts.heading(worded("here.the-same-or-not")),
            Texts.words(worded("here.an-action-that-is-known-has")),
            list);
    show(plan);
    desk.keys().open(box, list, List.of(KeyCommand.of(OwnKey.SAME_TURN, this::turn)));
  }

  /**
   * The asked ones first: they are what nobody but the person knows. What was said stays where it
   * is, so that it can be said otherwise.
   */
  void show(ComputerPlan plan) {
    Map<String, Row> rows = new LinkedHashMap<>();
    list.getItems().forEach(r -> rows.put(r.words(), r));
    for (boolean same : new boolean[] {false, true}) {
      for (ComputerPlan.Part part : plan.parts()) {
        part.bindings()
            .map(b -> same ? b.recognised() : b.proposals())
            .orElse(List.of())
            .forEach(p -> rows.put(p.title(), new Row(p, same)));
      }
    }
    int at = Math.max(0, list.getSelectionModel().getSelectedIndex());
    Lists.found(list, List.copyOf(rows.values()));
    list.getSelectionModel().select(Math.min(at, rows.size() - 1));
  }

  private void turn() {
    Row row = list.getSelectionModel().getSelectedItem();
    if (row == null) {
      return;
    }
    String title = row.proposal().title();
    if (row.same()) {
      meant.remove(title);
      apart.add(title);
    } else {
      apart.remove(title);
      meant.put(title, row.proposal().matches().getFirst().action().id());
    }
    list.getItems()
        .set(list.getSelectionModel().getSelectedIndex(), new Row(row.proposal(), !row.same()));
    changed.run();
  }

  private static void draw(HBox box, Row row) {
    var match = row.proposal().matches().getFirst();
    box.getChildren()
        .addAll(
            Lists.growing(Texts.styled(row.proposal().title(), "row-title")),
            Lists.column(
                Texts.styled(
                    row.same() ? worded("here.is-the-same-as") : worded("here.apart-from"),
                    "quiet"),
                9),
            Lists.growing(Texts.styled(match.action().title(), row.same() ? "row-title" : "quiet")),
            Lists.number(worded("here.alike", decimals(0, match.score() * 100)), 8));
  }
}
