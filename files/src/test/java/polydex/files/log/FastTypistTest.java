package polydex.files.log;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import polydex.boards.Layout;
import polydex.catalog.Catalog;
import polydex.files.Shipped;
import polydex.files.store.Store;
import polydex.keys.Gesture;
import polydex.keys.Key;
import polydex.keys.KeyRef;
import polydex.keys.Modifiers;
import polydex.keys.Step;
import polydex.log.LogEvent;
import polydex.log.LogIntake;
import polydex.log.LogLine;
import polydex.person.Knowledge;
import polydex.recognition.Recogniser;
import polydex.route.World;
import polydex.workspace.Workspace;

/**
 * Somebody types secrets on every layout that ships, in every way in which characters are typed,
 * fast enough that keys overlap, and a recorder writes down what it saw as best it can. Nothing of
 * it may be found again: not in the bytes of the file, nor by whoever puts the strokes in a row.
 */
class FastTypistTest {
  private static final Instant NOW = Instant.parse("2031-03-14T16:00:00Z");
  private static final String LETTERS = "qxzjvkwybpfgmhdculnrsiotae";

  /** In which a recorder may have put one character or several. */
  private enum Way {
    PLAIN,
    PLACES,
    ONE_GESTURE,
    ROLLOVER_HOLD,
    ROLLOVER_EACH,
    LOCK_HELD,
    CTRL_STILL_DOWN,
    CTRL_EACH,
    PAD_EACH,
    PAD_HOLD,
    HEX_HOLD,
    HEX_EACH,
    HEX_THEN_PLAIN,
    ALTGR_AS_TWO,
    HYPER,
    QUOTED
  }

  /** In which each stroke by itself may be a command that some keymap knows. */
  private static final Set<Way> COMMANDS = EnumSet.of(Way.CTRL_EACH, Way.ALTGR_AS_TWO);

  @TempDir Path folder;

  private final Random random = new Random(12);
  private final Map<Way, Integer> used = new EnumMap<>(Way.class);
  private long millis;

  private String secret() {
    return random
        .ints(12, 0, LETTERS.length())
        .mapToObj(i -> String.valueOf(LETTERS.charAt(i)))
        .collect(Collectors.joining());
  }

  /** A character as a stroke of a layout: by its sign or its place, at its level. */
  private static Optional<String> stroke(Layout layout, int c, boolean places) {
    return layout
        .typing(c)
        .map(
            t -> {
              String held = t.level().isEmpty() ? "" : t.level() + "+";
              return held + (places ? "<" + t.key().name() + ">" : Character.toString(c));
            });
  }

  private static String place(Layout layout, int c) {
    return "<" + layout.typing(c).map(t -> t.key().name()).orElse("KeyX") + ">";
  }

  private List<String> lines(Way way, Layout layout, String text) {
    used.merge(way, 1, Integer::sum);
    List<String> plain =
        text.codePoints()
            .mapToObj(c -> stroke(layout, c, random.nextBoolean()))
            .flatMap(Optional::stream)
            .toList();
    List<String> places = text.codePoints().mapToObj(c -> place(layout, c)).toList();
    String first = places.getFirst();
    String rest = String.join(" ", places.subList(1, places.size()));
    return switch (way) {
      case PLAIN -> plain;
      case PLACES -> places;
      case ONE_GESTURE -> List.of(String.join(" ", plain));
      case ROLLOVER_HOLD -> List.of("%s(%s)".formatted(first, rest));
      case ROLLOVER_EACH -> each(places, i -> places.get(i - 1) + "+" + places.get(i));
      case LOCK_HELD -> List.of("<CapsLock>(%s)".formatted(String.join(" ", places)));
      case CTRL_STILL_DOWN -> List.of("Ctrl(C %s)".formatted(String.join(" ", places)));
      case CTRL_EACH -> each(places, i -> modifier() + "+" + places.get(i));
      case PAD_EACH -> digits(text, 10).stream().map(d -> "Alt+<Numpad" + d + ">").toList();
      case PAD_HOLD ->
          List.of(
              "Alt(%s)"
                  .formatted(
                      digits(text, 10).stream()
                          .map(d -> "<Numpad" + d + ">")
                          .collect(Collectors.joining(" "))));
      case HEX_HOLD ->
          text.codePoints()
              .mapToObj(c -> "Ctrl+Shift(U %s)".formatted(String.join(" ", hex(c))))
              .toList();
      case HEX_EACH ->
          text.codePoints()
              .boxed()
              .flatMap(
                  c ->
                      Stream.concat(
                          Stream.of("Ctrl+Shift+U"), hex(c).stream().map(d -> "Ctrl+Shift+" + d)))
              .toList();
      case HEX_THEN_PLAIN ->
          text.codePoints()
              .mapToObj(c -> "Ctrl+Shift+U %s Enter".formatted(String.join(" ", hex(c))))
              .toList();
      case ALTGR_AS_TWO -> each(places, i -> "Ctrl+Alt+" + places.get(i));
      case HYPER -> each(places, i -> "Hyper+" + places.get(i));
      case QUOTED -> List.of("\"%s\"".formatted(text));
    };
  }

  private String modifier() {
    return List.of("Ctrl", "Alt", "Meta", "Ctrl+Shift").get(random.nextInt(4));
  }

  private static List<String> each(List<String> places, IntFunction<String> how) {
    List<String> all = new ArrayList<>();
    for (int i = 1; i < places.size(); i++) {
      all.add(how.apply(i));
    }
    return all;
  }

  private static List<String> digits(String text, int radix) {
    return text.codePoints()
        .boxed()
        .flatMap(c -> Integer.toString(c, radix).chars().mapToObj(d -> String.valueOf((char) d)))
        .toList();
  }

  private static List<String> hex(int c) {
    return List.of(String.format("%04x", c).split(""));
  }

  private LogLine line(String input) {
    millis += 40 + random.nextInt(200);
    return new LogLine(
        NOW.minusSeconds(80_000).plusMillis(millis).toString(),
        "APP",
        "keyboard",
        input,
        "",
        "",
        "",
        "",
        "",
        "");
  }

  private static List<String> threes(String text) {
    List<String> all = new ArrayList<>();
    for (int i = 0; i + 3 <= text.length(); i++) {
      all.add(text.substring(i, i + 3));
    }
    return all;
  }

  private static Set<String> threesOf(Path file) throws Exception {
    Set<String> all = new HashSet<>();
    for (String end : List.of("", "-wal")) {
      if (Files.exists(Path.of(file + end))) {
        all.addAll(threes(Files.readString(Path.of(file + end), StandardCharsets.ISO_8859_1)));
      }
    }
    return all;
  }

  /** The characters that the keys of events type on a layout, whatever is held with them. */
  private static String spelled(List<LogEvent> events, Layout layout) {
    StringBuilder all = new StringBuilder();
    for (LogEvent e : events) {
      if (!e.deed().input().isEmpty()) {
        Gesture.parse(e.deed().input()).steps().forEach(s -> spell(s, layout, all));
      }
    }
    return all.toString();
  }

  private static void spell(Step step, Layout layout, StringBuilder all) {
    switch (step) {
      case Step.Stroke s -> {
        s.held().keys().forEach(k -> spell(k, layout, all));
        switch (s.key()) {
          case KeyRef.Typed(int c) -> all.appendCodePoint(Character.toLowerCase(c));
          case KeyRef.Placed(Key k) -> spell(k, layout, all);
          case KeyRef.AnyOf _ -> throw new AssertionError(step);
        }
      }
      case Step.Hold h -> {
        h.held().keys().forEach(k -> spell(k, layout, all));
        h.inner().forEach(i -> spell(i, layout, all));
      }
      case Step.Text t -> all.append(t.text());
      case Step.Tap _, Step.Pointing _ -> {}
    }
  }

  private static void spell(Key key, Layout layout, StringBuilder all) {
    if (key.name().startsWith("Numpad")) {
      all.append(key.name().substring(6));
    } else {
      layout.typed(key, Modifiers.NONE).ifPresent(s -> all.appendCodePoint(s.codePoint()));
    }
  }

  @Test
  void nothingThatWasTypedIsFoundAgain() throws Exception {
    Workspace demo = Shipped.demo();
    World nothing = new World(Catalog.EMPTY, Map.of(), Map.of());
    for (Layout layout : Shipped.layouts()) {
      Path file = folder.resolve(layout.id() + ".polydex");
      Store.open(file).close();
      Set<String> before = threesOf(file);
      List<String> secrets = new ArrayList<>();
      try (Store store = Store.open(file)) {
        for (int round = 0; round < 60; round++) {
          Way way = Way.values()[round % Way.values().length];
          // No keymap is known, or those of the demo, whose commands are let through.
          boolean known = !COMMANDS.contains(way) && random.nextBoolean();
          LogIntake intake =
              new LogIntake(
                  ZoneOffset.UTC,
                  NOW,
                  known
                      ? Knowledge.recogniser(demo)
                      : new Recogniser(nothing, List.of(), Map.of()));
          String secret = secret();
          secrets.add(secret);
          List<LogEvent> events = new ArrayList<>();
          for (String input : lines(way, layout, secret)) {
            switch (intake.take(line(input))) {
              case LogIntake.Event(LogEvent event) -> events.add(event);
              case LogIntake.Refused(String reason) ->
                  assertThat(reason).startsWith("The keys can't be read;");
            }
          }
          store.add(events, 0);
          String kept = spelled(events, layout);
          assertThat(threes(secret)).as(way + " on " + layout.id()).noneMatch(kept::contains);
          if (way.name().startsWith("PAD") || way.name().startsWith("HEX_")) {
            assertThat(kept.replaceAll("[uU]|Enter", "")).as(way.name()).isEmpty();
          }
        }
      }
      Set<String> after = threesOf(file);
      after.removeAll(before);
      // What such a file always says, in names of modifiers and keys.
      String always = "ctrl+shift+meta+alt+<key<numpad<digit>";
      for (String secret : secrets) {
        assertThat(threes(secret)).filteredOn(t -> !always.contains(t)).noneMatch(after::contains);
      }
    }
    assertThat(used).hasSize(Way.values().length);
  }
}
