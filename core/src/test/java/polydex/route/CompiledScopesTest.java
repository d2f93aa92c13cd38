package polydex.route;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.statistics.Statistics;
import polydex.boards.Keyboards;
import polydex.boards.Presses;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Environment.Platform;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.keys.Physical;

/** The sorted rows of all contexts against the tries of each, press by press. */
class CompiledScopesTest {
  private static final EnvironmentId APP = new EnvironmentId("app");
  private static final List<String> KEYS = List.of("A", "B", "Ctrl+A", "AltGr+Q", "Ctrl+Alt+Q");

  @Property(seed = "20310314", tries = 2_000, edgeCases = EdgeCasesMode.NONE)
  void everyStepLeadsWhereTheTrieDoes(@ForAll long seed) {
    Random random = new Random(seed);
    List<Binding> bindings = new ArrayList<>();
    for (int i = 1 + random.nextInt(30); i > 0; i--) {
      bindings.add(
          Binding.of("b" + i, new ActionId("a" + i), gesture(random), "c" + random.nextInt(3)));
    }
    Platform platform = random.nextBoolean() ? Worlds.altGrIsCtrlAlt() : Worlds.plain();
    BitSet off = new BitSet();
    for (int i = 0; i < bindings.size(); i++) {
      off.set(i, random.nextInt(6) == 0);
    }
    CompiledKeymap keymap = keymap(bindings);
    CompiledScopes scopes = keymap.scopes(platform, off);
    Map<String, Scope> tries = tries(bindings, platform, off);
    for (int i = 0; i < 20; i++) {
      String context = "c" + random.nextInt(3);
      int number = keymap.contextNumber(context);
      Scope trie = tries.getOrDefault(context, new Scope());
      int likely = random.nextInt(bindings.size());
      follow(random, platform, keymap, scopes, number, trie, likely);
    }
    assertThat(alike(keymap, scopes)).isEqualTo(alikeBySearching(keymap, off));
  }

  private static void follow(
      Random random,
      Platform platform,
      CompiledKeymap keymap,
      CompiledScopes scopes,
      int context,
      Scope trie,
      int likely) {
    int[] pressed = new int[5];
    int at = CompiledScopes.NOWHERE;
    List<Scope.Node> nodes = List.of();
    for (int length = 1; length <= 4; length++) {
      Physical press = press(KEYS.get(random.nextInt(KEYS.size())), platform);
      pressed[length - 1] = scopes.numberOf(press);
      nodes = length == 1 ? trie.first(press) : Scope.next(nodes, press);
      int after;
      if (length == 1) {
        at = scopes.first(context, pressed[0]);
        if (context >= 0 && pressed[0] >= 0) {
          assertThat(scopes.first(context, pressed[0], likely)).isEqualTo(at);
        }
        after = at < 0 ? CompiledScopes.NOTHING : scopes.afterFirst(at, context);
      } else if (length == 2) {
        int begin = at;
        at = scopes.second(begin, pressed[1], context);
        assertThat(scopes.second(begin, pressed[1], context, likely)).isEqualTo(at);
        after = at < 0 ? CompiledScopes.NOTHING : scopes.afterSecond(at);
      } else {
        after =
            pressed[length - 1] < 0
                ? CompiledScopes.NOTHING
                : scopes.further(at, pressed, length, context);
      }
      String on = Scope.goesOn(nodes) ? "on" : "nothing";
      String expected = Scope.bound(nodes).map(b -> b.binding().id()).orElse(on);
      String found =
          after >= 0
              ? keymap.binding(after).id()
              : after == CompiledScopes.GOES_ON ? "on" : "nothing";
      assertThat(found).as("%s presses", length).isEqualTo(expected);
      Statistics.label("step " + length).collect(found.startsWith("b") ? "bound" : found);
      if (after != CompiledScopes.GOES_ON) {
        return;
      }
    }
  }

  private static Gesture gesture(Random random) {
    StringBuilder steps = new StringBuilder();
    for (int i = 1 + random.nextInt(4); i > 0; i--) {
      steps.append(KEYS.get(random.nextInt(KEYS.size()))).append(' ');
    }
    return Gesture.parse(steps.toString().strip());
  }

  private static CompiledKeymap keymap(List<Binding> bindings) {
    return CompiledKeymap.apart(bindings, Keyboards.CENTRAL);
  }

  private static Physical press(String stroke, Platform platform) {
    Physical press =
        Presses.physical(Gesture.parse(stroke), Keyboards.CENTRAL).orElseThrow().getFirst();
    return press.with(platform.asMatched(press.held().modifiers()).eitherSide());
  }

  private static Map<String, Scope> tries(List<Binding> bindings, Platform platform, BitSet off) {
    Map<String, Scope> tries = new HashMap<>();
    for (int i = 0; i < bindings.size(); i++) {
      if (!off.get(i)) {
        Binding b = bindings.get(i);
        List<Physical> presses =
            Presses.physical(b.gesture(), Keyboards.CENTRAL).orElseThrow().stream()
                .map(p -> p.with(platform.asMatched(p.held().modifiers())))
                .toList();
        tries.computeIfAbsent(b.context(), _ -> new Scope()).add(presses, APP, b, false);
      }
    }
    return tries;
  }

  /** Each two rows of a context on the same presses, as they are told to be likely. */
  private static List<List<Integer>> alike(CompiledKeymap keymap, CompiledScopes scopes) {
    List<List<Integer>> found = new ArrayList<>();
    scopes.forEachAlike(
        (rows, count) -> {
          for (int i = 0; i < count; i++) {
            for (int k = i + 1; k < count; k++) {
              if (samePresses(keymap, rows[i], rows[k])) {
                found.add(List.of(rows[i], rows[k]));
              }
            }
          }
        });
    found.sort((a, b) -> a.toString().compareTo(b.toString()));
    return found;
  }

  private static List<List<Integer>> alikeBySearching(CompiledKeymap keymap, BitSet off) {
    List<List<Integer>> found = new ArrayList<>();
    for (int i = 0; i < keymap.rows(); i++) {
      for (int k = i + 1; k < keymap.rows(); k++) {
        boolean on = !off.get(keymap.bindingNumber(i)) && !off.get(keymap.bindingNumber(k));
        if (on && keymap.context(i) == keymap.context(k) && samePresses(keymap, i, k)) {
          found.add(List.of(i, k));
        }
      }
    }
    found.sort((a, b) -> a.toString().compareTo(b.toString()));
    return found;
  }

  private static boolean samePresses(CompiledKeymap keymap, int one, int other) {
    boolean same = keymap.length(one) == keymap.length(other);
    for (int i = 0; same && i < keymap.length(one); i++) {
      same = keymap.press(one, i) == keymap.press(other, i);
    }
    return same;
  }
}
