package polydex.bench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;

/**
 * Lists as people have them, made with a truth beside each: in every form that is read, with hidden
 * parts, several systems, notes, empty cells and tables that are about something else.
 */
final class ListCorpus {
  /** The forms, in turn. */
  static final List<String> FORMS =
      List.of(
          "page",
          "definitions",
          "docbook",
          "mallard",
          "markdown",
          "bullets",
          "columns",
          "manual",
          "bars",
          "braces",
          "yaml",
          "card",
          "commas",
          "json",
          "bindings");

  private static final List<String> VERBS =
      List.of("Raise", "Lower", "Turn", "Fold", "Dim", "Mark", "Hold", "Swap", "Align", "Trim");
  private static final List<String> NOUNS =
      List.of("lamp", "dome", "cue", "star", "lane", "prop", "scene", "fader", "rail", "slate");
  private static final List<String> KEYS =
      List.of(
          "A",
          "B",
          "C",
          "D",
          "E",
          "G",
          "J",
          "K",
          "L",
          "M",
          "P",
          "Q",
          "T",
          "U",
          "W",
          "X",
          "Y",
          "Z",
          "1",
          "2",
          "5",
          "9",
          "0",
          "F2",
          "F5",
          "F9",
          "F12",
          "Left",
          "Up",
          "PageUp",
          "PageDown",
          "Home",
          "End",
          "Delete",
          "Space",
          "Tab",
          "Enter",
          "[",
          "]",
          "/",
          "=");
  private static final List<String> MODIFIERS = List.of("Ctrl", "Alt", "Shift");

  /**
   * A list.
   *
   * @param form one of {@link #FORMS}
   * @param truth the gestures of each action, as our own notation writes them
   */
  record Sample(String form, String text, Map<String, Set<String>> truth) {}

  private record Row(String action, String written, Set<String> truth) {}

  private final Random random;
  private final Set<String> used = new LinkedHashSet<>();

  private ListCorpus(Random random) {
    this.random = random;
  }

  static Sample sample(String form, long seed) {
    ListCorpus corpus = new ListCorpus(new Random(seed));
    List<Row> rows = new ArrayList<>();
    int size = 8 + corpus.random.nextInt(20);
    for (int i = 0; i < size; i++) {
      rows.add(corpus.row(form, i));
    }
    Map<String, Set<String>> truth = new LinkedHashMap<>();
    rows.stream().filter(r -> !r.truth().isEmpty()).forEach(r -> truth.put(r.action(), r.truth()));
    return new Sample(form, corpus.text(form, rows), truth);
  }

  private <T> T one(List<T> of) {
    return of.get(random.nextInt(of.size()));
  }

  private boolean in(int n) {
    return random.nextInt(n) == 0;
  }

  private Row row(String form, int number) {
    String action = "%s the %s %d".formatted(one(VERBS), one(NOUNS), number + 1);
    boolean page = form.equals("page") || form.equals("definitions");
    boolean plain = form.equals("bindings") || form.equals("card");
    if (!plain && in(12)) {
      return new Row(action, one(List.of("none", "—", "")), Set.of());
    }
    List<String> stroke = stroke();
    String own = String.join("+", stroke);
    boolean ctrl = stroke.contains("Ctrl") && !own.contains("/");
    if (!plain && ctrl && in(9)) {
      return new Row(action, own.replace("Ctrl", one(List.of("Ctrl/Cmd", "Ctrl/⌘"))), Set.of(own));
    }
    if (page && ctrl && in(5)) {
      String hidden = one(List.of("<span hidden>Command</span>", "<span class=\"mac\">⌘</span>"));
      return new Row(action, hidden + "<span>Ctrl</span>" + own.substring(4), Set.of(own));
    }
    if (!plain && in(8)) {
      String other = String.join("+", stroke());
      return new Row(action, own + " or " + other, new LinkedHashSet<>(List.of(own, other)));
    }
    if (!plain && in(9)) {
      return new Row(action, own + one(List.of(" (in lists)", " (since 3.1)")), Set.of(own));
    }
    return new Row(action, written(form, stroke), Set.of(own));
  }

  /** A stroke that no other row has. */
  private List<String> stroke() {
    while (true) {
      List<String> all = new ArrayList<>();
      for (String modifier : MODIFIERS) {
        if (random.nextInt(5) < 2) {
          all.add(modifier);
        }
      }
      String key = one(KEYS);
      boolean bare = all.isEmpty() || all.equals(List.of("Shift"));
      if (bare && key.length() == 1) {
        all.addFirst("Ctrl");
      }
      all.add(key);
      if (used.add(String.join("+", all))) {
        return all;
      }
    }
  }

  private String written(String form, List<String> stroke) {
    String own = String.join("+", stroke);
    return switch (form) {
      case "page", "definitions" ->
          switch (random.nextInt(3)) {
            case 0 -> "<kbd>" + String.join("</kbd>+<kbd>", stroke) + "</kbd>";
            case 1 -> "<kbd>" + String.join("</kbd><kbd>", stroke) + "</kbd>";
            default -> own;
          };
      case "docbook" ->
          "<keycombo><keycap>" + String.join("</keycap><keycap>", stroke) + "</keycap></keycombo>";
      case "mallard" -> "<keyseq><key>" + String.join("</key><key>", stroke) + "</key></keyseq>";
      case "markdown", "bullets" -> "`" + (in(2) ? own : String.join("`+`", stroke)) + "`";
      case "columns", "manual", "bars", "braces" ->
          in(3) ? String.join(" + ", stroke) : in(3) ? String.join("-", stroke) : own;
      case "bindings" -> own.toLowerCase(Locale.ROOT);
      default -> own;
    };
  }

  private static void each(StringBuilder out, List<Row> rows, String line) {
    rows.forEach(r -> out.append(line.replace("KEY", r.written()).replace("WHAT", r.action())));
  }

  private String text(String form, List<Row> rows) {
    StringBuilder out = new StringBuilder();
    switch (form) {
      case "page" -> page(rows, out);
      case "definitions" -> {
        out.append("<html><style>.mac { display: none }</style><h1>Keys</h1><dl>");
        each(out, rows, "<dt>KEY</dt>\n<dd>WHAT</dd>");
        out.append("</dl></html>");
      }
      case "docbook" -> {
        out.append(
            "<?xml version=\"1.0\"?><article xmlns=\"http://docbook.org/ns/docbook\"><title>Keys"
                + "</title><informaltable><tgroup cols=\"2\"><thead><row><entry>Key or Keys</entry>"
                + "<entry>Effect</entry></row></thead><tbody>\n");
        each(out, rows, "<row><entry>KEY</entry><entry><para>WHAT</para></entry></row>\n");
        out.append("</tbody></tgroup></informaltable></article>");
      }
      case "mallard" -> {
        out.append("<page xmlns=\"http://projectmallard.org/1.0/\"><title>Keys</title><table>\n");
        each(out, rows, "<tr><td><p>KEY</p></td><td><p>WHAT</p></td></tr>\n");
        out.append("</table></page>");
      }
      case "markdown" -> {
        out.append("# Keys\n\nSome words.\n\n| Action | Default shortcut |\n|---|---|\n");
        each(out, rows, "| WHAT | KEY |\n");
        out.append("\n| Option | Value |\n|---|---|\n| Lamps | 12 |\n| Font | Mono |\n");
      }
      case "bullets" -> each(out, rows, "* KEY - WHAT\n");
      case "columns" ->
          rows.forEach(r -> out.append("  %-34s %s\n".formatted(r.written(), r.action())));
      case "manual" -> {
        out.append(".TH KEYS 1\n.SH KEYS\n");
        rows.stream()
            .filter(r -> !r.written().isEmpty())
            .forEach(
                r ->
                    out.append(
                        ".TP\n.B %s\n%s\n".formatted(r.written().replace("-", "\\-"), r.action())));
      }
      case "bars" -> {
        out.append("= Keys =\n||'''Key'''||'''What it does'''||\n");
        each(out, rows, "||KEY||WHAT||\n");
      }
      case "braces" -> {
        out.append("{|\n! Keys !! Function\n");
        each(out, rows, "|-\n| KEY || WHAT\n");
        out.append("|}\n");
      }
      case "yaml" -> each(out, rows, "\"WHAT\": \"KEY\"\n");
      case "card" -> each(out, rows, "\\key{WHAT}{KEY}\n");
      case "commas" -> {
        out.append(in(2) ? "Command,Shortcut keys\n" : "");
        each(out, rows, "WHAT,\"KEY\"\n");
      }
      case "json" -> {
        out.append("[\n");
        each(out, rows, "{\"command\": \"WHAT\", \"key\": \"KEY\"},\n");
        out.append("]");
      }
      default -> {
        out.append("# mine\nset $mod Ctrl\n");
        rows.forEach(
            r ->
                out.append(
                    "bindsym %s %s\n".formatted(r.written().replace("ctrl", "$mod"), r.action())));
      }
    }
    return out.toString();
  }

  private void page(List<Row> rows, StringBuilder out) {
    out.append(
        "<html><head><title>Keys</title><style>.mac { display: none }</style></head><body>"
            + "<h1>Keys</h1><table><tr><th>Name</th><th>Size</th></tr><tr><td>Lamp</td><td>12</td>"
            + "</tr></table><table><tr><th>Shortcut keys</th><th>Effect</th></tr>\n");
    for (Row row : rows) {
      if (in(8)) {
        out.append("<tr><td colspan=\"2\">More</td></tr>\n");
      }
      String note = in(9) && !row.truth().isEmpty() ? "<sup><a href=\"#n\">1</a></sup>" : "";
      out.append(
          "<tr><td>%s%s</td><td>%s</td></tr>\n".formatted(row.written(), note, row.action()));
    }
    out.append(
        "</table><p id=\"n\">1. not while dimming</p><p>Press <kbd>F1</kbd>.</p><table hidden>"
            + "<tr><td>Ctrl+Alt+F12</td><td>Never seen</td></tr></table></body></html>");
  }
}
