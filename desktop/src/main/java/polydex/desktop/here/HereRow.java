package polydex.desktop.here;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import polydex.computer.ComputerPlan;
import polydex.computer.Finding;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.files.computer.ComputerReading;
import polydex.files.computer.ComputerReading.Stage;

/** A row of what is found on a computer: a source, or one of its findings below it. */
sealed interface HereRow {
  /** What typing ahead compares, and a screen reader says. */
  String words();

  /** What stands below the list while it is chosen. */
  String detail();

  /** A place that is looked at. */
  record OfSource(ComputerReading.Source source) implements HereRow {
    @Override
    public String words() {
      return source.title() + ": " + state();
    }

    String state() {
      return switch (source.stage()) {
        case READING ->
            source.words().isEmpty()
                ? worded("here.looking")
                : worded("here.looking-at", source.words());
        case DONE -> source.findings().isEmpty() ? worded("here.nothing-found") : "";
        case FAILED, STOPPED -> source.words();
      };
    }

    @Override
    public String detail() {
      return String.join(" ", source.remarks());
    }
  }

  /**
   * Something that was found.
   *
   * @param taken whether it is to be brought in
   * @param part what bringing it in would do, once that is known
   */
  record OfFinding(Finding finding, boolean taken, Optional<ComputerPlan.Part> part)
      implements HereRow {
    @Override
    public String words() {
      return finding.title()
          + (taken ? worded("here.is-taken") : worded("here.is-left"))
          + finding.amount()
          + ". "
          + effect();
    }

    String effect() {
      if (!taken) {
        return worded("any.left");
      }
      if (part.isEmpty()) {
        return "";
      }
      ComputerPlan.Part p = part.get();
      List<String> all = new ArrayList<>();
      add(all, p.taken(), worded("here.new"));
      add(all, p.changed(), worded("any.changed"));
      add(all, p.gone(), worded("any.gone"));
      return all.isEmpty()
          ? p.changesSomething()
              ? worded("here.new")
              : p.bindings().isPresent() ? worded("here.as-it-was") : ""
          : String.join(", ", all);
    }

    private static void add(List<String> all, int number, String word) {
      if (number > 0) {
        all.add("%,d %s".formatted(number, word));
      }
    }

    @Override
    public String detail() {
      List<String> all = new ArrayList<>();
      all.add(finding.title() + ": " + finding.amount() + ".");
      finding.example().ifPresent(e -> all.add(worded("here.such-as", e)));
      all.add(worded("here.from", finding.where()));
      part.flatMap(ComputerPlan.Part::bindings)
          .filter(b -> !b.refused().isEmpty())
          .ifPresent(
              b ->
                  all.add(
                      worded(
                          "here.cant-be-read-such-as",
                          b.refused().size(),
                          b.refused().getFirst().text(),
                          b.refused().getFirst().reason())));
      part.flatMap(ComputerPlan.Part::bindings)
          .filter(b -> !b.proposals().isEmpty())
          .ifPresent(
              b ->
                  all.add(
                      worded(
                          "here.names-like-actions-that-are-known",
                          b.proposals().size(),
                          b.proposals().getFirst().title())));
      all.addAll(finding.remarks());
      return String.join(" ", all);
    }
  }

  /** The rows of a reading. */
  static List<HereRow> of(
      List<ComputerReading.Source> sources, Predicate<Finding> taken, Optional<ComputerPlan> plan) {
    List<HereRow> rows = new ArrayList<>();
    for (ComputerReading.Source source : sources) {
      rows.add(new OfSource(source));
      for (Finding f : source.findings()) {
        rows.add(
            new OfFinding(
                f,
                taken.test(f),
                plan.flatMap(
                    p -> p.parts().stream().filter(x -> x.finding().equals(f)).findFirst())));
      }
    }
    return rows;
  }

  /** Draws it. */
  static void draw(HBox box, HereRow row) {
    switch (row) {
      case OfSource s -> {
        Label state = Texts.styled(s.state(), style(s.source().stage()));
        state.setWrapText(s.source().stage() == Stage.FAILED);
        box.getChildren()
            .addAll(
                Lists.column(Texts.styled(s.source().title(), "part"), 15), Lists.growing(state));
      }
      case OfFinding f -> {
        Region mark = new Region();
        mark.getStyleClass().addAll("tick", f.taken() ? "ticked" : "unticked");
        Label title = Texts.styled(f.finding().title(), f.taken() ? "row-title" : "quiet");
        box.getChildren()
            .addAll(
                Lists.column(mark, 2.2),
                Lists.growing(title),
                Lists.column(Texts.styled(f.finding().amount(), "quiet"), 18),
                Lists.rightColumn(Texts.styled(f.effect(), "number"), 9));
      }
    }
  }

  private static String style(Stage stage) {
    return stage == Stage.FAILED || stage == Stage.STOPPED ? "stops" : "quiet";
  }
}
