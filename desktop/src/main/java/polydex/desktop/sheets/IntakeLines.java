package polydex.desktop.sheets;

import static polydex.desktop.language.DesktopWords.worded;
import static polydex.language.Language.decimals;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import polydex.catalog.TitleMatcher.Match;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.files.lists.ForeignList;
import polydex.files.lists.Intake;
import polydex.intake.IntakePlan;
import polydex.intake.IntakePlan.Proposal;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.intake.ReadingChoice;
import polydex.keys.Gesture;

/** The lines of a preview: what would become of each line of a list, what needs eyes first. */
final class IntakeLines {

  /** What becomes of a line. */
  enum Fate {
    ASKED(worded("sheets.which"), "notch"),
    REFUSED(worded("sheets.refused"), "notch"),
    PARTLY(worded("sheets.partly"), "notch"),
    LEFT(worded("any.left"), "dot", "dot-open"),
    READ(worded("sheets.read-as"), "dot", "dot-learning"),
    GONE(worded("any.gone"), "dot", "dot-open"),
    RESEMBLES(worded("sheets.like-one"), "dot", "dot-learning"),
    OFF(worded("any.off"), "dot", "dot-switching"),
    CHANGED(worded("any.changed"), "dot", "dot-switching"),
    TAKEN(worded("sheets.take"), "dot", "dot-replaced"),
    KNOWN(worded("sheets.known"), "dot"),
    WITHOUT(worded("any.no-key"), "dot"),
    TABLE(worded("sheets.table"), "dot"),
    UNSEEN(worded("sheets.not-read"), "dot", "dot-open");

    private final String word;
    private final List<String> mark;

    Fate(String word, String... mark) {
      this.word = word;
      this.mark = List.of(mark);
    }
  }

  /** What Enter does on a line. */
  sealed interface Act {}

  /** A table is taken, or left. */
  record Turn(int table, boolean take) implements Act {}

  /** What can mean two things is read the other way. */
  record Choose(ReadingChoice choice, String option) implements Act {}

  /** Of several systems these are wanted. */
  record Want(Set<String> systems) implements Act {}

  /** A title is not what it is taken for. */
  record Part(String title) implements Act {}

  /** Nothing. */
  record Stay() implements Act {}

  /**
   * A line.
   *
   * @param number in the file, counted from 1; 0 for what is not in it
   * @param likely the known action that a title resembles
   * @param act what Enter does
   */
  record Line(
      int number,
      Fate fate,
      String text,
      Optional<Gesture> gesture,
      String why,
      Optional<Match> likely,
      Act act) {}

  private IntakeLines() {}

  /** What is told of a whole list, its tables and how it was read; then of its lines. */
  static List<Line> of(
      ForeignList list, Intake intake, IntakePlan plan, boolean dropGone, String dropKey) {
    List<Line> all = of(plan, dropGone, dropKey);
    all.addAll(IntakeReport.lines(list, intake, plan.reading()));
    all.sort(Comparator.comparing(Line::fate).thenComparingInt(Line::number));
    return all;
  }

  private static List<Line> of(IntakePlan plan, boolean dropGone, String dropKey) {
    Map<String, Match> likely = new HashMap<>();
    for (Proposal proposal : plan.proposals()) {
      likely.put(proposal.title(), proposal.matches().getFirst());
    }
    Map<String, Match> recognised = new HashMap<>();
    plan.recognised().forEach(r -> recognised.put(r.title(), r.matches().getFirst()));
    List<Line> all = new ArrayList<>();
    plan.refused()
        .forEach(
            r ->
                all.add(
                    line(
                        r.line(),
                        Fate.REFUSED,
                        r.text(),
                        Optional.empty(),
                        in(r.file()) + r.reason())));
    plan.gone()
        .forEach(
            g ->
                all.add(
                    line(
                        0,
                        Fate.GONE,
                        plan.change().before().catalog().title(g.binding().action()),
                        Optional.of(g.binding().gesture()),
                        dropGone
                            ? worded("sheets.goes-from-here-too")
                            : worded("sheets.stays-here-drops-it", dropKey))));
    plan.changed()
        .forEach(
            c ->
                all.add(
                    line(
                        c.row().line(),
                        Fate.CHANGED,
                        c.row().action(),
                        Optional.of(c.gesture()),
                        worded("sheets.was", c.before()))));
    plan.taken()
        .forEach(
            t -> {
              Optional<Match> match = Optional.ofNullable(likely.get(t.row().action().strip()));
              all.add(
                  new Line(
                      t.row().line(),
                      match.isPresent() ? Fate.RESEMBLES : Fate.TAKEN,
                      t.row().action(),
                      Optional.of(t.gesture()),
                      match
                          .map(
                              m ->
                                  worded(
                                          "sheets.new-or-alike",
                                          m.action().title(),
                                          decimals(0, m.score() * 100))
                                      + (t.row().file().isEmpty() ? "" : " " + t.row().file()))
                          .orElse(where(t.row(), recognised.get(t.row().action().strip()))),
                      match,
                      recognised.containsKey(t.row().action().strip())
                          ? new Part(t.row().action().strip())
                          : new Stay()));
            });
    plan.known()
        .forEach(
            r ->
                all.add(
                    line(
                        r.line(),
                        Fate.KNOWN,
                        r.action() + ": " + r.gesture(),
                        Optional.empty(),
                        worded("sheets.is-there-already"))));
    return all;
  }

  /** Where a binding goes, and what its action is known as. */
  private static String where(RequestedRow row, @Nullable Match known) {
    String environment =
        in(row.file()) + (row.own() ? worded("sheets.your-own") : row.environment());
    return known == null
        ? environment
        : worded("sheets.it-is-enter-says-no", environment, known.action().title());
  }

  /** The file of a line, where there are several. */
  static String in(String file) {
    return file.isEmpty() ? "" : file + ": ";
  }

  static Line line(int number, Fate fate, String text, Optional<Gesture> gesture, String why) {
    return new Line(number, fate, text, gesture, why, Optional.empty(), new Stay());
  }

  /** With little room what becomes of a line stands above what it says. */
  static void row(HBox box, Line line, boolean narrow) {
    boolean tells = line.fate().compareTo(Fate.READ) <= 0 || line.fate() == Fate.UNSEEN;
    Label why = Texts.styled(line.why(), tells ? "words" : "quiet");
    why.setWrapText(tells || line.fate() == Fate.RESEMBLES);
    HBox.setHgrow(why, Priority.ALWAYS);
    if (narrow) {
      FlowPane says = new FlowPane(10, 4, Texts.styled(line.text(), "row-title"));
      line.gesture().ifPresent(g -> says.getChildren().add(new GestureView(g, Map.of())));
      Label number =
          Texts.styled(line.number() == 0 ? "" : worded("any.line", line.number()), "number");
      why.setWrapText(true);
      VBox stacked = new VBox(2, new HBox(10, number, mark(line.fate())), says, why);
      HBox.setHgrow(stacked, Priority.ALWAYS);
      box.getChildren().add(stacked);
      return;
    }
    String number = line.number() == 0 ? "" : worded("any.line", line.number());
    box.getChildren()
        .addAll(
            Lists.rightColumn(Texts.styled(number, "number"), 5.5),
            mark(line.fate()),
            Lists.column(Texts.styled(line.text(), "row-title"), 18));
    line.gesture().ifPresent(g -> box.getChildren().add(new GestureView(g, Map.of())));
    box.getChildren().add(why);
  }

  private static Node mark(Fate fate) {
    Region sign = new Region();
    sign.getStyleClass().addAll(fate.mark);
    HBox mark = new HBox(6, sign, Texts.styled(fate.word, "row-title"));
    mark.setAlignment(Pos.CENTER_LEFT);
    return Lists.column(mark, 6);
  }
}
