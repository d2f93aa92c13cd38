package polydex.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import polydex.catalog.Environment.Application;
import polydex.catalog.Environment.MenuForm;
import polydex.catalog.Environment.MenuItem;
import polydex.catalog.Environment.Platform;
import polydex.catalog.Environment.WhenBroken;
import polydex.keys.Modifier;

class MenuKeysTest {
  private static MenuItem item(String title, String key, String action, MenuItem... items) {
    return new MenuItem(
        title,
        Optional.of(key).filter(k -> !k.isEmpty()),
        Optional.of(action).filter(a -> !a.isEmpty()).map(ActionId::new),
        List.of(items));
  }

  private static final Environment APP =
      new Environment(
          new EnvironmentId("app"),
          "App",
          new Version("1"),
          List.of(Context.ANYWHERE),
          WhenBroken.SWALLOW,
          new Application(List.of(), false),
          List.of(),
          List.of(
              item(
                  "File",
                  "F",
                  "",
                  item("Save", "s", "save"),
                  item("Recent", "R", "", item("First", "1", "first")),
                  item("No key", "", "none")),
              item("Hidden", "", "", item("Inside", "I", "inside"))),
          "");

  private static Platform platform(MenuForm... forms) {
    return new Platform(
        Map.of(), List.of(), false, Set.of(), Modifier.CTRL, Optional.empty(), Set.of(forms));
  }

  @Test
  void pathsOfAccessKeysAreBindingsInTheFormsOfThePlatform() {
    assertThat(MenuKeys.of(APP, platform(MenuForm.HELD, MenuForm.TAPPED)))
        .extracting(b -> b.gesture() + " = " + b.action())
        .containsExactly(
            "Alt+F S = save", "Alt+F R 1 = first", "Alt F S = save", "Alt F R 1 = first");
    assertThat(MenuKeys.of(APP, platform(MenuForm.HELD))).allMatch(MenuKeys::isOne).hasSize(2);
    assertThat(MenuKeys.of(APP, platform())).isEmpty();
  }

  @Test
  void whatOpensAMenuIsTold() {
    assertThat(MenuKeys.openers(APP, platform(MenuForm.HELD)))
        .hasEntrySatisfying("File", g -> assertThat(g).hasToString("Alt+F"))
        .hasSize(1);
    assertThat(MenuKeys.openers(APP, platform(MenuForm.TAPPED)).get("File")).hasToString("Alt F");
    assertThat(MenuKeys.openers(APP, platform())).isEmpty();
  }
}
