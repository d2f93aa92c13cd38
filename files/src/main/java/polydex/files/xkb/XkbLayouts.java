package polydex.files.xkb;

import static polydex.files.language.FilesWords.worded;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import polydex.boards.Layout;
import polydex.boards.Layout.Symbol;
import polydex.files.FileProblem;
import polydex.files.xkb.XkbSection.DefaultType;
import polydex.files.xkb.XkbSection.Group;
import polydex.files.xkb.XkbSection.Include;
import polydex.files.xkb.XkbSection.KeySymbols;
import polydex.files.xkb.XkbSection.Merge;
import polydex.keys.Key;
import polydex.keys.Keysyms;

/**
 * The layouts of an installed xkb-data, by the names that desktops have for them: {@code de},
 * {@code de(nodeadkeys)}. A layout is read as the rules of a plain PC keyboard compose it: the
 * common keys first, the layout over them. What is read is the first group, up to four levels.
 */
public final class XkbLayouts {
  /** What stands before the name of an installed layout where others are named too. */
  public static final String PREFIX = "xkb:";

  /** Where desktops install the data. */
  public static final Path USUAL = Path.of("/usr/share/X11/xkb");

  private static final Pattern NAME =
      Pattern.compile("(?<file>[A-Za-z0-9_./-]+)(\\((?<section>[^)]*)\\))?(:(?<group>[1-4]))?");
  private static final int DEEPEST = 32;
  private static final long LARGEST_BYTES = 4 << 20;
  private static final int LEVELS = 4;
  private static final Map<String, Key> KEYS = keys();

  /** Layouts whose plain board has its letters in another order, as the evdev rules list them. */
  private static final Set<String> AZERTY = Set.of("be", "fr");

  private static final Set<String> QWERTZ =
      Set.of("al", "ba", "ch", "cz", "de", "hr", "hu", "ro", "si", "sk");
  private static final List<String> ROWS = List.of("AD", "AC", "AB");

  /** Levels that a key type has, for the few with fewer than four that layouts name. */
  private static final Map<String, Integer> WIDTHS =
      Map.of("ONE_LEVEL", 1, "TWO_LEVEL", 2, "ALPHABETIC", 2, "KEYPAD", 2, "THREE_LEVEL", 3);

  private final Path symbols;
  private final Path list;
  private final Path rules;
  private final Map<String, Map<String, XkbSection>> files = new HashMap<>();

  /**
   * The layouts in a folder that has {@code symbols} and {@code rules} in it.
   *
   * @throws FileProblem if there is no such folder
   */
  public XkbLayouts(Path root) throws FileProblem {
    symbols = root.resolve("symbols").toAbsolutePath().normalize();
    list = root.resolve("rules/evdev.lst");
    rules = root.resolve("rules/evdev");
    if (!Files.isDirectory(symbols)) {
      throw new FileProblem(worded("xkb.there-are-no-keyboard-layouts-in", root));
    }
  }

  /** Every layout and variant that the rules list, with its title. */
  public Map<String, String> titles() throws FileProblem {
    Map<String, String> found = new LinkedHashMap<>();
    String part = "";
    for (String line : text(list).lines().toList()) {
      if (line.startsWith("!")) {
        part = line.substring(1).strip();
      } else if (part.equals("layout") && !line.isBlank()) {
        String[] words = line.strip().split("\\s+", 2);
        found.put(words[0], words.length > 1 ? words[1] : words[0]);
      } else if (part.equals("variant") && !line.isBlank()) {
        Matcher variant = Pattern.compile("\\s*(\\S+)\\s+(\\S+):\\s*(.*)").matcher(line);
        if (variant.matches()) {
          found.put(variant.group(2) + "(" + variant.group(1) + ")", variant.group(3));
        }
      }
    }
    return found;
  }

  /**
   * A layout by its name.
   *
   * @param name {@code de} or {@code de(nodeadkeys)}
   * @throws FileProblem if there is none of that name, or it can't be read; the message says where
   */
  public Layout layout(String name) throws FileProblem {
    return layout(name, List.of());
  }

  /**
   * A layout by its name, as options make it.
   *
   * @param name {@code de} or {@code de(nodeadkeys)}
   * @param options {@code eurosign:e}; those that change no writing key leave its id as it is
   * @throws FileProblem if there is none of that name, or it can't be read; the message says where
   */
  public Layout layout(String name, List<String> options) throws FileProblem {
    if (options.isEmpty()) {
      return layout(name, PREFIX + name, "", composed(name));
    }
    Layout plain = layout(name);
    String with = String.join(",", options);
    Layout changed =
        layout(name, PREFIX + name + "+" + with, " with " + with, composed(name, options));
    return changed.symbols().equals(plain.symbols()) ? plain : changed;
  }

  private Layout layout(String name, String id, String behind, State state) throws FileProblem {
    Matcher matcher = named(name);
    XkbSection main = section(matcher.group("file"), matcher.group("section"));
    Map<Key, List<Optional<Symbol>>> symbolsByKey = new EnumMap<>(Key.class);
    state.keys.forEach(
        (xkbName, groups) -> {
          Key key = KEYS.get(xkbName);
          Group first = groups.get(1);
          if (key != null && first != null) {
            List<Optional<Symbol>> levels = levels(first);
            if (levels.stream().anyMatch(Optional::isPresent)) {
              symbolsByKey.put(key, levels);
            }
          }
        });
    if (symbolsByKey.isEmpty()) {
      throw new FileProblem(worded("xkb.the-layout-types-nothing", name));
    }
    return new Layout(id, main.title().orElse(name) + behind, symbolsByKey);
  }

  /**
   * What each key gives by itself, by its name in X keyboard descriptions ({@code CAPS}), as
   * options make it; keys that give nothing are not in it.
   *
   * @throws FileProblem if there is no such layout, or it can't be read
   */
  public Map<String, String> alone(String name, List<String> options) throws FileProblem {
    Map<String, String> found = new TreeMap<>();
    composed(name, options)
        .keys
        .forEach(
            (key, groups) ->
                Optional.ofNullable(groups.get(1))
                    .flatMap(g -> at(g, 0))
                    .ifPresent(keysym -> found.put(key, keysym)));
    return found;
  }

  /** Whether a key of a name in X keyboard descriptions writes characters. */
  public boolean isWritten(String xkbName) {
    return KEYS.containsKey(xkbName);
  }

  /** Whether an option adds anything to the symbols of any layout. */
  public boolean changesKeys(String option) throws FileProblem {
    return XkbRules.read(rules).knows(option);
  }

  /** The keysyms of the writing keys, up to four levels each, as they stand in the files. */
  public Map<Key, List<String>> keysyms(String name) throws FileProblem {
    State state = composed(name);
    Map<Key, List<String>> found = new EnumMap<>(Key.class);
    state.keys.forEach(
        (xkbName, groups) -> {
          Key key = KEYS.get(xkbName);
          if (key != null && groups.containsKey(1)) {
            Group first = groups.get(1);
            found.put(
                key,
                first.levels().stream()
                    .limit(width(first))
                    .map(k -> k.orElse("NoSymbol"))
                    .toList());
          }
        });
    return found;
  }

  private static int width(Group group) {
    return group.type().map(t -> WIDTHS.getOrDefault(t, LEVELS)).orElse(LEVELS);
  }

  private static List<Optional<Symbol>> levels(Group group) {
    List<Optional<Symbol>> levels = new ArrayList<>();
    for (Optional<String> keysym :
        group.levels().subList(0, Math.min(width(group), group.levels().size()))) {
      levels.add(
          keysym
              .flatMap(Keysyms::sign)
              .filter(s -> !Character.isISOControl(s.codePoint()))
              .map(s -> new Symbol(s.codePoint(), s.dead())));
    }
    // A single letter stands for its small and its capital form.
    if (levels.size() == 1 && group.type().isEmpty() && levels.getFirst().isPresent()) {
      int c = levels.getFirst().get().codePoint();
      if (Character.toUpperCase(c) != c) {
        levels.add(Optional.of(new Symbol(Character.toUpperCase(c), false)));
      }
    }
    return levels;
  }

  static @Nullable Key keyOf(String xkbName) {
    return KEYS.get(xkbName);
  }

  // ---- composing sections

  private static final class State {
    final Map<String, Map<Integer, Group>> keys = new HashMap<>();
    final Map<String, String> aliases;

    State(Map<String, String> aliases) {
      this.aliases = aliases;
    }
  }

  /** The common keys, and the layout over them. */
  private State composed(String name) throws FileProblem {
    State state = new State(aliases(named(name).group("file")));
    include("pc(pc105)", Merge.OVERRIDE, state, 0);
    include(name, Merge.OVERRIDE, state, 0);
    return state;
  }

  private State composed(String name, List<String> options) throws FileProblem {
    State state = composed(name);
    if (!options.isEmpty()) {
      for (String more : XkbRules.read(rules).symbols(named(name).group("file"), options)) {
        include(more, Merge.OVERRIDE, state, 0);
      }
    }
    return state;
  }

  private static Matcher named(String name) throws FileProblem {
    Matcher matcher = NAME.matcher(name);
    if (!matcher.matches()) {
      throw new FileProblem(worded("xkb.is-not-the-name-of-a", name));
    }
    return matcher;
  }

  /** Takes in {@code a(b)+c|d:2}: a plus overrides, a bar fills what is open. */
  private void include(String what, Merge merge, State into, int depth) throws FileProblem {
    if (depth > DEEPEST) {
      throw new FileProblem(worded("xkb.includes-itself", what));
    }
    Merge next = merge;
    for (String part : what.split("(?=[+|])")) {
      String name = part;
      if (part.startsWith("+") || part.startsWith("|")) {
        next = part.startsWith("+") ? Merge.OVERRIDE : Merge.AUGMENT;
        name = part.substring(1);
      }
      if (name.isBlank()) {
        continue;
      }
      Matcher matcher = named(name.strip());
      State one = new State(into.aliases);
      build(section(matcher.group("file"), matcher.group("section")), one, depth);
      int shift = Optional.ofNullable(matcher.group("group")).map(Integer::valueOf).orElse(1) - 1;
      for (Map.Entry<String, Map<Integer, Group>> key : one.keys.entrySet()) {
        Map<Integer, Group> groups = new TreeMap<>();
        key.getValue().forEach((g, group) -> groups.put(g + shift, group));
        merge(into, key.getKey(), groups, next);
      }
    }
  }

  private void build(XkbSection section, State state, int depth) throws FileProblem {
    Map<Integer, String> defaults = new HashMap<>();
    for (XkbSection.Statement statement : section.statements()) {
      switch (statement) {
        case Include i -> include(i.what(), i.merge(), state, depth + 1);
        case DefaultType d -> defaults.put(d.group(), d.type());
        case KeySymbols k -> {
          Map<Integer, Group> typed = new TreeMap<>();
          k.groups()
              .forEach(
                  (g, group) ->
                      typed.put(
                          g,
                          new Group(
                              group
                                  .type()
                                  .or(() -> Optional.ofNullable(defaults.get(g)))
                                  .or(() -> Optional.ofNullable(defaults.get(0))),
                              group.levels())));
          merge(state, k.key(), typed, k.merge());
        }
      }
    }
  }

  private static void merge(State into, String name, Map<Integer, Group> groups, Merge merge) {
    String key = into.aliases.getOrDefault(name, name);
    Map<Integer, Group> known = into.keys.get(key);
    if (known == null || merge == Merge.REPLACE) {
      into.keys.put(key, new TreeMap<>(groups));
      return;
    }
    groups.forEach(
        (g, group) ->
            known.merge(
                g,
                group,
                (before, now) ->
                    merge == Merge.AUGMENT ? filled(before, now) : filled(now, before)));
  }

  /** One group, with what it leaves open taken from another. */
  private static Group filled(Group first, Group second) {
    List<Optional<String>> levels = new ArrayList<>();
    for (int i = 0; i < Math.max(first.levels().size(), second.levels().size()); i++) {
      Optional<String> mine = at(first, i);
      levels.add(mine.isPresent() ? mine : at(second, i));
    }
    return new Group(first.type().or(second::type), levels);
  }

  private static Optional<String> at(Group group, int level) {
    return level < group.levels().size() ? group.levels().get(level) : Optional.empty();
  }

  // ---- files

  private XkbSection section(String file, @Nullable String name) throws FileProblem {
    Map<String, XkbSection> sections = files.get(file);
    if (sections == null) {
      sections = XkbParser.parse(file, text(inside(file)));
      files.put(file, sections);
    }
    Optional<XkbSection> found =
        name == null
            ? sections.values().stream()
                .filter(XkbSection::isDefault)
                .findFirst()
                .or(sections.values().stream()::findFirst)
            : Optional.ofNullable(sections.get(name));
    return found.orElseThrow(
        () ->
            new FileProblem(
                name == null
                    ? worded("xkb.has-no-sections", file)
                    : worded("xkb.has-no-variant", file, name)));
  }

  private Path inside(String file) throws FileProblem {
    Path path = symbols.resolve(file).normalize();
    if (!path.startsWith(symbols)) {
      throw new FileProblem(worded("xkb.leads-out-of-the-folder-of", file));
    }
    return path;
  }

  private static String text(Path path) throws FileProblem {
    try {
      if (!Files.isRegularFile(path)) {
        throw new FileProblem(worded("xkb.there-is-no-layout", path.getFileName()));
      }
      if (Files.size(path) > LARGEST_BYTES) {
        throw new FileProblem(worded("xkb.is-larger-than-4-mib", path));
      }
      return new String(Files.readAllBytes(path), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new FileProblem(worded("any.cant-be-read", path, e.getMessage()), e);
    }
  }

  /** Names by the letter that a key has on the plain board of a country, which some files use. */
  private static Map<String, String> aliases(String layout) {
    Map<String, String> names = new HashMap<>();
    names.put("AC12", "BKSL");
    names.put("HZTG", "TLDE");
    names.put("MENU", "COMP");
    List<String> rows =
        AZERTY.contains(layout)
            ? List.of("AZERTYUIOP", "QSDFGHJKLM", "WXCVBN")
            : QWERTZ.contains(layout)
                ? List.of("QWERTZUIOP", "ASDFGHJKL", "YXCVBNM")
                : List.of("QWERTYUIOP", "ASDFGHJKL", "ZXCVBNM");
    for (int row = 0; row < rows.size(); row++) {
      for (int i = 0; i < rows.get(row).length(); i++) {
        names.put("Lat" + rows.get(row).charAt(i), "%s%02d".formatted(ROWS.get(row), i + 1));
      }
    }
    return names;
  }

  private static Map<String, Key> keys() {
    Map<String, Key> keys = new HashMap<>();
    keys.put("TLDE", Key.Backquote);
    keys.put("BKSL", Key.Backslash);
    keys.put("LSGT", Key.IntlBackslash);
    keys.put("SPCE", Key.Space);
    keys.put("AE13", Key.IntlYen);
    keys.put("AB11", Key.IntlRo);
    row(keys, "AE", Key.Digit1, 12);
    row(keys, "AD", Key.KeyQ, 12);
    row(keys, "AC", Key.KeyA, 11);
    row(keys, "AB", Key.KeyZ, 10);
    return Map.copyOf(keys);
  }

  /** A row of keys, which stand in the order of the board in {@link Key} too. */
  private static void row(Map<String, Key> keys, String prefix, Key first, int count) {
    for (int i = 0; i < count; i++) {
      keys.put("%s%02d".formatted(prefix, i + 1), Key.values()[first.ordinal() + i]);
    }
  }
}
