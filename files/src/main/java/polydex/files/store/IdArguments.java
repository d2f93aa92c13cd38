package polydex.files.store;

import java.sql.PreparedStatement;
import java.sql.Types;
import org.jdbi.v3.core.argument.AbstractArgumentFactory;
import org.jdbi.v3.core.argument.Argument;
import org.jdbi.v3.core.config.ConfigRegistry;
import org.jdbi.v3.core.statement.StatementContext;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.route.SetupId;

/** Ids stand in columns as they are written. */
final class IdArguments {
  private IdArguments() {}

  /** Of actions. */
  static final class OfActions extends AbstractArgumentFactory<ActionId> {
    OfActions() {
      super(Types.VARCHAR);
    }

    @Override
    protected Argument build(ActionId id, ConfigRegistry config) {
      return text(id.value());
    }
  }

  /** Of platforms and applications. */
  static final class OfEnvironments extends AbstractArgumentFactory<EnvironmentId> {
    OfEnvironments() {
      super(Types.VARCHAR);
    }

    @Override
    protected Argument build(EnvironmentId id, ConfigRegistry config) {
      return text(id.value());
    }
  }

  /** Of setups. */
  static final class OfSetups extends AbstractArgumentFactory<SetupId> {
    OfSetups() {
      super(Types.VARCHAR);
    }

    @Override
    protected Argument build(SetupId id, ConfigRegistry config) {
      return text(id.value());
    }
  }

  private static Argument text(String value) {
    return (int position, PreparedStatement statement, StatementContext _) ->
        statement.setString(position, value);
  }
}
