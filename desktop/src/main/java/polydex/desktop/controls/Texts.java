package polydex.desktop.controls;

import javafx.scene.control.Label;
import javafx.scene.layout.Region;

/** Labels in the few styles that there are. */
public final class Texts {
  private Texts() {}

  /** A heading. */
  public static Label heading(String text) {
    return styled(text, "heading");
  }

  /** A heading of a part. */
  public static Label part(String text) {
    return styled(text, "part");
  }

  /** Ordinary words that may take several lines. */
  public static Label words(String text) {
    Label label = styled(text, "words");
    label.setWrapText(true);
    label.setMinHeight(Region.USE_PREF_SIZE);
    return label;
  }

  /** Quiet words that may take several lines. */
  public static Label quiet(String text) {
    Label label = words(text);
    label.getStyleClass().add("quiet");
    return label;
  }

  /** A title in a row, in up to two lines: two of them may differ only at their ends. */
  public static Label title(String text) {
    Label label = styled(text, "row-title");
    label.getStyleClass().add("two-lines");
    label.setWrapText(true);
    label.setMinWidth(0);
    return label;
  }

  /** A label of a style. */
  public static Label styled(String text, String style) {
    Label label = new Label(text);
    label.getStyleClass().add(style);
    return label;
  }
}
