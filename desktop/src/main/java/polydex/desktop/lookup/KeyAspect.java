package polydex.desktop.lookup;

import static polydex.desktop.language.DesktopWords.worded;
import static polydex.language.Language.decimals;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.boards.KeyLegends;
import polydex.boards.Layout;
import polydex.catalog.Catalog;
import polydex.catalog.SmallWords;
import polydex.conflict.Conflict;
import polydex.conflict.ConflictSentence;
import polydex.desktop.controls.KeyboardView.Cap;
import polydex.effort.Finger;
import polydex.effort.StrokeEffort;
import polydex.keys.Key;
import polydex.own.OwnKey;
import polydex.person.KeyStates;
import polydex.person.KeyStates.KeyState;
import polydex.person.KeyStates.Known;
import polydex.person.KeyStates.Share;

/** What a drawn keyboard shows of a person: one question, answered on every key. */
enum KeyAspect {
  DOES(OwnKey.ASPECT_DOES, worded("any.what-it-does")),
  KNOWN(OwnKey.ASPECT_KNOWN, worded("lookup.what-is-known")),
  USED(OwnKey.ASPECT_USED, worded("lookup.what-is-used")),
  FINGERS(OwnKey.ASPECT_FINGERS, worded("lookup.which-finger")),
  CONFLICTS(OwnKey.ASPECT_CONFLICTS, worded("lookup.what-conflicts"));

  /** From so many uses a working day a key counts as used at all, often, and all the time. */
  private static final double[] OFTEN = {0.2, 1, 5};

  private final OwnKey key;
  private final String title;

  KeyAspect(OwnKey key, String title) {
    this.key = key;
    this.title = title;
  }

  OwnKey key() {
    return key;
  }

  String title() {
    return title;
  }

  /** A key on which nothing needs to be said. */
  static Cap plain(Key key, Layout layout) {
    return new Cap(KeyLegends.of(key, layout), "", "");
  }

  /** What stands on a key. */
  Cap cap(Key key, Layout layout, KeyState state, Catalog catalog, StrokeEffort effort) {
    String legend = KeyLegends.of(key, layout);
    String does = title(state, catalog);
    boolean free = state.uses().isEmpty();
    return switch (this) {
      case DOES ->
          new Cap(
              legend,
              does,
              state.uses().stream().anyMatch(u -> u.losesWork(catalog)) ? "board-key-loses" : "");
      case KNOWN ->
          free
              ? plain(key, layout)
              : switch (state.known().orElseThrow()) {
                case FLUENT -> new Cap(legend, does, "board-key-known", "dot dot-replaced");
                case LEARNING -> new Cap(legend, does, "board-key-half", "dot dot-learning");
                case NEVER -> new Cap(legend, does, "board-key-aside", "dot dot-hole");
              };
      case USED ->
          state.usesADay() <= 0
              ? plain(key, layout)
              : new Cap(legend, aDay(state.usesADay()), "board-key-used-" + often(state));
      case FINGERS ->
          free
              ? plain(key, layout)
              : new Cap(
                  legend,
                  effort.finger(key).map(Finger::title).orElse(""),
                  effort.finger(key).map(KeyAspect::bearing).orElse(""));
      case CONFLICTS ->
          state.conflicts().isEmpty()
              ? plain(key, layout)
              : new Cap(legend, kinds(state.conflicts()), "board-key-aside", "notch");
    };
  }

  private static String title(KeyState state, Catalog catalog) {
    return state.uses().isEmpty()
        ? ""
        : SmallWords.shortened(catalog.title(state.uses().getFirst().action()))
            + (state.uses().size() > 1 ? " +" + (state.uses().size() - 1) : "");
  }

  /** The little fingers and the ring fingers, on which most is asked of the weakest. */
  private static String bearing(Finger finger) {
    return finger.weight() > 1.1 ? "board-key-half" : "board-key-known";
  }

  private static int often(KeyState state) {
    int level = 1;
    for (double from : OFTEN) {
      level += state.usesADay() >= from ? 1 : 0;
    }
    return level;
  }

  static String aDay(double uses) {
    return uses >= 9.95
        ? worded("lookup.a-day", decimals(0, uses))
        : uses >= 0.05 ? worded("lookup.a-day", decimals(1, uses)) : worded("lookup.rarely");
  }

  private static String kinds(List<Conflict> conflicts) {
    return conflicts.getFirst().kind().said()
        + (conflicts.size() > 1 ? " +" + (conflicts.size() - 1) : "");
  }

  /** What a layer, or all of them, come to. */
  String said(Share share) {
    return switch (this) {
      case DOES -> worded("lookup.actions", share.actions());
      case KNOWN ->
          share.actions() == 0
              ? worded("lookup.nothing-to-know")
              : worded(
                  "lookup.fluent-learning-never-used-by-keys",
                  decimals(0, 100 * share.of(Known.FLUENT)),
                  decimals(0, 100 * share.of(Known.LEARNING)),
                  decimals(0, 100 * share.of(Known.NEVER)));
      case USED, FINGERS ->
          worded(
              "lookup.of-used",
              aDay(share.usesADay()),
              share.used(),
              worded("lookup.actions", share.actions()));
      case CONFLICTS ->
          share.conflicts() == 0
              ? worded("lookup.no-conflict")
              : worded("any.conflicts", share.conflicts());
    };
  }

  /** The sentence over all layers; of fingers, how the uses fall to them. */
  String whole(KeyStates states, StrokeEffort effort) {
    if (this != FINGERS) {
      return worded("lookup.all-together", said(states.share()));
    }
    Map<Finger, Double> loads = states.loads(effort);
    double all = loads.values().stream().mapToDouble(n -> n).sum();
    if (all <= 0) {
      return worded("lookup.nothing-here-was-used-yet-so");
    }
    StringBuilder words = new StringBuilder(worded("lookup.of-the-uses-a-day"));
    for (Finger finger : Finger.values()) {
      double share = 100 * loads.getOrDefault(finger, 0.0) / all;
      words
          .append(words.length() > worded("lookup.of-the-uses-a-day").length() ? ", " : "")
          .append("%s %.0f %%".formatted(finger.title(), share));
    }
    return words + ".";
  }

  /** What is said of a chosen key besides what it does. */
  Optional<String> more(Key key, KeyState state, Catalog catalog, StrokeEffort effort) {
    return switch (this) {
      case DOES -> Optional.empty();
      case KNOWN -> state.known().map(Known::said);
      case USED -> state.uses().isEmpty() ? Optional.empty() : Optional.of(used(state));
      case FINGERS -> effort.finger(key).map(Finger::title);
      case CONFLICTS ->
          state.conflicts().stream().findFirst().map(c -> ConflictSentence.of(c, catalog));
    };
  }

  private static String used(KeyState state) {
    return state.usesADay() <= 0
        ? worded("lookup.not-used")
        : worded("lookup.used", aDay(state.usesADay()));
  }
}
