package polydex.files.sheets;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.GenerationMode;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.ShrinkingMode;
import net.jqwik.api.Tuple;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.statistics.Statistics;
import polydex.files.sheets.Page.Placed;
import polydex.files.sheets.Piece.Role;
import polydex.keys.Gesture;
import polydex.sheets.Sheet;

/** Pages of any sheet: nothing outside, nothing over anything, nothing lost, nothing left alone. */
class PageLayoutTest {
  private static final double SLACK = 0.01;

  @Provide
  Arbitrary<Sheet> sheets() {
    Arbitrary<String> title =
        Arbitraries.frequencyOf(
            Tuple.of(6, Arbitraries.strings().alpha().ofMinLength(3).ofMaxLength(30)),
            Tuple.of(
                2, Arbitraries.strings().withChars("ab cde ").ofMinLength(30).ofMaxLength(150)),
            Tuple.of(1, Arbitraries.of(DemoSheets.HOSTILE)));
    Arbitrary<Sheet.Shown> shown =
        Combinators.combine(
                Arbitraries.of(
                    "F5",
                    "Ctrl+C",
                    "Ctrl+Alt+Shift+PageDown",
                    "Ctrl+K Ctrl+S",
                    "Alt(Tab Tab Tab)",
                    "Meta \"a long text that is typed\" Enter",
                    "Shift*2",
                    "Ctrl+Click"),
                Arbitraries.integers().between(0, 3))
            .as((g, look) -> new Sheet.Shown(Gesture.parse(g), Map.of(), look));
    Arbitrary<Sheet.Line> line =
        Combinators.combine(
                title,
                Arbitraries.of("", "in lists", "on a platform of a long name"),
                shown.list().ofMaxSize(3),
                Arbitraries.of("", "3 h"),
                Arbitraries.frequencyOf(
                    Tuple.of(4, Arbitraries.just(List.<String>of())),
                    Tuple.of(1, title.list().ofMaxSize(3))))
            .as(
                (t, aside, gestures, figure, under) ->
                    new Sheet.Line(
                        t, aside, List.of(new Sheet.Cell(gestures)), figure, under, List.of(1)));
    Arbitrary<Sheet.Part> part =
        Combinators.combine(
                title,
                Arbitraries.integers()
                    .between(1, 6)
                    .flatMap(n -> line.list().ofMinSize(1).ofMaxSize(n * n)),
                Arbitraries.of("", "a year"))
            .as((t, lines, figure) -> new Sheet.Lines(t, List.of(), figure, lines));
    return part.list()
        .ofMinSize(1)
        .ofMaxSize(10)
        .map(
            parts ->
                new Sheet(
                    "A sheet",
                    "Of many things.",
                    parts,
                    List.of("Not on Mondays."),
                    new Sheet.Foot(LocalDate.of(2031, 3, 14), "a setup", "test")));
  }

  @Provide
  Arbitrary<Paper> papers() {
    return Combinators.combine(
            Arbitraries.of(Paper.Size.class),
            Arbitraries.of(true, false),
            Arbitraries.of(Paper.Form.class))
        .as(Paper::new);
  }

  @Property(tries = 300, shrinking = ShrinkingMode.OFF)
  void nothingIsOutsideOrOverAnythingOrLost(
      @ForAll("sheets") Sheet sheet, @ForAll("papers") Paper paper) {
    Pages pages = Pages.of(sheet, paper);
    double width = paper.width() - 2 * Pages.MARGIN;
    double height =
        (paper.form() == Paper.Form.CARD ? paper.height() / 2 : paper.height())
            - 2 * Pages.MARGIN
            + 10
            - Pages.FOOT;
    assertThat(pages.type()).isGreaterThanOrEqualTo(Paper.SMALLEST_TYPE);
    List<String> order = new ArrayList<>();
    for (Page page : pages.pages()) {
      Map<Double, Double> lowest = new HashMap<>();
      assertThat(page.pieces()).isNotEmpty();
      for (Placed p : page.pieces()) {
        assertThat(p.y() + p.piece().height()).as("ends above the foot").isLessThan(height + 1);
        for (Mark mark : p.piece().elements().stream().flatMap(e -> e.marks().stream()).toList()) {
          assertThat(right(mark) + p.x()).as("%s", mark).isLessThanOrEqualTo(width + 2);
        }
        double above = lowest.getOrDefault(p.x(), 0.0);
        assertThat(p.y()).as("over what is above it").isGreaterThanOrEqualTo(above - SLACK);
        lowest.put(p.x(), p.y() + p.piece().height());
        p.piece().elements().stream()
            .filter(e -> e.role() == Role.HEADING)
            .forEach(e -> order.add(text(e)));
      }
      nothingAlone(page);
    }
    assertThat(order)
        .hasSize((int) sheet.parts().stream().filter(x -> !x.title().isEmpty()).count() + 1);
    int rows = pages.pages().stream().mapToInt(PageLayoutTest::rows).sum();
    assertThat(rows).isEqualTo(sheet.lines());
    boolean one = pages.count() == 1;
    Statistics.label("sides").collect(one ? "one" : "several");
    Statistics.label("form").collect(paper.form());
    if (paper.form() == Paper.Form.PAGES && !one) {
      assertThat(pages.told()).anyMatch(t -> t.contains("does not fit on one page"));
    }
  }

  /** Lines that are together higher than half a page are parted, but not from their heading. */
  @Property(tries = 40, generation = GenerationMode.EXHAUSTIVE)
  void aHeadingOfHighLinesIsNotAlone(@ForAll @IntRange(min = 1, max = 40) int before) {
    Sheet.Shown text =
        new Sheet.Shown(Gesture.parse("Meta \"a long text that is typed\" Enter"), Map.of(), 0);
    Sheet.Cell cell = new Sheet.Cell(Collections.nCopies(3, text));
    Sheet.Line low = new Sheet.Line("x", "", List.of(), "", List.of(), List.of());
    Sheet.Line high = new Sheet.Line("y", "", List.of(cell), "", List.of(), List.of());
    Sheet sheet =
        new Sheet(
            "T",
            "",
            List.of(
                new Sheet.Lines("Low", Collections.nCopies(before, low)),
                new Sheet.Lines("High", Collections.nCopies(4, high))),
            List.of(),
            new Sheet.Foot(LocalDate.EPOCH, "", "test"));
    for (Paper.Size size : Paper.Size.values()) {
      for (boolean across : new boolean[] {true, false}) {
        Pages.of(sheet, new Paper(size, across, Paper.Form.CARD))
            .pages()
            .forEach(PageLayoutTest::nothingAlone);
      }
    }
  }

  /** Rows of lines by their heads: what stands under a line has none. */
  private static int rows(Page page) {
    return (int)
        page.pieces().stream()
            .filter(p -> p.piece().elements().stream().noneMatch(e -> e.role() == Role.HEADING))
            .filter(p -> p.piece().elements().stream().anyMatch(e -> e.role() == Role.ROW_HEAD))
            .count();
  }

  private static void nothingAlone(Page page) {
    Map<Double, Placed> last = new HashMap<>();
    page.pieces().forEach(p -> last.put(p.x(), p));
    for (Placed p : last.values()) {
      assertThat(p.piece().elements())
          .as("what is last in a column is no heading")
          .noneMatch(e -> e.role() == Role.HEADING);
    }
  }

  private static String text(Piece.Element e) {
    StringBuilder said = new StringBuilder();
    e.marks().forEach(m -> said.append(m instanceof Mark.Text t ? t.text() : ""));
    return said.toString();
  }

  private static double right(Mark mark) {
    return switch (mark) {
      case Mark.Text t -> t.x() + t.face().width(t.text()) * t.size();
      case Mark.Cap c -> c.x() + c.width();
      case Mark.Rule r -> Math.max(r.x1(), r.x2());
      case Mark.Arrow a -> a.x() + a.width();
      case Mark.Ring r -> r.x() + r.radius();
      case Mark.Box b -> b.x() + b.width();
    };
  }

  /** A group that is broken leaves at least two lines on either side. */
  @Property(tries = 60, shrinking = ShrinkingMode.OFF)
  void noLineOfAGroupIsLeftAlone(@ForAll("groups") int[] sizes) {
    List<Sheet.Part> parts = new ArrayList<>();
    for (int i = 0; i < sizes.length; i++) {
      List<Sheet.Line> lines = new ArrayList<>();
      for (int k = 0; k < sizes[i]; k++) {
        lines.add(new Sheet.Line("g" + i, "", List.of(), "", List.of(), List.of()));
      }
      parts.add(new Sheet.Lines("Group " + i, lines));
    }
    Sheet sheet = new Sheet("T", "", parts, List.of(), new Sheet.Foot(LocalDate.EPOCH, "", "test"));
    for (boolean across : new boolean[] {true, false}) {
      Pages pages = Pages.of(sheet, new Paper(Paper.Size.A4, across, Paper.Form.PAGES));
      Map<String, List<Integer>> runs = new HashMap<>();
      for (Page page : pages.pages()) {
        Map<Double, Map<String, Integer>> columns = new HashMap<>();
        for (Placed p : page.pieces()) {
          for (Piece.Element e : p.piece().elements()) {
            if (e.role() == Role.ROW_HEAD) {
              columns.computeIfAbsent(p.x(), _ -> new HashMap<>()).merge(text(e), 1, Integer::sum);
            }
          }
        }
        columns
            .values()
            .forEach(
                c -> c.forEach((g, n) -> runs.computeIfAbsent(g, _ -> new ArrayList<>()).add(n)));
      }
      runs.forEach(
          (group, counts) -> {
            int size = sizes[Integer.parseInt(group.substring(1))];
            assertThat(counts.stream().mapToInt(n -> n).sum()).isEqualTo(size);
            Statistics.collect(counts.size() > 1 ? "broken" : "whole");
            if (counts.size() > 1) {
              assertThat(counts).as(group).allMatch(n -> n >= 2);
            }
          });
    }
  }

  @Provide
  Arbitrary<int[]> groups() {
    return Arbitraries.integers().between(1, 40).array(int[].class).ofMinSize(1).ofMaxSize(12);
  }

  /** What is broken into lines is what was there, and no line is too wide. */
  @Property(tries = 500)
  void linesAreNoWiderAndLoseNothing(@ForAll("texts") String text, @ForAll("widths") double width) {
    for (Typeface face : Typeface.values()) {
      List<String> lines = Lettering.lines(face, text, width, 1000);
      for (String line : lines) {
        assertThat(face.widthOf(line)).isLessThanOrEqualTo(Math.max(width, 2) + SLACK);
      }
      assertThat(String.join("", lines).replace(" ", ""))
          .isEqualTo(Typeface.shown(text).replace(" ", ""));
      List<String> few = Lettering.lines(face, text, width, 2);
      assertThat(few.size()).isLessThanOrEqualTo(2);
      assertThat(lines.size() <= 2 || Lettering.isCut(few)).isTrue();
    }
  }

  @Provide
  Arbitrary<String> texts() {
    return Arbitraries.frequencyOf(
        Tuple.of(3, Arbitraries.strings().ascii().ofMaxLength(200)),
        Tuple.of(2, Arbitraries.strings().all().ofMaxLength(60)),
        Tuple.of(
            2,
            Arbitraries.strings()
                .withChars("abc de\u0416\u65e5\u0301\u3000\u2003\u202f\u2028")
                .ofMaxLength(120)));
  }

  @Provide
  Arbitrary<Double> widths() {
    return Arbitraries.doubles().between(3, 60);
  }

  @Property(tries = 20)
  void aPageIsUsedInTheLargestTypeThatFits(@ForAll("groups") int[] sizes) {
    Sheet sheet =
        new Sheet(
            "T",
            "",
            List.of(
                new Sheet.Lines(
                    "G",
                    IntStream.range(0, sizes.length)
                        .mapToObj(i -> new Sheet.Line("x", "", List.of(), "", List.of(), List.of()))
                        .toList())),
            List.of(),
            new Sheet.Foot(LocalDate.EPOCH, "", "test"));
    Pages pages = Pages.of(sheet, Paper.USUAL);
    assertThat(pages.count()).isEqualTo(1);
    assertThat(pages.type()).isCloseTo(11, within(0.01));
    assertThat(pages.told()).isEmpty();
  }
}
