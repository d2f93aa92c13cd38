package polydex.free;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.boards.Board;
import polydex.boards.Presses;
import polydex.catalog.Action;
import polydex.catalog.Action.Harm;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Words;
import polydex.effort.StrokeEffort;
import polydex.keys.Gesture;
import polydex.keys.Key;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.route.Machine;
import polydex.route.SetupTraces;
import polydex.route.Situation;
import polydex.route.TracedBinding;

/**
 * Scores gestures for actions: effort, less for what helps to remember them, more for what a slip
 * of a finger would do. What is asked of a gesture alone, and of an action alone, is found once, so
 * that each pair costs O(1); what is near to a gesture costs O(bindings that lose work).
 */
public final class Scorer {
  /** Keys whose middles are no further apart, in key widths, are neighbours. */
  static final double NEIGHBOURS = 1.3;

  /** Words that nobody remembers a gesture by. */
  private static final Set<String> SMALL =
      Set.of("a", "an", "the", "of", "to", "in", "on", "at", "or", "and", "it", "for", "by", "as");

  /** What is known of an action, whichever gesture it gets. */
  private record Asked(
      Map<Integer, String> initials, Map<String, List<String>> elsewhere, List<Partner> partners) {}

  /** A gesture that another action has already, with which one more could belong together. */
  private record Partner(Gesture gesture, List<Physical> presses, boolean opposite) {}

  /** A gesture that loses work somewhere. */
  private record Loses(List<Physical> presses, Score.Near near) {}

  private final Catalog catalog;
  private final Situation situation;
  private final List<SetupTraces> setups;
  private final Score.Weights weights;
  private final List<Loses> losing = new ArrayList<>();
  private final List<Map<Key, Board.KeyPlace>> boards;
  private final Map<ActionId, Asked> asked = new HashMap<>();
  // A candidate is asked about by every action; comparing whole gestures would cost more than the
  // rest.
  private final IdentityHashMap<Candidate, List<Score.Near>> nears = new IdentityHashMap<>();

  /**
   * Ready to score.
   *
   * @param situation what the user works in: where the same gesture may do an action already
   * @param setups those in which the gestures are wanted
   */
  public Scorer(Situation situation, List<SetupTraces> setups, Score.Weights weights) {
    this.situation = situation;
    this.catalog = situation.world().catalog();
    this.setups = List.copyOf(setups);
    this.weights = weights;
    this.boards =
        setups.stream()
            .map(t -> t.world().boards().get(t.setup().board()))
            .distinct()
            .map(Board::byKey)
            .toList();
    for (SetupTraces traces : setups) {
      for (TracedBinding t : traces.all()) {
        if (t.works() && losesWork(t.binding().action())) {
          Presses.physical(t.gesture(), traces.tracer().layout())
              .ifPresent(
                  p ->
                      losing.add(
                          new Loses(
                              plain(p),
                              new Score.Near(
                                  t.gesture(), t.binding().action(), traces.setup().id()))));
        }
      }
    }
  }

  private boolean losesWork(ActionId action) {
    return catalog.action(action).filter(a -> a.harm() == Harm.LOSES_WORK).isPresent();
  }

  private static List<Physical> plain(List<Physical> presses) {
    return presses.stream().map(Physical::eitherSide).toList();
  }

  /** How well a gesture suits an action. */
  public Score of(ActionId action, Candidate candidate) {
    Asked of = asked.computeIfAbsent(action, this::ask);
    Optional<String> initial = Optional.ofNullable(of.initials().get(letter(candidate)));
    List<String> same = of.elsewhere().getOrDefault(candidate.gesture().toString(), List.of());
    Optional<Gesture> partner = partner(of, candidate);
    List<Score.Near> near = near(candidate);
    return new Score(
        candidate.effort(),
        initial,
        same,
        partner,
        near,
        total(candidate, initial.isPresent(), !same.isEmpty(), partner.isPresent(), near.size()));
  }

  /** The points alone, which cost less. */
  double points(ActionId action, Candidate candidate) {
    Asked of = asked.computeIfAbsent(action, this::ask);
    return total(
        candidate,
        of.initials().containsKey(letter(candidate)),
        !of.elsewhere().isEmpty() && of.elsewhere().containsKey(candidate.gesture().toString()),
        partner(of, candidate).isPresent(),
        near(candidate).size());
  }

  private double total(
      Candidate candidate, boolean initial, boolean same, boolean partner, int near) {
    return candidate.effort()
        - (initial ? weights.initial() : 0)
        - (same ? weights.same() : 0)
        - (partner ? weights.partner() : 0)
        + near * weights.near();
  }

  /** What each gesture counts that completes a row or a pair, in points. */
  double partnerWeight() {
    return weights.partner();
  }

  /** The letter of the last key, lower case; 0 where it is no letter. */
  private static int letter(Candidate candidate) {
    return candidate.presses().getLast().what() instanceof Physical.Press p
            && p.key().name().startsWith("Key")
        ? Character.toLowerCase(p.key().name().charAt(3))
        : 0;
  }

  private Asked ask(ActionId action) {
    Map<Integer, String> initials = new LinkedHashMap<>();
    String title = catalog.title(action);
    for (String word : Words.of(title)) {
      if (SMALL.contains(word.toLowerCase(Locale.ROOT))) {
        continue;
      }
      initials.putIfAbsent(word.toLowerCase(Locale.ROOT).codePointAt(0), word);
    }
    Map<String, List<String>> elsewhere = new HashMap<>();
    Set<EnvironmentId> seen = new HashSet<>();
    for (var setup : situation.setups().values()) {
      for (EnvironmentId e : setup.environments()) {
        if (seen.add(e)) {
          String in = catalog.environment(e).map(x -> x.title()).orElse(e.value());
          catalog.bindings(e, action).forEach(b -> note(elsewhere, b, in));
        }
      }
      for (Machine m : setup.machines()) {
        for (Binding b : m.own()) {
          if (b.action().equals(action)) {
            note(elsewhere, b, m.title());
          }
        }
      }
    }
    return new Asked(initials, elsewhere, partners(action));
  }

  private static void note(Map<String, List<String>> elsewhere, Binding binding, String in) {
    for (Gesture member : binding.gesture().expand()) {
      List<String> list = elsewhere.computeIfAbsent(member.toString(), _ -> new ArrayList<>());
      if (!list.contains(in)) {
        list.add(in);
      }
    }
  }

  /** Gestures of the opposite, and of actions of the same group that are the user's own. */
  private List<Partner> partners(ActionId action) {
    Optional<Action> known = catalog.action(action);
    List<Partner> found = new ArrayList<>();
    for (SetupTraces traces : setups) {
      for (TracedBinding t : traces.all()) {
        ActionId other = t.binding().action();
        boolean opposite = known.flatMap(Action::opposite).filter(other::equals).isPresent();
        boolean sibling = t.own() && !other.equals(action) && isSibling(action, other);
        if (t.works() && (opposite || sibling)) {
          Presses.physical(t.gesture(), traces.tracer().layout())
              .ifPresent(p -> found.add(new Partner(t.gesture(), plain(p), opposite)));
        }
      }
    }
    return found;
  }

  private boolean isSibling(ActionId one, ActionId other) {
    return Families.name(catalog.title(one)).equals(Families.name(catalog.title(other)));
  }

  private static Optional<Gesture> partner(Asked of, Candidate candidate) {
    for (Partner p : of.partners()) {
      List<Physical> presses = candidate.physical();
      int last = presses.size() - 1;
      if (p.presses().size() == presses.size()
          && p.presses().subList(0, last).equals(presses.subList(0, last))
          && belong(presses.get(last), p.presses().get(last), p.opposite())) {
        return Optional.of(p.gesture());
      }
    }
    return Optional.empty();
  }

  private static boolean belong(Physical one, Physical other, boolean opposite) {
    if (!(one instanceof Physical.Press a) || !(other instanceof Physical.Press b)) {
      return false;
    }
    boolean shifted =
        Rows.shifted(Presses.Made.afresh(a)).filter(m -> m.what().equals(b)).isPresent();
    return (opposite && shifted) || (a.held().equals(b.held()) && Rows.same(a.key(), b.key()));
  }

  /** What a slip on a gesture would do that loses work, each gesture once. */
  List<Score.Near> near(Candidate candidate) {
    return nears.computeIfAbsent(candidate, this::findNear);
  }

  private List<Score.Near> findNear(Candidate candidate) {
    List<Physical> presses = candidate.physical();
    Map<Gesture, Score.Near> found = new LinkedHashMap<>();
    for (Loses loses : losing) {
      if (isNear(presses, loses.presses())) {
        found.putIfAbsent(loses.near().gesture(), loses.near());
      }
    }
    return found.values().stream()
        .sorted(Comparator.comparing(n -> n.gesture().toString()))
        .toList();
  }

  private boolean isNear(List<Physical> one, List<Physical> other) {
    if (one.size() != other.size()) {
      return false;
    }
    int differing = -1;
    for (int i = 0; i < one.size(); i++) {
      if (!one.get(i).equals(other.get(i))) {
        if (differing >= 0) {
          return false;
        }
        differing = i;
      }
    }
    return differing >= 0 && isNear(one.get(differing), other.get(differing));
  }

  private boolean isNear(Physical one, Physical other) {
    if (!(one instanceof Physical.Press a) || !(other instanceof Physical.Press b)) {
      return false;
    }
    Modifiers mine = a.held().modifiers();
    Modifiers theirs = b.held().modifiers();
    if (a.key() == b.key()) {
      int common = mine.common(theirs).count();
      return mine.count() + theirs.count() - 2 * common == 1
          && a.held().keys().equals(b.held().keys());
    }
    return a.held().equals(b.held())
        && boards.stream().anyMatch(m -> adjacent(m, a.key(), b.key()));
  }

  private static boolean adjacent(Map<Key, Board.KeyPlace> places, Key one, Key other) {
    Board.KeyPlace a = places.get(one);
    Board.KeyPlace b = places.get(other);
    if (a == null || b == null) {
      return false;
    }
    double x = a.x() + a.width() / 2 - b.x() - b.width() / 2;
    double y = a.y() + a.height() / 2 - b.y() - b.height() / 2;
    return Math.hypot(x, y) <= NEIGHBOURS * StrokeEffort.KEY_WIDTH;
  }
}
