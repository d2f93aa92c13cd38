package polydex.hands;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.lifecycle.AfterContainer;
import polydex.boards.Keyboards;
import polydex.boards.Presses;
import polydex.hands.HandEvent.ButtonDown;
import polydex.hands.HandEvent.ButtonUp;
import polydex.hands.HandEvent.KeyDown;
import polydex.hands.HandEvent.KeyUp;
import polydex.hands.HandEvent.Moved;
import polydex.hands.HandEvent.Wheel;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.route.World;
import polydex.route.Worlds;

/**
 * Somebody who does one thing after the other, of which it is written down what it was; the reader
 * only sees what the devices report.
 */
class HandReaderTest {
  private static final World WORLD =
      new Worlds()
          .platform("desk", Worlds.plain(), "Ctrl+L = lock")
          .app("edit", "Ctrl+K Ctrl+S = save", "Ctrl+X 2 = split", "Ctrl+X 2 Ctrl+X = join")
          .build();
  private static final Sequences SEQUENCES = Sequences.of(WORLD.catalog(), Keyboards.US);
  private static final Map<String, Integer> REACHED = new TreeMap<>();

  private static final List<Key> LETTERS = List.of(Key.KeyA, Key.KeyQ, Key.Space, Key.Numpad4);
  private static final Map<String, List<Key>> STROKES =
      Map.of(
          "Ctrl+D", List.of(Key.ControlLeft, Key.KeyD),
          "Ctrl+Shift+S", List.of(Key.ShiftRight, Key.ControlRight, Key.KeyS),
          "Meta+Left", List.of(Key.MetaLeft, Key.ArrowLeft),
          "Alt+Q", List.of(Key.AltLeft, Key.KeyQ),
          "F5", List.of(Key.F5),
          "Down", List.of(Key.ArrowDown));
  private static final List<List<Key>> TAPS =
      List.of(List.of(Key.MetaLeft), List.of(Key.ControlLeft, Key.AltLeft));

  /** What one does, and what is to come of it. */
  private static final class Person {
    final Random random;
    final List<HandEvent> events = new ArrayList<>();
    final List<String> expected = new ArrayList<>();
    long now = 1_000_000;
    long lastKey = -10_000_000;
    long wroteAt = -10_000_000;
    long wroteFrom;
    long turnedAt = -10_000_000;
    int wrote;
    int turned;
    int x = 500;
    int y = 400;
    String click = "";
    long clicked;

    Person(long seed) {
      random = new Random(seed);
      events.add(new Moved(now, x, y));
    }

    void act() {
      boolean pause = random.nextInt(4) == 0;
      now += pause ? 3100 + random.nextInt(3000) : 30 + random.nextInt(600);
      int kind = random.nextInt(10);
      REACHED.merge(
          switch (kind) {
            case 0, 1 -> "writes";
            case 2, 3 -> "strokes";
            case 4 -> "taps";
            case 5 -> "goes on with a gesture";
            case 6 -> "begins a gesture only";
            case 7 -> "drags";
            case 8 -> "turns the wheel";
            default -> "clicks";
          },
          1,
          Integer::sum);
      switch (kind) {
        case 0, 1 -> write(1 + random.nextInt(5));
        case 2, 3 -> {
          List<String> all = STROKES.keySet().stream().sorted().toList();
          String stroke = all.get(random.nextInt(all.size()));
          keys(now);
          press(STROKES.get(stroke), true);
          expected.add("keys " + stroke);
        }
        case 4 -> {
          List<Key> tap = TAPS.get(random.nextInt(TAPS.size()));
          press(tap, false);
          keys(now);
          expected.add("keys " + (tap.size() == 1 ? "Meta" : "Ctrl+Alt"));
        }
        case 5 -> sequence();
        case 6 -> {
          keys(now);
          press(List.of(Key.ControlLeft, Key.KeyK), true);
          expected.add("keys Ctrl+K");
          now += HandReader.SEQUENCE_MILLIS + 1 + random.nextInt(500);
        }
        case 7 -> pointed("Drag", 1, 1, true);
        case 8 -> wheel();
        default -> {
          int button = 1 + random.nextInt(3);
          String what = List.of("Click", "MiddleClick", "RightClick").get(button - 1);
          pointed(what, button, 1 + random.nextInt(3), false);
        }
      }
    }

    /** The hand comes to the keyboard. */
    void keys(long at) {
      flushWheel();
      flushClick(at);
      flushWritten();
      lastKey = at;
    }

    void flushWritten() {
      if (wrote > 0) {
        expected.add("wrote " + wrote);
        wrote = 0;
      }
    }

    void flushClick(long key) {
      if (!click.isEmpty()) {
        boolean soon = key - clicked <= HandReader.BACK_MILLIS;
        expected.add(click + (soon ? " back %.3f".formatted((key - clicked) / 1000.0) : ""));
        REACHED.merge(soon ? "comes back soon" : "stays with the pointer", 1, Integer::sum);
        click = "";
      }
    }

    void flushWheel() {
      if (turned > 0) {
        expected.add("Wheel x" + turned);
        turned = 0;
      }
    }

    void write(int count) {
      for (int i = 0; i < count; i++) {
        boolean shift = random.nextInt(4) == 0;
        if (shift) {
          down(Key.ShiftLeft);
          now += 20;
        }
        flushWheel();
        flushClick(now);
        if (now - wroteAt > HandReader.WRITING_MILLIS || now - wroteFrom > 30_000) {
          flushWritten();
        }
        wroteFrom = wrote == 0 ? now : wroteFrom;
        lastKey = now;
        wroteAt = now;
        wrote++;
        Key letter = LETTERS.get(random.nextInt(LETTERS.size()));
        down(letter);
        down(letter); // it repeats
        now += 10 + random.nextInt(60);
        up(letter);
        if (shift) {
          up(Key.ShiftLeft);
        }
        now += random.nextInt(120);
      }
    }

    void sequence() {
      keys(now);
      press(List.of(Key.ControlLeft, Key.KeyX), true);
      now += random.nextInt(2000);
      lastKey = now;
      press(List.of(Key.Digit2), true);
      if (random.nextBoolean()) {
        now += random.nextInt(1000);
        lastKey = now;
        press(List.of(Key.ControlLeft, Key.KeyX), true);
        expected.add("keys Ctrl+X 2 Ctrl+X");
      } else {
        expected.add("keys Ctrl+X 2");
        now += HandReader.SEQUENCE_MILLIS + 1; // or a Ctrl+X that follows would go on with it
      }
    }

    void press(List<Key> keys, boolean last) {
      for (int i = 0; i < keys.size(); i++) {
        if (last && i == keys.size() - 1) {
          lastKey = now; // modifiers are held before
        }
        down(keys.get(i));
      }
      now += last ? 0 : 90;
      keys.forEach(this::up);
    }

    void pointed(String what, int button, int times, boolean drags) {
      flushWheel();
      flushClick(Long.MAX_VALUE / 2);
      int fromX = x;
      int fromY = y;
      long began = now;
      x = 100 + (x + 200 + random.nextInt(500)) % 900;
      y = 100 + random.nextInt(500);
      events.add(new Moved(now, (x + fromX) / 2, (y + fromY) / 2));
      now += random.nextInt(300);
      events.add(new Moved(now, x, y));
      now += random.nextInt(200);
      flushWritten();
      long since = began - lastKey <= HandReader.FROM_KEYS_MILLIS ? lastKey : began;
      double seconds = (now - since) / 1000.0;
      for (int i = 0; i < times; i++) {
        events.add(new ButtonDown(now, button, x, y));
        now += 40;
        int endX = drags ? x + 60 : x;
        if (drags) {
          events.add(new Moved(now, endX, y));
          now += 200;
        }
        events.add(new ButtonUp(now, button, endX, y));
        clicked = now;
        now += 100;
      }
      click =
          "%s x%d %.1f px %.3f s".formatted(what, times, Math.hypot(x - fromX, y - fromY), seconds);
      x = drags ? x + 60 : x;
      lastKey = -10_000_000;
      wroteAt = -10_000_000;
    }

    void wheel() {
      flushClick(Long.MAX_VALUE / 2);
      if (now - turnedAt > HandReader.WHEEL_MILLIS) {
        flushWheel();
      }
      flushWritten();
      for (int i = 0; i < 4; i++) {
        events.add(new Wheel(now, x, y));
        turnedAt = now;
        turned++;
        now += random.nextInt(200);
      }
    }

    void down(Key key) {
      events.add(new KeyDown(now, key.ordinal(), Optional.of(key), modifier(key)));
    }

    void up(Key key) {
      events.add(new KeyUp(now, key.ordinal()));
    }

    static Optional<Modifier> modifier(Key key) {
      return switch (key) {
        case ShiftLeft, ShiftRight -> Optional.of(Modifier.SHIFT);
        case ControlLeft, ControlRight -> Optional.of(Modifier.CTRL);
        case AltLeft -> Optional.of(Modifier.ALT);
        case MetaLeft -> Optional.of(Modifier.META);
        default -> Optional.empty();
      };
    }
  }

  private static String told(Done done) {
    return switch (done) {
      case Done.Keyed k -> "keys " + Presses.gesture(k.presses(), Keyboards.US);
      case Done.Wrote w -> "wrote " + w.characters();
      case Done.Pointed p when p.button() == 0 -> "Wheel x" + p.times();
      case Done.Pointed p ->
          "%s x%d %.1f px %.3f s%s"
              .formatted(
                  p.act().orElseThrow().written(),
                  p.times(),
                  p.trip().pixels(),
                  p.trip().seconds(),
                  Double.isNaN(p.secondsBack()) ? "" : " back %.3f".formatted(p.secondsBack()));
    };
  }

  @Property(tries = 400)
  void whatIsDoneIsWhatIsTold(@ForAll long seed) {
    Locale.setDefault(Locale.ROOT);
    Person person = new Person(seed);
    for (int i = 0; i < 60; i++) {
      person.act();
    }
    person.flushWheel();
    person.flushClick(Long.MAX_VALUE / 2);
    person.flushWritten();
    List<String> told = new ArrayList<>();
    HandReader reader = new HandReader(Keyboards.US, SEQUENCES, d -> told.add(told(d)));
    person.events.forEach(reader::take);
    reader.end();
    assertThat(told).isEqualTo(person.expected);
  }

  @AfterContainer
  static void everythingWasReachedOften() {
    assertThat(REACHED).hasSize(10).allSatisfy((what, count) -> assertThat(count).isPositive());
    assertThat(REACHED.values()).allMatch(n -> n > 500);
  }

  @Example
  void nothingIsToldOfWhatBeganBeforeItForgot() {
    List<Done> told = new ArrayList<>();
    HandReader reader = new HandReader(Keyboards.US, SEQUENCES, told::add);
    Person person = new Person(1);
    person.down(Key.KeyQ);
    person.down(Key.ControlLeft);
    person.events.add(new ButtonDown(person.now, 1, 5, 5));
    person.events.forEach(reader::take);
    reader.forget();
    told.clear();
    person.events.clear();
    person.up(Key.ControlLeft);
    person.events.add(new ButtonUp(person.now, 1, 5, 5));
    person.down(Key.KeyD);
    person.events.forEach(reader::take);
    reader.end();
    assertThat(told).singleElement().isInstanceOf(Done.Wrote.class);
  }
}
