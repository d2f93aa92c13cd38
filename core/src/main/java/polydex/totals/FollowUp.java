package polydex.totals;

/**
 * What came after a reminder so far.
 *
 * @param uses of the same place, at most the next {@value #NEXT} within {@value #DAYS} days
 * @param byKeys how many of them came by keys
 */
public record FollowUp(Reminder reminder, int uses, int byKeys) {
  /** So many uses after it count. */
  public static final int NEXT = 5;

  /** For so many days. */
  public static final int DAYS = 14;
}
