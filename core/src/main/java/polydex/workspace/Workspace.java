package polydex.workspace;

import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.boards.Board;
import polydex.boards.Layout;
import polydex.catalog.Catalog;
import polydex.catalog.EnvironmentId;
import polydex.conflict.Accepted;
import polydex.fit.Bench;
import polydex.fit.Fitting;
import polydex.mouse.MouseChoices;
import polydex.recall.Learning;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.Situation;
import polydex.route.World;

/**
 * Everything that a person has made and chosen, but for the two logs; immutable.
 *
 * @param world keymaps, boards and layouts
 * @param setups by id, in the order in which they are shown
 * @param current the id of the setup in use; none where there is no setup
 * @param remembered what was learnt while lists were brought in
 * @param learning what was said about what to learn
 * @param accepted conflicts that the person lives with
 * @param mouse what was said about what the mouse still does
 * @param fitting what was planned of bindings and remaps of one's own
 */
public record Workspace(
    World world,
    Map<SetupId, Setup> setups,
    Optional<SetupId> current,
    Remembered remembered,
    Learning learning,
    Accepted accepted,
    MouseChoices mouse,
    Fitting fitting) {
  /** Nothing yet. */
  public static final Workspace EMPTY =
      new Workspace(
          new World(Catalog.EMPTY, Map.of(), Map.of()),
          Map.of(),
          Optional.empty(),
          Remembered.NOTHING,
          Learning.NOTHING,
          Accepted.NONE,
          MouseChoices.NOTHING,
          Fitting.NOTHING);

  /** Keeps the order of the setups, and lets go of a choice that is no longer there. */
  public Workspace {
    setups = Collections.unmodifiableMap(new LinkedHashMap<>(setups));
    current = current.filter(setups::containsKey).or(setups.keySet().stream()::findFirst);
  }

  /** A workspace of these, with the first setup in use. */
  public static Workspace of(
      Catalog catalog, List<Board> boards, List<Layout> layouts, List<Setup> setups) {
    Map<String, Board> boardsById = new LinkedHashMap<>();
    boards.forEach(b -> boardsById.put(b.id(), b));
    Map<String, Layout> layoutsById = new LinkedHashMap<>();
    layouts.forEach(l -> layoutsById.put(l.id(), l));
    return of(new World(catalog, boardsById, layoutsById), setups);
  }

  /** What setups are made of, and setups, and nothing else. */
  public static Workspace of(World world, List<Setup> setups) {
    Map<SetupId, Setup> setupsById = new LinkedHashMap<>();
    setups.forEach(s -> setupsById.put(s.id(), s));
    return new Workspace(
        world,
        setupsById,
        Optional.empty(),
        Remembered.NOTHING,
        Learning.NOTHING,
        Accepted.NONE,
        MouseChoices.NOTHING,
        Fitting.NOTHING);
  }

  /** Keymaps of platforms and applications. */
  public Catalog catalog() {
    return world.catalog();
  }

  /** The setup in use. */
  public Optional<Setup> setup() {
    return current.map(setups::get);
  }

  /** The ids of the environments that stand in any of the setups. */
  public Set<EnvironmentId> environmentsInUse() {
    Set<EnvironmentId> used = new HashSet<>();
    setups.values().forEach(setup -> used.addAll(setup.environments()));
    return used;
  }

  /** The setups in which an environment stands. */
  public List<Setup> setupsWith(EnvironmentId environment) {
    return setups.values().stream().filter(s -> s.environments().contains(environment)).toList();
  }

  /** The same with other keymaps. */
  public Workspace with(Catalog catalog) {
    return new Workspace(
        new World(catalog, world.boards(), world.layouts()),
        setups,
        current,
        remembered,
        learning,
        accepted,
        mouse,
        fitting);
  }

  /** The same with a setup added, or replaced where its id is known. */
  public Workspace with(Setup setup) {
    Map<SetupId, Setup> more = new LinkedHashMap<>(setups);
    more.put(setup.id(), setup);
    return new Workspace(world, more, current, remembered, learning, accepted, mouse, fitting);
  }

  /** The same with these setups, by their ids and in this order. */
  public Workspace with(Map<SetupId, Setup> others) {
    return new Workspace(world, others, current, remembered, learning, accepted, mouse, fitting);
  }

  /** The same with another setup in use. */
  public Workspace using(Optional<SetupId> setupId) {
    return new Workspace(world, setups, setupId, remembered, learning, accepted, mouse, fitting);
  }

  /** The same with something else remembered. */
  public Workspace with(Remembered other) {
    return new Workspace(world, setups, current, other, learning, accepted, mouse, fitting);
  }

  /** The same with something else said about learning. */
  public Workspace with(Learning other) {
    return new Workspace(world, setups, current, remembered, other, accepted, mouse, fitting);
  }

  /** The same with other conflicts accepted. */
  public Workspace with(Accepted other) {
    return new Workspace(world, setups, current, remembered, learning, other, mouse, fitting);
  }

  /** The same with something else said about the mouse. */
  public Workspace with(MouseChoices other) {
    return new Workspace(world, setups, current, remembered, learning, accepted, other, fitting);
  }

  /** Whether another is the same but for which setup is in use, which is a choice and no edit. */
  public boolean isButForTheChoice(Workspace other) {
    return equals(other.using(current));
  }

  /** What fixes of conflicts change. */
  public Situation situation() {
    return new Situation(world, setups);
  }

  /** The same with other keymaps and setups. */
  public Workspace with(Situation situation) {
    return new Workspace(
        situation.world(),
        situation.setups(),
        current,
        remembered,
        learning,
        accepted,
        mouse,
        fitting);
  }

  /** The computers as they are and what is planned for them. */
  public Bench bench() {
    return new Bench(situation(), fitting);
  }

  /** The same with other plans. */
  public Workspace with(Fitting other) {
    return new Workspace(world, setups, current, remembered, learning, accepted, mouse, other);
  }

  /** The same with other computers and plans. */
  public Workspace with(Bench bench) {
    return with(bench.situation()).with(bench.fitting());
  }

  /** The same with a board added, or replaced where its id is known. */
  public Workspace with(Board board) {
    Map<String, Board> more = new LinkedHashMap<>(world.boards());
    more.put(board.id(), board);
    return new Workspace(
        new World(world.catalog(), more, world.layouts()),
        setups,
        current,
        remembered,
        learning,
        accepted,
        mouse,
        fitting);
  }

  /** The same with a layout added, or replaced where its id is known. */
  public Workspace with(Layout layout) {
    Map<String, Layout> more = new LinkedHashMap<>(world.layouts());
    more.put(layout.id(), layout);
    return new Workspace(
        new World(world.catalog(), world.boards(), more),
        setups,
        current,
        remembered,
        learning,
        accepted,
        mouse,
        fitting);
  }
}
