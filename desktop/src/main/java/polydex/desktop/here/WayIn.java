package polydex.desktop.here;

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
            "This computer",
            Texts.quiet(desktop().isPresent() ? "done" : ""),
            desktop()
                .map(
                    d ->
                        "%s is known, with %,d bindings. Look again to see what is new, changed or gone."
                            .formatted(d.title(), workspace().catalog().bindings(d.id()).size()))
                .orElse(
                    "Its keyboard, the keys of its desktop, and the menus of the programs that run. You see"
                        + " all of it before anything is taken; nothing is written to the computer."),
            () -> new HereView(desk).open(changed)));
    List<String> applications = applications();
    lines.add(
        page.line(
            "What you use",
            Texts.quiet(applications.isEmpty() ? "" : "done"),
            applications.isEmpty()
                ? "Start the programs that you use and look at this computer, or bring in lists of their keys."
                : named(applications) + ". Bring in lists of others.",
            () -> desk.keys().bringIn()));
    lines.add(page.line("What stands in the way", Texts.quiet(""), inTheWay(), this::showWorst));
    lines.add(
        page.line(
            "A first drill of five",
            Texts.quiet(""),
            "Five actions that are worth having in the fingers, three times each, in about two minutes.",
            () -> desk.keys().drillFirst(5)));
    VBox box = new VBox(14);
    box.getChildren().addAll(lines);
    return box;
  }

  private static String named(List<String> titles) {
    String some = titles.stream().limit(MOST_NAMED).collect(Collectors.joining(", "));
    return titles.size() > MOST_NAMED
        ? "%s and %d more".formatted(some, titles.size() - MOST_NAMED)
        : some;
  }

  private String inTheWay() {
    if (desktop().isEmpty() || applications().isEmpty()) {
      return "Where a program's keys never reach it, since the desktop takes them. Needs the two steps above.";
    }
    if (!failed.isEmpty()) {
      return "It could not be looked into. " + failed;
    }
    if (worst.isEmpty()) {
      return "Looking into all setups \u2026";
    }
    return worst
        .get()
        .first()
        .map(
            c ->
                "%s. The worst: %s"
                    .formatted(
                        worst.get().number() == 1
                            ? "1 conflict"
                            : "%,d conflicts".formatted(worst.get().number()),
                        ConflictSentence.withoutWayOut(c, workspace().catalog())))
        .orElse("No conflict: every key of these programs reaches them.");
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
