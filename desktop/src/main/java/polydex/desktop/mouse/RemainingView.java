package polydex.desktop.mouse;

import static polydex.desktop.language.DesktopWords.worded;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import polydex.catalog.EnvironmentId;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.effort.SpokenTime;
import polydex.language.Language;
import polydex.mouse.DaysOfUse;
import polydex.mouse.Remaining.RemainingRow;
import polydex.mouse.Walk;
import polydex.own.OwnKey;
import polydex.person.Findings;

/** What is still done with the mouse, by what it costs, and what to do about each. */
public final class RemainingView extends VBox {
  /** The share of the hours that "most of them" means. */
  private static final double MOST = 0.8;

  /** A line: what remains, and the share of the hours up to it. */
  private record Line(RemainingRow row, double share) {}

  /** How much stands side by side. */
  private enum Room {
    ALL,
    MOST,
    LEAST,
    STACKED
  }

  private static final int EMS_FOR_ALL = 64;
  private static final int EMS_FOR_MOST = 46;
  private static final int EMS_FOR_LEAST = 34;

  private final Desk desk;
  private final Choices choices;
  private final Label summary = Texts.quiet("");
  private final Label explained = Texts.quiet(" ");
  private final HBox head = new HBox();
  private final ListView<Line> list;
  private RemainingFilter only = RemainingFilter.ALL;
  private List<RemainingRow> rows = List.of();
  private String recognised = "";
  private Room room = Room.ALL;

  /** An empty view. */
  public RemainingView(Desk desk) {
    this.desk = desk;
    this.choices = new Choices(desk);
    list =
        Lists.of(
            worded("mouse.what-remains-by-its-cost"),
            this::row,
            l -> desk.titles().action(l.row().place()),
            desk.keyed(Texts.quiet(worded("mouse.nothing-was-done-with-the-mouse"))));
    VBox.setVgrow(list, Priority.ALWAYS);
    list.getSelectionModel().selectedItemProperty().addListener((_, _, l) -> explain(l));
    head.getStyleClass().add("table-head");
    widthProperty().addListener((_, _, _) -> fit());
    desk.narrow().addListener((_, _, _) -> fit());
    head.getChildren().setAll(headings());
    VBox table = new VBox(head, list);
    VBox.setVgrow(table, Priority.ALWAYS);
    VBox.setVgrow(this, Priority.ALWAYS);
    setSpacing(10);
    getChildren().addAll(summary, table, explained);
  }

  /** In a narrow window less stands side by side; the line below the list says the rest. */
  private void fit() {
    double ems = getWidth() / summary.getFont().getSize();
    Room now =
        ems >= EMS_FOR_ALL
            ? Room.ALL
            : ems >= EMS_FOR_MOST ? Room.MOST : ems >= EMS_FOR_LEAST ? Room.LEAST : Room.STACKED;
    if (now != room) {
      room = now;
      head.getChildren().setAll(headings());
      head.setManaged(room != Room.STACKED);
      head.setVisible(room != Room.STACKED);
      list.refresh();
    }
  }

  /** What gets the focus. */
  public ListView<?> list() {
    return list;
  }

  /** The keys of this view. */
  public List<KeyCommand> commands() {
    return List.of(
        KeyCommand.of(
            OwnKey.REMAINING_NEXT,
            worded("any.its-next-step"),
            () -> chosen().ifPresent(r -> NextStep.take(desk, r))),
        KeyCommand.of(
            OwnKey.REMAINING_KEEP,
            worded("mouse.keep-it"),
            () -> chosen().ifPresent(r -> choices.keepOrNot(r.place()))),
        KeyCommand.of(OwnKey.SHOW_ONLY, worded("mouse.show-only"), this::chooseWhich),
        KeyCommand.of(OwnKey.WISH, () -> chosen().ifPresent(r -> choices.wish(r.place()))));
  }

  private Optional<RemainingRow> chosen() {
    return Optional.ofNullable(list.getSelectionModel().getSelectedItem()).map(Line::row);
  }

  private void chooseWhich() {
    desk.dialogs()
        .choose(
            worded("mouse.show-only-2"),
            RemainingFilter.choices(desk, rows),
            RemainingFilter::title,
            chosen -> {
              only = chosen;
              show();
            });
  }

  /** It is being found out, or can't be. */
  public void waiting(String words) {
    summary.setText(words);
    Lists.waiting(list, words);
  }

  /** Shows what was found out. */
  public void show(Findings found) {
    rows = found.rows();
    recognised =
        found.standing().events() == 0
            ? ""
            : worded(
                    "mouse.of-what-was-logged-was-recognised",
                    Spoken.percent(found.standing().recognisedShare()),
                    found.standing().strangers().stream().anyMatch(s -> s.isMachine())
                        ? worded("mouse.setups-are-missing-for-it-explain")
                        : "")
                + strays(found.standing().strays());
    show();
  }

  private void show() {
    List<RemainingRow> shown = rows.stream().filter(only.rows()).toList();
    double all = shown.stream().mapToDouble(RemainingRow::hoursAYear).sum();
    List<Line> lines = new ArrayList<>();
    double so = 0;
    int most = 0;
    for (RemainingRow row : shown) {
      most += so < MOST * all ? 1 : 0;
      so += row.hoursAYear();
      lines.add(new Line(row, all == 0 ? 0 : so / all));
    }
    summary.setText(
        desk.named(
            worded(
                "mouse.shown",
                only.title(),
                all == 0
                    ? ""
                    : worded(
                        "mouse.by-the-last-four-weeks-the",
                        SpokenTime.hours(all),
                        between(DaysOfUse.ofAll(shown)),
                        most,
                        shown.size(),
                        Math.round(MOST * 100)),
                recognised)));
    Optional<RemainingRow> before = chosen();
    int was = list.getSelectionModel().getSelectedIndex();
    Lists.found(list, lines);
    int at =
        before
            .map(b -> shown.stream().map(RemainingRow::place).toList().indexOf(b.place()))
            .filter(i -> i >= 0)
            .orElse(Math.clamp(was, 0, Math.max(0, lines.size() - 1)));
    if (!lines.isEmpty()) {
      list.getSelectionModel().select(at);
    }
  }

  private List<Node> headings() {
    return columns(
        Texts.styled(worded("any.action"), "column-head"),
        Texts.styled(worded("any.where"), "column-head"),
        Texts.styled(worded("any.state"), "column-head"),
        Texts.styled(worded("mouse.a-day"), "column-head"),
        Texts.styled(worded("mouse.a-year"), "column-head"),
        Texts.styled(worded("mouse.so-far"), "column-head"),
        Texts.styled(worded("mouse.to-do-2"), "column-head"),
        Texts.styled(worded("mouse.by-keys"), "column-head"));
  }

  private List<Node> columns(
      Region action,
      Region where,
      Region state,
      Region day,
      Region year,
      Region so,
      Region toDo,
      Region keys) {
    List<Node> columns = new ArrayList<>();
    columns.add(Lists.growing(action));
    if (room == Room.ALL) {
      columns.add(Lists.column(where, 11));
      columns.add(Lists.column(state, 6.5));
    }
    columns.add(Lists.rightColumn(day, 3.5));
    columns.add(Lists.rightColumn(year, 4.8));
    if (room == Room.ALL || room == Room.MOST) {
      columns.add(Lists.rightColumn(so, 3.8));
    }
    columns.add(Lists.column(gap(toDo), room == Room.LEAST ? 7 : 8));
    columns.add(Lists.column(keys, room == Room.LEAST ? 9 : 13.5));
    return columns;
  }

  /** Words that follow a column of numbers stand a little apart from it. */
  private static HBox gap(Region content) {
    HBox box = new HBox(content);
    box.setAlignment(Pos.CENTER_LEFT);
    box.setStyle("-fx-padding: 0 0 0 0.8em;");
    return box;
  }

  private void row(HBox box, Line line) {
    RemainingRow row = line.row();
    List<Node> columns =
        columns(
            Texts.styled(desk.titles().action(row.place()), "row-title"),
            Texts.styled(where(row), "quiet"),
            Marks.state(row.state()),
            Texts.styled(String.format(Language.locale(), "%.1f", row.usesADay()), "number"),
            Texts.styled(SpokenTime.inColumn(row.hoursAYear()), "number"),
            Texts.styled(Spoken.percent(line.share()), "number"),
            Marks.kind(row.kind()),
            byKeys(row));
    if (room == Room.STACKED) {
      box.getChildren().add(Lists.stacked(columns, columns.getFirst()));
    } else {
      box.getChildren().addAll(columns);
    }
  }

  private String where(RemainingRow row) {
    return desk.titles().title(row.place().environment());
  }

  private Region byKeys(RemainingRow row) {
    if (row.gesture().isPresent()) {
      return new GestureView(
          row.gesture().get(), desk.titles().words(row.environment().orElse(EnvironmentId.NONE)));
    }
    return Optional.ofNullable(desk.session().workspace().get().mouse().wishes().get(row.place()))
        .<Region>map(
            w -> {
              HBox wished =
                  new HBox(
                      6,
                      new GestureView(w.gesture(), desk.titles().words(row.place().environment())));
              if (!desk.narrow().get()) {
                wished.getChildren().addFirst(Texts.styled(worded("mouse.wished"), "wished"));
              }
              wished.setAlignment(Pos.CENTER_LEFT);
              return wished;
            })
        .orElseGet(
            () ->
                Texts.styled(
                    row.walk()
                        .map(
                            w ->
                                w.presses()
                                    + (w.means() == Walk.Means.MENUS
                                        ? worded("mouse.presses-by-menus")
                                        : worded("mouse.presses-by-tab")))
                        .orElse(worded("mouse.no-way-by-keys")),
                    "quiet"));
  }

  private void explain(@Nullable Line line) {
    if (line == null) {
      explained.setText(" ");
      return;
    }
    RemainingRow row = line.row();
    explained.setText(
        desk.named(
            "%s, %s: %s %s"
                .formatted(
                    desk.titles().action(row.place()),
                    desk.titles().setup(row.place().setup()),
                    times(row) + rests(row),
                    row.kept()
                        .map(why -> worded("mouse.kept-for-the-mouse-remaining-keep", why))
                        .orElseGet(() -> NextStep.sentence(row)))));
  }

  private static String strays(List<LocalDate> days) {
    return days.isEmpty()
        ? ""
        : worded(
            "mouse.left-out-so-far-from-all",
            days.stream().map(LocalDate::toString).collect(Collectors.joining(", ")));
  }

  /** Between which hours all together lie, where that rests on little. */
  private static String between(DaysOfUse on) {
    return on.range()
        .map(
            r ->
                worded(
                    "mouse.between-and-by",
                    SpokenTime.hours(r.low()),
                    SpokenTime.hours(r.high()),
                    days(on.days())))
        .orElse("");
  }

  private static String days(int days) {
    return worded("mouse.days", days);
  }

  /** On what the hours rest, and between which they lie where that is little. */
  private static String rests(RemainingRow row) {
    DaysOfUse on = row.rests();
    return on.range()
        .map(
            r ->
                worded(
                    "mouse.by-on-between-and-a-year",
                    worded("mouse.uses", on.uses()),
                    days(on.days()),
                    SpokenTime.hours(r.low()),
                    SpokenTime.hours(r.high())))
        .orElse("");
  }

  private static String times(RemainingRow row) {
    String keys =
        row.keysSeconds()
            .map(k -> worded("mouse.by-keys-2", seconds(k, row.keysMeasured())))
            .orElse("");
    return worded(
        "mouse.with-the-mouse",
        seconds(row.pointerSeconds(), row.pointerMeasured()),
        (row.pointerCut() ? worded("mouse.longer-times-being-cut-there") : ""),
        keys);
  }

  private static String seconds(double seconds, boolean measured) {
    return String.format(
        Language.locale(),
        measured ? worded("mouse.s-measured") : worded("mouse.about-s"),
        seconds);
  }
}
