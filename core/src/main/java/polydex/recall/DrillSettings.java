package polydex.recall;

import java.time.Duration;
import polydex.effort.YearlyCost;

/**
 * What a person wants of the drills.
 *
 * @param retention the chance of recall at which an item is asked again, 0.80 to 0.97
 * @param newADay how many new items a day brings at most, 0 to 20
 * @param minutesADay how many minutes a day the person has for it, 2 to 60
 */
public record DrillSettings(double retention, int newADay, int minutesADay) {
  /** What a person gets who has said nothing. */
  public static final DrillSettings USUAL = new DrillSettings(0.90, 6, 10);

  /** Keeps all in their ranges. */
  public DrillSettings {
    retention = Math.clamp(retention, 0.80, 0.97);
    newADay = Math.clamp(newADay, 0, 20);
    minutesADay = Math.clamp(minutesADay, 2, 60);
  }

  /** How many answers fit into a time. */
  public static int answersIn(Duration time) {
    return (int) (time.toSeconds() / YearlyCost.SECONDS_AN_ANSWER);
  }

  /** What so many answers take. */
  public static Duration timeOf(int answers) {
    return Duration.ofSeconds(Math.round(answers * YearlyCost.SECONDS_AN_ANSWER));
  }
}
