package polydex.desktop.fit;

import static polydex.desktop.language.DesktopWords.worded;

import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import polydex.catalog.Environment;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.files.fit.LauncherTree;
import polydex.files.lists.OwnList;
import polydex.fit.Bench;
import polydex.fit.Compared;
import polydex.fit.OwnBinding;
import polydex.own.OwnKey;
import polydex.route.Situation.Computer;
import polydex.workspace.Workspace;

/** What is on a computer already, read from its launcher files, beside what was planned for it. */
final class ReadView {

  /** A row: how a binding stands, or a file that was refused. */
  private record ReadRow(Optional<Compared> compared, String words) {}

  /** What was read. */
  private record Read(String said, List<String> refused, List<Compared> compared) {}

  private final Desk desk;
  private final Computer computer;
  private final Label state = Texts.quiet("");
  private final ListView<ReadRow> list;

  private ReadView(Desk desk, Computer computer) {
    this.desk = desk;
    this.computer = computer;
    list =
        Lists.of(
            worded("fit.what-was-found"),
            this::row,
            ReadRow::words,
            Texts.quiet(worded("fit.there-is-no-launcher-file-with")));
    list.getStyleClass().add("nine-rows");
  }

  /** Asks of which computer, and where its launcher files are. */
  static void ask(Desk desk) {
    new PlanOwn(desk)
        .computer(
            c ->
                desk.dialogs()
                    .ask(
                        worded("fit.launcher-files-of", c.title()),
                        worded("fit.a-folder-a-lnk-or-desktop"),
                        path -> new ReadView(desk, c).open(path)));
  }

  private void open(String written) {
    Path path;
    try {
      path = Path.of(written);
    } catch (InvalidPathException e) {
      desk.session().problem(worded("fit.is-no-path", written));
      return;
    }
    VBox box =
        OverlayBox.wide(
            Texts.heading(worded("fit.what-has-beside-the-plan", computer.title())), state, list);
    desk.keys().open(box, list, List.of(KeyCommand.of(OwnKey.READ_TAKE, this::take)));
    state.setText(worded("fit.reading-launcher-files-esc-stops"));
    Lists.waiting(list, worded("fit.they-come-when-all-are-read"));
    desk.analyst().stopLookingWithout(box, "launchers");
    Workspace now = desk.session().workspace().get();
    var today = desk.session().today();
    desk.analyst()
        .look(
            "launchers",
            course -> {
              Optional<Environment> platform = now.catalog().environment(computer.platform());
              if (Files.isRegularFile(path)
                  && !LauncherTree.isLauncher(path)
                  && platform.isPresent()) {
                OwnList list = OwnList.read(path, now, platform.get());
                return new Read(
                    worded(
                        "fit.bindings-read-lines-refused",
                        list.found().size(),
                        list.refused().size()),
                    list.refused(),
                    Compared.of(now.catalog(), computer, now.bench().own(today), list.found()));
              }
              LauncherTree tree =
                  LauncherTree.read(
                      path,
                      n -> {
                        if (n % 500 == 0) {
                          course.tell(
                              () -> state.setText(worded("fit.files-looked-at-esc-stops", n)));
                        }
                      },
                      () -> !course.isWanted());
              return new Read(
                  said(tree),
                  tree.refused(),
                  Compared.of(now.catalog(), computer, now.bench().own(today), tree.found()));
            },
            this::show,
            why -> {
              state.setText("");
              Lists.failed(list, why);
            });
  }

  private static String said(LauncherTree tree) {
    long with = tree.launchers().stream().filter(l -> !l.keys().isEmpty()).count();
    return worded(
        "fit.launchers-read-with-keys-refused-other",
        tree.launchers().size(),
        with,
        tree.refused().size(),
        tree.passedOver(),
        tree.complete() ? "" : worded("fit.there-is-more-than-is-looked"));
  }

  private void show(Read read) {
    List<ReadRow> rows = new ArrayList<>();
    for (Compared c : read.compared()) {
      String title =
          c.planned()
              .map(p -> desk.titles().action(p.action()))
              .or(() -> c.found().map(Compared.Found::title))
              .orElse("");
      rows.add(new ReadRow(Optional.of(c), title));
    }
    read.refused().forEach(r -> rows.add(new ReadRow(Optional.empty(), worded("fit.refused", r))));
    Lists.found(list, rows);
    state.setText(desk.named(worded("fit.read-take-takes-over-the-keys", read.said())));
    list.getSelectionModel().selectFirst();
    list.requestFocus();
  }

  /** Brings the plan to what was found: what is there as planned is applied, other keys count. */
  private void take() {
    FitEdits edits = new FitEdits(desk);
    Bench bench = edits.bench();
    int taken = 0;
    for (ReadRow row : list.getItems()) {
      Optional<Compared> c = row.compared().filter(x -> x.planned().isPresent());
      if (c.isEmpty()) {
        continue;
      }
      OwnBinding planned = c.get().planned().get();
      boolean counts =
          c.get().standing() == Compared.Standing.DIFFERENT
              || (c.get().standing() == Compared.Standing.APPLIED
                  && planned.state() == OwnBinding.State.PLANNED);
      if (counts) {
        OwnBinding there = planned.on(c.get().found().orElseThrow().gesture(), edits.today());
        bench = bench.applying(there, edits.today());
        taken++;
      }
    }
    desk.keys().close();
    if (taken == 0) {
      desk.session().say(worded("fit.all-is-as-planned-nothing-was"));
    } else {
      edits.all(worded("fit.took-over-bindings-found-on", taken, computer.title()), bench);
    }
  }

  private void row(HBox box, ReadRow row) {
    if (row.compared().isEmpty()) {
      box.getChildren().add(Lists.growing(Texts.styled(row.words(), "stops")));
      return;
    }
    Compared c = row.compared().get();
    var words = desk.titles().words(computer.platform());
    box.getChildren()
        .addAll(
            Lists.column(Texts.styled(c.standing().word(), "quiet"), 9),
            Lists.growing(Texts.styled(row.words(), "row-title")));
    c.planned()
        .ifPresent(
            p -> box.getChildren().add(Lists.column(new GestureView(p.gesture(), words), 12)));
    c.found()
        .ifPresent(
            f ->
                box.getChildren()
                    .addAll(
                        Lists.column(
                            Texts.styled(
                                c.standing() == Compared.Standing.DIFFERENT
                                    ? worded("fit.found")
                                    : "",
                                "quiet"),
                            4),
                        Lists.column(
                            c.standing() == Compared.Standing.APPLIED
                                ? new Label("")
                                : new GestureView(f.gesture(), words),
                            12)));
  }
}
