package polydex.desktop.state;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import javafx.animation.PauseTransition;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.util.Duration;
import polydex.effort.KeystrokeLevel;
import polydex.mouse.DrillEffect;
import polydex.mouse.Place;
import polydex.mouse.Remaining;
import polydex.mouse.Saved;
import polydex.mouse.Slips;
import polydex.mouse.Standing;
import polydex.mouse.WeeklyReview;
import polydex.mouse.Weeks;
import polydex.recall.DrillHistory;
import polydex.route.Setup;
import polydex.route.World;

/**
 * Finds out what the mouse log says, off the interface thread, when it is asked. Asked while it is
 * at it, it looks once more afterwards, so that a log that grows all the time is followed a few
 * times a second and no oftener.
 */
public final class Auditor implements AutoCloseable {
  private static final Duration REST = Duration.millis(200);

  /** All that a look goes by, taken on the interface thread. */
  private record Question(
      World world,
      Map<String, Setup> setups,
      Map<Place, String> kept,
      KeystrokeLevel times,
      double answersUntilFluent,
      Standing standing,
      LocalDate today,
      double drillSeconds) {

    /** Whether the ways by keys, and what they cost, are the same. */
    boolean isAlike(Question other) {
      return world.equals(other.world)
          && setups.equals(other.setups)
          && kept.equals(other.kept)
          && times.equals(other.times)
          && answersUntilFluent == other.answersUntilFluent;
    }
  }

  /** What it went by last, and what it has found out for that. */
  private record Last(Question question, Remaining remaining) {}

  private final Session session;
  private final ReadOnlyObjectWrapper<Optional<Findings>> found =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final PauseTransition rest = new PauseTransition(REST);
  private final Beside auditing = new Beside("audit");
  private Optional<String> failure = Optional.empty();
  private boolean looking;
  private boolean askedAgain;
  private boolean closed;
  private final AtomicReference<Optional<Last>> last = new AtomicReference<>(Optional.empty());

  /** For a session. */
  public Auditor(Session session) {
    this.session = session;
    rest.setOnFinished(
        _ -> {
          looking = false;
          if (askedAgain) {
            ask();
          }
        });
  }

  /** The newest answer; none before the first. */
  public ReadOnlyObjectProperty<Optional<Findings>> found() {
    return found.getReadOnlyProperty();
  }

  /** What is said in place of an answer: that it is on its way, or why there is none. */
  public String inItsPlace() {
    return failure.orElse("Looking at what each action costs \u2026");
  }

  /** Looks now, or as soon as it can. */
  public void ask() {
    askedAgain = looking;
    if (looking || closed) {
      return;
    }
    looking = true;
    DrillHistory history = session.progress().history();
    Question question =
        new Question(
            session.workspace().get().world(),
            session.workspace().get().setups(),
            session.workspace().get().mouse().kept(),
            new KeystrokeLevel(history.pace().press()),
            history.answersUntilFluent(),
            session.standing(),
            session.today(),
            history.byDay().values().stream().mapToDouble(DrillHistory.Day::seconds).sum());
    auditing.ask(
        _ -> look(question),
        answer -> {
          failure = Optional.empty();
          found.set(Optional.of(answer));
          rest.playFromStart();
        },
        why -> {
          failure = Optional.of("What the log comes to could not be found out. " + why);
          session.problem(failure.get());
          found.set(Optional.empty());
          rest.playFromStart();
        });
  }

  private Findings look(Question q) {
    Remaining remaining =
        last.get()
            .filter(l -> l.question().isAlike(q))
            .map(Last::remaining)
            .orElseGet(
                () ->
                    new Remaining(
                        q.world(),
                        q.times(),
                        q.answersUntilFluent(),
                        p -> session.drilledSince(p).isPresent(),
                        q.kept()));
    last.set(Optional.of(new Last(q, remaining)));
    List<Remaining.Row> rows = remaining.of(q.setups().values(), q.standing(), q.today());
    return new Findings(
        q.standing(),
        rows,
        Weeks.of(q.standing(), rows, _ -> true, q.today()),
        Slips.of(q.standing(), q.today()),
        WeeklyReview.of(q.standing(), rows, q.today()),
        Saved.of(q.standing(), rows, q.drillSeconds()),
        DrillEffect.of(q.standing(), session::drilledSince, session.zone()));
  }

  /** Nothing is looked into any more, though it be asked for. */
  @Override
  public void close() {
    closed = true;
    auditing.close();
  }
}
