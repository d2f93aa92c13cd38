package polydex.keys;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/**
 * What is held down while something else is pressed: modifiers, and keys that a remap turns into
 * modifiers.
 *
 * @param modifiers the modifiers
 * @param keys other keys, sorted by place, each once
 */
public record Held(Modifiers modifiers, List<Key> keys) {
  /** Nothing is held. */
  public static final Held NOTHING = new Held(Modifiers.NONE, List.of());

  /** Sorts the keys: the order in which they are named never matters. */
  public Held {
    keys = keys.size() < 2 ? List.copyOf(keys) : keys.stream().distinct().sorted().toList();
  }

  /** These modifiers and no other key. */
  public static Held of(Modifiers modifiers) {
    return modifiers.isEmpty() ? NOTHING : new Held(modifiers, List.of());
  }

  /** These modifiers and no other key. */
  public static Held of(Modifier... modifiers) {
    return of(Modifiers.of(modifiers));
  }

  /** Both at once. */
  public Held and(Held other) {
    if (other.isNothing()) {
      return this;
    }
    List<Key> all = new ArrayList<>(keys);
    all.addAll(other.keys);
    return new Held(modifiers.and(other.modifiers), all);
  }

  /** What is held here without what is held there, on whichever side. */
  public Held without(Held other) {
    return other.isNothing()
        ? this
        : new Held(
            modifiers.without(other.modifiers),
            keys.stream().filter(k -> !other.keys.contains(k)).toList());
  }

  /** What is held here and not there, a side of a modifier counting as more than none. */
  public Held beyond(Held said) {
    return said.isNothing()
        ? this
        : new Held(
            modifiers.beyond(said.modifiers),
            keys.stream().filter(k -> !said.keys.contains(k)).toList());
  }

  /** What is held in both, each modifier on the same side. */
  public Held common(Held other) {
    return new Held(
        modifiers.common(other.modifiers), keys.stream().filter(other.keys::contains).toList());
  }

  /** The same with other modifiers. */
  public Held with(Modifiers changed) {
    return changed.equals(modifiers) ? this : new Held(changed, keys);
  }

  /** Whether nothing is held. */
  public boolean isNothing() {
    return modifiers.isEmpty() && keys.isEmpty();
  }

  /** How many keys the hands hold. */
  public int count() {
    return modifiers.count() + keys.size();
  }

  @Override
  public int hashCode() {
    return keys.isEmpty() ? modifiers.hashCode() : 31 * keys.hashCode() + modifiers.hashCode();
  }

  @Override
  public String toString() {
    Stream<String> mods = modifiers.isEmpty() ? Stream.of() : Stream.of(modifiers.toString());
    return String.join(
        "+", Stream.concat(mods, keys.stream().map(k -> "<" + k.name() + ">")).toList());
  }
}
