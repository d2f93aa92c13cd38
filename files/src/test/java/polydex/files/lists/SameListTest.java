package polydex.files.lists;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import java.io.StringWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import polydex.files.FileProblem;
import polydex.intake.BindingIntake;
import polydex.intake.ColumnRoles.Target;
import polydex.intake.IntakePlan;
import polydex.workspace.Workspace;

/** One list, written in each form apart from what reads it, says the same in all of them. */
class SameListTest {
  private static final ObjectMapper JSON = new ObjectMapper();
  private static final List<String> TITLES =
      List.of("Dim, then hold", "Say \"go\"", "A | B", "Cue <1> & 2", "Zoom in", "Mehr Öl", "a\\b");
  private static final List<String> KEYS =
      List.of(
          "Ctrl+S",
          "Ctrl++",
          "Ctrl+,",
          "Alt+|",
          "F5 or Ctrl+R",
          "Ctrl+K, Ctrl+S",
          "Ctrl+<",
          "Ctrl+\"");

  private record Entry(String context, String title, String keys) {}

  private static List<Entry> entries(Random random) {
    List<Entry> all = new ArrayList<>();
    for (int i = 0; i < 1 + random.nextInt(6); i++) {
      all.add(
          new Entry(
              random.nextBoolean() ? "" : "list",
              TITLES.get(random.nextInt(TITLES.size())),
              KEYS.get(random.nextInt(KEYS.size()))));
    }
    return all;
  }

  private static String csv(List<Entry> entries, char separator) throws Exception {
    StringWriter out = new StringWriter();
    try (CSVPrinter printer =
        new CSVPrinter(out, CSVFormat.RFC4180.builder().setDelimiter(separator).get())) {
      printer.printRecord("Context", "Action", "Keys");
      for (Entry e : entries) {
        printer.printRecord(e.context(), e.title(), e.keys());
      }
    }
    return out.toString();
  }

  private static String markdown(List<Entry> entries) {
    return entries.stream()
        .map(e -> List.of(e.context(), e.title(), e.keys()))
        .map(
            cells ->
                cells.stream().map(c -> c.replace("|", "\\|")).collect(Collectors.joining(" | ")))
        .collect(
            Collectors.joining(" |\n| ", "| Context | Action | Keys |\n|---|:-:|---|\n| ", " |\n"));
  }

  private static String escaped(String text) {
    return text.replace("&", "&amp;").replace("<", "&lt;");
  }

  private static String html(List<Entry> entries) {
    StringBuilder page =
        new StringBuilder("<!doctype html><table><tr><th>Context<th>Action<th>Keys</tr>");
    for (Entry e : entries) {
      page.append(
          "<tr><td>%s<td>%s<td><code>%s</code></tr>"
              .formatted(escaped(e.context()), escaped(e.title()), escaped(e.keys())));
    }
    return page.append("</table>").toString();
  }

  private static String json(List<Entry> entries) {
    ArrayNode array = JSON.createArrayNode();
    entries.forEach(
        e ->
            array
                .addObject()
                .put("keys", e.keys())
                .put("action", e.title())
                .put("context", e.context()));
    return "{\"theirs\": {\"keys\": " + array + "}}";
  }

  private static List<String> read(String text) throws FileProblem {
    ForeignList list = ListReader.read("list", text);
    Intake intake =
        Intake.of(Workspace.EMPTY, list, Optional.empty(), Optional.of(new Target("Props", false)));
    IntakePlan plan = BindingIntake.plan(Workspace.EMPTY, intake.request());
    List<String> all = new ArrayList<>();
    plan.taken()
        .forEach(t -> all.add(t.row().context() + "|" + t.row().action() + "|" + t.gesture()));
    plan.known().forEach(r -> all.add("known " + r.action() + "|" + r.gesture()));
    plan.refused().forEach(r -> all.add("refused " + r.text()));
    assertThat(plan.change().after().catalog().size()).isEqualTo(plan.taken().size());
    return all;
  }

  @Property(tries = 400)
  void everyFormSaysTheSame(@ForAll long seed) throws Exception {
    List<Entry> entries = entries(new Random(seed));
    List<String> wanted = read(csv(entries, ','));
    assertThat(wanted).noneMatch(l -> l.startsWith("refused"));
    assertThat(read(csv(entries, ';'))).isEqualTo(wanted);
    assertThat(read(csv(entries, '\t'))).isEqualTo(wanted);
    assertThat(read(markdown(entries))).isEqualTo(wanted);
    assertThat(read(html(entries))).isEqualTo(wanted);
    assertThat(read(json(entries))).isEqualTo(wanted);
  }

  /** What a spreadsheet would take for a formula is a title like any other here, and stays text. */
  @Property(tries = 50)
  void titlesThatLookLikeFormulasAreOnlyTexts(@ForAll long seed) throws Exception {
    Random random = new Random(seed);
    String title = List.of("=1+1", "+cmd", "-2", "@SUM(A1)").get(random.nextInt(4));
    List<Entry> entries = List.of(new Entry("", title, "Ctrl+S"));
    assertThat(read(csv(entries, ','))).containsExactly("|" + title + "|Ctrl+S");
    assertThat(read(html(entries))).containsExactly("|" + title + "|Ctrl+S");
  }
}
