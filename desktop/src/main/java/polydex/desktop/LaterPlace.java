package polydex.desktop;

import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import polydex.desktop.desk.Place;
import polydex.own.OwnContext;
import polydex.own.OwnKey;

/**
 * A place that is made when somebody goes there first: the window is up sooner without those that
 * nobody sees.
 */
final class LaterPlace<P extends Place> {
  private final PlaceName name;
  private final Supplier<P> making;
  private Optional<P> made = Optional.empty();

  LaterPlace(PlaceName name, Supplier<P> making) {
    this.name = name;
    this.making = making;
  }

  OwnContext context() {
    return OwnContext.valueOf(name.name());
  }

  OwnKey key() {
    return name.key();
  }

  char letter() {
    return name.letter();
  }

  String title() {
    return name.title();
  }

  P get() {
    if (made.isEmpty()) {
      made = Optional.of(making.get());
    }
    return made.get();
  }

  void ifMade(Consumer<P> what) {
    made.ifPresent(what);
  }
}
