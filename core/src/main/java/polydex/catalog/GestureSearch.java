package polydex.catalog;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.GestureIndex.Owner;
import polydex.keys.Gesture;
import polydex.keys.GestureReader;
import polydex.keys.GestureSyntaxException;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.keys.Step;

/**
 * Finds bindings by a gesture that is written, perhaps not to its end: {@code ctrl+shift+} finds
 * everything held so, {@code Ctrl+K} also what goes on after it. Bindings stand by their first
 * press and by what is held in it, so that a query costs O(found). Building costs O(bindings).
 */
public final class GestureSearch {

  /**
   * A binding that was found.
   *
   * @param owner the binding and its environment
   * @param gesture the member of a family that it is, or the whole gesture
   * @param isWhole whether what was written is all of it
   */
  public record Hit(Owner owner, Gesture gesture, boolean isWhole) {}

  private record Entry(Owner owner, Gesture gesture, List<Physical> presses) {}

  private final Layout layout;
  private final Map<Physical, List<Entry>> byFirst = new HashMap<>();
  private final Map<Modifiers, List<Entry>> byHeld = new HashMap<>();

  private GestureSearch(Layout layout) {
    this.layout = layout;
  }

  /** The gestures of a catalogue, as they are pressed on a layout. */
  public static GestureSearch of(Catalog catalog, Layout layout) {
    GestureSearch search = new GestureSearch(layout);
    for (Environment environment : catalog.environments()) {
      for (Binding binding : catalog.bindings(environment.id())) {
        Owner owner = new Owner(environment.id(), binding);
        for (Gesture member : binding.gesture().expand()) {
          Presses.physical(member, layout).ifPresent(p -> search.add(owner, member, p));
        }
      }
    }
    return search;
  }

  private void add(Owner owner, Gesture member, List<Physical> presses) {
    Physical first = presses.getFirst().eitherSide();
    Entry entry = new Entry(owner, member, presses.stream().map(Physical::eitherSide).toList());
    byFirst.computeIfAbsent(first, _ -> new ArrayList<>()).add(entry);
    byHeld.computeIfAbsent(first.held().modifiers(), _ -> new ArrayList<>()).add(entry);
  }

  /**
   * What a text finds as a gesture; none where it is not written like one. A single letter or a
   * word is not: it is looked for as words.
   */
  public Optional<List<Hit>> find(String text, GestureReader reader) {
    String written = text.strip();
    if (written.length() < 2) {
      return Optional.empty();
    }
    Optional<Gesture> whole = read(written, reader);
    if (whole.isPresent() && looksMeant(whole.get(), written)) {
      return Optional.of(startingWith(whole.get()));
    }
    if (written.endsWith("+") || written.endsWith("-")) {
      Optional<Gesture> held = read(written.substring(0, written.length() - 1), reader);
      if (held.isPresent()
          && held.get().steps().size() == 1
          && held.get().steps().getFirst() instanceof Step.Tap(Modifiers modifiers, int _)) {
        return Optional.of(heldWith(modifiers.eitherSide()));
      }
    }
    return Optional.empty();
  }

  private static Optional<Gesture> read(String text, GestureReader reader) {
    try {
      return Optional.of(reader.read(text).gesture());
    } catch (GestureSyntaxException _) {
      return Optional.empty();
    }
  }

  /** "Delete" and "shift" are words of titles too; a gesture has something held, or is F5 or ⇥. */
  private static boolean looksMeant(Gesture gesture, String text) {
    return gesture.modifierPresses() > 0
        || text.matches("(?i)f\\d{1,2}")
        || text.codePoints().anyMatch(c -> c > 0x2000 && !Character.isLetter(c));
  }

  private List<Hit> startingWith(Gesture gesture) {
    Optional<List<Physical>> presses =
        gesture.isFamily()
            ? Presses.physical(gesture.expand().getFirst(), layout)
            : Presses.physical(gesture, layout);
    if (presses.isEmpty()) {
      return List.of();
    }
    List<Physical> wanted = presses.get().stream().map(Physical::eitherSide).toList();
    return byFirst.getOrDefault(wanted.getFirst(), List.of()).stream()
        .filter(
            e ->
                e.presses().size() >= wanted.size()
                    && e.presses().subList(0, wanted.size()).equals(wanted))
        .map(e -> new Hit(e.owner(), e.gesture(), e.presses().size() == wanted.size()))
        .sorted(Comparator.comparing(h -> !h.isWhole()))
        .toList();
  }

  private List<Hit> heldWith(Modifiers modifiers) {
    return byHeld.getOrDefault(modifiers, List.of()).stream()
        .map(e -> new Hit(e.owner(), e.gesture(), false))
        .toList();
  }
}
