package polydex.files.lists;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowable;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import polydex.catalog.EnvironmentId;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.intake.BindingIntake;
import polydex.intake.ColumnRoles;
import polydex.intake.ColumnRoles.Lack;
import polydex.intake.ColumnRoles.Target;
import polydex.intake.IntakePlan;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.intake.ListTable;
import polydex.workspace.Workspace;

/** Lists as people find them, read to rows. */
class ListReaderTest {
  private static final Workspace DEMO = Shipped.demo();

  private static List<String> rows(String text, String columns) throws FileProblem {
    ForeignList list = ListReader.read("list", text);
    return Intake.of(
            DEMO,
            list,
            Optional.of(columns).filter(c -> !c.isEmpty()),
            Optional.of(new Target("Star table", false)))
        .request()
        .rows()
        .stream()
        .map(ListReaderTest::written)
        .toList();
  }

  private static String written(RequestedRow r) {
    return "%d %s|%s|%s|%s"
        .formatted(
            r.line(),
            r.environment(),
            r.context(),
            r.action(),
            r.gesture()
                .replace("\n", "\\n")
                .replace(ListTable.IN_ARRAY, ';')
                .replace(ListTable.BESIDE, '~'));
  }

  @Test
  void tablesOfASavedPageWithMergedCellsKeysAndFootnotes() throws FileProblem {
    String page =
        """
        <html><body><script>throw 1</script>
        <h2>Windows</h2>
        <table>
        <tr><th>Action</th><th>Alder</th><th>Corvid</th></tr>
        <tr><td colspan="3">Closing</td></tr>
        <tr><td rowspan="2">Close it</td><td><kbd>Ctrl</kbd>+<kbd>W</kbd><sup><a href="#f">1</a></sup></td>
        <td><kbd>Wing</kbd> <kbd>W</kbd></td></tr>
        <tr><td>Ctrl+F4<br>Alt+F4</td><td></td></tr>
        </table>
        <table><tr><td>just</td></tr></table>
        <p id="f">1. not while renaming</p>
        """;
    assertThat(rows(page, ""))
        .containsExactly(
            "6 Alder|Closing|Close it|Ctrl+W (not while renaming)",
            "6 Corvid|Closing|Close it|Wing~W",
            "8 Alder|Closing|Close it|Ctrl+F4\\nAlt+F4");
    IntakePlan plan =
        BindingIntake.plan(
            DEMO,
            Intake.of(DEMO, ListReader.read("p", page), Optional.empty(), Optional.empty())
                .request());
    assertThat(plan.refused()).isEmpty();
    assertThat(plan.taken())
        .extracting(t -> t.gesture().toString())
        .containsExactly("Ctrl+W", "Meta+W", "Ctrl+F4", "Alt+F4");
    assertThat(plan.change().after().catalog().bindings(new EnvironmentId("alder")))
        .anySatisfy(b -> assertThat(b.remarks().note()).isEqualTo("not while renaming"));
  }

  @Test
  void tablesOfMarkdownWithBarsInThem() throws FileProblem {
    assertThat(
            rows(
                """
                # Keys

                | Command | Shortcut |
                |:--|--:|
                | Fill down | `Ctrl+D` |
                | Pipe | Ctrl+\\| |
                | Cut off |
                | Larger | **Ctrl++** or Ctrl+= |
                """,
                ""))
        .containsExactly(
            "5 Star table||Fill down|Ctrl+D",
            "6 Star table||Pipe|Ctrl+|",
            "8 Star table||Larger|Ctrl++ or Ctrl+=");
  }

  @Test
  void arraysInJsonWithCommentsAndAMapping() throws FileProblem {
    String json =
        """
        // keys of mine
        [ {"key": "ctrl+k ctrl+s", "command": "openKeys", "when": "editing"},
          {"command": "reload", "key": ["f5", "ctrl+r"], "args": {"deep": [1]}},
          7, ]
        """;
    assertThat(rows(json, "action=command, gesture=key, context=when"))
        .containsExactly(
            "2 Star table|editing|openKeys|ctrl+k ctrl+s", "3 Star table||reload|f5;ctrl+r");
    assertThat(ListReader.read("j", json).refused()).hasSize(1);
    assertThatThrownBy(() -> rows("[{\"key\": \"x\"", "")).hasMessageContaining("ends before");
    assertThatThrownBy(() -> rows("[".repeat(5000) + "{", "")).isInstanceOf(FileProblem.class);
  }

  @Test
  void settingsAsSchemaDumpAndKeyFile() throws FileProblem {
    assertThat(
            rows(
                """
                <?xml version="1.0"?>
                <schemalist><schema id="org.desk.keys">
                <key name="shot" type="as"><default>['&lt;Shift&gt;Print', '<![CDATA[<Super>p]]>']</default>
                <summary>Take a picture</summary></key>
                <key name="size" type="i"><default>4</default></key></schema></schemalist>
                """,
                ""))
        .containsExactly("3 Star table||Take a picture|<Shift>Print\\n<Super>p");
    ForeignList dump =
        ListReader.read(
            "dump",
            "org.desk.wm switch-windows ['<Alt>Tab', '<Super>Tab']\n"
                + "org.desk.wm theme 'dark'\norg.desk.wm close @as []\norg.desk.wm mute 'XF86AudioMute'\n");
    assertThat(dump.left()).isEqualTo(2);
    assertThat(dump.tables().getFirst().rows())
        .extracting(r -> r.cells().getFirst())
        .containsExactly("Switch windows", "Mute");
    assertThat(
            rows(
                "[org/desk/custom0]\nbinding='<Super>t'\ncommand='x'\nname='A terminal'\n\n"
                    + "[org/desk/wm]\nmaximize=['<Super>Up']\n",
                ""))
        .containsExactly("7 Star table||Maximize|<Super>Up", "2 Alder||A terminal|<Super>t");
  }

  @Test
  void linesOfKeyAndValueEitherWayRound() throws FileProblem {
    assertThat(rows("# mine\n[text]\nctrl+d = duplicate-line\nctrl+= = zoom-in\n", ""))
        .containsExactly(
            "3 Star table|text|Duplicate line|ctrl+d", "4 Star table|text|Zoom in|ctrl+=");
    assertThat(rows("fill_down = \"Ctrl+D\"\nsum=Alt+S\n", ""))
        .containsExactly("1 Star table||Fill down|Ctrl+D", "2 Star table||Sum|Alt+S");
    assertThatThrownBy(() -> rows("a = b\nc = d\n", "")).hasMessageContaining("a gesture on none");
  }

  @Test
  void whatIsHostileIsRefusedWhole() {
    assertThatThrownBy(
            () ->
                ListReader.read(
                    "x",
                    "<!DOCTYPE s [<!ENTITY a \"aaa\"><!ENTITY b SYSTEM \"file:///etc/passwd\">]>"
                        + "<schemalist><schema id='s'><key name='k'><default>&b;</default></key></schema></schemalist>"))
        .isInstanceOf(FileProblem.class)
        .hasMessageContaining("entities");
    assertThatThrownBy(() -> ListReader.read("x", "<p>no table</p>"))
        .hasMessageContaining("no table");
    assertThatThrownBy(() -> rows("Action,Keys,Nothing\nA,B,C\n", "action=9,gesture=1"))
        .hasMessageContaining("There is no column “9”");
    assertThatThrownBy(() -> rows("Action,Keys,Nothing\nA,B,C\n", "verb=1"))
        .hasMessageContaining("not “verb”");
  }

  @Provide
  Arbitrary<String> nearlyLists() {
    return Arbitraries.of(
            "<table>",
            "<tr>",
            "<td rowspan=99999>",
            "<td colspan=99999>",
            "<kbd>",
            "</td>",
            "<sup>1</sup>",
            "\n",
            "|",
            "---",
            "[",
            "]",
            "{",
            "}",
            "\"key\":",
            "\"",
            "'",
            ",",
            "=",
            "action",
            "gesture",
            "Ctrl+S",
            "<schemalist>",
            "<schema id='a'>",
            "<key>",
            "<default>",
            "org.a b ['<Super>x']",
            "[a/b]",
            "# x",
            "//",
            "é",
            "\\",
            ";",
            "\t",
            "`")
        .list()
        .ofMaxSize(25)
        .map(l -> String.join("", l));
  }

  @Test
  void aRuleWithoutARowOfNamesAboveItIsNoTable() {
    assertThatThrownBy(() -> rows("---|---", ""))
        .isInstanceOf(FileProblem.class)
        .hasMessageContaining("no row of column names above it");
  }

  /** Nothing throws but the refusal of a file, however broken it is. */
  @Property(tries = 3000)
  void anythingIsReadOrRefused(@ForAll("nearlyLists") String text) {
    Throwable thrown = catchThrowable(() -> rows(text, ""));
    if (thrown != null) {
      assertThat(thrown).isInstanceOf(FileProblem.class);
      assertThat(thrown.getMessage()).isNotBlank();
    }
  }

  /**
   * Tables with merged cells, made from a grid whose every place is known: what is read must be
   * that grid again.
   */
  @Property(tries = 500)
  void mergedCellsStandInEveryPlaceThatTheyCover(@ForAll long seed) throws FileProblem {
    Random random = new Random(seed);
    int height = 1 + random.nextInt(5);
    int width = 3 + random.nextInt(3);
    String[][] grid = new String[height][width];
    StringBuilder page = new StringBuilder("<table><tr>");
    for (int x = 0; x < width; x++) {
      page.append("<th>h").append(x).append("</th>");
    }
    int number = 0;
    for (int y = 0; y < height; y++) {
      page.append("</tr>\n<tr>");
      for (int x = 0; x < width; x++) {
        if (grid[y][x] != null) {
          continue;
        }
        int across = 1;
        while (x + across < width - 1 && grid[y][x + across] == null && random.nextInt(3) == 0) {
          across++;
        }
        int down = 1 + (y + 1 < height ? random.nextInt(Math.min(2, height - y)) : 0);
        String text = "cell " + number++;
        for (int dy = 0; dy < down; dy++) {
          for (int dx = 0; dx < across; dx++) {
            grid[y + dy][x + dx] = text;
          }
        }
        page.append("<td colspan=\"%d\" rowspan='%d'>%s</td>".formatted(across, down, text));
      }
    }
    page.append("</tr></table>");
    ForeignList list = ListReader.read("page", page.toString());
    List<List<String>> rows = list.tables().getFirst().rows().stream().map(r -> r.cells()).toList();
    assertThat(list.tables().getFirst().header()).hasSize(width);
    assertThat(rows).hasSize(height);
    for (int y = 0; y < height; y++) {
      assertThat(rows.get(y)).containsExactly(grid[y]);
      assertThat(list.tables().getFirst().rows().get(y).number()).isEqualTo(y + 2);
    }
  }

  @Test
  void columnsAreGuessedNamedAndWritten() throws FileProblem {
    assertThat(rows("What,Where,Press\nFill down,cells,Ctrl+D\n", ""))
        .containsExactly("2 Star table|cells|Fill down|Ctrl+D");
    assertThat(rows("a;b;c\nx;F6;Count\n", "action=3, gesture=b, note=a"))
        .containsExactly("2 Star table||Count|F6");
    ColumnRoles roles = ColumnRoles.parse("gesture=2,action=C", List.of("a", "b", "c"));
    assertThat(ColumnRoles.parse(roles.written(), List.of("a", "b", "c"))).isEqualTo(roles);
    assertThat(roles.missing(false)).containsExactly(Lack.SUBJECT);
    assertThat(roles.missing(true)).isEmpty();
    assertThatThrownBy(() -> rows("a,b\n1,2\n", "action")).hasMessageContaining("action=2");
  }
}
