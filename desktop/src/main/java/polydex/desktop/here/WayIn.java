package polydex.desktop.here;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.layout.VBox;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.conflict.Conflict;
import polydex.conflict.ConflictFinder;
import polydex.conflict.ConflictSentence;
import polydex.conflict.Person;
import polydex.desktop.controls.NumberedLines;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.state.Beside;
import polydex.intake.SubjectGuess;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.SetupTraces;
import polydex.workspace.Workspace;

/**
 * The first way through a new file, step by step: this computer, what one uses, what stands in the
 * way, a first drill. Each step says what it gave; what was done is seen from the file itself, so
 * that the way can be left and taken up again at any time.
 */
public final class WayIn {
  private static final String LEFT = "way-in";
  private static final int MOST_NAMED = 4;

  private final Desk desk;
  private final Runnable changed;

  /** Of its own: what is chosen meanwhile changes nothing of the answer. */
  private final Beside looking = new Beside("way in");

  private Optional<Workspace> of = Optional.empty();
  private Optional<Worst> worst = Optional.empty();
  private String failed = "";

  /**
   * What stands in the way, over all setups.
   *
   * @param number how many, each once, in however many setups it is
   * @param first the worst
   * @param setup where that is
   */
  private record Worst(int number, Optional<Conflict> first, Optional<SetupId> setup) {}

  /**
   * For an open file.
   *
   * @param changed is run when there is something new to show
   */
  public WayIn(Desk desk, Runnable changed) {
    this.desk = desk;
    this.changed = changed;
  }

  /** Whether it is still to be shown: until something was drilled or noted, or it was left. */
  public boolean isOpen() {
    return desk.session().isLogEmpty()
        && desk.session().progress().states().isEmpty()
        && desk.session().setting(LEFT).isEmpty();
  }

  private Workspace workspace() {
    return desk.session().workspace().get();
  }

  /** The desktop of the computer under the hands, once one was brought in. */
  private Optional<Environment> desktop() {
    return SubjectGuess.desktopOf(workspace());
  }

  /** The applications of the setups. */
  private List<String> applications() {
    Set<EnvironmentId> used = workspace().environmentsInUse();
    return workspace().catalog().environments().stream()
        .filter(e -> e.platform().isEmpty() && used.contains(e.id()))
        .map(Environment::title)
        .sorted()
        .toList();
  }

  /** The steps, as lines of a page. */
  public VBox steps(NumberedLines page) {
    look();
    List<Node> lines = new ArrayList<>();
    lines.add(
        page.line(
            worded("here.this-computer-2"),
            Texts.quiet(desktop().isPresent() ? worded("here.done") : ""),
            desktop()
                .map(
                    d ->
                        worded(
                            "here.is-known-with-bindings-look-again",
                            d.title(),
                            workspace().catalog().bindings(d.id()).size()))
                .orElse(worded("here.its-keyboard-the-keys-of-its")),
            () -> new HereView(desk).open(changed)));
    List<String> applications = applications();
    lines.add(
        page.line(
            worded("here.what-you-use"),
            Texts.quiet(applications.isEmpty() ? "" : worded("here.done")),
            applications.isEmpty()
                ? worded("here.start-the-programs-that-you-use")
                : worded("here.bring-in-lists-of-others", named(applications)),
            () -> desk.keys().bringIn()));
    lines.add(
        page.line(
            worded("here.what-stands-in-the-way"), Texts.quiet(""), inTheWay(), this::showWorst));
    lines.add(
        page.line(
            worded("here.a-first-drill-of-five"),
            Texts.quiet(""),
            worded("here.five-actions-that-are-worth-having"),
            () -> desk.keys().drillFirst(5)));
    VBox box = new VBox(14);
    box.getChildren().addAll(lines);
    return box;
  }

  private static String named(List<String> titles) {
    String some = titles.stream().limit(MOST_NAMED).collect(Collectors.joining(", "));
    return titles.size() > MOST_NAMED
        ? worded("here.and-more", some, titles.size() - MOST_NAMED)
        : some;
  }

  private String inTheWay() {
    if (desktop().isEmpty() || applications().isEmpty()) {
      return worded("here.where-a-programs-keys-never-reach");
    }
    if (!failed.isEmpty()) {
      return worded("here.it-could-not-be-looked-into", failed);
    }
    if (worst.isEmpty()) {
      return worded("any.looking-into-all-setups");
    }
    return worst
        .get()
        .first()
        .map(
            c ->
                worded(
                    "here.the-worst",
                    worded("any.conflicts", worst.get().number()),
                    ConflictSentence.withoutWayOut(c, workspace().catalog())))
        .orElse(worded("here.no-conflict-every-key-of-these"));
  }

  /** Finds out once for each state of the file. */
  private void look() {
    Workspace now = workspace();
    if (of.filter(now::isButForTheChoice).isPresent() || desktop().isEmpty()) {
      return;
    }
    of = Optional.of(now);
    worst = Optional.empty();
    failed = "";
    Person person = desk.analyst().person();
    looking.ask(
        course -> {
          Set<List<Object>> told = new HashSet<>();
          List<Conflict> all = new ArrayList<>();
          for (Setup setup : now.setups().values()) {
            if (course.isWanted() && now.world().problem(setup).isEmpty()) {
              ConflictFinder.find(SetupTraces.of(setup, now.world()), person).stream()
                  .filter(
                      c ->
                          told.add(List.of(c.kind(), c.loser().environment(), c.loser().gesture())))
                  .forEach(all::add);
            }
          }
          Optional<Conflict> first =
              all.stream()
                  .filter(c -> c.kind() != Conflict.Kind.THIN)
                  .max(Comparator.comparingInt(Conflict::severity))
                  .or(() -> all.stream().findFirst());
          return new Worst(all.size(), first, first.flatMap(Conflict::setup));
        },
        found -> {
          worst = Optional.of(found);
          changed.run();
        },
        why -> {
          failed = why;
          changed.run();
        });
  }

  private void showWorst() {
    worst.flatMap(Worst::setup).ifPresent(desk.session()::choose);
    worst
        .flatMap(Worst::first)
        .ifPresentOrElse(c -> desk.keys().follow(c.loser().gesture()), () -> desk.keys().go('R'));
  }

  /** Ends it; what was brought in stays. */
  public void leave() {
    desk.session().setting(LEFT, "left");
    changed.run();
  }
}
