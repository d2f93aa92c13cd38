package polydex.intake;

import static polydex.language.CoreWords.worded;

import java.util.concurrent.Callable;

/**
 * The steps that reading something from outside takes: one for each character that is looked at,
 * however often. Reading ends where nobody waits for it any more, which an interrupted thread says;
 * and who asks for it hears how many steps there were, so that it can be shown that they grow no
 * faster than the text.
 */
public final class Steps {
  /** Nobody waits any more for what was being read. */
  public static final class Stopped extends RuntimeException {
    private static final long serialVersionUID = 1L;

    Stopped() {
      super(worded("intake.stopped-nothing-was-taken"));
    }
  }

  private static final ScopedValue<Steps> COUNTED = ScopedValue.newInstance();

  private long count;

  private Steps() {}

  /**
   * Takes some steps.
   *
   * @throws Stopped if nobody waits any more
   */
  public static void take(long some) {
    if (COUNTED.isBound()) {
      COUNTED.get().count += some;
    }
    if (Thread.currentThread().isInterrupted()) {
      throw new Stopped();
    }
  }

  /** How many steps some work takes. */
  public static long of(Callable<?> work) {
    Steps steps = new Steps();
    try {
      ScopedValue.where(COUNTED, steps).call(work::call);
    } catch (RuntimeException e) {
      throw e;
    } catch (Exception e) {
      throw new IllegalStateException(e);
    }
    return steps.count;
  }
}
