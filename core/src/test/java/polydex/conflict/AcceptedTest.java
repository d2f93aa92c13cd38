package polydex.conflict;

import static org.assertj.core.api.Assertions.assertThat;
import static polydex.route.Worlds.in;
import static polydex.route.Worlds.machine;
import static polydex.route.Worlds.plain;
import static polydex.route.Worlds.setup;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import polydex.route.SetupTraces;
import polydex.route.World;
import polydex.route.Worlds;

class AcceptedTest {
  private static final LocalDate DAY = LocalDate.of(2031, 1, 6);

  private static Conflict taken(String winner, String loser) {
    World world = new Worlds().platform("desk", plain(), winner).app("app", loser).build();
    return ConflictFinder.find(
            SetupTraces.of(setup(machine("desk", in("app"))), world), Person.of(_ -> 5))
        .getFirst();
  }

  @Test
  void anAcceptanceHoldsWhileBothSidesSayTheSame() {
    Conflict before = taken("Ctrl+D = show", "Ctrl+D = cut");
    Accepted accepted = Accepted.NONE.accepting(before, "I never cut", DAY);
    assertThat(accepted.of(taken("Ctrl+D = show", "Ctrl+D = cut")))
        .hasValueSatisfying(
            a -> {
              assertThat(a.reason()).isEqualTo("I never cut");
              assertThat(a.day()).isEqualTo(DAY);
            });
    // The same clash, but the side that takes it now takes more.
    Conflict changed = taken("Ctrl+{D,E} = show", "Ctrl+D = cut");
    assertThat(changed.id()).isEqualTo(before.id());
    assertThat(accepted.of(changed)).isEmpty();
    assertThat(accepted.of(taken("Ctrl+D = hide", "Ctrl+D = cut"))).isEmpty();
    assertThat(accepted.withdrawing(before).of(before)).isEmpty();
  }

  @Test
  void conflictsOfOneCauseAreOneGroup() {
    World world =
        new Worlds()
            .platform("desk", plain(), "Ctrl+{1..3} = space", "Ctrl+D = show")
            .app("app", "Ctrl+1 = one", "Ctrl+2 = two", "Ctrl+3 = three", "Ctrl+D = cut")
            .build();
    List<ConflictGroup> groups =
        ConflictGroup.of(
            ConflictFinder.find(
                SetupTraces.of(setup(machine("desk", in("app"))), world), Person.of(_ -> 5)));
    assertThat(groups).extracting(g -> g.conflicts().size()).containsExactlyInAnyOrder(3, 1);
    assertThat(groups).allMatch(g -> g.isSeveral() == (g.conflicts().size() > 1));
  }
}
