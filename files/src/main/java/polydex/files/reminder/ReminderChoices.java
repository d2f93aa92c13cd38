package polydex.files.reminder;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import org.jspecify.annotations.Nullable;
import polydex.files.FileProblem;
import polydex.hands.AnywhereGesture;
import polydex.keys.Gesture;
import polydex.keys.GestureSyntaxException;
import polydex.route.Setup;
import polydex.route.World;

/**
 * What somebody has chosen for the line at a pause, as it stands in the file's settings.
 *
 * @param where it is shown; none for no line, which is the usual
 * @param drill the gesture that takes what is said into the next drill, where one was chosen
 * @param never the gesture that leaves it out for good
 */
public record ReminderChoices(Where where, Optional<Gesture> drill, Optional<Gesture> never) {
  /** The setting that has where it is shown. */
  public static final String WHERE = "reminder";

  /** The setting that has the gesture for the next drill. */
  public static final String DRILL = "reminder into drill";

  /** The setting that has the gesture that leaves out. */
  public static final String NEVER = "reminder never";

  /** The setting that has the lot. */
  public static final String LOT = "reminder lot";

  /** Where it is shown. */
  public enum Where {
    /** Nowhere. */
    OFF,
    /** In a small window of our own. */
    WINDOW,
    /** As a notice of the desktop's. */
    NOTICE
  }

  /** The two gestures that answer. */
  public record Answers(Gesture drill, Gesture never) {}

  /** What the settings of a file say; off where they say nothing that can be read. */
  public static ReminderChoices of(Map<String, String> settings) {
    Where where = Where.OFF;
    for (Where w : Where.values()) {
      if (w.name().equalsIgnoreCase(settings.getOrDefault(WHERE, ""))) {
        where = w;
      }
    }
    return new ReminderChoices(where, read(settings.get(DRILL)), read(settings.get(NEVER)));
  }

  private static Optional<Gesture> read(@Nullable String written) {
    try {
      return Optional.ofNullable(written).filter(w -> !w.isEmpty()).map(Gesture::parse);
    } catch (GestureSyntaxException _) {
      return Optional.empty();
    }
  }

  /**
   * The gestures that answer on a computer: those that were chosen, or else the easiest that are
   * free. May take a second.
   *
   * @param pause the gesture that pauses the recorder, which is none of them
   * @throws FileProblem where one that was chosen is in use, or none is free
   */
  public Answers answers(World world, Setup setup, Gesture pause, BooleanSupplier stopped)
      throws FileProblem {
    List<Gesture> found = new ArrayList<>();
    for (Optional<Gesture> chosen : List.of(drill, never)) {
      if (chosen.isPresent()) {
        Optional<String> problem =
            chosen.get().equals(pause)
                ? Optional.of(worded("reminder.pauses-the-recorder", pause))
                : AnywhereGesture.problem(world, setup, chosen.get());
        if (problem.isPresent()) {
          throw new FileProblem(
              worded("reminder.choose-other-keys-that-answer-the", problem.get()));
        }
      }
    }
    if (drill.isPresent() && drill.equals(never)) {
      throw new FileProblem(worded("reminder.cant-answer-the-line-in-two", drill.get()));
    }
    List<Gesture> free = new ArrayList<>();
    if (drill.isEmpty() || never.isEmpty()) {
      free.addAll(AnywhereGesture.free(world, setup, 4, stopped));
      free.remove(pause);
      drill.ifPresent(free::remove);
      never.ifPresent(free::remove);
    }
    for (Optional<Gesture> chosen : List.of(drill, never)) {
      if (chosen.isEmpty() && free.isEmpty()) {
        throw new FileProblem(worded("reminder.no-keys-are-free-on-this"));
      }
      found.add(chosen.isPresent() ? chosen.get() : free.removeFirst());
    }
    return new Answers(found.get(0), found.get(1));
  }
}
