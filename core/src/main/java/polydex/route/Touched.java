package polydex.route;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.Binding;
import polydex.keys.Gesture;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;

/**
 * Which bindings an edit of a keymap can concern: those that press, under the fingers or on their
 * own machine, what can come to the edited layer as the first press of a binding that was changed.
 * A trace in which that press never comes there is the same before and after.
 *
 * <p>Each traced binding keeps a word of 64 bits, one of them set for each of its presses (a Bloom
 * filter of one hash: B. H. Bloom, "Space/time trade-offs in hash coding with allowable errors",
 * Communications of the ACM 13 (1970)), so that nearly all of 100,000 are passed over by one
 * operation each, and only the rest are compared press by press.
 */
final class Touched {
  private final Set<Physical> presses = new HashSet<>();
  private long bits;

  /**
   * What the edits touch.
   *
   * @param stations of the setup; their remaps are the same before and after
   */
  Touched(List<Station> stations, List<KeymapDiff.Edit> edits) {
    for (KeymapDiff.Edit edit : edits) {
      List<Binding> both = new ArrayList<>();
      edit.was().ifPresent(both::add);
      edit.now().ifPresent(both::add);
      for (int depth = 0; depth < stations.size(); depth++) {
        Station at = stations.get(depth);
        boolean isHere =
            edit.environment().equals(at.machine.platform())
                || at.machine.application().filter(edit.environment()::equals).isPresent();
        for (Binding binding : isHere ? both : List.<Binding>of()) {
          for (List<Physical> list : at.presses(binding)) {
            touch(stations, depth, list.getFirst());
          }
          // What can't be pressed there is still a binding that has changed.
          stations.getFirst().presses(binding).forEach(list -> presses.add(plain(list.getFirst())));
        }
      }
    }
    presses.forEach(p -> bits |= bit(p));
  }

  /** What a binding touches that begins with one of these presses on the machine at a depth. */
  Touched(List<Station> stations, int depth, List<Physical> firsts) {
    firsts.forEach(first -> touch(stations, depth, first));
    presses.forEach(p -> bits |= bit(p));
  }

  private void touch(List<Station> stations, int depth, Physical first) {
    presses.add(plain(first));
    for (Physical source : InverseRemaps.toFingers(stations, depth, first)) {
      presses.add(plain(source));
      // What else the same press of the fingers is, on its way through every machine.
      Optional<Physical> arriving = Optional.of(source);
      for (Station station : stations) {
        arriving = arriving.flatMap(station::remapped);
        arriving.ifPresent(p -> presses.add(plain(p)));
        arriving =
            station.translation.isPresent()
                ? arriving.flatMap(p -> station.translation.get().apply(p).out())
                : arriving;
      }
    }
  }

  /** A bit for each press that counts. */
  long bits() {
    return bits;
  }

  /** Whether a binding can be concerned. */
  boolean concerns(TracedBinding traced, Layout fingers, Layout own) {
    return (traced.touches() & bits) != 0
        && (any(traced.gesture(), fingers)
            || (!Objects.equals(fingers.id(), own.id()) && any(traced.gesture(), own)));
  }

  private boolean any(Gesture gesture, Layout layout) {
    for (Physical press : Presses.physical(gesture, layout).orElse(List.of())) {
      if (presses.contains(plain(press))) {
        return true;
      }
    }
    return false;
  }

  /** The bits of a gesture's presses under the fingers and on its own machine. */
  static long bits(Presses underFingers, Gesture gesture, Layout fingers, Layout own) {
    long bits = 0;
    if (underFingers instanceof Presses.Typable t) {
      for (Presses.Made made : t.list()) {
        bits |= bit(made.what());
      }
    }
    if (!Objects.equals(fingers.id(), own.id())) {
      for (Physical press : Presses.physical(gesture, own).orElse(List.of())) {
        bits |= bit(press);
      }
    }
    return bits;
  }

  /** The bit of a press, whichever sides and way to hold AltGr it says. */
  static long bit(Physical press) {
    int hash =
        plain(press).hashCode() * 0x9E3779B9; // spreads what the hashes of records leave together
    return 1L << (hash >>> 26);
  }

  /** Without sides, and AltGr as Ctrl and Alt, which some platforms take for the same. */
  private static Physical plain(Physical press) {
    Modifiers held = press.held().modifiers();
    Physical either = press.eitherSide();
    return held.has(Modifier.ALTGR)
        ? either.with(
            either.held().modifiers().without(Modifier.ALTGR).and(Modifier.CTRL, Modifier.ALT))
        : either;
  }
}
