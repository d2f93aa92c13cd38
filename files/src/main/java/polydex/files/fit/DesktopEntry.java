package polydex.files.fit;

import static polydex.files.language.FilesWords.worded;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import polydex.files.FileProblem;
import polydex.keys.Gesture;
import polydex.keys.GestureReader;
import polydex.keys.GestureSyntaxException;
import polydex.keys.Visible;

/**
 * A Desktop Entry, by the Desktop Entry Specification 1.5: what a launcher file starts, and its
 * further actions. Several desktops keep a launcher's keys in a key of their own, {@code
 * X-...-Shortcut} or {@code X-...-Shortcuts}.
 *
 * @param name in the language that was asked for, or else that of the file
 * @param type {@code Application}, {@code Link} or {@code Directory}
 * @param starts the command, or of a link the address; may be empty
 * @param workingFolder in which it starts; may be empty
 * @param shown whether it is shown to people at all
 * @param keys what is pressed for it, where the file says so and it can be read
 * @param actions what else it can start
 */
public record DesktopEntry(
    String name,
    String type,
    String starts,
    String workingFolder,
    boolean shown,
    List<Gesture> keys,
    List<Action> actions) {

  /**
   * One of its further actions.
   *
   * @param id its name in the file
   * @param name in the language of the file
   * @param starts the command
   * @param keys what is pressed for it
   */
  public record Action(String id, String name, String starts, List<Gesture> keys) {
    /** Copies the list. */
    public Action {
      keys = List.copyOf(keys);
    }
  }

  /** The largest file that is read, in bytes. */
  public static final int LARGEST = 1 << 20;

  private static final String MAIN = "Desktop Entry";
  private static final String ACTION = "Desktop Action ";
  private static final Pattern KEY =
      Pattern.compile("[A-Za-z0-9-]{1,200}(?:\\[[^\\]\\[]{1,60}\\])?");
  private static final int MOST_ACTIONS = 200;

  /** Copies the lists. */
  public DesktopEntry {
    keys = List.copyOf(keys);
    actions = List.copyOf(actions);
  }

  /**
   * Reads an entry. O(bytes).
   *
   * @param file its name, for messages
   * @throws FileProblem that says the line, and what was expected
   */
  public static DesktopEntry read(String file, byte[] bytes) throws FileProblem {
    return read(file, bytes, List.of());
  }

  /**
   * Reads an entry with its names in a language, as far as it has them. O(bytes).
   *
   * @param file its name, for messages
   * @param languages the best first: {@code de_CH}, {@code de}
   * @throws FileProblem that says the line, and what was expected
   */
  public static DesktopEntry read(String file, byte[] bytes, List<String> languages)
      throws FileProblem {
    if (bytes.length > LARGEST) {
      throw new FileProblem(worded("any.is-larger-than-1-mib-it", file));
    }
    String text;
    try {
      text = StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes)).toString();
    } catch (CharacterCodingException e) {
      throw new FileProblem(worded("fit.is-not-text-in-utf-8", file), e);
    }
    Map<String, Map<String, String>> groups = groups(file, text);
    Map<String, String> main = groups.get(MAIN);
    if (main == null) {
      throw new FileProblem(worded("fit.expected-the-group-desktop-entry-it", file));
    }
    String type = main.getOrDefault("Type", "");
    if (main.getOrDefault("Name", "").isEmpty() || type.isEmpty()) {
      throw new FileProblem(
          worded("fit.expected-in-desktop-entry-it-was", file, type.isEmpty() ? "Type=" : "Name="));
    }
    List<Action> actions = new ArrayList<>();
    for (String id : list(main.getOrDefault("Actions", ""))) {
      Map<String, String> group = groups.get(ACTION + id);
      if (group != null && actions.size() < MOST_ACTIONS) {
        actions.add(
            new Action(
                Visible.of(id),
                plain(named(group, languages).orElse(id)),
                plain(group.getOrDefault("Exec", "")),
                keys(group)));
      }
    }
    boolean shown = !isTrue(main, "NoDisplay") && !isTrue(main, "Hidden");
    return new DesktopEntry(
        plain(named(main, languages).orElseThrow()),
        plain(type),
        plain(main.getOrDefault(type.equals("Link") ? "URL" : "Exec", "")),
        plain(main.getOrDefault("Path", "")),
        shown,
        keys(main),
        actions);
  }

  private static Optional<String> named(Map<String, String> group, List<String> languages) {
    return languages.stream()
        .map(l -> group.get("Name[" + l + "]"))
        .filter(n -> n != null && !n.isBlank())
        .findFirst()
        .or(() -> Optional.ofNullable(group.get("Name")));
  }

  private static boolean isTrue(Map<String, String> group, String key) {
    String value = group.getOrDefault(key, "");
    return value.equals("true") || value.equals("1");
  }

  private static Map<String, Map<String, String>> groups(String file, String text)
      throws FileProblem {
    Map<String, Map<String, String>> groups = new LinkedHashMap<>();
    Map<String, String> group = null;
    int number = 0;
    for (String line : (Iterable<String>) text.lines()::iterator) {
      number++;
      if (line.isBlank() || line.startsWith("#")) {
        continue;
      }
      if (line.startsWith("[") && line.stripTrailing().endsWith("]")) {
        String name = line.strip().substring(1, line.strip().length() - 1);
        group = new HashMap<>();
        if (groups.putIfAbsent(name, group) != null) {
          throw problem(file, number, worded("fit.the-group-is-there-twice", name));
        }
        continue;
      }
      int equals = line.indexOf('=');
      String key = equals < 0 ? "" : line.substring(0, equals).strip();
      if (group == null || equals < 0 || !KEY.matcher(key).matches()) {
        throw problem(
            file,
            number,
            group == null
                ? worded("fit.expected-a-group-such-as-desktop")
                : worded("fit.expected-a-key-and-a-value"));
      }
      if (group.putIfAbsent(key, line.substring(equals + 1).strip()) != null) {
        throw problem(file, number, worded("fit.is-there-twice", key));
      }
    }
    return groups;
  }

  private static FileProblem problem(String file, int line, String what) {
    return new FileProblem(worded("fit.line-it-was-not-read", file, line, what));
  }

  private static List<String> list(String value) {
    return Pattern.compile(";")
        .splitAsStream(value)
        .map(String::strip)
        .filter(s -> !s.isEmpty())
        .toList();
  }

  /** A value with what stands for spaces, line ends and backslashes. */
  private static String plain(String value) {
    StringBuilder text = new StringBuilder();
    for (int i = 0; i < value.length(); i++) {
      char c = value.charAt(i);
      if (c == '\\' && i + 1 < value.length()) {
        char next = value.charAt(++i);
        text.append(
            switch (next) {
              case 's' -> " ";
              case 'n', 't', 'r' -> " ";
              case '\\' -> "\\";
              default -> "\\" + next;
            });
      } else {
        text.append(c);
      }
    }
    return Visible.of(text.toString().strip());
  }

  private static List<Gesture> keys(Map<String, String> group) {
    List<Gesture> found = new ArrayList<>();
    for (Map.Entry<String, String> e : group.entrySet()) {
      if (e.getKey().matches("X-[A-Za-z0-9-]+-Shortcuts?")) {
        for (String written : list(e.getValue().replace(',', ';'))) {
          gesture(written).ifPresent(found::add);
        }
      }
    }
    return found.stream().distinct().toList();
  }

  private static Optional<Gesture> gesture(String written) {
    try {
      return written.length() > 200
          ? Optional.empty()
          : Optional.of(GestureReader.PLAIN.read(written).gesture());
    } catch (GestureSyntaxException _) {
      return Optional.empty();
    }
  }

  /**
   * An entry that starts a command, as text.
   *
   * @param name what it is called
   * @param command its program and arguments, each as it is
   */
  public static String starting(String name, List<String> command) {
    StringBuilder exec = new StringBuilder();
    for (String argument : command) {
      exec.append(exec.isEmpty() ? "" : " ").append(quoted(argument));
    }
    return "[Desktop Entry]\nType=Application\nName=%s\nExec=%s\n"
        .formatted(escaped(name), escaped(exec.toString()));
  }

  /** An entry that opens an address, as text. */
  public static String opening(String name, String address) {
    return "[Desktop Entry]\nType=Link\nName=%s\nURL=%s\n"
        .formatted(escaped(name), escaped(address));
  }

  /** In quotation marks, as the specification asks for what has reserved characters. */
  private static String quoted(String argument) {
    String plain = argument.replace("%", "%%");
    if (plain.matches("[A-Za-z0-9_./:=@%+,-]+")) {
      return plain;
    }
    return "\"" + plain.replaceAll("([\"`$\\\\])", "\\\\$1") + "\"";
  }

  private static String escaped(String value) {
    return Visible.of(value).replace("\\", "\\\\").replaceAll("\\s", " ");
  }
}
