package polydex.desktop;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.List;
import java.util.Locale;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.scene.Parent;
import javafx.scene.text.Font;
import polydex.desktop.state.Session;

/** Theme and size of the text; kept with the file. */
final class Look {
  private static final double TEXT_PIXELS = 15;
  private static final int SMALLEST = 80;
  private static final int LARGEST = 200;
  private static final int STEP = 10;

  /** Below so many times the text size the window counts as narrow. */
  private static final double NARROW_EMS = 62;

  enum Theme {
    LIGHT(worded("window.light")),
    DARK(worded("window.dark")),
    CONTRAST(worded("window.high-contrast"));

    private final String title;

    Theme(String title) {
      this.title = title;
    }

    String style() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  private final Parent root;
  private final Session session;
  private final ReadOnlyBooleanWrapper narrow = new ReadOnlyBooleanWrapper();
  private Theme theme = Theme.LIGHT;
  private int percent = 100;
  private double width = Double.MAX_VALUE;

  Look(Parent root, Session session) {
    this.root = root;
    this.session = session;
    for (Theme t : Theme.values()) {
      if (session.setting("theme").filter(t.style()::equals).isPresent()) {
        theme = t;
      }
    }
    session
        .setting("text")
        .filter(s -> s.matches("\\d{2,3}"))
        .ifPresent(s -> percent = Math.clamp(Integer.parseInt(s), SMALLEST, LARGEST));
    apply();
  }

  /** The fonts that ship; JavaFX knows them by family from then on. */
  static void loadFonts() {
    for (String font :
        List.of(
            "next-latin-400-normal",
            "next-latin-700-normal",
            "mono-latin-400-normal",
            "mono-latin-700-normal")) {
      Font.loadFont(
          Look.class.getResourceAsStream("/polydex/fonts/atkinson-hyperlegible-" + font + ".ttf"),
          TEXT_PIXELS);
    }
  }

  /** Whether the window is so narrow for its text that less stands side by side. */
  ReadOnlyBooleanProperty narrow() {
    return narrow.getReadOnlyProperty();
  }

  void width(double pixels) {
    width = pixels;
    apply();
  }

  String theme() {
    return theme.style();
  }

  void nextTheme() {
    theme = Theme.values()[(theme.ordinal() + 1) % Theme.values().length];
    session.setting("theme", theme.style());
    apply();
    session.say(worded("window.theme", theme.title));
  }

  void larger() {
    size(percent + STEP);
  }

  void smaller() {
    size(percent - STEP);
  }

  void normal() {
    size(100);
  }

  private void size(int wanted) {
    percent = Math.clamp(wanted, SMALLEST, LARGEST);
    session.setting("text", String.valueOf(percent));
    apply();
    session.say(worded("window.text-at", percent));
  }

  private void apply() {
    for (Theme t : Theme.values()) {
      root.getStyleClass().remove(t.style());
    }
    root.getStyleClass().remove("narrow");
    root.getStyleClass().add(theme.style());
    double text = TEXT_PIXELS * percent / 100;
    root.setStyle(String.format(Locale.ROOT, "-fx-font-size: %.2fpx;", text));
    narrow.set(width / text < NARROW_EMS);
    if (narrow.get()) {
      root.getStyleClass().add("narrow");
    }
  }
}
