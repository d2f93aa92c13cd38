package polydex.own;

import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.language.Language;
import polydex.language.Wording;

/**
 * What the program's own keymap is called: in files always in English, so that a file is the same
 * whoever made it, and for people in the language that is spoken. What its user calls otherwise
 * stays so in both.
 */
public final class OwnTitles {
  private static final Map<ActionId, Wording> ACTIONS =
      Arrays.stream(OwnKey.values()).collect(Collectors.toMap(OwnKey::action, OwnKey::titles));
  private static final Map<String, Wording> CONTEXTS =
      Arrays.stream(OwnContext.values())
          .collect(Collectors.toMap(OwnContext::id, OwnContext::titles));

  private OwnTitles() {}

  /** An action as people are told of it. */
  public static Action said(Action action) {
    return called(action, Language.now());
  }

  /** An action as files have it. */
  public static Action kept(Action action) {
    return called(action, Language.ENGLISH);
  }

  /** An environment as people are told of it. */
  public static Environment said(Environment environment) {
    return called(environment, Language.now());
  }

  /** An environment as files have it. */
  public static Environment kept(Environment environment) {
    return called(environment, Language.ENGLISH);
  }

  private static Action called(Action action, Language language) {
    return action.id().value().startsWith(OwnKey.ID)
        ? other(Optional.ofNullable(ACTIONS.get(action.id())), action.title(), language)
            .map(action::titled)
            .orElse(action)
        : action;
  }

  private static Environment called(Environment environment, Language language) {
    if (!environment.id().equals(OwnKeymap.ID)) {
      return environment;
    }
    Function<Context, Context> called =
        c ->
            other(Optional.ofNullable(CONTEXTS.get(c.id())), c.title(), language)
                .map(t -> new Context(c.id(), t, c.parent(), c.together()))
                .orElse(c);
    return environment.withContexts(environment.contexts().stream().map(called).toList());
  }

  /** How else something is called in a language; empty where it is called so, or by its user. */
  private static Optional<String> other(Optional<Wording> usual, String title, Language language) {
    return usual.filter(w -> !w.in(language).equals(title) && w.is(title)).map(w -> w.in(language));
  }
}
