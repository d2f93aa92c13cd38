package polydex.bench;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.bench.ListCorpus.Sample;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.files.lists.ForeignList;
import polydex.files.lists.Intake;
import polydex.files.lists.ListReader;
import polydex.intake.BindingIntake;
import polydex.intake.ColumnRoles.Target;
import polydex.intake.IntakePlan;
import polydex.workspace.Workspace;

/** How rightly lists of every form are read, against a truth that was made with them. */
final class ListsBench {
  private static final int EACH = 60;

  private ListsBench() {}

  /** What came of all lists of a form. */
  private static final class Tally {
    int truth;
    int taken;
    int right;
    int lost;

    void add(Tally other) {
      truth += other.truth;
      taken += other.taken;
      right += other.right;
      lost += other.lost;
    }
  }

  static void run() throws Exception {
    Workspace start = Shipped.start();
    Map<String, Tally> all = new LinkedHashMap<>();
    for (String form : ListCorpus.FORMS) {
      Tally tally = all.computeIfAbsent(form, _ -> new Tally());
      for (int i = 0; i < EACH; i++) {
        measure(start, ListCorpus.sample(form, form.hashCode() * 31L + i), tally);
      }
    }
    Tally sum = new Tally();
    all.forEach(
        (form, tally) -> {
          print(form, tally);
          sum.add(tally);
        });
    print("all forms", sum);
    CatalogBench.bringIn(1_000_000);
  }

  private static void print(String form, Tally t) {
    System.out.printf(
        Locale.ROOT,
        "| lists, %s: right of what was taken, taken rightly of what there is, lost silently"
            + " | %,d bindings | %.2f %% | %.2f %% | %d |%n",
        form,
        t.truth,
        100.0 * t.right / Math.max(1, t.taken),
        100.0 * t.right / Math.max(1, t.truth),
        t.lost);
  }

  private static void measure(Workspace start, Sample sample, Tally tally) {
    tally.truth += sample.truth().values().stream().mapToInt(Set::size).sum();
    Map<String, Set<String>> found = new HashMap<>();
    Set<String> told = new HashSet<>();
    try {
      ForeignList list = ListReader.read("list", sample.text());
      Intake intake =
          Intake.of(start, list, Optional.empty(), Optional.of(new Target("Listed", false)));
      IntakePlan plan = BindingIntake.plan(start, intake.request());
      plan.taken()
          .forEach(
              t ->
                  found
                      .computeIfAbsent(t.row().action(), _ -> new HashSet<>())
                      .add(t.gesture().toString()));
      plan.refused().forEach(r -> told.add(r.text()));
      plan.reading().asked().forEach(a -> told.add(a.row().action()));
      plan.reading().partly().forEach(p -> told.add(p.row().action()));
      intake.tables().stream()
          .filter(t -> !t.taken())
          .forEach(t -> t.table().rows().forEach(r -> told.addAll(r.cells())));
    } catch (FileProblem e) {
      return; // refused as a whole, and said so
    }
    found.values().forEach(gestures -> tally.taken += gestures.size());
    sample
        .truth()
        .forEach(
            (action, gestures) ->
                gestures.forEach(
                    gesture -> {
                      if (found.getOrDefault(action, Set.of()).contains(gesture)) {
                        tally.right++;
                      } else if (told.stream().noneMatch(t -> t.contains(action))) {
                        tally.lost++;
                      }
                    }));
  }
}
