package polydex.boards;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.KeyRef;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.keys.Step;

/** What hands do on a layout for a gesture, or why they can't. */
public sealed interface Presses {

  /**
   * The presses in order.
   *
   * @param list at least one
   */
  record Typable(List<Made> list) implements Presses {
    /** Copies the list. */
    public Typable {
      list = List.copyOf(list);
    }

    /** The presses without what is held between them. */
    public List<Physical> physical() {
      return list.stream().map(Made::what).toList();
    }
  }

  /**
   * It can't be done.
   *
   * @param reason a sentence
   */
  record Untypable(String reason) implements Presses {}

  /**
   * One press of several.
   *
   * @param what the press
   * @param kept what has stayed down since the press before, of what is held
   */
  record Made(Physical what, Held kept) {
    /** One before which everything was let go. */
    public static Made afresh(Physical what) {
      return new Made(what, Held.NOTHING);
    }

    /** Whether something was not let go since the press before. */
    public boolean stillHeld() {
      return !kept.isNothing();
    }
  }

  /**
   * The presses of a gesture on a layout, in O(steps).
   *
   * @param gesture not a family
   */
  static Presses of(Gesture gesture, Layout layout) {
    List<Made> made = new ArrayList<>();
    for (Step step : gesture.steps()) {
      Optional<String> problem = add(step, Held.NOTHING, layout, made);
      if (problem.isPresent()) {
        return new Untypable(problem.get());
      }
    }
    return new Typable(made);
  }

  /** The same as {@link #of}, where only success is of interest. */
  static Optional<List<Physical>> physical(Gesture gesture, Layout layout) {
    return of(gesture, layout) instanceof Typable t ? Optional.of(t.physical()) : Optional.empty();
  }

  /** A press as a step of a gesture, its key named by what the layout types there. */
  static Step describe(Physical press, Layout layout) {
    return describe(press, Held.NOTHING, layout);
  }

  /** The same with its key named by its place, whatever the layout. */
  static Step byPlace(Physical press) {
    return switch (press) {
      case Physical.Press p -> new Step.Stroke(p.held(), new KeyRef.Placed(p.key()));
      case Physical.ModifierTap t -> new Step.Tap(t.modifiers(), 1);
      case Physical.PointerPress p -> new Step.Pointing(p.held(), p.act());
    };
  }

  /** The same inside a bracket that says already what is held. */
  private static Step describe(Physical press, Held said, Layout layout) {
    return switch (press) {
      case Physical.Press p -> new Step.Stroke(p.held().beyond(said), name(p.key(), layout));
      case Physical.ModifierTap t -> {
        Modifiers tapped = t.modifiers().beyond(said.modifiers());
        yield new Step.Tap(tapped.isEmpty() ? t.modifiers() : tapped, 1);
      }
      case Physical.PointerPress p -> new Step.Pointing(p.held().beyond(said), p.act());
    };
  }

  /**
   * The gesture that presses make, keys named by what the layout types; presses between which
   * something stayed down stand in a hold of that.
   *
   * @param made at least one
   */
  static Gesture gesture(List<Made> made, Layout layout) {
    return new Gesture(steps(made, Held.NOTHING, layout));
  }

  /** The steps of presses in a bracket that says already what is held. */
  private static List<Step> steps(List<Made> made, Held said, Layout layout) {
    List<Step> steps = new ArrayList<>();
    int i = 0;
    while (i < made.size()) {
      int end = i + 1;
      Held held = said;
      while (end < made.size() && !made.get(end).kept().without(said).isNothing()) {
        held = end == i + 1 ? made.get(end).kept() : held.common(made.get(end).kept());
        end++;
      }
      if (held.without(said).isNothing()) {
        steps.add(describe(made.get(i).what(), said, layout));
        i++;
      } else {
        steps.add(new Step.Hold(held.without(said), steps(made.subList(i, end), held, layout)));
        i = end;
      }
    }
    return steps;
  }

  /**
   * The name of a key on a layout: its own, or the character that it types plainly, unless another
   * key is the one that is meant by that character.
   */
  static KeyRef name(Key key, Layout layout) {
    if (key.keyName().isPresent()) {
      return new KeyRef.Placed(key);
    }
    return layout
        .typed(key, Modifiers.NONE)
        .filter(s -> !s.dead() && !Character.isWhitespace(s.codePoint()))
        .filter(s -> layout.typing(s.codePoint()).filter(t -> t.key() == key).isPresent())
        .<KeyRef>map(s -> new KeyRef.Typed(s.codePoint()))
        .orElseGet(() -> new KeyRef.Placed(key));
  }

  private static Optional<String> add(Step step, Held held, Layout layout, List<Made> made) {
    switch (step) {
      case Step.Stroke s -> {
        return addStroke(s, held, layout, made);
      }
      case Step.Tap t -> {
        for (int i = 0; i < t.times(); i++) {
          // A tap is of modifiers alone; keys that are held meanwhile are no part of it.
          made.add(Made.afresh(new Physical.ModifierTap(held.modifiers().and(t.modifiers()))));
        }
      }
      case Step.Hold h -> {
        int first = made.size();
        Held bracket = held.and(h.held());
        for (Step inner : h.inner()) {
          Optional<String> problem = add(inner, bracket, layout, made);
          if (problem.isPresent()) {
            return problem;
          }
        }
        for (int i = first + 1; i < made.size(); i++) {
          // What an inner bracket keeps down is more than this one.
          if (!made.get(i).stillHeld()) {
            made.set(i, new Made(made.get(i).what(), bracket));
          }
        }
      }
      case Step.Text t -> {
        return addText(t.text(), held, layout, made);
      }
      case Step.Pointing p ->
          made.add(Made.afresh(new Physical.PointerPress(held.and(p.held()), p.act())));
    }
    return Optional.empty();
  }

  private static Optional<String> addStroke(
      Step.Stroke stroke, Held outer, Layout layout, List<Made> made) {
    Held held = outer.and(stroke.held());
    return switch (stroke.key()) {
      case KeyRef.Placed(Key key) -> {
        made.add(Made.afresh(new Physical.Press(held, key)));
        yield Optional.empty();
      }
      case KeyRef.Typed(int c) -> addCharacter(c, held, layout, made);
      case KeyRef.AnyOf any ->
          throw new IllegalArgumentException(worded("boards.a-family-has-no-single-press", any));
    };
  }

  private static Optional<String> addText(String text, Held held, Layout layout, List<Made> made) {
    return text.codePoints()
        .mapToObj(c -> addTyped(c, held, layout, made))
        .flatMap(Optional::stream)
        .findFirst();
  }

  /** A character of a text may take a dead key first; the key of a stroke may not. */
  private static Optional<String> addTyped(
      int codePoint, Held held, Layout layout, List<Made> made) {
    Optional<List<Layout.Typing>> composing =
        layout.typing(codePoint).isPresent() ? Optional.empty() : layout.composing(codePoint);
    if (composing.isEmpty()) {
      return addCharacter(codePoint, held, layout, made);
    }
    for (Layout.Typing typing : composing.get()) {
      Held level = held.with(held.modifiers().and(typing.level()));
      made.add(Made.afresh(new Physical.Press(level, typing.key())));
    }
    return Optional.empty();
  }

  private static Optional<String> addCharacter(
      int codePoint, Held held, Layout layout, List<Made> made) {
    Optional<Layout.Typing> typing = layout.typing(codePoint);
    if (typing.isPresent()) {
      Held level = held.with(held.modifiers().and(typing.get().level()));
      made.add(Made.afresh(new Physical.Press(level, typing.get().key())));
      return Optional.empty();
    }
    String shown = Character.toString(codePoint);
    return Optional.of(
        layout.onlyDead(codePoint)
            ? worded("boards.is-a-dead-key-on-the", shown, layout.title())
            : worded("boards.the-layout-has-no", layout.title(), shown));
  }
}
