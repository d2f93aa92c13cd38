package polydex.files.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.files.Shipped;
import polydex.recall.Answer;
import polydex.recall.DrillItem;
import polydex.systems.ActionEdits;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** What happened to actions is kept, and answers count for what theirs have become. */
class SuccessorsStoreTest {
  private static final Instant NOW = Instant.parse("2031-01-06T09:00:00Z");

  @TempDir Path folder;

  private static List<Answer> answers(Store store, DrillItem item) throws Exception {
    List<Answer> all = new ArrayList<>();
    store.answers(all::add);
    List<Answer> of = all.stream().filter(a -> a.item().equals(item)).toList();
    // Asked for one by one they are the same.
    assertThat(store.answers(item)).isEqualTo(of);
    return of;
  }

  @Test
  void answersGoWithTheirActionThroughFilesCopiesAndArchives() throws Exception {
    Path file = folder.resolve("mine.polydex");
    Path archive = folder.resolve("all.zip");
    Workspace demo = Shipped.demo();
    Answer one = StoreTest.answer(1);
    EnvironmentId app = demo.catalog().environments().getLast().id();
    ActionId gone = demo.catalog().bindings(app).getFirst().action();
    ActionId into = demo.catalog().bindings(app).getLast().action();
    Answer early = answer(one, new DrillItem(app, gone), NOW);
    Answer late = answer(one, new DrillItem(app, into), NOW.plusSeconds(120));
    Workspace joined = ActionEdits.join(demo, gone, into);
    Workspace parted = ActionEdits.part(joined, into, app, "Another thing", NOW.plusSeconds(60));
    ActionId other = parted.catalog().actions().getLast().id();
    try (Store store = Store.open(file)) {
      store.save(new Change.Edit("demo", Workspace.EMPTY, demo), NOW);
      store.add(early);
      store.add(late);
      assertThat(answers(store, early.item())).containsExactly(early);
      store.save(new Change.Edit("join", demo, joined), NOW);
      assertThat(answers(store, late.item())).hasSize(2);
      assertThat(answers(store, early.item())).isEmpty();
      store.save(new Change.Edit("part", joined, parted), NOW);
    }
    try (Store store = Store.open(file)) {
      Workspace read = store.workspace();
      assertThat(read.catalog().successors()).isEqualTo(parted.catalog().successors());
      // What was answered before goes with the new one, what was answered later does not.
      assertThat(answers(store, new DrillItem(app, other)))
          .extracting(Answer::at)
          .containsExactly(NOW);
      assertThat(answers(store, late.item())).containsExactly(late);
      store.archive(archive, NOW);
      Workspace back = ActionEdits.separate(read, read.catalog().successors().joined().getFirst());
      store.save(new Change.Edit("put back", read, back), NOW);
      assertThat(answers(store, early.item())).containsExactly(early);
    }
    Path again = folder.resolve("again.polydex");
    Archive.read(archive, again);
    try (Store store = Store.open(again)) {
      assertThat(store.workspace().catalog().successors()).isEqualTo(parted.catalog().successors());
      assertThat(answers(store, new DrillItem(app, other))).hasSize(1);
    }
  }

  private static Answer answer(Answer like, DrillItem item, Instant at) {
    return new Answer(
        item,
        at,
        like.kind(),
        like.verdict(),
        like.timing(),
        like.asked(),
        like.pressed(),
        like.mistakenFor());
  }
}
