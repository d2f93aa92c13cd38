package polydex.systems;

import static polydex.language.CoreWords.worded;
import static polydex.language.Language.quoted;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Successors;
import polydex.catalog.Successors.Joined;
import polydex.catalog.Successors.Move;
import polydex.catalog.Successors.Parted;
import polydex.catalog.Successors.Spot;
import polydex.recall.DrillItem;
import polydex.workspace.Change;
import polydex.workspace.Remembered;
import polydex.workspace.Workspace;

/**
 * Actions that mean the same are joined, one that means two things is taken apart, and what was
 * joined is put back as it was. Older answers and lines of the mouse log go along, by {@link
 * Successors}.
 */
public final class ActionEdits {
  private ActionEdits() {}

  /**
   * One action goes into another, wherever it stands; its title becomes a word by which the other
   * is searched, and lists that are brought in again know it.
   */
  public static Workspace join(Workspace before, ActionId gone, ActionId into) {
    Catalog catalog = before.catalog();
    Action old = catalog.action(gone).orElseThrow();
    Action kept = catalog.action(into).orElseThrow();
    if (gone.equals(into)) {
      return before;
    }
    Successors successors =
        catalog.successors().and(new Joined(old, into, ActionSpots.of(before, gone)));
    Workspace moved = ActionSpots.with(before, (_, now) -> now.equals(gone) ? into : now);
    Catalog after =
        moved.catalog().with(joined(catalog, old, kept), List.of(), Map.of()).without(gone);
    Said said = new Said(i -> i.action().equals(gone) ? at(i, into) : i);
    Map<String, ActionId> titles = new HashMap<>();
    before
        .remembered()
        .titles()
        .forEach((title, a) -> titles.put(title, a.equals(gone) ? into : a));
    titles.put(Remembered.folded(old.title()), into);
    return moved
        .with(after.with(successors))
        .with(before.remembered().withTitles(titles))
        .with(said.learning(before.learning()))
        .with(said.mouse(before.mouse(), a -> a.equals(gone) ? into : a));
  }

  /** Those that are changed: the one that stays, and whatever had the other as its opposite. */
  private static List<Action> joined(Catalog catalog, Action gone, Action kept) {
    List<Action> changed = new ArrayList<>();
    List<String> words = new ArrayList<>(kept.words());
    if (!kept.title().equalsIgnoreCase(gone.title()) && !words.contains(gone.title())) {
      words.add(gone.title());
    }
    Optional<ActionId> opposite = kept.opposite().or(gone::opposite);
    changed.add(
        kept.searchedBy(words)
            .harming(kept.harm() == Action.Harm.LOSES_WORK ? kept.harm() : gone.harm())
            .opposed(opposite.filter(o -> !o.equals(gone.id()) && !o.equals(kept.id()))));
    for (Action a : catalog.actions()) {
      if (!a.id().equals(kept.id()) && a.opposite().filter(gone.id()::equals).isPresent()) {
        changed.add(a.opposed(Optional.of(kept.id())));
      }
    }
    return changed;
  }

  /** What went into an action, and in the end into it through others, the first one first. */
  public static List<Joined> joinedInto(Catalog catalog, ActionId action) {
    Successors successors = catalog.successors();
    return successors.joined().stream()
        .filter(j -> successors.of(j.into()).equals(action))
        .toList();
  }

  /**
   * An action that went into another is one of its own again, wherever it stood and still stands.
   * What was said since about the other stays with that.
   */
  public static Workspace separate(Workspace before, Joined joined) {
    Catalog catalog = before.catalog();
    ActionId id = joined.action().id();
    ActionId into = catalog.successors().of(id);
    Action kept = catalog.action(into).orElseThrow();
    List<String> words = new ArrayList<>(kept.words());
    words.remove(joined.action().title());
    // That it is there again takes it out of what happened.
    Workspace there =
        before.with(
            catalog.with(List.of(joined.action(), kept.searchedBy(words)), List.of(), Map.of()));
    Map<String, ActionId> titles = Map.of(Remembered.folded(joined.action().title()), id);
    return ActionSpots.with(
            there, (spot, now) -> joined.spots().contains(spot) && now.equals(into) ? id : now)
        .with(before.remembered().withTitles(titles));
  }

  /**
   * An action means something else in one environment: what stands there becomes an action of its
   * own, with what was answered and said about it there.
   *
   * @param now when; what is answered from now on means what it says
   * @throws IllegalArgumentException where another action is called so
   */
  public static Workspace part(
      Workspace before, ActionId from, EnvironmentId environment, String title, Instant now) {
    Catalog catalog = before.catalog();
    Action old = catalog.action(from).orElseThrow();
    String name = EnvironmentOutline.named(title);
    ActionOutline.refuseTaken(catalog, Optional.empty(), name);
    ActionId id = new ActionId(Ids.free(name, i -> catalog.action(new ActionId(i)).isPresent()));
    Action made = new Action(id, name, old.group(), List.of(), old.harm());
    Workspace there = before.with(catalog.with(List.of(made), List.of(), Map.of()));
    DrillItem item = new DrillItem(environment, from);
    Said said = new Said(i -> i.equals(item) ? at(i, id) : i);
    Workspace moved =
        ActionSpots.with(
            there, (spot, a) -> spot.environment().equals(environment) && a.equals(from) ? id : a);
    return moved
        .with(
            moved.catalog().with(catalog.successors().and(new Parted(environment, from, id, now))))
        .with(said.learning(before.learning()))
        .with(said.mouse(before.mouse(), UnaryOperator.identity()));
  }

  /** The environments in which an action stands, by their ids. */
  public static Set<EnvironmentId> standsIn(Workspace workspace, ActionId action) {
    Set<EnvironmentId> found = new HashSet<>();
    for (Spot spot : ActionSpots.of(workspace, action)) {
      found.add(spot.environment());
    }
    return found;
  }

  /**
   * An edit of a workspace by a line of an action, with a title that says what became of it.
   *
   * @param what as the rest of a title, where it only says something else
   */
  public static Change.Edit edit(Workspace before, Workspace after, ActionId of, String what) {
    Catalog catalog = after.catalog();
    List<Move> was = before.catalog().successors().moves();
    List<Move> now = catalog.successors().moves();
    String title = catalog.title(of);
    String said = quoted(title) + ": " + what;
    if (now.size() < was.size()) {
      List<Move> back = new ArrayList<>(was);
      back.removeAll(now);
      if (back.getFirst() instanceof Joined j) {
        said = worded("systems.is-an-action-of-its-own", j.action().title());
      }
    } else if (now.size() > was.size()) {
      said =
          switch (now.getLast()) {
            case Joined j -> worded("systems.means", j.action().title(), title);
            case Parted p ->
                worded(
                    "systems.in-is",
                    title,
                    catalog
                        .environment(p.environment())
                        .map(Environment::title)
                        .orElse(p.environment().value()),
                    catalog.title(p.to()));
            default -> said;
          };
    }
    return new Change.Edit(said, before, after);
  }

  private static DrillItem at(DrillItem item, ActionId action) {
    return new DrillItem(item.environment(), action);
  }
}
