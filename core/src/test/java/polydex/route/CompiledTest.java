package polydex.route;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.ShrinkingMode;
import net.jqwik.api.lifecycle.AfterContainer;

/** Compiled setups against the engine that follows each binding by itself. */
class CompiledTest {
  private static int walked;
  private static int rare;

  @Property(
      seed = "20310314",
      tries = 20_000,
      edgeCases = EdgeCasesMode.NONE,
      shrinking = ShrinkingMode.OFF)
  void everyBindingEndsAsTheJourneySays(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    SetupTraces compiled = SetupTraces.of(c.setup(), c.world());
    SetupTraces plain = SetupTraces.plain(c.setup(), c.world());
    assertThat(compiled.all()).as("%s", c.setup()).isEqualTo(plain.all());
    assertThat(compiled.absent()).isEqualTo(plain.absent());
    assertThat(compiled.held()).isEqualTo(plain.held());
    CompiledRows rows = compiled.rows().orElseThrow();
    for (int i = 0; i < rows.size(); i++) {
      if (rows.walked(i)) {
        walked++;
        assertThat(rows.works(i)).isEqualTo(rows.get(i).works());
      } else {
        rare++;
      }
    }
  }

  @AfterContainer
  static void mostWalk() {
    assertThat(List.of(walked > 2 * rare, rare > 1000)).as(walked + " " + rare).containsOnly(true);
  }
}
