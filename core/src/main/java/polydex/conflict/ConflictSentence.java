package polydex.conflict;

import java.util.stream.Collectors;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;

/** Conflicts in words. */
public final class ConflictSentence {
  private ConflictSentence() {}

  /** What is pressed and wanted, what happens instead, who takes it, and what still works. */
  public static String of(Conflict conflict, Catalog catalog) {
    return "%s: %s".formatted(conflict.loser().gesture(), withoutGesture(conflict, catalog));
  }

  /** The same where the gesture stands beside it as keycaps. */
  public static String withoutGesture(Conflict conflict, Catalog catalog) {
    Binding binding = conflict.loser().binding();
    String wanted = catalog.title(binding.action());
    String instead = catalog.title(conflict.instead());
    String where = where(catalog, conflict.loser().environment(), binding.context());
    String taker =
        catalog
            .environment(conflict.winnerEnvironment())
            .map(Environment::title)
            .orElse(conflict.winnerEnvironment());
    String what =
        switch (conflict.kind()) {
          case DUPLICATE ->
              "%s has it twice: \u201c%s\u201d happens, \u201c%s\u201d never does."
                  .formatted(where, instead, wanted);
          case INTERCEPTED ->
              "You want \u201c%s\u201d in %s, but %s takes it for \u201c%s\u201d."
                  .formatted(wanted, where, taker, instead);
        };
    return what + " " + wayOut(conflict);
  }

  /** What still works, as a sentence. */
  public static String wayOut(Conflict conflict) {
    return conflict.stillWorks().isEmpty()
        ? "No other gesture reaches it here."
        : "Still works: "
            + conflict.stillWorks().stream()
                .limit(3)
                .map(Object::toString)
                .collect(Collectors.joining(", "))
            + ".";
  }

  /** An environment and, unless it is the outermost, the context in it. */
  public static String where(Catalog catalog, String environmentId, String contextId) {
    return catalog
        .environment(environmentId)
        .map(
            e ->
                contextId.equals(Context.ANYWHERE.id())
                    ? e.title()
                    : e.title() + ", " + e.context(contextId).map(Context::title).orElse(contextId))
        .orElse(environmentId);
  }
}
