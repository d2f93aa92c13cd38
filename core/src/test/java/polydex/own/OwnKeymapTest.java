package polydex.own;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.Tuple;
import net.jqwik.api.Tuple.Tuple2;
import org.junit.jupiter.api.Test;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.Successors;
import polydex.catalog.Version;
import polydex.keys.Gesture;

class OwnKeymapTest {
  private static final Gesture F11 = Gesture.parse("F11");

  @Test
  void everyCommandIsThereWithItsUsualKeysInEachContext() {
    Catalog usual = OwnKeymap.usual();
    assertThat(OwnKeymap.changed(usual)).isEmpty();
    Set<String> titles = new HashSet<>();
    for (OwnKey key : OwnKey.values()) {
      assertThat(key.usual()).as(key.name()).allMatch(g -> g.isStroke() && !g.isFamily());
      assertThat(usual.title(key.action())).isEqualTo(key.title());
      for (OwnContext context : key.contexts()) {
        assertThat(
                usual.bindings(OwnKeymap.ID, key.action()).stream()
                    .filter(b -> b.context().equals(context.id()))
                    .map(Binding::gesture))
            .isEqualTo(key.usual());
        // Two commands of one context are told apart by what they are called, too.
        assertThat(titles.add(context + key.title())).as(key.name()).isTrue();
      }
      assertThat(usual.bindings(OwnKeymap.ID, key.action()))
          .allMatch(b -> b.remarks().fixed() == key.isFixed());
    }
    for (OwnContext context : OwnContext.values()) {
      context.parent().ifPresent(p -> assertThat(p).isLessThan(context));
    }
  }

  /** Whatever is changed in whatever order, each command has what it was given last. */
  @Property(tries = 200)
  void eachHasWhatItWasGivenLast(@ForAll("changes") List<Tuple2<OwnKey, List<Gesture>>> changes) {
    Catalog catalog = OwnKeymap.usual();
    Map<OwnKey, List<Gesture>> last = new HashMap<>();
    for (var change : changes) {
      catalog = OwnKeymap.with(catalog, change.get1(), change.get2());
      last.put(change.get1(), change.get2().stream().distinct().toList());
    }
    Map<OwnKey, List<Gesture>> now = OwnKeymap.gestures(catalog);
    for (OwnKey key : OwnKey.values()) {
      assertThat(now.get(key)).as(key.name()).isEqualTo(last.getOrDefault(key, key.usual()));
    }
    assertThat(OwnKeymap.in(catalog)).isSameAs(catalog);
    assertThat(OwnKeymap.changed(OwnKeymap.reset(catalog))).isEmpty();
    assertThat(OwnKeymap.reset(catalog).bindings(OwnKeymap.ID))
        .isEqualTo(OwnKeymap.usual().bindings(OwnKeymap.ID));
  }

  @Provide
  Arbitrary<List<Tuple2<OwnKey, List<Gesture>>>> changes() {
    List<OwnKey> changeable = Stream.of(OwnKey.values()).filter(k -> !k.isFixed()).toList();
    return Combinators.combine(
            Arbitraries.of(changeable),
            Arbitraries.of("F11", "Ctrl+Alt+K", "Ctrl+Z", "F1", "Shift+F3")
                .map(Gesture::parse)
                .list()
                .ofMaxSize(3))
        .as(Tuple::of)
        .list()
        .ofMaxSize(8);
  }

  @Test
  void aFileKeepsItsKeysWhenTheTableGrows() {
    Catalog changed =
        OwnKeymap.with(
            OwnKeymap.with(OwnKeymap.usual(), OwnKey.FIND, List.of()), OwnKey.THEME, List.of(F11));
    // As an older program left it: it did not know QUIT, and had a command that is gone now.
    Environment older =
        changed
            .environment(OwnKeymap.ID)
            .orElseThrow()
            .titled("Polydex of old")
            .at(new Version("0"));
    ActionId gone = new ActionId("program.gone");
    Catalog old =
        changed
            .without(OwnKeymap.ID)
            .without(OwnKey.QUIT.action())
            .with(
                List.of(Action.of(gone, "Gone", "Polydex")),
                List.of(older),
                Map.of(
                    OwnKeymap.ID,
                    Stream.concat(
                            changed.bindings(OwnKeymap.ID).stream()
                                .filter(b -> !b.action().equals(OwnKey.QUIT.action())),
                            Stream.of(Binding.of("gone", gone, F11)))
                        .toList()));
    Catalog now = OwnKeymap.in(old);
    assertThat(OwnKeymap.changed(now)).containsExactly(OwnKey.FIND, OwnKey.THEME);
    assertThat(OwnKeymap.gestures(now).get(OwnKey.FIND)).isEmpty();
    assertThat(OwnKeymap.gestures(now).get(OwnKey.QUIT)).isEqualTo(OwnKey.QUIT.usual());
    assertThat(now.bindings(OwnKeymap.ID)).noneMatch(b -> b.action().equals(gone));
    assertThat(now.environment(OwnKeymap.ID).orElseThrow().title()).isEqualTo("Polydex");
  }

  /** What a user may do to any keymap leaves every command with its keys. */
  @Test
  void takenAwayJoinedOrCalledOtherwiseItsCommandsWork() {
    Catalog away = OwnKeymap.usual().without(OwnKeymap.ID);
    assertThat(OwnKeymap.changed(away)).isEmpty();
    assertThat(OwnKeymap.changed(OwnKeymap.in(away))).isEmpty();
    assertThat(OwnKeymap.in(away).bindings(OwnKeymap.ID))
        .isEqualTo(OwnKeymap.usual().bindings(OwnKeymap.ID));

    Action find = OwnKeymap.usual().action(OwnKey.FIND.action()).orElseThrow().titled("Seek");
    Catalog called = OwnKeymap.usual().with(List.of(find), List.of(), Map.of());
    assertThat(OwnKeymap.in(called)).isSameAs(called);

    ActionId undo = new ActionId("edit.undo");
    Catalog joined =
        called
            .with(List.of(Action.of(undo, "Undo", "Editing")), List.of(), Map.of())
            .withBindings(
                OwnKeymap.ID,
                called.bindings(OwnKeymap.ID).stream()
                    .map(b -> b.action().equals(OwnKey.UNDO.action()) ? b.doing(undo) : b)
                    .toList())
            .without(OwnKey.UNDO.action());
    Action was = called.action(OwnKey.UNDO.action()).orElseThrow();
    joined = joined.with(Successors.NONE.and(new Successors.Joined(was, undo, Set.of())));
    assertThat(OwnKeymap.in(joined)).isSameAs(joined);
    assertThat(OwnKeymap.changed(joined)).isEmpty();
    Catalog other = OwnKeymap.with(joined, OwnKey.UNDO, List.of(F11));
    assertThat(OwnKeymap.gestures(other).get(OwnKey.UNDO)).containsExactly(F11);
    assertThat(OwnKeymap.changed(OwnKeymap.reset(other))).isEmpty();
  }

  @Test
  void howToGoOnAndHowToLeaveStay() {
    assertThatThrownBy(() -> OwnKeymap.with(OwnKeymap.usual(), OwnKey.CLOSE, List.of(F11)))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(
            () ->
                OwnKeymap.with(
                    OwnKeymap.usual(), OwnKey.FIND, List.of(Gesture.parse("Ctrl+K Ctrl+S"))))
        .isInstanceOf(IllegalArgumentException.class);
    // Nor by an edit of the keymap as of any other.
    Catalog edited =
        OwnKeymap.usual()
            .withBindings(
                OwnKeymap.ID,
                OwnKeymap.usual().bindings(OwnKeymap.ID).stream()
                    .filter(b -> !b.action().equals(OwnKey.CLOSE.action()))
                    .toList());
    assertThat(OwnKeymap.gestures(edited).get(OwnKey.CLOSE)).isEqualTo(OwnKey.CLOSE.usual());
  }
}
