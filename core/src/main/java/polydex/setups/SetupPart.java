package polydex.setups;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.List;
import polydex.boards.Board;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.route.Machine;
import polydex.route.Remap;
import polydex.route.Setup;
import polydex.workspace.Workspace;

/**
 * A part of the picture of a setup, from fingers to focus.
 *
 * @param kind what it is
 * @param depth of its machine, 0 the outermost
 * @param title its name
 * @param detail what else is worth a line under it; may be empty
 * @param line of {@link SetupOutline}, the first that is about it
 */
public record SetupPart(Kind kind, int depth, String title, String detail, int line) {

  /** What a part is. */
  public enum Kind {
    BOARD,
    MACHINE,
    REMAP,
    /** A window that holds the next machine. */
    WINDOW,
    /** What changes keys on their way into the machine in a window. */
    TRANSLATION,
    APPLICATION,
    /** No application has the focus. */
    DESKTOP
  }

  /** The parts in the order in which a stroke meets them. O(lines · parts). */
  public static List<SetupPart> of(
      Workspace workspace, Setup setup, List<OutlineLine<Setup>> lines) {
    Catalog catalog = workspace.catalog();
    List<SetupPart> parts = new ArrayList<>();
    Board board = workspace.world().boards().get(setup.board());
    parts.add(
        new SetupPart(
            Kind.BOARD,
            0,
            board == null ? setup.board() : board.title(),
            worded("setups.board-2"),
            line(lines, 0, worded("setups.board"), "", 0)));
    List<Machine> machines = setup.machines();
    for (int depth = 0; depth < machines.size(); depth++) {
      Machine machine = machines.get(depth);
      int head = line(lines, depth, worded("setups.machine"), "", 0);
      String platform = title(catalog, machine.platform());
      parts.add(
          new SetupPart(
              Kind.MACHINE,
              depth,
              machine.title(),
              (machine.title().equals(platform) ? "" : platform + " ") + machine.version(),
              head));
      for (Remap remap : machine.remaps()) {
        parts.add(
            new SetupPart(
                Kind.REMAP,
                depth,
                remap.title(),
                worded("setups.remap-2"),
                line(lines, depth + 1, worded("setups.remap"), remap.title(), head)));
      }
      int focus = line(lines, depth, worded("setups.in-focus"), "", head);
      switch (machine.focus()) {
        case Machine.Bare _ ->
            parts.add(
                new SetupPart(Kind.DESKTOP, depth, worded("setups.the-desktop-itself"), "", focus));
        case Machine.Running r ->
            parts.add(
                new SetupPart(
                    Kind.APPLICATION,
                    depth,
                    title(catalog, r.application()),
                    r.contexts().isEmpty()
                        ? worded("setups.in-focus-2")
                        : worded("setups.in-focus-3", contexts(catalog, r)),
                    focus));
        case Machine.SessionWindow s -> {
          parts.add(
              new SetupPart(
                  Kind.WINDOW, depth, title(catalog, s.application()), captures(s), focus));
          if (s.translation().filter(t -> !t.keyRules().isEmpty()).isPresent()) {
            parts.add(
                new SetupPart(
                    Kind.TRANSLATION,
                    depth,
                    worded(
                        "setups.keys", SetupOutline.count(s.translation().get().keyRules().size())),
                    worded("setups.translated"),
                    line(lines, depth, worded("setups.translates-keys"), "", head)));
          }
        }
      }
    }
    return List.copyOf(parts);
  }

  private static String captures(Machine.SessionWindow s) {
    if (!s.forwards()) {
      return worded("setups.hands-nothing-on");
    }
    return switch (s.capture()) {
      case NEVER -> worded("setups.captures-nothing");
      case ALWAYS -> worded("setups.captures-strokes-2");
      case FULL_SCREEN ->
          s.fullScreen()
              ? worded("setups.captures-full-screen-now")
              : worded("setups.would-capture-in-full-screen");
    };
  }

  private static String contexts(Catalog catalog, Machine.Running running) {
    Environment environment = catalog.environment(running.application()).orElse(null);
    return String.join(
        ", ",
        running.contexts().stream()
            .map(
                id ->
                    environment == null
                        ? id
                        : environment.context(id).map(c -> c.title()).orElse(id))
            .toList());
  }

  private static String title(Catalog catalog, EnvironmentId id) {
    return catalog.environment(id).map(Environment::title).orElse(id.value());
  }

  /** The first line from one on with that label, and that value where one is asked for. */
  private static int line(
      List<OutlineLine<Setup>> lines, int depth, String label, String value, int from) {
    for (int i = from; i < lines.size(); i++) {
      OutlineLine<Setup> line = lines.get(i);
      if (line.depth() == depth
          && line.label().equals(label)
          && (value.isEmpty() || line.value().equals(value))) {
        return i;
      }
    }
    return from;
  }
}
