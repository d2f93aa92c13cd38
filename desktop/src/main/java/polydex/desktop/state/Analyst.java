package polydex.desktop.state;

import java.util.HashMap;
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
import polydex.conflict.ConflictFinder;
import polydex.conflict.Person;
import polydex.conflict.Severity;
import polydex.recall.Material;
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

  /** How bad conflicts are for whoever has this file. */
  public Person person() {
    Map<String, Double> usesPerDay = new HashMap<>();
    for (String action : session.habits().byPointerUses()) {
      session.habits().usesPerDay(action).ifPresent(u -> usesPerDay.put(action, u));
    }
    return Person.of(a -> usesPerDay.getOrDefault(a, Severity.UNKNOWN_USES_PER_DAY));
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
    if (setup.isEmpty()) {
      return;
    }
    Optional<String> problem = workspace.world().problem(setup.get());
    if (problem.isPresent()) {
      session.problem(problem.get());
      return;
    }
    Person person = person();
    worker.execute(
        () -> {
          if (newest.get() == question) {
            Analysis analysis = analyse(workspace, setup.get(), person);
            Platform.runLater(
                () -> {
                  if (newest.get() == question) {
                    found.set(Optional.of(analysis));
                    session.conflictsSeen(setup.get().id(), analysis.conflicts());
                  }
                });
          }
        });
  }

  private static Analysis analyse(Workspace workspace, Setup setup, Person person) {
    SetupTraces traces = SetupTraces.of(setup, workspace.world());
    return new Analysis(
        workspace,
        traces,
        ConflictFinder.find(traces, person),
        traces.reach(),
        GestureSearch.of(workspace.catalog(), traces.tracer().layout()),
        new Hooks(workspace.catalog(), workspace.environmentsInUse()),
        Material.of(workspace.world(), traces, workspace.setups().values()),
        GestureIndex.of(workspace.catalog(), traces.tracer().layout()));
  }

  @Override
  public void close() {
    worker.shutdownNow();
    helper.shutdownNow();
  }
}
