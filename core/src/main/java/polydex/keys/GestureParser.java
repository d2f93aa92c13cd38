package polydex.keys;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/** Recursive descent over the grammar of {@link Gesture#parse}; O(n) in the length of the text. */
final class GestureParser {
  private static final int LONGEST = 2000;
  private static final int DEEPEST = 8;
  private static final int LARGEST_FAMILY = 64;

  private final String text;
  private int at;
  private int depth;
  private final boolean strict;

  GestureParser(String text) {
    this(text, false);
  }

  /**
   * A reading to be made.
   *
   * @param strict whether a modifier that is named twice is refused, as what nobody can have meant
   */
  GestureParser(String text, boolean strict) {
    this.text = text;
    this.strict = strict;
  }

  Gesture gesture() {
    if (text.length() > LONGEST) {
      throw expected(LONGEST, worded("keys.the-end-a-gesture-has-at", LONGEST));
    }
    List<Step> steps = steps();
    if (at < text.length()) {
      throw expected(worded("keys.a-step-or-the-end"));
    }
    try {
      return new Gesture(steps);
    } catch (IllegalArgumentException e) {
      throw expected(worded("keys.at-most-steps", Gesture.MOST_STEPS));
    }
  }

  private List<Step> steps() {
    List<Step> steps = new ArrayList<>();
    skipSpace();
    do {
      steps.add(step());
    } while (skipSpace() && at < text.length() && text.charAt(at) != ')');
    return steps;
  }

  private Step step() {
    if (peek('"')) {
      return typedText();
    }
    Held held = Held.NOTHING;
    while (true) {
      int start = at;
      Optional<Held> holder = holder();
      if (holder.isEmpty()) {
        at = start;
        return keyOrPointer(held);
      }
      Held before = held;
      held = held.and(holder.get());
      if (strict && held.equals(before) && !holder.get().modifiers().isEmpty()) {
        at = start;
        throw expected(worded("keys.each-modifier-once"));
      }
      if (accept('+')) {
        continue;
      }
      if (peek('(')) {
        return hold(held);
      }
      boolean tap = held.keys().isEmpty();
      if (!tap && text.charAt(start) == '<') {
        at = start;
        return new Step.Stroke(before, keyInAngles());
      }
      if (!tap) {
        throw expected(worded("keys.and-a-key"));
      }
      return new Step.Tap(held.modifiers(), times());
    }
  }

  private int times() {
    if (!accept('*')) {
      return 1;
    }
    if (at < text.length() && text.charAt(at) >= '1' && text.charAt(at) <= '9') {
      return text.charAt(at++) - '0';
    }
    throw expected(worded("keys.how-often-1-to-9"));
  }

  private Step hold(Held held) {
    accept('(');
    if (++depth > DEEPEST) {
      throw expected(worded("keys.holds-nested-at-most-deep", DEEPEST));
    }
    List<Step> inner = steps();
    if (!accept(')')) {
      throw expected("\u201c)\u201d");
    }
    depth--;
    return new Step.Hold(held, inner);
  }

  /** A modifier, or a key in angle brackets that may turn out to be held. */
  private Optional<Held> holder() {
    if (peek('<')) {
      return Optional.of(new Held(Modifiers.NONE, List.of(keyInAngles().key())));
    }
    return KeyNames.modifier(word()).map(Held::of);
  }

  private Step keyOrPointer(Held held) {
    int start = at;
    String word = word();
    Optional<PointerAct> act = KeyNames.pointerAct(word);
    if (act.isPresent()) {
      return new Step.Pointing(held, act.get());
    }
    at = start;
    return new Step.Stroke(held, key());
  }

  private KeyRef key() {
    if (at >= text.length()) {
      throw expected(worded("keys.a-key"));
    }
    if (peek('<')) {
      return keyInAngles();
    }
    if (peek('{')) {
      return family();
    }
    return singleKey();
  }

  private KeyRef singleKey() {
    int start = at;
    if (accept('\'')) {
      KeyRef quoted = character();
      if (!accept('\'')) {
        throw expected("\u201c'\u201d");
      }
      return quoted;
    }
    String word = word();
    if (word.codePointCount(0, word.length()) == 1) {
      return new KeyRef.Typed(word.codePointAt(0));
    }
    if (!word.isEmpty()) {
      return KeyNames.key(word)
          .orElseThrow(() -> expected(start, worded("keys.a-key-is-none", word)));
    }
    // A plus sign that ends a stroke is the key of that name: Ctrl++.
    boolean plus =
        peek('+')
            && at > 0
            && text.charAt(at - 1) == '+'
            && (at + 1 == text.length() || text.charAt(at + 1) == ' ');
    if (plus || (at < text.length() && !KeyRef.RESERVED.contains(text.substring(at, at + 1)))) {
      return character();
    }
    throw expected(worded("keys.a-key"));
  }

  private KeyRef character() {
    if (at >= text.length()) {
      throw expected(worded("any.a-character"));
    }
    int c = text.codePointAt(at);
    if (Character.isWhitespace(c) || Character.isISOControl(c)) {
      throw expected(worded("keys.a-character-that-a-key-is"));
    }
    at += Character.charCount(c);
    return new KeyRef.Typed(c);
  }

  private KeyRef.Placed keyInAngles() {
    int start = at;
    accept('<');
    int end = text.indexOf('>', at);
    if (end < 0) {
      throw expected(text.length(), "\u201c>\u201d");
    }
    String code = text.substring(at, end);
    Key key =
        Key.ofCode(code)
            .orElseThrow(() -> expected(start + 1, worded("keys.a-key-code-such-as-keya", code)));
    at = end + 1;
    return new KeyRef.Placed(key);
  }

  private KeyRef.AnyOf family() {
    int start = at;
    accept('{');
    Optional<String> group = KeyNames.groupName(word());
    if (group.isPresent() && accept('}')) {
      return new KeyRef.AnyOf(group.get(), KeyNames.group(group.get()));
    }
    at = start + 1;
    List<KeyRef> members = new ArrayList<>();
    members.add(singleKey());
    String written = members.getFirst().toString();
    if (text.startsWith("..", at)) {
      at += 2;
      KeyRef last = singleKey();
      written += ".." + last;
      members = range(members.getFirst(), last);
    } else {
      while (accept(',')) {
        members.add(singleKey());
        written += "," + members.getLast();
      }
    }
    if (!accept('}')) {
      throw expected(worded("keys.or"));
    }
    if (members.stream().distinct().count() < members.size()) {
      throw expected(start, worded("keys.a-family-whose-keys-are-all"));
    }
    if (members.size() < 2 || members.size() > LARGEST_FAMILY) {
      throw expected(start, worded("keys.a-family-of-2-to-keys", LARGEST_FAMILY));
    }
    return new KeyRef.AnyOf(written, members);
  }

  private List<KeyRef> range(KeyRef first, KeyRef last) {
    if (first instanceof KeyRef.Typed a
        && last instanceof KeyRef.Typed b
        && a.codePoint() < b.codePoint()
        && b.codePoint() - a.codePoint() < LARGEST_FAMILY) {
      return IntStream.rangeClosed(a.codePoint(), b.codePoint())
          .<KeyRef>mapToObj(KeyRef.Typed::new)
          .toList();
    }
    if (first instanceof KeyRef.Placed(Key a)
        && last instanceof KeyRef.Placed(Key b)
        && Key.F1.compareTo(a) <= 0
        && a.compareTo(b) < 0
        && b.compareTo(Key.F24) <= 0) {
      return IntStream.rangeClosed(a.ordinal(), b.ordinal())
          .<KeyRef>mapToObj(i -> new KeyRef.Placed(Key.values()[i]))
          .toList();
    }
    throw expected(worded("keys.a-range-such-as-1-9"));
  }

  private Step typedText() {
    accept('"');
    StringBuilder typed = new StringBuilder();
    while (at < text.length() && text.charAt(at) != '"') {
      if (text.charAt(at) == '\\') {
        at++;
        if (!peek('"') && !peek('\\')) {
          throw expected(worded("keys.or-after"));
        }
      }
      if (Character.isISOControl(text.charAt(at))) {
        throw expected(worded("keys.a-character-that-can-be-typed"));
      }
      typed.append(text.charAt(at++));
    }
    if (!accept('"')) {
      throw expected("\u201c\"\u201d");
    }
    if (typed.isEmpty()) {
      throw expected(worded("keys.text-between-the-quotes"));
    }
    return new Step.Text(typed.toString());
  }

  /** Letters and digits from here on; moves past them. */
  private String word() {
    int start = at;
    while (at < text.length() && Character.isLetterOrDigit(text.codePointAt(at))) {
      at += Character.charCount(text.codePointAt(at));
    }
    return text.substring(start, at);
  }

  private boolean skipSpace() {
    int start = at;
    while (at < text.length() && text.charAt(at) == ' ') {
      at++;
    }
    return at > start;
  }

  private boolean peek(char c) {
    return at < text.length() && text.charAt(at) == c;
  }

  private boolean accept(char c) {
    if (peek(c)) {
      at++;
      return true;
    }
    return false;
  }

  private GestureSyntaxException expected(String what) {
    return expected(at, what);
  }

  private GestureSyntaxException expected(int where, String what) {
    return new GestureSyntaxException(text, where + 1, what);
  }
}
