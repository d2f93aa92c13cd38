package polydex.files.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.boards.Presses.Made;
import polydex.files.Shipped;
import polydex.hands.Done;
import polydex.hands.HandEvent;
import polydex.hands.HandLines;
import polydex.hands.HandReader;
import polydex.hands.Seen;
import polydex.hands.Sequences;
import polydex.keys.Gesture;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.log.Deed;
import polydex.log.LogEvent;
import polydex.log.LogIntake;
import polydex.log.LogLine;
import polydex.person.Knowledge;
import polydex.recognition.Place;
import polydex.recognition.Recogniser;
import polydex.totals.Audit;
import polydex.totals.Standing;
import polydex.workspace.Workspace;

/**
 * The simulated days of the demo as lines, and the same days as keys and pointer events that go
 * through what reads hands: both come to the same audit.
 */
class BothRecordersTest {
  private static final int EVENTS = 5000;
  private static final Workspace DEMO = Shipped.demo();
  private static final Layout LAYOUT = Shipped.layout("us").orElseThrow();
  private static final Instant BEGUN = Instant.parse("2031-03-14T08:00:00Z");

  /** So long after the one before, that nothing of both belongs together. */
  private static final long APART = 4000;

  private final List<HandEvent> events = new ArrayList<>();
  private long now;
  private int x;

  private static List<LogLine> days() throws InterruptedException {
    List<LogLine> all = new ArrayList<>();
    for (long seed = 1; all.size() < EVENTS; seed++) {
      List<LogLine> heard = new CopyOnWriteArrayList<>();
      Clock clock = Clock.fixed(DemoHistory.NOW, ZoneOffset.UTC);
      try (SimulatedRecorder recorder = new SimulatedRecorder(DEMO, clock, 1e9, seed)) {
        recorder.start(heard::add);
        for (int before = -1; heard.isEmpty() || heard.size() > before; ) {
          before = heard.size();
          TimeUnit.MILLISECONDS.sleep(200);
        }
      }
      all.addAll(heard);
    }
    return all;
  }

  private static final class Log {
    private final Audit audit = Knowledge.audit(DEMO, ZoneOffset.UTC, _ -> Optional.empty());
    private final LogIntake intake =
        new LogIntake(ZoneOffset.UTC, DemoHistory.NOW, Knowledge.recogniser(DEMO));
    private long characters;

    void take(LogLine line) {
      LogIntake.Taken taken = intake.take(line);
      assertThat(taken).as(line.toString()).isInstanceOf(LogIntake.Event.class);
      LogEvent event = ((LogIntake.Event) taken).event();
      characters += event.characters();
      audit.add(event);
    }
  }

  @Test
  void bothComeToTheSameAudit() throws Exception {
    Recogniser recogniser = Knowledge.recogniser(DEMO);
    Sequences sequences = Sequences.of(DEMO.world(), DEMO.setups().values(), LAYOUT);
    Log lines = new Log();
    Log hands = new Log();
    List<String> otherwise = new ArrayList<>();
    int passedOver = 0;
    now = 0;
    for (LogLine line : days()) {
      now += APART;
      events.clear();
      double took = line.duration().isEmpty() ? 1.25 : Double.parseDouble(line.duration());
      if (!make(line, took) || isUnboundSequence(recogniser, line)) {
        passedOver++;
        continue;
      }
      List<Done> done = new ArrayList<>();
      HandReader reader = new HandReader(LAYOUT, sequences, done::add);
      reader.take(new HandEvent.Moved(now - APART, x, 0)); // where the pointer is
      events.forEach(reader::take);
      reader.end();
      if (done.size() > 1 && !line.input().startsWith("\"")) {
        passedOver++; // keys that a machine on the way changes are no sequence of any keymap
        continue;
      }
      long before = lines.characters - hands.characters;
      // Keys have no time of their own: a recorder does not know when somebody began to think.
      boolean keys = line.device().equals("keyboard");
      lines.take(at(line, keys ? "" : String.valueOf(took)));
      HandLines told = new HandLines(line.machine(), LAYOUT, recogniser, this::instant);
      List<LogLine> made = new ArrayList<>();
      done.forEach(d -> made.addAll(told.of(d, seen(line, d))));
      made.forEach(hands::take);
      if (lines.characters - hands.characters != before || made.size() != 1) {
        otherwise.add(line.application() + " " + line.input() + " " + done);
      }
      now = Math.max(now, events.getLast().millis());
    }
    System.out.printf("Both recorders: %d lines passed over%n", passedOver);
    assertThat(passedOver)
        .as("begin with what writes, are nothing there, or can't be pressed")
        .isLessThan(EVENTS / 20);
    assertThat(otherwise).isEmpty();
    Standing a = lines.audit.standing();
    Standing b = hands.audit.standing();
    assertThat(a.events()).isGreaterThan(EVENTS * 3 / 4);
    assertThat(b.recognised()).isEqualTo(a.recognised());
    Map<Place, Standing.Entry> found = new HashMap<>();
    b.entries().forEach(e -> found.put(e.place(), e));
    assertThat(found.keySet())
        .isEqualTo(a.entries().stream().map(Standing.Entry::place).collect(Collectors.toSet()));
    for (Standing.Entry e : a.entries()) {
      Standing.Entry same = found.get(e.place());
      assertThat(same.byKeys()).as(e.place().toString()).isEqualTo(e.byKeys());
      assertThat(same.byPointer()).as(e.place().toString()).isEqualTo(e.byPointer());
      assertThat(same.inVain()).isEqualTo(e.inVain());
      e.pointerSeconds()
          .ifPresent(
              s -> assertThat(same.pointerSeconds().orElseThrow()).isEqualTo(s, within(0.002)));
    }
  }

  /** Several strokes that nothing has there: no recorder of strokes can know that they are one. */
  private static boolean isUnboundSequence(Recogniser recogniser, LogLine line) {
    if (!line.device().equals("keyboard") || line.input().startsWith("\"")) {
      return false;
    }
    Gesture gesture = Gesture.parse(line.input());
    Deed where = Deed.typing(line.machine(), line.application());
    return gesture.presses() > 1
        && !recogniser.binds(where, gesture)
        && recogniser.does(where, gesture).isEmpty();
  }

  private Instant instant(long millis) {
    return BEGUN.plusMillis(millis);
  }

  private LogLine at(LogLine line, String duration) {
    return new LogLine(
        instant(now).toString(),
        line.application(),
        line.device(),
        line.input(),
        line.target(),
        line.path(),
        line.distance(),
        line.width(),
        duration,
        line.machine());
  }

  /** What lies under the pointer or has the focus: what the line says. */
  private static Seen seen(LogLine line, Done done) {
    return done instanceof Done.Pointed
        ? new Seen(
            line.application(),
            Seen.Sort.ENTRY,
            line.target(),
            line.path().isEmpty() ? List.of() : List.of(line.path().split(" > ")),
            line.width().isEmpty() ? Double.NaN : Double.parseDouble(line.width()),
            Double.NaN,
            Double.NaN)
        : Seen.focus(line.application());
  }

  /** The events of a line; whether hands could have made it so that it can be told from text. */
  private boolean make(LogLine line, double took) {
    if (!line.device().equals("keyboard")) {
      return pointed(line, took);
    }
    if (line.input().startsWith("\"")) {
      for (int i = 1; i < line.input().length() - 1; i++) {
        char letter = line.input().charAt(i);
        key(Key.valueOf("Key" + Character.toUpperCase(letter)), true);
        key(Key.valueOf("Key" + Character.toUpperCase(letter)), false);
      }
      return true;
    }
    Presses presses = Presses.of(Gesture.parse(line.input()).expand().getFirst(), LAYOUT);
    return presses instanceof Presses.Typable(List<Made> made)
        && made.stream().allMatch(m -> m.what().held().keys().isEmpty())
        && made.stream().noneMatch(m -> m.what() instanceof Physical.PointerPress)
        && !writes(made.getFirst().what())
        && press(made);
  }

  private static boolean writes(Physical first) {
    Modifiers held = first.held().modifiers();
    return held.without(Modifier.SHIFT).without(Modifier.ALTGR).isEmpty()
        && first
            .pressedKey()
            .filter(k -> k == Key.Space || LAYOUT.typed(k, Modifiers.NONE).isPresent())
            .isPresent();
  }

  private boolean press(List<Made> made) {
    Modifiers down = Modifiers.NONE;
    for (Made one : made) {
      Modifiers wanted = one.what().held().modifiers().eitherSide();
      if (!one.stillHeld()) {
        let(down);
        down = Modifiers.NONE;
      }
      for (Modifier m : wanted.without(down).list()) {
        key(key(m), true);
      }
      down = wanted;
      one.what()
          .pressedKey()
          .ifPresent(
              k -> {
                key(k, true);
                key(k, false);
              });
      if (one.what() instanceof Physical.ModifierTap) {
        let(down);
        down = Modifiers.NONE;
      }
    }
    let(down);
    return true;
  }

  private void let(Modifiers down) {
    down.list().forEach(m -> key(key(m), false));
  }

  private static Key key(Modifier m) {
    return switch (m) {
      case CTRL -> Key.ControlLeft;
      case META -> Key.MetaLeft;
      case ALT -> Key.AltLeft;
      case ALTGR -> Key.AltRight;
      case SHIFT -> Key.ShiftLeft;
      case HYPER, FN -> Key.Fn;
    };
  }

  private static Optional<Modifier> modifier(Key key) {
    for (Modifier m : Modifier.values()) {
      if (key(m) == key) {
        return Optional.of(m);
      }
    }
    return Optional.empty();
  }

  private void key(Key key, boolean down) {
    now += 20;
    events.add(
        down
            ? new HandEvent.KeyDown(now, key.ordinal(), Optional.of(key), modifier(key))
            : new HandEvent.KeyUp(now, key.ordinal()));
  }

  /** The pointer sets out, goes, and does it there after as long as it took. */
  private boolean pointed(LogLine line, double took) {
    int distance = line.distance().isEmpty() ? 0 : Integer.parseInt(line.distance());
    if (distance > 0 || took > 0) {
      events.add(new HandEvent.Moved(now, x + 1, 0));
      for (long part = 200; part < took * 1000; part += 200) {
        events.add(new HandEvent.Moved(now + part, x + 1 + (int) (part / 200 % 2), 1));
      }
    }
    now += Math.round(took * 1000);
    x += distance;
    events.add(new HandEvent.ButtonDown(now, 1, x, 0));
    if (line.input().equals("Drag")) {
      x += 40;
      events.add(new HandEvent.Moved(now + 50, x, 0));
    }
    events.add(new HandEvent.ButtonUp(now + 80, 1, x, 0));
    return true;
  }
}
