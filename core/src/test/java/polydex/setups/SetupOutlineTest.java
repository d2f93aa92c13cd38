package polydex.setups;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Version;
import polydex.conflict.Accepted;
import polydex.fit.Fitting;
import polydex.mouse.MouseChoices;
import polydex.recall.Learning;
import polydex.route.Machine;
import polydex.route.RandomSetups;
import polydex.route.Remap;
import polydex.route.Setup;
import polydex.route.SetupCheck;
import polydex.route.SetupId;
import polydex.route.SetupTraces;
import polydex.route.World;
import polydex.workspace.Change;
import polydex.workspace.Remembered;
import polydex.workspace.Workspace;

/** Setups written out and changed line by line. */
class SetupOutlineTest {
  private static Workspace workspace(World world, Setup... setups) {
    Map<SetupId, Setup> byId = new LinkedHashMap<>();
    for (Setup s : setups) {
      byId.put(s.id(), s);
    }
    return new Workspace(
        world,
        byId,
        Optional.empty(),
        Remembered.NOTHING,
        Learning.NOTHING,
        Accepted.NONE,
        MouseChoices.NOTHING,
        Fitting.NOTHING);
  }

  /** Everything that can be done at once to a line gives a setup that is written out again. */
  @Property(seed = "20310314", tries = 300, edgeCases = EdgeCasesMode.NONE)
  void whateverIsDoneCanBeDoneAgain(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    Workspace w = workspace(c.world(), c.setup());
    for (OutlineLine<Setup> line : SetupOutline.of(w, c.setup())) {
      List<Setup> after = new ArrayList<>();
      line.change().ifPresent(e -> collect(e, after));
      line.more().ifPresent(e -> collect(e, after));
      line.without().ifPresent(after::add);
      for (Setup s : after) {
        assertThat(SetupOutline.of(w, s)).isNotEmpty();
        assertThat(s.id()).isEqualTo(c.setup().id());
      }
      // What is moved one way comes back by being moved the other way.
      line.later()
          .ifPresent(
              s ->
                  assertThat(
                          SetupOutline.of(w, s).stream()
                              .flatMap(l -> l.earlier().stream())
                              .toList())
                      .contains(c.setup()));
      // A field that is left as it is changes nothing.
      if (line.change().orElse(null) instanceof OutlineLine.Edit.Words<Setup> words
          && !line.label().equals("Remap")) {
        assertThat(words.to().apply(words.now())).as(line.label()).isEqualTo(c.setup());
      }
    }
  }

  private static void collect(OutlineLine.Edit<Setup> edit, List<Setup> to) {
    switch (edit) {
      case OutlineLine.Edit.Done<Setup> d -> to.add(d.after());
      case OutlineLine.Edit.Choice<Setup> all ->
          all.options().stream().limit(5).forEach(o -> collect(o.next(), to));
      case OutlineLine.Edit.Words<Setup> _ -> {}
    }
  }

  @Test
  void anOutlineBuildsASetupOfFiveMachines() {
    RandomSetups.Case c = RandomSetups.make(7);
    Workspace empty = workspace(c.world());
    Change.Edit made = SetupList.make(empty).orElseThrow();
    Workspace w = made.after();
    Setup s = w.setups().values().iterator().next();
    for (int i = 0; i < 4; i++) {
      s = choose(line(w, s, "In focus", i), 0, "remote");
    }
    assertThat(s.machines()).hasSize(5);
    assertThat(w.world().problem(s)).isEmpty();
    Setup whole = s;
    s = type(line(w, s, "Remaps", 2), "CapsLock -> Ctrl", true);
    assertThat(s.machines().get(2).remaps().getFirst().keyRules())
        .containsExactly(
            new Remap.KeyRule(Remap.Part.parse("CapsLock"), Optional.of(Remap.Part.parse("Ctrl"))));
    s = type(line(w, s, "Sent in all the same", 1), "Meta+L", true);
    assertThat(((Machine.SessionWindow) s.machines().get(1).focus()).sent()).hasSize(1);
    Setup typed = s;
    assertThatThrownBy(() -> type(line(w, typed, "Remaps", 2), "Nosuch -> Ctrl", true))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> type(line(w, typed, "Holds taps back", 1), "-3", false))
        .hasMessageContaining("0 to 10000");
    // A machine taken out leaves those around it and in it.
    Setup less = line(w, whole, "Machine", 1).without().orElseThrow();
    assertThat(less.machines()).hasSize(4);
    assertThat(SetupList.copy(made.after(), s).after().setups()).hasSize(2);
  }

  private static OutlineLine<Setup> line(Workspace w, Setup s, String label, int depth) {
    return SetupOutline.of(w, s).stream()
        .filter(l -> l.depth() == depth && l.label().equals(label))
        .findFirst()
        .orElseThrow();
  }

  private static Setup choose(OutlineLine<Setup> line, int second, String title) {
    OutlineLine.Edit.Choice<Setup> all =
        (OutlineLine.Edit.Choice<Setup>) line.change().orElseThrow();
    OutlineLine.Edit<Setup> next =
        all.options().stream()
            .filter(o -> o.title().equals(title))
            .findFirst()
            .orElseThrow()
            .next();
    if (next instanceof OutlineLine.Edit.Choice<Setup> more) {
      next = more.options().get(second).next();
    }
    return ((OutlineLine.Edit.Done<Setup>) next).after();
  }

  private static Setup type(OutlineLine<Setup> line, String words, boolean more) {
    OutlineLine.Edit<Setup> edit = (more ? line.more() : line.change()).orElseThrow();
    return ((OutlineLine.Edit.Words<Setup>) edit).to().apply(words);
  }

  @Test
  void eachMistakeIsToldAtItsLine() {
    RandomSetups.Case c = RandomSetups.make(7);
    Machine bare =
        new Machine(
            "m",
            new EnvironmentId("p1"),
            new Version("999"),
            "us",
            List.of(
                remap("CapsLock -> Ctrl", "CapsLock -> Alt"),
                remap("Ctrl -> CapsLock", "KeyA -> KeyA"),
                RuleText.adding(remap(), "Ctrl+Š -> Ctrl+S")),
            List.of(),
            Set.of("nosuch"),
            Set.of("odd"),
            new Machine.Running(
                new EnvironmentId("remote"), new Version("1"), Set.of(), List.of("nowhere")));
    Setup s = new Setup(new SetupId("s"), "s", "nosuch", bare);
    Workspace w = workspace(c.world(), s);
    assertThat(
            SetupOutline.of(w, s).stream()
                .filter(l -> !l.mistakes().isEmpty())
                .map(l -> l.label() + ": " + String.join(" ", l.mistakes())))
        .containsExactly(
            "Board: There is no board “nosuch”.",
            "Version: The keymap describes p1 up to version 1.",
            "odd: No binding of p1 depends on “odd”.",
            "Key: A rule before it is about CapsLock too; this one does nothing.",
            "Key: A loop: an earlier remap made Ctrl of CapsLock, and this makes it CapsLock"
                + " again.",
            "Key: It makes the key into itself.",
            "Stroke: Ctrl+Š is not one stroke on the layout “US”.",
            "Off: p1 has no binding “nosuch” now.",
            "Context: remote has no context “nowhere”.");
    // Each of the check's mistakes has a line, and the first one stops tracing.
    assertThat(SetupCheck.of(s, c.world())).hasSize(9);
    assertThat(c.world().problem(s)).hasValueSatisfying(p -> assertThat(p).contains("nosuch"));
  }

  private static Remap remap(String... rules) {
    Remap remap = new Remap("r", Optional.empty(), List.of(), List.of());
    for (String rule : rules) {
      remap = RuleText.adding(remap, rule);
    }
    return remap;
  }

  /** Each part of the picture opens the line that is about it, and no two open the same. */
  @Property(seed = "20310314", tries = 300, edgeCases = EdgeCasesMode.NONE)
  void everyPartOfThePictureHasItsLine(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    Workspace w = workspace(c.world(), c.setup());
    List<OutlineLine<Setup>> lines = SetupOutline.of(w, c.setup());
    List<SetupPart> parts = SetupPart.of(w, c.setup(), lines);
    assertThat(parts).extracting(SetupPart::line).doesNotHaveDuplicates();
    for (SetupPart part : parts) {
      OutlineLine<Setup> line = lines.get(part.line());
      assertThat(line.label())
          .isEqualTo(
              switch (part.kind()) {
                case BOARD -> "Board";
                case MACHINE -> "Machine";
                case REMAP -> "Remap";
                case WINDOW, APPLICATION, DESKTOP -> "In focus";
                case TRANSLATION -> "Translates keys";
              });
      assertThat(line.depth())
          .isEqualTo(part.kind() == SetupPart.Kind.REMAP ? part.depth() + 1 : part.depth());
    }
    int remaps = c.setup().machines().stream().mapToInt(m -> m.remaps().size()).sum();
    assertThat(parts.stream().filter(p -> p.kind() == SetupPart.Kind.REMAP)).hasSize(remaps);
    assertThat(parts.stream().filter(p -> p.kind() == SetupPart.Kind.MACHINE))
        .hasSameSizeAs(c.setup().machines());
  }

  /** Both ways round, a comparison says the same with its sides changed. */
  @Property(seed = "20310314", tries = 200, edgeCases = EdgeCasesMode.NONE)
  void comparingIsSymmetric(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    Setup other = c.setup().withFullScreen(!c.setup().fillsTheScreen());
    Workspace w = workspace(c.world(), c.setup());
    SetupTraces a = SetupTraces.of(c.setup(), c.world());
    SetupTraces b = SetupTraces.of(other, c.world());
    SetupComparison there = SetupComparison.of(w, a, b);
    SetupComparison back = SetupComparison.of(w, b, a);
    assertThat(new TreeSet<>(there.parts().stream().map(p -> p.first() + p.second()).toList()))
        .isEqualTo(new TreeSet<>(back.parts().stream().map(p -> p.second() + p.first()).toList()));
    assertThat(there.bindings()).hasSameSizeAs(back.bindings());
    assertThat(SetupComparison.of(w, a, a)).isEqualTo(new SetupComparison(List.of(), List.of()));
    if (c.setup().hasWindow()) {
      assertThat(there.parts()).anyMatch(p -> p.label().equals("Full screen"));
    }
  }
}
