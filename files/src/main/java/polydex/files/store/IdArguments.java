package polydex.files.store;

import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Types;
import org.jdbi.v3.core.argument.AbstractArgumentFactory;
import org.jdbi.v3.core.argument.Argument;
import org.jdbi.v3.core.config.ConfigRegistry;
import org.jdbi.v3.core.statement.StatementContext;
import polydex.catalog.ActionId;

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
      return (int position, PreparedStatement statement, StatementContext _) ->
          text(statement, position, id.value());
    }
  }

  private static void text(PreparedStatement statement, int position, String value)
      throws SQLException {
    statement.setString(position, value);
  }
}
