package polydex.keys;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.regex.Pattern;

/**
 * Reads a gesture in any of the forms of {@link Notation}, and says which it was. The forms are
 * tried from the strictest to the loosest, and the first that reads the whole text counts; a text
 * that two of them would read differently, with nothing in it to tell which is meant, is refused.
 * O(n) in the length of the text for each form.
 */
public final class GestureReader {
  private static final int LONGEST = 2000;
  private static final int MOST_LETTERS = 4;

  /** An abbreviated word, such as that of a key that nobody else names so. */
  private static final Pattern CAPITALS = Pattern.compile("(?!(.)\\1*$)[A-Z]+");

  /**
   * What a text says.
   *
   * @param form how it was written
   * @param gesture what it means
   */
  public record Reading(Notation form, Gesture gesture) {}

  /** Reads {@code Primary} as Ctrl, and knows no environment's own words. */
  public static final GestureReader PLAIN = new GestureReader(Modifier.CTRL, Map.of());

  /** A form that can be told by how a text looks, and how it is read. */
  private record Form(Notation name, Predicate<String> looksSo, Function<String, Gesture> read) {}

  private final Modifier primary;
  private final Map<String, Modifiers> ownWords;
  private final KeyLanguage language;
  private final boolean byCase;
  private final List<Form> forms;

  /**
   * A reader for texts about an environment.
   *
   * @param primary the modifier that {@code Primary} stands for there
   * @param modifierNames the environment's own words for modifiers
   */
  public GestureReader(Modifier primary, Map<Modifier, String> modifierNames) {
    this(primary, words(primary, modifierNames), KeyLanguage.ENGLISH, false);
  }

  private GestureReader(
      Modifier primary, Map<String, Modifiers> ownWords, KeyLanguage language, boolean byCase) {
    this.primary = primary;
    this.ownWords = ownWords;
    this.language = language;
    this.byCase = byCase;
    forms =
        List.of(
            new Form(
                Notation.ACCELERATOR,
                AcceleratorForm::looksSo,
                t -> new AcceleratorForm(t, primary).gesture()),
            new Form(Notation.TERSE, TerseForm::looksSo, t -> new TerseForm(t).gesture()),
            new Form(Notation.ANGLED, AngledForm::looksSo, t -> new AngledForm(t).gesture()),
            new Form(Notation.ESCAPED, EscapedForm::looksSo, t -> new EscapedForm(t).gesture()));
  }

  private static Map<String, Modifiers> words(
      Modifier primary, Map<Modifier, String> modifierNames) {
    Map<String, Modifiers> words = new HashMap<>();
    modifierNames.forEach(
        (modifier, name) -> {
          String folded = name.toLowerCase(Locale.ROOT);
          words.put(folded, Modifiers.of(modifier));
          words.put(worded("any.left", folded), Modifiers.of(modifier, Modifiers.Side.LEFT));
          words.put(worded("any.right", folded), Modifiers.of(modifier, Modifiers.Side.RIGHT));
        });
    words.put("primary", Modifiers.of(primary));
    return Map.copyOf(words);
  }

  /** The same for a list that is written in a language. */
  public GestureReader in(KeyLanguage other) {
    return new GestureReader(primary, ownWords, other, byCase);
  }

  /**
   * The same for a list in which the case of a letter tells whether Shift is held: {@code G} is
   * Shift+G there, and {@code gg} twice the same key.
   */
  public GestureReader byCase() {
    return new GestureReader(primary, ownWords, language, true);
  }

  /** The language whose names for keys are read besides English. */
  public KeyLanguage language() {
    return language;
  }

  /**
   * Reads a text.
   *
   * @throws GestureSyntaxException with the place where the form that got furthest stopped, and
   *     what was expected there
   */
  public Reading read(String written) {
    String text = written.strip();
    int offset = written.indexOf(text);
    if (text.length() > LONGEST) {
      throw new GestureSyntaxException(
          text, LONGEST + 1, worded("keys.the-end-a-gesture-has-at", LONGEST));
    }
    for (int i = 0; i < text.length(); i++) {
      if (Character.isISOControl(text.charAt(i))) {
        throw new GestureSyntaxException(
            written, offset + i + 1, worded("keys.text-without-control-characters"));
      }
      if (text.charAt(i) == '\ufffd'
          || Character.getType(text.charAt(i)) == Character.PRIVATE_USE) {
        throw new GestureSyntaxException(
            written, offset + i + 1, worded("keys.a-character-that-means-something-outside"));
      }
    }
    List<GestureSyntaxException> refusals = new ArrayList<>();
    Optional<Reading> reading = attempt(text, refusals);
    if (reading.isPresent()) {
      return reading.get();
    }
    String plain = Undressed.of(text);
    if (!plain.equals(text) && !plain.isEmpty()) {
      Optional<Reading> undressed = attempt(plain, new ArrayList<>());
      if (undressed.isPresent()) {
        return undressed.get();
      }
    }
    GestureSyntaxException furthest =
        refusals.stream()
            .max(Comparator.comparingInt(GestureSyntaxException::column))
            .orElseThrow();
    throw offset == 0
        ? furthest
        : new GestureSyntaxException(written, furthest.column() + offset, furthest.expected());
  }

  private Optional<Reading> attempt(String text, List<GestureSyntaxException> refusals) {
    if (!byCase) {
      return attemptForms(text, refusals);
    }
    // A word that is the name of a key is that key: only then is it letter by letter.
    if (!isLetters(text)) {
      return attemptForms(text, refusals).map(r -> cased(text, r));
    }
    Optional<Reading> key = text.length() > 1 ? attemptForms(text, refusals) : Optional.empty();
    return key.or(
        () ->
            Optional.of(
                new Reading(
                    Notation.LETTERS,
                    new Gesture(text.codePoints().mapToObj(AngledForm::letter).toList()))));
  }

  /** {@code H L}: letters with spaces between are by case, too. */
  private static Reading cased(String text, Reading read) {
    String[] words = text.split("\\s+");
    List<Step> steps = new ArrayList<>(read.gesture().steps());
    if (words.length != steps.size()) {
      return read;
    }
    for (int i = 0; i < words.length; i++) {
      String word = words[i];
      if (word.length() == 1
          && word.charAt(0) < 128
          && Character.isUpperCase(word.charAt(0))
          && steps.get(i) instanceof Step.Stroke(Held held, KeyRef.Typed _)
          && held.isNothing()) {
        steps.set(i, AngledForm.letter(word.charAt(0)));
      }
    }
    return new Reading(read.form(), new Gesture(steps));
  }

  private Optional<Reading> attemptForms(String text, List<GestureSyntaxException> refusals) {
    Optional<Gesture> own =
        attempt(() -> new GestureParser(text, true).gesture(), refusals)
            .filter(g -> g.steps().stream().noneMatch(this::typesTheNameOfAKey));
    if (own.isPresent() && !isSpoken(own.get(), text) && !hasSigns(text)) {
      return Optional.of(new Reading(Notation.OWN, own.get()));
    }
    if (own.isEmpty()) {
      boolean told = false;
      for (Form form : forms) {
        if (form.looksSo().test(text)) {
          told = true;
          Optional<Gesture> read = attempt(() -> form.read().apply(text), refusals);
          if (read.isPresent()) {
            return Optional.of(new Reading(form.name(), read.get()));
          }
        }
      }
      if (told) {
        return Optional.empty();
      }
    }
    String signs = text.startsWith("^") ? "⌃" + text.substring(1) : text;
    SpokenForm spoken = new SpokenForm(hasSigns(text) ? signs : text, ownWords, language);
    return attempt(
            () -> {
              Gesture gesture = spoken.gesture();
              refuseWhereUnclear(own, gesture, text);
              return gesture;
            },
            refusals)
        .map(g -> new Reading(spoken.form(), g));
  }

  /** One character may be the whole name of a key, which nobody means to type. */
  private boolean typesTheNameOfAKey(Step step) {
    return language != KeyLanguage.ENGLISH
        && step instanceof Step.Stroke(Held _, KeyRef.Typed(int c))
        && language
            .phrase(Character.toString(c))
            .filter(m -> m instanceof SpokenNames.Presses(KeyRef.Placed _))
            .isPresent();
  }

  /** {@code gg}, {@code ZZ}, {@code ]p}: keys by themselves, and no key by such a name. */
  private static boolean isLetters(String text) {
    int length = text.codePointCount(0, text.length());
    return length <= MOST_LETTERS
        && text.codePoints().noneMatch(c -> Character.isWhitespace(c) || c == '+' || c == '-')
        && text.codePoints().anyMatch(Character::isLetter)
        && text.codePoints().allMatch(c -> c < 128)
        && (length == 1 || KeyNames.key(text).isEmpty())
        && (length == 1 || KeyNames.modifier(text).isEmpty())
        && !text.startsWith("^")
        && text.indexOf('<') < 0
        && !(length > 2 && CAPITALS.matcher(text).matches());
  }

  private static Optional<Gesture> attempt(
      Supplier<Gesture> form, List<GestureSyntaxException> refusals) {
    try {
      return Optional.of(form.get());
    } catch (GestureSyntaxException e) {
      refusals.add(e);
      return Optional.empty();
    }
  }

  /**
   * Whether a text that our own notation can read looks as if someone had written it who does not
   * know it: modifiers with spaces after them, which are taps to us, and sides such as "Left Alt".
   */
  private static boolean isSpoken(Gesture gesture, String text) {
    List<Step> steps = gesture.steps();
    for (int i = 0; i + 1 < steps.size(); i++) {
      Step next = steps.get(i + 1);
      // Meta+Left Ctrl+S is two strokes, but in Ctrl+Right click nobody means the arrow.
      boolean side =
          steps.get(i) instanceof Step.Stroke(Held held, KeyRef.Placed(Key key))
              && (key == Key.ArrowLeft || key == Key.ArrowRight)
              && (next instanceof Step.Pointing
                  || (held.isNothing()
                      && (next instanceof Step.Tap
                          || (next instanceof Step.Stroke s && !s.held().isNothing()))));
      boolean tapThenMore =
          steps.get(i) instanceof Step.Tap(Modifiers tapped, int times)
              && times == 1
              && !isWalk(tapped, steps.subList(i + 1, steps.size()), text)
              && !(next instanceof Step.Text);
      if (side || tapThenMore || (i > 0 && isJoint(steps.get(i)) && !isPlain(steps))) {
        return true;
      }
    }
    return false;
  }

  /** A sign between strokes is what stands between them rather than a key: Ctrl+1 – Ctrl+9. */
  private static boolean isJoint(Step step) {
    return step instanceof Step.Stroke(Held held, KeyRef.Typed(int c))
        && held.isNothing()
        && "-\u2013\u2014\u2026/|&,;".indexOf(c) >= 0;
  }

  private static boolean isPlain(List<Step> steps) {
    return steps.stream()
        .allMatch(s -> s instanceof Step.Stroke(Held held, KeyRef.Typed _) && held.isNothing());
  }

  private static boolean hasSigns(String text) {
    return text.indexOf('"') < 0
        && text.codePoints().anyMatch(c -> SpokenNames.sign(c).isPresent());
  }

  /** {@code Alt F S}: a tap of Alt, then access keys. */
  private static boolean isWalk(Modifiers tapped, List<Step> rest, String text) {
    return tapped.equals(Modifiers.of(Modifier.ALT))
        && text.regionMatches(true, 0, "alt ", 0, 4)
        && rest.stream()
            .allMatch(
                s ->
                    s instanceof Step.Stroke(Held held, KeyRef.Typed(int c))
                        && held.isNothing()
                        && Character.isLetterOrDigit(c));
  }

  /**
   * {@code Alt F4} is a tap and a key to us, and one stroke to most people; with Ctrl and Shift,
   * which nobody taps, or with a name that is not ours, it is only the latter.
   */
  private static void refuseWhereUnclear(Optional<Gesture> own, Gesture spoken, String text) {
    if (own.isPresent()
        && own.get().steps().getFirst() instanceof Step.Tap(Modifiers tapped, int _)
        && tapped.count() == 1
        && (tapped.has(Modifier.ALT) || tapped.has(Modifier.META))
        && text.matches("(?s)(Alt|Meta) .*")
        && own.get().steps().size() > 1
        && !(own.get().steps().get(1) instanceof Step.Tap)
        && !spoken.equals(own.get())) {
      throw new GestureSyntaxException(
          text, text.indexOf(' ') + 1, worded("keys.if-the-keys-go-down-together"));
    }
  }
}
