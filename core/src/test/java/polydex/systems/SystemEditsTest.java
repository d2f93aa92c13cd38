package polydex.systems;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.ShrinkingMode;
import net.jqwik.api.statistics.Statistics;
import polydex.catalog.Binding;
import polydex.catalog.Environment;
import polydex.catalog.Environment.MenuForm;
import polydex.catalog.Environment.Platform;
import polydex.catalog.EnvironmentId;
import polydex.catalog.MenuKeys;
import polydex.keys.Modifier;
import polydex.route.Machine;
import polydex.route.RandomSetups;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.route.World;
import polydex.route.Worlds;
import polydex.setups.OutlineLine;
import polydex.setups.OutlineLine.Edit;
import polydex.workspace.Remembered;
import polydex.workspace.Workspace;

class SystemEditsTest {
  private static Workspace workspace(World world, Setup... setups) {
    return Workspace.of(
        world.catalog(),
        List.copyOf(world.boards().values()),
        List.copyOf(world.layouts().values()),
        List.of(setups));
  }

  private static Workspace small() {
    World world =
        new Worlds()
            .platform("Desk", Worlds.plain(), "Meta+L = Lock", "Meta+D = Show the desktop")
            .platform("Other desk", Worlds.plain(), "Meta+L = Lock", "Meta+K = Keep")
            .app("Editor", "Ctrl+S = Save", "text: Ctrl+J = Join lines")
            .app(
                "Writer", "Ctrl+S = Save", "Ctrl+R = Rule", "text: Ctrl+U = Up", "table: F2 = Cell")
            .menus("Writer", "f s = Save")
            .build();
    return workspace(world, Worlds.setup(Worlds.machine("Desk", Worlds.in("Writer", "table"))));
  }

  private static Environment environment(Workspace workspace, String id) {
    return workspace.catalog().environment(new EnvironmentId(id)).orElseThrow();
  }

  // ---- every line of everything

  private static void collect(Edit<Environment> edit, List<Environment> to) {
    switch (edit) {
      case Edit.Done<Environment> d -> to.add(d.after());
      case Edit.Choice<Environment> c ->
          c.options().stream().limit(4).forEach(o -> collect(o.next(), to));
      case Edit.Words<Environment> w -> {
        if (!w.now().isEmpty()) {
          to.add(w.to().apply(w.now()));
        }
      }
    }
  }

  /** Whatever a line offers gives an environment that the file takes, or is refused in words. */
  @Property(tries = 60, shrinking = ShrinkingMode.OFF)
  void whateverALineOffersCanBeDoneAndLeavesAFileThatCanBeTraced(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    Workspace before = workspace(c.world(), c.setup());
    int done = 0;
    for (Environment e : before.catalog().environments()) {
      for (OutlineLine<Environment> line : EnvironmentOutline.of(before.catalog(), e)) {
        List<Environment> after = new ArrayList<>();
        line.change().ifPresent(x -> collect(x, after));
        line.more().ifPresent(x -> collect(x, after));
        line.without().ifPresent(after::add);
        line.earlier().ifPresent(after::add);
        line.later().ifPresent(after::add);
        for (Environment a : after) {
          assertThat(a.id()).isEqualTo(e.id());
          Workspace now = SystemEdits.change(before, a, line.label()).after();
          assertThat(now.catalog().size()).isEqualTo(before.catalog().size());
          assertThat(now.world().problem(c.setup())).isEqualTo(c.world().problem(c.setup()));
          done++;
        }
        // A field that is left as it is changes nothing.
        if (line.change().orElse(null) instanceof Edit.Words<Environment> w && !w.now().isEmpty()) {
          assertThat(w.to().apply(w.now())).as(line.label()).isEqualTo(e);
        }
      }
    }
    Statistics.label("edits of a world")
        .collect(done > 100)
        .coverage(s -> s.check(true).percentage(p -> p > 90));
  }

  // ---- by hand

  private static OutlineLine<Environment> line(
      Workspace workspace, Environment of, Predicate<OutlineLine<Environment>> which) {
    return EnvironmentOutline.of(workspace.catalog(), of).stream()
        .filter(which)
        .findFirst()
        .orElseThrow();
  }

  private static Environment said(Optional<Edit<Environment>> edit, String words) {
    return ((Edit.Words<Environment>) edit.orElseThrow()).to().apply(words);
  }

  private static Environment chosen(Optional<Edit<Environment>> edit, String... titles) {
    Edit<Environment> now = edit.orElseThrow();
    for (String title : titles) {
      now =
          ((Edit.Choice<Environment>) now)
              .options().stream()
                  .filter(o -> o.title().equals(title))
                  .findFirst()
                  .orElseThrow()
                  .next();
    }
    return ((Edit.Done<Environment>) now).after();
  }

  @Example
  void aPlatformAndAnApplicationAreMadeFromNothingByTheirLines() {
    Workspace now = SystemEdits.make(small(), "  Rowan 2 ", true).after();
    assertThatThrownBy(() -> SystemEdits.make(small(), " ", false))
        .isInstanceOf(IllegalArgumentException.class);
    Environment rowan = environment(now, "rowan-2");
    assertThat(rowan.title()).isEqualTo("Rowan 2");
    rowan = chosen(line(now, rowan, l -> l.label().equals("Most keys hold")).change(), "Meta");
    rowan = said(line(now, rowan, l -> l.label().equals("Meta")).change(), "Wing");
    rowan =
        chosen(
            line(now, rowan, l -> l.label().equals("Menus open by")).change(),
            "Alt held with the key, or tapped before it");
    rowan =
        chosen(
            line(now, rowan, l -> l.label().equals("AltGr") && l.depth() == 0).change(),
            "is the same as Ctrl+Alt");
    Edit.Choice<Environment> reserved =
        (Edit.Choice<Environment>)
            line(now, rowan, l -> l.label().equals("Never let through")).more().orElseThrow();
    Edit.Words<Environment> stroke =
        (Edit.Words<Environment>)
            reserved.options().stream()
                .filter(o -> o.title().equals("Lock"))
                .findFirst()
                .orElseThrow()
                .next();
    assertThatThrownBy(() -> stroke.to().apply("Ctrl+K Ctrl+L"))
        .hasMessageContaining("more than one step");
    rowan = stroke.to().apply("Ctrl+Alt+Delete");
    Platform platform = rowan.platform().orElseThrow();
    assertThat(platform.primary()).isEqualTo(Modifier.META);
    assertThat(platform.modifierNames()).isEqualTo(Map.of(Modifier.META, "Wing"));
    assertThat(platform.menuForms()).containsExactlyInAnyOrder(MenuForm.values());
    assertThat(platform.altGrIsCtrlAlt()).isTrue();
    assertThat(platform.reserved()).hasSize(1);
    Environment named = rowan;
    assertThatThrownBy(
            () -> said(line(small(), named, l -> l.label().equals("Ctrl")).change(), "Wing"))
        .hasMessageContaining("Another modifier");

    Workspace with = SystemEdits.change(now, rowan, "made").after();
    Environment notes = environment(SystemEdits.make(with, "Notes", false).after(), "notes");
    notes = chosen(line(with, notes, l -> l.label().equals("Runs on")).more(), "Rowan 2");
    notes = said(line(with, notes, l -> l.label().equals("Menus")).more(), "&File");
    notes = said(line(with, notes, l -> l.value().equals("File")).more(), "Save &As");
    notes =
        chosen(
            line(with, notes, l -> l.value().equals("File \u203a Save As")).change(),
            "What it does",
            "Save");
    assertThat(MenuKeys.of(notes, platform))
        .extracting(b -> b.gesture().toString())
        .containsExactly("Alt+F A", "Alt F A");
    notes = said(line(with, notes, l -> l.label().equals("Contexts")).more(), "in a list");
    notes = said(line(with, notes, l -> l.value().equals("in a list")).more(), "renaming");
    assertThat(notes.outward("renaming")).containsExactly("renaming", "in-a-list", "anywhere");
    // One that has another inside stays.
    assertThat(line(with, notes, l -> l.value().equals("in a list")).without()).isEmpty();
  }

  @Example
  void whatStandsInASetupOrCarriesAnotherIsNotTakenAway() {
    Workspace now = small();
    assertThat(SystemEdits.hindrance(now, new EnvironmentId("Writer")).orElseThrow())
        .contains("stands in the setup");
    assertThatThrownBy(() -> SystemEdits.remove(now, environment(now, "Desk")))
        .isInstanceOf(IllegalArgumentException.class);
    Workspace less = SystemEdits.remove(now, environment(now, "Editor")).after();
    assertThat(less.catalog().environment(new EnvironmentId("Editor"))).isEmpty();
    assertThat(less.catalog().size()).isEqualTo(now.catalog().size() - 2);
  }

  @Example
  void joiningKeepsEveryBindingOnceAndWhateverStoodThereGoesOn() {
    Workspace first = small();
    Workspace before =
        first.with(
            first
                .remembered()
                .withList(
                    "a list",
                    new Remembered.Source(
                        Map.of(new EnvironmentId("Writer"), Set.of("b0", "b1")))));
    assertThat(SystemEdits.partners(before.catalog(), environment(before, "Writer")))
        .extracting(Environment::title)
        .containsExactly("Editor");
    Workspace after =
        SystemEdits.join(before, environment(before, "Writer"), environment(before, "Editor"))
            .after();
    assertThat(after.catalog().environment(new EnvironmentId("Writer"))).isEmpty();
    Environment editor = environment(after, "Editor");
    assertThat(after.catalog().bindings(editor.id()))
        .extracting(b -> b.gesture() + " in " + b.context())
        .containsExactly(
            "Ctrl+S in anywhere",
            "Ctrl+J in text",
            "Ctrl+R in anywhere",
            "Ctrl+U in text",
            "F2 in table");
    assertThat(after.catalog().bindings(editor.id()))
        .extracting(Binding::id)
        .doesNotHaveDuplicates();
    assertThat(editor.menus()).hasSize(1);
    Setup setup = after.setup().orElseThrow();
    assertThat(((Machine.Running) setup.machine().focus()).contexts()).containsExactly("table");
    assertThat(SetupTraces.of(setup, after.world()).tracer()).isNotNull();
    assertThat(after.world().problem(setup)).isEmpty();
    assertThat(after.remembered().lists().get("a list").bindings())
        .containsOnlyKeys(new EnvironmentId("Editor"));

    Workspace desks =
        SystemEdits.join(after, environment(after, "Desk"), environment(after, "Other desk"))
            .after();
    assertThat(desks.setup().orElseThrow().machine().platform())
        .isEqualTo(new EnvironmentId("Other desk"));
    assertThat(desks.catalog().bindings(new EnvironmentId("Other desk"))).hasSize(3);
    assertThat(desks.world().problem(desks.setup().orElseThrow())).isEmpty();
  }
}
