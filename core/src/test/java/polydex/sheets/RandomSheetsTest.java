package polydex.sheets;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.ShrinkingMode;
import net.jqwik.api.statistics.Statistics;
import polydex.boards.Presses;
import polydex.catalog.Binding;
import polydex.catalog.Comparison;
import polydex.catalog.EnvironmentId;
import polydex.catalog.MenuKeys;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.KeyRef;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.keys.Step;
import polydex.person.Knowledge;
import polydex.route.KeyUses;
import polydex.route.RandomSetups;
import polydex.route.ReferenceTracer;
import polydex.route.SetupTraces;
import polydex.route.TracedBinding;
import polydex.route.Tracer;
import polydex.workspace.Workspace;

/** Sheets of random setups, against the reference of how strokes travel. */
class RandomSheetsTest {
  private static SheetMaterial material(Workspace workspace) {
    return new SheetMaterial(
        new Knowledge(
            workspace,
            Knowledge.audit(workspace, ZoneOffset.UTC, _ -> Optional.empty()).standing(),
            Knowledge.Practice.NONE,
            _ -> Optional.empty(),
            ZoneOffset.UTC,
            LocalDate.of(2031, 3, 14)),
        Map.of(),
        List.of(),
        0.9,
        Instant.parse("2031-03-14T16:00:00Z"),
        "test");
  }

  private static Workspace workspace(RandomSetups.Case c) {
    return Workspace.of(
            c.world().catalog(),
            List.copyOf(c.world().boards().values()),
            List.copyOf(c.world().layouts().values()),
            List.of(c.setup()))
        .using(Optional.of(c.setup().id()));
  }

  private static Set<String> said(Sheet sheet) {
    Set<String> all = new HashSet<>();
    for (Sheet.Part part : sheet.parts()) {
      if (part instanceof Sheet.Lines lines) {
        for (Sheet.Line line : lines.lines()) {
          for (Sheet.Shown shown : line.cells().getFirst().gestures()) {
            shown.gesture().expand().forEach(g -> all.add(line.title() + " " + g));
          }
        }
      }
    }
    return all;
  }

  /** What is on the sheet ends in its action, by the reference; what is left away does not. */
  @Property(seed = "20310314", tries = 300, shrinking = ShrinkingMode.OFF)
  void aSetupsSheetHasWhatWorks(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    Workspace workspace = workspace(c);
    if (c.world().problem(c.setup()).isPresent()) {
      return;
    }
    Sheet sheet =
        SheetMaker.make(SheetWish.of(SheetKind.SETUP, Optional.of(c.setup())), material(workspace));
    Set<String> said = said(sheet);
    SetupTraces traces = SetupTraces.of(c.setup(), c.world());
    int works = 0;
    for (TracedBinding t : traces.all()) {
      // Access keys of menus are walks, and on no sheet.
      if (MenuKeys.isOne(t.binding())) {
        continue;
      }
      String line = workspace.catalog().title(t.binding().action()) + " " + t.gesture();
      if (t.works()) {
        works++;
        assertThat(said).contains(line);
      }
      if (t.active().isEmpty() && t.opening() == 0) {
        // The reference knows what the setup has active, and nothing else.
        String outcome = new ReferenceTracer(c.world(), c.setup()).outcomes(t.gesture());
        boolean acts = outcome.contains(t.binding().action().value());
        Statistics.label("by the reference").collect(acts ? "acts" : "does not");
        if (t.works()) {
          assertThat(acts).as("%s: %s", line, outcome).isTrue();
        }
      }
    }
    assertThat(said.size()).isLessThanOrEqualTo(works);
    Statistics.label("works").collect(works > 0);
  }

  @Property(seed = "20310314", tries = 200, shrinking = ShrinkingMode.OFF)
  void keysDoWhatPressingThemDoes(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    if (c.world().problem(c.setup()).isPresent()) {
      return;
    }
    Tracer tracer = Tracer.of(c.setup(), c.world());
    Held held = Held.of(seed % 2 == 0 ? Modifier.CTRL : Modifier.META);
    Map<Key, List<KeyUses.Use>> uses =
        KeyUses.inSetup(tracer, c.world().boards().get(c.setup().board()), held);
    for (var place : c.world().boards().get(c.setup().board()).places()) {
      if (!place.key().isModifier()) {
        Gesture pressed = Gesture.of(new Step.Stroke(held, new KeyRef.Placed(place.key())));
        assertThat(uses.getOrDefault(place.key(), List.of()))
            .extracting(KeyUses.Use::action)
            .isEqualTo(tracer.trace(pressed).acted().stream().map(a -> a.action()).toList());
      }
    }
    Statistics.collect(uses.isEmpty() ? "none" : "some");
  }

  /** Every binding whose first press holds these modifiers stands on its key, and no other. */
  @Property(seed = "20310314", tries = 200, shrinking = ShrinkingMode.OFF)
  void aKeymapsKeysAreThoseOfItsBindings(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    for (var environment : c.world().catalog().environments()) {
      EnvironmentId id = environment.id();
      var layout = c.world().layouts().values().iterator().next();
      Map<Modifiers, Map<Key, List<KeyUses.Use>>> all =
          KeyUses.inKeymap(c.world().catalog(), id, layout);
      long uses =
          all.values().stream().flatMap(m -> m.values().stream()).mapToLong(List::size).sum();
      long members =
          c.world().catalog().bindings(id).stream()
              .map(Binding::gesture)
              .flatMap(g -> g.expand().stream())
              .filter(
                  g ->
                      Presses.physical(g, layout)
                          .filter(p -> !p.isEmpty() && p.getFirst() instanceof Physical.Press)
                          .isPresent())
              .count();
      assertThat(uses).isEqualTo(members);
    }
  }

  @Property(seed = "20310314", tries = 100, shrinking = ShrinkingMode.OFF)
  void twoSideBySideAreTheComparison(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    List<EnvironmentId> ids = c.world().catalog().environments().stream().map(e -> e.id()).toList();
    if (ids.size() < 2) {
      return;
    }
    Sheet sheet =
        SheetMaker.make(
            SheetWish.of(SheetKind.COMPARE, Optional.of(c.setup()))
                .about(ids.getFirst())
                .beside(ids.getLast()),
            material(workspace(c)));
    Comparison comparison = Comparison.of(c.world().catalog(), ids.getFirst(), ids.getLast());
    assertThat(sheet.lines()).isEqualTo(comparison.lines().size());
    assertThat(sheet.parts())
        .hasSize((int) comparison.counts().values().stream().filter(n -> n > 0).count());
  }
}
