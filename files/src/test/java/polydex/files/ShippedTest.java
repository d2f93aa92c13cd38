package polydex.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import polydex.boards.Board;
import polydex.boards.Board.KeyPlace;
import polydex.boards.Layout;
import polydex.boards.Layout.Typing;
import polydex.boards.Presses;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Physical;
import polydex.mouse.MouseChoices;
import polydex.workspace.Workspace;

/** Boards, layouts and keymaps that ship. */
class ShippedTest {
  private static final Workspace START = Shipped.start();

  static List<Board> boards() {
    return List.copyOf(START.world().boards().values());
  }

  static List<Layout> layouts() {
    return List.copyOf(START.world().layouts().values());
  }

  private static boolean overlap(KeyPlace a, KeyPlace b) {
    double hair = 0.05;
    return a.x() + hair < b.x() + b.width()
        && b.x() + hair < a.x() + a.width()
        && a.y() + hair < b.y() + b.height()
        && b.y() + hair < a.y() + a.height();
  }

  @ParameterizedTest
  @MethodSource("boards")
  void keysOfABoardDoNotOverlapAndAreOfRealSize(Board board) {
    for (KeyPlace a : board.places()) {
      assertThat(a.width()).isBetween(9.0, 140.0);
      assertThat(a.height()).isBetween(9.0, 40.0);
      for (KeyPlace b : board.places()) {
        if (a.key() != b.key()) {
          assertThat(overlap(a, b)).as(a + " and " + b).isFalse();
        }
      }
    }
    board.fn().forEach((pressed, given) -> assertThat(board.has(pressed)).isTrue());
  }

  @ParameterizedTest
  @CsvSource({
    "full-ansi, 104, IntlBackslash, false",
    "full-iso, 105, IntlBackslash, true",
    "full-jis, 109, IntlYen, true",
    "tenkeyless-ansi, 87, Numpad0, false",
    "tenkeyless-iso, 88, IntlBackslash, true",
    "compact-ansi, 79, Home, false",
    "compact-iso, 80, IntlBackslash, true",
    "slate-lite, 0, Find, true",
  })
  void boardsHaveTheKeysThatTheirNamesPromise(String id, int keys, Key key, boolean has) {
    Board board = START.world().boards().get(id);
    long count =
        board.byKey().keySet().stream()
            .filter(k -> !k.name().startsWith("Audio") && !k.name().startsWith("Media"))
            .count();
    if (keys > 0) {
      assertThat(count).isEqualTo(keys);
    }
    assertThat(board.has(key)).isEqualTo(has);
    if (id.startsWith("compact")) {
      for (Key far : List.of(Key.Home, Key.End, Key.PageUp, Key.PageDown)) {
        assertThat(board.press(Physical.Press.of(far, Modifier.CTRL)))
            .hasValueSatisfying(p -> assertThat(p.held().modifiers().has(Modifier.FN)).isTrue());
      }
    }
    if (id.equals("slate-lite")) {
      assertThat(board.has(Key.CapsLock)).isFalse();
      assertThat(board.has(Key.F5)).isFalse();
      assertThat(board.press(Physical.Press.of(Key.ScrollLock))).isEmpty();
    }
  }

  /** Whatever a layout says of a character, typing it so gives it. */
  @ParameterizedTest
  @MethodSource("layouts")
  void aLayoutTypesWhatItSaysItTypes(Layout layout) {
    int typed = 0;
    for (int c = 0x21; c < 0x500; c++) {
      Optional<Typing> typing = layout.typing(c);
      if (typing.isPresent()) {
        assertThat(layout.typed(typing.get().key(), typing.get().level()))
            .hasValue(new Layout.Symbol(c, false));
        typed++;
      }
    }
    assertThat(typed).isGreaterThan(80);
    assertThat(layout.symbols().keySet())
        .contains(Key.KeyA, Key.Digit1, Key.Space, Key.Comma, Key.BracketLeft);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      quoteCharacter = '`',
      textBlock =
          """
          us      ; Ctrl+[  ; Ctrl+<BracketLeft>
          de      ; Ctrl+[  ; Ctrl+AltGr+<Digit8>
          de      ; Ctrl+Z  ; Ctrl+<KeyY>
          de      ; Ctrl+/  ; Ctrl+Shift+<Digit7>
          fr      ; Ctrl+A  ; Ctrl+<KeyQ>
          fr      ; Ctrl+1  ; Ctrl+Shift+<Digit1>
          ch      ; Ctrl+[  ; Ctrl+AltGr+<BracketLeft>
          es      ; Ctrl+'  ; Ctrl+<Minus>
          it      ; Ctrl+ò  ; Ctrl+<Semicolon>
          se      ; Ctrl+@  ; Ctrl+AltGr+<Digit2>
          pl      ; Ctrl+Ł  ; Ctrl+AltGr+<KeyL>
          br      ; Ctrl+/  ; Ctrl+<IntlRo>
          dvorak  ; Ctrl+S  ; Ctrl+<Semicolon>
          colemak ; Ctrl+S  ; Ctrl+<KeyD>
          jp      ; Ctrl+@  ; Ctrl+<BracketLeft>
          jp      ; Ctrl+_  ; Ctrl+Shift+<IntlRo>
          gr      ; Ctrl+α  ; Ctrl+<KeyA>
          ua      ; Ctrl+ї  ; Ctrl+<BracketRight>
          uk      ; Ctrl+#  ; Ctrl+<Backslash>
          us-intl ; Ctrl+€  ; Ctrl+AltGr+<Digit5>
          """)
  void charactersCostWhatTheyCostOnEachLayout(String layout, String gesture, String strokes) {
    String asked = gesture.strip().replace("'", "'''");
    Presses presses = Presses.of(Gesture.parse(asked), START.world().layouts().get(layout));
    assertThat(presses).isInstanceOf(Presses.Typable.class);
    Physical press = ((Presses.Typable) presses).physical().getFirst();
    assertThat(press.held() + "+<" + press.pressedKey().orElseThrow() + ">")
        .isEqualTo(strokes.strip());
  }

  @Test
  void deadKeysTypeInTextsButAreNoKeysOfStrokes() {
    Layout intl = START.world().layouts().get("us-intl");
    assertThat(Presses.physical(Gesture.parse("Ctrl+^"), intl).orElseThrow())
        .as("the dead one is on Shift+6; the sign by itself costs AltGr too")
        .containsExactly(
            Physical.Press.of(Key.Digit6, Modifier.CTRL, Modifier.SHIFT, Modifier.ALTGR));
    Layout german = START.world().layouts().get("de");
    assertThat(Presses.of(Gesture.parse("Ctrl+^"), german))
        .isEqualTo(new Presses.Untypable("“^” is a dead key on the German layout."));
    Presses word = Presses.of(Gesture.parse("\"né\""), START.world().layouts().get("es"));
    assertThat(((Presses.Typable) word).physical())
        .extracting(p -> p.pressedKey().orElseThrow())
        .containsExactly(Key.KeyN, Key.Quote, Key.KeyE);
    assertThat(intl.composing('ñ').orElseThrow()).hasSize(2);
    assertThat(intl.composing('x')).isEmpty();
  }

  /** In one context of a standard no gesture does two things, and opposites point back. */
  @ParameterizedTest
  @CsvSource({"desktop-conventions, 75", "aria-widgets, 130", "readline-emacs, 70"})
  void keymapsOfStandardsAreInOrder(String id, int least) {
    Catalog catalog = START.catalog();
    Environment environment = catalog.environment(new EnvironmentId(id)).orElseThrow();
    assertThat(environment.source()).isNotBlank();
    Map<String, ActionId> does = new HashMap<>();
    Set<ActionId> actions =
        catalog.bindings(new EnvironmentId(id)).stream()
            .map(Binding::action)
            .collect(Collectors.toSet());
    assertThat(actions).hasSizeGreaterThan(least);
    List<String> twice = new ArrayList<>();
    for (Binding binding : catalog.bindings(new EnvironmentId(id))) {
      for (Gesture member : binding.gesture().expand()) {
        ActionId other = does.put(binding.context() + ": " + member, binding.action());
        if (other != null && !other.equals(binding.action())) {
          twice.add(binding.context() + ": " + member);
        }
        assertThat(Presses.of(member, START.world().layouts().get("us")))
            .as(member.toString())
            .isInstanceOf(Presses.Typable.class);
      }
    }
    assertThat(twice).isEmpty();
    for (ActionId action : actions) {
      Optional<ActionId> opposite = catalog.action(action).flatMap(Action::opposite);
      opposite.ifPresent(
          o ->
              assertThat(catalog.action(o).flatMap(Action::opposite))
                  .as(action.value())
                  .isPresent());
    }
  }

  @Test
  void everyKeymapUsesMoreOfTheModelThanGestures() {
    Catalog demo = Shipped.demo().catalog();
    assertThat(demo.environments()).anySatisfy(e -> assertThat(e.menus()).hasSizeGreaterThan(1));
    for (Environment environment : demo.environments()) {
      // Every way with the pointer leads to one action, which there is.
      Map<List<String>, String> ways = new HashMap<>();
      for (Environment.PointerRoute r : environment.pointerRoutes()) {
        assertThat(demo.action(r.action())).as(r.action().value()).isPresent();
        assertThat(ways.put(r.path(), r.action().value()))
            .as("%s %s", environment.id(), r.path())
            .isNull();
        assertThat(r.operators()).as(r.action().value()).isNotBlank();
      }
      environment
          .tabOrder()
          .forEach(c -> assertThat(demo.action(c.action())).as(c.title()).isPresent());
      environment
          .platform()
          .ifPresent(p -> assertThat(p.ownBindings()).as(environment.id().value()).isPresent());
    }
    MouseChoices said = Shipped.demo().mouse();
    assertThat(said.names().values().stream().flatMap(Optional::stream))
        .isNotEmpty()
        .allMatch(a -> demo.action(a).isPresent());
    assertThat(said.kept().keySet())
        .isNotEmpty()
        .allMatch(p -> Shipped.demo().setups().containsKey(p.setup()))
        .allMatch(p -> p.action().flatMap(demo::action).isPresent());
    assertThat(demo.actions()).anyMatch(Action::toggles);
    for (Action action : demo.actions()) {
      action
          .opposite()
          .ifPresent(o -> assertThat(demo.action(o)).as(action.id().value()).isPresent());
    }
  }
}
