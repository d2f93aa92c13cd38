package polydex.keys;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import polydex.keys.Step.Hold;
import polydex.keys.Step.Pointing;
import polydex.keys.Step.Stroke;
import polydex.keys.Step.Tap;
import polydex.keys.Step.Text;

/**
 * What a person does: one step or several. A gesture is kept in one canonical form, so that two are
 * equal when they ask for the same presses in the same way of naming keys; whether two strokes that
 * name their keys differently are the same press depends on a layout.
 *
 * @param steps at least one
 */
public record Gesture(List<Step> steps) {
  /** The most steps that a gesture may have, inner ones counted. */
  public static final int MOST_STEPS = 64;

  /**
   * Brings the steps into canonical form: text that follows text becomes one, so do taps of the
   * same modifiers, a hold around a single stroke or tap becomes that stroke or tap, and modifiers
   * held twice are held once.
   *
   * @throws IllegalArgumentException for no steps or more than {@link #MOST_STEPS}
   */
  public Gesture {
    if (steps.isEmpty() || count(steps) > MOST_STEPS) {
      throw new IllegalArgumentException(worded("keys.a-gesture-has-1-to-steps", MOST_STEPS));
    }
    steps = canonical(steps);
  }

  /** A gesture of these steps. */
  public static Gesture of(Step... steps) {
    return new Gesture(List.of(steps));
  }

  /**
   * Reads a gesture.
   *
   * <pre>
   * gesture  = step { space step }
   * step     = text | hold | tap | stroke | pointer
   * text     = '"' { character | '\"' | '\\' } '"'
   * hold     = held "(" gesture ")"
   * tap      = modifier { "+" modifier } [ "*" digit ]
   * stroke   = [ held "+" ] key
   * pointer  = [ held "+" ] ( "Click" | "DoubleClick" | "RightClick" | "MiddleClick" | "Drag" | "Wheel" )
   * held     = holder { "+" holder }
   * holder   = modifier | "&lt;" code "&gt;"
   * modifier = [ "Left" | "Right" ] ( "Ctrl" | "Meta" | "Alt" | "AltGr" | "Shift" | "Hyper" | "Fn" )
   * key      = character | "'" character "'" | name | "&lt;" code "&gt;" | family
   * family   = "{" ( key ".." key | key { "," key } | "Arrow" | "Function" ) "}"
   * </pre>
   *
   * Names are read without regard to case and with their common synonyms. Examples: {@code
   * Ctrl+Shift+S}, {@code Ctrl+K Ctrl+S}, {@code Alt(Tab Tab)}, {@code Shift*2}, {@code Ctrl+'+'},
   * {@code Meta+R "notes" Enter}, {@code <CapsLock>+S}, {@code Meta+{1..9}}.
   *
   * @throws GestureSyntaxException with the column and what was expected there
   */
  public static Gesture parse(String text) {
    return new GestureParser(text).gesture();
  }

  /** Whether it is one key with what is held, or one tap: no family, and nothing of a pointer. */
  public boolean isStroke() {
    return steps.size() == 1
        && (steps.getFirst() instanceof Tap t
            ? t.times() == 1
            : steps.getFirst() instanceof Stroke && !isFamily());
  }

  /** Whether it stands for several gestures that differ in one key. */
  public boolean isFamily() {
    for (Step step : steps) { // asked of every binding, so without a stream
      if (hasFamily(step)) {
        return true;
      }
    }
    return false;
  }

  /** The members of a family, or just this. */
  public List<Gesture> expand() {
    if (!isFamily()) {
      return List.of(this);
    }
    List<List<Step>> all = List.of(List.of());
    for (Step step : steps) {
      List<Step> variants = variants(step);
      all =
          all.stream()
              .flatMap(
                  done -> variants.stream().map(v -> Stream.concat(done.stream(), Stream.of(v))))
              .map(Stream::toList)
              .toList();
    }
    return all.stream().map(Gesture::new).toList();
  }

  /** Whether the pointer is part of it, so that it still uses the mouse. */
  public boolean usesPointer() {
    return steps.stream().anyMatch(Gesture::points);
  }

  /** Whether a pointer does something in it, by itself or inside a hold. */
  public boolean uses(PointerAct act) {
    return steps.stream().anyMatch(s -> uses(s, act));
  }

  private static boolean uses(Step step, PointerAct act) {
    return switch (step) {
      case Step.Pointing p -> p.act() == act;
      case Step.Hold h -> h.inner().stream().anyMatch(inner -> uses(inner, act));
      case Step.Stroke _, Step.Tap _, Step.Text _ -> false;
    };
  }

  /** How many keys go down that are not merely held: one for each key, tap and character. */
  public int presses() {
    return steps.stream().mapToInt(Gesture::presses).sum();
  }

  /** How many modifiers are pressed, each once for as long as it is held. */
  public int modifierPresses() {
    return steps.stream().mapToInt(Gesture::modifierPresses).sum();
  }

  @Override
  public String toString() {
    return steps.stream().map(Step::toString).collect(Collectors.joining(" "));
  }

  private static int count(List<Step> steps) {
    return steps.stream().mapToInt(s -> s instanceof Hold h ? 1 + count(h.inner()) : 1).sum();
  }

  private static List<Step> canonical(List<Step> steps) {
    List<Step> done = new ArrayList<>();
    for (Step step : steps) {
      Step next = step instanceof Hold h ? canonicalHold(h) : step;
      if (next instanceof Text t && !done.isEmpty() && done.getLast() instanceof Text before) {
        done.set(done.size() - 1, new Text(before.text() + t.text()));
      } else if (next instanceof Tap t
          && !done.isEmpty()
          && done.getLast() instanceof Tap before
          && before.modifiers().equals(t.modifiers())
          && before.times() + t.times() <= Tap.MOST) {
        done.set(done.size() - 1, new Tap(t.modifiers(), before.times() + t.times()));
      } else {
        done.add(next);
      }
    }
    return List.copyOf(done);
  }

  private static Step canonicalHold(Hold hold) {
    List<Step> inner = canonical(hold.inner());
    if (inner.size() > 1) {
      return new Hold(hold.held(), inner);
    }
    return switch (inner.getFirst()) {
      case Stroke s -> new Stroke(hold.held().and(s.held()), s.key());
      case Pointing p -> new Pointing(hold.held().and(p.held()), p.act());
      case Hold h -> new Hold(hold.held().and(h.held()), h.inner());
      case Tap t when t.times() == 1 && hold.held().keys().isEmpty() ->
          new Tap(hold.held().modifiers().and(t.modifiers()), 1);
      case Tap _, Text _ -> new Hold(hold.held(), inner);
    };
  }

  private static boolean hasFamily(Step step) {
    return switch (step) {
      case Stroke s -> s.key() instanceof KeyRef.AnyOf;
      case Hold h -> h.inner().stream().anyMatch(Gesture::hasFamily);
      case Tap _, Text _, Pointing _ -> false;
    };
  }

  private static List<Step> variants(Step step) {
    return switch (step) {
      case Stroke s when s.key() instanceof KeyRef.AnyOf any ->
          any.members().stream().<Step>map(m -> new Stroke(s.held(), m)).toList();
      case Hold h ->
          new Gesture(h.inner())
              .expand().stream().<Step>map(g -> new Hold(h.held(), g.steps())).toList();
      case Stroke _, Tap _, Text _, Pointing _ -> List.of(step);
    };
  }

  private static boolean points(Step step) {
    return step instanceof Pointing
        || (step instanceof Hold h && h.inner().stream().anyMatch(Gesture::points));
  }

  private static int presses(Step step) {
    return switch (step) {
      case Stroke _ -> 1;
      case Tap t -> t.times();
      case Hold h -> h.inner().stream().mapToInt(Gesture::presses).sum();
      case Text t -> t.text().codePointCount(0, t.text().length());
      case Pointing _ -> 1;
    };
  }

  private static int modifierPresses(Step step) {
    return switch (step) {
      case Stroke s -> s.held().count();
      case Tap t -> t.modifiers().count() - 1;
      case Hold h -> h.held().count() + h.inner().stream().mapToInt(Gesture::modifierPresses).sum();
      case Text _ -> 0;
      case Pointing p -> p.held().count();
    };
  }
}
