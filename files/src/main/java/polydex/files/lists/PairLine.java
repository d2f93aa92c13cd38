package polydex.files.lists;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import polydex.intake.GestureCell;
import polydex.intake.ListTable;
import polydex.intake.Steps;
import polydex.keys.Gesture;
import polydex.keys.KeyRef;
import polydex.keys.Step;

/**
 * A line with a gesture and what it does in it, either way round: "Ctrl+S - Save", "Save: Ctrl+S",
 * "Save (Ctrl+S)". What divides it is tried from the left until one side is a gesture and the other
 * is none.
 */
final class PairLine {
  /**
   * What people put between the two, the surest first; at last no more than a space beside marks.
   */
  private static final List<Pattern> DIVIDERS =
      List.of(
          Pattern.compile("\\t+|\\s{2,}"),
          Pattern.compile(
              "(?<=\\S)\\s+[-\u2013\u2014=|~]+>?\\s+|:\\s+|(?<=\\S)\\s+:(?=\\S)"
                  + "|(?<=\\S)\\s+[\u2192\u21d2]\\s+|(?<=\\S)\\s*\\.{3,}\\s*"),
          Pattern.compile("(?<=[`*\\]>])\\s+|(?<=\\S)\\s+(?=[`*\\[<(])"),
          // A stroke with modifiers, then words with a capital letter.
          Pattern.compile("(?<=[+-]\\S{1,12})\\s(?=\\p{Lu}\\p{Ll}+ )"));

  private static final int MOST = 24;
  private static final Pattern BRACKETS = Pattern.compile("^\\((.*)\\)$");

  private PairLine() {}

  /** The gesture, then what it does; none where it can't be told apart. */
  static Optional<List<String>> of(String line) {
    Steps.take(line.length());
    for (Pattern divider : DIVIDERS) {
      Optional<List<String>> pair = of(line, divider.matcher(line));
      if (pair.isPresent()) {
        return pair;
      }
    }
    return Optional.empty();
  }

  private static Optional<List<String>> of(String line, Matcher divider) {
    List<int[]> places = new ArrayList<>();
    while (divider.find() && places.size() < MOST) {
      if (divider.start() > 0 && divider.end() < line.length()) {
        places.add(new int[] {divider.start(), divider.end()});
      }
    }
    for (int[] place : places) {
      String left = line.substring(0, place[0]).strip();
      String right = line.substring(place[1]).strip();
      if (isGesture(left) && isWords(right)) {
        return Optional.of(List.of(left, words(right)));
      }
    }
    for (int i = places.size() - 1; i >= 0; i--) {
      String left = line.substring(0, places.get(i)[0]).strip();
      String right = unbracketed(line.substring(places.get(i)[1]).strip());
      if (isGesture(right) && isWords(left)) {
        return Optional.of(List.of(right, words(left)));
      }
    }
    return Optional.empty();
  }

  private static String unbracketed(String text) {
    Matcher brackets = BRACKETS.matcher(text);
    return brackets.matches() ? brackets.group(1) : text;
  }

  private static String words(String text) {
    return text.replace(ListTable.BESIDE, ' ')
        .replaceAll("^[-\u2013\u2014:=\\s]+|[-\u2013\u2014:=\\s]+$", "");
  }

  private static boolean isWords(String text) {
    return words(text).codePoints().filter(Character::isLetter).count() > 1;
  }

  /** Whether a text is a gesture that could hardly be anything else. */
  static boolean isGesture(String text) {
    if (text.isBlank() || text.length() > 120) {
      return false;
    }
    return GestureCell.likely(text).stream().anyMatch(PairLine::isPlain);
  }

  private static boolean isPlain(Gesture gesture) {
    return gesture.modifierPresses() > 0
        || gesture.steps().stream().anyMatch(s -> s instanceof Step.Stroke(var _, KeyRef.Placed _))
        || gesture.toString().length() <= 2;
  }
}
