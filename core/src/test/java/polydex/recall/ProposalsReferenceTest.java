package polydex.recall;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Hooks;
import polydex.effort.KeystrokeLevel;
import polydex.recall.NextToLearn.Proposal;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.SetupTraces;
import polydex.route.World;
import polydex.route.Worlds;

/** What is proposed, against what has to hold of it however it is found. */
class ProposalsReferenceTest {
  private static final LocalDate DAY = LocalDate.of(2031, 1, 6);
  private static final World WORLD =
      new Worlds()
          .platform("desk", Worlds.plain(), "Meta+D = desktop", "Meta+L = lock", "Meta+E = files")
          .app("app", "Ctrl+S = save", "Ctrl+O = open", "F5 = run", "F6 = halt", "Ctrl+K S = keys")
          .app("two", "Ctrl+S = save", "Ctrl+B = bold", "Ctrl+I = italic", "F2 = rename")
          .build();
  private static final Setup ONE =
      Worlds.setup(Worlds.machine("desk", Worlds.in("app", "anywhere")));
  private static final Setup TWO =
      new Setup(
          new SetupId("two"), "Two", "full", Worlds.machine("desk", Worlds.in("two", "anywhere")));
  private static final Material MATERIAL =
      Material.of(WORLD, SetupTraces.of(ONE, WORLD), List.of(ONE, TWO));
  private static final Hooks HOOKS =
      new Hooks(WORLD.catalog(), Set.of(new EnvironmentId("app"), new EnvironmentId("two")));

  @Property(tries = 300)
  void proposalsAreComparedAsTheRulesSay(@ForAll long seed) {
    Random random = new Random(seed);
    Map<DrillItem, Double> uses = new HashMap<>();
    List<DrillItem> all = MATERIAL.prompts().stream().map(Prompt::item).toList();
    all.forEach(i -> uses.put(i, random.nextInt(3) == 0 ? 0.0 : random.nextInt(60) / 2.0));
    Learning said = Learning.NOTHING;
    for (DrillItem item : all) {
      switch (random.nextInt(6)) {
        case 0 -> said = said.marking(List.of(item));
        case 1 -> said = said.puttingOff(item, DAY.plusDays(random.nextInt(3)));
        case 2 -> said = said.dropping(item);
        default -> {}
      }
    }
    int most = 1 + random.nextInt(12);
    List<Proposal> found =
        new NextToLearn(WORLD.catalog(), HOOKS, Optional.of(uses::get), KeystrokeLevel.USUAL, 12)
            .of(MATERIAL, new Progress(ZoneOffset.UTC), said, DAY, most);
    Learning rules = said;
    Set<DrillItem> allowed =
        all.stream()
            .filter(i -> rules.mayPropose(i, DAY))
            // 48 seconds of learning have to be saved within 110 working days.
            .filter(i -> rules.marked().contains(i) || hours(i, uses) * 3600 / 2 >= 48)
            .collect(Collectors.toSet());
    assertThat(found).hasSize(Math.min(most, allowed.size()));
    Set<DrillItem> left = new HashSet<>(allowed);
    List<String> environments = new ArrayList<>();
    for (Proposal p : found) {
      assertThat(left.remove(p.item())).isTrue();
      assertThat(p.marked()).isEqualTo(rules.marked().contains(p.item()));
      assertThat(p.reasons()).isNotEmpty();
      // Nothing marked is passed over, and nothing worth more than twice as much.
      if (!p.marked()) {
        assertThat(left).noneMatch(i -> rules.marked().contains(i));
      }
      double best =
          left.stream()
              .filter(i -> rules.marked().contains(i) == p.marked())
              .mapToDouble(i -> hours(i, uses))
              .max()
              .orElse(0);
      assertThat(p.hoursAYear()).isGreaterThanOrEqualTo(best / 2 - 1e-9);
      // The best is passed over only for another environment than the one before.
      if (best > p.hoursAYear() + 1e-9) {
        assertThat(environments.getLast()).isNotEqualTo(p.item().environment());
      }
      environments.add(p.item().environment().value());
    }
  }

  private static double hours(DrillItem item, Map<DrillItem, Double> uses) {
    double keys = KeystrokeLevel.USUAL.seconds(MATERIAL.prompt(item).orElseThrow().preferred());
    return uses.get(item) * 220 * Math.max(0, 3.45 - keys) / 3600;
  }

  @Property(tries = 100)
  void whatWasAnsweredOnceIsNeverProposedAgain(@ForAll long seed) {
    Random random = new Random(seed);
    Progress progress = new Progress(ZoneOffset.UTC);
    Set<DrillItem> answered = new HashSet<>();
    for (Prompt p : MATERIAL.prompts()) {
      if (random.nextBoolean()) {
        answered.add(p.item());
        progress.add(
            new Answer(
                p.item(),
                DAY.atStartOfDay().toInstant(ZoneOffset.UTC),
                Answer.Kind.DO,
                Answer.Verdict.WRONG,
                new Answer.Timing(1, true, 1),
                p.preferred(),
                "",
                Optional.empty()));
      }
    }
    List<Proposal> found =
        new NextToLearn(WORLD.catalog(), HOOKS, Optional.empty(), KeystrokeLevel.USUAL, 12)
            .of(MATERIAL, progress, Learning.NOTHING, DAY, 50);
    assertThat(found.stream().map(Proposal::item))
        .noneMatch(answered::contains)
        .hasSize(MATERIAL.prompts().size() - answered.size());
  }

  /** An item is said one thing about at a time, and forgetting takes any of them back. */
  @Property(tries = 200)
  void whatWasSaidLastHolds(@ForAll long seed) {
    Random random = new Random(seed);
    DrillItem item = new DrillItem(new EnvironmentId("app"), new ActionId("save"));
    Learning said =
        Learning.NOTHING.marking(
            List.of(new DrillItem(new EnvironmentId("app"), new ActionId("open"))));
    Learning before = said;
    for (int i = 0; i < 5; i++) {
      said =
          switch (random.nextInt(3)) {
            case 0 -> said.marking(List.of(item));
            case 1 -> said.puttingOff(item, DAY);
            default -> said.dropping(item);
          };
      int places =
          (said.marked().contains(item) ? 1 : 0)
              + (said.putOff().containsKey(item) ? 1 : 0)
              + (said.dropped().contains(item) ? 1 : 0);
      assertThat(places).isEqualTo(1);
    }
    assertThat(said.forgetting(List.of(item))).isEqualTo(before);
  }
}
