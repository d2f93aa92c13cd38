package polydex.conflict;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import polydex.boards.Board;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.Binding;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Platform;
import polydex.catalog.EnvironmentId;
import polydex.catalog.MenuKeys;
import polydex.keys.Gesture;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.route.Machine;
import polydex.route.ReferenceTracer;
import polydex.route.ReferenceTracer.Seen;
import polydex.route.Setup;
import polydex.route.World;
import polydex.route.Worlds;

/**
 * The conflicts of a setup as docs/route.md defines them, as plainly as can be: every binding is
 * followed by the plain tracer, and every pair is looked at. "kind environment@depth/context action
 * gesture: what happens instead".
 */
public final class ReferenceConflicts {
  private static final List<String> ORDER =
      List.of("board", "remap", "reserved", "desktop", "session", "application", "typing");

  private record Entry(
      int depth,
      String kind,
      String environment,
      Binding binding,
      boolean own,
      Gesture gesture,
      int opening,
      Setup as) {}

  private final World world;
  private final Setup setup;
  private final int pause;
  private final List<Entry> entries = new ArrayList<>();
  private final List<Entry> absent = new ArrayList<>();
  private final Set<String> found = new TreeSet<>();

  public ReferenceConflicts(World world, Setup setup, int pause) {
    this.world = world;
    this.setup = setup;
    this.pause = pause;
    for (int depth = 0; depth < setup.machines().size(); depth++) {
      Machine m = setup.machines().get(depth);
      for (Binding own : m.own()) {
        for (Gesture g : own.gesture().expand()) {
          entries.add(new Entry(depth, "desktop", m.platform().value(), own, true, g, 0, setup));
        }
      }
      List<Binding> on = new ArrayList<>(world.catalog().bindings(m.platform()));
      on.removeIf(b -> m.switchedOff().contains(b.id()));
      keymap(depth, "desktop", m.platform().value(), on);
      if (m.focus() instanceof Machine.Running r) {
        keymap(
            depth,
            "application",
            r.application().value(),
            world.catalog().bindings(r.application()));
        for (Binding menu :
            MenuKeys.of(
                world.catalog().environment(r.application()).orElseThrow(), platform(depth))) {
          entries.add(
              new Entry(
                  depth,
                  "application",
                  r.application().value(),
                  menu,
                  false,
                  menu.gesture(),
                  0,
                  setup));
        }
      } else if (m.focus() instanceof Machine.SessionWindow s) {
        keymap(
            depth, "session", s.application().value(), world.catalog().bindings(s.application()));
      }
    }
  }

  private void keymap(int depth, String kind, String environment, List<Binding> bindings) {
    for (Binding b : bindings) {
      List<Entry> into = exists(b) ? entries : absent;
      Optional<Binding> opener =
          bindings.stream()
              .filter(o -> exists(o) && o.heldContext().equals(Optional.of(b.context())))
              .findFirst();
      Setup as = kind.equals("application") ? setup.withContexts(List.of(b.context())) : setup;
      for (Gesture g : b.gesture().expand()) {
        if (opener.isEmpty()) {
          into.add(new Entry(depth, kind, environment, b, false, g, 0, as));
        } else if (!behind(opener.get(), g).isEmpty()) {
          Setup outer =
              kind.equals("application")
                  ? setup.withContexts(List.of(opener.get().context()))
                  : setup;
          into.add(
              new Entry(
                  depth,
                  kind,
                  environment,
                  b,
                  false,
                  Gesture.parse(behind(opener.get(), g)),
                  opener.get().gesture().expand().getFirst().presses(),
                  outer));
        }
      }
    }
  }

  /** Inner steps written behind the steps that open their hold; empty where nothing is held. */
  private static String behind(Binding opener, Gesture inner) {
    String written = opener.gesture().expand().getFirst().toString();
    if (written.endsWith(")")) {
      return written.substring(0, written.length() - 1) + " " + inner + ")";
    }
    int last = written.lastIndexOf(' ') + 1;
    int plus = written.lastIndexOf('+');
    boolean isTap =
        List.of("Ctrl", "Alt", "AltGr", "Meta", "Shift", "Hyper", "Fn")
            .contains(written.substring(plus + 1).replaceFirst("^(Left|Right)(?=[A-Z])", ""));
    return plus < last || isTap
        ? ""
        : written.substring(0, plus) + "(" + written.substring(plus + 1) + " " + inner + ")";
  }

  private static boolean exists(Binding b) {
    return b.when().holds(Worlds.ONE, Set.of());
  }

  private Platform platform(int depth) {
    return world
        .catalog()
        .environment(setup.machines().get(depth).platform())
        .flatMap(Environment::platform)
        .orElseThrow();
  }

  private Layout layout(int depth) {
    return world.layouts().get(setup.machines().get(depth).layout());
  }

  /** Every binding that does what it says, by a name that stays the same while others come. */
  public Set<String> working() {
    Set<String> working = new LinkedHashSet<>();
    for (Entry e : entries) {
      String[] ends = new ReferenceTracer(world, e.as()).outcomes(e.gesture()).split(", ");
      if (ends[ends.length - 1].equals(action(e))) {
        working.add(
            "%s %s %s %s %s"
                .formatted(
                    action(e), e.kind(), e.binding().context(), e.binding().id(), e.gesture()));
      }
    }
    return working;
  }

  Set<String> all() {
    for (Entry e : entries) {
      ReferenceTracer tracer = new ReferenceTracer(world, e.as());
      String[] ends = tracer.outcomes(e.gesture()).split(", ");
      String end = ends[ends.length - 1];
      boolean works = end.equals(action(e));
      if (works && ends.length > (e.opening() > 0 ? 2 : 1)) {
        firedBefore(e, tracer.log());
      } else if (!works) {
        cause(e, tracer.log(), end);
      }
      if (works) {
        text(e, tracer.log());
        delayed(e);
      }
      fn(e);
    }
    pairs();
    for (Entry e : absent) {
      String ends = new ReferenceTracer(world, e.as()).outcomes(e.gesture());
      String end = ends.substring(ends.lastIndexOf(", ") < 0 ? 0 : ends.lastIndexOf(", ") + 2);
      if (!end.equals(action(e))) {
        say("version", e, end);
      }
    }
    thin();
    return found;
  }

  private static String action(Entry e) {
    return e.environment() + "." + e.binding().action() + "@" + e.depth();
  }

  private void say(String kind, Entry e, String instead) {
    found.add(
        "%s %s@%d/%s %s %s: %s"
            .formatted(
                kind,
                e.environment(),
                e.depth(),
                e.binding().context(),
                e.binding().action(),
                e.gesture(),
                instead));
  }

  /** A conflict that the finder found, in the same words. */
  static String line(Conflict f) {
    return "%s %s@%d/%s %s %s: %s"
        .formatted(
            f.kind().written(),
            f.loser().environment(),
            f.loser().depth(),
            f.loser().context(),
            f.loser().action(),
            f.loser().gesture(),
            Worlds.outcome(f.instead(), true));
  }

  private int last(Entry e) {
    return Presses.physical(e.gesture(), layout(0)).map(List::size).orElse(1) - 1;
  }

  private static boolean isOpening(Entry e, Seen s) {
    return s.press() < e.opening() && isAt(e, s);
  }

  private static boolean isAt(Entry e, Seen s) {
    return s.depth() == e.depth() && s.kind().equals(e.kind());
  }

  private static boolean isOuter(Entry e, Seen s) {
    return s.depth() < e.depth()
        || (s.depth() == e.depth() && ORDER.indexOf(s.kind()) < ORDER.indexOf(e.kind()));
  }

  private void firedBefore(Entry e, List<Seen> log) {
    for (Seen s : log) {
      if (s.verb().equals("takes") && s.press() < last(e) && !isOpening(e, s)) {
        say("prefix", e, s.came());
        return;
      }
    }
  }

  private void cause(Entry e, List<Seen> log, String end) {
    if (log.isEmpty()) {
      say("untypable", e, end);
      return;
    }
    for (Seen s : log) {
      String kind = kind(e, s, end);
      if (!kind.isEmpty()) {
        if (!kind.equals("duplicate")) {
          say(kind, e, s.verb().equals("takes") ? s.came() : end);
        }
        return;
      }
    }
    say("intercepted", e, end);
  }

  /** What one thing seen means, in the order of the table in the documentation. */
  private String kind(Entry e, Seen s, String end) {
    boolean outer = isOuter(e, s);
    boolean here = isAt(e, s);
    boolean more = !s.in().held().modifiers().without(Modifier.SHIFT).isEmpty();
    String notAwaited = end.startsWith("types ") && more ? "types-text" : "untypable";
    if (isOpening(e, s) && s.verb().equals("takes")) {
      return "";
    }
    if (s.verb().equals("takes")) {
      if (s.kind().equals("reserved") && outer) {
        return "reserved";
      }
      if (!outer && !here) {
        return "intercepted";
      }
      if (s.press() < last(e)) {
        return "prefix";
      }
      if (outer || (s.reason().equals("own") && !e.own())) {
        return "intercepted";
      }
      return Presses.physical(e.gesture(), layout(e.depth()))
              .filter(p -> s.press() < p.size())
              .filter(p -> p.get(s.press()).eitherSide().equals(s.in().eitherSide()))
              .isPresent()
          ? "duplicate"
          : "untypable";
    }
    if (here) {
      return s.verb().equals("holds")
          ? ""
          : List.of("captured", "broken", "hold").contains(s.reason()) ? "intercepted" : notAwaited;
    }
    if (outer) {
      return switch (s.verb()) {
        case "changes" -> "altered";
        case "holds" -> "intercepted";
        case "types" -> notAwaited;
        case "drops" ->
            switch (s.kind() + " " + s.reason()) {
              case "remap ", "session left out" -> "altered";
              case "session not handed on" -> "blocked";
              case "board ", "typing " -> "untypable";
              default -> "intercepted";
            };
        default -> "";
      };
    }
    return s.kind().equals("typing")
        ? notAwaited
        : s.verb().equals("holds") || s.verb().equals("drops") ? "intercepted" : "";
  }

  private void text(Entry e, List<Seen> log) {
    for (Seen s : log) {
      boolean has = s.verb().equals("takes") || s.verb().equals("holds");
      if (s.press() >= e.opening() && isAt(e, s) && has) {
        if (s.in() instanceof Physical.Press p && p.held().keys().isEmpty()) {
          Modifiers m = p.held().modifiers();
          boolean shiftAlone = m.without(Modifier.SHIFT).isEmpty();
          for (Modifier typing : platform(e.depth()).typing()) {
            m = m.has(typing) ? m.without(typing).and(Modifier.ALTGR) : m;
          }
          if (platform(e.depth()).altGrIsCtrlAlt() && m.has(Modifier.CTRL) && m.has(Modifier.ALT)) {
            m = m.without(Modifier.CTRL).without(Modifier.ALT).and(Modifier.ALTGR);
          }
          if (!shiftAlone && layout(e.depth()).typed(p.key(), m).isPresent()) {
            say("types-text", e, action(e));
            return;
          }
        }
      }
    }
  }

  private void delayed(Entry e) {
    Optional<List<Physical>> presses = Presses.physical(e.gesture(), layout(0));
    if (presses.isEmpty()
        || presses.get().size() < 2
        || !(presses.get().getFirst() instanceof Physical.ModifierTap)) {
      return;
    }
    for (int depth = 0; depth < e.depth(); depth++) {
      if (setup.machines().get(depth).focus() instanceof Machine.SessionWindow s
          && s.tapDelayMillis() > pause) {
        String rest = e.gesture().toString();
        rest =
            rest.contains("*2")
                ? rest.replaceFirst("\\*2", "")
                : rest.replaceFirst("^((?:[^ (]*\\()*)[^ ]* ", "$1");
        String ends = new ReferenceTracer(world, e.as()).outcomes(Gesture.parse(rest));
        say(
            "delayed-tap",
            e,
            ends.substring(ends.lastIndexOf(", ") < 0 ? 0 : ends.lastIndexOf(", ") + 2));
        return;
      }
    }
  }

  private void fn(Entry e) {
    Board board = world.boards().get(setup.board());
    for (Physical p : Presses.physical(e.gesture(), layout(0)).orElse(List.of())) {
      if (p.pressedKey().filter(k -> !board.has(k) && board.withFn(k).isPresent()).isPresent()) {
        say("needs-fn", e, "nothing");
        return;
      }
    }
  }

  private void pairs() {
    List<Optional<List<Physical>>> all = entries.stream().map(this::presses).toList();
    for (int i = 0; i < entries.size(); i++) {
      Entry later = entries.get(i);
      Optional<List<Physical>> presses = all.get(i);
      if (presses.isEmpty() || MenuKeys.isOne(later.binding())) {
        continue;
      }
      for (int j = 0; j < entries.size(); j++) {
        Entry other = entries.get(j);
        boolean same =
            other.depth() == later.depth()
                && other.kind().equals(later.kind())
                && other.own() == later.own()
                && !MenuKeys.isOne(other.binding())
                && presses.equals(all.get(j));
        if (same && isFirst(j, all)) {
          boolean differ = !other.binding().action().equals(later.binding().action());
          if (j < i && other.binding().context().equals(later.binding().context()) && differ) {
            say("duplicate", later, action(other));
          }
          if (differ && later.kind().equals("application") && askedBefore(other, later)) {
            say("ambiguous", later, action(other));
          }
        }
      }
    }
  }

  private boolean isFirst(int index, List<Optional<List<Physical>>> all) {
    Entry e = entries.get(index);
    for (int i = 0; i < index; i++) {
      Entry o = entries.get(i);
      if (o.depth() == e.depth()
          && o.kind().equals(e.kind())
          && o.own() == e.own()
          && o.binding().context().equals(e.binding().context())
          && !MenuKeys.isOne(o.binding())
          && all.get(i).equals(all.get(index))) {
        return false;
      }
    }
    return true;
  }

  private boolean askedBefore(Entry one, Entry other) {
    Environment environment =
        world.catalog().environment(new EnvironmentId(one.environment())).orElseThrow();
    List<String> active = ((Machine.Running) setup.innermost().focus()).contexts();
    String a = one.binding().context();
    String b = other.binding().context();
    if (environment.outward(a).contains(b) || environment.outward(b).contains(a)) {
      return false;
    }
    boolean together =
        (active.contains(a) && active.contains(b))
            || environment.context(a).orElseThrow().together().contains(b)
            || environment.context(b).orElseThrow().together().contains(a);
    List<String> order = new ArrayList<>(active);
    environment.contexts().forEach(c -> order.add(c.id()));
    return together && order.indexOf(a) < order.indexOf(b);
  }

  private Optional<List<Physical>> presses(Entry e) {
    return Presses.physical(e.gesture(), layout(e.depth()));
  }

  private void thin() {
    for (int depth = 0; depth < setup.machines().size(); depth++) {
      int d = depth;
      List<Entry> own = entries.stream().filter(e -> e.own() && e.depth() == d).toList();
      for (int i = 0; i < own.size(); i++) {
        Entry e = own.get(i);
        long so =
            1
                + own.subList(0, i).stream()
                    .filter(o -> o.binding().action().equals(e.binding().action()))
                    .count();
        Optional<List<Physical>> presses = presses(e);
        int count = presses.map(p -> p.getFirst().held().modifiers().count()).orElse(0);
        boolean covers =
            presses.isPresent()
                && presses.get().size() == 1
                && Set.of("A", "Ctrl+A", "Ctrl+S", "Ctrl+Z", "Tab", "Home").stream()
                    .filter(g -> !g.equals("A"))
                    .anyMatch(
                        g ->
                            Presses.physical(Gesture.parse(g), layout(d))
                                .equals(
                                    Optional.of(List.of(presses.get().getFirst().eitherSide()))));
        var rules = platform(d).ownBindings();
        if (covers) {
          say("thin", e, action(e));
        } else if (count < 2 || (rules.isPresent() && so > rules.get().mostGestures())) {
          say("thin", e, "nothing");
        }
      }
    }
  }
}
