package polydex.desktop.fit;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToDoubleBiFunction;
import java.util.stream.Stream;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import polydex.catalog.ActionId;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.files.FileProblem;
import polydex.files.fit.HwdbRemap;
import polydex.files.fit.RemapFiles;
import polydex.files.fit.XkbRemap;
import polydex.files.json.ModelJson;
import polydex.fit.CommonRemaps;
import polydex.fit.RemapChanges;
import polydex.fit.RemapDraft;
import polydex.fit.RemapJudge;
import polydex.own.OwnKey;
import polydex.person.Knowledge;
import polydex.recall.DrillItem;
import polydex.route.Machine;
import polydex.route.Remap;
import polydex.route.SetupId;
import polydex.route.Situation.Computer;
import polydex.setups.RuleText;
import polydex.workspace.Workspace;

/** Drafts of remaps side by side: what each gains, loses and moves, for the hand and for habits. */
final class RemapsView extends VBox {

  /** A draft, and what it would change. */
  private record DraftRow(RemapDraft draft, boolean made, Optional<RemapChanges> changes) {}

  private final Desk desk;
  private final FitEdits edits;
  private final Label explained = Texts.quiet(" ");
  private final ListView<DraftRow> list;
  private Optional<Workspace> shown = Optional.empty();

  RemapsView(Desk desk) {
    this.desk = desk;
    this.edits = new FitEdits(desk);
    list =
        Lists.of(
            worded("fit.drafts-of-remaps"),
            this::row,
            r -> r.draft().remap().title(),
            desk.keyed(Texts.quiet(worded("fit.no-remap-is-drafted-remaps-draft"))));
    list.getSelectionModel().selectedItemProperty().addListener((_, _, r) -> explain(r));
    VBox.setVgrow(list, Priority.ALWAYS);
    VBox.setVgrow(this, Priority.ALWAYS);
    setSpacing(10);
    HBox head = new HBox();
    head.getStyleClass().add("table-head");
    head.getChildren()
        .addAll(
            Lists.growing(Texts.styled(worded("fit.draft-2"), "quiet")),
            Lists.column(Texts.styled(worded("fit.computer"), "quiet"), 11),
            Lists.rightColumn(Texts.styled(worded("fit.gains"), "quiet"), 4),
            Lists.rightColumn(Texts.styled(worded("fit.loses"), "quiet"), 4),
            Lists.rightColumn(Texts.styled(worded("fit.moves"), "quiet"), 4),
            Lists.rightColumn(Texts.styled(worded("fit.habits"), "quiet"), 4),
            Lists.rightColumn(Texts.styled(worded("fit.points-a-day"), "quiet"), 8));
    VBox table = new VBox(head, list);
    VBox.setVgrow(table, Priority.ALWAYS);
    getChildren().addAll(Texts.quiet(worded("fit.tried-on-a-copy-of-every")), table, explained);
  }

  ListView<?> list() {
    return list;
  }

  List<KeyCommand> commands() {
    return List.of(
        KeyCommand.of(
            OwnKey.REMAPS_DETAIL,
            worded("fit.what-changes"),
            () -> chosen().ifPresent(this::detail)),
        KeyCommand.of(OwnKey.REMAPS_DRAFT, worded("fit.draft-one"), this::draft),
        KeyCommand.of(OwnKey.REMAPS_RULES, () -> chosen().ifPresent(this::rules)),
        KeyCommand.of(OwnKey.REMAPS_CHOOSE, () -> chosen().ifPresent(this::choose)),
        KeyCommand.quiet(OwnKey.REMAPS_EFFECT, () -> chosen().ifPresent(this::effect)),
        KeyCommand.of(OwnKey.REMAPS_FIND, worded("fit.find-the-best"), () -> RemapFinder.ask(desk)),
        KeyCommand.quiet(
            OwnKey.REMAPS_TEXT, worded("fit.as-text"), () -> chosen().ifPresent(this::text)),
        KeyCommand.quiet(OwnKey.REMAPS_READ, worded("fit.read-one"), this::read),
        KeyCommand.of(
            OwnKey.REMAPS_DROP,
            worded("any.drop-it"),
            () -> chosen().ifPresent(r -> edits.drop(r.draft()))));
  }

  private Optional<DraftRow> chosen() {
    return Optional.ofNullable(list.getSelectionModel().getSelectedItem());
  }

  /** Ready to judge remaps by what is known of the person now; the work is done where it runs. */
  static java.util.function.Supplier<RemapJudge> judge(Desk desk) {
    Workspace now = desk.session().workspace().get();
    Knowledge known = desk.session().knowledge();
    return () -> {
      ToDoubleBiFunction<SetupId, ActionId> uses = known.usesInSetup();
      Set<DrillItem> learnt = new HashSet<>(known.learnt());
      return new RemapJudge(now.situation(), uses, learnt);
    };
  }

  /** Shows the drafts at once, and what they change when it was found out. */
  void refresh() {
    Workspace now = desk.session().workspace().get();
    if (shown.filter(now::isButForTheChoice).isPresent()) {
      return;
    }
    shown = Optional.of(now);
    List<RemapDraft> drafts = List.copyOf(now.fitting().drafts().values());
    show(now, drafts, Map.of());
    if (drafts.isEmpty()) {
      return;
    }
    var judge = judge(desk);
    desk.analyst()
        .look(
            "remaps",
            course -> {
              RemapJudge by = judge.get();
              Map<String, RemapChanges> changes = new HashMap<>();
              for (RemapDraft d : drafts) {
                if (course.isWanted()) {
                  changes.put(d.id(), by.of(List.of(d)));
                }
              }
              return changes;
            },
            changes -> show(now, drafts, changes),
            why -> {
              shown = Optional.empty();
              Lists.failed(list, why);
            });
  }

  private void show(Workspace now, List<RemapDraft> drafts, Map<String, RemapChanges> changes) {
    int at = Math.max(0, list.getSelectionModel().getSelectedIndex());
    List<DraftRow> rows = new ArrayList<>();
    for (RemapDraft d : drafts) {
      rows.add(
          new DraftRow(d, d.isMade(now.situation()), Optional.ofNullable(changes.get(d.id()))));
    }
    Lists.found(list, rows);
    list.getSelectionModel().clearAndSelect(Math.min(at, rows.size() - 1));
  }

  private void explain(DraftRow row) {
    if (row == null) {
      explained.setText(" ");
      return;
    }
    Stream<String> rules =
        Stream.concat(
            row.draft().remap().keyRules().stream().map(RuleText::of),
            row.draft().remap().strokeRules().stream().map(RuleText::of));
    explained.setText(
        desk.named(
            worded(
                "fit.it-takes-effect",
                String.join("; ", rules.limit(4).toList()),
                row.draft().takes().word(),
                row.made()
                    ? worded("fit.the-computer-has-it-already")
                    : row.draft().chosen()
                        ? worded("fit.its-steps-are-on-the-change")
                        : worded("fit.remaps-choose-has-it-made-its"))));
  }

  private void detail(DraftRow row) {
    row.changes()
        .ifPresentOrElse(
            c -> new RemapDetail(desk, row.draft().remap().title(), c).open(),
            () -> desk.session().say(worded("fit.still-trying-it-on-a-copy")));
  }

  /** Of several drafts only those that are chosen are on the change sheet. */
  private void choose(DraftRow row) {
    edits.draft(row.draft().chosen(!row.draft().chosen()));
  }

  private void draft() {
    new PlanOwn(desk)
        .computer(
            c -> {
              List<Optional<Remap>> all = new ArrayList<>();
              CommonRemaps.all().forEach(r -> all.add(Optional.of(r)));
              all.add(Optional.empty());
              desk.dialogs()
                  .choose(
                      worded("fit.a-remap-for", c.title()),
                      all,
                      r -> r.map(Remap::title).orElse(worded("fit.rules-of-my-own")),
                      r ->
                          r.ifPresentOrElse(
                              known -> where(c, known),
                              () ->
                                  askRules(
                                      worded("fit.rules-for", c.title()),
                                      "",
                                      remap -> where(c, remap))));
            });
  }

  /** Where the computer shows another one in a window, either of them can have it. */
  private void where(Computer computer, Remap remap) {
    boolean window =
        edits.bench().situation().setups().values().stream()
            .flatMap(s -> s.machines().stream())
            .anyMatch(m -> computer.is(m) && m.focus() instanceof Machine.SessionWindow);
    if (!window || !remap.strokeRules().isEmpty()) {
      add(computer, false, remap);
      return;
    }
    desk.dialogs()
        .choose(
            worded("fit.who-remaps"),
            List.of(false, true),
            w ->
                w
                    ? worded("fit.the-window-that-holds-the-other")
                    : worded("fit.itself", computer.title()),
            w -> add(computer, w, remap));
  }

  private void add(Computer computer, boolean window, Remap remap) {
    String id = edits.bench().fitting().unused(computer.title() + ": " + remap.title());
    edits.draft(new RemapDraft(id, computer, window, remap, RemapDraft.Effect.SIGN_IN, false));
  }

  private void rules(DraftRow row) {
    Remap remap = row.draft().remap();
    List<String> rules = new ArrayList<>();
    remap.keyRules().forEach(r -> rules.add(RuleText.of(r)));
    remap.strokeRules().forEach(r -> rules.add(RuleText.of(r)));
    askRules(
        worded("fit.rules-of", remap.title()),
        String.join("; ", rules),
        changed -> {
          Remap named =
              new Remap(remap.title(), remap.onlyIn(), changed.strokeRules(), changed.keyRules());
          try {
            edits.draft(row.draft().with(named));
          } catch (IllegalArgumentException e) {
            desk.session().problem(e.getMessage() + ".");
          }
        });
  }

  private void askRules(String heading, String first, java.util.function.Consumer<Remap> read) {
    desk.dialogs()
        .ask(
            heading,
            worded("fit.as-in-capslock-ctrl-held-escape"),
            first,
            text -> {
              try {
                Remap remap = new Remap(text, Optional.empty(), List.of(), List.of());
                for (String rule : text.split(";", -1)) {
                  remap = RuleText.adding(remap, rule);
                }
                read.accept(remap);
              } catch (IllegalArgumentException e) {
                desk.session().problem(e.getMessage());
                askRules(heading, text, read);
              }
            });
  }

  private void effect(DraftRow row) {
    desk.dialogs()
        .choose(
            worded("fit.when-does-it-take-effect"),
            List.of(RemapDraft.Effect.values()),
            RemapDraft.Effect::word,
            e -> edits.draft(row.draft().taking(e)));
  }

  private void text(DraftRow row) {
    Remap remap = row.draft().remap();
    List<String> forms =
        List.of(worded("fit.x-keyboard-symbols"), worded("fit.key-codes-for-udev-hwdb"), "JSON");
    desk.dialogs()
        .choose(
            worded("fit.in-which-form"),
            forms,
            s -> s,
            form -> {
              try {
                String name = remap.title().replaceAll("[^\\p{L}\\p{N} -]", "");
                switch (forms.indexOf(form)) {
                  case 2 ->
                      SettingsView.show(
                          desk,
                          remap.title(),
                          desk.named(worded("fit.polydex-reads-it-back-with-remaps")),
                          name + ".json",
                          ModelJson.writePretty(remap) + "\n");
                  case 0 ->
                      SettingsView.show(
                          desk,
                          remap.title(),
                          worded(
                              "fit.it-is-a-file-polydex-in",
                              XkbRemap.option("polydex", "draft").replace("\n", " ").strip()),
                          name + ".xkb",
                          XkbRemap.write(remap, "draft"));
                  default ->
                      SettingsView.show(
                          desk,
                          remap.title(),
                          worded("fit.it-goes-into-etc-udev-hwdb"),
                          name + ".hwdb",
                          HwdbRemap.write(remap));
                }
              } catch (FileProblem e) {
                desk.session().problem(e.getMessage());
              }
            });
  }

  private void read() {
    desk.dialogs()
        .ask(
            worded("fit.read-a-remap"),
            worded("fit.a-file-xkb-hwdb-or-json"),
            path -> {
              try {
                Remap remap = RemapFiles.read(path);
                new PlanOwn(desk).computer(c -> where(c, remap));
              } catch (FileProblem e) {
                desk.session().problem(e.getMessage());
              }
            });
  }

  private void row(HBox box, DraftRow row) {
    RemapDraft d = row.draft();
    box.getChildren()
        .addAll(
            Lists.growing(
                Texts.styled(
                    (d.chosen() ? "\u25cf  " : "\u25cb  ")
                        + d.remap().title()
                        + (d.window() ? worded("fit.by-its-window") : ""),
                    "row-title")),
            Lists.column(Texts.styled(d.computer().title(), "quiet"), 11));
    if (row.changes().isEmpty()) {
      box.getChildren().add(Lists.column(Texts.styled(worded("fit.trying-it"), "quiet"), 25));
      return;
    }
    RemapChanges c = row.changes().get();
    box.getChildren()
        .addAll(
            Lists.number(String.valueOf(c.gains().size()), 4),
            Lists.number(String.valueOf(c.loses().size()), 4),
            Lists.number(String.valueOf(c.moves().size()), 4),
            Lists.number(String.valueOf(c.habits().size()), 4),
            Lists.number("%+.1f".formatted(c.effortAfter() - c.effortBefore()), 8));
  }
}
