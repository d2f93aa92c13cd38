package polydex.desktop.sheets;

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
    all.append(": %,d %s to take".formatted(taken, taken == 1 ? "binding" : "bindings"));
    count(all, plan.changed().size(), "changed");
    count(all, plan.known().size(), "known already");
    count(all, plan.gone().size(), "gone from the list");
    count(all, plan.reading().asked().size(), "that can mean two things");
    count(all, plan.refused().size(), "refused");
    all.append(
        ". Understood: %.0f %% of %,d lines."
            .formatted(Math.floor(plan.reading().share() * 100), plan.reading().lines()));
    intake.about().stream().limit(MOST_TOLD).forEach(a -> all.append(about(a)));
    int more = intake.about().size() - MOST_TOLD;
    if (more > 0) {
      all.append(" About %,d more.".formatted(more));
    }
    if (!intake.about().isEmpty()) {
      all.append(" {INTAKE_SUBJECT} says that it is about something else.");
    }
    if (list.left() > 0) {
      all.append(" %,d entries without a gesture were left out.".formatted(list.left()));
    }
    if (!plan.proposals().isEmpty()) {
      all.append(" Enter on a title that resembles a known one says that it is the same.");
    }
    return all.toString();
  }

  private static String about(SubjectGuess about) {
    String what =
        switch (about.subject()) {
          case DESKTOP -> " About the desktop, “%s”.".formatted(about.title());
          case APPLICATION -> " About the application “%s”.".formatted(about.title());
          case OWN -> " Your own bindings on this computer.";
        };
    return what + (about.why().isEmpty() ? "" : " " + about.why());
  }

  private static void count(StringBuilder all, int count, String what) {
    if (count > 0) {
      all.append(", %,d %s".formatted(count, what));
    }
  }
}
