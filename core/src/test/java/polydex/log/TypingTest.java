package polydex.log;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import polydex.catalog.ActionId;
import polydex.keys.Gesture;
import polydex.recognition.Recogniser;
import polydex.route.Setup;
import polydex.route.World;
import polydex.route.Worlds;

/** What comes in through the one door, and what is stopped there. */
class TypingTest {
  private static final Instant NOW = Instant.parse("2031-03-14T16:00:00Z");
  private static final World WORLD =
      new Worlds()
          .platform("desk", Worlds.plain(), "Ctrl+L = lock")
          .app("edit", "Ctrl+K S = sort")
          .build();
  private static final Setup SETUP =
      Worlds.setup(Worlds.machine("desk", Worlds.in("edit", "anywhere")));

  private static final List<String> REASONS =
      List.of(
          "The keys can't be read; they are written as Ctrl+Shift+S or typed 12.",
          "The input of a keyboard is one gesture of keys.");

  private static LogIntake intake(ZoneId zone) {
    return new LogIntake(zone, NOW, new Recogniser(WORLD, List.of(SETUP), Map.of()));
  }

  private static LogLine keys(String input) {
    return new LogLine("2031-03-14T09:00:00Z", "edit", "keyboard", input, "", "", "", "", "", "");
  }

  private static LogIntake.Taken take(String input) {
    return intake(ZoneOffset.UTC).take(keys(input));
  }

  /** Where a modifier types symbols, what nobody binds with it is writing, and is not kept. */
  @Test
  void strokesThatWriteAreWritingUnlessSomethingIsBoundToThem() {
    World world =
        new Worlds().platform("desk", Worlds.altTypes()).app("edit", "Alt+E = export").build();
    Setup setup = Worlds.setup(Worlds.machine("desk", "central", Worlds.in("edit", "anywhere")));
    LogIntake intake =
        new LogIntake(ZoneOffset.UTC, NOW, new Recogniser(world, List.of(setup), Map.of()));
    LogIntake.Event written = (LogIntake.Event) intake.take(keys("Alt+Q"));
    assertThat(written.event().deed().isTyping()).isTrue();
    assertThat(written.event().deed().input()).isEmpty();
    assertThat(written.event().characters()).isEqualTo(1);
    LogIntake.Event bound = (LogIntake.Event) intake.take(keys("Alt+E"));
    assertThat(bound.event().deed().input()).isEqualTo("Alt+E");
    assertThat(bound.event().characters()).isZero();
  }

  @ParameterizedTest
  @CsvSource({
    "a, '', 1",
    "Shift+A, '', 1",
    "AltGr+Q, '', 1",
    "Space, '', 1",
    "Numpad7, '', 1",
    "<KeyQ>, '', 1",
    "'\"pass\"', '', 4",
    "'A B C', '', 3",
    "Ctrl+K B, Ctrl+K, 1",
    "'Ctrl+R \"notes\" Enter', Ctrl+R, 5",
    "Shift(A B), '', 2",
    "Ctrl+S, Ctrl+S, 0",
    "Ctrl+K Ctrl+S, Ctrl+K Ctrl+S, 0",
    "Enter, Enter, 0",
    "Shift+F10, Shift+F10, 0",
    "Alt(Tab Tab), Alt(Tab Tab), 0",
    "Shift*2, Shift*2, 0",
    "NumpadEnter, NumpadEnter, 0",
    "<KeyP>(A S S W O R D), '', 8",
    "<KeyP>+A, '', 2",
    "<KeyP>+Enter, '', 1",
    "<CapsLock>+S, '', 1",
    "Ctrl+<KeyP>+S, '', 2",
    "Ctrl(P A S S), '', 4",
    "Ctrl+K Ctrl+S Ctrl+A, '', 3",
    "Ctrl+AltGr+Q, '', 1",
    "Hyper+K, '', 1",
    "Meta+<Space>+K, '', 2",
    "Alt+<Numpad4>, '', 1",
    "Alt(<Numpad0> <Numpad9> <Numpad7>), '', 3",
    "Ctrl+Shift(U 0 0 6 1), '', 5",
    "Ctrl+Shift+U 0 0 E 9, Ctrl+Shift+U, 4",
    "'\"no\" Ctrl+P Ctrl+A', '', 4",
  })
  void onlyWhatIsNoWritingIsKept(String gesture, String kept, int characters) {
    Typing typing = Typing.in(Gesture.parse(gesture));
    assertThat(typing.kept().map(Gesture::toString).orElse("")).isEqualTo(kept);
    assertThat(typing.characters()).isEqualTo(characters);
  }

  @Property(tries = 500)
  void nothingOfATextComesThroughTheDoor(@ForAll @StringLength(min = 1, max = 60) String text) {
    String secret = text.replaceAll("[\"\\\\\\p{Cntrl}]", "x");
    // However a recorder may write it: quoted, as it is, or letter by letter.
    for (String input :
        List.of("\"" + secret + "\"", secret, String.join(" ", secret.strip().split("")))) {
      switch (take(input)) {
        case LogIntake.Refused(String reason) -> assertThat(reason).isIn(REASONS);
        case LogIntake.Event(LogEvent e) -> {
          if (!e.deed().isTyping()) {
            // A word that names a key, such as "up", is that key.
            Typing again = Typing.in(Gesture.parse(e.deed().input()));
            assertThat(again.characters()).isZero();
          }
          assertThat(e.deed().way()).isEmpty();
        }
      }
    }
    assertThat(take("\"" + secret + "\""))
        .isEqualTo(
            new LogIntake.Event(
                new LogEvent(
                    Instant.parse("2031-03-14T09:00:00Z"),
                    Deed.typing("", "edit"),
                    secret.codePointCount(0, secret.length()),
                    Double.NaN,
                    Double.NaN,
                    Double.NaN)));
  }

  @Test
  void aCommandThatEndsInALetterIsKeptAsWhatItDid() {
    assertThat(((LogIntake.Event) take("Ctrl+K S")).event().deed())
        .isEqualTo(
            new Deed(
                "",
                "edit",
                Device.KEYBOARD,
                "Ctrl+K",
                "",
                List.of(),
                Optional.of(new ActionId("sort"))));
    LogEvent other = ((LogIntake.Event) take("Ctrl+K B")).event();
    assertThat(other.deed()).isEqualTo(Deed.typing("", "edit"));
    assertThat(other.characters()).isEqualTo(1);
  }

  private static List<String> kept(LogIntake intake, int apart, String... inputs) {
    List<String> kept = new ArrayList<>();
    Instant at = NOW.minusSeconds(5000);
    for (String input : inputs) {
      at = at.plusSeconds(apart);
      LogLine line =
          input.equals("Click")
              ? new LogLine(at.toString(), "edit", "mouse", "Click", "Save", "", "", "", "", "")
              : new LogLine(at.toString(), "edit", "keyboard", input, "", "", "", "", "", "");
      LogEvent event = ((LogIntake.Event) intake.take(line)).event();
      kept.add(event.deed().isTyping() ? "-" : event.deed().input());
    }
    return kept;
  }

  /** What could be a command by itself is none as part of what is spelled out. */
  @Test
  void noThirdStrokeInARowIsKeptToWhichNothingIsBound() {
    assertThat(kept(intake(ZoneOffset.UTC), 1, "Ctrl+J", "Alt+O", "Ctrl+H", "x", "Ctrl+N"))
        .containsExactly("Ctrl+J", "Alt+O", "-", "-", "-");
    assertThat(kept(intake(ZoneOffset.UTC), 1, "Ctrl+J", "Ctrl+J", "Ctrl+J", "Ctrl+J"))
        .as("the same again and again")
        .doesNotContain("-");
    assertThat(kept(intake(ZoneOffset.UTC), 1, "Ctrl+J", "Ctrl+O", "Click", "Ctrl+H", "Ctrl+N"))
        .as("with something else between")
        .doesNotContain("-");
    assertThat(kept(intake(ZoneOffset.UTC), 1, "Ctrl+J", "Ctrl+O", "Ctrl+L", "Ctrl+H", "Ctrl+N"))
        .as("with a command between")
        .doesNotContain("-");
    assertThat(kept(intake(ZoneOffset.UTC), 9, "Ctrl+J", "Ctrl+O", "Ctrl+H", "Ctrl+N"))
        .as("at leisure")
        .doesNotContain("-");
    assertThat(kept(intake(ZoneOffset.UTC), 9, "Ctrl+Shift+U", "Ctrl+Shift+0", "Ctrl+Shift+E"))
        .as("a code, however slowly")
        .containsExactly("Ctrl+Shift+U", "-", "-");
  }

  @Test
  void aKeyHeldLikeAModifierIsKeptWhereSomethingIsBoundToIt() {
    World world =
        new Worlds().platform("desk", Worlds.plain()).app("edit", "<Space>+G = go").build();
    LogIntake intake =
        new LogIntake(ZoneOffset.UTC, NOW, new Recogniser(world, List.of(SETUP), Map.of()));
    assertThat(kept(intake, 1, "<Space>+G", "<Space>+H")).containsExactly("<Space>+G", "-");
  }

  @Test
  void aTargetOfTheKeyboardIsNotKept() {
    LogLine line =
        new LogLine(
            "2031-03-14T09:00:00Z",
            "edit",
            "keyboard",
            "Ctrl+S",
            "my secret",
            "my > secret",
            "",
            "",
            "",
            "");
    assertThat(((LogIntake.Event) intake(ZoneOffset.UTC).take(line)).event().deed())
        .isEqualTo(Deed.seen("", "edit", Device.KEYBOARD, "Ctrl+S", "", List.of()));
  }

  private static LogLine at(String time) {
    return new LogLine(time, "edit", "mouse", "Click", "Save", "File", "100", "20", "1.5", "desk");
  }

  private static Instant instant(LogIntake intake, String time) {
    return ((LogIntake.Event) intake.take(at(time))).event().at();
  }

  @Test
  void timesWithoutAnOffsetFollowTheClocksOfTheZone() {
    LogIntake intake = intake(ZoneId.of("Europe/Berlin"));
    assertThat(instant(intake, "2030-10-27 01:30:00")).isEqualTo("2030-10-26T23:30:00Z");
    // The hour that comes twice: the first time, and then the second, since it would go back.
    assertThat(instant(intake, "2030-10-27T02:30")).isEqualTo("2030-10-27T00:30:00Z");
    assertThat(instant(intake, "2030-10-27T02:45:00")).isEqualTo("2030-10-27T00:45:00Z");
    assertThat(instant(intake, "2030-10-27T02:10:00")).isEqualTo("2030-10-27T01:10:00Z");
    assertThat(instant(intake, "2030-10-27T03:00:00")).isEqualTo("2030-10-27T02:00:00Z");
    assertThat(intake.backward()).isZero();
    assertThat(intake.take(at("2030-03-31T02:30:00")))
        .isInstanceOfSatisfying(
            LogIntake.Refused.class, r -> assertThat(r.reason()).contains("no such time"));
    assertThat(instant(intake, "2030-10-27T04:00:00+03:00")).isEqualTo("2030-10-27T01:00:00Z");
    assertThat(intake.backward()).isEqualTo(1);
    assertThat(intake.jumps()).isZero();
    assertThat(instant(intake, "2030-10-20T04:00:00.250Z")).isEqualTo("2030-10-20T04:00:00.250Z");
    assertThat(intake.jumps()).isEqualTo(1);
  }

  @Property(tries = 1000)
  void theQuickWayOfReadingTimesSaysTheSame(@ForAll int seconds, @ForAll boolean millis) {
    Instant at =
        Instant.parse("2025-01-01T00:00:00Z")
            .plusMillis(Math.floorMod(seconds, 100_000_000) * (millis ? 1001L : 1000L));
    LogTime times = new LogTime(ZoneOffset.UTC);
    // The second of a minute is read another way than the first.
    times.read(at.toString());
    assertThat(times.read(at.toString()).at()).contains(at);
  }

  @Test
  void whatCanNotBeIsRefusedWithoutSayingWhatItWas() {
    LogIntake intake = intake(ZoneOffset.UTC);
    Stream<LogLine> bad =
        Stream.of(
            at("yesterday"),
            at("2077-01-01T00:00:00Z"),
            at("1970-01-01T00:00:00Z"),
            keys("Ctrl+Secret"),
            keys("Ctrl+Click"),
            new LogLine("2031-03-14T09:00:00Z", "", "wand", "Click", "secret", "", "", "", "", ""),
            new LogLine("2031-03-14T09:00:00Z", "", "mouse", "secret", "", "", "", "", "", ""),
            new LogLine("2031-03-14T09:00:00Z", "", "mouse", "", "t", "", "-1", "", "", ""),
            new LogLine("2031-03-14T09:00:00Z", "", "mouse", "", "t", "", "", "", "secret", ""),
            new LogLine(
                "2031-03-14T09:00:00Z", "", "mouse", "", "secret".repeat(60), "", "", "", "", ""));
    bad.forEach(
        line ->
            assertThat(intake.take(line))
                .isInstanceOfSatisfying(
                    LogIntake.Refused.class,
                    r ->
                        assertThat(r.reason().toLowerCase(Locale.ROOT))
                            .doesNotContain("secret")
                            .endsWith(".")));
  }
}
