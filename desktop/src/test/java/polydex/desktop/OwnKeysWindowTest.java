package polydex.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.scene.control.ListView;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.state.Session;
import polydex.files.store.Store;
import polydex.keys.Gesture;
import polydex.own.OwnContext;
import polydex.own.OwnKey;

/** The program's own keys are changed, kept, taken back and found, by keys alone. */
@ExtendWith(ApplicationExtension.class)
class OwnKeysWindowTest extends InWindow {
  @Start
  void start(Stage shown) throws Exception {
    open(shown);
  }

  private List<Gesture> keys(OwnKey key) {
    return session.ownKeys().now().getValue().get(key);
  }

  @Test
  void aCommandGetsOtherKeysThatWorkAreShownAndStayInTheFile() throws Exception {
    person.keys("F1");
    person.type("used the mouse");
    person.keys("F2");
    person.untilShown("Other keys for \u201cI used the mouse\u201d");
    person.until(
        "free keys",
        () -> person.focusIs(n -> n instanceof ListView<?> l && l.getItems().size() == 9));
    person.keys("Down");
    person.keys("F5");
    person.until("others", () -> !keys(OwnKey.USED_MOUSE).equals(OwnKey.USED_MOUSE.usual()));
    Gesture free = keys(OwnKey.USED_MOUSE).getFirst();
    person.untilShown(
        "Gave \u201cI used the mouse\u201d %s. Ctrl+Z takes it back.".formatted(free));
    person.keys("Ctrl+M");
    Driver.settle();
    assertThat(person.shown()).doesNotContain("I used the mouse for");
    person.keys(free.toString());
    person.untilShown("I used the mouse for");
    person.keys("Esc");
    // What is said in sentences follows.
    person.keys("F1");
    person.type("Undo");
    person.keys("F2");
    person.untilShown("Other keys for \u201cUndo\u201d");
    person.keys("F2");
    person.type("Ctrl+T");
    person.keys("Enter");
    person.untilShown("any place: in \u201cany place\u201d it is \u201cTheme\u201d");
    person.keys("Ctrl+A");
    person.keys("F2");
    person.keys("Ctrl+A");
    person.type("Ctrl+Alt+J");
    person.keys("Enter");
    person.untilShown("Nothing has Ctrl+Alt+J where this command works. F5 takes it.");
    person.keys("F5");
    person.untilShown("Gave \u201cUndo\u201d Ctrl+Alt+J. Ctrl+Alt+J takes it back.");
    person.keys("Ctrl+Alt+J");
    person.until("taken back", () -> keys(OwnKey.UNDO).equals(OwnKey.UNDO.usual()));
    person.keys("Ctrl+Shift+Z");
    person.until("done again", () -> !keys(OwnKey.UNDO).equals(OwnKey.UNDO.usual()));
    session.close();
    try (Session again = new Session(Store.open(file), clock)) {
      assertThat(again.ownKeys().now().getValue().get(OwnKey.USED_MOUSE)).containsExactly(free);
      assertThat(again.ownKeys().in("{UNDO} {FIND} {NONE_SUCH}"))
          .isEqualTo("Ctrl+Alt+J Ctrl+F {NONE_SUCH}");
    }
  }

  @Test
  void oneOrAllAreResetAndOneWithoutKeysIsInTheMenu() {
    person.keys("F1");
    person.type("Theme");
    person.keys("F2");
    person.untilShown("Other keys for \u201cTheme\u201d");
    person.keys("Delete");
    person.until("none", () -> keys(OwnKey.THEME).isEmpty());
    person.keys("F10");
    person.untilShown("Theme");
    person.keys("Esc");
    person.keys("F1");
    person.type("Larger text");
    person.keys("F2");
    person.untilShown("Other keys for \u201cLarger text\u201d");
    person.keys("Delete");
    person.until("none", () -> keys(OwnKey.LARGER_TEXT).isEmpty());
    person.keys("F1");
    person.type("Larger text");
    person.keys("F5");
    person.until("as usual", () -> keys(OwnKey.LARGER_TEXT).equals(OwnKey.LARGER_TEXT.usual()));
    assertThat(keys(OwnKey.THEME)).isEmpty();
    person.keys("F1");
    person.keys("F8");
    person.untilShown("Gave 1 command its usual keys");
    assertThat(keys(OwnKey.THEME)).isEqualTo(OwnKey.THEME.usual());
    // What lies below the list of keys shows the new ones.
    person.keys("Ctrl+U");
    person.untilShown("Use it");
    person.keys("F1");
    person.type("Copy");
    person.keys("F2");
    person.untilShown("Other keys for \u201cCopy the setup");
    person.keys("F2");
    person.type("Ctrl+Alt+J");
    person.keys("Enter");
    person.untilShown("F5 takes it");
    person.keys("F5");
    person.until("its new keys", () -> person.shown().contains("J"));
    person.keys("Esc");
    // What leads on and out stays.
    person.keys("F1");
    person.type("Alt+D");
    person.keys("F2");
    person.untilShown("stay as they are");
  }

  @Test
  void theFindFieldFindsCommandsAndEnterRunsThem() {
    person.keys("Ctrl+F");
    person.type("your systems");
    person.until("found", () -> person.shown().contains("Polydex. Enter does it."));
    person.keys("Enter");
    person.untilShown("Its bindings");
    person.keys("Esc");
    // A command of another place is run there; one that needs something chosen says its key.
    person.keys("Ctrl+F");
    person.keys("Ctrl+A");
    person.type("beside another setup");
    person.until("found", () -> person.shown().contains("Polydex. Enter does it."));
    person.keys("Enter");
    person.untilShown("Which setup beside this one");
    person.keys("Esc");
    person.keys("Ctrl+F");
    person.keys("Ctrl+A");
    person.type("put it off");
    person.until("found", () -> person.shown().contains("Polydex. Enter does it."));
    person.keys("Enter");
    person.untilShown("\u201cPut it off\u201d is F3 here, for what is chosen.");
  }

  /** In each place, what works is in the keymap as something that works there. */
  @Test
  void whatWorksInAPlaceIsInItsContexts() {
    for (PlaceName place : PlaceName.values()) {
      person.keys("Alt+" + place.letter());
      Driver.settle();
      List<KeyCommand> works =
          WaitForAsyncUtils.waitForAsyncFx(9000, () -> shell.keysNow().stream().toList());
      assertThat(works).hasSizeGreaterThan(15);
      for (KeyCommand c : works) {
        c.own()
            .ifPresent(
                k ->
                    assertThat(k.contexts())
                        .as("%s in %s", k, place)
                        .anyMatch(
                            x ->
                                x == OwnContext.ANYWHERE
                                    || x == OwnContext.PLACES
                                    || x.place().stream()
                                        .anyMatch(p -> p.name().equals(place.name()))
                                    || x == OwnContext.valueOf(place.name())));
      }
    }
  }

  @Test
  void everyLineOfTheTableIsUsedSomewhere() {
    JavaClass table =
        new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("polydex.desktop", "polydex.own")
            .get(OwnKey.class);
    Set<String> unused =
        Stream.of(OwnKey.values())
            .map(OwnKey::name)
            .filter(
                name ->
                    table.getField(name).getAccessesToSelf().stream()
                        .noneMatch(
                            a -> a.getOriginOwner().getPackageName().startsWith("polydex.desktop")))
            .collect(Collectors.toCollection(TreeSet::new));
    assertThat(unused).isEmpty();
  }
}
