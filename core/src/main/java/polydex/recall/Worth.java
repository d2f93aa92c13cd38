package polydex.recall;

/** What knowing an action is worth against another, by how often it is done. */
public final class Worth {
  private Worth() {}

  /**
   * Its weight: 1 for one use a day, and by the logarithm of more; what is done forty times a day
   * is worth not forty times as much, since it is also practised at work.
   *
   * @param usesADay uses a working day, 0 or more
   */
  public static double of(double usesADay) {
    return (1 + Math.log1p(usesADay)) / (1 + Math.log(2));
  }
}
