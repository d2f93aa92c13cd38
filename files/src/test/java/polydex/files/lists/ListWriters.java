package polydex.files.lists;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * Writes one list in many forms, as documents and programs have them; shares nothing with readers.
 */
final class ListWriters {
  /**
   * A line of a list.
   *
   * @param keys modifiers and a key, the key last
   */
  record Entry(String title, List<String> keys) {
    String plus() {
      return String.join("+", keys);
    }

    /** As "action: gesture" of what is taken. */
    String meant() {
      return title + ": " + plus();
    }
  }

  private static final List<String> VERBS =
      List.of("Dim", "Raise", "Swap", "Mark", "Fold", "Turn", "Count", "Dye", "Knot", "Lift");
  private static final List<String> NOUNS =
      List.of("the lamp", "the next scene", "all ropes", "the left curtain", "a cue by name");
  private static final List<String> MODIFIERS = List.of("Ctrl", "Alt", "Shift");
  private static final List<String> KEYS =
      List.of("F2", "F7", "F11", "Delete", "Up", "K", "Q", "B");

  private ListWriters() {}

  /** Between 4 and 12 lines with titles and gestures of their own. */
  static List<Entry> entries(Random random) {
    Map<String, Entry> byTitle = new LinkedHashMap<>();
    int wanted = 4 + random.nextInt(9);
    while (byTitle.size() < wanted) {
      String title = of(VERBS, random) + " " + of(NOUNS, random);
      List<String> keys = new ArrayList<>(MODIFIERS);
      keys.removeIf(_ -> random.nextBoolean());
      String key = of(KEYS, random);
      if (key.length() == 1 && !keys.contains("Ctrl") && !keys.contains("Alt")) {
        keys.addFirst("Ctrl");
      }
      keys.add(key);
      byTitle.putIfAbsent(title, new Entry(title, List.copyOf(keys)));
    }
    return List.copyOf(byTitle.values());
  }

  private static String of(List<String> all, Random random) {
    return all.get(random.nextInt(all.size()));
  }

  private static String lines(List<Entry> list, Function<Entry, String> line) {
    return list.stream().map(line).collect(Collectors.joining("\n", "", "\n"));
  }

  private static String each(List<String> keys, String before, String behind, String between) {
    return keys.stream().map(k -> before + k + behind).collect(Collectors.joining(between));
  }

  private static String padded(String text, int width) {
    return text + " ".repeat(Math.max(2, width - text.length()));
  }

  private static String terse(Entry e) {
    String key = e.keys().getLast();
    return e.keys().stream()
            .limit(e.keys().size() - 1L)
            .map(m -> Map.of("Ctrl", "C-", "Alt", "M-", "Shift", "S-").get(m))
            .collect(Collectors.joining())
        + (key.length() == 1
            ? key.toLowerCase(Locale.ROOT)
            : "<" + key.toLowerCase(Locale.ROOT) + ">");
  }

  private static String signed(Entry e) {
    String key = e.keys().getLast();
    return e.keys().stream()
            .limit(e.keys().size() - 1L)
            .map(m -> "<" + m + ">")
            .collect(Collectors.joining())
        + (key.length() == 1 ? key.toLowerCase(Locale.ROOT) : key);
  }

  /** Every form by its name. */
  static final Map<String, Function<List<Entry>, String>> FORMS = forms();

  private static Map<String, Function<List<Entry>, String>> forms() {
    Map<String, Function<List<Entry>, String>> all = new LinkedHashMap<>();
    all.put(
        "a page's table with keys in elements",
        l ->
            "<table><tr><th>What it does</th><th>Keys</th></tr>"
                + lines(
                    l,
                    e ->
                        "<tr><td>%s</td><td>%s</td></tr>"
                            .formatted(e.title(), each(e.keys(), "<kbd>", "</kbd>", "+")))
                + "</table>");
    all.put(
        "a page's definitions",
        l ->
            "<h1>Keys</h1><dl>"
                + lines(l, e -> "<dt>%s<dd>%s".formatted(e.plus(), e.title()))
                + "</dl>");
    all.put(
        "a page's bullets",
        l ->
            "<h1>Keys</h1><ul>"
                + lines(
                    l,
                    e ->
                        "<li>%s %s</li>"
                            .formatted(each(e.keys(), "<kbd>", "</kbd>", ""), e.title()))
                + "</ul>");
    all.put(
        "a document's table",
        l ->
            "<?xml version=\"1.0\"?><article><table><tgroup><thead><row><entry>Shortcut</entry>"
                + "<entry>Effect</entry></row></thead><tbody>"
                + lines(
                    l,
                    e ->
                        "<row><entry><keycombo>%s</keycombo></entry><entry>%s</entry></row>"
                            .formatted(each(e.keys(), "<keycap>", "</keycap>", ""), e.title()))
                + "</tbody></tgroup></table></article>");
    all.put(
        "a document's terms",
        l ->
            "<?xml version=\"1.0\"?><article><variablelist>"
                + lines(
                    l,
                    e ->
                        "<varlistentry><term><keycombo>%s</keycombo></term><listitem><para>%s</para></listitem></varlistentry>"
                            .formatted(each(e.keys(), "<keycap>", "</keycap>", ""), e.title()))
                + "</variablelist></article>");
    all.put(
        "a topic of help",
        l ->
            "<page xmlns=\"http://projectmallard.org/1.0/\"><table>"
                + lines(
                    l,
                    e ->
                        "<tr><td><p><keyseq>%s</keyseq></p></td><td><p>%s</p></td></tr>"
                            .formatted(each(e.keys(), "<key>", "</key>", ""), e.title()))
                + "</table></page>");
    all.put(
        "bullets, the gesture first", l -> lines(l, e -> "* `" + e.plus() + "` - " + e.title()));
    all.put("bullets with dashes", l -> lines(l, e -> "- `" + e.plus() + "`: " + e.title()));
    all.put("bullets without marks", l -> lines(l, e -> "- " + e.title() + ": " + e.plus()));
    all.put(
        "bullets, words first", l -> lines(l, e -> "- " + e.title() + ": **" + e.plus() + "**"));
    all.put(
        "a table of a note",
        l ->
            "| Keys | Does |\n|---|---|\n"
                + lines(l, e -> "| " + e.plus() + " | " + e.title() + " |"));
    all.put(
        "a wiki with double bars",
        l -> "||Key||Function||\n" + lines(l, e -> "||" + e.plus() + "||" + e.title() + "||"));
    all.put(
        "a wiki with braces",
        l ->
            "{|\n! Key !! Function\n"
                + lines(l, e -> "|-\n| " + e.plus() + " || " + e.title())
                + "|}\n");
    all.put(
        "a manual's paragraphs",
        l ->
            ".TH LAMPS 1\n.SH KEYS\n"
                + lines(l, e -> ".TP\n.B " + e.plus().replace("-", "\\-") + "\n" + e.title()));
    all.put("columns of text", l -> lines(l, e -> "    " + padded(e.plus(), 26) + e.title()));
    all.put(
        "names and gestures", l -> lines(l, e -> "\"" + e.title() + "\": \"" + e.plus() + "\""));
    all.put(
        "objects",
        l ->
            l.stream()
                .map(
                    e ->
                        "{\"key\":\"%s\",\"command\":\"%s\"}"
                            .formatted(e.plus().toLowerCase(Locale.ROOT), e.title()))
                .collect(Collectors.joining(",\n", "[", "]")));
    all.put(
        "attributes",
        l ->
            "<?xml version=\"1.0\"?><keymap>"
                + lines(
                    l, e -> "<action name=\"%s\" shortcut=\"%s\"/>".formatted(e.title(), e.plus()))
                + "</keymap>");
    all.put("a card", l -> lines(l, e -> "\\key{" + e.title() + "}{" + terse(e) + "}"));
    all.put(
        "toolkit accelerators",
        l ->
            lines(
                l,
                e ->
                    "(gtk_accel_path \"<Actions>/Lamps/%s\" \"%s\")"
                        .formatted(e.title(), signed(e).replace("<Ctrl>", "<Primary>"))));
    all.put("tabs", l -> "Action\tShortcut\n" + lines(l, e -> e.title() + "\t" + e.plus()));
    return all;
  }
}
