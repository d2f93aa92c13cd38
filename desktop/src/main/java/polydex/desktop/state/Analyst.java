package polydex.desktop.state;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
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
  private final AtomicLong newest = new AtomicLong();

  /** What was found out last, and for whom, from which the next goes on; the worker's own. */
  private record Last(Analysis analysis, Person person) {}

  private Optional<Last> last = Optional.empty();

  private Map<String, Double> uses = Map.of();
  private Person person = Person.of(_ -> Severity.UNKNOWN_USES_PER_DAY);
  private final ExecutorService worker =
      Executors.newSingleThreadExecutor(Thread.ofPlatform().name("analysis").daemon().factory());

  private final ExecutorService helper =
      Executors.newSingleThreadExecutor(Thread.ofPlatform().name("looking").daemon().factory());

  /** Begins at once, and follows the session from then on. */
  public Analyst(Session session) {
    this.session = session;
    session.workspace().addListener((_, _, now) -> ask(now));
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
        ? Optional.of("There is no setup yet. Ctrl+U makes one.")
        : now.world().problem(now.setup().get()).map(p -> p + " Ctrl+U mends it.");
  }

  /** What is said in place of an answer. */
  public String inItsPlace() {
    return hindrance().orElse("Looking into the setup \u2026");
  }

  /**
   * How bad conflicts are for whoever has this file; the same person as before while their habits
   * are the same. On the interface thread.
   */
  public Person person() {
    Map<String, Double> usesPerDay = session.standing().usesADay();
    if (!usesPerDay.equals(uses)) {
      uses = Map.copyOf(usesPerDay);
      Map<String, Double> known = uses;
      person = Person.of(a -> known.getOrDefault(a, Severity.UNKNOWN_USES_PER_DAY));
    }
    return person;
  }

  /**
   * Has something looked into that takes longer, beside the analysis. The answer is given on the
   * interface thread, unless something was changed meanwhile.
   *
   * @param work gets the question whether its answer is still wanted
   */
  public <T> void look(Function<BooleanSupplier, T> work, Consumer<T> to) {
    long asked = newest.get();
    helper.execute(
        () -> {
          BooleanSupplier stale = () -> newest.get() != asked;
          if (stale.getAsBoolean()) {
            return;
          }
          T answer = work.apply(stale);
          Platform.runLater(
              () -> {
                if (!stale.getAsBoolean()) {
                  to.accept(answer);
                }
              });
        });
  }

  private void ask(Workspace workspace) {
    long question = newest.incrementAndGet();
    Optional<Setup> setup = workspace.setup();
    found.set(Optional.empty());
    Optional<String> hindrance = hindrance();
    if (hindrance.isPresent()) {
      if (setup.isPresent()) {
        session.problem(hindrance.get());
      }
      return;
    }
    Person person = person();
    ConflictHistory before = session.conflicts();
    LocalDate today = session.today();
    worker.execute(
        () -> {
          if (newest.get() == question) {
            Analysis analysis = analyse(workspace, setup.get(), person);
            ConflictHistory after =
                before.seen(
                    setup.get().id(),
                    analysis.conflicts(),
                    today,
                    c -> ConflictSentence.withoutWayOut(c, workspace.catalog()));
            Platform.runLater(
                () -> {
                  if (newest.get() == question) {
                    session.keep(after);
                    found.set(Optional.of(analysis));
                  }
                });
          }
        });
  }

  private Analysis analyse(Workspace workspace, Setup setup, Person person) {
    Optional<Retracing> again =
        last.filter(l -> l.analysis().traces().setup().equals(setup))
            .flatMap(l -> Retracing.of(l.analysis().traces(), workspace.world()));
    SetupTraces traces =
        again.map(Retracing::traces).orElseGet(() -> SetupTraces.of(setup, workspace.world()));
    // The conflicts of before are of use only where the person's habits are the same.
    List<Conflict> conflicts =
        again
            .filter(_ -> last.orElseThrow().person().equals(person))
            .map(a -> ConflictUpdate.of(last.orElseThrow().analysis().conflicts(), a, person))
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
            GestureIndex.of(workspace.catalog(), traces.tracer().layout()));
    last = Optional.of(new Last(found, person));
    return found;
  }

  @Override
  public void close() {
    worker.shutdownNow();
    helper.shutdownNow();
  }
}
