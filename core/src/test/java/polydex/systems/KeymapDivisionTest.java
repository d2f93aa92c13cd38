package polydex.systems;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.ShrinkingMode;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Application;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Successors;
import polydex.catalog.Successors.Doing;
import polydex.catalog.Version;
import polydex.keys.Gesture;
import polydex.log.Deed;
import polydex.log.Device;
import polydex.recall.DrillItem;
import polydex.recognition.Place;
import polydex.recognition.Recogniser;
import polydex.route.RandomSetups;
import polydex.route.SetupId;
import polydex.route.World;
import polydex.route.Worlds;
import polydex.setups.OutlineLine;
import polydex.setups.OutlineLine.Edit;
import polydex.workspace.KeymapEdit;
import polydex.workspace.Remembered;
import polydex.workspace.Workspace;

/** Bindings that go to another keymap, environments under other names, and lines of a binding. */
class KeymapDivisionTest {
  private static final Instant NOW = Instant.parse("2031-01-06T09:00:00Z");
  private static final EnvironmentId WRITER = new EnvironmentId("Writer");
  private static final EnvironmentId EDITOR = new EnvironmentId("Editor");

  private static Workspace workspace(World world, polydex.route.Setup setup) {
    return Workspace.of(
        world.catalog(),
        List.copyOf(world.boards().values()),
        List.copyOf(world.layouts().values()),
        List.of(setup));
  }

  private static Workspace small() {
    World world =
        new Worlds()
            .platform("Desk", Worlds.plain(), "Meta+D = Show the desktop")
            .app("Editor", "Ctrl+J = Join lines")
            .app(
                "Writer",
                "Ctrl+S = Save",
                "Ctrl+R = Rule",
                "table: F2 = Cell",
                "table: Ctrl+S = Sum")
            .menus("Writer", "f s = Save")
            .build();
    return workspace(world, Worlds.setup(Worlds.machine("Desk", Worlds.in("Writer"))));
  }

  private static Environment environment(Workspace workspace, EnvironmentId id) {
    return workspace.catalog().environment(id).orElseThrow();
  }

  private static List<String> said(Workspace workspace, EnvironmentId id) {
    return workspace.catalog().bindings(id).stream()
        .map(b -> "%s: %s = %s".formatted(b.context(), b.gesture(), b.action()))
        .toList();
  }

  /** Wherever some go, each is there once, in a context of the same name, and all can be traced. */
  @Property(tries = 80, shrinking = ShrinkingMode.OFF)
  void nothingIsLostOnTheWay(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    Workspace before = workspace(c.world(), c.setup());
    Random random = new Random(seed);
    List<Environment> all = before.catalog().environments();
    Environment from = all.get(random.nextInt(all.size()));
    Set<String> ids = new HashSet<>();
    before.catalog().bindings(from.id()).stream()
        .filter(_ -> random.nextBoolean())
        .forEach(b -> ids.add(b.id()));
    Workspace after =
        KeymapDivision.divide(before, from, ids, "Another", random.nextBoolean(), NOW).after();
    Environment made =
        after.catalog().environments().stream()
            .filter(e -> e.title().equals("Another"))
            .findFirst()
            .orElseThrow();
    List<Binding> there = after.catalog().bindings(made.id());
    assertThat(there)
        .extracting(
            b -> List.of(b.gesture(), b.action(), made.context(b.context()).orElseThrow().title()))
        .containsExactlyInAnyOrderElementsOf(
            before.catalog().bindings(from.id()).stream()
                .filter(b -> ids.contains(b.id()))
                .map(
                    b ->
                        List.<Object>of(
                            b.gesture(),
                            b.action(),
                            from.context(b.context()).orElseThrow().title()))
                .distinct()
                .toList());
    assertThat(after.catalog().bindings(from.id()))
        .isEqualTo(
            before.catalog().bindings(from.id()).stream()
                .filter(b -> !ids.contains(b.id()))
                .toList());
    after.setups().values().forEach(s -> assertThat(after.world().problem(s)).isEmpty());
    assertThat(after.setupsWith(made.id())).isNotEmpty();
    // What only they did is theirs in whatever was recorded before.
    Set<ActionId> stay = new HashSet<>();
    after.catalog().bindings(from.id()).forEach(b -> stay.add(b.action()));
    for (Binding b : there) {
      Doing doing = new Doing(from.id(), b.action());
      assertThat(after.catalog().successors().of(doing, NOW.minusSeconds(1)).environment())
          .isEqualTo(stay.contains(b.action()) ? from.id() : made.id());
      assertThat(after.catalog().successors().of(doing, NOW)).isEqualTo(doing);
    }
  }

  @Example
  void theirContextsTheirListAndWhatWasSaidGoAlong() {
    Workspace first = small();
    Binding cell = first.catalog().bindings(WRITER).get(2);
    Workspace before =
        first
            .with(
                first
                    .remembered()
                    .withList(
                        "a list", new Remembered.Source(Map.of(WRITER, Set.of(cell.id(), "b0")))))
            .with(first.learning().marking(List.of(new DrillItem(WRITER, cell.action()))));
    Workspace after =
        KeymapDivision.move(
                before,
                environment(before, WRITER),
                Set.of(cell.id()),
                environment(before, EDITOR),
                NOW)
            .after();
    assertThat(said(after, EDITOR))
        .containsExactly("anywhere: Ctrl+J = Join lines", "table: F2 = Cell");
    assertThat(said(after, WRITER)).hasSize(3);
    assertThat(after.learning().marked()).containsExactly(new DrillItem(EDITOR, cell.action()));
    assertThat(after.remembered().lists().get("a list").bindings())
        .containsOnlyKeys(WRITER, EDITOR);
  }

  @Example
  void whatIsSwitchedOffAndGoesIsNotMissedByTheComputer() {
    Workspace first = small();
    EnvironmentId desk = new EnvironmentId("Desk");
    Binding show = first.catalog().bindings(desk).getFirst();
    Workspace off =
        KeymapEdit.switchOff(first, first.setup().orElseThrow(), desk, show).orElseThrow().after();
    assertThat(off.setup().orElseThrow().machine().switchedOff()).containsExactly(show.id());
    Workspace after =
        KeymapDivision.divide(off, environment(off, desk), Set.of(show.id()), "Dock", false, NOW)
            .after();
    assertThat(after.setup().orElseThrow().machine().switchedOff()).isEmpty();
    after.setups().values().forEach(s -> assertThat(after.world().problem(s)).isEmpty());
  }

  /** A log calls things what they were called when it was written. */
  @Example
  void namesOfOldAreUnderstoodUntilSomethingElseIsCalledSo() {
    Workspace first = small();
    Environment writer = environment(first, WRITER);
    Workspace renamed = SystemEdits.change(first, writer.titled("Scribe"), "name").after();
    SetupId setup = renamed.current().orElseThrow();
    assertThat(clicked(renamed, "Writer", "f", "s"))
        .contains(Place.of(setup, WRITER, new ActionId("Save")));
    Workspace joined =
        SystemEdits.join(renamed, environment(renamed, WRITER), environment(renamed, EDITOR))
            .after();
    for (String name : List.of("Writer", "Scribe", "Editor")) {
      assertThat(clicked(joined, name, "f", "s"))
          .as(name)
          .contains(Place.of(setup, EDITOR, new ActionId("Save")));
    }
    assertThat(joined.catalog().successors().of(new Doing(WRITER, new ActionId("Save")), NOW))
        .isEqualTo(new Doing(EDITOR, new ActionId("Save")));
    // The id is not given again, and a new one of an old name is meant by it.
    Workspace made = SystemEdits.make(joined, "Scribe", false).after();
    Environment scribe = made.catalog().environments().getLast();
    Environment onDesk =
        scribe.withKind(new Application(List.of(new EnvironmentId("Desk")), false));
    Workspace again = SystemEdits.change(made, onDesk, "runs on").after();
    assertThat(again.catalog().environments().getLast().id().value()).isNotEqualTo("Writer");
    assertThat(clicked(again, "Scribe", "f", "s"))
        .isNotEqualTo(Optional.of(Place.of(setup, EDITOR, new ActionId("Save"))));
    // Undone by bringing the same id in again.
    assertThat(joined.catalog().with(List.of(), List.of(writer), Map.of()).successors().moves())
        .noneMatch(m -> m instanceof Successors.Absorbed);
  }

  private static Optional<Place> clicked(Workspace workspace, String application, String... path) {
    Deed deed =
        Deed.seen("", application, Device.MOUSE, "Click", path[path.length - 1], List.of(path));
    return new Recogniser(workspace.world(), workspace.setups().values(), workspace.mouse().names())
        .of(deed)
        .place();
  }

  @Example
  void everythingThatIsSaidOfABindingIsALine() {
    Workspace now = small();
    Environment writer = environment(now, WRITER);
    Binding save = now.catalog().bindings(WRITER).getFirst();
    assertThat(words(now, save, "Gesture", "C-x C-s").gesture())
        .isEqualTo(Gesture.parse("Ctrl+X Ctrl+S"));
    assertThat(words(now, save, "Gesture", save.gesture().toString())).isEqualTo(save);
    assertThatThrownBy(() -> words(now, save, "Gesture", "Ctrl+Nonsense"))
        .isInstanceOf(IllegalArgumentException.class);
    assertThat(chosen(now, save, "Does", "Rule").action()).isEqualTo(new ActionId("Rule"));
    assertThat(chosen(now, save, "Where", "table").context()).isEqualTo("table");
    assertThat(chosen(now, save, "While held, opens", "table").heldContext()).contains("table");
    Binding since = words(now, save, "Since version", "2.1");
    assertThat(since.when().since()).contains(new Version("2.1"));
    assertThat(words(now, since, "Since version", " ").when()).isEqualTo(save.when());
    assertThatThrownBy(() -> words(now, save, "Gone in version", "soon"))
        .isInstanceOf(IllegalArgumentException.class);
    assertThat(words(now, since, "Needs besides keys", "a pen").when().device()).contains("a pen");
    assertThat(words(now, since, "Beware", "loses it").remarks().caveat()).isEqualTo("loses it");
    assertThat(chosen(now, save, "Can be switched off", "no").remarks().fixed()).isTrue();
    // An option is made once, and is then there to be chosen for others.
    Binding optional =
        ((Edit.Words<Binding>) option(now, writer, save, "Only with the option", "A new option"))
            .to()
            .apply("function keys first");
    Workspace with =
        now.with(now.catalog().with(List.of(), List.of(), Map.of(WRITER, List.of(optional))));
    Binding other = with.catalog().bindings(WRITER).getLast();
    assertThat(chosen(with, other, "Only with the option", "function keys first").when().option())
        .contains("function keys first");
  }

  private static Edit<Binding> change(Workspace now, Binding of, String label) {
    return BindingOutline.of(now.catalog(), environment(now, WRITER), of).stream()
        .filter(l -> l.label().equals(label))
        .findFirst()
        .flatMap(OutlineLine::change)
        .orElseThrow();
  }

  private static Binding words(Workspace now, Binding of, String label, String words) {
    return ((Edit.Words<Binding>) change(now, of, label)).to().apply(words);
  }

  private static Edit<Binding> option(
      Workspace now, Environment in, Binding of, String label, String title) {
    assertThat(in.id()).isEqualTo(WRITER);
    return ((Edit.Choice<Binding>) change(now, of, label))
        .options().stream().filter(o -> o.title().equals(title)).findFirst().orElseThrow().next();
  }

  private static Binding chosen(Workspace now, Binding of, String label, String title) {
    return ((Edit.Done<Binding>) option(now, environment(now, WRITER), of, label, title)).after();
  }
}
