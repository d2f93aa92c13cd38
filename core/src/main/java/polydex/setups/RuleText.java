package polydex.setups;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import polydex.keys.Gesture;
import polydex.route.Remap;
import polydex.route.Remap.KeyRule;
import polydex.route.Remap.Part;
import polydex.route.Remap.StrokeRule;
import polydex.route.Remap.Tapped;

/**
 * Rules of remaps as a person writes them: {@code CapsLock -> Ctrl} for a key, {@code Meta+S ->
 * Ctrl+S} for a stroke, {@code CapsLock -> nothing} for a key that is switched off, {@code CapsLock
 * -> Ctrl held, Escape tapped} for one that is two, with {@code within 150 ms} where the time is
 * not the usual one. A single key or modifier is meant as one, by the code of its place.
 */
public final class RuleText {
  private static final Pattern ARROW = Pattern.compile("\\s*(?:->|→)\\s*");
  private static final Pattern HELD_AND_TAPPED =
      Pattern.compile("(\\w+) held, (\\w+) tapped(?: within (\\d{1,4}) ms)?");
  private static final String NOTHING = "nothing";

  private RuleText() {}

  /** A rule for keys in words. */
  public static String of(KeyRule rule) {
    String to = rule.to().map(Part::toString).orElse(NOTHING);
    return rule.from()
        + " → "
        + rule.tapped()
            .map(
                t ->
                    "%s held, %s tapped%s"
                        .formatted(
                            to,
                            t.to(),
                            t.withinMillis() == Tapped.USUAL
                                ? ""
                                : " within " + t.withinMillis() + " ms"))
            .orElse(to);
  }

  /** A rule for strokes in words. */
  public static String of(StrokeRule rule) {
    return rule.from() + " → " + rule.to();
  }

  /**
   * A rule for keys.
   *
   * @throws IllegalArgumentException that says what was expected
   */
  public static KeyRule keyRule(String text) {
    String[] sides = sides(text);
    Matcher both = HELD_AND_TAPPED.matcher(sides[1]);
    if (!both.matches()) {
      return new KeyRule(Part.parse(sides[0]), part(sides[1]));
    }
    int within = both.group(3) == null ? Tapped.USUAL : Integer.parseInt(both.group(3));
    return new KeyRule(
        Part.parse(sides[0]),
        part(both.group(1)),
        Optional.of(new Tapped(Part.parse(both.group(2)), within)));
  }

  private static Optional<Part> part(String text) {
    return text.equals(NOTHING) ? Optional.empty() : Optional.of(Part.parse(text));
  }

  /**
   * A remap with one more rule.
   *
   * @throws IllegalArgumentException that says what was expected
   */
  public static Remap adding(Remap remap, String text) {
    String[] sides = sides(text);
    if (isPart(sides[0])
        && (sides[1].equals(NOTHING)
            || isPart(sides[1])
            || HELD_AND_TAPPED.matcher(sides[1]).matches())) {
      List<KeyRule> rules = new ArrayList<>(remap.keyRules());
      rules.add(keyRule(text));
      return new Remap(remap.title(), remap.onlyIn(), remap.strokeRules(), rules);
    }
    List<StrokeRule> rules = new ArrayList<>(remap.strokeRules());
    rules.add(new StrokeRule(stroke(sides[0]), stroke(sides[1])));
    return new Remap(remap.title(), remap.onlyIn(), rules, remap.keyRules());
  }

  /**
   * A remap with another rule for strokes in the place of one; both sides are meant as strokes.
   *
   * @throws IllegalArgumentException that says what was expected
   */
  static Remap replacing(Remap remap, int at, String text) {
    String[] sides = sides(text);
    return new Remap(
        remap.title(),
        remap.onlyIn(),
        Members.replaced(
            remap.strokeRules(), at, new StrokeRule(stroke(sides[0]), stroke(sides[1]))),
        remap.keyRules());
  }

  /**
   * A gesture of one stroke.
   *
   * @throws IllegalArgumentException for anything else
   */
  public static Gesture stroke(String text) {
    Gesture gesture = Gesture.parse(text.strip());
    if (!gesture.isStroke()) {
      throw new IllegalArgumentException(worded("setups.is-not-one-stroke-such-as", text.strip()));
    }
    return gesture;
  }

  private static boolean isPart(String text) {
    try {
      Part.parse(text);
      return true;
    } catch (IllegalArgumentException e) {
      return false;
    }
  }

  private static String[] sides(String text) {
    String[] sides = ARROW.split(text.strip(), -1);
    if (sides.length != 2 || sides[0].isEmpty() || sides[1].isEmpty()) {
      throw new IllegalArgumentException(worded("setups.a-rule-says-what-becomes-what"));
    }
    return sides;
  }
}
