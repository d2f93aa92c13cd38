package polydex.desktop.mouse;

import static polydex.desktop.language.DesktopWords.worded;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.LongPredicate;
import javafx.application.Platform;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.state.Beside;
import polydex.files.log.LogImport;
import polydex.files.log.LogReport;
import polydex.language.Language;
import polydex.own.OwnKey;
import polydex.person.Knowledge;

/** Brings a mouse log in from a file: what is in it first, then all of it or nothing. */
public final class LogView {
  private static final DateTimeFormatter DAY = Language.dates(worded("mouse.d-mmm-uuuu-hh-mm"));
  private static final String ABOUT = worded("mouse.comma-separated-values-with-a-header");

  private final Desk desk;
  private final TextField path = new TextField();
  private final Label said = Texts.words(ABOUT);
  private final ProgressBar progress = new ProgressBar(0);
  private final ListView<LogReport.Refused> refused;
  private final Label inFull = Texts.quiet("");
  private final Beside looking = new Beside("log file");
  private long size = 1;
  private AtomicBoolean stopped = new AtomicBoolean();
  private Optional<LogImport> looked = Optional.empty();
  private Optional<LogReport> report = Optional.empty();

  /** Nothing chosen yet. */
  public LogView(Desk desk) {
    this.desk = desk;
    path.setPromptText(worded("mouse.path-of-a-log"));
    path.setAccessibleText(worded("mouse.path-of-a-log"));
    path.setOnAction(_ -> look());
    progress.setMaxWidth(Double.MAX_VALUE);
    show(progress, false);
    refused =
        Lists.of(
            worded("mouse.lines-that-cant-be-used"),
            LogView::row,
            r -> worded("any.line", r.line()),
            Texts.quiet(worded("mouse.every-line-can-be-used")));
    refused.getStyleClass().add("nine-rows");
    // With large letters a reason is longer than its row, so the chosen one is said in full.
    refused
        .getSelectionModel()
        .selectedItemProperty()
        .addListener((_, _, r) -> inFull.setText(r == null ? "" : r.reason()));
    showRefused(false);
  }

  private void showRefused(boolean on) {
    show(refused, on);
    show(inFull, on);
  }

  private static void show(Region node, boolean on) {
    node.setVisible(on);
    node.setManaged(on);
  }

  /** Opens it over the place. */
  public void open() {
    VBox box =
        OverlayBox.wide(
            Texts.heading(worded("mouse.bring-in-a-mouse-log")),
            path,
            said,
            progress,
            refused,
            inFull);
    OverlayBox.whenClosed(
        box,
        () -> {
          stopped.set(true);
          looking.stop();
        });
    desk.keys()
        .open(
            box,
            path,
            List.of(
                KeyCommand.of(OwnKey.LOG_LOOK, worded("mouse.look-into-it"), this::look),
                KeyCommand.of(OwnKey.LOG_CHOOSE, worded("any.choose-a-file"), this::choose),
                KeyCommand.of(OwnKey.LOG_BRING_IN, worded("any.bring-in"), () -> take(false)),
                KeyCommand.of(OwnKey.LOG_GOOD_LINES, () -> take(true))));
  }

  private void choose() {
    FileChooser chooser = new FileChooser();
    chooser.setTitle(worded("mouse.a-mouse-log"));
    chooser
        .getExtensionFilters()
        .addAll(
            new FileChooser.ExtensionFilter(
                worded("mouse.mouse-logs"), "*.csv", "*.jsonl", "*.ndjson", "*.json"),
            new FileChooser.ExtensionFilter(worded("any.all-files"), "*"));
    File file = chooser.showOpenDialog(path.getScene().getWindow());
    if (file != null) {
      path.setText(file.toString());
      look();
    }
  }

  private void look() {
    looked = Optional.empty();
    report = Optional.empty();
    showRefused(false);
    Path file;
    try {
      file = Path.of(path.getText().strip());
    } catch (InvalidPathException e) {
      said.setText(e.getMessage());
      return;
    }
    if (path.getText().isBlank()) {
      said.setText(desk.named(worded("mouse.give-the-path-of-a-file", ABOUT)));
      return;
    }
    LogImport log =
        new LogImport(
            file,
            desk.session().zone(),
            desk.session().now(),
            Knowledge.recogniser(desk.session().workspace().get()));
    said.setText(worded("mouse.reading-esc-stops-it", file.getFileName()));
    begin(file);
    looking.ask(
        course ->
            log.look(
                bytes -> {
                  course.tell(() -> progress.setProgress(bytes / (double) size));
                  return course.isWanted();
                }),
        found -> show(log, found),
        this::refuse);
  }

  private void begin(Path file) {
    size = Math.max(1, sizeOf(file));
    progress.setProgress(0);
    show(progress, true);
  }

  /** Shows how far the taking is, and says whether to go on. */
  private LongPredicate going(Path file) {
    AtomicBoolean stop = new AtomicBoolean();
    stopped = stop;
    begin(file);
    AtomicBoolean told = new AtomicBoolean();
    return bytes -> {
      if (told.compareAndSet(false, true)) {
        Platform.runLater(
            () -> {
              told.set(false);
              progress.setProgress(bytes / (double) size);
            });
      }
      return !stop.get();
    };
  }

  private static long sizeOf(Path file) {
    try {
      return Files.size(file);
    } catch (IOException _) {
      return 1;
    }
  }

  private void refuse(String why) {
    show(progress, false);
    said.setText(why);
  }

  private void show(LogImport log, LogReport found) {
    show(progress, false);
    looked = Optional.of(log);
    report = Optional.of(found);
    said.setText(words(found));
    refused.getItems().setAll(found.refused());
    refused.getSelectionModel().selectFirst();
    showRefused(found.refusedInAll() > 0);
  }

  private String words(LogReport r) {
    if (r.events() == 0) {
      return worded("mouse.holds-no-event-that-can-be", r.name(), r.refusedInAll());
    }
    ZoneId zone = desk.session().zone();
    List<String> said = new ArrayList<>();
    said.add(
        worded(
            "mouse.events-from-to",
            r.events(),
            DAY.format(r.first().orElseThrow().atZone(zone)),
            DAY.format(r.last().orElseThrow().atZone(zone))));
    said.add(worded("mouse.of-them-were-recognised", Spoken.percent(r.recognisedShare())));
    if (r.characters() > 0) {
      said.add(worded("mouse.typed-characters-are-kept-as-a", r.characters()));
    }
    if (r.backward() > 0) {
      said.add(
          worded(
              "mouse.lines-are-not-in-the-order",
              r.backward(),
              r.jumps() > 0 ? worded("mouse.times-the-clock-went-back-by", r.jumps()) : ""));
    }
    if (!r.unused().isEmpty()) {
      said.add(worded("mouse.not-used", String.join(", ", r.unused())));
    }
    said.add(
        r.refusedInAll() == 0
            ? worded("mouse.log-bring-in-brings-them-in")
            : worded("mouse.lines-cant-be-used-log-good", r.refusedInAll()));
    return desk.named(String.join(" ", said));
  }

  private void take(boolean goodLines) {
    if (looked.isEmpty() || report.isEmpty() || report.get().events() == 0) {
      said.setText(worded("mouse.look-into-a-log-first-its", ABOUT));
      return;
    }
    if (report.get().refusedInAll() > 0 && !goodLines) {
      said.setText(
          desk.named(worded("mouse.lines-cant-be-used-so-nothing", report.get().refusedInAll())));
      return;
    }
    said.setText(worded("mouse.bringing-in-events-esc-stops-it", report.get().events()));
    Path file = Path.of(path.getText().strip());
    desk.session().bringIn(looked.get(), goodLines, going(file), this::taken, this::refuse);
  }

  private void taken(LogImport.Taken taken) {
    show(progress, false);
    desk.keys().close();
    taken
        .brought()
        .ifPresent(
            b ->
                desk.session()
                    .say(
                        worded(
                            "mouse.brought-in-events-undo-takes-them",
                            b.events(),
                            b.events() < taken.report().events()
                                ? worded(
                                    "mouse.were-known-already",
                                    taken.report().events() - b.events())
                                : "")));
  }

  private static void row(HBox box, LogReport.Refused refused) {
    Label why = Texts.styled(refused.reason(), "row-title");
    HBox.setHgrow(why, Priority.ALWAYS);
    why.setMinWidth(0);
    box.getChildren().addAll(Lists.number(worded("any.line", refused.line()), 7), why);
  }
}
