package polydex.files.lists;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntFunction;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.intake.BindingIntake;
import polydex.intake.ColumnRoles.Target;
import polydex.intake.Steps;
import polydex.workspace.Workspace;

/**
 * Texts that are made to be slow to read, in each form of a list: twice the text takes at most two
 * and a half times the steps, and nothing ends in anything but a reading or a refusal.
 */
class GrowthTest {
  /** A cell longer than the first is refused at once. */
  private static final int[] SIZES = {1900, 8000};

  private static final double MOST = 2.5;
  private static final Workspace DEMO = Shipped.demo();

  /** What is repeated: by itself it is harmless everywhere. */
  private static final List<String> PIECES =
      List.of(
          " ",
          "\t",
          "\u00a0",
          "(",
          "[",
          "( a",
          "a (",
          "[a ",
          " [",
          "(a a) ",
          "*",
          "**",
          "**a",
          "†",
          "¹",
          "a¹",
          "/",
          " /",
          " / ",
          " or ",
          "or ",
          ", or",
          ",",
          "; ",
          " |",
          ".",
          "1.",
          "v1.",
          "since 1",
          "a.a.",
          "a(a.",
          "<",
          ">",
          "<a>",
          "<a ",
          "<br ",
          "C-",
          "C-x ",
          "-",
          "_",
          "a-",
          "a b ",
          "\\",
          "'",
          "1",
          "F1 ",
          "..",
          "…",
          "+",
          "Ctrl+",
          "ctrl ",
          "left ",
          "hold ",
          "then ",
          "⌘",
          "Ctrl+A or ",
          "Ctrl+A/",
          "Alt(",
          "\"a\" ",
          "{",
          "{1..",
          "x,",
          "`",
          "`a",
          "=",
          " = ",
          "#",
          ":",
          "|-",
          "- ",
          "\n",
          "a\n",
          "\n\n ",
          "[a]\n",
          "a=b\n",
          "|a|b|\n|-|-|\n");

  private static String repeated(String piece, int length) {
    return piece.repeat(Math.max(1, length / piece.length()));
  }

  private static String oneLine(String text) {
    return text.replace("\n", " ");
  }

  private static String html(String text) {
    return text.replace("<", "&lt;");
  }

  private static String table(String cell) {
    return "<table><tr><th>application<th>action<th>gesture</tr><tr><td>A<td>B<td>"
        + cell
        + "</tr></table>";
  }

  /** The places in which a piece is repeated. */
  private static Map<String, UnaryOperator<String>> places() {
    Map<String, UnaryOperator<String>> all = new LinkedHashMap<>();
    all.put("the whole text", t -> t);
    all.put(
        "a cell between commas",
        t -> "application,action,gesture\nA,B,\"Ctrl+A%sB\"\n".formatted(t.replace("\"", "\"\"")));
    all.put(
        "a title between commas",
        t -> "application,action,gesture\nA,\"a%sb\",Ctrl+A\n".formatted(t.replace("\"", "\"\"")));
    all.put("a header", t -> "application,action,gesture," + oneLine(t) + "\nA,B,Ctrl+A,\n");
    all.put(
        "a cell of Markdown",
        t ->
            "| application | action | gesture |\n|---|---|---|\n| A | B | Ctrl+A%sB |\n"
                .formatted(oneLine(t).replace("|", "\\|")));
    all.put("a rule of Markdown", t -> "|a|b|\n" + oneLine(t) + "x\n|-|-|\n|c|d|\n");
    all.put("a cell of a page", t -> table("Ctrl+A" + html(t) + "B"));
    all.put("the text of a page", t -> "<p>" + html(t) + "</p>" + table("Ctrl+A<sup>1</sup>"));
    all.put("a value", t -> "[s]\na=" + oneLine(t) + "\nCtrl+B=x\n");
    all.put("a key", t -> "[s]\n" + oneLine(t) + "=a\nCtrl+B=x\n");
    all.put("a setting", t -> "a.b k ['<Ctrl>a']\na.b key " + oneLine(t) + "\n");
    all.put("a setting's string", t -> "a.b k ['<Ctrl>a']\na.b key ['" + oneLine(t) + "']\n");
    all.put(
        "a schema",
        t ->
            "<schemalist><schema id=\"a\"><key name=\"k\"><default>['%s']</default></key></schema></schemalist>"
                .formatted(html(t)));
    all.put("a style sheet", t -> "<style>" + t + "</style>" + table("Ctrl+A"));
    all.put("a line of text", t -> "Ctrl+A - Save\n" + oneLine(t) + "\nCtrl+B - Find\n");
    all.put(
        "a row of a wiki",
        t -> "{|\n|-\n| Ctrl+A || Save\n|-\n| a=b " + oneLine(t) + " || b\n|}\n");
    all.put("a manual", t -> ".TH A 1\n.TP\n.B Ctrl+A\nSave\n.TP\n" + t + "\n.PP\n");
    all.put("a card", t -> "\\key{a}{C-a}\n".repeat(4) + "\\key{" + oneLine(t) + "}{C-b}\n");
    all.put("a bound line", t -> "bind C-a save\nbind C-b " + oneLine(t) + "\n");
    all.put(
        "a value of YAML",
        t -> "a: Ctrl+A\nb: \"" + oneLine(t).replace("\\", "").replace("\"", "") + "\"\n");
    all.put(
        "an attribute",
        t ->
            "<?xml version=\"1.0\"?><a><k key=\"C-a\" do=\""
                + html(oneLine(t)).replace("\"", "")
                + "\"/></a>");
    all.put(
        "a value of JSON",
        t ->
            "[{\"application\":\"a\",\"action\":\"b\",\"gesture\":\"%s\"}]"
                .formatted(
                    t.replace("\\", "\\\\")
                        .replace("\"", "\\\"")
                        .replace("\n", "\\n")
                        .replace("\t", "\\t")));
    return all;
  }

  private static void rows(
      Map<String, IntFunction<String>> all, String what, IntFunction<String> row) {
    all.put(
        what,
        n -> {
          StringBuilder text = new StringBuilder("application,context,action,gesture\n");
          for (int i = 0; text.length() < n; i++) {
            text.append(row.apply(i)).append('\n');
          }
          return text.toString();
        });
  }

  private static Map<String, IntFunction<String>> texts() {
    Map<String, IntFunction<String>> all = new LinkedHashMap<>();
    places()
        .forEach(
            (place, in) ->
                PIECES.forEach(
                    p -> all.put("“" + p + "” in " + place, n -> in.apply(repeated(p, n)))));
    all.put(
        "spans",
        n ->
            table(
                "</tr><tr><td rowspan=2000 colspan=60>"
                    + repeated("x ", n / 2)
                    + repeated("</tr><tr>", n / 2)));
    all.put("nested spans", n -> table(repeated("</tr><tr><td rowspan=2000 colspan=60>x", n)));
    all.put("nested tables", n -> repeated("<table><tr><td>a<td>", n));
    all.put("nested blocks", n -> table(repeated("<div>", n)));
    all.put("nested keys", n -> table(repeated("<kbd>", n)));
    all.put("keys side by side", n -> table(repeated("<kbd>A</kbd> ", n)));
    all.put(
        "tables after paragraphs", n -> repeated("<p>x</p>", n / 2) + repeated(table("F2"), n / 2));
    all.put("tables in blocks", n -> repeated("<div>" + table("F2") + "</div>", n));
    all.put(
        "notes and paragraphs",
        n ->
            table(repeated("</tr><tr><td>A<td>B<td>F2<sup>z</sup>", n / 2))
                + repeated("<p>y text</p>", n / 2));
    all.put(
        "notes that link to a long one",
        n ->
            table(repeated("</tr><tr><td>A<td>B<td>F2<sup><a href=#q>1</a></sup>", n / 2))
                + "<p id=q>"
                + repeated("x ", n / 2)
                + "</p>");
    all.put("arrays in arrays", n -> repeated("[", n));
    all.put("many fields", n -> "[" + repeated("{\"a\":1},", n) + "1]");
    rows(
        all, "contexts with one id", i -> "A,a" + "?".repeat(i % 40 + 1) + i / 40 + ",Open,Ctrl+B");
    rows(all, "applications with one id", i -> "A" + "?".repeat(i % 40) + i / 40 + ",,Open,Ctrl+B");
    rows(all, "titles that are alike", i -> "A,,Open the window number " + i + ",Ctrl+B");
    return all;
  }

  private static Object read(String text) throws FileProblem {
    ForeignList list = ListReader.read("list", text);
    Intake intake = Intake.of(DEMO, list, Optional.empty(), Optional.of(new Target("T", false)));
    return BindingIntake.plan(DEMO, intake.request());
  }

  private static long steps(String text) {
    return Steps.of(
        () -> {
          try {
            return read(text);
          } catch (FileProblem e) {
            assertThat(e.getMessage()).hasSizeLessThan(1000);
            return e;
          }
        });
  }

  @Test
  void twiceTheTextTakesAtMostTwoAndAHalfTimesTheSteps() {
    List<String> tooSlow = new ArrayList<>();
    for (int size : SIZES) {
      texts()
          .forEach(
              (what, text) -> {
                long once = steps(text.apply(size));
                long twice = steps(text.apply(2 * size));
                assertThat(once).as(what).isGreaterThan(size / 4);
                if (twice > MOST * once + 500) {
                  tooSlow.add("%s: %,d steps, then %,d".formatted(what, once, twice));
                }
              });
    }
    assertThat(tooSlow).isEmpty();
  }

  @Test
  void readingEndsWhereNobodyWaitsAnyMore() {
    Thread.currentThread().interrupt();
    try {
      assertThatThrownBy(() -> read("application,action,gesture\nA,B,Ctrl+A\n"))
          .isInstanceOf(Steps.Stopped.class);
    } finally {
      Thread.interrupted();
    }
  }
}
