package polydex.files.lists;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.intake.BindingIntake;
import polydex.intake.ColumnRoles.Target;
import polydex.intake.IntakePlan;
import polydex.intake.IntakeRequest.Ways;
import polydex.intake.ListSubject;
import polydex.intake.SubjectGuess;
import polydex.workspace.Workspace;

/** Pages as people save them: what is hidden, what is a key, what is a table, and what is not. */
class PagesTest {
  private static final Workspace START = Shipped.start();

  /** What is taken, as "action: gesture", and all that is told of the rest. */
  record Outcome(List<String> taken, IntakePlan plan, Intake intake, ForeignList list) {}

  static Outcome read(String text, Intake.Said said) throws FileProblem {
    ForeignList list = ListReader.read("list", text);
    Intake intake = Intake.of(START, list, said);
    IntakePlan plan = BindingIntake.plan(START, intake.request());
    return new Outcome(
        plan.taken().stream().map(t -> t.row().action() + ": " + t.gesture()).toList(),
        plan,
        intake,
        list);
  }

  static Outcome read(String text) throws FileProblem {
    return read(text, Intake.Said.NOTHING.of(new Target("Lamps", false)));
  }

  @Test
  void whatIsHiddenIsNeverReadWhateverHidesIt() throws FileProblem {
    String page =
        """
        <html><head><style>/* x */ .oak, span.elm { color: red; display : none } #ash{visibility:hidden}
        </style></head><body><table><tr><th>Keys</th><th>What it does</th></tr>
        <tr><td><span hidden>Command</span><span>Ctrl</span>+F2</td><td>One</td></tr>
        <tr><td><span aria-hidden="true">Meta+</span>Ctrl+F3</td><td>Two</td></tr>
        <tr><td><span style="Display: none">Meta+</span>Ctrl+F4</td><td>Three</td></tr>
        <tr><td><b class="x oak">Meta+</b>Ctrl+F5</td><td>Four</td></tr>
        <tr><td><span class="elm">Meta+</span>Ctrl+F6</td><td>Five</td></tr>
        <tr><td><b id="ash">Meta+</b>Ctrl+F7<!-- Meta+F1 --></td><td>Six</td></tr>
        <tr><td><template>Meta+</template>Ctrl+F8<script>Meta+F1</script></td><td>Seven</td></tr>
        <tr hidden><td>Ctrl+F9</td><td>Never</td></tr></table>
        <div style="visibility:hidden"><table><tr><td>Ctrl+F1</td><td>Never</td></tr></table></div>
        """;
    Outcome read = read(page);
    assertThat(read.taken())
        .containsExactly(
            "One: Ctrl+F2",
            "Two: Ctrl+F3",
            "Three: Ctrl+F4",
            "Four: Ctrl+F5",
            "Five: Ctrl+F6",
            "Six: Ctrl+F7",
            "Seven: Ctrl+F8");
    assertThat(read.list().overlooked())
        .anySatisfy(o -> assertThat(o.why()).isEqualTo("The page hides it."));
  }

  /** Where every variant is hidden a script shows one: they are systems side by side. */
  @Test
  void variantsThatAScriptChoosesFromAreSystemsSideBySide() throws FileProblem {
    String variants =
        "<span><span hidden class=\"elm\">Command+Option</span><span hidden id=\"default1\">Ctrl+Alt</span></span>+K";
    Outcome read =
        read(
            "<table><tr><th>Effect</th><th>Shortcut keys</th></tr><tr><td>Fold</td><td>"
                + variants
                + "</td></tr></table>");
    assertThat(read.taken()).containsExactly("Fold: Ctrl+Alt+K");
    assertThat(read.plan().reading().systems()).containsOnlyKeys("Ctrl", "Meta");
  }

  @Test
  void keysSideBySideAreOneStrokeOrSeveralByTheMarkup() throws FileProblem {
    Outcome page =
        read(
            """
            <table><tr><th>Key</th><th>Effect</th></tr>
            <tr><td><kbd>Ctrl</kbd><kbd>S</kbd></td><td>Save</td></tr>
            <tr><td><kbd>Ctrl</kbd> <kbd>Shift</kbd> <kbd>S</kbd></td><td>Save all</td></tr>
            <tr><td><kbd>F5</kbd> <kbd>F9</kbd></td><td>Unclear</td></tr>
            <tr><td><img alt="Ctrl">+<img alt="Q"></td><td>Quit</td></tr></table>
            """);
    assertThat(page.taken())
        .containsExactly("Save: Ctrl+S", "Save all: Ctrl+Shift+S", "Quit: Ctrl+Q");
    assertThat(page.plan().reading().asked()).hasSize(1);
    Outcome document =
        read(
            """
            <?xml version="1.0"?><article xmlns="http://docbook.org/ns/docbook"><title>Lamps</title>
            <informaltable><tgroup cols="2"><tbody>
            <row><entry><keycombo><keycap function="control"/><keycap>S</keycap></keycombo></entry><entry>Save</entry></row>
            <row><entry><keycombo action="seq"><keycap>F1</keycap><keycap>K</keycap></keycombo></entry><entry>Keys</entry></row>
            </tbody></tgroup></informaltable>
            <variablelist><varlistentry><term><keycombo><keycap>Ctrl</keycap><keycap>F</keycap></keycombo></term>
            <listitem><para>Find</para></listitem></varlistentry></variablelist></article>
            """);
    assertThat(document.taken()).containsExactly("Save: Ctrl+S", "Keys: F1 K", "Find: Ctrl+F");
    Outcome topic =
        read(
            """
            <page xmlns="http://projectmallard.org/1.0/"><title>Lamps</title><table>
            <tr><td><p><keyseq><key>Super</key><key>L</key></keyseq></p></td><td><p>Lock</p></td></tr>
            <tr><td><p><keyseq type="sequence"><key>F1</key><key>K</key></keyseq></p></td><td><p>Keys</p></td></tr>
            </table><terms><item><title><key>F11</key></title><p>Full screen</p></item></terms></page>
            """);
    assertThat(topic.taken()).containsExactly("Lock: Meta+L", "Keys: F1 K", "Full screen: F11");
  }

  @Test
  void everyTableAndListIsTakenOrNamedWithTheReason() throws FileProblem {
    String page =
        """
        <h1>Lamps</h1>
        <table><tr><td>Ctrl+1</td><td>First lamp</td></tr><tr><td>Ctrl+2</td><td>Second lamp</td></tr></table>
        <h2>Settings</h2><table><tr><th>Option</th><th>Default</th></tr>
        <tr><td>Lamps</td><td>2</td></tr><tr><td>Font</td><td>Mono</td></tr><tr><td>Path</td><td>/a/b</td></tr></table>
        <table><tr><th>Effect</th><th>Oak</th><th>Elm</th></tr>
        <tr><td>Dim</td><td>F6</td><td>F7</td></tr><tr><td>Fade</td><td>Ctrl+F6</td><td>Ctrl+F7</td></tr></table>
        <dl><dt>F3</dt><dt>Ctrl+G</dt><dd>Again</dd></dl>
        <ul><li><kbd>F4</kbd> - Rename</li><li>Ctrl+N: New lamp</li>
        <li><kbd>F9</kbd> or <kbd>Ctrl</kbd>+<kbd>D</kbd> Dim it</li><li><kbd>F8</kbd> is the key of the house</li></ul>
        <ul><li>Home</li><li>Up</li></ul><table><tr><td>one</td></tr></table><p><kbd>F1</kbd></p>
        """;
    Outcome read = read(page);
    assertThat(read.taken())
        .containsExactly(
            "First lamp: Ctrl+1",
            "Second lamp: Ctrl+2",
            "Dim: F6",
            "Fade: Ctrl+F6",
            "Again: F3",
            "Again: Ctrl+G",
            "Rename: F4",
            "New lamp: Ctrl+N",
            "Dim it: F9",
            "Dim it: Ctrl+D");
    assertThat(read.intake().tables().stream().filter(t -> !t.taken()))
        .singleElement()
        .satisfies(t -> assertThat(t.table().title()).isEqualTo("Settings"))
        .satisfies(t -> assertThat(t.why()).isEqualTo("No column of it reads as gestures."));
    assertThat(read.list().overlooked())
        .extracting(ForeignList.Overlooked::why)
        .contains(
            "It has one column only.",
            "No keys in them.",
            "No gesture beside words for what it does.",
            "Only tables and lists are read.");
    assertThat(read.list().title()).isEqualTo("Lamps");
    // The systems of columns are chosen by their names, and a table is taken all the same.
    Outcome other =
        read(
            page,
            new Intake.Said(
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Set.of(2),
                Set.of(1),
                new Ways(Map.of(), Set.of("Elm"), true)));
    assertThat(other.taken())
        .contains("Dim: F7", "Fade: Ctrl+F7")
        .doesNotContain("Dim: F6", "First lamp: Ctrl+1");
    assertThat(other.intake().about())
        .containsExactly(new SubjectGuess(ListSubject.APPLICATION, "Lamps", ""));
    assertThat(other.plan().reading().asked()).hasSize(1); // “2” is a key in some lists only
  }

  @Test
  void aPageOfAnotherLanguageAndOneWithoutKeys() throws FileProblem {
    assertThat(
            read("""
                    <table><tr><th>Taste</th><th>Wirkung</th></tr><tr><td>Strg+Entf</td><td>Wort weg</td></tr>
                    <tr><td>Umschalt+Bild auf</td><td>Bis oben</td></tr><tr><td>Pos1 oder Strg+Pos1</td><td>Anfang</td></tr></table>
                    """)
                .taken())
        .containsExactly(
            "Wort weg: Ctrl+Delete", "Bis oben: Shift+PageUp", "Anfang: Home", "Anfang: Ctrl+Home");
    assertThatThrownBy(
            () -> read("<table><tr><th>A</th><th>B</th></tr><tr><td>x</td><td>y</td></tr></table>"))
        .isInstanceOf(FileProblem.class)
        .hasMessageContaining("No column of it reads as gestures");
  }

  @Test
  void charactersForNobodysUseInAPageLoseNothing() throws FileProblem {
    assertThat(
            read("<table><tr><th>Key</th><th>Effect</th></tr><tr><td>Ctrl+A</td><td>\ue0f0 All</td></tr>"
                    + "<tr><td>\ue0f0\ue0f1</td><td>None</td></tr></table>")
                .taken())
        .containsExactly("\ue0f0 All: Ctrl+A");
  }
}
