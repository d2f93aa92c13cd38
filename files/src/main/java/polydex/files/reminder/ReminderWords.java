package polydex.files.reminder;

import static polydex.files.language.FilesWords.worded;
import static polydex.language.Language.decimals;

import java.util.List;
import java.util.Map;
import polydex.catalog.Catalog;
import polydex.catalog.Naming;
import polydex.keys.CapMark;
import polydex.keys.Gesture;
import polydex.keys.Modifier;
import polydex.reminder.Dearest;

/**
 * What is said at a pause.
 *
 * @param action what was done with the pointer
 * @param application where
 * @param keys that do it
 * @param cost how often it was done, and what keys would have saved, as a part of a sentence
 * @param answers keys that answer it, and what they do
 */
record ReminderWords(
    String action, String application, Keys keys, String cost, List<Answer> answers) {

  /** Copies the list. */
  ReminderWords {
    answers = List.copyOf(answers);
  }

  /**
   * Keys, in writing and as caps.
   *
   * @param written in the notation
   */
  record Keys(String written, List<CapMark> caps) {
    static Keys of(Gesture gesture, Map<Modifier, String> names) {
      return new Keys(gesture.toString(), CapMark.of(gesture, names));
    }
  }

  /**
   * Keys that answer, and what they do.
   *
   * @param button the same as it stands on a button
   */
  record Answer(Keys keys, String does, String button) {}

  /**
   * Of what cost most.
   *
   * @param drill takes it into the next drill
   * @param never leaves it out for good
   */
  static ReminderWords of(Dearest dearest, Catalog catalog, Gesture drill, Gesture never) {
    Naming naming = new Naming(catalog);
    Map<Modifier, String> names = naming.words(dearest.item().environment());
    return new ReminderWords(
        catalog.title(dearest.item().action()),
        naming.title(dearest.place().environment()),
        Keys.of(dearest.gesture(), names),
        cost(dearest),
        List.of(
            new Answer(
                Keys.of(drill, names),
                worded("reminder.takes-it-into-the-next-drill"),
                worded("reminder.into-the-next-drill")),
            new Answer(
                Keys.of(never, names),
                worded("reminder.never-says-it-again"),
                worded("reminder.never-again"))));
  }

  private static String cost(Dearest dearest) {
    String seconds =
        dearest.seconds() < 1.5
            ? worded("reminder.a-second")
            : worded("reminder.about-seconds", decimals(0, dearest.seconds()));
    return worded(
        "reminder.with-the-mouse-just-now-keys", worded("reminder.times", dearest.uses()), seconds);
  }

  /** In one sentence, with the keys in writing. */
  String sentence() {
    return worded("reminder.done", action, application, keys.written(), cost);
  }

  /** The answers in one sentence. */
  String answered() {
    return String.join(
        "; ", answers.stream().map(a -> a.keys().written() + " " + a.does()).toList());
  }
}
