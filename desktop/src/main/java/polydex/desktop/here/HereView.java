package polydex.desktop.here;

import static polydex.desktop.language.DesktopWords.worded;

import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Predicate;
import javafx.application.Platform;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.VBox;
import polydex.computer.ComputerIntake;
import polydex.computer.ComputerPlan;
import polydex.computer.Finding;
import polydex.computer.FoundComputer;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.here.HereRow.OfFinding;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.state.Beside;
import polydex.files.FileProblem;
import polydex.files.computer.AccessibilitySwitch;
import polydex.files.computer.ComputerReading;
import polydex.files.computer.ComputerReading.Stage;
import polydex.files.computer.ComputerSource;
import polydex.files.computer.MenuWatch;
import polydex.files.computer.SimulatedComputer;
import polydex.files.computer.Surroundings;
import polydex.files.computer.ThisComputer;
import polydex.files.computer.Tools;
import polydex.files.demo.DemoFile;
import polydex.files.json.ComputerFile;
import polydex.own.OwnKey;
import polydex.workspace.Workspace;

/**
 * What is found on the computer that one sits at, each finding with what it would bring; what is
 * ticked is brought in as one change. In the demo it is a computer of the demo's world.
 */
public final class HereView {
  private final Desk desk;
  private final boolean demo;
  private final Label heading = Texts.heading("");
  private final Label state = Texts.words("");
  private final Label detail = Texts.quiet("");
  private final ListView<HereRow> list;
  private final Beside planning = new Beside("computer");
  private final Beside watching = new Beside("menus");

  /** What the person said of findings, by their ids; of others it is as suggested. */
  private final Map<String, Boolean> said = new HashMap<>();

  private final SameView same;
  private Optional<ComputerReading> reading = Optional.empty();
  private List<ComputerReading.Source> sources = List.of();
  private Optional<ComputerPlan> plan = Optional.empty();
  private boolean simulated;
  private boolean documents;
  private boolean dropGone;
  private boolean asked;
  private boolean reckoned;
  private final AtomicBoolean told = new AtomicBoolean();
  private Runnable then = () -> {};

  /** For an open file. */
  public HereView(Desk desk) {
    this.desk = desk;
    demo = desk.session().setting(DemoFile.NOW).isPresent();
    simulated = demo;
    same = new SameView(desk, this::reckon);
    list =
        Lists.of(
            worded("here.what-is-found"),
            HereRow::draw,
            HereRow::words,
            desk.keyed(Texts.quiet(worded("here.nothing-was-looked-at-yet-here"))));
    list.getStyleClass().add("here-rows");
    list.getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (_, _, row) -> {
              detail.setText(row == null ? "" : desk.named(row.detail()));
              int last = list.getItems().size() - 1;
              if (list.getSelectionModel().getSelectedIndex() == last) {
                // Whole, down to its lower edge: once its words are laid out, and once it is
                // itself.
                Platform.runLater(
                    () -> {
                      list.scrollTo(last);
                      Platform.runLater(
                          () -> {
                            list.layout();
                            list.scrollTo(last);
                          });
                    });
              }
            });
    detail.setWrapText(true);
    detail.getStyleClass().add("here-detail");
  }

  /**
   * Shows it over the place, and looks at once.
   *
   * @param taken what is done when something was brought in
   */
  public void open(Runnable taken) {
    then = taken;
    VBox box = OverlayBox.wide(heading, state, list, detail);
    desk.keys()
        .open(
            box,
            list,
            List.of(
                KeyCommand.of(OwnKey.HERE_TICK, this::tick),
                KeyCommand.of(OwnKey.HERE_BRING_IN, worded("any.bring-in"), this::bringIn),
                KeyCommand.of(OwnKey.HERE_SAME, this::sameOrNot),
                KeyCommand.of(OwnKey.HERE_WATCH, this::watch),
                KeyCommand.of(OwnKey.HERE_LOOK, this::look),
                KeyCommand.of(OwnKey.HERE_DOCUMENTS, this::takeDocuments),
                KeyCommand.of(OwnKey.HERE_GONE, this::toggleGone),
                KeyCommand.of(OwnKey.HERE_ACCESSIBILITY, this::accessibility),
                KeyCommand.of(OwnKey.HERE_MADE_UP, this::otherComputer),
                KeyCommand.of(OwnKey.HERE_WRITE, worded("here.write-it-as-a-file"), this::gather)));
    // Whoever closes it does not wait any more.
    OverlayBox.whenClosed(
        box,
        () -> {
          reading.ifPresent(ComputerReading::stop);
          planning.close();
          watching.close();
        });
    look();
  }

  /** Some toolkits make menus only when they are opened, so the person opens them. */
  private void watch() {
    if (watching.busy().get()) {
      watching.stop();
      end("");
    } else if (simulated) {
      state.setText(worded("here.the-made-up-computer-shows-all"));
    } else if (list.getSelectionModel().getSelectedItem() instanceof OfFinding f
        && f.finding().what() instanceof Finding.Running) {
      Finding program = f.finding();
      state.setText(desk.named(worded("here.watching-open-each-of-its-menus", program.title())));
      watching.ask(
          course -> {
            MenuWatch.watch(
                Surroundings.here(),
                program,
                better -> course.tell(() -> seen(better)),
                () -> !course.isWanted());
            return program.title();
          },
          _ -> {},
          this::end);
    } else {
      state.setText(desk.named(worded("here.here-watch-watches-a-program-choose")));
    }
  }

  private void seen(Finding better) {
    reading.ifPresent(r -> r.know(better));
    state.setText(
        desk.named(
            worded("here.watching-so-far-here-watch-ends", better.title(), better.amount())));
  }

  private void end(String why) {
    if (reading.filter(ComputerReading::isDone).isPresent()) {
      reckon();
    }
    if (!why.isEmpty()) {
      desk.session().problem(why);
    }
  }

  private void look() {
    watching.stop();
    reading.ifPresent(ComputerReading::stop);
    plan = Optional.empty();
    reckoned = false;
    asked = false;
    Surroundings here = Surroundings.here();
    List<ComputerSource> places =
        simulated ? SimulatedComputer.sources(1) : ThisComputer.sources(here);
    String computer = simulated ? SimulatedComputer.found().title() : ThisComputer.title(here);
    heading.setText(
        (simulated ? worded("here.a-made-up-computer") : worded("here.this-computer")) + computer);
    state.setText(worded("here.looking-nothing-is-written-to-the"));
    Lists.waiting(list, worded("here.what-is-found-comes-here"));
    reading = Optional.of(ComputerReading.start(computer, places, _ -> tell()));
  }

  /** However often something is found, it is drawn once a frame, as the newest reading has it. */
  private void tell() {
    if (!told.getAndSet(true)) {
      Platform.runLater(
          () -> {
            told.set(false);
            heard();
          });
    }
  }

  private void heard() {
    sources = reading.orElseThrow().sources();
    draw();
    if (reading.filter(ComputerReading::isDone).isPresent() && !reckoned) {
      reckoned = true;
      reckon();
    }
  }

  /** What is taken of what was found: as the person said, or else as it is suggested. */
  private Predicate<Finding> taken(FoundComputer found) {
    return f -> said.getOrDefault(f.id(), found.suggests(f));
  }

  /** What was found so far, without what is left. */
  private FoundComputer wanted() {
    FoundComputer found = reading.orElseThrow().found();
    return found.only(taken(found));
  }

  private void draw() {
    HereRow chosen = list.getSelectionModel().getSelectedItem();
    List<HereRow> rows = HereRow.of(sources, taken(reading.orElseThrow().found()), plan);
    Lists.found(list, rows);
    int at = rows.indexOf(chosen);
    for (int i = 0; i < rows.size() && at < 0 && chosen != null; i++) {
      at = isSame(rows.get(i), chosen) ? i : -1;
    }
    if (at < 0) {
      for (int i = 0; i < rows.size() && at < 0; i++) {
        at = rows.get(i) instanceof OfFinding ? i : -1;
      }
    }
    list.getSelectionModel().select(Math.max(0, at));
    HereRow now = list.getSelectionModel().getSelectedItem();
    detail.setText(now == null ? "" : desk.named(now.detail()));
  }

  private static boolean isSame(HereRow some, HereRow other) {
    return some instanceof OfFinding(Finding a, _, _)
        && other instanceof OfFinding(Finding b, _, _)
        && a.id().equals(b.id());
  }

  /** Finds out beside the window what would be brought in. */
  private void reckon() {
    plan = Optional.empty();
    FoundComputer found = wanted();
    Workspace before = desk.session().workspace().get();
    ComputerIntake.Wishes wishes =
        ComputerIntake.Wishes.HERE
            .withDocuments(documents)
            .droppingGone(dropGone)
            .saying(same.meant(), same.apart());
    state.setText(worded("here.finding-out-what-that-would-bring"));
    planning.ask(
        _ -> ComputerIntake.plan(before, found, wishes),
        made -> {
          plan = Optional.of(made);
          state.setText(words(made));
          draw();
          same.show(made);
        },
        state::setText);
  }

  private void sameOrNot() {
    plan.ifPresentOrElse(
        same::open, () -> state.setText(worded("here.what-that-would-bring-is-still")));
  }

  private String words(ComputerPlan made) {
    long failed =
        sources.stream()
            .filter(s -> s.stage() == Stage.FAILED || s.stage() == Stage.STOPPED)
            .count();
    String not = failed == 0 ? "" : worded("here.could-not-be-looked-at", failed);
    return made.summary()
        + not
        + (made.changesSomething() ? desk.named(worded("here.here-bring-in-brings-in-what")) : "");
  }

  private void tick() {
    if (list.getSelectionModel().getSelectedItem() instanceof OfFinding f) {
      said.put(f.finding().id(), !f.taken());
      if (reading.filter(ComputerReading::isDone).isPresent()) {
        reckon();
      }
      draw();
    }
  }

  /** For trying it all without one's own computer; in the demo there is no other. */
  private void otherComputer() {
    if (demo) {
      state.setText(worded("here.in-the-demo-only-the-made"));
    } else {
      simulated = !simulated;
      said.clear();
      look();
    }
  }

  /** What is ticked as a file, which becomes a computer of its own where it is brought in. */
  private void gather() {
    if (reading.filter(ComputerReading::isDone).isEmpty()) {
      state.setText(worded("here.not-all-was-looked-at-yet"));
      return;
    }
    FoundComputer found = wanted();
    desk.dialogs()
        .ask(
            worded("here.write-as-a-file", found.title()),
            worded("here.folder-and-name-of-the-file"),
            desk.session()
                .file()
                .get()
                .resolveSibling(found.title().replaceAll("[^\\p{L}\\p{N}]+", "-") + ".json")
                .toString(),
            written ->
                planning.ask(
                    _ -> {
                      Path file;
                      try {
                        file = Path.of(written);
                      } catch (InvalidPathException e) {
                        throw new FileProblem(worded("any.cant-be-the-name-of-a", written), e);
                      }
                      ComputerFile.write(file, found);
                      return worded("here.has-it-bring-it-in-where", file);
                    },
                    state::setText,
                    state::setText));
  }

  private void takeDocuments() {
    documents = !documents;
    state.setText(
        documents
            ? worded("here.menu-entries-that-look-like-documents")
            : worded("here.menu-entries-that-look-like-documents-2"));
    if (reading.filter(ComputerReading::isDone).isPresent()) {
      reckon();
    }
  }

  private void toggleGone() {
    dropGone = !dropGone;
    desk.session()
        .say(
            dropGone
                ? worded("here.what-is-gone-from-the-computer")
                : worded("here.what-is-gone-from-the-computer-2"));
    if (reading.filter(ComputerReading::isDone).isPresent()) {
      reckon();
    }
  }

  private void accessibility() {
    if (simulated) {
      state.setText(worded("here.in-the-demo-no-computer-is"));
      return;
    }
    planning.ask(
        _ -> {
          boolean on = !AccessibilitySwitch.isOn(Tools.INSTALLED);
          return AccessibilitySwitch.set(Tools.INSTALLED, on)
              ? worded(
                  "here.accessibility-is-now-here-accessibility-switches",
                  on ? worded("here.on") : worded("any.off"))
              : worded("here.accessibility-cant-be-switched-here-the");
        },
        said -> state.setText(desk.named(said)),
        state::setText);
  }

  private void bringIn() {
    if (reading.filter(ComputerReading::isDone).isEmpty()) {
      state.setText(desk.named(worded("here.not-all-was-looked-at-yet-2")));
      if (asked) {
        reading.ifPresent(ComputerReading::stop);
      }
      asked = !asked;
    } else if (plan.isEmpty()) {
      state.setText(worded("here.what-that-would-bring-is-still"));
    } else if (!plan.get().changesSomething()) {
      state.setText(worded("here.nothing-is-new-there-is-nothing"));
    } else {
      // First closed, so that the focus is back in the place when that is drawn anew.
      ComputerPlan made = plan.get();
      desk.keys().close();
      if (desk.session().apply(made.change())) {
        then.run();
      }
    }
  }
}
