package polydex.files.sheets;

import static polydex.files.language.FilesWords.worded;

import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import polydex.language.Language;
import polydex.sheets.Sheet.Foot;

/** What stands below every page: the day, what it is of, who made it, and which page it is. */
final class PageFoot {
  private static final DateTimeFormatter DAY = Language.dates(worded("sheets.d-mmmm-uuuu"));
  private static final double TYPE = Paper.SMALLEST_TYPE;

  private PageFoot() {}

  /** As people write a day. */
  static String day(Foot foot) {
    return DAY.format(foot.day());
  }

  /** What the sheet is called, from the second page on, unless what it is of says it. */
  private static String titled(Pages pages, int page) {
    String title = pages.sheet().title();
    return page == 0 || pages.sheet().foot().of().contains(title) ? "" : title;
  }

  static List<Mark> of(Pages pages, int page) {
    Paper paper = pages.paper();
    Foot foot = pages.sheet().foot();
    boolean card = paper.form() == Paper.Form.CARD;
    double width = paper.width() - 2 * Pages.MARGIN;
    double y = (card ? paper.height() / 2 : paper.height()) - Pages.MARGIN - Pages.FOOT + 14;
    List<Mark> marks = new ArrayList<>();
    marks.add(new Mark.Rule(Pages.MARGIN, y, Pages.MARGIN + width, y, 0.5, false));
    String number = worded("sheets.of", pages.pages().size(), page + 1);
    double wide = Typeface.TEXT.widthOf(number) * TYPE;
    double base = y + 3 + Lettering.ASCENT * TYPE;
    String said =
        Stream.of(day(foot), foot.of(), titled(pages, page), foot.madeBy())
            .filter(s -> !s.isEmpty())
            .collect(Collectors.joining("  ·  "));
    marks.addAll(
        Lettering.set(
            Typeface.TEXT,
            Lettering.cut(Typeface.TEXT, said, (width - wide - 12) / TYPE),
            TYPE,
            Pages.MARGIN,
            base,
            true));
    marks.addAll(
        Lettering.set(Typeface.TEXT, number, TYPE, Pages.MARGIN + width - wide, base, true));
    return marks;
  }
}
