package polydex.desktop.places;

import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.conflict.Conflict;

/**
 * Which conflicts are shown.
 *
 * @param where of which setups
 * @param kind only this kind, or all
 */
record ConflictFilter(Where where, Optional<Conflict.Kind> kind) {
  static final ConflictFilter FIRST = new ConflictFilter(Where.HERE, Optional.empty());

  /** Where conflicts are looked for. */
  enum Where {
    HERE("in this setup"),
    EVERYWHERE("in all setups"),
    HABITS("between environments: habits"),
    ACCEPTED("in all setups, lived with");

    private final String words;

    Where(String words) {
      this.words = words;
    }
  }

  /** As a person would say it. */
  String words() {
    return kind.map(k -> name(k) + " ").orElse("") + where.words;
  }

  boolean shows(Conflict conflict) {
    return kind.isEmpty() || kind.get() == conflict.kind();
  }

  /** A kind in words. */
  static String name(Conflict.Kind kind) {
    return kind.written().replace('-', ' ');
  }

  /** What can be chosen: every place, and every kind that there is in this one. */
  static List<ConflictFilter> choices(Where now, Collection<Conflict> loaded) {
    List<ConflictFilter> all = new ArrayList<>();
    for (Where where : Where.values()) {
      all.add(new ConflictFilter(where, Optional.empty()));
    }
    Map<Conflict.Kind, Integer> counts = new EnumMap<>(Conflict.Kind.class);
    loaded.forEach(c -> counts.merge(c.kind(), 1, Integer::sum));
    counts.keySet().forEach(k -> all.add(new ConflictFilter(now, Optional.of(k))));
    return all;
  }
}
