package polydex.conflict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.route.Machine;
import polydex.route.PlainTraces;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.route.World;
import polydex.route.Worlds;

/**
 * What nobody would make by hand, and a file may hold: compiled it is what it is followed plainly.
 */
class CompiledExtremesTest {
  private static final Person PERSON = new Person(_ -> 2, 300);

  private static List<Conflict> same(World world, Setup setup) {
    SetupTraces compiled = SetupTraces.of(setup, world);
    SetupTraces plain = PlainTraces.of(setup, world);
    assertThat(compiled.rows()).isPresent();
    assertThat(compiled.all()).isEqualTo(plain.all());
    List<Conflict> found = ConflictFinder.find(compiled, PERSON);
    assertThat(found).isEqualTo(ConflictFinder.find(plain, PERSON));
    return found;
  }

  @Test
  void sixtyFourMachinesInOneAnother() {
    World world =
        new Worlds()
            .platform("desk", Worlds.plain("Ctrl+Alt+Home"), "Meta+D = show", "Alt+A B = both")
            .app("window", "Ctrl+Alt+F = full")
            .app("app", "Ctrl+A = all", "Alt+A B = other", "Meta+D = dim", "Ctrl+Alt+F = find")
            .build();
    Machine machine = Worlds.machine("desk", Worlds.in("app"));
    for (int i = 1; i < 64; i++) {
      machine =
          Worlds.machine("desk", Worlds.session("window", Machine.Capture.FULL_SCREEN, machine));
    }
    List<Conflict> found = same(world, Worlds.setup(machine));
    assertThat(found.stream().map(c -> c.loser().depth()).distinct()).hasSizeGreaterThan(60);
  }

  @Test
  void contextsAThousandDeep() {
    List<String> lines = new ArrayList<>();
    for (int i = 0; i < 1_000; i++) {
      lines.add("c" + i + ": " + (i % 3 == 0 ? "Ctrl+A" : "Ctrl+B A") + " = a" + i);
    }
    List<Context> chain = new ArrayList<>(List.of(Context.ANYWHERE));
    for (int i = 0; i < 1_000; i++) {
      String in = i == 0 ? Context.ANYWHERE.id() : "c" + (i - 1);
      chain.add(new Context("c" + i, "context " + i, Optional.of(in)));
    }
    World world = withContexts(lines, chain);
    same(world, Worlds.setup(Worlds.machine("desk", Worlds.in("app", "c999"))));
  }

  /** Files are checked for it; whoever makes a world otherwise gets an answer all the same. */
  @Test
  void contextsInACircle() {
    List<Context> circle =
        List.of(
            Context.ANYWHERE,
            new Context("c1", "one", Optional.of("c3")),
            new Context("c2", "two", Optional.of("c1")),
            new Context("c3", "three", Optional.of("c2")));
    World world =
        withContexts(
            List.of("c1: Ctrl+A = a", "c2: Ctrl+A = b", "c3: Ctrl+A B = c", "Ctrl+A = d"), circle);
    same(world, Worlds.setup(Worlds.machine("desk", Worlds.in("app", "c2"))));
  }

  private static World withContexts(List<String> lines, List<Context> contexts) {
    World flat =
        new Worlds()
            .platform("desk", Worlds.plain(), "Ctrl+B = own")
            .app("app", lines.toArray(String[]::new))
            .build();
    Environment app = flat.catalog().environment(new EnvironmentId("app")).orElseThrow();
    Catalog deep = flat.catalog().with(List.of(), List.of(app.withContexts(contexts)), Map.of());
    return new World(deep, flat.boards(), flat.layouts());
  }

  @Test
  void textsOfHundredsOfPresses() {
    String text = "ab".repeat(150);
    World world =
        new Worlds()
            .platform("desk", Worlds.plain(), "Meta+A = ask")
            .app(
                "app",
                "Meta+R \"" + text + "\" Enter = run",
                "Meta+R \"" + text + "b\" = other",
                "Meta+R \"" + text.substring(1) + "\" = third",
                "Meta+A \"" + text + "\" = lost",
                "A = letter")
            .build();
    List<Conflict> found = same(world, Worlds.setup(Worlds.machine("desk", Worlds.in("app"))));
    assertThat(found).anyMatch(c -> c.kind() == Conflict.Kind.PREFIX);
  }

  /** All have one identity but for their gestures, and each is asked what else does it. */
  @Test
  void hundredsOfGesturesOfOneAction() {
    List<String> lines = new ArrayList<>();
    for (char first = 'A'; first <= 'Z'; first++) {
      for (String held : List.of("Ctrl+", "Meta+", "Alt+", "Meta+Alt+")) {
        lines.add(held + first + " = same");
        lines.add("c1: " + held + first + " = same");
        lines.add("c2: " + held + first + " " + held + first + " = same");
      }
    }
    lines.add("Ctrl+A = differs");
    World world =
        new Worlds()
            .platform("desk", Worlds.plain(), "Meta+A = a", "Meta+B = b", "Meta+Alt+C = same")
            .app("app", lines.toArray(String[]::new))
            .build();
    List<Conflict> found = same(world, Worlds.setup(Worlds.machine("desk", Worlds.in("app"))));
    assertThat(found.stream().filter(c -> c.loser().action().value().equals("same")).toList())
        .isNotEmpty()
        .allMatch(c -> c.kind() == Conflict.Kind.PREFIX || !c.stillWorks().isEmpty());
  }

  /** One that loses to the same action in two contexts is one conflict, not two. */
  @Test
  void manyContextsAtOnce() {
    String[] lines = new String[30];
    String[] contexts = new String[10];
    for (int i = 0; i < 10; i++) {
      contexts[i] = "c" + i;
      lines[3 * i] = "c" + i + ": Ctrl+A = " + (i % 2 == 0 ? "even" : "odd");
      lines[3 * i + 1] = "c" + i + ": Ctrl+B = alone " + i / 2;
      lines[3 * i + 2] = "c" + i + ": Ctrl+C = " + (i < 8 ? "same" : "last " + i);
    }
    World world =
        new Worlds().platform("desk", Worlds.plain(), "Meta+A = a").app("app", lines).build();
    List<Conflict> found =
        same(world, Worlds.setup(Worlds.machine("desk", Worlds.in("app", contexts))));
    assertThat(found.stream().map(Conflict::id)).doesNotHaveDuplicates();
    assertThat(found.stream().filter(c -> c.kind() == Conflict.Kind.AMBIGUOUS).toList())
        .hasSizeGreaterThan(10);
  }
}
