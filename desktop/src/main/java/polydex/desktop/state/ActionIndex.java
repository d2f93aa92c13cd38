package polydex.desktop.state;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import javafx.animation.PauseTransition;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.util.Duration;
import polydex.catalog.Action;
import polydex.catalog.ActionFinder;
import polydex.catalog.SameWords;
import polydex.catalog.TitleMatcher;
import polydex.own.OwnKeymap;
import polydex.workspace.Workspace;

/**
 * The one index of all actions by their words, made beside the window whenever they change, for
 * everything that looks for actions. Until the next is there the one before serves.
 */
public final class ActionIndex implements AutoCloseable {
  /**
   * An index.
   *
   * @param search by words
   * @param likeness by titles from outside
   */
  public record Index(ActionFinder search, TitleMatcher likeness) {}

  /** What a window shows first has the machine to itself for so long. */
  private static final Duration REST = Duration.millis(700);

  private final Session session;
  private final PauseTransition rest = new PauseTransition(REST);
  private boolean isBegun;
  private final Beside making = new Beside("index");
  private final ReadOnlyObjectWrapper<Optional<Index>> made =
      new ReadOnlyObjectWrapper<>(Optional.empty());

  /** Begins when somebody asks or the window has come to rest, and follows the session then. */
  public ActionIndex(Session session) {
    this.session = session;
    session.workspace().addListener((_, before, now) -> follow(before, now));
    rest.setOnFinished(_ -> begin());
    rest.play();
  }

  private void begin() {
    if (!isBegun) {
      isBegun = true;
      make(session.workspace().get());
    }
  }

  private void follow(Workspace before, Workspace now) {
    if (!isBegun) {
      return;
    }
    if (!before.catalog().sharesWith(now.catalog())
        || !before.remembered().sameWords().equals(now.remembered().sameWords())) {
      make(now);
    }
  }

  private void make(Workspace workspace) {
    List<Action> actions = workspace.catalog().actions();
    List<Action> others = OwnKeymap.others(workspace.catalog());
    Collection<String> own = workspace.remembered().sameWords().values();
    making.ask(
        _ -> new Index(ActionFinder.of(actions, SameWords.with(own)), new TitleMatcher(others)),
        index -> made.set(Optional.of(index)),
        session::problem);
  }

  /** The newest; none before the first. */
  public ReadOnlyObjectProperty<Optional<Index>> made() {
    begin();
    return made.getReadOnlyProperty();
  }

  /** The actions with these words, or with some of them; none while there is no index yet. */
  public List<Action> find(String words, int most) {
    return answer(words, most).actions();
  }

  /** The same, and whether they have only some of the words. */
  public ActionFinder.Answer answer(String words, int most) {
    begin();
    return made.get()
        .map(i -> i.search().find(words, most))
        .orElse(new ActionFinder.Answer(List.of(), false));
  }

  @Override
  public void close() {
    rest.stop();
    making.close();
  }
}
