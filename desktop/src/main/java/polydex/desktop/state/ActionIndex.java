package polydex.desktop.state;

import java.util.List;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import polydex.catalog.Action;
import polydex.catalog.ActionSearch;
import polydex.catalog.Catalog;
import polydex.catalog.TitleMatcher;
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
  public record Index(ActionSearch search, TitleMatcher likeness) {}

  private final Session session;
  private final Beside making = new Beside("index");
  private final ReadOnlyObjectWrapper<Optional<Index>> made =
      new ReadOnlyObjectWrapper<>(Optional.empty());

  /** Begins at once, and follows the session from then on. */
  public ActionIndex(Session session) {
    this.session = session;
    session.workspace().addListener((_, before, now) -> follow(before, now));
    make(session.workspace().get().catalog());
  }

  private void follow(Workspace before, Workspace now) {
    if (!before.catalog().sharesWith(now.catalog())) {
      make(now.catalog());
    }
  }

  private void make(Catalog catalog) {
    List<Action> actions = catalog.actions();
    making.ask(
        _ -> new Index(ActionSearch.of(actions), new TitleMatcher(actions)),
        index -> made.set(Optional.of(index)),
        session::problem);
  }

  /** The newest; none before the first. */
  public ReadOnlyObjectProperty<Optional<Index>> made() {
    return made.getReadOnlyProperty();
  }

  /** The actions with these words, the best first; none while there is no index yet. */
  public List<Action> find(String words, int most) {
    return made.get().map(i -> i.search().find(words, most)).orElse(List.of());
  }

  @Override
  public void close() {
    making.close();
  }
}
