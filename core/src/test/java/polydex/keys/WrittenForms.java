package polydex.keys;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * Writes gestures in the forms of others, apart from what reads them: strokes of modifiers and a
 * key from a small table of what each form calls them.
 */
final class WrittenForms {

  /** A stroke to be written: modifiers in no particular order, and a row of {@link #KEYS}. */
  record Chord(List<Modifier> held, List<String> key) {}

  /** our own, accelerator, terse, symbol, prose. */
  static final List<List<String>> KEYS =
      List.of(
          row("S", "s", "s", "S", "s"),
          row("7", "7", "7", "7", "7"),
          row("F5", "F5", "<f5>", "F5", "f5"),
          row("Enter", "Return", "RET", "↩", "Return"),
          row("Tab", "Tab", "TAB", "⇥", "the Tab key"),
          row("Esc", "Escape", "ESC", "⎋", "Escape"),
          row("Backspace", "BackSpace", "DEL", "⌫", "Backspace"),
          row("Delete", "Delete", "<delete>", "⌦", "del"),
          row("Left", "Left", "<left>", "←", "left arrow"),
          row("Up", "Up", "<up>", "↑", "Arrow Up"),
          row("PageDown", "Page_Down", "<next>", "⇟", "Page Down"),
          row("Home", "Home", "<home>", "↖", "Home"),
          row("Space", "space", "SPC", "␣", "space bar"),
          row("[", "bracketleft", "[", "[", "left bracket"),
          row("/", "slash", "/", "/", "forward slash"),
          row("'+'", "plus", "+", "+", "plus"),
          row("-", "minus", "-", "-", "minus"),
          row(",", "comma", ",", ",", "comma"),
          row("?", "question", "?", "?", "question mark"));

  private static final Map<Modifier, List<String>> HELD =
      Map.of(
          Modifier.CTRL, row("Ctrl", "Control", "C", "⌃", "Control"),
          Modifier.META, row("Meta", "Super", "s", "⌘", "Command"),
          Modifier.ALT, row("Alt", "Alt", "M", "⌥", "Option"),
          Modifier.SHIFT, row("Shift", "Shift", "S", "⇧", "shift"),
          Modifier.HYPER, row("Hyper", "Hyper", "H", "", "Hyper"));

  private WrittenForms() {}

  private static List<String> row(String... forms) {
    return List.of(forms);
  }

  /** Some chords, each with one modifier at least that is not Shift alone. */
  static List<Chord> chords(Random random, int most) {
    return IntStream.rangeClosed(0, random.nextInt(most))
        .mapToObj(
            _ -> {
              List<Modifier> all =
                  new ArrayList<>(
                      List.of(Modifier.CTRL, Modifier.META, Modifier.ALT, Modifier.SHIFT));
              Collections.shuffle(all, random);
              return new Chord(
                  List.copyOf(all.subList(0, 1 + random.nextInt(3))),
                  KEYS.get(random.nextInt(KEYS.size())));
            })
        .toList();
  }

  static Gesture meant(List<Chord> chords) {
    return new Gesture(
        chords.stream()
            .map(
                c ->
                    (Step)
                        new Step.Stroke(
                            Held.of(c.held().toArray(new Modifier[0])),
                            ((Step.Stroke) Gesture.parse(c.key().get(0)).steps().getFirst()).key()))
            .toList());
  }

  /** One chord only. */
  static String accelerator(Chord c) {
    return c.held().stream().map(m -> "<" + HELD.get(m).get(1) + ">").collect(Collectors.joining())
        + c.key().get(1);
  }

  static String terse(List<Chord> chords) {
    return chords.stream()
        .map(
            c ->
                c.held().stream().map(m -> HELD.get(m).get(2) + "-").collect(Collectors.joining())
                    + c.key().get(2))
        .collect(Collectors.joining(" "));
  }

  static String symbols(List<Chord> chords) {
    return chords.stream()
        .map(
            c ->
                c.held().stream().map(m -> HELD.get(m).get(3)).collect(Collectors.joining())
                    + c.key().get(3))
        .collect(Collectors.joining(" "));
  }

  /** A portable sequence; not of keys that are called by a sign that means something there. */
  static String sequence(List<Chord> chords) {
    return chords.stream()
        .map(
            c ->
                c.held().stream().map(m -> HELD.get(m).get(0) + "+").collect(Collectors.joining())
                    + c.key().get(0).replace("'", ""))
        .collect(Collectors.joining(", "));
  }

  static String prose(List<Chord> chords, Random random) {
    List<String> joins = List.of(" + ", "+", "-", " and ", " ");
    return chords.stream()
        .map(
            c -> {
              String join = joins.get(random.nextInt(joins.size()));
              return (random.nextBoolean() ? "press " : "")
                  + c.held().stream().map(m -> HELD.get(m).get(4)).collect(Collectors.joining(join))
                  + join
                  + c.key().get(4);
            })
        .collect(Collectors.joining(random.nextBoolean() ? ", then " : " followed by "));
  }
}
