package polydex.hands;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.boards.Presses.Made;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.keys.Gesture;
import polydex.keys.Physical;

/**
 * The gestures of several presses that keymaps have, by their presses on a layout. Only those that
 * begin with a press that does not write, since the others can't be told from text.
 */
public final class Sequences {
  /** None. */
  public static final Sequences NONE = new Sequences();

  private final Set<List<Physical>> beginnings = new HashSet<>();
  private final Set<List<Physical>> whole = new HashSet<>();

  private Sequences() {}

  /** Of every keymap of a catalogue, in O(bindings). */
  public static Sequences of(Catalog catalog, Layout layout) {
    Sequences found = new Sequences();
    for (Environment e : catalog.environments()) {
      for (Binding b : catalog.bindings(e.id())) {
        for (Gesture g : b.gesture().expand()) {
          Presses.physical(g, layout).ifPresent(found::add);
        }
      }
    }
    return found;
  }

  private void add(List<Physical> presses) {
    if (presses.size() > 1 && presses.stream().noneMatch(Physical.PointerPress.class::isInstance)) {
      List<Physical> plain = presses.stream().map(Physical::eitherSide).toList();
      whole.add(plain);
      for (int i = 1; i < plain.size(); i++) {
        beginnings.add(plain.subList(0, i));
      }
    }
  }

  /** Whether presses are such a gesture or the beginning of one. */
  boolean has(List<Made> presses) {
    List<Physical> plain = plain(presses);
    return whole.contains(plain) || beginnings.contains(plain);
  }

  /** Whether there is a gesture that goes on after presses. */
  boolean leadsOn(List<Made> presses) {
    return beginnings.contains(plain(presses));
  }

  private static List<Physical> plain(List<Made> presses) {
    return presses.stream().map(m -> m.what().eitherSide()).toList();
  }
}
