package polydex.hands;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import polydex.boards.Keyboards;
import polydex.boards.Presses;
import polydex.hands.Done.Keyed;
import polydex.hands.Done.Pointed;
import polydex.hands.Done.Spot;
import polydex.hands.Done.Trip;
import polydex.hands.Done.Wrote;
import polydex.hands.Seen.Sort;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Modifier;
import polydex.keys.PointerAct;
import polydex.log.LogEvent;
import polydex.log.LogIntake;
import polydex.log.LogLine;
import polydex.recognition.Recogniser;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.World;
import polydex.route.Worlds;

/** From what hands did, through the one door, to what the audit knows of it. */
class HandLinesTest {
  private static final World WORLD =
      new Worlds()
          .platform("desk", Worlds.plain(), "Ctrl+L = lock")
          .app(
              "edit",
              "text: Ctrl+S = save",
              "text: Ctrl+K Ctrl+S = save-all",
              "text: Ctrl+X 2 = split",
              "text: Delete = remove",
              "Alt+Click = add-here")
          .build();
  private static final Setup SETUP =
      new Setup(
          new SetupId("cues"), "Cues", "full", Worlds.machine("desk", Worlds.in("edit", "text")));

  private final Recogniser recogniser = new Recogniser(WORLD, List.of(SETUP), Map.of());
  private final HandLines lines =
      new HandLines("cues", Keyboards.US, recogniser, EventClock::instant);
  private final LogIntake door =
      new LogIntake(ZoneOffset.UTC, Instant.ofEpochSecond(1_000_000_000), recogniser);
  private long now = 900_000_000_000L;

  private List<String> seen(Done done, Seen about) {
    List<String> found = new ArrayList<>();
    for (LogLine line : lines.of(done, about)) {
      assertThat(door.take(line)).as(line.toString()).isInstanceOf(LogIntake.Event.class);
      now += 2000;
      LogEvent e = ((LogIntake.Event) door.take(line)).event();
      found.add(
          "%s %s %s%s"
              .formatted(
                  recogniser.of(e.deed()).how(),
                  e.deed().isTyping() ? "typed " + e.characters() : e.deed().input(),
                  String.join(" > ", e.deed().way()),
                  Double.isNaN(e.seconds()) ? "" : " %.1f s".formatted(e.seconds()))
              .strip());
    }
    return found;
  }

  private Keyed keys(String gesture) {
    now += 5000;
    return new Keyed(
        now, now, ((Presses.Typable) Presses.of(Gesture.parse(gesture), Keyboards.US)).list());
  }

  private Pointed pointed(PointerAct act, int times, Modifier... held) {
    now += 5000;
    return new Pointed(
        now,
        now + 100,
        Optional.of(act),
        act == PointerAct.WHEEL ? 0 : act == PointerAct.RIGHT_CLICK ? 3 : 1,
        times,
        Held.of(held),
        new Spot(10, 10),
        new Spot(10, 10),
        new Trip(300, 1.5),
        0.5);
  }

  private static Seen at(Sort sort, String name, String... path) {
    return new Seen("edit", sort, name, List.of(path), 80, 0.9, 0.05);
  }

  @Test
  void keysAreWhatTheSetupKnows() {
    Seen focus = Seen.focus("edit");
    assertThat(seen(keys("Ctrl+S"), focus)).containsExactly("TRACED Ctrl+S");
    assertThat(seen(keys("Ctrl+K Ctrl+S"), focus)).containsExactly("TRACED Ctrl+K Ctrl+S");
    assertThat(seen(keys("Ctrl+X 2"), focus)).containsExactly("TRACED Ctrl+X");
    // Elsewhere the same keys are two things, and the second is writing.
    assertThat(seen(keys("Ctrl+X 2"), Seen.focus("stars")))
        .containsExactly("UNKNOWN Ctrl+X", "TYPING typed 1");
    assertThat(seen(keys("Delete"), focus)).containsExactly("TRACED Delete");
    assertThat(seen(keys("Down"), focus)).isEmpty();
    assertThat(seen(keys("F5"), focus)).hasSize(1);
    assertThat(seen(new Wrote(now, now + 900, 12), focus)).containsExactly("TYPING typed 12");
  }

  @Test
  void theWayThroughMenusIsOneDeed() {
    assertThat(seen(pointed(PointerAct.CLICK, 1), at(Sort.OPENS, "File"))).isEmpty();
    assertThat(seen(pointed(PointerAct.CLICK, 1), at(Sort.OPENS, "More", "File"))).isEmpty();
    // 1.5 s to the title, 10 s in the menus, 0.5 s back.
    assertThat(seen(pointed(PointerAct.CLICK, 1), at(Sort.ENTRY, "Close", "File", "More")))
        .containsExactly("UNKNOWN Click File > More > Close 12.0 s");
    // Left without choosing, then another.
    assertThat(seen(pointed(PointerAct.CLICK, 1), at(Sort.OPENS, "File"))).isEmpty();
    assertThat(seen(pointed(PointerAct.CLICK, 1), Seen.nothing("edit"))).isEmpty();
    assertThat(seen(pointed(PointerAct.CLICK, 1), at(Sort.ENTRY, "Here")))
        .containsExactly("UNKNOWN Click Here 2.0 s");
  }

  @Test
  void documentsInMenusHaveNoNames() {
    for (String document :
        List.of(
            "1.  spring-sky.cue",
            "2. Letter to the dome",
            "comet.cue",
            "~/shows/comet.cue",
            "_3: /home/somebody/a",
            "notes (comet.txt)")) {
      assertThat(seen(pointed(PointerAct.CLICK, 1), at(Sort.ENTRY, document, "File", "Recent")))
          .containsExactly("UNKNOWN Click File > Recent > a document of the list 2.0 s");
    }
    for (String command :
        List.of(
            "2 Columns",
            "Save as…",
            "Zoom 1:1",
            "Open...",
            "Left/Right",
            "Version 2.0",
            "Go to 1.")) {
      assertThat(seen(pointed(PointerAct.CLICK, 1), at(Sort.ENTRY, command, "File")))
          .containsExactly("UNKNOWN Click File > %s 2.0 s".formatted(command));
    }
  }

  @Test
  void documentsInDialogsAndTabsHaveNoNamesEither() {
    assertThat(
            seen(
                pointed(PointerAct.CLICK, 1),
                at(Sort.CONTROL, "Discard", "Save \u201ccomet.cue\u201d?")))
        .containsExactly("UNKNOWN Click Save \u201ca document of the list\u201d? > Discard 2.0 s");
    assertThat(seen(pointed(PointerAct.CLICK, 1), at(Sort.CONTROL, "comet.cue")))
        .containsExactly("UNKNOWN Click a document of the list 2.0 s");
    assertThat(seen(pointed(PointerAct.CLICK, 1), at(Sort.CONTROL, "OK", "Open a file")))
        .containsExactly("UNKNOWN Click Open a file > OK 2.0 s");
  }

  @Test
  void whatActsAtEachClickIsDoneAtEach() {
    assertThat(seen(pointed(PointerAct.CLICK, 3), at(Sort.CONTROL, "Next")))
        .containsExactly(
            "UNKNOWN Click Next 1.5 s", "UNKNOWN Click Next 0.0 s", "UNKNOWN Click Next 0.5 s");
    assertThat(seen(pointed(PointerAct.RIGHT_CLICK, 1), at(Sort.CONTROL, "Next")))
        .containsExactly("UNKNOWN RightClick Next 2.0 s");
  }

  @Test
  void whereThePlaceCountsNothingIsToBeReplaced() {
    Seen text = at(Sort.CONTENT, "a document of somebody's");
    assertThat(seen(pointed(PointerAct.CLICK, 2), text))
        .containsExactly("NO_ACTION DoubleClick a place in what is shown 2.0 s");
    assertThat(seen(pointed(PointerAct.CLICK, 5), text))
        .containsExactly(
            "NO_ACTION DoubleClick a place in what is shown 1.5 s",
            "NO_ACTION DoubleClick a place in what is shown 0.5 s");
    assertThat(seen(pointed(PointerAct.CLICK, 1, Modifier.ALT), text))
        .containsExactly("TRACED Alt+Click a place in what is shown 2.0 s");
    assertThat(seen(pointed(PointerAct.WHEEL, 4), text))
        .containsExactly("NO_ACTION Wheel a place in what is shown 2.1 s");
    assertThat(seen(pointed(PointerAct.DRAG, 1), Seen.unknown("edit", 0.5, 0.5)))
        .containsExactly("NO_ACTION Drag a place in what is shown 2.0 s");
  }

  @Test
  void whatNobodyTellsIsKnownByItsLooks() {
    assertThat(seen(pointed(PointerAct.CLICK, 1), Seen.unknown("edit", 0.95, 0.02)))
        .containsExactly("UNKNOWN Click the upper right corner of the window 2.0 s");
    assertThat(seen(pointed(PointerAct.CLICK, 1), Seen.unknown("edit", 0.5, 0.02)))
        .containsExactly("UNKNOWN Click the upper edge of the window 2.0 s");
    assertThat(seen(pointed(PointerAct.CLICK, 1), Seen.unknown("edit", 0.4, 0.6)))
        .containsExactly("UNKNOWN Click the middle of the window 2.0 s");
  }

  @Test
  void theAnywhereGestureIsOneThatNothingHas() {
    assertThat(AnywhereGesture.problem(WORLD, SETUP, Gesture.parse("Ctrl+S")))
        .hasValueSatisfying(p -> assertThat(p).contains("Ctrl+S is in use"));
    assertThat(AnywhereGesture.problem(WORLD, SETUP, Gesture.parse("Ctrl+L"))).isPresent();
    assertThat(AnywhereGesture.problem(WORLD, SETUP, Gesture.parse("Q"))).isPresent();
    assertThat(AnywhereGesture.problem(WORLD, SETUP, Gesture.parse("Click"))).isPresent();
    assertThat(AnywhereGesture.problem(WORLD, SETUP, AnywhereGesture.PAUSE)).isEmpty();
    assertThat(AnywhereGesture.free(WORLD, SETUP, 3, () -> false))
        .hasSize(3)
        .allSatisfy(g -> assertThat(g.toString()).matches("(.*\\+)?F\\d+"))
        .allSatisfy(g -> assertThat(AnywhereGesture.problem(WORLD, SETUP, g)).isEmpty());
  }
}
