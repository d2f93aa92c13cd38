package polydex.files.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import polydex.conflict.Conflict;
import polydex.conflict.ConflictFinder;
import polydex.conflict.ConflictSentence;
import polydex.files.Shipped;
import polydex.files.store.Store;
import polydex.mouse.Habit;
import polydex.mouse.Habits;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.workspace.Workspace;

class DemoFileTest {
  @TempDir Path folder;

  @Test
  void probe() throws Exception {
    Workspace demo = Shipped.demo();
    for (Setup s : demo.setups().values()) {
      SetupTraces t = SetupTraces.of(s, demo.world());
      System.out.println(
          "== "
              + s.title()
              + " traced "
              + t.all().size()
              + " works "
              + t.all().stream().filter(x -> x.works()).count());
      for (Conflict c : ConflictFinder.find(demo.world(), t, _ -> 5))
        System.out.println(c.severity() + " " + ConflictSentence.of(c, demo.catalog()));
    }
    long t0 = System.nanoTime();
    try (Store store = DemoFile.demo(folder.resolve("d.polydex"))) {
      System.out.println((System.nanoTime() - t0) / 1e6 + " ms");
      assertThat(store.workspace().catalog().size()).isEqualTo(demo.catalog().size());
      Habits h = new Habits(DemoHistory.ZONE);
      int[] n = {0, 0};
      store.uses(
          u -> {
            h.add(u);
            n[0]++;
          });
      store.answers(u -> n[1]++);
      System.out.println(n[0] + " " + n[1]);
      for (Habit.State st : Habit.State.values())
        System.out.println(
            st
                + " "
                + h.byPointerUses().stream()
                    .filter(a -> h.habit(a).get().state(false) == st)
                    .count());
      System.out.println(
          h.byPointerUses().stream().mapToInt(a -> h.habit(a).get().relapses()).sum());
    }
  }
}
