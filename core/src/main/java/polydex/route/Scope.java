package polydex.route;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.catalog.Binding;
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
  record Bound(String environment, Binding binding, boolean own, int rank) {}

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

  private final Map<Physical, List<Node>> roots = new HashMap<>();
  private int size;

  /** Puts a binding in; of several on the same presses the first is the one that happens. */
  void add(List<Physical> presses, String environment, Binding binding, boolean own) {
    Node node = null;
    for (Physical press : presses) {
      if (node != null && node.next.isEmpty()) {
        node.next = new HashMap<>(4);
      }
      node = child(node == null ? roots : node.next, press);
    }
    if (node != null) {
      Bound bound = new Bound(environment, binding, own, size++);
      if (node.here.isEmpty()) {
        node.here = List.of(bound);
      } else {
        node.here = new ArrayList<>(node.here);
        node.here.add(bound);
      }
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
