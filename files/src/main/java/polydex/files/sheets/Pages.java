package polydex.files.sheets;

import static polydex.files.language.FilesWords.worded;
import static polydex.language.Language.decimals;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import polydex.sheets.Sheet;

/**
 * A sheet on paper: the largest type and the fewest columns that bring it onto one page, or else
 * pages in the usual type.
 */
public final class Pages {
  private static final double[] TYPES = {11, 10.5, 10, 9.5, 9, 8.5, Paper.SMALLEST_TYPE};
  private static final double USUAL = 10;
  private static final double LARGE = 18;
  static final double MARGIN = 36;

  /** Under the columns, for the foot. */
  static final double FOOT = 26;

  private static final double GAP = 18;

  /** Widths of columns, in ems: as narrow as people can read them, and as they like them. */
  private static final double NARROWEST = 19;

  private static final double LIKED = 21;
  private static final double FOR_TWO = 36;
  private static final double FOR_FIGURES = 4;
  private static final double FOR_SENTENCES = 34;
  private static final int SENTENCE = 60;

  private final Sheet sheet;
  private final Paper paper;
  private final double type;
  private final List<Page> pages;
  private final List<String> told;

  private Pages(Sheet sheet, Paper paper, double type, List<Page> pages, List<String> told) {
    this.sheet = sheet;
    this.paper = paper;
    this.type = type;
    this.pages = pages;
    this.told = List.copyOf(told);
  }

  /** Sets a sheet. O(what stands on it · sizes that were tried). */
  public static Pages of(Sheet sheet, Paper paper) {
    return new Setting(sheet, paper).set();
  }

  /** What it is of. */
  public Sheet sheet() {
    return sheet;
  }

  /** What it is on. */
  public Paper paper() {
    return paper;
  }

  /** The size of the type, in points. */
  public double type() {
    return type;
  }

  List<Page> pages() {
    return pages;
  }

  /** How many sides of paper it takes. */
  public int count() {
    return paper.form() == Paper.Form.CARD ? (pages.size() + 1) / 2 : pages.size();
  }

  /** What does not fit, a sentence each; empty where all does. */
  public List<String> told() {
    return told;
  }

  private static final class Setting {
    private final Sheet sheet;
    private final Paper paper;
    private final double width;
    private final double height;

    Setting(Sheet sheet, Paper paper) {
      this.sheet = sheet;
      this.paper = paper;
      this.width = paper.width() - 2 * MARGIN;
      // A card is folded across its middle, and each half has margins and a foot of its own.
      double whole = paper.form() == Paper.Form.CARD ? paper.height() / 2 : paper.height();
      this.height = whole - 2 * MARGIN + 10 - FOOT;
    }

    /** One way of setting all. */
    private record Try(double type, List<Page> pages, int cuts) {}

    Pages set() {
      int wanted = paper.form() == Paper.Form.CARD ? 2 : 1;
      Try best =
          paper.form() == Paper.Form.LARGE
              ? tried(LARGE, 1)
              : fitting(wanted).orElseGet(() -> usual(wanted));
      List<String> told = new ArrayList<>();
      if (paper.form() != Paper.Form.LARGE && best.pages().size() > wanted) {
        told.add(
            worded(
                "sheets.it-does-not-fit-on-one",
                wanted == 2 ? worded("sheets.card") : worded("sheets.page"),
                decimals(0, Paper.SMALLEST_TYPE),
                wanted == 2 ? (best.pages().size() + 1) / 2 : best.pages().size()));
      }
      if (best.cuts() > 0) {
        told.add(
            worded("sheets.too-long-for-the-paper-and", worded("sheets.lines-are", best.cuts())));
      }
      return new Pages(sheet, paper, best.type(), best.pages(), told);
    }

    /** The largest type in which it fits, in as few columns as need be. */
    private Optional<Try> fitting(int wanted) {
      // A page holds at most some 300 lines of the smallest type; more are not even tried.
      if (sheet.lines() > 320 * wanted || cannotFit(wanted)) {
        return Optional.empty();
      }
      for (double type : TYPES) {
        for (int columns = columns(type, LIKED); columns <= columns(type, NARROWEST); columns++) {
          Try tried = tried(type, columns);
          if (tried.pages().size() <= wanted) {
            return Optional.of(tried);
          }
        }
      }
      return Optional.empty();
    }

    /** Whether the smallest and narrowest is too large: then nothing else has to be tried. */
    private boolean cannotFit(int wanted) {
      double least = Paper.SMALLEST_TYPE;
      int most = columns(least, NARROWEST);
      for (int columns = columns(least, LIKED); columns <= most; columns++) {
        if (tried(least, columns).pages().size() <= wanted) {
          return false;
        }
      }
      return true;
    }

    private Try usual(int wanted) {
      double type = wanted == 2 ? Paper.SMALLEST_TYPE : USUAL;
      return tried(type, columns(type, LIKED));
    }

    private int columns(double type, double ems) {
      return Math.max(1, (int) ((width + GAP) / (needed(ems) * type + GAP)));
    }

    /** The width of a column in ems: of the widest part of the sheet. */
    private double needed(double ems) {
      double needed = ems;
      for (Sheet.Part part : sheet.parts()) {
        if (part instanceof Sheet.Lines l) {
          double figures = l.figure().isEmpty() ? 0 : FOR_FIGURES;
          boolean sentences = l.lines().stream().anyMatch(x -> x.title().length() > SENTENCE);
          double of = l.columns().isEmpty() ? sentences ? FOR_SENTENCES : ems : FOR_TWO;
          needed = Math.max(needed, of + figures);
        } else if (part instanceof Sheet.Steps) {
          needed = Math.max(needed, FOR_SENTENCES);
        }
      }
      return needed;
    }

    private Try tried(double type, int columns) {
      Page.Frame frame = new Page.Frame(width, height, columns, GAP);
      Composer composer = new Composer(sheet, type, frame.column(), width);
      List<Page> pages = new ColumnFlow(frame).pages(composer.head(), composer.blocks());
      return new Try(type, pages, composer.cuts());
    }
  }
}
