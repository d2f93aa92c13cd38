package polydex.recognition;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Application;
import polydex.catalog.Environment.MenuItem;
import polydex.catalog.Environment.PointerRoute;
import polydex.catalog.EnvironmentId;
import polydex.log.Deed;
import polydex.log.Device;
import polydex.recognition.Recognised.How;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.World;
import polydex.route.Worlds;

class RecogniserTest {
  private static final World WORLD = world();
  private static final Setup EDIT =
      new Setup(
          new SetupId("cues"), "Cues", "full", Worlds.machine("desk", Worlds.in("edit", "text")));
  private static final Setup FAR =
      new Setup(
          new SetupId("far"),
          "Far",
          "full",
          Worlds.machine(
              "desk",
              Worlds.session(
                  "remote", Machine.Capture.ALWAYS, Worlds.machine("dome", Worlds.in("stars")))));
  private static final Map<LearntName, Optional<ActionId>> NAMES =
      Map.of(
          LearntName.read(new EnvironmentId("edit"), "stamp"), Optional.of(new ActionId("sort")),
          LearntName.read(new EnvironmentId("edit"), "grey space"), Optional.empty());
  private static final Recogniser RECOGNISER = new Recogniser(WORLD, List.of(EDIT, FAR), NAMES);

  private static World world() {
    World plain =
        new Worlds()
            .platform("desk", Worlds.plain(), "Ctrl+L = lock")
            .platform("dome", Worlds.plain(), "Ctrl+B = black")
            .app("edit", "text: Ctrl+S = save", "list: Ctrl+D = drop", "Alt+Click = add-here")
            .app("reader", "Ctrl+R = again")
            .app("stars", "Ctrl+F = freeze")
            .app("remote", "Ctrl+Q = leave")
            .build();
    Map<String, Environment> changed = new LinkedHashMap<>();
    changed.put(
        "edit",
        with(
            plain,
            "edit",
            List.of("desk"),
            List.of(
                new PointerRoute(new ActionId("save"), List.of("File", "Save"), ""),
                new PointerRoute(new ActionId("sort"), List.of("Edit", "Sort lines..."), ""),
                new PointerRoute(new ActionId("sort"), List.of("Bearbeiten", "Zeilen ordnen"), ""),
                new PointerRoute(new ActionId("up"), List.of("Edit", "Move up"), ""),
                new PointerRoute(new ActionId("top"), List.of("View", "Move up"), "")),
            List.of(
                new MenuItem(
                    "File",
                    Optional.empty(),
                    Optional.empty(),
                    List.of(
                        new MenuItem(
                            "Print",
                            Optional.empty(),
                            Optional.of(new ActionId("print")),
                            List.of()))))));
    changed.put("reader", with(plain, "reader", List.of("desk"), List.of(), List.of()));
    changed.put(
        "desk",
        new Environment(
            new EnvironmentId("desk"),
            "Desk",
            Worlds.ONE,
            plain.catalog().environment(new EnvironmentId("desk")).orElseThrow().contexts(),
            Environment.WhenBroken.SWALLOW,
            plain.catalog().environment(new EnvironmentId("desk")).orElseThrow().kind(),
            List.of(new PointerRoute(new ActionId("lock"), List.of("Corner", "Lock"), "")),
            List.of(),
            ""));
    Catalog catalog = plain.catalog().with(List.of(), List.copyOf(changed.values()), Map.of());
    return new World(catalog, plain.boards(), plain.layouts());
  }

  private static Environment with(
      World world,
      String id,
      List<String> platforms,
      List<PointerRoute> routes,
      List<MenuItem> menus) {
    Environment e = world.catalog().environment(new EnvironmentId(id)).orElseThrow();
    return new Environment(
        new EnvironmentId(id),
        "The " + id,
        e.version(),
        e.contexts(),
        e.whenBroken(),
        new Application(platforms.stream().map(EnvironmentId::new).toList(), false),
        routes,
        menus,
        "");
  }

  private static Recognised of(
      String machine, String application, Device device, String input, String path, String target) {
    List<String> steps = path.isEmpty() ? List.of() : List.of(path.split(" > "));
    return RECOGNISER.of(Deed.seen(machine, application, device, input, target, steps));
  }

  @ParameterizedTest
  @CsvSource({
    "File, Save, EXACT, save, edit",
    "'', Save, EXACT, save, edit",
    "File, Print, EXACT, print, edit",
    "'File > Save', Save, EXACT, save, edit",
    "Corner, Lock, EXACT, lock, desk",
    "Bearbeiten, Zeilen ordnen, EXACT, sort, edit",
    "&File, SAVE..., NORMALISED, save, edit",
    "_File, 'Sa&ve (S)', NORMALISED, save, edit",
    "Edit, Sort lines\u2026, NORMALISED, sort, edit",
    "'', sort lines, NORMALISED, sort, edit",
    "'', Stamp, LEARNT, sort, edit",
    "Edit, Move up, EXACT, up, edit",
    "'', Move up, UNKNOWN, ?move up, edit",
    "Edit, Save, UNKNOWN, ?edit > save, edit",
    "'', Fly, UNKNOWN, ?fly, edit",
  })
  void whatWasPointedAt(String path, String target, How how, String action, String environment) {
    Recognised found = of("Desk", "The edit", Device.MOUSE, "Click", path, target);
    assertThat(found)
        .isEqualTo(
            new Recognised(
                how,
                Optional.of(
                    Place.read(new SetupId("cues"), new EnvironmentId(environment), action))));
  }

  @Test
  void aNameThatIsNoActionIsKnownAndIsNone() {
    Recognised none = of("Desk", "The edit", Device.MOUSE, "Click", "", "Grey space");
    assertThat(none).isEqualTo(new Recognised(How.NO_ACTION, Optional.empty()));
    assertThat(none.isKnown()).isTrue();
  }

  @ParameterizedTest
  @CsvSource({
    "Ctrl+S, TRACED, save, edit",
    "Ctrl+D, TRACED, drop, edit",
    "Ctrl+L, TRACED, lock, desk",
    "Ctrl+Y, TYPING, '', ''",
  })
  void keysAreFollowedInTheSetupInAnyOfItsContexts(
      String input, How how, String action, String environment) {
    Recognised found = of("desk", "edit", Device.KEYBOARD, input, "", "");
    assertThat(found.how()).isEqualTo(how);
    assertThat(found.place())
        .isEqualTo(
            action.isEmpty()
                ? Optional.empty()
                : Optional.of(
                    Place.read(new SetupId("cues"), new EnvironmentId(environment), action)));
  }

  @Test
  void aPointerWithModifiersHeldIsTracedWhereItsTargetSaysNothing() {
    assertThat(of("desk", "edit", Device.MOUSE, "Alt+Click", "", "text"))
        .isEqualTo(
            new Recognised(
                How.TRACED,
                Optional.of(
                    Place.read(new SetupId("cues"), new EnvironmentId("edit"), "add-here"))));
  }

  @Test
  void theSetupIsTheOneWhoseMachineAndApplicationAreMeant() {
    Whereabouts where = new Whereabouts(WORLD, List.of(EDIT, FAR));
    assertThat(where(where, "", "")).isEqualTo("cues ");
    assertThat(where(where, "far", "")).isEqualTo("far ");
    // What runs in a machine's window is found by the machine that its hands are on.
    assertThat(where(where, "desk", "stars")).isEqualTo("far stars");
    assertThat(where(where, "dome", "edit")).isEqualTo("far edit");
    assertThat(new Whereabouts(WORLD, List.of(EDIT, FAR)).of(seen("dome", "edit")).stranger())
        .contains(new Whereabouts.Stranger(false, "edit"));
    assertThat(new Whereabouts(WORLD, List.of(EDIT, FAR)).of(seen("elsewhere", "edit")).stranger())
        .contains(new Whereabouts.Stranger(true, "elsewhere"));
    assertThat(where(where, "dome", "stars")).isEqualTo("far stars");
    assertThat(where(where, "", "stars")).isEqualTo("far stars");
    // An application of the platform that has no setup of its own gets the focus.
    assertThat(where(where, "Desk", "the reader")).isEqualTo("cues reader");
    assertThat(where(where, "desk", "unheard of")).isEqualTo("cues unheard of");
    assertThat(where(where, "elsewhere", "edit")).isEqualTo(" edit");
    Recognised again = of("desk", "reader", Device.KEYBOARD, "Ctrl+R", "", "");
    assertThat(again.place())
        .contains(Place.read(new SetupId("cues"), new EnvironmentId("reader"), "again"));
    assertThat(RECOGNISER.of(Deed.noted(new SetupId("far"), new ActionId("freeze"), false)))
        .isEqualTo(
            new Recognised(
                How.NOTED,
                Optional.of(Place.read(new SetupId("far"), new EnvironmentId("stars"), "freeze"))));
    assertThat(again.how()).isEqualTo(How.TRACED);
  }

  private static Deed seen(String machine, String application) {
    return Deed.seen(machine, application, Device.MOUSE, "Click", "Save", List.of("File"));
  }

  /** A program that nobody knows has no ways and no keys but those of what is around it. */
  @Test
  void aStrangerIsItsOwnPlace() {
    Recognised save = of("Desk", "Paint box", Device.MOUSE, "Click", "File", "Save");
    assertThat(save.how()).isEqualTo(How.UNKNOWN);
    assertThat(save.place())
        .contains(Place.read(new SetupId("cues"), new EnvironmentId("Paint box"), "?file > save"));
    assertThat(of("Desk", "Paint box", Device.MOUSE, "Click", "Corner", "Lock").place())
        .contains(Place.read(new SetupId("cues"), new EnvironmentId("desk"), "lock"));
    assertThat(of("Desk", "Paint box", Device.KEYBOARD, "Ctrl+S", "", "").place())
        .contains(Place.read(new SetupId("cues"), new EnvironmentId("Paint box"), "?Ctrl+S"));
    assertThat(of("Desk", "Paint box", Device.KEYBOARD, "Ctrl+L", "", "").place())
        .contains(Place.read(new SetupId("cues"), new EnvironmentId("desk"), "lock"));
    assertThat(of("Desk", "Paint box", Device.KEYBOARD, "Home", "", "").how())
        .isEqualTo(How.TYPING);
    // The desktop itself has what the focused application has not.
    assertThat(of("Desk", "", Device.MOUSE, "Click", "File", "Save").place())
        .contains(Place.read(new SetupId("cues"), new EnvironmentId("desk"), "?file > save"));
  }

  /** Keys count where they went; what they would have done further in was pressed in vain. */
  @Test
  void keysThatAnOuterLayerTakesArePressedInVain() {
    World world =
        new Worlds()
            .platform("desk", Worlds.plain(), "Meta+Q = away", "Ctrl+L = lock")
            .platform("dome", Worlds.plain(), "Meta+Q = away")
            .app("remote")
            .app("stars", "Ctrl+L = label", "Ctrl+F = freeze")
            .build();
    Setup far =
        new Setup(
            new SetupId("far"),
            "Far",
            "full",
            Worlds.machine(
                "desk",
                Worlds.session(
                    "remote", Machine.Capture.NEVER, Worlds.machine("dome", Worlds.in("stars")))));
    Recogniser recogniser = new Recogniser(world, List.of(far), Map.of());
    assertThat(pressed(recogniser, "Meta+Q")).isEqualTo("desk away, in vain dome away");
    assertThat(pressed(recogniser, "Ctrl+L")).isEqualTo("desk lock, in vain stars label");
    assertThat(pressed(recogniser, "Ctrl+F")).isEqualTo("stars freeze");
  }

  private static String pressed(Recogniser recogniser, String keys) {
    Recognised found =
        recogniser.of(Deed.seen("far", "stars", Device.KEYBOARD, keys, "", List.of()));
    return said(found.place().orElseThrow())
        + found.inVain().map(p -> ", in vain " + said(p)).orElse("");
  }

  private static String said(Place place) {
    return place.environment().value() + " " + place.doing().written();
  }

  private static String where(Whereabouts where, String machine, String application) {
    Whereabouts.Where found =
        where.of(Deed.seen(machine, application, Device.MOUSE, "", "x", List.of()));
    return found.setupId() + " " + found.application();
  }
}
