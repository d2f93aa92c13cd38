package polydex.route;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import polydex.boards.Board;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Environment;
import polydex.catalog.Environment.MenuForm;
import polydex.catalog.Environment.Platform;
import polydex.catalog.Environment.Reserved;
import polydex.catalog.Environment.WhenBroken;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.keys.Step;
import polydex.route.Remap.KeyPart;
import polydex.route.Remap.ModifierPart;
import polydex.route.Remap.Part;

/**
 * What docs/route.md says, as plainly as it can be programmed: no index, every list read from its
 * beginning every time. It shares nothing with the engine but the model's values.
 */
public final class ReferenceTracer {
  private record Rule(
      String environment,
      ActionId action,
      List<Physical> presses,
      Optional<String> opens,
      boolean own) {}

  /** What was seen of a press at a layer: enough to say what went wrong there. */
  public record Seen(
      int press, int depth, String kind, String verb, String reason, Physical in, String came) {}

  /** A press on its way: what it is, which it was, and what changed it. */
  private record Moving(Physical what, int made, List<UnaryOperator<Held>> changes) {
    Moving as(Physical now, UnaryOperator<Held> change) {
      List<UnaryOperator<Held>> all = new ArrayList<>(changes);
      all.add(change);
      return new Moving(now, made, all);
    }
  }

  /**
   * A press that is held.
   *
   * @param then the step at which it goes on if it is replayed, 0 for none
   * @param askedDesktop whether the desktop has been asked
   */
  private record Kept(Moving press, int then, boolean askedDesktop) {}

  /** A held context that is open. */
  private record Open(String context, int opener, Held by, List<Moving> waiting) {}

  private enum Said {
    TAKEN,
    LEFT,
    BROKE_OFF
  }

  private final World world;
  private final Setup setup;
  private final Map<String, List<Kept>> begun = new HashMap<>();
  private final Map<String, Open> open = new HashMap<>();
  private final List<Held> stays = new ArrayList<>();
  private final List<String> results = new ArrayList<>();
  private final List<Seen> log = new ArrayList<>();
  private final Set<String> reached = new TreeSet<>();
  private int index;

  public ReferenceTracer(World world, Setup setup) {
    this.world = world;
    this.setup = setup;
  }

  /** Which of the page's rarer rules were followed. */
  public Set<String> reached() {
    return reached;
  }

  /** What was seen on the way, after {@link #outcomes}. */
  public List<Seen> log() {
    return log;
  }

  private void end(int depth, String kind, String verb, String reason, Physical in, String came) {
    results.add(came);
    log.add(new Seen(index, depth, kind, verb, reason, in, came));
  }

  private void see(int depth, String kind, String verb, String reason, Physical in) {
    log.add(new Seen(index, depth, kind, verb, reason, in, ""));
  }

  private String focusKind(int depth) {
    return machine(depth).focus() instanceof Machine.SessionWindow ? "session" : "application";
  }

  private String kindOf(int depth, String taker) {
    return taker.equals("desktop") ? "desktop" : focusKind(depth);
  }

  /** What comes of it, joined by commas; an action ends with the depth of its machine. */
  public String outcomes(Gesture gesture) {
    Presses presses = Presses.of(gesture, layout(0));
    if (!(presses instanceof Presses.Typable typable)) {
      return "nothing";
    }
    gesture.steps().forEach(step -> staying(step, Held.NOTHING));
    for (Physical press : typable.physical()) {
      onBoard(press).ifPresent(given -> deliver(0, new Moving(given, index, List.of())));
      index++;
    }
    begun.values().forEach(_ -> results.add("nothing"));
    open.values().stream().filter(o -> !o.waiting().isEmpty()).forEach(_ -> results.add("nothing"));
    return String.join(", ", results);
  }

  /**
   * What stays down before each press of a step: what the brackets hold that it is not first in.
   */
  private void staying(Step step, Held around) {
    if (step instanceof Step.Hold hold) {
      Held inside = around.and(hold.held());
      for (int i = 0; i < hold.inner().size(); i++) {
        int first = stays.size();
        staying(hold.inner().get(i), inside);
        if (i == 0) {
          stays.set(first, Held.NOTHING);
        }
      }
      // Whoever holds the bracket says whether its first press is the first there as well.
      if (!around.isNothing()) {
        stays.set(stays.size() - presses(step), around);
      }
      return;
    }
    for (int i = presses(step); i > 0; i--) {
      stays.add(around);
    }
  }

  private int presses(Step step) {
    return Presses.physical(Gesture.of(step), layout(0)).orElseThrow().size();
  }

  private Optional<Physical> onBoard(Physical press) {
    Board board = world.boards().get(setup.board());
    Set<Key> there = board.places().stream().map(p -> p.key()).collect(Collectors.toSet());
    if (!there.containsAll(press.held().keys())) {
      reached.add("a held key is missing");
      end(0, "board", "drops", "", press, "nothing");
      return Optional.empty();
    }
    if (!(press instanceof Physical.Press(Held held, Key key))) {
      return Optional.of(press);
    }
    Held withoutFn = held.with(held.modifiers().without(Modifier.FN));
    if (there.contains(key)) {
      Key gives = held.modifiers().has(Modifier.FN) ? board.fn().get(key) : null;
      if (gives != null) {
        reached.add("Fn gives another key");
      }
      return Optional.of(gives == null ? press : new Physical.Press(withoutFn, gives));
    }
    boolean byFn =
        board.fn().entrySet().stream()
            .anyMatch(e -> e.getValue() == key && there.contains(e.getKey()));
    if (byFn) {
      return Optional.of(new Physical.Press(withoutFn, key));
    }
    end(0, "board", "drops", "", press, "nothing");
    return Optional.empty();
  }

  private Machine machine(int depth) {
    return setup.machines().get(depth);
  }

  private Layout layout(int depth) {
    return world.layouts().get(machine(depth).layout());
  }

  private Platform platform(int depth) {
    return environment(machine(depth).platform().value()).platform().orElseThrow();
  }

  private Environment environment(String id) {
    return world.catalog().environment(new EnvironmentId(id)).orElseThrow();
  }

  private void deliver(int depth, Moving arriving) {
    Machine machine = machine(depth);
    Moving moving = arriving;
    for (Remap remap : machine.remaps()) {
      if (remap.onlyIn().isPresent() && !remap.onlyIn().equals(machine.application())) {
        continue;
      }
      Physical press = moving.what();
      Optional<Physical> replaced = strokeRule(remap, press, depth);
      if (replaced.isPresent()) {
        if (!replaced.get().equals(press)) {
          see(depth, "remap", "changes", "", press);
        }
        Held now = replaced.get().held();
        moving = moving.as(replaced.get(), was -> was.isNothing() ? was : now);
        break;
      }
      Optional<Physical> changed = keyRules(remap, press);
      if (changed.isEmpty()) {
        end(depth, "remap", "drops", "", press, "nothing");
        return;
      }
      if (!changed.get().equals(press)) {
        see(depth, "remap", "changes", "", press);
      }
      moving = moving.as(changed.get(), was -> held(remap, was));
    }
    Physical press = moving.what();
    for (Reserved reserved : platform(depth).reserved()) {
      if (sameStroke(reserved.gesture(), press, depth)) {
        end(
            depth,
            "reserved",
            "takes",
            "",
            press,
            machine.platform() + "." + reserved.action() + "@" + depth);
        return;
      }
    }
    if (isInTheMiddle(depth, "desktop", moving)) {
      if (offer(depth, "desktop", moving, 7, true) == Said.TAKEN) {
        return;
      }
    } else if (isInTheMiddle(depth, "focus", moving)
        && offer(depth, "focus", moving, 8, false) == Said.TAKEN) {
      return;
    }
    from(5, depth, moving, false);
  }

  private boolean isInTheMiddle(int depth, String taker, Moving press) {
    return begun.containsKey(taker + depth) || isOpen(open.get(taker + depth), press);
  }

  private boolean isOpen(Open hold, Moving press) {
    if (hold == null || hold.by().isNothing()) {
      return false;
    }
    for (int i = hold.opener() + 1; i <= press.made(); i++) {
      Held down = stays.get(i);
      boolean all =
          down.modifiers().hasAll(hold.by().modifiers())
              && down.keys().containsAll(hold.by().keys());
      if (!all) {
        return false;
      }
    }
    return true;
  }

  private boolean captured(int depth, Physical press) {
    return machine(depth).focus() instanceof Machine.SessionWindow s
        && s.kept().stream().noneMatch(g -> sameStroke(g, press, depth))
        && (s.capture() == Machine.Capture.ALWAYS
            || (s.capture() == Machine.Capture.FULL_SCREEN && s.fullScreen())
            || s.sent().stream().anyMatch(g -> sameStroke(g, press, depth)));
  }

  /**
   * The steps 5 to 9, begun at one of them, and begun there again whenever something breaks off.
   */
  private void from(int step, int depth, Moving moving, boolean askedDesktop) {
    while (!goes(step, depth, moving, askedDesktop)) {
      reached.add("a press that broke something off begins again at " + step);
    }
  }

  private boolean goes(int step, int depth, Moving moving, boolean askedDesktop) {
    Physical press = moving.what();
    Machine machine = machine(depth);
    boolean passedOver = !askedDesktop && captured(depth, press);
    if (step == 5 && passedOver) {
      see(depth, "desktop", "passes", "captured", press);
    } else if (step == 5) {
      Said said = offer(depth, "desktop", moving, 7, true);
      if (said != Said.LEFT) {
        return said == Said.TAKEN;
      }
    }
    if (step <= 7 && machine.application().isPresent()) {
      Said said = offer(depth, "focus", moving, 8, askedDesktop);
      if (said != Said.LEFT) {
        return said == Said.TAKEN;
      }
    }
    if (!(machine.focus() instanceof Machine.SessionWindow s)) {
      type(depth, press);
      return true;
    }
    boolean kept = s.kept().stream().anyMatch(g -> sameStroke(g, press, depth));
    if (!kept && s.forwards()) {
      inward(depth, moving, s);
      return true;
    }
    if (passedOver) {
      reached.add("the desktop is asked at 8");
      Said said = offer(depth, "desktop", moving, 0, true);
      if (said != Said.LEFT) {
        return said == Said.TAKEN;
      }
    }
    end(depth, "session", "drops", "not handed on", press, "nothing");
    return true;
  }

  private void inward(int depth, Moving moving, Machine.SessionWindow s) {
    Physical press = moving.what();
    Optional<Physical> inward =
        s.translation().isPresent() ? keyRules(s.translation().get(), press) : Optional.of(press);
    if (inward.isEmpty()) {
      end(depth, "session", "drops", "left out", press, "nothing");
      return;
    }
    see(depth, "session", inward.get().equals(press) ? "passes" : "changes", "", press);
    deliver(
        depth + 1,
        moving.as(inward.get(), was -> s.translation().map(t -> held(t, was)).orElse(was)));
  }

  private void type(int depth, Physical press) {
    Modifiers m = press.held().modifiers();
    for (Modifier typing : platform(depth).typing()) {
      if (m.has(typing)) {
        m = m.without(typing).and(Modifier.ALTGR);
      }
    }
    if (platform(depth).altGrIsCtrlAlt() && m.has(Modifier.CTRL) && m.has(Modifier.ALT)) {
      m = m.without(Modifier.CTRL).without(Modifier.ALT).and(Modifier.ALTGR);
    }
    Optional<Layout.Symbol> symbol = Optional.empty();
    if (press instanceof Physical.Press p && p.held().keys().isEmpty()) {
      symbol = layout(depth).typed(p.key(), m);
    }
    String came = symbol.map(s -> "types " + Character.toString(s.codePoint())).orElse("nothing");
    end(depth, "typing", symbol.isPresent() ? "types" : "drops", "", press, came);
  }

  private Said offer(int depth, String taker, Moving moving, int then, boolean askedDesktop) {
    String name = taker + depth;
    Open hold = open.get(name);
    if (isOpen(hold, moving)) {
      inHold(depth, taker, hold, moving);
      return Said.TAKEN;
    }
    if (hold != null) {
      reached.add("a hold is let go");
      hold.waiting()
          .forEach(w -> end(depth, kindOf(depth, taker), "drops", "broken", w.what(), "nothing"));
      open.remove(name);
    }
    List<Kept> before = begun.remove(name);
    List<Physical> all = new ArrayList<>();
    if (before != null) {
      before.forEach(k -> all.add(seen(depth, k.press().what())));
    }
    all.add(seen(depth, moving.what()));
    for (List<Rule> scope : scopes(depth, taker)) {
      // A sequence goes on in the scope that began it.
      if (before != null && !begins(scope, all.subList(0, before.size()))) {
        continue;
      }
      for (Rule rule : scope) {
        if (rule.presses().size() == all.size() && starts(rule, all)) {
          took(depth, taker, rule, moving);
          return Said.TAKEN;
        }
      }
      if (begins(scope, all)) {
        List<Kept> now = new ArrayList<>(before == null ? List.of() : before);
        now.add(new Kept(moving, then, askedDesktop));
        begun.put(name, now);
        see(depth, kindOf(depth, taker), "holds", "", moving.what());
        return Said.TAKEN;
      }
      if (before != null) {
        break;
      }
    }
    if (before != null) {
      breakOff(depth, taker, before);
      return Said.BROKE_OFF;
    }
    if (!kindOf(depth, taker).equals("session")) {
      see(depth, kindOf(depth, taker), "passes", "", moving.what());
    }
    return Said.LEFT;
  }

  private void inHold(int depth, String taker, Open hold, Moving moving) {
    List<Physical> all = new ArrayList<>();
    hold.waiting().forEach(w -> all.add(inner(depth, hold, w)));
    all.add(inner(depth, hold, moving));
    List<Rule> scope = rules(depth, taker, hold.context());
    if (all.size() > 1 && !begins(scope, all) && done(scope, all).isEmpty()) {
      reached.add("a sequence in a hold is broken off");
      for (Moving w : List.copyOf(hold.waiting())) {
        end(depth, kindOf(depth, taker), "drops", "broken", w.what(), "nothing");
      }
      hold.waiting().clear();
      all.subList(0, all.size() - 1).clear();
    }
    Optional<Rule> rule = done(scope, all);
    if (rule.isPresent()) {
      reached.add(all.size() > 1 ? "a sequence in a hold" : "a press in a hold");
      hold.waiting().clear();
      took(depth, taker, rule.get(), moving);
    } else if (begins(scope, all)) {
      hold.waiting().add(moving);
      see(depth, kindOf(depth, taker), "holds", "", moving.what());
    } else {
      end(depth, kindOf(depth, taker), "drops", "hold", moving.what(), "nothing");
    }
  }

  private static Optional<Rule> done(List<Rule> scope, List<Physical> presses) {
    return scope.stream()
        .filter(r -> r.presses().size() == presses.size() && starts(r, presses))
        .findFirst();
  }

  /** A press as a held context compares it: without what keeps the hold open. */
  private Physical inner(int depth, Open hold, Moving moving) {
    Held by = hold.by();
    for (UnaryOperator<Held> change : moving.changes()) {
      by = change.apply(by);
    }
    Modifiers gone = by.modifiers();
    if (platform(depth).altGrIsCtrlAlt() && gone.has(Modifier.ALTGR)) {
      reached.add("AltGr that is Ctrl+Alt keeps a hold open");
      gone = gone.without(Modifier.ALTGR).and(Modifier.CTRL, Modifier.ALT);
    }
    Physical seen = seen(depth, moving.what());
    Modifiers left = Modifiers.NONE;
    for (Part part : parts(seen.held())) {
      if (part instanceof ModifierPart(Modifier m, Modifiers.Side side) && !gone.has(m)) {
        left = left.and(Modifiers.of(m, side));
      }
    }
    List<Key> keys = new ArrayList<>(seen.held().keys());
    if (keys.removeAll(by.keys())) {
      reached.add("a key keeps a hold open");
    }
    Held held = new Held(left, keys);
    return switch (seen) {
      case Physical.Press p -> new Physical.Press(held, p.key());
      case Physical.ModifierTap _ -> new Physical.ModifierTap(left);
      case Physical.PointerPress p -> new Physical.PointerPress(held, p.act());
    };
  }

  private void took(int depth, String taker, Rule rule, Moving moving) {
    end(
        depth,
        kindOf(depth, taker),
        "takes",
        rule.own() ? "own" : "",
        moving.what(),
        rule.environment() + "." + rule.action() + "@" + depth);
    int next = moving.made() + 1;
    Held by = next < stays.size() ? stays.get(next) : Held.NOTHING;
    if (rule.opens().isPresent() && !rules(depth, taker, rule.opens().get()).isEmpty()) {
      if (by.isNothing()) {
        return;
      }
      if (moving.made() < index) {
        reached.add("a replayed press opens a hold");
      }
      open.put(taker + depth, new Open(rule.opens().get(), moving.made(), by, new ArrayList<>()));
    }
  }

  private void breakOff(int depth, String taker, List<Kept> before) {
    String id =
        taker.equals("desktop")
            ? machine(depth).platform().value()
            : machine(depth).application().orElseThrow().value();
    for (Kept held : before) {
      Physical press = held.press().what();
      if (environment(id).whenBroken() == WhenBroken.SWALLOW) {
        end(depth, kindOf(depth, taker), "drops", "broken", press, "nothing");
        continue;
      }
      see(depth, kindOf(depth, taker), "passes", "broken", press);
      reached.add("replayed from " + held.then());
      if (held.then() == 0) {
        end(depth, "session", "drops", "not handed on", press, "nothing");
      } else {
        from(held.then(), depth, held.press(), held.askedDesktop());
      }
    }
  }

  private static boolean begins(List<Rule> scope, List<Physical> presses) {
    return scope.stream().anyMatch(r -> r.presses().size() > presses.size() && starts(r, presses));
  }

  private static boolean starts(Rule rule, List<Physical> presses) {
    for (int i = 0; i < presses.size(); i++) {
      if (!is(rule.presses().get(i), presses.get(i))) {
        return false;
      }
    }
    return true;
  }

  private static boolean is(Physical wanted, Physical pressed) {
    return wanted.eitherSide().equals(pressed.eitherSide())
        && pressed.held().modifiers().satisfy(wanted.held().modifiers());
  }

  private Physical seen(int depth, Physical press) {
    Modifiers m = press.held().modifiers();
    return platform(depth).altGrIsCtrlAlt() && m.has(Modifier.ALTGR)
        ? press.with(m.without(Modifier.ALTGR).and(Modifier.CTRL, Modifier.ALT))
        : press;
  }

  private boolean sameStroke(Gesture stroke, Physical press, int depth) {
    return Presses.physical(stroke, layout(depth))
        .filter(p -> seen(depth, p.getFirst()).eitherSide().equals(seen(depth, press).eitherSide()))
        .isPresent();
  }

  private List<List<Rule>> scopes(int depth, String taker) {
    Machine machine = machine(depth);
    List<List<Rule>> scopes = new ArrayList<>();
    if (taker.equals("desktop")) {
      List<Rule> own = new ArrayList<>();
      machine.own().forEach(b -> own.addAll(rules(depth, machine.platform().value(), b, true)));
      scopes.add(own);
      scopes.add(rules(depth, taker, "anywhere"));
      return scopes;
    }
    List<String> contexts = machine.focus() instanceof Machine.Running r ? r.contexts() : List.of();
    Set<String> active = new LinkedHashSet<>();
    for (String context : contexts) {
      String at = context;
      while (!at.equals("anywhere")) {
        active.add(at);
        at =
            environment(machine.application().orElseThrow().value())
                .context(at)
                .orElseThrow()
                .parent()
                .orElseThrow();
      }
    }
    active.add("anywhere");
    active.forEach(c -> scopes.add(rules(depth, taker, c)));
    if (machine.focus() instanceof Machine.Running r) {
      scopes.add(menus(depth, environment(r.application().value())));
    }
    return scopes;
  }

  /** Menus of one level: Alt+F S and Alt F S, as the platform has it. */
  private List<Rule> menus(int depth, Environment application) {
    List<Rule> rules = new ArrayList<>();
    Set<MenuForm> forms = platform(depth).menuForms();
    for (MenuForm form : List.of(MenuForm.HELD, MenuForm.TAPPED)) {
      for (Environment.MenuItem menu : application.menus()) {
        for (Environment.MenuItem item : menu.items()) {
          if (forms.contains(form)) {
            Gesture keys =
                Gesture.parse(
                    (form == MenuForm.HELD ? "Alt+" : "Alt ")
                        + menu.accessKey().orElseThrow()
                        + " "
                        + item.accessKey().orElseThrow());
            rules.addAll(
                rules(
                    depth,
                    application.id().value(),
                    Binding.of("menu", item.action().orElseThrow(), keys),
                    false));
          }
        }
      }
    }
    return rules;
  }

  private List<Rule> rules(int depth, String taker, String context) {
    Machine machine = machine(depth);
    String id =
        taker.equals("desktop")
            ? machine.platform().value()
            : machine.application().orElseThrow().value();
    List<Rule> rules = new ArrayList<>();
    for (Binding binding : world.catalog().bindings(new EnvironmentId(id))) {
      boolean off = taker.equals("desktop") && machine.switchedOff().contains(binding.id());
      boolean is = binding.when().holds(Worlds.ONE, Set.of());
      if (!off && is && binding.context().equals(context)) {
        rules.addAll(rules(depth, id, binding, false));
      }
    }
    return rules;
  }

  private List<Rule> rules(int depth, String environment, Binding binding, boolean own) {
    List<Rule> rules = new ArrayList<>();
    for (Gesture member : binding.gesture().expand()) {
      Presses.physical(member, layout(depth))
          .ifPresent(
              list ->
                  rules.add(
                      new Rule(
                          environment,
                          binding.action(),
                          list.stream().map(p -> seen(depth, p)).toList(),
                          binding.heldContext(),
                          own)));
    }
    return rules;
  }

  private Optional<Physical> strokeRule(Remap remap, Physical press, int depth) {
    if (press instanceof Physical.PointerPress) {
      return Optional.empty();
    }
    for (Remap.StrokeRule rule : remap.strokeRules()) {
      Optional<List<Physical>> from = Presses.physical(rule.from(), layout(depth));
      Optional<List<Physical>> to = Presses.physical(rule.to(), layout(depth));
      if (from.isPresent() && to.isPresent() && is(from.get().getFirst(), press)) {
        return Optional.of(to.get().getFirst());
      }
    }
    return Optional.empty();
  }

  private Optional<Physical> keyRules(Remap remap, Physical press) {
    if (press instanceof Physical.PointerPress || remap.keyRules().isEmpty()) {
      return Optional.of(press);
    }
    if (press instanceof Physical.Press(Held was, Key key)) {
      Held held = held(remap, was);
      Optional<Part> pressed = becomes(remap, new KeyPart(key), was.isNothing());
      if (pressed.isEmpty()) {
        return Optional.empty();
      }
      if (pressed.get() instanceof ModifierPart(Modifier m, Modifiers.Side side)) {
        return Optional.of(new Physical.ModifierTap(held.modifiers().and(Modifiers.of(m, side))));
      }
      return Optional.of(new Physical.Press(held, ((KeyPart) pressed.get()).key()));
    }
    List<Part> each = parts(press.held());
    List<Part> now = new ArrayList<>();
    each.forEach(p -> becomes(remap, p, each.size() == 1).ifPresent(now::add));
    Held all = held(now);
    List<Key> keys =
        now.stream().filter(KeyPart.class::isInstance).map(p -> ((KeyPart) p).key()).toList();
    if (!keys.isEmpty()) {
      List<Key> others = new ArrayList<>(all.keys());
      others.remove(keys.getFirst());
      if (!others.isEmpty()) {
        reached.add("two of a tap become keys");
      }
      return Optional.of(new Physical.Press(new Held(all.modifiers(), others), keys.getFirst()));
    }
    return all.isNothing()
        ? Optional.empty()
        : Optional.of(new Physical.ModifierTap(all.modifiers()));
  }

  /** Each key that is down, left and right by themselves. */
  private List<Part> parts(Held held) {
    List<Part> parts = new ArrayList<>();
    for (Modifier m : Modifier.values()) {
      Modifiers all = held.modifiers();
      boolean left = all.words(Map.of()).contains("Left" + m.written());
      boolean right = all.words(Map.of()).contains("Right" + m.written());
      if (left) {
        parts.add(new ModifierPart(m, Modifiers.Side.LEFT));
      }
      if (right) {
        parts.add(new ModifierPart(m, Modifiers.Side.RIGHT));
      }
      if (left && right) {
        reached.add("both sides at once");
      }
      if (all.has(m) && !left && !right) {
        parts.add(new ModifierPart(m, Modifiers.Side.EITHER));
      }
    }
    held.keys().forEach(k -> parts.add(new KeyPart(k)));
    return parts;
  }

  private Held held(Remap remap, Held was) {
    if (remap.keyRules().isEmpty()) {
      return was;
    }
    List<Part> now = new ArrayList<>();
    parts(was).forEach(p -> becomes(remap, p, false).ifPresent(now::add));
    return held(now);
  }

  private static Held held(List<Part> parts) {
    Modifiers modifiers = Modifiers.NONE;
    List<Key> keys = new ArrayList<>();
    for (Part part : parts) {
      if (part instanceof ModifierPart(Modifier m, Modifiers.Side side)) {
        modifiers = modifiers.and(Modifiers.of(m, side));
      } else if (part instanceof KeyPart(Key key)) {
        keys.add(key);
      }
    }
    return new Held(modifiers, keys);
  }

  private static Optional<Part> becomes(Remap remap, Part part, boolean alone) {
    for (Remap.KeyRule rule : remap.keyRules()) {
      boolean about = rule.from().equals(part);
      if (rule.from() instanceof ModifierPart(Modifier m, Modifiers.Side side)
          && part instanceof ModifierPart(Modifier pressed, Modifiers.Side on)) {
        Modifiers.Side real = on == Modifiers.Side.EITHER ? Modifiers.Side.LEFT : on;
        about = m == pressed && (side == Modifiers.Side.EITHER || side == real);
      }
      if (about) {
        return alone && rule.tapped().isPresent()
            ? Optional.of(rule.tapped().get().to())
            : rule.to();
      }
    }
    return Optional.of(part);
  }
}
