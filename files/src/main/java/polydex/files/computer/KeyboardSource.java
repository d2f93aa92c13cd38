package polydex.files.computer;

import static polydex.files.language.FilesWords.worded;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.boards.Layout;
import polydex.computer.Finding;
import polydex.computer.Finding.Keyboard;
import polydex.files.FileProblem;
import polydex.files.xkb.XkbLayouts;

/**
 * How the keyboard is set: what the X server says, or else the system's own file. Layout and
 * variant are read from the installed descriptions, and so is what the options do.
 */
final class KeyboardSource implements ComputerSource {
  private static final long LARGEST_BYTES = 1 << 16;

  private final Surroundings here;

  KeyboardSource(Surroundings here) {
    this.here = here;
  }

  @Override
  public String title() {
    return worded("computer.keyboard");
  }

  /** Layouts with their variants, and options, as they were told. */
  private record Set(List<String> layouts, List<String> options, String where) {
    static Optional<Set> of(Map<String, String> said, String where) {
      List<String> layouts = split(said.getOrDefault("layout", ""));
      List<String> variants = split(said.getOrDefault("variant", ""));
      List<String> named = new ArrayList<>();
      for (int i = 0; i < layouts.size(); i++) {
        String variant = i < variants.size() ? variants.get(i) : "";
        if (!layouts.get(i).isEmpty()) {
          named.add(layouts.get(i) + (variant.isEmpty() ? "" : "(" + variant + ")"));
        }
      }
      List<String> options =
          split(said.getOrDefault("options", "")).stream().filter(o -> !o.isEmpty()).toList();
      return named.isEmpty() ? Optional.empty() : Optional.of(new Set(named, options, where));
    }

    private static List<String> split(String list) {
      return Arrays.stream(list.split(",", -1)).map(String::strip).limit(32).toList();
    }
  }

  @Override
  public void read(Listener to) throws FileProblem {
    Optional<Set> found = running();
    if (found.isEmpty()) {
      found = file(here.at("/etc/default/keyboard"));
    }
    if (found.isEmpty()) {
      found = file(here.at("/etc/vconsole.conf"));
    }
    Set set =
        found.orElseThrow(() -> new FileProblem(worded("computer.neither-the-x-server-nor-a")));
    if (here.variable("XDG_SESSION_TYPE").filter("wayland"::equals).isPresent()) {
      to.remark(worded("computer.this-session-keeps-its-keyboard-with"));
    }
    XkbLayouts layouts = new XkbLayouts(here.at(XkbLayouts.USUAL.toString()));
    String name = set.layouts().getFirst();
    to.at(name);
    List<String> remarks = new ArrayList<>();
    List<String> known = new ArrayList<>();
    for (String option : set.options()) {
      if (layouts.changesKeys(option)) {
        known.add(option);
      } else {
        remarks.add(worded("computer.the-option-moves-no-key-as", option));
      }
    }
    Layout layout = layouts.layout(name, known);
    MovedKeys moved = MovedKeys.of(layouts, name, known);
    remarks.addAll(moved.remarks());
    List<Layout> others = new ArrayList<>();
    for (String other : set.layouts().subList(1, set.layouts().size())) {
      try {
        others.add(layouts.layout(other, known));
      } catch (FileProblem e) {
        remarks.add(e.getMessage());
      }
    }
    remarks.add(worded("computer.which-board-it-is-cant-be"));
    to.found(
        new Finding(
            "keyboard",
            worded("computer.keyboard"),
            set.where(),
            new Keyboard(layout, others, moved.remap().stream().toList()),
            remarks,
            true));
  }

  private Optional<Set> running() {
    if (here.variable("DISPLAY").isEmpty()) {
      return Optional.empty();
    }
    return here.tools()
        .run(List.of("setxkbmap", "-query"))
        .flatMap(
            said -> {
              Map<String, String> values = new HashMap<>();
              said.lines()
                  .forEach(
                      line -> {
                        int colon = line.indexOf(':');
                        if (colon > 0) {
                          values.put(
                              line.substring(0, colon).strip(), line.substring(colon + 1).strip());
                        }
                      });
              return Set.of(values, worded("computer.the-x-server-setxkbmap-query"));
            });
  }

  /** {@code XKBLAYOUT="de"}: what the shell reads of it is not run. */
  private static Optional<Set> file(Path file) {
    try {
      if (!Files.isRegularFile(file) || Files.size(file) > LARGEST_BYTES) {
        return Optional.empty();
      }
      Map<String, String> values = new HashMap<>();
      for (String line : Files.readString(file, StandardCharsets.UTF_8).lines().toList()) {
        int equals = line.indexOf('=');
        if (line.strip().startsWith("XKB") && equals > 0) {
          values.put(
              line.substring(0, equals).strip().substring(3).toLowerCase(java.util.Locale.ROOT),
              line.substring(equals + 1).strip().replaceAll("^([\"'])(.*)\\1$", "$2"));
        }
      }
      return Set.of(values, file.toString());
    } catch (IOException _) {
      return Optional.empty();
    }
  }
}
