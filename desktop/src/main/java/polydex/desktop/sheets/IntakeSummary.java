package polydex.desktop.sheets;

import static polydex.desktop.language.DesktopWords.worded;
import static polydex.language.Language.decimals;

import java.util.Locale;
import polydex.files.lists.ForeignList;
import polydex.files.lists.Intake;
import polydex.intake.IntakePlan;
import polydex.intake.SubjectGuess;

/** What a preview comes to, in some sentences above its lines. */
final class IntakeSummary {
  private static final int MOST_TOLD = 3;

  private IntakeSummary() {}

  static String of(ForeignList list, Intake intake, IntakePlan plan) {
    String form = list.form();
    StringBuilder all =
        new StringBuilder(form.substring(0, 1).toUpperCase(Locale.ROOT)).append(form.substring(1));
    int taken = plan.taken().size();
    all.append(worded("sheets.to-take", taken, worded("any.bindings", taken)));
    count(all, plan.changed().size(), worded("any.changed"));
    count(all, plan.known().size(), worded("sheets.known-already"));
    count(all, plan.gone().size(), worded("sheets.gone-from-the-list"));
    count(all, plan.reading().asked().size(), worded("sheets.that-can-mean-two-things"));
    count(all, plan.refused().size(), worded("sheets.refused"));
    all.append(
        worded(
            "sheets.understood-of-lines",
            decimals(0, Math.floor(plan.reading().share() * 100)),
            plan.reading().lines()));
    intake.about().stream().limit(MOST_TOLD).forEach(a -> all.append(about(a)));
    int more = intake.about().size() - MOST_TOLD;
    if (more > 0) {
      all.append(worded("sheets.about-more", more));
    }
    if (!intake.about().isEmpty()) {
      all.append(worded("sheets.intake-subject-says-that-it-is"));
    }
    if (list.left() > 0) {
      all.append(worded("sheets.entries-without-a-gesture-were-left", list.left()));
    }
    if (!plan.proposals().isEmpty()) {
      all.append(worded("sheets.enter-on-a-title-that-resembles"));
    }
    return all.toString();
  }

  private static String about(SubjectGuess about) {
    String what =
        switch (about.subject()) {
          case DESKTOP -> worded("sheets.about-the-desktop", about.title());
          case APPLICATION -> worded("sheets.about-the-application", about.title());
          case OWN -> worded("sheets.your-own-bindings-on-this-computer");
        };
    return what + (about.why().isEmpty() ? "" : " " + about.why());
  }

  private static void count(StringBuilder all, int count, String what) {
    if (count > 0) {
      all.append(", %,d %s".formatted(count, what));
    }
  }
}
