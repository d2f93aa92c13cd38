package polydex.files.store;

import java.lang.reflect.Type;
import java.util.Optional;
import org.jdbi.v3.core.argument.Argument;
import org.jdbi.v3.core.argument.ArgumentFactory;
import org.jdbi.v3.core.config.ConfigRegistry;
import org.jspecify.annotations.Nullable;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.route.SetupId;

/** Ids stand in columns as they are written. */
final class IdArguments implements ArgumentFactory {
  @Override
  public Optional<Argument> build(Type type, @Nullable Object value, ConfigRegistry config) {
    return switch (value) {
      case ActionId id -> text(id.value());
      case EnvironmentId id -> text(id.value());
      case SetupId id -> text(id.value());
      case null, default -> Optional.empty();
    };
  }

  private static Optional<Argument> text(String value) {
    return Optional.of((position, statement, _) -> statement.setString(position, value));
  }
}
