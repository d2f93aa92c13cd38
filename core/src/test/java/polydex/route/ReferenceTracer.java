package polydex.route;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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

  private final World world;
  private final Setup setup;
  private final Map<String, List<Physical>> begun = new HashMap<>();
  private final Map<String, String> openContext = new HashMap<>();
  private final Map<String, Modifiers> openModifiers = new HashMap<>();
  private final List<String> results = new ArrayList<>();
  private final List<Seen> log = new ArrayList<>();
  private int index;

  public ReferenceTracer(World world, Setup setup) {
    this.world = world;
    this.setup = setup;
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
    for (Presses.Made made : typable.list()) {
      if (!made.stillHeld()) {
        openContext.clear();
        openModifiers.clear();
      }
      Physical press = made.what();
      Optional<Key> key = press.pressedKey();
      boolean lacks =
          key.isPresent()
              && !world.boards().get(setup.board()).has(key.get())
              && world.boards().get(setup.board()).withFn(key.get()).isEmpty();
      if (lacks) {
        end(0, "board", "drops", "", press, "nothing");
      } else {
        deliver(0, press);
      }
      index++;
    }
    begun.values().forEach(_ -> results.add("nothing"));
    return String.join(", ", results);
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

  private void deliver(int depth, Physical arriving) {
    Machine machine = machine(depth);
    Physical press = arriving;
    for (Remap remap : machine.remaps()) {
      if (remap.onlyIn().isPresent() && !remap.onlyIn().equals(machine.application())) {
        continue;
      }
      Optional<Physical> replaced = strokeRule(remap, press, depth);
      if (replaced.isPresent()) {
        if (!replaced.get().equals(press)) {
          see(depth, "remap", "changes", "", press);
        }
        press = replaced.get();
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
      press = changed.get();
    }
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
    for (String taker : List.of("desktop", "focus")) {
      String name = taker + depth;
      if (begun.containsKey(name) || openContext.containsKey(name)) {
        if (offer(depth, taker, press)) {
          return;
        }
        break;
      }
    }
    boolean captured = captured(depth, press);
    if (captured) {
      see(depth, "desktop", "passes", "captured", press);
    }
    if (!captured && offer(depth, "desktop", press)) {
      return;
    }
    afterDesktop(depth, press, captured);
  }

  private boolean captured(int depth, Physical press) {
    return machine(depth).focus() instanceof Machine.SessionWindow s
        && s.kept().stream().noneMatch(g -> sameStroke(g, press, depth))
        && (s.capture() == Machine.Capture.ALWAYS
            || (s.capture() == Machine.Capture.FULL_SCREEN && s.fullScreen())
            || s.sent().stream().anyMatch(g -> sameStroke(g, press, depth)));
  }

  private void afterDesktop(int depth, Physical press, boolean captured) {
    if (machine(depth).application().isPresent() && offer(depth, "focus", press)) {
      return;
    }
    afterFocus(depth, press, captured);
  }

  private void afterFocus(int depth, Physical press, boolean captured) {
    if (!(machine(depth).focus() instanceof Machine.SessionWindow s)) {
      type(depth, press);
      return;
    }
    boolean kept = s.kept().stream().anyMatch(g -> sameStroke(g, press, depth));
    if (kept || !s.forwards()) {
      if (!captured || !offer(depth, "desktop", press)) {
        end(depth, "session", "drops", "not handed on", press, "nothing");
      }
      return;
    }
    Optional<Physical> inward =
        s.translation().isPresent() ? keyRules(s.translation().get(), press) : Optional.of(press);
    if (inward.isPresent()) {
      see(depth, "session", inward.get().equals(press) ? "passes" : "changes", "", press);
      deliver(depth + 1, inward.get());
    } else {
      end(depth, "session", "drops", "left out", press, "nothing");
    }
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

  private boolean offer(int depth, String taker, Physical press) {
    String name = taker + depth;
    Physical seen = seen(depth, press);
    if (openContext.containsKey(name)) {
      Modifiers rest = seen.held().modifiers();
      for (Modifier m : openModifiers.get(name).list()) {
        rest = rest.without(m);
      }
      Physical inner = seen.with(rest);
      for (Rule rule : rules(depth, taker, openContext.get(name))) {
        if (rule.presses().size() == 1 && is(rule.presses().getFirst(), inner)) {
          took(depth, taker, rule, press);
          return true;
        }
      }
      end(depth, kindOf(depth, taker), "drops", "hold", press, "nothing");
      return true;
    }
    List<Physical> before = begun.remove(name);
    List<Physical> all = new ArrayList<>();
    if (before != null) {
      before.forEach(p -> all.add(seen(depth, p)));
    }
    all.add(seen);
    for (List<Rule> scope : scopes(depth, taker)) {
      // A sequence goes on in the scope that began it.
      if (before != null && !begins(scope, all.subList(0, before.size()))) {
        continue;
      }
      for (Rule rule : scope) {
        if (rule.presses().size() == all.size() && starts(rule, all)) {
          took(depth, taker, rule, press);
          rule.opens()
              .filter(c -> !rules(depth, taker, c).isEmpty())
              .ifPresent(
                  c -> {
                    openContext.put(name, c);
                    openModifiers.put(name, press.held().modifiers());
                  });
          return true;
        }
      }
      if (begins(scope, all)) {
        List<Physical> now = new ArrayList<>(before == null ? List.of() : before);
        now.add(press);
        begun.put(name, now);
        see(depth, kindOf(depth, taker), "holds", "", press);
        return true;
      }
      if (before != null) {
        break;
      }
    }
    if (before != null) {
      breakOff(depth, taker, before);
    } else if (!kindOf(depth, taker).equals("session")) {
      see(depth, kindOf(depth, taker), "passes", "", press);
    }
    return false;
  }

  private void took(int depth, String taker, Rule rule, Physical press) {
    end(
        depth,
        kindOf(depth, taker),
        "takes",
        rule.own() ? "own" : "",
        press,
        rule.environment() + "." + rule.action() + "@" + depth);
  }

  private void breakOff(int depth, String taker, List<Physical> before) {
    String id =
        taker.equals("desktop")
            ? machine(depth).platform().value()
            : machine(depth).application().orElseThrow().value();
    for (Physical held : before) {
      if (environment(id).whenBroken() == WhenBroken.SWALLOW) {
        end(depth, kindOf(depth, taker), "drops", "broken", held, "nothing");
      } else if (taker.equals("desktop")) {
        see(depth, "desktop", "passes", "broken", held);
        afterDesktop(depth, held, captured(depth, held));
      } else {
        see(depth, focusKind(depth), "passes", "broken", held);
        afterFocus(depth, held, captured(depth, held));
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
    for (Remap.StrokeRule rule : remap.strokeRules()) {
      Optional<List<Physical>> from = Presses.physical(rule.from(), layout(depth));
      Optional<List<Physical>> to = Presses.physical(rule.to(), layout(depth));
      if (from.isPresent() && to.isPresent() && is(from.get().getFirst(), press)) {
        return Optional.of(to.get().getFirst());
      }
    }
    return Optional.empty();
  }

  private static Optional<Physical> keyRules(Remap remap, Physical press) {
    if (press instanceof Physical.PointerPress || remap.keyRules().isEmpty()) {
      return Optional.of(press);
    }
    // Alone: nothing else takes part in the press.
    boolean alone =
        switch (press) {
          case Physical.Press p -> p.held().isNothing();
          case Physical.ModifierTap t -> t.modifiers().list().size() == 1;
          case Physical.PointerPress _ -> false;
        };
    List<Part> held = new ArrayList<>();
    for (Modifier m : press.held().modifiers().list()) {
      becomes(remap, new ModifierPart(m, press.held().modifiers().side(m)), alone)
          .ifPresent(held::add);
    }
    if (press instanceof Physical.Press p) {
      p.held().keys().forEach(k -> becomes(remap, new KeyPart(k), false).ifPresent(held::add));
    }
    Modifiers modifiers = Modifiers.NONE;
    List<Key> keys = new ArrayList<>();
    for (Part part : held) {
      if (part instanceof ModifierPart(Modifier m, Modifiers.Side side)) {
        modifiers = modifiers.and(Modifiers.of(m, side));
      } else if (part instanceof KeyPart(Key key)) {
        keys.add(key);
      }
    }
    if (press instanceof Physical.Press p) {
      Optional<Part> pressed = becomes(remap, new KeyPart(p.key()), alone);
      if (pressed.isEmpty()) {
        return Optional.empty();
      }
      if (pressed.get() instanceof ModifierPart(Modifier m, Modifiers.Side side)) {
        return Optional.of(new Physical.ModifierTap(modifiers.and(Modifiers.of(m, side))));
      }
      return Optional.of(
          new Physical.Press(new Held(modifiers, keys), ((KeyPart) pressed.get()).key()));
    }
    if (!keys.isEmpty()) {
      return Optional.of(new Physical.Press(Held.of(modifiers), keys.getFirst()));
    }
    return modifiers.isEmpty()
        ? Optional.empty()
        : Optional.of(new Physical.ModifierTap(modifiers));
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
