package polydex.desktop.mouse;

import static polydex.desktop.language.DesktopWords.worded;

import java.security.SecureRandom;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import polydex.desktop.desk.Desk;
import polydex.desktop.state.Beside;
import polydex.files.reminder.ReminderChoices;
import polydex.files.reminder.ReminderChoices.Where;
import polydex.keys.Gesture;
import polydex.reminder.Lot;
import polydex.route.Setup;
import polydex.workspace.Workspace;

/** Asks whether and where something is said when hands rest, and with which keys one answers. */
final class LineAtRest {
  /** Something that can be chosen. */
  private record Choice(String title, Runnable act) {}

  private final Desk desk;
  private final Runnable back;
  private final Supplier<Optional<Setup>> setup;
  private final Supplier<Gesture> pause;
  private final Beside beside = new Beside("line at rest");
  private final AnywhereKeys free;

  /**
   * Nothing asked yet.
   *
   * @param back shows what it was asked from
   * @param setup the one of this computer, if there is one
   * @param pause the gesture that pauses the recorder
   */
  LineAtRest(Desk desk, Runnable back, Supplier<Optional<Setup>> setup, Supplier<Gesture> pause) {
    this.desk = desk;
    this.back = back;
    this.setup = setup;
    this.pause = pause;
    free = new AnywhereKeys(desk, beside);
  }

  /** What was chosen. */
  ReminderChoices choices() {
    return ReminderChoices.of(
        Map.of(
            ReminderChoices.WHERE,
            desk.session().setting(ReminderChoices.WHERE).orElse(""),
            ReminderChoices.DRILL,
            desk.session().setting(ReminderChoices.DRILL).orElse(""),
            ReminderChoices.NEVER,
            desk.session().setting(ReminderChoices.NEVER).orElse("")));
  }

  /** The lot of this file, drawn when it is asked for first. */
  Lot lot() {
    Optional<Lot> drawn = desk.session().setting(ReminderChoices.LOT).flatMap(Lot::read);
    Lot lot = drawn.orElseGet(() -> new Lot(new SecureRandom().nextLong()));
    if (drawn.isEmpty()) {
      desk.session().setting(ReminderChoices.LOT, lot.written());
    }
    return lot;
  }

  /** In a word. */
  String now() {
    return words(choices().where());
  }

  private static String words(Where where) {
    return switch (where) {
      case OFF -> worded("any.off");
      case WINDOW -> worded("mouse.in-a-small-window");
      case NOTICE -> worded("mouse.as-a-notice-of-the-desktop");
    };
  }

  /** Asks about it. */
  void ask() {
    ReminderChoices now = choices();
    List<Choice> all = new ArrayList<>();
    for (Where where : Where.values()) {
      String words = words(where);
      all.add(
          new Choice(
              words.substring(0, 1).toUpperCase(Locale.ROOT)
                  + words.substring(1)
                  + (where == now.where() ? worded("mouse.as-it-is-now") : ""),
              () -> {
                desk.session()
                    .setting(ReminderChoices.WHERE, where.name().toLowerCase(Locale.ROOT));
                back.run();
              }));
    }
    all.add(keys(worded("mouse.keys-that-take-it-into-the"), ReminderChoices.DRILL, now.drill()));
    all.add(keys(worded("mouse.keys-that-leave-it-out-for"), ReminderChoices.NEVER, now.never()));
    desk.dialogs()
        .choose(
            worded("mouse.a-line-when-your-hands-rest"),
            worded("mouse.after-a-minute-without-a-hand"),
            all,
            Choice::title,
            c -> c.act().run());
  }

  private Choice keys(String title, String setting, Optional<Gesture> now) {
    return new Choice(
        "%s: %s …"
            .formatted(
                title,
                now.map(Gesture::toString).orElse(worded("mouse.the-easiest-that-are-free"))),
        () -> chooseKeys(title, setting));
  }

  private void chooseKeys(String title, String setting) {
    Gesture pauses = pause.get();
    setup
        .get()
        .ifPresent(
            here -> free.ask(title, here, List.of(), pauses::equals, g -> check(setting, g, here)));
  }

  private void check(String setting, Gesture gesture, Setup here) {
    ReminderChoices now = choices();
    ReminderChoices wanted =
        setting.equals(ReminderChoices.DRILL)
            ? new ReminderChoices(now.where(), Optional.of(gesture), now.never())
            : new ReminderChoices(now.where(), now.drill(), Optional.of(gesture));
    Workspace workspace = desk.session().workspace().get();
    Gesture pauses = pause.get();
    beside.ask(
        course -> wanted.answers(workspace.world(), here, pauses, () -> !course.isWanted()),
        _ -> {
          desk.session().setting(setting, gesture.toString());
          ask();
        },
        desk.session()::problem);
  }
}
