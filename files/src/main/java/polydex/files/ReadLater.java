package polydex.files;

import java.util.AbstractMap;
import java.util.AbstractSet;
import java.util.Collections;
import java.util.Iterator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * Values by name, each read when it is asked for the first time: most of what ships is never asked
 * for. Can't be changed; may be asked by several threads at once.
 */
final class ReadLater<V> extends AbstractMap<String, V> {
  private final Set<String> names;
  private final Function<String, V> reading;
  private final Map<String, V> read = new ConcurrentHashMap<>();

  ReadLater(List<String> names, Function<String, V> reading) {
    this.names = Collections.unmodifiableSet(new LinkedHashSet<>(names));
    this.reading = reading;
  }

  @Override
  public @Nullable V get(@Nullable Object name) {
    return name instanceof String s && names.contains(s) ? value(s) : null;
  }

  private V value(String name) {
    return read.computeIfAbsent(name, reading);
  }

  @Override
  public boolean containsKey(@Nullable Object name) {
    return name != null && names.contains(name);
  }

  @Override
  public Set<String> keySet() {
    return names;
  }

  @Override
  public Set<Map.Entry<String, V>> entrySet() {
    return new AbstractSet<>() {
      @Override
      public int size() {
        return names.size();
      }

      @Override
      public Iterator<Map.Entry<String, V>> iterator() {
        return names.stream().map(n -> Map.entry(n, value(n))).iterator();
      }
    };
  }
}
