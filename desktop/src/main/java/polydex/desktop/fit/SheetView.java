package polydex.desktop.fit;

import static polydex.desktop.language.DesktopWords.worded;

import java.nio.charset.StandardCharsets;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import polydex.catalog.ChangeSteps;
import polydex.catalog.Environment;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.files.FileProblem;
import polydex.files.WholeFile;
import polydex.fit.ChangeSheet;
import polydex.fit.OwnBinding;
import polydex.fit.RemapDraft;
import polydex.keys.Gesture;
import polydex.own.OwnKey;
import polydex.route.Situation.Computer;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** The change sheet of a computer: what to do there, step by step, ticked off as it is done. */
final class SheetView {
  private static final String LAUNCHER = worded("fit.launcher");
  private static final String BIND = worded("fit.bind");
  private static final String REMOVE = worded("any.remove");
  private static final String REMAP = worded("fit.remap");

  private static final double ROW_WIDTH = 760;

  /** A line: the title of a change, or a step of it. */
  private record SheetRow(ChangeSheet.Part part, Optional<ChangeSheet.Line> step) {}

  private final Desk desk;
  private final FitEdits edits;
  private final Computer computer;
  private final Label state = Texts.quiet("");
  private final ListView<SheetRow> list;

  SheetView(Desk desk, Computer computer) {
    this.desk = desk;
    this.edits = new FitEdits(desk);
    this.computer = computer;
    list =
        Lists.of(
            worded("fit.steps-on", computer.title()),
            this::row,
            r -> r.step().map(ChangeSheet.Line::words).orElse(r.part().title()),
            Texts.quiet(worded("fit.nothing-is-to-be-done-on")));
    list.getStyleClass().add("nine-rows");
  }

  /** Lets the sheet of one of the computers be chosen that have something to be done. */
  static void choose(Desk desk) {
    FitEdits edits = new FitEdits(desk);
    List<ChangeSheet> sheets = ChangeSheet.all(edits.bench(), edits.today());
    if (sheets.isEmpty()) {
      desk.session().say(worded("fit.nothing-is-to-be-done-on-2"));
    } else if (sheets.size() == 1) {
      new SheetView(desk, sheets.getFirst().computer()).open();
    } else {
      desk.dialogs()
          .choose(
              worded("fit.the-change-sheet-of-which-computer"),
              sheets,
              s -> worded("fit.of-steps-done", s.computer().title(), s.done(), s.steps()),
              s -> new SheetView(desk, s.computer()).open());
    }
  }

  void open() {
    VBox box =
        OverlayBox.wide(Texts.heading(worded("fit.change-sheet", computer.title())), state, list);
    list.setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.SPACE || e.getCode() == KeyCode.ENTER) {
            e.consume();
            tick();
          }
        });
    desk.keys()
        .open(
            box,
            list,
            List.of(
                KeyCommand.quiet(OwnKey.CHANGE_SHEET_TICK, this::tick),
                KeyCommand.of(OwnKey.CHANGE_SHEET_WORDS, this::reword),
                KeyCommand.of(OwnKey.CHANGE_SHEET_COPY, worded("any.copy"), this::copy),
                KeyCommand.of(OwnKey.CHANGE_SHEET_SAVE, this::save)));
    fill(true);
  }

  private ChangeSheet sheet() {
    return ChangeSheet.of(edits.bench(), computer, edits.today());
  }

  /**
   * Shows what there is.
   *
   * @param resume whether to go to the first step that is not done
   */
  private void fill(boolean resume) {
    ChangeSheet sheet = sheet();
    int at = list.getSelectionModel().getSelectedIndex();
    List<SheetRow> rows = new ArrayList<>();
    for (ChangeSheet.Part part : sheet.parts()) {
      rows.add(new SheetRow(part, Optional.empty()));
      part.steps().forEach(s -> rows.add(new SheetRow(part, Optional.of(s))));
    }
    Lists.found(list, rows);
    state.setText(
        desk.named(worded("fit.of-steps-done-change-sheet-tick", sheet.done(), sheet.steps())));
    int first = 0;
    while (first < rows.size() && rows.get(first).step().map(ChangeSheet.Line::done).orElse(true)) {
      first++;
    }
    int to = resume ? first : at;
    list.getSelectionModel().clearAndSelect(Math.max(0, Math.min(to, rows.size() - 1)));
    list.scrollTo(Math.max(0, to - 3));
  }

  private Optional<SheetRow> chosen() {
    return Optional.ofNullable(list.getSelectionModel().getSelectedItem());
  }

  private void tick() {
    Optional<SheetRow> row = chosen();
    if (row.isEmpty() || row.get().step().isEmpty()) {
      return;
    }
    ChangeSheet.Line step = row.get().step().get();
    ChangeSheet.Part part = row.get().part();
    if (!step.done() && part.steps().stream().allMatch(s -> s.done() || s.id().equals(step.id()))) {
      done(part.id()); // which is one change, so that undoing it gives the other ticks back
      fill(true);
      return;
    }
    edits.tick(computer, step.id(), !step.done());
    int at = list.getSelectionModel().getSelectedIndex();
    fill(false);
    list.getSelectionModel()
        .clearAndSelect(Math.min(step.done() ? at : at + 1, list.getItems().size() - 1));
  }

  /** The last step of a change was ticked. */
  private void done(String id) {
    RemapDraft draft = edits.bench().fitting().drafts().get(id);
    if (draft != null) {
      edits.make(draft);
      return;
    }
    for (OwnBinding o : edits.bench().own(edits.today())) {
      if (o.id().equals(id)) {
        if (o.state() == OwnBinding.State.TO_BE_REMOVED) {
          edits.gone(o);
        } else {
          edits.apply(o);
        }
        return;
      }
    }
  }

  /** Edits the words of a step in the keymap of the platform, for every change of its kind. */
  private void reword() {
    Workspace now = desk.session().workspace().get();
    Optional<Environment> platform = now.catalog().environment(computer.platform());
    Optional<Environment.Platform> kind = platform.flatMap(Environment::platform);
    if (kind.isEmpty()) {
      return;
    }
    ChangeSteps steps = kind.get().changes().orElse(ChangeSteps.PLAIN);
    record Template(String of, List<String> lines, int at) {}
    List<Template> all = new ArrayList<>();
    List<List<String>> lists =
        List.of(steps.launcher(), steps.bind(), steps.remove(), steps.remap());
    List<String> names = List.of(LAUNCHER, BIND, REMOVE, REMAP);
    for (int l = 0; l < lists.size(); l++) {
      for (int i = 0; i <= lists.get(l).size(); i++) {
        all.add(new Template(names.get(l), lists.get(l), i));
      }
    }
    desk.dialogs()
        .choose(
            worded("fit.which-step-of", platform.get().title()),
            worded("fit.title-gesture-pressed-what-application-rule"),
            all,
            t ->
                "%s %d: %s"
                    .formatted(
                        t.of(),
                        t.at() + 1,
                        t.at() < t.lines().size()
                            ? t.lines().get(t.at())
                            : worded("fit.a-further-step")),
            t ->
                desk.dialogs()
                    .ask(
                        worded("fit.step", t.of(), t.at() + 1),
                        worded("fit.what-to-do-empty-takes-the"),
                        t.at() < t.lines().size() ? t.lines().get(t.at()) : "",
                        words -> {
                          List<String> changed = new ArrayList<>(t.lines());
                          if (t.at() < changed.size()) {
                            changed.remove(t.at());
                          }
                          if (!words.isBlank()) {
                            changed.add(t.at(), words);
                          }
                          put(platform.get(), kind.get(), with(steps, t.of(), changed));
                        }));
  }

  private static ChangeSteps with(ChangeSteps steps, String of, List<String> lines) {
    return new ChangeSteps(
        of.equals(BIND) ? lines : steps.bind(),
        of.equals(LAUNCHER) ? lines : steps.launcher(),
        of.equals(REMOVE) ? lines : steps.remove(),
        of.equals(REMAP) ? lines : steps.remap(),
        steps.form(),
        steps.at());
  }

  private void put(Environment platform, Environment.Platform kind, ChangeSteps steps) {
    Workspace before = desk.session().workspace().get();
    Workspace after =
        before.with(
            before
                .catalog()
                .with(
                    List.of(),
                    List.of(platform.withKind(kind.changedBy(steps))),
                    java.util.Map.of()));
    desk.session()
        .apply(new Change.Edit(worded("fit.reworded-a-step-of", platform.title()), before, after));
    fill(false);
  }

  private String text() {
    StringBuilder text =
        new StringBuilder(worded("fit.changes-on", computer.title(), edits.today()));
    for (ChangeSheet.Part part : sheet().parts()) {
      text.append('\n').append(part.title());
      part.gesture().ifPresent(g -> text.append("  ").append(g));
      text.append('\n');
      for (ChangeSheet.Line step : part.steps()) {
        text.append(step.done() ? "  [x] " : "  [ ] ").append(step.words()).append('\n');
      }
    }
    return text.toString();
  }

  private void copy() {
    ClipboardContent content = new ClipboardContent();
    content.putString(text());
    Clipboard.getSystemClipboard().setContent(content);
    desk.session().say(worded("fit.copied-the-change-sheet-of", computer.title()));
  }

  private void save() {
    saveText(
        desk,
        worded("fit.save-the-change-sheet"),
        worded("fit.changes-txt", computer.title()),
        text());
  }

  /** Asks where a text goes, and writes it there; never over a file that is there. */
  static void saveText(Desk desk, String heading, String name, String text) {
    saveBytes(desk, heading, name, text.getBytes(StandardCharsets.UTF_8));
  }

  static void saveBytes(Desk desk, String heading, String name, byte[] bytes) {
    Path beside = desk.session().file().get().toAbsolutePath().resolveSibling(name);
    desk.dialogs()
        .ask(
            heading,
            worded("fit.the-path-of-a-new-file"),
            beside.toString(),
            path -> {
              try {
                WholeFile.write(bytes, Path.of(path), false);
                desk.session().say(worded("any.saved", path));
              } catch (FileProblem e) {
                desk.session().problem(e.getMessage());
              } catch (InvalidPathException e) {
                desk.session().problem(worded("any.cant-be-the-name-of-a-2", path));
              }
            });
  }

  private void row(HBox box, SheetRow row) {
    if (row.step().isEmpty()) {
      box.getChildren().add(Texts.styled(row.part().title(), "part"));
      row.part()
          .gesture()
          .ifPresent(
              g ->
                  box.getChildren()
                      .add(new GestureView(g, desk.titles().words(computer.platform()))));
      return;
    }
    ChangeSheet.Line step = row.step().get();
    List<Gesture> gestures =
        row.part().gesture().filter(g -> step.words().contains(g.toString())).stream().toList();
    box.getChildren()
        .addAll(
            Lists.column(Texts.styled(step.done() ? "\u2611" : "\u2610", "row-title"), 2),
            GestureView.within(step.words(), gestures, ROW_WIDTH));
  }
}
