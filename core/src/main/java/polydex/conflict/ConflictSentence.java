package polydex.conflict;

import static polydex.language.CoreWords.worded;
import static polydex.language.Language.quoted;

import java.util.stream.Collectors;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.conflict.Conflict.Kind;
import polydex.keys.Visible;
import polydex.language.Language;
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
    String wanted = quoted(catalog.title(conflict.loser().action()));
    String where = where(catalog, conflict.loser().environment(), conflict.loser().context());
    String at = conflict.at().map(Layer::said).orElse("");
    String instead = instead(conflict, catalog);
    String taker =
        conflict
            .winner()
            .map(w -> catalog.environment(w.environment()).map(Environment::title).orElse(""))
            .filter(t -> !t.isEmpty())
            .orElse(at);
    return switch (conflict.kind()) {
      case DUPLICATE ->
          worded(
              "conflict.has-it-twice-for-first-and",
              where,
              conflict
                  .winner()
                  .map(w -> Fix.quoted(catalog, w.action()))
                  .orElse(worded("conflict.another")),
              wanted);
      case AMBIGUOUS ->
          worded(
              "conflict.in-it-is-but-can-be",
              where,
              wanted,
              conflict
                  .winner()
                  .map(w -> where(catalog, w.environment(), w.context()))
                  .orElse(taker),
              instead);
      case PREFIX -> worded("conflict.before-it-is-complete-for-in", wanted, where, taker, instead);
      case INTERCEPTED ->
          worded("conflict.you-want-in-but-takes-it", wanted, where, taker, instead);
      case RESERVED -> worded("conflict.you-want-in-but-never-lets", wanted, where, taker, instead);
      case ALTERED -> worded("conflict.you-want-in-but-changes-it", wanted, where, at, instead);
      case BLOCKED -> worded("conflict.you-want-in-but-neither-captures", wanted, where, at);
      case UNTYPABLE -> worded("conflict.it-cant-be-pressed-here-as", wanted, where, instead);
      case TYPES_TEXT ->
          conflict.instead() instanceof Trace.Typed
              ? worded("conflict.you-want-in-but-the-stroke", wanted, where, instead)
              : worded(
                  "conflict.the-stroke-is-how-is-typed",
                  conflict.character().isEmpty()
                      ? worded("any.a-character")
                      : quoted(Visible.of(conflict.character())),
                  wanted,
                  where);
      case NEEDS_FN -> worded("conflict.in-is-there-only-with-fn", wanted, where);
      case DELAYED_TAP -> worded("conflict.in-begins-with-a-tap-that", wanted, where, at, instead);
      case VERSION -> worded("conflict.this-version-of-as-it-is", where, wanted, instead);
      case THIN -> worded("conflict.your-own-binding-for", wanted, fault(conflict));
      case CROSSED_HABIT -> worded("conflict.in-but-in", wanted, where, taker, instead);
      case SPLIT_HABIT ->
          worded(
              "conflict.in-in-the-same-is",
              wanted,
              where,
              taker,
              conflict
                  .winner()
                  .map(w -> w.gesture().toString())
                  .orElse(worded("conflict.another-gesture")));
    };
  }

  private static String fault(Conflict conflict) {
    return conflict.instead() instanceof Trace.Nothing n
        ? Language.within(n.why().substring(0, 1)) + n.why().substring(1)
        : worded("conflict.it-covers-what-every-program-uses");
  }

  /** What happens; where that has the name of what was wanted, it is told apart by its place. */
  private static String instead(Conflict conflict, Catalog catalog) {
    if (conflict.instead() instanceof Trace.Acted a
        && catalog.title(a.action()).equals(catalog.title(conflict.loser().action()))
        && !isHabit(conflict)) {
      String of = catalog.environment(a.environment()).map(Environment::title).orElse("");
      return worded("conflict.that-of-on-happens", of, a.layer().machine());
    }
    return switch (conflict.instead()) {
      case Trace.Acted a -> worded("conflict.happens", catalog.title(a.action()));
      case Trace.Typed t -> worded("conflict.appears", t.text());
      case Trace.Nothing _ -> worded("conflict.nothing-happens");
    };
  }

  /** What still works, as a sentence. */
  public static String wayOut(Conflict conflict) {
    return conflict.stillWorks().isEmpty()
        ? worded("conflict.no-other-gesture-reaches-it-here")
        : worded(
            "conflict.still-works",
            conflict.stillWorks().stream()
                .limit(3)
                .map(Object::toString)
                .collect(Collectors.joining(", ")));
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
