package polydex.catalog;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;

/** What was made of a list of bindings, so that it is made once. */
final class MadeOf {
  private record Kind(Class<?> what, Object with) {}

  private final List<Binding> list;
  private final Map<Kind, Object> made = new ConcurrentHashMap<>();

  MadeOf(List<Binding> list) {
    this.list = list;
  }

  @SuppressWarnings("ReferenceEquality") // comparing long lists would cost what is to be spared
  boolean isOf(List<Binding> other) {
    return list == other;
  }

  <T> T get(Class<T> what, Object with, Function<List<Binding>, T> maker) {
    return what.cast(made.computeIfAbsent(new Kind(what, with), _ -> maker.apply(list)));
  }
}
