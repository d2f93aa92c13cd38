package polydex.conflict;

import java.util.Locale;
import java.util.stream.Collectors;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.conflict.Conflict.Kind;
import polydex.keys.Visible;
import polydex.route.Layer;
import polydex.route.Trace;

/** Conflicts in words. */
public final class ConflictSentence {
  private ConflictSentence() {}

  /** What is pressed and wanted, what happens instead, who takes it, and what still works. */
  public static String of(Conflict conflict, Catalog catalog) {
    return "%s: %s".formatted(conflict.loser().gesture(), withoutGesture(conflict, catalog));
  }

  /** The same where the gesture stands beside it as keycaps. */
  public static String withoutGesture(Conflict conflict, Catalog catalog) {
    return withoutWayOut(conflict, catalog) + (isHabit(conflict) ? "" : " " + wayOut(conflict));
  }

  private static boolean isHabit(Conflict conflict) {
    return conflict.kind() == Kind.CROSSED_HABIT || conflict.kind() == Kind.SPLIT_HABIT;
  }

  /** What is wanted and what happens instead, and nothing about what still works. */
  public static String withoutWayOut(Conflict conflict, Catalog catalog) {
    String wanted = "\u201c" + catalog.title(conflict.loser().action()) + "\u201d";
    String where = where(catalog, conflict.loser().environment(), conflict.loser().context());
    String at = conflict.at().map(Layer::title).orElse("");
    String instead = instead(conflict, catalog);
    String taker =
        conflict
            .winner()
            .map(w -> catalog.environment(w.environment()).map(Environment::title).orElse(""))
            .filter(t -> !t.isEmpty())
            .orElse(at);
    return switch (conflict.kind()) {
      case DUPLICATE ->
          "%s has it twice: for %s first, and so never for %s."
              .formatted(
                  where,
                  conflict.winner().map(w -> Fix.quoted(catalog, w.action())).orElse("another"),
                  wanted);
      case AMBIGUOUS ->
          "In %s it is %s, but %s can be active at the same time, and then %s."
              .formatted(
                  where,
                  wanted,
                  conflict
                      .winner()
                      .map(w -> where(catalog, w.environment(), w.context()))
                      .orElse(taker),
                  instead);
      case PREFIX ->
          "Before it is complete for %s in %s, %s takes the beginning: %s."
              .formatted(wanted, where, taker, instead);
      case INTERCEPTED ->
          "You want %s in %s, but %s takes it: %s.".formatted(wanted, where, taker, instead);
      case RESERVED ->
          "You want %s in %s, but %s never lets it through: %s."
              .formatted(wanted, where, taker, instead);
      case ALTERED ->
          "You want %s in %s, but \u201c%s\u201d changes it: %s."
              .formatted(wanted, where, at, instead);
      case BLOCKED ->
          "You want %s in %s, but %s neither captures it nor hands it on."
              .formatted(wanted, where, at);
      case UNTYPABLE ->
          "It can\u2019t be pressed here as %s in %s needs it: %s."
              .formatted(wanted, where, instead);
      case TYPES_TEXT ->
          conflict.instead() instanceof Trace.Typed
              ? "You want %s in %s, but the stroke types here: %s."
                  .formatted(wanted, where, instead)
              : "The stroke is how %s is typed here, and %s in %s takes it."
                  .formatted(
                      conflict.character().isEmpty()
                          ? "a character"
                          : "\u201c" + Visible.of(conflict.character()) + "\u201d",
                      wanted,
                      where);
      case NEEDS_FN -> "%s in %s is there only with Fn on this board.".formatted(wanted, where);
      case DELAYED_TAP ->
          "%s in %s begins with a tap that %s keeps back too long; by then %s."
              .formatted(wanted, where, at, instead);
      case VERSION ->
          "This version of %s, as it is set here, does not have it for %s: %s."
              .formatted(where, wanted, instead);
      case THIN -> "Your own binding for %s: %s".formatted(wanted, fault(conflict));
      case CROSSED_HABIT -> "%s in %s, but in %s %s.".formatted(wanted, where, taker, instead);
      case SPLIT_HABIT ->
          "%s in %s; in %s the same is %s."
              .formatted(
                  wanted,
                  where,
                  taker,
                  conflict.winner().map(w -> w.gesture().toString()).orElse("another gesture"));
    };
  }

  private static String fault(Conflict conflict) {
    return conflict.instead() instanceof Trace.Nothing n
        ? n.why().toLowerCase(Locale.ROOT).charAt(0) + n.why().substring(1)
        : "it covers what every program uses.";
  }

  /** What happens; where that has the name of what was wanted, it is told apart by its place. */
  private static String instead(Conflict conflict, Catalog catalog) {
    if (conflict.instead() instanceof Trace.Acted a
        && catalog.title(a.action()).equals(catalog.title(conflict.loser().action()))
        && !isHabit(conflict)) {
      String of = catalog.environment(a.environment()).map(Environment::title).orElse("");
      return "that of %s on %s happens".formatted(of, a.layer().machine());
    }
    return switch (conflict.instead()) {
      case Trace.Acted a -> "\u201c" + catalog.title(a.action()) + "\u201d happens";
      case Trace.Typed t -> "\u201c" + t.text() + "\u201d appears";
      case Trace.Nothing _ -> "nothing happens";
    };
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
  public static String where(Catalog catalog, EnvironmentId environmentId, String contextId) {
    return catalog
        .environment(environmentId)
        .map(
            e ->
                contextId.equals(Context.ANYWHERE.id())
                    ? e.title()
                    : e.title() + ", " + e.context(contextId).map(Context::title).orElse(contextId))
        .orElse(environmentId.value());
  }
}
