package polydex.cli;

import static polydex.cli.CliWords.worded;
import static polydex.language.Language.decimals;

import java.io.PrintWriter;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import polydex.files.json.ModelJson;
import polydex.language.Language;
import polydex.recall.Answer;
import polydex.recall.Confusions;
import polydex.recall.DrillItem;
import polydex.recall.LearningCurve;
import polydex.recall.MemoryFit;
import polydex.recall.MemoryFitter;
import polydex.recall.Pace;
import polydex.recall.Progress;

/** What drills come to beside the states of items, so that it can be checked from outside. */
final class DrillFigures {
  private final List<Answer> answers;
  private final Progress progress;
  private final PrintWriter out;
  private final boolean json;

  DrillFigures(List<Answer> answers, Progress progress, PrintWriter out, boolean json) {
    this.answers = answers;
    this.progress = progress;
    this.out = out;
    this.json = json;
  }

  void pace() {
    Pace pace = progress.history().pace();
    if (json) {
      out.println(ModelJson.answer(pace));
    } else {
      out.printf(
          Language.locale(),
          worded("command.s-to-begin-s-a-key"),
          pace.start(),
          pace.press(),
          pace.modifier());
    }
  }

  record Pair(
      String environment,
      String action,
      String otherEnvironment,
      String otherAction,
      int times,
      boolean open) {}

  void confusions() {
    List<Confusions.Count> open = progress.confusions().open();
    List<Pair> pairs =
        progress.confusions().all().stream()
            .map(
                c ->
                    new Pair(
                        c.pair().one().environment().value(),
                        c.pair().one().action().value(),
                        c.pair().other().environment().value(),
                        c.pair().other().action().value(),
                        c.times(),
                        open.contains(c)))
            .toList();
    if (json) {
      out.println(ModelJson.answer(pairs));
      return;
    }
    pairs.forEach(
        p ->
            out.printf(
                "%3d  %s %s / %s %s%s%n",
                p.times(),
                p.environment(),
                p.action(),
                p.otherEnvironment(),
                p.otherAction(),
                p.open() ? worded("command.asked-side-by-side") : ""));
  }

  /**
   * How an item got faster.
   *
   * @param firstKey the median seconds until the first key; none where it was never looked at
   */
  record Curve(
      String environment,
      String action,
      int rightAnswers,
      Optional<LearningCurve> curve,
      Optional<Double> firstKey) {}

  void curves() {
    Map<DrillItem, List<Answer>> byItem = new TreeMap<>();
    for (Answer a : answers) {
      if (a.verdict().isRight() && a.timing().counts() && a.countsForMemory()) {
        byItem.computeIfAbsent(a.item(), _ -> new ArrayList<>()).add(a);
      }
    }
    List<Curve> curves =
        byItem.entrySet().stream()
            .map(
                e ->
                    new Curve(
                        e.getKey().environment().value(),
                        e.getKey().action().value(),
                        e.getValue().size(),
                        LearningCurve.fitted(
                            e.getValue().stream().map(a -> a.timing().seconds()).toList()),
                        firstKey(e.getValue())))
            .toList();
    if (json) {
      out.println(ModelJson.answer(curves));
      return;
    }
    curves.forEach(
        c ->
            out.printf(
                Language.locale(),
                worded("command.right"),
                c.environment(),
                c.action(),
                c.rightAnswers(),
                c.curve()
                    .map(
                        t ->
                            String.format(
                                Language.locale(),
                                "T = %.3f + %.3f n^-%.3f s",
                                t.floor(),
                                t.gain(),
                                t.rate()))
                    .orElse(worded("command.no-curve-before", LearningCurve.ANSWERS_FOR_A_FIT)),
                c.firstKey()
                    .map(s -> worded("command.first-key-after-s", decimals(2, s)))
                    .orElse("")));
  }

  private static Optional<Double> firstKey(List<Answer> answers) {
    double[] seconds =
        answers.stream().flatMapToDouble(a -> a.timing().firstKey().stream()).sorted().toArray();
    return seconds.length == 0 ? Optional.empty() : Optional.of(seconds[seconds.length / 2]);
  }

  record Fit(
      String parameters,
      int answers,
      int heldOut,
      double lossBefore,
      double lossAfter,
      boolean used) {}

  /** Whether there are answers enough for one. */
  boolean fit(Instant now) {
    Optional<MemoryFit> found = MemoryFitter.fit(progress.latest(), progress.parameters(), now);
    if (found.isEmpty()) {
      out.printf(
          worded("command.a-fit-wants-first-answers-of"),
          MemoryFitter.LEAST_ANSWERS,
          progress.latest().size());
      return false;
    }
    MemoryFit f = found.get();
    if (json) {
      out.println(
          ModelJson.answer(
              new Fit(
                  f.parameters().toString(),
                  f.answers(),
                  f.heldOut(),
                  f.before(),
                  f.after(),
                  f.isUsed())));
    } else {
      out.printf(
          Language.locale(),
          worded("command.made-from-answers-on-the-after"),
          f.parameters(),
          f.answers(),
          f.heldOut(),
          f.after(),
          f.before(),
          f.isUsed()
              ? worded("command.better-so-it-is-used")
              : worded("command.no-better-so-it-is-not"));
    }
    return true;
  }
}
