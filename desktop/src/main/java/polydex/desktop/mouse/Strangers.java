package polydex.desktop.mouse;

import static polydex.desktop.language.DesktopWords.worded;
import static polydex.language.Language.quoted;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.own.OwnKey;
import polydex.person.SetupsForLog;
import polydex.route.Setup;
import polydex.totals.Standing.Strange;

/** Machines and programs of the log that nobody knows: how they are said, and what helps. */
final class Strangers {
  private static final int SAID = 4;

  private Strangers() {}

  /** Who they are, and what to do about it. */
  static String said(List<Strange> strangers) {
    Set<String> machines = new LinkedHashSet<>();
    List<String> programs = new ArrayList<>();
    for (Strange s : strangers) {
      if (s.isMachine()) {
        machines.add(s.machine().isEmpty() ? worded("mouse.without-a-name") : quoted(s.machine()));
      } else {
        programs.add(
            worded("mouse.by-pointer-by-keys", s.application(), s.byPointer(), s.byKeys()));
      }
    }
    List<String> words = new ArrayList<>();
    if (!machines.isEmpty()) {
      words.add(
          worded(
              "mouse.so-what-was-done-there-cant",
              worded("mouse.no-setup-has-the-machines", machines.size()),
              first(List.copyOf(machines))));
    }
    if (!programs.isEmpty()) {
      words.add(
          worded(
              "mouse.sheets-turn-in-sheets-brings-in",
              worded("mouse.no-keymap-knows-the-programs", programs.size()),
              first(programs)));
    }
    return String.join(" ", words);
  }

  private static String first(List<String> names) {
    return names.stream().limit(SAID).collect(Collectors.joining(", "))
        + (names.size() > SAID ? worded("mouse.and-others", names.size() - SAID) : "");
  }

  /** Makes the setups that the log needs, where something is known of them. */
  static Optional<KeyCommand> setups(Desk desk, List<Strange> strangers) {
    List<Setup> made = SetupsForLog.of(desk.session().workspace().get(), strangers);
    if (made.isEmpty()) {
      return Optional.empty();
    }
    String title = worded("mouse.make-the-setups-it-needs", made.size(), made.getFirst().title());
    return Optional.of(
        KeyCommand.of(
            OwnKey.MAKE_SETUPS,
            title,
            () -> {
              desk.keys().close();
              SetupsForLog.edit(desk.session().workspace().get(), strangers)
                  .ifPresent(desk.session()::apply);
            }));
  }
}
