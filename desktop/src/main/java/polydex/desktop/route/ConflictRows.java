package polydex.desktop.route;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.catalog.Catalog;
import polydex.conflict.Accepted;
import polydex.conflict.Conflict;
import polydex.conflict.ConflictGroup;
import polydex.conflict.ConflictSentence;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;

/**
 * Conflicts as rows, those of one cause under one row that opens with Right and closes with Left.
 */
final class ConflictRows {

  /**
   * A row.
   *
   * @param group what it stands for
   * @param member the one of them, below an open group; none for the group itself
   */
  record ConflictRow(ConflictGroup group, Optional<Conflict> member) {
    Conflict conflict() {
      return member.orElse(group.worst());
    }
  }

  private final Desk desk;
  private final ListView<ConflictRow> list;
  private final Set<String> open = new HashSet<>();
  private List<ConflictGroup> groups = List.of();

  ConflictRows(Desk desk, Consumer<Conflict> selected) {
    this.desk = desk;
    list =
        Lists.of(
            worded("route.conflicts-of-this-setup"),
            this::row,
            r -> catalog().title(r.conflict().loser().action()),
            Texts.quiet(worded("route.no-binding-loses-its-gesture-here")));
    list.getStyleClass().add("conflicts");
    desk.narrow().addListener((_, _, _) -> list.refresh());
    list.getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (_, _, r) -> Optional.ofNullable(r).map(ConflictRow::conflict).ifPresent(selected));
    list.addEventFilter(
        KeyEvent.KEY_PRESSED,
        event -> {
          if (event.getCode() == KeyCode.RIGHT || event.getCode() == KeyCode.LEFT) {
            event.consume();
            fold(event.getCode() == KeyCode.RIGHT);
          }
        });
  }

  ListView<ConflictRow> list() {
    return list;
  }

  /** The chosen conflict. */
  Optional<Conflict> selected() {
    return Optional.ofNullable(list.getSelectionModel().getSelectedItem())
        .map(ConflictRow::conflict);
  }

  /** All that are shown, each once, the worst first. */
  List<Conflict> all() {
    return groups.stream().flatMap(g -> g.conflicts().stream()).toList();
  }

  void show(List<Conflict> conflicts) {
    groups = ConflictGroup.of(conflicts);
    Optional<String> before = selected().map(Conflict::id);
    fill();
    before.ifPresent(
        id ->
            list.getItems().stream()
                .filter(r -> r.conflict().id().equals(id))
                .findFirst()
                .ifPresent(list.getSelectionModel()::select));
  }

  private void fill() {
    List<ConflictRow> rows = new ArrayList<>();
    for (ConflictGroup group : groups) {
      rows.add(new ConflictRow(group, Optional.empty()));
      if (group.isSeveral() && open.contains(group.cause())) {
        group.conflicts().forEach(c -> rows.add(new ConflictRow(group, Optional.of(c))));
      }
    }
    Lists.found(list, rows);
  }

  /** Opens or closes the group of the chosen row. */
  private void fold(boolean opens) {
    ConflictRow chosen = list.getSelectionModel().getSelectedItem();
    if (chosen == null || !chosen.group().isSeveral()) {
      return;
    }
    boolean changed =
        opens ? open.add(chosen.group().cause()) : open.remove(chosen.group().cause());
    if (changed) {
      fill();
      int at = list.getItems().indexOf(new ConflictRow(chosen.group(), Optional.empty()));
      list.getSelectionModel().clearAndSelect(at);
      list.getFocusModel().focus(at);
    }
  }

  private Catalog catalog() {
    return desk.session().workspace().get().catalog();
  }

  private void row(HBox box, ConflictRow row) {
    Conflict conflict = row.conflict();
    boolean isHead = row.member().isEmpty() && row.group().isSeveral();
    Region notch = new Region();
    notch.getStyleClass().add("notch");
    Label sentence = Texts.styled(sentence(row, isHead), "words");
    sentence.setWrapText(true);
    sentence.setMinHeight(Region.USE_PREF_SIZE);
    HBox.setHgrow(sentence, Priority.ALWAYS);
    String sign = isHead ? (open.contains(row.group().cause()) ? "▾" : "▸") : "";
    HBox facts =
        new HBox(
            10,
            Lists.column(Texts.styled(row.member().isPresent() ? "" : sign, "quiet"), 1),
            Lists.rightColumn(Texts.styled(String.valueOf(conflict.severity()), "number"), 2),
            notch,
            Lists.column(Texts.styled(ConflictFilter.name(conflict.kind()), "quiet"), 7),
            Lists.columnFrom(
                new GestureView(
                    conflict.loser().gesture(),
                    desk.titles().words(conflict.loser().environment())),
                11));
    facts.setAlignment(Pos.CENTER_LEFT);
    facts.setMinWidth(Region.USE_PREF_SIZE);
    if (desk.narrow().get()) {
      VBox both = new VBox(4, facts, sentence);
      HBox.setHgrow(both, Priority.ALWAYS);
      both.setMinWidth(0);
      box.getChildren().add(both);
    } else {
      box.getChildren().addAll(facts, sentence);
    }
  }

  private String sentence(ConflictRow row, boolean isHead) {
    Conflict conflict = row.conflict();
    String text = ConflictSentence.withoutGesture(conflict, catalog());
    Optional<Accepted.Acceptance> accepted =
        desk.session().workspace().get().accepted().of(conflict);
    String lived =
        accepted.map(a -> worded("route.lived-with-since", a.day(), a.reason())).orElse("");
    int more = row.group().conflicts().size() - 1;
    String others = isHead ? worded("route.and-more-by-the-same-cause", more) : "";
    String where =
        conflict
            .setup()
            .filter(id -> !desk.session().workspace().get().current().equals(Optional.of(id)))
            .map(id -> desk.session().workspace().get().setups().get(id).title() + ". ")
            .orElse("");
    return where + text + others + lived;
  }
}
