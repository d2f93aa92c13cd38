package polydex.desktop.fit;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.fit.Bench;
import polydex.fit.OwnBinding;
import polydex.fit.OwnBinding.State;
import polydex.fit.OwnRules;
import polydex.fit.Target;
import polydex.own.OwnKey;
import polydex.route.Setup;
import polydex.workspace.Workspace;

/** Every binding of one's own: how far it has come, what is wrong with it, and what is next. */
final class OwnView extends VBox {

  /** A binding, what its platform says of it, and whether it has to be pressed again. */
  private record OwnRow(OwnBinding binding, OwnRules rules, boolean touched) {
    String state() {
      return touched ? worded("fit.press-it-again") : binding.state().word();
    }
  }

  /** With less room a line stands over what it says. */
  private static final int EMS_FOR_LINES = 36;

  private boolean stacked;
  private final Desk desk;
  private final FitEdits edits;
  private final Label summary = Texts.quiet("");
  private final Label explained = Texts.quiet(" ");
  private final ListView<OwnRow> list;
  private final HBox head = new HBox();
  private Optional<Workspace> shown = Optional.empty();

  OwnView(Desk desk) {
    this.desk = desk;
    this.edits = new FitEdits(desk);
    list =
        Lists.of(
            worded("fit.bindings-of-your-own"),
            this::row,
            r -> desk.titles().action(r.binding().action()),
            desk.keyed(Texts.quiet(worded("fit.you-have-no-bindings-of-your"))));
    list.getSelectionModel().selectedItemProperty().addListener((_, _, r) -> explain(r));
    VBox.setVgrow(list, Priority.ALWAYS);
    VBox.setVgrow(this, Priority.ALWAYS);
    setSpacing(10);
    head.getStyleClass().add("table-head");
    desk.narrow().subscribe(_ -> fit());
    widthProperty().subscribe(_ -> fit());
    VBox table = new VBox(head, list);
    VBox.setVgrow(table, Priority.ALWAYS);
    getChildren().addAll(summary, table, explained);
  }

  /** In a narrow window the line below the list alone says which rules are broken. */
  private boolean isNarrow() {
    return desk.narrow().get();
  }

  private void fit() {
    boolean now = getWidth() > 0 && getWidth() < EMS_FOR_LINES * summary.getFont().getSize();
    if (now != stacked || head.getChildren().size() != headings().size()) {
      stacked = now;
      head.getChildren().setAll(headings());
      head.setManaged(!stacked);
      head.setVisible(!stacked);
      list.refresh();
    }
  }

  private List<Node> headings() {
    List<Node> all = new ArrayList<>();
    all.add(Lists.column(Texts.styled(worded("any.state"), "quiet"), isNarrow() ? 8.5 : 8));
    all.add(Lists.growing(Texts.styled(worded("fit.does"), "quiet")));
    all.add(Lists.column(Texts.styled(worded("fit.computer"), "quiet"), isNarrow() ? 8 : 9));
    all.add(Lists.column(Texts.styled(worded("any.keys"), "quiet"), isNarrow() ? 13 : 12.5));
    if (!isNarrow()) {
      all.add(Lists.column(Texts.styled(worded("fit.rules"), "quiet"), 6.5));
    }
    return all;
  }

  ListView<?> list() {
    return list;
  }

  List<KeyCommand> commands() {
    return List.of(
        KeyCommand.of(
            OwnKey.OWN_NEXT, worded("any.its-next-step"), () -> chosen().ifPresent(this::next)),
        KeyCommand.of(OwnKey.OWN_PLAN, worded("fit.plan-one"), () -> new PlanOwn(desk).begin()),
        KeyCommand.of(OwnKey.OWN_STARTS, () -> chosen().ifPresent(this::mean)),
        KeyCommand.quiet(
            OwnKey.OWN_OTHER_KEYS,
            worded("any.other-keys"),
            () -> chosen().ifPresent(this::otherKeys)),
        KeyCommand.quiet(OwnKey.OWN_SETTINGS, this::settings),
        KeyCommand.of(
            OwnKey.OWN_REMOVE, worded("any.remove"), () -> chosen().ifPresent(this::remove)));
  }

  private Optional<OwnRow> chosen() {
    return Optional.ofNullable(list.getSelectionModel().getSelectedItem());
  }

  /** Shows what there is now, once it was looked at. */
  void refresh() {
    Workspace now = desk.session().workspace().get();
    if (shown.filter(now::isButForTheChoice).isPresent()) {
      return;
    }
    Optional<String> before = chosen().map(r -> r.binding().id());
    int at = list.getSelectionModel().getSelectedIndex();
    if (shown.isEmpty()) {
      Lists.waiting(list, worded("fit.looking-at-the-bindings-of-your"));
    }
    var today = desk.session().today();
    desk.analyst()
        .look(
            "own bindings",
            _ -> {
              Bench bench = now.bench();
              List<OwnBinding> own = bench.own(today);
              return own.stream()
                  .map(o -> new OwnRow(o, OwnRules.of(bench, o, own), bench.isTouched(o)))
                  .sorted(
                      Comparator.comparing((OwnRow r) -> r.binding().computer().title())
                          .thenComparing(r -> r.binding().state())
                          .thenComparing(r -> now.catalog().title(r.binding().action())))
                  .toList();
            },
            rows -> {
              shown = Optional.of(now);
              show(rows, before, at);
            },
            why -> Lists.failed(list, why));
  }

  private void show(List<OwnRow> rows, Optional<String> before, int at) {
    Lists.found(list, rows);
    int same =
        before.map(id -> rows.stream().map(r -> r.binding().id()).toList().indexOf(id)).orElse(-1);
    list.getSelectionModel()
        .clearAndSelect(same >= 0 ? same : Math.max(0, Math.min(at, rows.size() - 1)));
    Map<State, Long> counts =
        rows.stream()
            .filter(r -> !r.touched())
            .collect(Collectors.groupingBy(r -> r.binding().state(), Collectors.counting()));
    long touched = rows.stream().filter(OwnRow::touched).count();
    int wishes = desk.session().workspace().get().mouse().wishes().size();
    summary.setText(
        desk.named(
            worded(
                "fit.planned-applied-and-not-yet-pressed",
                counts.getOrDefault(State.PLANNED, 0L),
                counts.getOrDefault(State.APPLIED, 0L),
                counts.getOrDefault(State.VERIFIED, 0L),
                touched,
                counts.getOrDefault(State.TO_BE_REMOVED, 0L),
                wishes == 0 ? worded("fit.none") : String.valueOf(wishes))));
  }

  private void explain(OwnRow row) {
    if (row == null) {
      explained.setText(" ");
      return;
    }
    StringBuilder text = new StringBuilder();
    text.append(
        row.binding().target().map(Target::said).map(s -> worded("fit.starts", s)).orElse(""));
    row.rules().broken().forEach(s -> text.append(s).append(' '));
    row.rules().remarks().forEach(s -> text.append(s).append(' '));
    text.append(
        switch (row.binding().state()) {
          case PLANNED -> worded("fit.enter-opens-the-change-sheet-of");
          case APPLIED -> worded("fit.press-it-then-enter-says-whether");
          case VERIFIED ->
              row.touched()
                  ? worded("fit.what-its-keys-meet-has-changed", row.binding().since())
                  : worded("fit.it-did-what-it-should-on", row.binding().since());
          case TO_BE_REMOVED -> worded("fit.enter-opens-the-change-sheet-own");
        });
    explained.setText(desk.named(text.toString()));
  }

  private void next(OwnRow row) {
    OwnBinding o = row.binding();
    switch (o.state()) {
      case PLANNED, TO_BE_REMOVED -> new SheetView(desk, o.computer()).open();
      case APPLIED, VERIFIED ->
          desk.dialogs()
              .choose(
                  worded(
                      "fit.did-do-on",
                      o.gesture(),
                      desk.titles().action(o.action()),
                      o.computer().title()),
                  List.of(true, false),
                  yes ->
                      yes
                          ? worded("fit.yes-it-did-it")
                          : worded("fit.no-or-something-else-happened"),
                  yes -> {
                    if (yes) {
                      edits.verify(o);
                    } else {
                      desk.session().say(worded("fit.it-stays-unverified-route-to-route"));
                      followWhereItStands(o);
                    }
                  });
    }
  }

  private void followWhereItStands(OwnBinding o) {
    Workspace now = desk.session().workspace().get();
    if (now.setup().filter(s -> stands(o, s)).isEmpty()) {
      now.setups().values().stream()
          .filter(s -> stands(o, s))
          .findFirst()
          .ifPresent(s -> desk.session().choose(s.id()));
    }
    desk.keys().follow(o.gesture());
  }

  private static boolean stands(OwnBinding o, Setup setup) {
    return setup.machines().stream().anyMatch(o.computer()::is);
  }

  private void mean(OwnRow row) {
    new PlanOwn(desk).target(row.binding().computer(), t -> edits.mean(row.binding(), t));
  }

  private void otherKeys(OwnRow row) {
    OwnBinding o = row.binding();
    new GestureChoice(
            desk,
            o.action(),
            o.computer(),
            o.target(),
            g -> {
              if (o.state() == State.PLANNED) {
                edits.move(o, g);
              } else {
                // What is on the computer goes, and the same on other keys is planned beside it.
                Bench removing = edits.bench().removing(o, edits.today());
                OwnBinding anew =
                    OwnBinding.planned(
                        removing
                            .fitting()
                            .unused(o.action().value() + "-" + o.computer().platform()),
                        o.computer(),
                        o.action(),
                        g,
                        o.target(),
                        edits.today());
                edits.all(
                    worded("fit.planned-instead-of", g, o.gesture()), removing.planning(anew));
              }
            })
        .open();
  }

  private void remove(OwnRow row) {
    if (row.binding().state() == State.TO_BE_REMOVED) {
      edits.keep(row.binding());
    } else {
      edits.remove(row.binding());
    }
  }

  private void settings() {
    chosen().ifPresent(r -> SettingsView.open(desk, r.binding(), r.rules().gesture()));
  }

  private void row(HBox box, OwnRow row) {
    OwnBinding o = row.binding();
    String mark =
        switch (o.state()) {
          case PLANNED -> "\u25cb";
          case APPLIED -> "\u25d0";
          case VERIFIED -> row.touched() ? "\u25d0" : "\u25cf";
          case TO_BE_REMOVED -> "\u2715";
        };
    Label state = Texts.styled(mark + "  " + row.state(), "row-title");
    Label rules =
        Texts.styled(
            row.rules().broken().isEmpty() ? "" : worded("fit.breaks", row.rules().broken().size()),
            "stops");
    Region does = Lists.growing(Texts.styled(desk.titles().action(o.action()), "row-title"));
    List<Node> columns =
        List.of(
            Lists.column(state, isNarrow() ? 8.5 : 8),
            does,
            Lists.column(Texts.styled(o.computer().title(), "quiet"), isNarrow() ? 8 : 9),
            Lists.column(
                new GestureView(o.gesture(), desk.titles().words(o.computer().platform())),
                isNarrow() ? 13 : 12.5));
    if (stacked) {
      box.getChildren().add(Lists.stacked(columns, does));
      return;
    }
    box.getChildren().addAll(columns);
    if (!isNarrow()) {
      box.getChildren().add(Lists.column(rules, 6.5));
    }
  }
}
