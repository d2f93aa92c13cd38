package polydex.recall;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
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
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Hooks;
import polydex.effort.KeystrokeLevel;
import polydex.recall.Answer.Kind;
import polydex.recall.Answer.Verdict;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.SetupTraces;
import polydex.route.World;
import polydex.route.Worlds;

class SessionPlanTest {
  private static final Instant DAY = Instant.parse("2031-01-06T09:00:00Z");
  private static final World WORLD =
      new Worlds()
          .platform(
              "desk", Worlds.plain(), "Alt+Tab = switch", "Meta+{1..9} = window", "Alt = menu")
          .app(
              "app",
              "Ctrl+S = save",
              "Ctrl+O = open",
              "Ctrl+W = close",
              "Ctrl+K Ctrl+S = keys",
              "Ctrl+Click = pick",
              "F5 = run",
              "F6 = pause",
              "Alt+Tab = lost",
              "Click = point")
          .app("other", "Ctrl+S = split", "Alt+S = save", "Ctrl+^ = back", "F7 = check")
          .build();
  private static final Setup HERE =
      Worlds.setup(Worlds.machine("desk", Worlds.in("app", "anywhere")));
  private static final Setup THERE =
      new Setup(
          new SetupId("there"),
          "There",
          "full",
          Worlds.machine("desk", Worlds.in("other", "anywhere")));
  private static final Material MATERIAL =
      Material.of(WORLD, SetupTraces.of(HERE, WORLD), List.of(HERE, THERE));

  private static final Gains GAINS = Gains.of(new AskingPlan(MemoryParameters.USUAL));

  private static DrillItem item(String written) {
    String[] parts = written.split("\\.");
    return new DrillItem(new EnvironmentId(parts[0]), new ActionId(parts[1]));
  }

  private static Answer answer(String item, Instant at, boolean right, String instead) {
    Prompt prompt = MATERIAL.prompt(item(item)).orElseThrow();
    return new Answer(
        item(item),
        at,
        Kind.DO,
        right ? Verdict.RIGHT : Verdict.WRONG,
        new Answer.Timing(1, true, Pace.UNKNOWN.expected(prompt.preferred())),
        prompt.preferred(),
        "",
        Optional.of(instead).filter(i -> !i.isEmpty()).map(SessionPlanTest::item));
  }

  private static List<Question> session(
      Progress progress, Instant now, int minutes, String... next) {
    return new SessionPlan(MATERIAL, progress, DrillSettings.USUAL, GAINS, now, new Random(1))
        .session(
            Duration.ofMinutes(minutes),
            List.of(next).stream().map(SessionPlanTest::item).toList());
  }

  @Test
  void onlyWhatWorksOnThisKeyboardIsAskedAndWhatTheDesktopTakesIsSpelled() {
    assertThat(MATERIAL.prompts().stream().map(p -> p.item().action().value()))
        .contains("save", "pick", "window", "switch", "split", "back")
        .doesNotContain("lost", "point");
    assertThat(MATERIAL.prompt(item("desk.switch")).orElseThrow().spelled()).isTrue();
    assertThat(MATERIAL.prompt(item("app.save")).orElseThrow().spelled()).isFalse();
    // A tap that the desktop takes can neither be pressed here nor spelled.
    assertThat(MATERIAL.prompt(item("desk.menu"))).isEmpty();
    // Where ^ is a dead key, nothing that needs it can be asked.
    Setup dead = Worlds.setup(Worlds.machine("desk", "central", Worlds.in("app", "anywhere")));
    Material central = Material.of(WORLD, SetupTraces.of(dead, WORLD), List.of(THERE));
    assertThat(central.prompt(item("other.back"))).isEmpty();
    assertThat(central.prompt(item("other.split"))).isPresent();
  }

  @Test
  void anyMemberOfAFamilyIsAskedForByItsKey() {
    Progress progress = new Progress(ZoneOffset.UTC);
    Set<String> asked = new HashSet<>();
    for (int seed = 0; seed < 60; seed++) {
      new SessionPlan(MATERIAL, progress, DrillSettings.USUAL, GAINS, DAY, new Random(seed))
          .only(List.of(item("desk.window")), 1)
          .forEach(
              q -> {
                asked.add(q.prompt().member());
                assertThat(q.prompt().gestures().toString())
                    .isEqualTo("[Meta+" + q.prompt().member() + "]");
              });
    }
    assertThat(asked).hasSize(9);
  }

  @Test
  void newOnesComeTwiceAndAtMostAsManyAsAreWanted() {
    Progress progress = new Progress(ZoneOffset.UTC);
    List<Question> first =
        session(progress, DAY, 5, "app.save", "other.split", "app.run", "app.open");
    assertThat(first.stream().map(q -> q.prompt().item().action().value()))
        .containsExactlyInAnyOrder("save", "split", "run", "open", "save", "split", "run", "open");
    assertThat(first.stream().filter(Question::isNew)).hasSize(4);
    DrillSettings two = new DrillSettings(0.9, 2, 10);
    assertThat(
            new SessionPlan(MATERIAL, progress, two, GAINS, DAY, new Random(1))
                .session(Duration.ofMinutes(5), List.of(item("app.save"), item("app.run"))).stream()
                    .filter(Question::isNew))
        .hasSize(2);
    progress.add(answer("app.save", DAY, false, ""));
    SessionPlan later = new SessionPlan(MATERIAL, progress, two, GAINS, DAY, new Random(1));
    assertThat(later.begunToday()).isEqualTo(1);
    assertThat(later.roomForNew()).isEqualTo(1);
    // What was asked today moves nothing any more, so it is not worth asking before tomorrow.
    assertThat(later.worthAsking()).isEmpty();
    assertThat(later.next().orElseThrow()).isAfter(DAY);
    assertThat(session(progress, DAY.plus(Duration.ofDays(1)), 5)).hasSize(1);
  }

  @Test
  void pairsThatAreMistakenAreAskedSideBySide() {
    Progress progress = new Progress(ZoneOffset.UTC);
    progress.add(answer("app.save", DAY, false, "other.save"));
    progress.add(answer("other.save", DAY.plusSeconds(9), false, "app.save"));
    List<Question> asked = session(progress, DAY.plus(Duration.ofDays(1)), 5);
    List<Question> pair = asked.stream().filter(q -> q.kind() == Kind.CONTRAST).toList();
    assertThat(pair).hasSize(2);
    assertThat(asked.indexOf(pair.getLast())).isEqualTo(asked.indexOf(pair.getFirst()) + 1);
    assertThat(pair.stream().map(q -> q.prompt().item().environment().value()))
        .containsExactlyInAnyOrder("app", "other");
  }

  @Property(tries = 200)
  void aSessionFitsItsMinutesAsksWhatIsDueAndMixesEnvironments(
      @ForAll @IntRange(min = 2, max = 20) int minutes,
      @ForAll @IntRange(min = 0, max = 11) int known,
      @ForAll long seed) {
    Progress progress = new Progress(ZoneOffset.UTC);
    List<Prompt> prompts = MATERIAL.prompts();
    for (int i = 0; i < Math.min(known, prompts.size()); i++) {
      DrillItem item = prompts.get(i).item();
      progress.add(
          answer(item.environment() + "." + item.action(), DAY.plusSeconds(i), i % 3 > 0, ""));
    }
    Instant now = DAY.plus(Duration.ofDays(30));
    SessionPlan plan =
        new SessionPlan(MATERIAL, progress, DrillSettings.USUAL, GAINS, now, new Random(seed));
    List<Question> asked = plan.session(Duration.ofMinutes(minutes), List.of(item("app.run")));
    assertThat(asked.size()).isLessThanOrEqualTo(minutes * 15 + SessionPlan.CHAIN + minutes * 2);
    assertThat(asked.stream().map(q -> q.prompt().item())).containsAll(plan.worthAsking());
    for (Question q : asked) {
      assertThat(q.choices().isEmpty()).isEqualTo(q.kind() != Kind.SAY);
      if (q.kind() == Kind.SAY) {
        assertThat(q.choices()).doesNotHaveDuplicates().contains(q.prompt().item().action());
      }
    }
    Map<Kind, Integer> parts = new HashMap<>();
    asked.stream()
        .filter(q -> q.parts() > 1)
        .forEach(q -> assertThat(q.part()).isEqualTo(parts.merge(q.kind(), 1, Integer::sum)));
  }

  @Test
  void whatIsOftenDoneComesBeforeWhatIsNot() {
    Progress progress = new Progress(ZoneOffset.UTC);
    progress.add(answer("app.save", DAY, true, ""));
    progress.add(answer("app.open", DAY, true, ""));
    for (String often : List.of("save", "open")) {
      Gains gains =
          new Gains(GAINS.plan(), i -> i.action().value().equals(often) ? Worth.of(30) : 1);
      Instant now = DAY.plus(Duration.ofDays(9));
      SessionPlan plan =
          new SessionPlan(MATERIAL, progress, DrillSettings.USUAL, gains, now, new Random(1));
      assertThat(plan.worthAsking()).hasSize(2).first().isEqualTo(item("app." + often));
    }
  }

  @Test
  void whatIsPressedByMistakeForAnotherIsProposedThoughItSavesNothing() {
    Progress progress = new Progress(ZoneOffset.UTC);
    progress.add(answer("app.save", DAY, false, "other.save"));
    progress.add(answer("app.save", DAY.plusSeconds(9), false, "other.save"));
    NextToLearn next =
        new NextToLearn(
            WORLD.catalog(),
            new Hooks(WORLD.catalog(), Set.of()),
            Optional.of(_ -> 0),
            KeystrokeLevel.USUAL,
            12);
    List<NextToLearn.Proposal> found =
        next.of(MATERIAL, progress, Learning.NOTHING, LocalDate.of(2031, 1, 6), 50);
    assertThat(found).hasSize(1);
    assertThat(found.getFirst().item()).isEqualTo(item("other.save"));
    assertThat(found.getFirst().reasons().getFirst())
        .isEqualTo(
            "You press it by mistake for \u201csave\u201d in app: knowing both tells them apart.");
  }

  @Test
  void proposalsAreRankedByWhatTheySaveMarkedOnesFirstAndSpreadOverEnvironments() {
    Map<DrillItem, Double> uses =
        Map.of(
            item("app.save"),
            40.0,
            item("app.open"),
            30.0,
            item("other.split"),
            25.0,
            item("app.run"),
            1.0);
    NextToLearn next =
        new NextToLearn(
            WORLD.catalog(),
            new Hooks(
                WORLD.catalog(), Set.of(new EnvironmentId("app"), new EnvironmentId("other"))),
            Optional.of(i -> uses.getOrDefault(i, 0.0)),
            KeystrokeLevel.USUAL,
            12);
    Learning said =
        Learning.NOTHING
            .marking(List.of(item("other.check")))
            .dropping(item("app.pause"))
            .puttingOff(item("app.close"), LocalDate.of(2031, 1, 10));
    Progress progress = new Progress(ZoneOffset.UTC);
    progress.add(answer("desk.switch", DAY, true, ""));
    List<NextToLearn.Proposal> found =
        next.of(MATERIAL, progress, said, LocalDate.of(2031, 1, 6), 50);
    List<DrillItem> order =
        new ArrayList<>(found.stream().map(NextToLearn.Proposal::item).toList());
    assertThat(order.subList(0, 5))
        .containsExactly(
            item("other.check"),
            item("app.save"),
            item("other.split"),
            item("app.open"),
            item("app.run"));
    assertThat(order).doesNotContain(item("app.pause"), item("app.close"), item("desk.switch"));
    // Never done with the pointer: nothing pays for learning it.
    assertThat(order).hasSize(5);
    // One click costs 3.45 s, M + Ctrl + S 1.91 s: 40 a day for 220 days.
    NextToLearn.Proposal save = found.get(1);
    assertThat(save.hoursAYear()).isCloseTo(40 * 1.54 * 220 / 3600, within(1e-9));
    assertThat(save.paybackDays()).isCloseTo(48 / (40 * 1.54), within(1e-9));
    assertThat(save.reasons()).anyMatch(r -> r.contains("40 times a day"));
    NextToLearn unknown =
        new NextToLearn(
            WORLD.catalog(),
            new Hooks(WORLD.catalog(), Set.of()),
            Optional.empty(),
            KeystrokeLevel.USUAL,
            12);
    assertThat(unknown.of(MATERIAL, progress, said, LocalDate.of(2031, 1, 9), 50))
        .noneMatch(p -> p.item().equals(item("app.close")));
    assertThat(unknown.of(MATERIAL, progress, said, LocalDate.of(2031, 1, 10), 50))
        .anyMatch(p -> p.item().equals(item("app.close")));
    assertThat(said.forgetting(List.of(item("app.pause"))).dropped()).isEmpty();
    assertThat(IntStream.range(0, 3).mapToObj(i -> found.get(i).marked()))
        .containsExactly(true, false, false);
  }
}
