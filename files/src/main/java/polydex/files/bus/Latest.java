package polydex.files.bus;

import java.util.LinkedHashMap;
import java.util.Map;

/** The entries that were put in last; those before are forgotten. */
final class Latest<K, V> extends LinkedHashMap<K, V> {
  private static final long serialVersionUID = 1;
  private final int most;

  Latest(int most) {
    this.most = most;
  }

  @Override
  protected boolean removeEldestEntry(Map.Entry<K, V> eldest) {
    return size() > most;
  }
}
