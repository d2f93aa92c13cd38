package polydex.desktop.state;

import static polydex.desktop.language.DesktopWords.worded;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.scene.Node;
import polydex.catalog.ActionId;
import polydex.catalog.GestureIndex;
import polydex.catalog.GestureSearch;
import polydex.catalog.Hooks;
import polydex.conflict.Conflict;
import polydex.conflict.ConflictFinder;
import polydex.conflict.ConflictHistory;
import polydex.conflict.ConflictSentence;
import polydex.conflict.ConflictUpdate;
import polydex.conflict.Person;
import polydex.conflict.Severity;
import polydex.recall.Material;
import polydex.route.Retracing;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.workspace.Workspace;

/**
 * Looks into the setup in use, off the interface thread, whenever it or a keymap changes. The
 * newest question wins, and a stale answer is never shown.
 */
public final class Analyst implements AutoCloseable {
  private final Session session;
  private final ReadOnlyObjectWrapper<Optional<Analysis>> found =
      new ReadOnlyObjectWrapper<>(Optional.empty());

  /** What was found out last, and for whom, from which the next goes on. */
  private record Last(Analysis analysis, Person person) {}

  private final AtomicReference<Optional<Last>> last = new AtomicReference<>(Optional.empty());
  private Optional<String> failure = Optional.empty();
  private boolean isBegun;

  private Map<ActionId, Double> uses = Map.of();
  private Person person = Person.of(_ -> Severity.UNKNOWN_USES_PER_DAY);
  private final Beside analysing = new Beside("analysis");
  private final Map<String, Looking> looking = new HashMap<>();

  /** Something that is looked into beside the analysis, and who hears that it came to nothing. */
  private record Looking(Beside beside, Consumer<String> failed) {}

  /** Begins at once, and follows the session from then on. */
  public Analyst(Session session) {
    this.session = session;
    session.workspace().addListener((_, _, now) -> ask(now));
    // How bad a conflict is hangs on what the log says; what can't be read of it is as if unknown.
    session.whenLogRead(this::ask, _ -> ask());
  }

  private void ask() {
    isBegun = true;
    ask(session.workspace().get());
  }

  /** The newest answer; none while it is not there yet or where the setup can't be traced. */
  public ReadOnlyObjectProperty<Optional<Analysis>> found() {
    return found.getReadOnlyProperty();
  }

  /**
   * Why there is no answer, as a sentence; nothing where one is on its way or there. Without a
   * setup in which keys can be followed there is none until somebody makes or mends one.
   */
  public Optional<String> hindrance() {
    Workspace now = session.workspace().get();
    return now.setup().isEmpty()
        ? Optional.of(session.ownKeys().in(worded("any.there-is-no-setup-yet-setups")))
        : now.world()
            .problem(now.setup().get())
            .map(p -> session.ownKeys().in(worded("state.setups-open-mends-it", p)))
            .or(() -> failure);
  }

  /** What is said in place of an answer. */
  public String inItsPlace() {
    return hindrance().orElse(worded("state.looking-into-the-setup"));
  }

  /**
   * How bad conflicts are for whoever has this file; the same person as before while their habits
   * are the same. On the interface thread.
   */
  public Person person() {
    Map<ActionId, Double> usesPerDay = session.standing().usesADay();
    if (!usesPerDay.equals(uses)) {
      uses = Map.copyOf(usesPerDay);
      Map<ActionId, Double> known = uses;
      person = Person.of(a -> known.getOrDefault(a, Severity.UNKNOWN_USES_PER_DAY));
    }
    return person;
  }

  /**
   * Has something looked into that takes longer, beside the analysis. The answer is given on the
   * interface thread, unless something was changed meanwhile.
   *
   * @param what of one kind only the newest is looked into
   * @param failed gets a sentence where it went wrong, or is no longer about what there is
   */
  public <T> void look(String what, Beside.Work<T> work, Consumer<T> to, Consumer<String> failed) {
    Looking now =
        looking.compute(
            what, (_, l) -> new Looking(l == null ? new Beside(what) : l.beside(), failed));
    now.beside().ask(work, to, failed);
  }

  /** What is being looked into of a kind is no longer wanted. */
  public void stopLooking(String what) {
    Optional.ofNullable(looking.get(what)).ifPresent(l -> l.beside().stop());
  }

  /** The same as soon as what waits for it is no longer shown. */
  public void stopLookingWithout(Node shown, String what) {
    shown
        .sceneProperty()
        .addListener(
            (_, _, scene) -> {
              if (scene == null) {
                stopLooking(what);
              }
            });
  }

  private void lookAtNothingOld() {
    for (Looking old : List.copyOf(looking.values())) {
      if (old.beside().busy().get()) {
        old.beside().stop();
        old.failed().accept(worded("state.something-was-changed-meanwhile-ask-again"));
      }
    }
  }

  private void ask(Workspace workspace) {
    if (!isBegun) {
      return;
    }
    lookAtNothingOld();
    Optional<Setup> setup = workspace.setup();
    failure = Optional.empty();
    found.set(Optional.empty());
    Optional<String> hindrance = hindrance();
    if (hindrance.isPresent()) {
      analysing.stop();
      if (setup.isPresent()) {
        session.problem(hindrance.get());
      }
      return;
    }
    Person person = person();
    ConflictHistory before = session.conflicts();
    LocalDate today = session.today();
    analysing.ask(
        _ -> {
          Analysis analysis = analyse(workspace, setup.get(), person);
          return new Seen(
              analysis,
              before.seen(
                  setup.get().id(),
                  analysis.conflicts(),
                  today,
                  c -> ConflictSentence.withoutWayOut(c, workspace.catalog())));
        },
        seen -> {
          session.keep(seen.history());
          found.set(Optional.of(seen.analysis()));
        },
        why -> {
          failure = Optional.of(worded("state.the-setup-could-not-be-looked", why));
          session.problem(failure.get());
          // Whoever shows that it is looked into shows why it is not.
          found.set(Optional.empty());
        });
  }

  private record Seen(Analysis analysis, ConflictHistory history) {}

  private Analysis analyse(Workspace workspace, Setup setup, Person person) {
    Optional<Last> before = last.get();
    Optional<Retracing> again =
        before
            .filter(l -> l.analysis().traces().setup().equals(setup))
            .flatMap(l -> Retracing.of(l.analysis().traces(), workspace.world()));
    SetupTraces traces =
        again.map(Retracing::traces).orElseGet(() -> SetupTraces.of(setup, workspace.world()));
    // The conflicts of before are of use only where the person's habits are the same.
    List<Conflict> conflicts =
        again
            .filter(_ -> before.orElseThrow().person().equals(person))
            .map(a -> ConflictUpdate.of(before.orElseThrow().analysis().conflicts(), a, person))
            .orElseGet(() -> ConflictFinder.find(traces, person));
    Analysis found =
        new Analysis(
            workspace,
            traces,
            conflicts,
            traces.reach(),
            GestureSearch.of(workspace.catalog(), traces.tracer().layout()),
            new Hooks(workspace.catalog(), workspace.environmentsInUse()),
            Material.of(workspace.world(), traces, workspace.setups().values()),
            GestureIndex.of(workspace.catalog(), traces.tracer().layout()),
            Analysis.traced(traces));
    last.set(Optional.of(new Last(found, person)));
    return found;
  }

  @Override
  public void close() {
    analysing.close();
    looking.values().forEach(l -> l.beside().close());
  }
}
