package polydex.log;

import static polydex.language.CoreWords.worded;

import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import polydex.catalog.ActionId;
import polydex.keys.Gesture;
import polydex.keys.GestureReader;
import polydex.keys.GestureSyntaxException;

/**
 * The one door by which events come into the log, from recorders and files alike: it makes events
 * of lines, and lets nothing pass that was typed. Characters are counted; of keys that write only
 * those are kept that a keymap binds, or that have Ctrl, Alt or Meta held with just one of them,
 * and no third one in a row; a key has no target. A reason for a refusal never says what stood in
 * the line. Memory grows with the number of different deeds, at most {@value #MOST_DEEDS}. Not
 * thread-safe.
 */
public final class LogIntake {
  /** The most different deeds of one log. */
  public static final int MOST_DEEDS = 200_000;

  /** The longest name of a target, in characters; what is longer is no name. */
  public static final int LONGEST_NAME = 200;

  /** Time that goes back further than this is a clock that jumped rather than disorder. */
  public static final Duration CLOCK_JUMP = Duration.ofHours(1);

  private static final Instant EARLIEST = Instant.parse("1980-01-01T00:00:00Z");
  private static final Duration AHEAD = Duration.ofDays(1);
  private static final double LONGEST_SECONDS = 3600;
  private static final Pattern TYPED = Pattern.compile("typed\\s+(\\d{1,6})");
  private static final Pattern STEP = Pattern.compile("\\s*(?:>|\\u203a|\\u2192)\\s*");
  private static final Map<String, String> TOUCHES =
      Map.of("swipe", "Drag", "pinch", "Wheel", "scroll", "Wheel", "press", "Click");

  /** What came of a line. */
  public sealed interface Taken {}

  /** An event. */
  public record Event(LogEvent event) implements Taken {}

  /**
   * It can't be used.
   *
   * @param reason a sentence
   */
  public record Refused(String reason) implements Taken {}

  /** The names of a line, which tell deeds apart before anything is done about them. */
  private record Raw(
      String machine,
      String application,
      String device,
      String input,
      String target,
      String path) {}

  /**
   * What a line's names come to, worked out once.
   *
   * @param spelled keys that write, each with a modifier; none for anything else
   */
  private record Known(
      @Nullable Deed deed, int characters, String problem, Optional<Spelled> spelled) {
    Known(@Nullable Deed deed, int characters, String problem) {
      this(deed, characters, problem, Optional.empty());
    }
  }

  private record Spelled(Gesture gesture, int keys, boolean bound, Deed otherwise) {}

  private final LogTime times;
  private final InstantSource now;
  private final Interpreter interpreter;
  private final Map<Raw, Known> known = new HashMap<>();
  private final Spelling spelling = new Spelling();
  private Instant last = Instant.MIN;
  private long backward;
  private long jumps;

  /**
   * An open door.
   *
   * @param zone of times that have no offset
   * @param now nothing can have happened long after it
   * @param interpreter tells keys that write from keys that do something
   */
  public LogIntake(ZoneId zone, Instant now, Interpreter interpreter) {
    this(zone, () -> now, interpreter);
  }

  /** The same for lines that come while time passes. */
  public LogIntake(ZoneId zone, InstantSource now, Interpreter interpreter) {
    this.times = new LogTime(zone);
    this.now = now;
    this.interpreter = interpreter;
  }

  /** How many lines were earlier than the one before. */
  public long backward() {
    return backward;
  }

  /** How many of them were so by more than {@link #CLOCK_JUMP}. */
  public long jumps() {
    return jumps;
  }

  /** Takes in a line; O(its length). */
  public Taken take(LogLine line) {
    LogTime.Read time = times.read(line.time());
    if (time.at().isEmpty()) {
      return new Refused(time.problem());
    }
    Instant at = time.at().get();
    if (at.isBefore(EARLIEST) || at.isAfter(now.instant().plus(AHEAD))) {
      return new Refused(worded("log.the-time-is-before-1980-or"));
    }
    Known names = known(line);
    if (names.deed() == null) {
      return new Refused(names.problem());
    }
    double distance = number(line.distance());
    double width = number(line.width());
    double seconds = number(line.duration());
    if (distance < 0 || width < 0 || seconds < 0 || seconds > LONGEST_SECONDS) {
      return new Refused(worded("log.distance-width-and-duration-are-numbers"));
    }
    order(at);
    times.accepted(at);
    if (names.spelled().isPresent()) {
      Spelled s = names.spelled().get();
      if (!spelling.mayKeep(s.gesture(), s.keys(), s.bound(), at)) {
        return new Event(new LogEvent(at, s.otherwise(), s.keys(), distance, width, seconds));
      }
    } else if (!names.deed().isTyping()) {
      spelling.other();
    }
    return new Event(new LogEvent(at, names.deed(), names.characters(), distance, width, seconds));
  }

  private void order(Instant at) {
    if (at.isBefore(last)) {
      backward++;
      jumps += Duration.between(at, last).compareTo(CLOCK_JUMP) > 0 ? 1 : 0;
    }
    last = at;
  }

  /** Not a number where nothing is written, below 0 where it is no number that can be. */
  private static double number(String text) {
    if (text.isBlank()) {
      return Double.NaN;
    }
    try {
      double value = Double.parseDouble(text.strip());
      return Double.isFinite(value) && value >= 0 ? value : -1;
    } catch (NumberFormatException _) {
      return -1;
    }
  }

  private Known known(LogLine line) {
    Raw raw =
        new Raw(
            line.machine(),
            line.application(),
            line.device(),
            line.input(),
            line.target(),
            line.path());
    Known found = known.get(raw);
    if (found != null) {
      return found;
    }
    Known made = make(raw);
    boolean words =
        made.deed() != null
            && made.deed().isTyping()
            && made.characters() > 1
            && !raw.input().startsWith("typed");
    if (made.deed() == null || words) {
      return made; // what was typed is not kept in mind either
    }
    if (known.size() >= MOST_DEEDS) {
      return refused(worded("log.the-log-names-more-than-different", MOST_DEEDS));
    }
    known.put(raw, made);
    return made;
  }

  private static Known refused(String reason) {
    return new Known(null, 0, reason);
  }

  private Known make(Raw raw) {
    if (raw.machine().length() > LONGEST_NAME
        || raw.application().length() > LONGEST_NAME
        || raw.target().length() > LONGEST_NAME
        || raw.path().length() > 3 * LONGEST_NAME) {
      return refused(worded("any.a-name-is-longer-than-characters", LONGEST_NAME));
    }
    return switch (raw.device().strip().toLowerCase(Locale.ROOT)) {
      case "keyboard", "keys" -> keys(raw);
      case "mouse" -> pointer(raw, Device.MOUSE);
      case "trackpad", "touchpad" -> pointer(raw, Device.TRACKPAD);
      case "touch", "touchscreen" -> pointer(raw, Device.TOUCH);
      case "pen" -> pointer(raw, Device.PEN);
      default -> refused(worded("log.the-device-is-none-of-keyboard"));
    };
  }

  private Known keys(Raw raw) {
    Deed typing = Deed.typing(raw.machine().strip(), raw.application().strip());
    Matcher typed = TYPED.matcher(raw.input().strip().toLowerCase(Locale.ROOT));
    if (typed.matches()) {
      return new Known(typing, Integer.parseInt(typed.group(1)), "");
    }
    Gesture gesture;
    try {
      gesture = GestureReader.PLAIN.read(raw.input()).gesture();
    } catch (GestureSyntaxException _) {
      String written = raw.input().strip();
      if (written.length() > 2 && written.startsWith("\"") && written.endsWith("\"")) {
        return new Known(typing, written.codePointCount(1, written.length() - 1), "");
      }
      return refused(worded("log.the-keys-cant-be-read-they"));
    }
    if (gesture.usesPointer() || gesture.isFamily()) {
      return refused(worded("log.the-input-of-a-keyboard-is"));
    }
    Typing found = Typing.in(gesture);
    if (found.characters() > 0) {
      // Commands that end in a plain key are kept as what they did, never as what was pressed.
      Optional<ActionId> action =
          found.kept().isPresent() || found.plain() == 0
              ? interpreter.does(typing, gesture)
              : Optional.empty();
      return action
          .map(a -> new Known(keyed(typing, found.kept().orElse(gesture), Optional.of(a)), 0, ""))
          .orElseGet(() -> new Known(typing, found.characters(), ""));
    }
    if (interpreter.writes(typing, gesture)) {
      return new Known(typing, gesture.presses(), "");
    }
    Deed deed = keyed(typing, gesture, Optional.empty());
    return found.spelled() == 0
        ? new Known(deed, 0, "")
        : new Known(
            deed,
            0,
            "",
            Optional.of(
                new Spelled(gesture, found.spelled(), interpreter.binds(typing, gesture), typing)));
  }

  private static Deed keyed(Deed where, Gesture input, Optional<ActionId> action) {
    return new Deed(
        where.machine(),
        where.application(),
        Device.KEYBOARD,
        input.toString(),
        "",
        List.of(),
        action);
  }

  private Known pointer(Raw raw, Device device) {
    String input = raw.input().strip();
    if (!input.isEmpty()) {
      try {
        String usual = TOUCHES.getOrDefault(input.toLowerCase(Locale.ROOT), input);
        Gesture gesture = Gesture.parse(usual);
        if (gesture.steps().size() != 1 || !gesture.usesPointer()) {
          return refused(worded("log.the-input-of-a-pointer-is"));
        }
        input = gesture.toString();
      } catch (GestureSyntaxException _) {
        return refused(worded("log.the-input-of-a-pointer-is"));
      }
    }
    String path = raw.path().strip();
    return new Known(
        Deed.seen(
            raw.machine().strip(),
            raw.application().strip(),
            device,
            input,
            raw.target().strip(),
            path.isEmpty() ? List.of() : List.of(STEP.split(path, -1))),
        0,
        "");
  }
}
