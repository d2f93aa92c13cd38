package polydex.bench;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import polydex.recall.AskingPlan;
import polydex.recall.Days;
import polydex.recall.DrillSettings;
import polydex.recall.Grade;
import polydex.recall.Intake;
import polydex.recall.Memory;
import polydex.recall.MemoryParameters;

/** By what it is chosen what a simulated person is asked. */
final class Schedules {
  static final double ASKING = 4;

  private Schedules() {}

  /** A schedule. */
  interface Schedule {
    /** Which known items are to be asked on a day, the first first. */
    List<Integer> ask(int day);

    /** How many new ones may be begun, and those come after so many that are asked. */
    int room(int day, double seconds);

    default int before(List<Integer> ask, int day) {
      return ask.size();
    }

    default void answered(int item, int day, Learner.Said said) {}
  }

  static Instant at(int day) {
    return Study.START.plusSeconds(day * 86_400L);
  }

  /** After 1 day, then each time so many times longer; back to one after a miss. */
  static final class Fixed implements Schedule {
    private final double factor;
    private final Map<Integer, Double> interval = new HashMap<>();
    private final Map<Integer, Integer> next = new HashMap<>();

    Fixed(double factor) {
      this.factor = factor;
    }

    @Override
    public List<Integer> ask(int day) {
      return next.entrySet().stream()
          .filter(e -> e.getValue() <= day)
          .sorted(Map.Entry.comparingByValue())
          .map(Map.Entry::getKey)
          .toList();
    }

    @Override
    public int room(int day, double seconds) {
      double[] load = new double[Intake.DAYS];
      next.forEach((item, due) -> add(load, Math.max(0, due - day), interval.get(item)));
      double[] one = new double[Intake.DAYS];
      one[0] = Intake.FIRST_ASKINGS * ASKING;
      add(one, 1, 1);
      return Intake.room(load, one, Study.NEW_A_DAY, seconds);
    }

    private void add(double[] load, double first, double interval) {
      double wait = interval;
      for (double at = first; at < load.length; at += Math.round(wait)) {
        load[(int) at] += ASKING;
        wait *= factor;
      }
    }

    @Override
    public void answered(int item, int day, Learner.Said said) {
      double days = said.right() && interval.containsKey(item) ? interval.get(item) * factor : 1;
      interval.put(item, days);
      next.put(item, day + (int) Math.max(1, Math.round(days)));
    }
  }

  /** Any known item, by chance, for as long as there is time. */
  record ByChance(Random random, List<Integer> known, Fixed waiting) implements Schedule {
    @Override
    public List<Integer> ask(int day) {
      List<Integer> all = new ArrayList<>(known);
      Collections.shuffle(all, random);
      return all;
    }

    @Override
    public int room(int day, double seconds) {
      return waiting.room(day, seconds);
    }

    @Override
    public void answered(int item, int day, Learner.Said said) {
      waiting.answered(item, day, said);
      if (!known.contains(item)) {
        known.add(item);
      }
    }
  }

  /**
   * As the program did before speed was taken out of the grades: due at a chance of recall of 0.9,
   * the least forgotten first; quick answers count as easy; three new ones a day, none where what
   * is due fills three fifths of the minutes.
   */
  static final class Former implements Schedule {
    private static final double DUE = 0.9;
    private final Map<Integer, Memory> states = new HashMap<>();
    private final Map<Integer, Integer> last = new HashMap<>();
    private final List<Double> seconds = new ArrayList<>();

    @Override
    public List<Integer> ask(int day) {
      Comparator<Integer> byRecall =
          Comparator.comparingDouble(i -> -states.get(i).retrievability(day - last.get(i)));
      return states.keySet().stream()
          .filter(i -> states.get(i).retrievability(day - last.get(i)) <= DUE)
          .sorted(byRecall.thenComparing(i -> i))
          .toList();
    }

    @Override
    public int room(int day, double seconds) {
      return ask(day).size() * ASKING > 0.6 * seconds ? 0 : 3;
    }

    @Override
    public void answered(int item, int day, Learner.Said said) {
      MemoryParameters w = MemoryParameters.USUAL;
      double usual =
          seconds.isEmpty() ? 1.3 : seconds.stream().sorted().toList().get(seconds.size() / 2);
      boolean easy = said.right() && said.seconds() <= usual;
      Memory before = states.get(item);
      Memory after;
      if (before == null) {
        after =
            said.right()
                ? new Memory(w.w(4) - w.w(5) * (easy ? 1 : 0), w.w(easy ? 3 : 2))
                : Memory.first(Grade.MISSED, w);
      } else if (!said.right()) {
        after = before.next(Grade.MISSED, day - last.get(item), w);
      } else {
        Memory plain = before.next(Grade.RIGHT, day - last.get(item), w);
        double growth = plain.stability() / before.stability() - 1;
        double d = easy ? plain.difficulty() - (1 - w.w(7)) * w.w(6) : plain.difficulty();
        after = new Memory(d, before.stability() * (1 + growth * (easy ? w.w(16) : 1)));
      }
      states.put(item, after);
      last.put(item, day);
      if (said.right()) {
        seconds.add(said.seconds());
        if (seconds.size() > 200) {
          seconds.removeFirst();
        }
      }
    }
  }

  /** As the program does it. */
  static final class Ours implements Schedule {
    private final Study study;
    private final boolean fits;
    private AskingPlan plan;
    private Intake intake;
    private int fitted = -100;

    Ours(Study study, boolean fits) {
      this.study = study;
      this.fits = fits;
      use(Study.USUAL);
    }

    private void use(AskingPlan wanted) {
      plan = wanted;
      intake = new Intake(plan);
    }

    @Override
    public List<Integer> ask(int day) {
      if (fits && day - fitted >= 14) {
        study
            .fit(day)
            .ifPresent(
                f -> {
                  fitted = day;
                  if (f.isUsed()) {
                    use(new AskingPlan(f.parameters()));
                  }
                });
      }
      double least = plan.least((1 + DrillSettings.USUAL.retention()) / 2);
      Map<Integer, Double> index = index(day);
      return index.entrySet().stream()
          .filter(e -> e.getValue() >= least)
          .sorted(
              Map.Entry.<Integer, Double>comparingByValue()
                  .reversed()
                  .thenComparing(Map.Entry.comparingByKey()))
          .map(Map.Entry::getKey)
          .toList();
    }

    private Map<Integer, Double> index(int day) {
      Map<Integer, Double> index = new HashMap<>();
      study
          .progress()
          .states()
          .forEach(
              (item, state) -> {
                int i = Integer.parseInt(item.action().value());
                double days = Days.between(state.counted(), at(day));
                index.put(i, study.worth(i) * plan.index(state.memory(), Math.max(0.5, days)));
              });
      return index;
    }

    @Override
    public int room(int day, double seconds) {
      return intake.room(study.progress().states().values(), at(day), Study.NEW_A_DAY, seconds);
    }

    @Override
    public int before(List<Integer> ask, int day) {
      Map<Integer, Double> index = index(day);
      return (int) ask.stream().filter(i -> index.get(i) >= intake.price()).count();
    }
  }

  /** Sees how well everything is known, and asks what is below a chance of recall. */
  record Oracle(Study study, double below) implements Schedule {
    @Override
    public List<Integer> ask(int day) {
      Comparator<Integer> byRecall = Comparator.comparingDouble(i -> -study.recall(i, day));
      return IntStream.range(0, study.begun())
          .boxed()
          .filter(i -> study.recall(i, day) <= below)
          .sorted(byRecall)
          .toList();
    }

    @Override
    public int room(int day, double seconds) {
      return ask(day).size() * ASKING > 0.8 * seconds ? 0 : Study.NEW_A_DAY;
    }
  }
}
