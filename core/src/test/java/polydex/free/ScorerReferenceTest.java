package polydex.free;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.statistics.Statistics;
import polydex.boards.Board;
import polydex.boards.Board.KeyPlace;
import polydex.boards.Keyboards;
import polydex.boards.Presses.Made;
import polydex.catalog.Action;
import polydex.catalog.Action.Harm;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.SetupTraces;
import polydex.route.Situation;
import polydex.route.World;
import polydex.route.Worlds;

/** The score of a gesture, against the formula computed from what is written in the keymap. */
class ScorerReferenceTest {
  private static final List<Key> ROW =
      List.of(Key.KeyA, Key.KeyS, Key.KeyD, Key.KeyF, Key.KeyG, Key.KeyH, Key.KeyJ, Key.KeyK);
  private static final ActionId WANTED = new ActionId("wanted");

  /** One row of keys, a key width apart. */
  private static Board board() {
    return new Board(
        "row",
        "row",
        ROW.stream().map(k -> new KeyPlace(k, 19.05 * ROW.indexOf(k), 0, 19.05, 19.05)).toList(),
        Map.of());
  }

  private static String letter(Key key) {
    return key.name().substring(3);
  }

  @Property(seed = "20310314", tries = 300, edgeCases = EdgeCasesMode.NONE)
  void eachPartCountsAsTheFormulaSays(@ForAll long seed) {
    Random random = new Random(seed);
    Map<String, String> bound =
        random
            .ints(4, 0, ROW.size())
            .boxed()
            .map(i -> (random.nextBoolean() ? "Ctrl+Alt+" : "Ctrl+") + letter(ROW.get(i)))
            .distinct()
            .collect(
                Collectors.toMap(
                    g -> g, _ -> List.of("loses", "other", "back").get(random.nextInt(3))));
    String[] lines =
        bound.entrySet().stream()
            .map(e -> e.getKey() + " = " + e.getValue())
            .toArray(String[]::new);
    World plain =
        new Worlds()
            .platform("p", Worlds.plain())
            .app("app", lines)
            .app("else", "Ctrl+Alt+K = wanted")
            .build();
    List<Action> actions =
        Stream.of(
                new Action(
                    WANTED,
                    "Show the grid",
                    "x",
                    List.of(),
                    Harm.VISIBLE,
                    java.util.Optional.of(new ActionId("back")),
                    false),
                new Action(new ActionId("loses"), "Lose all", "x", List.of(), Harm.LOSES_WORK))
            .toList();
    Catalog catalog = plain.catalog().with(actions, List.of(), Map.of());
    World world = new World(catalog, Map.of("full", board()), plain.layouts());
    Setup here = Worlds.setup(Worlds.machine("p", Worlds.in("app", "anywhere")));
    Setup there =
        new Setup(
            new SetupId("there"),
            "There",
            "full",
            Worlds.machine("p", Worlds.in("else", "anywhere")));
    Scorer scorer =
        new Scorer(
            new Situation(world, Map.of(here.id(), here, there.id(), there)),
            List.of(SetupTraces.of(here, world)),
            new Score.Weights(1.5, 1.0, 0.8, 1.2));
    Key key = ROW.get(random.nextInt(ROW.size()));
    boolean shift = random.nextBoolean();
    String text = (shift ? "Ctrl+Alt+Shift+" : "Ctrl+Alt+") + letter(key);
    Modifiers held =
        ((Physical.Press)
                polydex.boards.Presses.physical(Gesture.parse(text), Keyboards.US)
                    .orElseThrow()
                    .getFirst())
            .held()
            .modifiers();
    Candidate candidate =
        new Candidate(
            Gesture.parse(text),
            List.of(Made.afresh(new Physical.Press(Held.of(held), key))),
            random.nextInt(9) / 2.0);

    Score score = scorer.of(WANTED, candidate);

    // "the" begins with no letter that counts.
    boolean initial = Set.of(Key.KeyS, Key.KeyG).contains(key);
    boolean same = text.equals("Ctrl+Alt+K");
    boolean partner = shift && "back".equals(bound.get("Ctrl+Alt+" + letter(key)));
    long near =
        bound.entrySet().stream()
            .filter(e -> e.getValue().equals("loses"))
            .filter(
                e -> {
                  Key other = Key.valueOf("Key" + e.getKey().charAt(e.getKey().length() - 1));
                  boolean both = e.getKey().startsWith("Ctrl+Alt+");
                  int apart = Math.abs(ROW.indexOf(other) - ROW.indexOf(key));
                  int modifiers = (both ? 0 : 1) + (shift ? 1 : 0);
                  return (apart == 0 && modifiers == 1) || (apart == 1 && modifiers == 0);
                })
            .count();
    assertThat(score.initial().isPresent()).isEqualTo(initial);
    assertThat(score.sameIn()).hasSize(same ? 1 : 0);
    assertThat(score.partner().isPresent()).isEqualTo(partner);
    assertThat(score.near()).hasSize((int) near);
    assertThat(score.total())
        .isCloseTo(
            candidate.effort()
                - (initial ? 1.5 : 0)
                - (same ? 1.0 : 0)
                - (partner ? 0.8 : 0)
                + 1.2 * near,
            within(1e-9));
    assertThat(scorer.points(WANTED, candidate)).isEqualTo(score.total());
    Statistics.label("near").collect(near > 0);
    Statistics.label("partner").collect(partner);
    Statistics.label("near").coverage(c -> c.check(true).percentage(p -> p > 8));
    Statistics.label("partner").coverage(c -> c.check(true).count(n -> n > 3));
  }
}
