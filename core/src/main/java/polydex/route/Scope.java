package polydex.route;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import polydex.catalog.Binding;
import polydex.catalog.EnvironmentId;
import polydex.keys.Modifiers;
import polydex.keys.Physical;

/**
 * The bindings of one context, as a trie over presses: a step of a sequence is one look-up by hash,
 * whatever the number of bindings. Presses are kept without sides; a node remembers the sides that
 * its binding asks for, and there is more than one child for a press only where bindings differ in
 * that.
 */
final class Scope {

  /** A binding, who has it, and its rank in the scope. */
  record Bound(EnvironmentId environment, Binding binding, boolean own, int rank) {}

  /** A place in the trie. */
  static final class Node {
    private final Physical required;
    // Most nodes are the end of one binding and lead nowhere, so that they begin without either.
    private Map<Physical, List<Node>> next = Map.of();
    private List<Bound> here = List.of();

    private Node(Physical required) {
      this.required = required;
    }
  }

  /** A binding with its presses, from which a part of the trie can be made again. */
  private record Entry(List<Physical> presses, Bound bound) {}

  private final Map<Physical, List<Node>> roots;

  /** By the first press, without sides, in the order of their ranks. */
  private final Map<Physical, List<Entry>> entries;

  private int size;

  /** Empty. */
  Scope() {
    roots = new HashMap<>();
    entries = new HashMap<>();
  }

  private Scope(Scope other) {
    roots = new HashMap<>(other.roots);
    entries = new HashMap<>(other.entries);
    size = other.size;
  }

  /**
   * The same with another binding in the place of one; only what begins with the same press is made
   * again. O(first presses + bindings on theirs).
   *
   * @param was what goes, if anything; the new one has its rank, or else the last
   * @param gone on which presses it is
   * @param environment whose the new one is
   * @param now what comes, if anything
   * @param come on which presses it is to be
   */
  Scope replacing(
      Optional<Binding> was,
      List<List<Physical>> gone,
      EnvironmentId environment,
      Optional<Binding> now,
      List<List<Physical>> come) {
    Scope changed = new Scope(this);
    int rank = changed.size;
    for (List<Physical> presses : gone) {
      Physical first = presses.getFirst().eitherSide();
      List<Entry> left = new ArrayList<>();
      for (Entry e : changed.entries.getOrDefault(first, List.of())) {
        if (was.filter(e.bound().binding()::equals).isPresent()) {
          rank = Math.min(rank, e.bound().rank());
        } else {
          left.add(e);
        }
      }
      changed.entries.put(first, left);
    }
    for (List<Physical> presses : come) {
      Bound bound = new Bound(environment, now.orElseThrow(), false, rank);
      List<Entry> more =
          new ArrayList<>(changed.entries.getOrDefault(presses.getFirst().eitherSide(), List.of()));
      more.add(new Entry(presses, bound));
      more.sort(Comparator.comparingInt(e -> e.bound().rank()));
      changed.entries.put(presses.getFirst().eitherSide(), more);
      changed.size = Math.max(changed.size, rank + 1);
    }
    for (List<Physical> presses : Stream.concat(gone.stream(), come.stream()).toList()) {
      changed.plant(presses.getFirst().eitherSide());
    }
    return changed;
  }

  /** The same with one more binding of the user's own at the end. O(first presses). */
  Scope withOwn(EnvironmentId environment, Binding more, List<List<Physical>> presses) {
    Scope changed = new Scope(this);
    for (List<Physical> list : presses) {
      Physical first = list.getFirst().eitherSide();
      List<Entry> entries = new ArrayList<>(changed.entries.getOrDefault(first, List.of()));
      entries.add(new Entry(list, new Bound(environment, more, true, changed.size++)));
      changed.entries.put(first, entries);
      changed.plant(first);
    }
    return changed;
  }

  /** Makes the trie behind a first press again. */
  private void plant(Physical first) {
    roots.remove(first);
    for (Entry e : entries.getOrDefault(first, List.of())) {
      insert(e);
    }
  }

  /** Whether nothing is bound in it. */
  boolean isEmpty() {
    return roots.isEmpty();
  }

  /** Puts a binding in; of several on the same presses the first is the one that happens. */
  void add(List<Physical> presses, EnvironmentId environment, Binding binding, boolean own) {
    if (!presses.isEmpty()) {
      Entry entry = new Entry(presses, new Bound(environment, binding, own, size++));
      entries.computeIfAbsent(presses.getFirst().eitherSide(), _ -> new ArrayList<>(2)).add(entry);
      insert(entry);
    }
  }

  private void insert(Entry entry) {
    Node node = child(roots, entry.presses().getFirst());
    for (Physical press : entry.presses().subList(1, entry.presses().size())) {
      if (node.next.isEmpty()) {
        node.next = new HashMap<>(4);
      }
      node = child(node.next, press);
    }
    if (node.here.isEmpty()) {
      node.here = List.of(entry.bound());
    } else {
      node.here = new ArrayList<>(node.here);
      node.here.add(entry.bound());
    }
  }

  private static Node child(Map<Physical, List<Node>> level, Physical press) {
    List<Node> nodes = level.computeIfAbsent(press.eitherSide(), _ -> new ArrayList<>(1));
    for (Node node : nodes) {
      if (node.required.equals(press)) {
        return node;
      }
    }
    Node node = new Node(press);
    nodes.add(node);
    return node;
  }

  /** Where a press leads from the beginning. */
  List<Node> first(Physical press) {
    return matching(roots, press);
  }

  /** Where a press leads from these places. */
  static List<Node> next(List<Node> from, Physical press) {
    if (from.size() == 1) {
      return matching(from.getFirst().next, press);
    }
    List<Node> found = new ArrayList<>();
    for (Node node : from) {
      found.addAll(matching(node.next, press));
    }
    return found;
  }

  /** What is bound to exactly what led here; of several the first in the keymap. */
  static Optional<Bound> bound(List<Node> nodes) {
    Bound first = null;
    for (Node node : nodes) {
      if (!node.here.isEmpty() && (first == null || node.here.getFirst().rank() < first.rank())) {
        first = node.here.getFirst();
      }
    }
    return Optional.ofNullable(first);
  }

  /** Whether something longer begins with what led here. */
  static boolean goesOn(List<Node> nodes) {
    for (Node node : nodes) {
      if (!node.next.isEmpty()) {
        return true;
      }
    }
    return false;
  }

  private static List<Node> matching(Map<Physical, List<Node>> level, Physical press) {
    List<Node> nodes = level.get(press.eitherSide());
    if (nodes == null) {
      return List.of();
    }
    Modifiers held = press.held().modifiers();
    List<Node> found = nodes;
    for (int i = 0; i < nodes.size(); i++) {
      boolean fits = held.satisfy(nodes.get(i).required.held().modifiers());
      if (!fits && found == nodes) {
        found = new ArrayList<>(nodes.subList(0, i));
      } else if (fits && found != nodes) {
        found.add(nodes.get(i));
      }
    }
    return found;
  }
}
