package polydex.systems;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.ShrinkingMode;
import net.jqwik.api.statistics.Statistics;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Successors.Doing;
import polydex.catalog.Successors.Joined;
import polydex.intake.BindingIntake;
import polydex.intake.IntakePlan;
import polydex.intake.IntakeRequest;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.log.Deed;
import polydex.mouse.Wish;
import polydex.recall.DrillItem;
import polydex.recognition.Place;
import polydex.recognition.Recogniser;
import polydex.route.RandomSetups;
import polydex.route.SetupId;
import polydex.route.World;
import polydex.route.Worlds;
import polydex.setups.OutlineLine;
import polydex.setups.OutlineLine.Edit;
import polydex.workspace.Workspace;

class ActionEditsTest {
  private static final Instant FIRST = Instant.parse("2031-01-06T09:00:00Z");
  private static final EnvironmentId EDITOR = new EnvironmentId("Editor");
  private static final EnvironmentId WRITER = new EnvironmentId("Writer");

  private static ActionId id(String of) {
    return new ActionId(of);
  }

  private static Workspace small() {
    World world =
        new Worlds()
            .platform("Desk", Worlds.plain("Meta+L"), "Meta+D = Show the desktop")
            .app("Editor", "Ctrl+S = Save", "Ctrl+J = Join lines")
            .app("Writer", "Ctrl+S = Keep", "Ctrl+K = Save", "Ctrl+R = Rule")
            .menus("Writer", "f s = Keep")
            .build();
    return Workspace.of(
        world.catalog(),
        List.copyOf(world.boards().values()),
        List.copyOf(world.layouts().values()),
        List.of(Worlds.setup(Worlds.machine("Desk", Worlds.in("Writer")))));
  }

  private static List<String> keymap(Workspace workspace, EnvironmentId of) {
    return workspace.catalog().bindings(of).stream()
        .map(b -> b.gesture() + " = " + b.action())
        .toList();
  }

  // ---- where records go

  /**
   * A record as one would follow it by hand: it stands in a row of records, and each edit rewrites
   * those that it is about, as if they had been written so; putting back forgets what came after
   * the action went away.
   */
  private static final class Followed {
    /** Where it went, and which action was joined with that. */
    private record Went(ActionId to, Optional<ActionId> joined) {}

    final EnvironmentId environment;
    final List<Went> was = new ArrayList<>();
    final ActionId recorded;
    final Instant at;

    Followed(EnvironmentId environment, ActionId recorded, Instant at) {
      this.environment = environment;
      this.recorded = recorded;
      this.at = at;
      was.add(new Went(recorded, Optional.empty()));
    }

    ActionId now() {
      return was.getLast().to();
    }

    void joined(ActionId gone, ActionId into) {
      if (now().equals(gone)) {
        was.add(new Went(into, Optional.of(gone)));
      }
    }

    void putBack(ActionId gone) {
      for (int i = 0; i < was.size(); i++) {
        if (was.get(i).joined().equals(Optional.of(gone))) {
          was.subList(i, was.size()).clear();
        }
      }
    }
  }

  @Property(tries = 400, shrinking = ShrinkingMode.OFF)
  void recordsGoWhereRewritingThemWouldHaveBroughtThem(@ForAll long seed) {
    Random random = new Random(seed);
    Workspace now = small();
    List<Followed> records = new ArrayList<>();
    int joins = 0;
    int parts = 0;
    int back = 0;
    for (int i = 0; i < 30; i++) {
      Instant at = FIRST.plusSeconds(i);
      Catalog catalog = now.catalog();
      List<Action> actions = catalog.actions();
      Action one = actions.get(random.nextInt(actions.size()));
      Action other = actions.get(random.nextInt(actions.size()));
      List<EnvironmentId> in = ActionEdits.standsIn(now, one.id()).stream().sorted().toList();
      switch (random.nextInt(6)) {
        case 0 -> {
          if (!one.id().equals(other.id()) && actions.size() > 2) {
            now = ActionEdits.join(now, one.id(), other.id());
            records.forEach(r -> r.joined(one.id(), other.id()));
            joins++;
          }
        }
        case 1 -> {
          if (in.size() > 1) {
            EnvironmentId where = in.get(random.nextInt(in.size()));
            now = ActionEdits.part(now, one.id(), where, "Part " + i, at);
            ActionId made = now.catalog().actions().getLast().id();
            records.stream()
                .filter(r -> r.now().equals(one.id()) && r.environment.equals(where))
                .forEach(r -> r.was.add(new Followed.Went(made, Optional.empty())));
            parts++;
          }
        }
        case 2 -> {
          List<Joined> joined = catalog.successors().joined();
          if (!joined.isEmpty()) {
            Joined which = joined.get(random.nextInt(joined.size()));
            now = ActionEdits.separate(now, which);
            records.forEach(r -> r.putBack(which.action().id()));
            back++;
          }
        }
        default -> {
          if (!in.isEmpty()) {
            records.add(new Followed(in.get(random.nextInt(in.size())), one.id(), at));
          }
        }
      }
    }
    for (Followed r : records) {
      assertThat(now.catalog().successors().of(new Doing(r.environment, r.recorded), r.at).action())
          .as("%s in %s, gone %s", r.recorded, r.environment, r.was)
          .isEqualTo(r.now());
      assertThat(now.catalog().successors().standingFor(new Doing(r.environment, r.now())))
          .contains(new Doing(r.environment, r.recorded));
      assertThat(now.catalog().action(r.now())).isPresent();
    }
    Statistics.label("joined, parted and put back")
        .collect(joins > 0 && parts > 0 && back > 0)
        .coverage(s -> s.check(true).percentage(p -> p > 30));
  }

  /** Nothing of a keymap is lost by joining, and putting back gives what was there. */
  @Property(tries = 60, shrinking = ShrinkingMode.OFF)
  void whatIsJoinedAndPutBackStandsWhereItStood(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    Workspace before =
        Workspace.of(
            c.world().catalog(),
            List.copyOf(c.world().boards().values()),
            List.copyOf(c.world().layouts().values()),
            List.of(c.setup()));
    List<Action> actions = before.catalog().actions();
    Random random = new Random(seed);
    ActionId gone = actions.get(random.nextInt(actions.size())).id();
    ActionId into = actions.get(random.nextInt(actions.size())).id();
    if (gone.equals(into)) {
      return;
    }
    Workspace joined = ActionEdits.join(before, gone, into);
    assertThat(joined.catalog().size()).isEqualTo(before.catalog().size());
    assertThat(ActionSpots.of(joined, gone)).isEmpty();
    assertThat(ActionSpots.of(joined, into)).containsAll(ActionSpots.of(before, gone));
    assertThat(joined.world().problem(c.setup())).isEqualTo(c.world().problem(c.setup()));
    Workspace back =
        ActionEdits.separate(joined, joined.catalog().successors().joined().getFirst());
    for (Environment e : before.catalog().environments()) {
      assertThat(keymap(back, e.id())).isEqualTo(keymap(before, e.id()));
      assertThat(back.catalog().environment(e.id())).contains(e);
    }
    assertThat(back.setups()).isEqualTo(before.setups());
    assertThat(back.catalog().successors().moves()).isEmpty();
  }

  // ---- by hand

  @Example
  void whatWasSaidAndWhatIsBroughtInAgainGoesAlong() {
    Workspace first = small();
    DrillItem keep = new DrillItem(WRITER, id("Keep"));
    Place place = Place.of(new SetupId("setup"), WRITER, id("Keep"));
    LocalDate day = LocalDate.of(2031, 1, 6);
    Workspace before =
        first
            .with(
                first
                    .learning()
                    .marking(List.of(keep))
                    .puttingOff(new DrillItem(WRITER, id("Save")), day))
            .with(
                first
                    .mouse()
                    .wishing(
                        new Wish(
                            place, first.catalog().bindings(WRITER).getFirst().gesture(), day)));
    Workspace after = ActionEdits.join(before, id("Keep"), id("Save"));
    assertThat(keymap(after, WRITER))
        .containsExactly("Ctrl+S = Save", "Ctrl+K = Save", "Ctrl+R = Rule");
    assertThat(after.catalog().action(id("Keep")).orElseThrow().title()).isEqualTo("Save");
    assertThat(after.catalog().action(id("Save")).orElseThrow().words()).contains("Keep");
    assertThat(after.learning().marked()).containsExactly(new DrillItem(WRITER, id("Save")));
    assertThat(after.learning().putOff()).isEmpty();
    assertThat(after.mouse().wishes().values())
        .extracting(w -> w.place().action())
        .containsExactly(Optional.of(id("Save")));
    // A line of the log that names it, and a list that is brought in again.
    Recogniser recogniser =
        new Recogniser(after.world(), after.setups().values(), after.mouse().names());
    SetupId setup = after.current().orElseThrow();
    assertThat(recogniser.of(Deed.noted(setup, id("Keep"), false)).place())
        .contains(Place.of(setup, WRITER, id("Save")));
    assertThat(again(after, "keep").taken()).isEmpty();
    // And back: the title means again what it said.
    Workspace back = ActionEdits.separate(after, after.catalog().successors().joined().getFirst());
    assertThat(back.catalog().action(id("Save")).orElseThrow().words()).doesNotContain("Keep");
    assertThat(again(back, "Keep").taken()).isEmpty();
    assertThat(keymap(back, WRITER))
        .containsExactly("Ctrl+S = Keep", "Ctrl+K = Save", "Ctrl+R = Rule");
  }

  private static IntakePlan again(Workspace workspace, String title) {
    return BindingIntake.plan(
        workspace,
        IntakeRequest.of(
            Optional.empty(),
            List.of(new RequestedRow(1, "Writer", false, "", title, "Ctrl+S")),
            List.of()));
  }

  @Example
  void whatMeansSomethingElseInOnePlaceIsAnActionOfItsOwnThere() {
    Workspace before = small();
    Instant later = FIRST.plusSeconds(60);
    assertThatThrownBy(() -> ActionEdits.part(before, id("Save"), EDITOR, "rule", later))
        .hasMessageContaining("Another action is called so");
    Workspace after = ActionEdits.part(before, id("Save"), WRITER, "Save a copy", later);
    ActionId copy = after.catalog().actions().getLast().id();
    assertThat(keymap(after, WRITER)).contains("Ctrl+K = " + copy);
    assertThat(keymap(after, EDITOR)).contains("Ctrl+S = Save");
    assertThat(after.catalog().successors().of(new Doing(WRITER, id("Save")), FIRST).action())
        .isEqualTo(copy);
    assertThat(after.catalog().successors().of(new Doing(WRITER, id("Save")), later).action())
        .isEqualTo(id("Save"));
    assertThat(after.catalog().successors().of(new Doing(EDITOR, id("Save")), FIRST).action())
        .isEqualTo(id("Save"));
    // The same list says nothing new.
    IntakePlan plan =
        BindingIntake.plan(
            after,
            IntakeRequest.of(
                Optional.empty(),
                List.of(new RequestedRow(1, "Writer", false, "", "Save", "Ctrl+K")),
                List.of()));
    assertThat(plan.taken()).isEmpty();
    assertThat(plan.known()).hasSize(1);
  }

  @Example
  void everythingThatIsSaidOfAnActionIsALine() {
    Workspace now = small();
    List<OutlineLine<Workspace>> lines = lines(now, "Save");
    Action words = action(said(lines, "Other words for it", "keep, store ,, write"), "Save");
    assertThat(words.words()).containsExactly("keep", "store", "write");
    assertThat(action(said(lines, "What it does", " Save it "), "Save").title())
        .isEqualTo("Save it");
    assertThatThrownBy(() -> said(lines, "What it does", "rule"))
        .hasMessageContaining("Another action is called so");
    Workspace opposed = picked(lines, "Its opposite", "Rule");
    assertThat(action(opposed, "Save").opposite()).contains(id("Rule"));
    assertThat(of(lines(opposed, "Save"), "Its opposite").without())
        .hasValueSatisfying(w -> assertThat(action(w, "Save").opposite()).isEmpty());
    assertThat(action(picked(lines, "When it was not meant", "work is lost"), "Save").harm())
        .isEqualTo(Action.Harm.LOSES_WORK);
    assertThat(action(picked(lines, "Doing it again", "takes it back"), "Save").toggles()).isTrue();
    assertThat(action(picked(lines, "Group", "test"), "Save").group()).isEqualTo("test");
    // Joined with another, and taken out again, by the same lines.
    Workspace joined =
        ((Edit.Done<Workspace>)
                ((Edit.Choice<Workspace>) of(lines, "Means the same").more().orElseThrow())
                    .options().stream()
                        .filter(o -> o.title().equals("Keep"))
                        .findFirst()
                        .orElseThrow()
                        .next())
            .after();
    assertThat(ActionEdits.edit(now, joined, id("Save"), "x").title())
        .isEqualTo("\u201cKeep\u201d means \u201cSave\u201d");
    OutlineLine<Workspace> member =
        lines(joined, "Save").stream()
            .filter(l -> l.depth() == 1 && l.value().equals("Keep"))
            .findFirst()
            .orElseThrow();
    Workspace apart = member.without().orElseThrow();
    assertThat(keymap(apart, WRITER)).isEqualTo(keymap(now, WRITER));
    assertThat(ActionEdits.edit(joined, apart, id("Save"), "x").title())
        .isEqualTo("\u201cKeep\u201d is an action of its own again");
    // Where it is done; in one of two it becomes another.
    OutlineLine<Workspace> editor =
        lines.stream().filter(l -> l.value().equals("Editor")).findFirst().orElseThrow();
    Workspace parted =
        ((Edit.Words<Workspace>) editor.change().orElseThrow()).to().apply("Write to disk");
    assertThat(keymap(parted, EDITOR)).doesNotContain("Ctrl+S = Save");
    assertThat(ActionEdits.edit(now, parted, id("Save"), "x").title())
        .isEqualTo("\u201cSave\u201d in \u201cEditor\u201d is \u201cWrite to disk\u201d");
    assertThat(lines(parted, "Save").stream().filter(l -> l.value().equals("Writer")).findFirst())
        .hasValueSatisfying(l -> assertThat(l.change()).isEmpty());
    assertThat(Set.copyOf(parted.catalog().bindings(EDITOR)).stream().map(Binding::id))
        .hasSameSizeAs(now.catalog().bindings(EDITOR));
    assertThat(Map.copyOf(parted.setups())).isEqualTo(now.setups());
  }

  private static List<OutlineLine<Workspace>> lines(Workspace workspace, String action) {
    return ActionOutline.of(workspace, action(workspace, action), InstantSource.fixed(FIRST));
  }

  private static Action action(Workspace workspace, String id) {
    return workspace.catalog().action(id(id)).orElseThrow();
  }

  private static OutlineLine<Workspace> of(List<OutlineLine<Workspace>> lines, String label) {
    return lines.stream().filter(l -> l.label().equals(label)).findFirst().orElseThrow();
  }

  private static Workspace said(List<OutlineLine<Workspace>> lines, String label, String words) {
    return ((Edit.Words<Workspace>) of(lines, label).change().orElseThrow()).to().apply(words);
  }

  private static Workspace picked(List<OutlineLine<Workspace>> lines, String label, String title) {
    Edit<Workspace> chosen =
        ((Edit.Choice<Workspace>) of(lines, label).change().orElseThrow())
            .options().stream()
                .filter(o -> o.title().equals(title))
                .findFirst()
                .orElseThrow()
                .next();
    return ((Edit.Done<Workspace>) chosen).after();
  }
}
