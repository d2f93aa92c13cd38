package polydex.desktop.today;

import static polydex.desktop.language.DesktopWords.worded;
import static polydex.language.Language.decimals;

import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.threeten.extra.LocalDateRange;
import polydex.catalog.ActionId;
import polydex.conflict.Conflict;
import polydex.conflict.ConflictSentence;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.NumberedLines;
import polydex.desktop.controls.Plot;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.desk.Place;
import polydex.desktop.here.WayIn;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.mouse.HoursPicture;
import polydex.desktop.mouse.Marks;
import polydex.desktop.mouse.NamesView;
import polydex.desktop.mouse.NextStep;
import polydex.desktop.mouse.ReviewView;
import polydex.desktop.mouse.Spoken;
import polydex.effort.SpokenTime;
import polydex.mouse.Remaining.RemainingRow;
import polydex.mouse.Weeks.Week;
import polydex.own.OwnKey;
import polydex.person.Findings;
import polydex.recall.DrillHistory;
import polydex.totals.Standing;

/** What to do in the next minutes, and why; everything on it acts with one key. */
public final class TodayPlace implements Place {
  private final Desk desk;
  private final Beginning beginning;
  private final VBox root = new VBox(14);
  private final ScrollPane scroll = new ScrollPane(root);
  private List<KeyCommand> commands = List.of();
  private Optional<Node> first = Optional.empty();
  private final TodayDrill drill;
  private final WayIn way;

  /** The place. */
  public TodayPlace(Desk desk, Beginning beginning) {
    this.desk = desk;
    this.beginning = beginning;
    drill = new TodayDrill(desk);
    way = new WayIn(desk, this::refreshIfShown);
    scroll.setFitToWidth(true);
    scroll.setFocusTraversable(false);
    scroll.getStyleClass().add("today");
    root.getStyleClass().add("place");
    desk.auditor().found().addListener((_, _, _) -> refreshIfShown());
    desk.analyst()
        .found()
        .addListener(
            (_, _, _) -> {
              drill.forget();
              refreshIfShown();
            });
    desk.session()
        .logged()
        .addListener(
            (_, _, _) -> {
              if (isShown()) {
                desk.auditor().ask();
              }
            });
    desk.session().workspace().addListener((_, _, _) -> askIfShown());
    desk.narrow().addListener((_, _, _) -> refreshIfShown());
  }

  private boolean isShown() {
    return scroll.getScene() != null;
  }

  private void askIfShown() {
    drill.forget();
    if (isShown()) {
      desk.auditor().ask();
      refresh();
    }
  }

  private void refreshIfShown() {
    if (isShown()) {
      refresh();
    }
  }

  @Override
  public Parent node() {
    return scroll;
  }

  @Override
  public List<KeyCommand> commands() {
    return commands;
  }

  @Override
  public Map<Character, Node> reachable() {
    return first.map(n -> Map.of('B', n)).orElse(Map.of());
  }

  @Override
  public void shown() {
    drill.forget();
    desk.auditor().ask();
    refresh();
    // What scrolls is in the scene only when that has been laid out once.
    Platform.runLater(
        () -> {
          if (isShown()) {
            first.ifPresent(Node::requestFocus);
          }
        });
  }

  private void refresh() {
    NumberedLines page = new NumberedLines(desk.session().ownKeys());
    Node owner = root.getScene() == null ? null : root.getScene().getFocusOwner();
    boolean hadFocus = root.getScene() != null && (owner == null || isWithin(owner));
    String focused = owner == null ? null : owner.getId();
    root.getChildren().clear();
    first = Optional.empty();
    root.getChildren().add(Texts.heading(worded("any.today")));
    if (way.isOpen()) {
      VBox start = TodayStart.of(desk, page, way, beginning);
      root.getChildren().add(start);
      first = Optional.of(((VBox) start.getChildren().get(1)).getChildren().getFirst());
    } else {
      Optional<Findings> found = desk.auditor().found().get();
      drill.look();
      Button begin = drill.begin(page);
      first = Optional.of(begin);
      root.getChildren().add(drill.due(begin));
      beside(16, List.of(1, 1, 1), drill.learn(page, found), mouse(page, found), way(page));
      beside(16, List.of(2, 1), trend(page, found), yesterday(page, found));
      found.ifPresent(f -> more(page, f));
    }
    commands = page.keys();
    if (isShown()) {
      desk.keys().changed();
      if (hadFocus) {
        // What had the focus has it again, though it was made anew.
        Optional.ofNullable(focused)
            .map(id -> root.lookup("#" + id))
            .or(() -> first)
            .ifPresent(Node::requestFocus);
      }
    }
  }

  /** Beside each other in such shares where there is room, else one below the other. */
  private void beside(double between, List<Integer> shares, Region... parts) {
    if (desk.narrow().get()) {
      root.getChildren().addAll(parts);
      return;
    }
    int whole = shares.stream().mapToInt(n -> n).sum();
    GridPane row = new GridPane(between, 0);
    for (int i = 0; i < parts.length; i++) {
      ColumnConstraints part = new ColumnConstraints();
      part.setPercentWidth(100.0 * shares.get(i) / whole);
      row.getColumnConstraints().add(part);
      row.add(parts[i], i, 0);
    }
    root.getChildren().add(row);
  }

  private boolean isWithin(@Nullable Node node) {
    for (Node n = node; n != null; n = n.getParent()) {
      if (n.equals(root)) {
        return true;
      }
    }
    return false;
  }

  // ---- the mouse

  private VBox mouse(NumberedLines page, Optional<Findings> found) {
    VBox box = new VBox(4, Texts.part(worded("today.costs-most-with-the-mouse")));
    if (found.isEmpty()) {
      box.getChildren().add(Texts.quiet(desk.auditor().inItsPlace()));
      return box;
    }
    List<RemainingRow> rows =
        found.get().remaining().stream().filter(r -> r.hoursAYear() > 0).toList();
    for (RemainingRow row : rows.stream().limit(1).toList()) {
      box.getChildren()
          .add(
              page.line(
                  desk.titles().action(row.place()),
                  Marks.kind(row.kind()),
                  worded(
                      "today.a-year-times-a-day",
                      SpokenTime.hours(row.hoursAYear()),
                      desk.titles().place(row.place().environment()),
                      decimals(1, row.usesADay()),
                      NextStep.brief(row.kind())),
                  () -> NextStep.take(desk, row)));
    }
    if (rows.size() > 1) {
      box.getChildren()
          .add(page.more(worded("today.others-2", rows.size() - 1), () -> desk.keys().go('M')));
    }
    if (rows.isEmpty()) {
      box.getChildren()
          .add(desk.keyed(Texts.quiet(worded("today.nothing-was-done-with-the-mouse"))));
    }
    return box;
  }

  private VBox way(NumberedLines page) {
    VBox box = new VBox(4, Texts.part(worded("today.stands-in-the-way")));
    Set<ActionId> told = new HashSet<>();
    List<Conflict> conflicts =
        desk.analyst().found().get().map(a -> a.conflicts()).orElse(List.of()).stream()
            .filter(c -> desk.session().workspace().get().accepted().of(c).isEmpty())
            .filter(c -> told.add(c.loser().action()))
            .toList();
    for (Conflict c : conflicts.stream().limit(1).toList()) {
      box.getChildren()
          .add(
              page.line(
                  desk.titles().action(c.loser().action()),
                  new GestureView(
                      c.loser().gesture(), desk.titles().words(c.loser().environment())),
                  ConflictSentence.withoutWayOut(c, desk.session().workspace().get().catalog()),
                  () -> desk.keys().follow(c.loser().gesture())));
    }
    if (conflicts.size() > 1) {
      box.getChildren()
          .add(
              page.more(worded("today.others-2", conflicts.size() - 1), () -> desk.keys().go('R')));
    }
    if (conflicts.isEmpty()) {
      box.getChildren()
          .add(
              Texts.quiet(
                  desk.analyst().found().get().isEmpty()
                      ? desk.analyst().inItsPlace()
                      : worded("today.no-conflict-in-this-setup")));
    }
    return box;
  }

  private VBox trend(NumberedLines page, Optional<Findings> found) {
    VBox box =
        new VBox(
            4,
            page.heading(worded("today.week-by-week"), OwnKey.WEEKS_OF_MOUSE, desk.keys()::weeks));
    List<Week> weeks = found.map(f -> f.weeks().weeks()).orElse(List.of());
    if (weeks.size() < 2) {
      box.getChildren()
          .add(
              Texts.quiet(
                  found.isEmpty()
                      ? desk.auditor().inItsPlace()
                      : worded("today.with-two-weeks-of-log-a")));
      return box;
    }
    Plot plot = HoursPicture.plot(found.orElseThrow().weeks());
    // As high as leaves room for what it says, in a low window too.
    plot.prefHeightProperty()
        .bind(scroll.heightProperty().map(h -> Math.clamp(h.doubleValue() - 455, 100.0, 190.0)));
    HoursPicture.headline(found.orElseThrow().weeks())
        .ifPresent(
            h -> {
              Label headline = Texts.styled(h, "name");
              headline.setWrapText(true);
              headline.setMinHeight(Region.USE_PREF_SIZE);
              box.getChildren().add(headline);
            });
    String words =
        found
            .flatMap(f -> f.weeks().hoursTrend())
            .map(t -> Spoken.trend(t, worded("any.hours-a-year"), " h"))
            .orElse("");
    box.getChildren().addAll(plot, Texts.quiet(words));
    return box;
  }

  private VBox yesterday(NumberedLines page, Optional<Findings> found) {
    LocalDate today = desk.session().today();
    List<Standing.Day> days = found.map(f -> f.standing().days()).orElse(List.of());
    Optional<LocalDate> last =
        days.stream()
            .map(Standing.Day::date)
            .filter(d -> d.isBefore(today))
            .reduce((_, next) -> next);
    if (last.isEmpty()) {
      return new VBox(
          4,
          Texts.part(worded("today.the-working-day-before")),
          Texts.quiet(
              found.isEmpty()
                  ? desk.auditor().inItsPlace()
                  : worded("today.nothing-was-noted-before-today")));
    }
    Findings log = found.orElseThrow();
    VBox box =
        new VBox(
            4,
            page.heading(
                worded("today.the-working-day-before"),
                OwnKey.TODAY_REVIEW,
                () -> new ReviewView(desk, log).open()));
    LocalDate day = last.get();
    int keys = 0;
    int pointer = 0;
    for (Standing.Entry e : log.standing().entries()) {
      Standing.DayUses uses = e.during(LocalDateRange.ofClosed(day, day));
      keys += uses.keys();
      pointer += uses.pointer();
    }
    DrillHistory.Day drilled = desk.session().progress().history().day(day.toEpochDay());
    box.getChildren()
        .add(
            Texts.words(
                worded(
                    "today.uses-by-keys-and-by-mouse",
                    keys,
                    pointer,
                    drilled.answers() == 0
                        ? worded("today.no-drill")
                        : worded(
                            "today.answers-in-the-drill-of-them",
                            drilled.answers(),
                            Math.round(100.0 * drilled.right() / drilled.answers())))));
    return box;
  }

  private void more(NumberedLines page, Findings found) {
    int names = found.standing().unknown().size() + found.standing().strangers().size();
    if (names > 0) {
      page.add(
          KeyCommand.of(
              OwnKey.EXPLAIN_NAMES,
              worded("today.explain-names", names),
              () -> new NamesView(desk).open()));
    }
  }
}
