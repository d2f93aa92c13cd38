package polydex.files.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.files.FileProblem;
import polydex.keys.Gesture;
import polydex.log.Deed;
import polydex.log.Device;
import polydex.log.LogEvent;
import polydex.mouse.MouseChoices;
import polydex.mouse.Wish;
import polydex.recognition.LearntName;
import polydex.recognition.Place;
import polydex.route.SetupId;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** The mouse log in its file, against a plain map of moments and deeds. */
class EventsTest {
  private static final Instant NOW = Instant.parse("2031-03-14T16:00:00Z");

  @TempDir Path folder;

  private record Key(Instant at, Deed deed) {}

  private StoreLine open() throws FileProblem {
    return new StoreLine(
        Store.open(folder.resolve("mine.polydex")),
        new StoreLine.Watcher() {
          @Override
          public void refused(FileProblem problem) {
            throw new AssertionError(problem);
          }
        });
  }

  private static LogEvent event(Random random) {
    Deed deed =
        new Deed(
            "m'" + random.nextInt(2),
            "",
            Device.values()[random.nextInt(5)],
            random.nextBoolean() ? "Click" : "",
            "t\"" + random.nextInt(2),
            random.nextBoolean() ? List.of() : List.of("Show > \"all\"", ""),
            random.nextInt(4) > 0 ? Optional.empty() : Optional.of(new ActionId("a'b")));
    return new LogEvent(
        NOW.plusMillis(random.nextInt(4000)),
        deed,
        random.nextInt(3),
        random.nextBoolean() ? Double.NaN : random.nextInt(100) / 4.0,
        random.nextBoolean() ? Double.NaN : 0,
        random.nextBoolean() ? Double.NaN : 1.25);
  }

  private static List<LogEvent> all(StoreLine store) throws FileProblem {
    List<LogEvent> found = new ArrayList<>();
    store.reading().each(found::add);
    return found;
  }

  private static void assertSame(StoreLine store, Map<Key, LogEvent> plain) throws FileProblem {
    List<LogEvent> found = all(store);
    assertThat(found).isSortedAccordingTo(Comparator.comparing(LogEvent::at));
    assertThat(found).containsExactlyInAnyOrderElementsOf(plain.values());
  }

  @Test
  void whateverComesInWhicheverOrderIsThereOnceAndGoesTogether() throws Exception {
    Random random = new Random(7);
    Map<Key, LogEvent> plain = new LinkedHashMap<>();
    List<Change.Batch> batches = new ArrayList<>();
    List<Map<Key, LogEvent>> contents = new ArrayList<>();
    try (StoreLine store = open()) {
      for (int i = 0; i < 12; i++) {
        List<LogEvent> some = new ArrayList<>();
        for (int k = 0; k < 900; k++) {
          some.add(event(random));
        }
        Collections.shuffle(some, random);
        Map<Key, LogEvent> fresh = new LinkedHashMap<>();
        for (LogEvent e : some) {
          Key key = new Key(e.at(), e.deed());
          if (!plain.containsKey(key)) {
            fresh.putIfAbsent(key, e);
          }
        }
        Optional<StoreLine.Brought> brought =
            store.bringIn(
                "Batch " + i,
                NOW,
                to -> {
                  some.forEach(to);
                  return true;
                });
        assertThat(brought.orElseThrow().events()).isEqualTo(fresh.size());
        plain.putAll(fresh);
        batches.add(brought.orElseThrow().change());
        contents.add(fresh);
      }
      assertSame(store, plain);
      store.write(s -> s.undo(batches.get(3)));
      store.write(s -> s.undo(batches.get(5)));
      plain.keySet().removeAll(contents.get(3).keySet());
      plain.keySet().removeAll(contents.get(5).keySet());
      assertSame(store, plain);
      store.write(s -> s.save(batches.get(3)));
      plain.putAll(contents.get(3));
      assertSame(store, plain);
      // Again and again, while what was taken back is being cleared away or was.
      for (int i = 0; i < 30; i++) {
        Change.Batch batch = batches.get(7);
        store.write(s -> s.undo(batch));
        if (i % 3 == 0) {
          while (store.get(Store::clearAway)) {
            // Some at a time.
          }
        }
        store.write(s -> s.save(batch));
      }
      assertSame(store, plain);
    }
    try (StoreLine store = open()) {
      assertSame(store, plain);
    }
  }

  @Test
  void whatIsNotWantedOrFailsLeavesNothingBehind() throws Exception {
    Random random = new Random(8);
    LogEvent kept = LogEvent.of(NOW, Deed.noted(new SetupId("here"), new ActionId("save"), false));
    try (StoreLine store = open()) {
      store.write(s -> s.save(new Change.Note("Noted", kept)));
      assertThat(
              store.bringIn(
                  "No",
                  NOW,
                  to -> {
                    for (int i = 0; i < 20_000; i++) {
                      to.accept(event(random));
                    }
                    return false;
                  }))
          .isEmpty();
      assertThatThrownBy(
              () ->
                  store.bringIn(
                      "Fails",
                      NOW,
                      to -> {
                        to.accept(event(random));
                        throw new FileProblem("line 2 is bad");
                      }))
          .isInstanceOf(FileProblem.class);
      assertThat(all(store)).containsExactly(kept);
      // Deeds of what was rolled back are written anew when they come again.
      Change.Batch recording = new Change.Batch("A recording", store.newBatch());
      store.write(s -> s.begin(recording, NOW));
      store.write(s -> s.add(List.of(event(random), event(random)), recording.batch()));
      assertThat(all(store)).hasSize(3);
    }
    try (StoreLine store = open()) {
      assertThat(all(store)).hasSize(3).contains(kept);
    }
  }

  @Test
  void whatIsSaidAboutTheMouseComesBackAndIsUndone() throws Exception {
    Place draw = Place.read(new SetupId("studio"), new EnvironmentId("timeline"), "draw's");
    Place glow = Place.read(new SetupId("studio"), new EnvironmentId("timeline"), "glow");
    MouseChoices said =
        MouseChoices.NOTHING
            .keeping(draw, "by eye; \"really\"")
            .wishing(new Wish(glow, Gesture.parse("Ctrl+Alt+G"), LocalDate.of(2031, 3, 1)))
            .learning(
                Map.of(
                    LearntName.read(new EnvironmentId("timeline"), "show > dust"),
                        Optional.of(new ActionId("clean")),
                    LearntName.read(new EnvironmentId("timeline"), "grey"), Optional.empty()));
    Change.Edit edit = new Change.Edit("Said", Workspace.EMPTY, Workspace.EMPTY.with(said));
    try (StoreLine store = open()) {
      store.write(s -> s.save(edit, NOW));
    }
    MouseChoices other =
        said.keeping(draw, "still")
            .notWishing(glow)
            .learning(
                Map.of(
                    LearntName.read(new EnvironmentId("timeline"), "grey"),
                    Optional.of(new ActionId("fade"))));
    try (StoreLine store = open()) {
      assertThat(store.get(Store::workspace).mouse()).isEqualTo(said);
      store.write(
          s -> s.save(new Change.Edit("Else", edit.after(), edit.after().with(other)), NOW));
      assertThat(store.get(Store::workspace).mouse()).isEqualTo(other);
      store.write(
          s -> s.save(new Change.Edit("None", edit.after().with(other), Workspace.EMPTY), NOW));
      assertThat(store.get(Store::workspace).mouse()).isEqualTo(MouseChoices.NOTHING);
      assertThat(said.notKeeping(draw).kept()).isEmpty();
    }
  }
}
