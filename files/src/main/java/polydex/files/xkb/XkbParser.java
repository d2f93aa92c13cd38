package polydex.files.xkb;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Pattern;
import polydex.files.FileProblem;
import polydex.files.xkb.XkbScanner.Kind;
import polydex.files.xkb.XkbScanner.Token;
import polydex.files.xkb.XkbSection.DefaultType;
import polydex.files.xkb.XkbSection.Group;
import polydex.files.xkb.XkbSection.Include;
import polydex.files.xkb.XkbSection.KeySymbols;
import polydex.files.xkb.XkbSection.Merge;
import polydex.files.xkb.XkbSection.Statement;

/**
 * Reads the sections of an XKB symbols file, as the X Keyboard Extension's file format has them.
 * Actions, modifier maps and other things that say nothing of characters are passed over. O(n).
 */
final class XkbParser {
  private static final int MOST_GROUPS = 4;

  /** The keys that hold modifiers, by what actions call those. */
  private static final Map<String, String> HOLDING =
      Map.of(
          "Control", "Control_L",
          "Shift", "Shift_L",
          "Mod1", "Alt_L",
          "Alt", "Alt_L",
          "Mod4", "Super_L",
          "Super", "Super_L",
          "LevelThree", "ISO_Level3_Shift");

  private static final Pattern MODIFIER =
      Pattern.compile("(?:Control|Shift|Alt|Meta|Super|Hyper)_[LR]|ISO_Level[35]_Shift");

  private final String name;
  private final List<Token> tokens;
  private Optional<String> held = Optional.empty();
  private int at;

  private XkbParser(String name, List<Token> tokens) {
    this.name = name;
    this.tokens = tokens;
  }

  /** The sections by name, in the order of the file. */
  static Map<String, XkbSection> parse(String name, String text) throws FileProblem {
    return new XkbParser(name, XkbScanner.scan(name, text)).sections();
  }

  private Map<String, XkbSection> sections() throws FileProblem {
    Map<String, XkbSection> found = new LinkedHashMap<>();
    while (peek().kind() != Kind.END) {
      boolean isDefault = false;
      while (!peek().is("xkb_symbols")) {
        isDefault |= peek().is("default");
        if (next().kind() != Kind.WORD) {
          throw expected("“xkb_symbols”");
        }
      }
      next();
      String section = peek().kind() == Kind.TEXT ? next().text() : "";
      expect("{");
      found.putIfAbsent(section, section(section, isDefault));
      accept(";");
    }
    return found;
  }

  private XkbSection section(String section, boolean isDefault) throws FileProblem {
    List<Statement> statements = new ArrayList<>();
    Optional<String> title = Optional.empty();
    while (!accept("}")) {
      Merge merge = merge();
      Token word = next();
      switch (word.text().toLowerCase(Locale.ROOT)) {
        case "include", "override", "augment", "replace" -> {
          statements.add(new Include(merge, next().text(), word.line()));
          accept(";");
        }
        case "key" -> {
          if (peek().kind() == Kind.KEY) {
            statements.add(key(merge));
          } else {
            keyDefault(statements);
          }
        }
        case "name" -> {
          int group = index().orElse(1);
          if (accept("=") && group == 1) {
            title = Optional.of(next().text());
          }
          skipStatement();
        }
        case "" -> throw expected("“}”");
        default -> skipStatement();
      }
    }
    return new XkbSection(section, isDefault, title, statements);
  }

  /** A word such as {@code augment} before a statement; {@code include "x"} has none before it. */
  private Merge merge() {
    boolean beforeStatement = at + 1 < tokens.size() && tokens.get(at + 1).kind() == Kind.WORD;
    String word = peek().text().toLowerCase(Locale.ROOT);
    Merge merge =
        switch (word) {
          case "augment", "alternate" -> Merge.AUGMENT;
          case "replace" -> Merge.REPLACE;
          default -> Merge.OVERRIDE;
        };
    boolean isMerge = merge != Merge.OVERRIDE || word.equals("override");
    if (isMerge && beforeStatement) {
      next();
    }
    return merge;
  }

  private void keyDefault(List<Statement> statements) throws FileProblem {
    expect(".");
    boolean isType = peek().text().equalsIgnoreCase("type");
    next();
    int group = index().orElse(0);
    if (isType && accept("=") && peek().kind() == Kind.TEXT) {
      statements.add(new DefaultType(group, next().text()));
    }
    skipStatement();
  }

  private KeySymbols key(Merge merge) throws FileProblem {
    String key = next().text();
    expect("{");
    Map<Integer, List<Optional<String>>> levels = new TreeMap<>();
    Map<Integer, String> types = new TreeMap<>();
    held = Optional.empty();
    while (!accept("}")) {
      if (peek().is("[")) {
        addLevels(levels, nextFree(levels), levels());
      } else {
        field(levels, types);
      }
      accept(",");
      accept(";");
    }
    accept(";");
    // A key that holds a modifier is one, whatever it is called; unless that says so already.
    Optional<String> called =
        levels.getOrDefault(1, List.of()).stream().limit(1).flatMap(Optional::stream).findFirst();
    held.filter(_ -> called.filter(k -> !MODIFIER.matcher(k).matches()).isPresent())
        .ifPresent(m -> levels.put(1, List.of(Optional.of(m))));
    Map<Integer, Group> groups = new TreeMap<>();
    for (int group = 1; group <= MOST_GROUPS; group++) {
      Optional<String> type = Optional.ofNullable(types.getOrDefault(group, types.get(0)));
      if (levels.containsKey(group) || types.containsKey(group)) {
        groups.put(group, new Group(type, levels.getOrDefault(group, List.of())));
      }
    }
    if (groups.isEmpty() && types.containsKey(0)) {
      groups.put(1, new Group(Optional.of(types.get(0)), List.of()));
    }
    return new KeySymbols(merge, key, groups);
  }

  /** {@code symbols[Group1] = [ a, A ]}, {@code type = "..."}, or something that is passed over. */
  private void field(Map<Integer, List<Optional<String>>> levels, Map<Integer, String> types)
      throws FileProblem {
    accept("!");
    String field = next().text().toLowerCase(Locale.ROOT);
    Optional<Integer> index = index();
    if (!accept("=")) {
      return;
    }
    if (field.equals("symbols") && peek().is("[")) {
      int group = index.isPresent() ? index.get() : nextFree(levels);
      addLevels(levels, group, levels());
    } else if (field.equals("type") && peek().kind() == Kind.TEXT) {
      types.put(index.orElse(0), next().text());
    } else if (field.equals("actions") && index.orElse(1) == 1) {
      held = action();
    } else {
      skipValue();
    }
  }

  /** The key whose modifier an action holds: {@code [ SetMods(modifiers=Control) ]}. */
  private Optional<String> action() throws FileProblem {
    int from = at;
    skipValue();
    List<String> words = tokens.subList(from, at).stream().map(Token::text).toList();
    int modifiers = words.indexOf("modifiers");
    return words.size() > modifiers + 2 && modifiers > 0 && words.contains("SetMods")
        ? Optional.ofNullable(HOLDING.get(words.get(modifiers + 2)))
        : Optional.empty();
  }

  private static int nextFree(Map<Integer, List<Optional<String>>> levels) {
    int group = 1;
    while (levels.containsKey(group)) {
      group++;
    }
    return group;
  }

  private static void addLevels(
      Map<Integer, List<Optional<String>>> levels, int group, List<Optional<String>> list) {
    levels.put(group, list);
  }

  private List<Optional<String>> levels() throws FileProblem {
    expect("[");
    List<Optional<String>> list = new ArrayList<>();
    while (!accept("]")) {
      if (accept("{")) {
        // Several at once are no single character, and are kept as what nobody can name.
        StringBuilder all = new StringBuilder();
        while (!accept("}")) {
          all.append(next().text());
        }
        list.add(Optional.of("{" + all + "}"));
      } else if (peek().kind() == Kind.WORD) {
        String keysym = next().text();
        list.add(Optional.of(keysym).filter(k -> !k.matches("(?i)NoSymbol|any")));
        if (peek().is("(")) {
          skipValue(); // an action, not a keysym
        }
      } else {
        throw expected(worded("xkb.a-keysym"));
      }
      accept(",");
    }
    return list;
  }

  private Optional<Integer> index() throws FileProblem {
    if (!accept("[")) {
      return Optional.empty();
    }
    String group = next().text().toLowerCase(Locale.ROOT).replace("group", "");
    expect("]");
    return group.matches("[1-4]") ? Optional.of(Integer.valueOf(group)) : Optional.empty();
  }

  /** To the comma or bracket that ends a value, over everything in brackets. */
  private void skipValue() throws FileProblem {
    int depth = 0;
    while (depth > 0 || !(peek().is(",") || peek().is("}") || peek().is(";"))) {
      Token token = next();
      if (token.is("(") || token.is("[") || token.is("{")) {
        depth++;
      } else if (token.is(")") || token.is("]") || token.is("}")) {
        depth--;
        if (depth == 0 && token.is(")")) {
          return;
        }
      } else if (token.kind() == Kind.END) {
        throw expected("“}”");
      }
    }
  }

  private void skipStatement() throws FileProblem {
    int depth = 0;
    while (true) {
      Token token = next();
      if (token.kind() == Kind.END) {
        throw expected("“;”");
      } else if (token.is("{") || token.is("[") || token.is("(")) {
        depth++;
      } else if (token.is("}") || token.is("]") || token.is(")")) {
        depth--;
      } else if (token.is(";") && depth <= 0) {
        return;
      }
    }
  }

  private Token peek() {
    return tokens.get(at);
  }

  private Token next() {
    Token token = tokens.get(at);
    if (at + 1 < tokens.size()) {
      at++;
    }
    return token;
  }

  private boolean accept(String sign) {
    if (peek().is(sign)) {
      next();
      return true;
    }
    return false;
  }

  private void expect(String sign) throws FileProblem {
    if (!accept(sign)) {
      throw expected("“" + sign + "”");
    }
  }

  private FileProblem expected(String what) {
    return new FileProblem(
        worded("xkb.line-expected-found", name, peek().line(), what, peek().text()));
  }
}
