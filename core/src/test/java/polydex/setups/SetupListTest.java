package polydex.setups;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import polydex.conflict.Accepted;
import polydex.fit.Fitting;
import polydex.mouse.MouseChoices;
import polydex.recall.Learning;
import polydex.route.RandomSetups;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.workspace.Change;
import polydex.workspace.Remembered;
import polydex.workspace.Workspace;

/** The list of setups against an ordinary list to which the same is done. */
class SetupListTest {

  @Property(tries = 200)
  void whateverIsDoneToTheListIsDoneToAnOrdinaryOne(
      @ForAll @Size(max = 40) List<@IntRange(max = 9_999) Integer> steps) {
    RandomSetups.Case c = RandomSetups.make(3);
    Workspace now =
        new Workspace(
            c.world(),
            new LinkedHashMap<>(Map.of(c.setup().id(), c.setup())),
            Optional.of(c.setup().id()),
            Remembered.NOTHING,
            Learning.NOTHING,
            Accepted.NONE,
            MouseChoices.NOTHING,
            Fitting.NOTHING);
    List<SetupId> plain = new ArrayList<>(List.of(c.setup().id()));
    List<Change.Edit> done = new ArrayList<>();
    for (int step : steps) {
      List<Setup> setups = List.copyOf(now.setups().values());
      Optional<Change.Edit> edit;
      if (setups.isEmpty() || step % 5 == 0) {
        edit = SetupList.make(now);
        assertThat(edit).isPresent();
        plain.add(added(edit.get()));
      } else {
        int at = step / 5 % setups.size();
        Setup setup = setups.get(at);
        switch (step % 5) {
          case 1 -> {
            edit = Optional.of(SetupList.copy(now, setup));
            plain.add(at + 1, added(edit.get()));
            Setup copy = edit.get().after().setups().get(plain.get(at + 1));
            assertThat(copy.machine()).isEqualTo(setup.machine());
            assertThat(copy.board()).isEqualTo(setup.board());
          }
          case 2 -> {
            edit = Optional.of(SetupList.remove(now, setup));
            plain.remove(at);
          }
          default -> {
            int by = step % 5 == 3 ? -1 : 1;
            edit = SetupList.move(now, setup, by);
            boolean inside = at + by >= 0 && at + by < plain.size();
            assertThat(edit.isPresent()).isEqualTo(inside);
            if (inside) {
              Collections.swap(plain, at, at + by);
            }
          }
        }
      }
      if (edit.isPresent()) {
        assertThat(edit.get().before()).isSameAs(now);
        done.add(edit.get());
        now = edit.get().after();
      }
      assertThat(List.copyOf(now.setups().keySet())).isEqualTo(plain);
      assertThat(now.current().isPresent()).isEqualTo(!plain.isEmpty());
      assertThat(now.current().stream()).allMatch(plain::contains);
      List<String> titles = now.setups().values().stream().map(Setup::title).toList();
      assertThat(new HashSet<>(titles)).hasSameSizeAs(titles);
      assertThat(now.setups().values()).allMatch(s -> c.world().problem(s).isEmpty());
    }
    // Undone one after the other, all is as it was.
    for (Change.Edit edit : done.reversed()) {
      assertThat(edit.reversed().before()).isSameAs(now);
      now = edit.reversed().after();
    }
    assertThat(now.setups()).containsOnly(Map.entry(c.setup().id(), c.setup()));
  }

  private static SetupId added(Change.Edit edit) {
    List<SetupId> more = new ArrayList<>(edit.after().setups().keySet());
    more.removeAll(edit.before().setups().keySet());
    assertThat(more).hasSize(1);
    return more.getFirst();
  }

  @Property(tries = 1)
  void withoutAKeymapThereIsNothingToMakeASetupOf() {
    assertThat(SetupList.make(Workspace.EMPTY)).isEmpty();
  }
}
