package polydex.files.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import polydex.catalog.ActionId;
import polydex.catalog.ChangeSteps.Form;
import polydex.catalog.Environment.OwnTarget;
import polydex.catalog.EnvironmentId;
import polydex.files.FileProblem;
import polydex.fit.OwnBinding;
import polydex.fit.Target;
import polydex.keys.Accelerators;
import polydex.keys.Gesture;
import polydex.keys.GestureReader;
import polydex.route.Situation.Computer;

/** The text that makes a binding, read back by the rules of its form. */
class SettingsTextTest {
  private static final Computer DESK = new Computer("Desk", new EnvironmentId("desk"));

  private static SettingsText text(Form form, Optional<Target> target, String gesture)
      throws FileProblem {
    OwnBinding own =
        OwnBinding.planned(
            "../Show log",
            DESK,
            new ActionId("log"),
            Gesture.parse(gesture),
            target,
            LocalDate.EPOCH);
    return SettingsText.of(form, Optional.of("/desk/keys/"), own, "Show's \\ log", own.gesture());
  }

  private static Optional<Target> target(OwnTarget kind, String what) {
    return Optional.of(Target.of(kind, what));
  }

  @Provide
  Arbitrary<String> commands() {
    return Arbitraries.strings().withChars("ab '\\\"$`%;=[]\u00e4").ofMinLength(1).ofMaxLength(40);
  }

  /** Whatever the command is, the file has three keys of one group, and the shell gets it whole. */
  @Property(tries = 500)
  void aCommandCanNotLeaveItsPlace(@ForAll("commands") String command) throws FileProblem {
    SettingsText made = text(Form.DCONF, target(OwnTarget.COMMAND, command), "Ctrl+Alt+K");
    List<String> lines = made.text().lines().toList();
    assertThat(lines).hasSize(4);
    assertThat(lines.get(0)).isEqualTo("[-show-log]");
    assertThat(lines.get(1)).isEqualTo("binding='<Control><Alt>k'");
    assertThat(variant(lines.get(3).substring("name=".length()))).isEqualTo("Show's \\ log");
    String line = variant(lines.get(2).substring("command=".length()));
    assertThat(words(line)).containsExactly("sh", "-c", command.strip());
    assertThat(made.fileName()).doesNotContain("/").doesNotContain("..");

    String entry =
        text(Form.DESKTOP_ENTRY, target(OwnTarget.COMMAND, command), "Ctrl+Alt+K").text();
    DesktopEntry read = DesktopEntry.read("a.desktop", entry.getBytes(StandardCharsets.UTF_8));
    assertThat(read.starts()).startsWith("sh -c ");
    assertThat(read.actions()).isEmpty();
  }

  /** A text of GVariant in single quotation marks. */
  private static String variant(String written) {
    assertThat(written).startsWith("'").endsWith("'");
    StringBuilder text = new StringBuilder();
    for (int i = 1; i < written.length() - 1; i++) {
      assertThat(written.charAt(i)).isNotEqualTo('\'');
      text.append(written.charAt(i) == '\\' ? written.charAt(++i) : written.charAt(i));
    }
    return text.toString();
  }

  /** The words of a command line as a POSIX shell splits it. */
  private static List<String> words(String line) {
    List<String> words = new java.util.ArrayList<>();
    StringBuilder word = new StringBuilder();
    boolean quoted = false;
    for (int i = 0; i < line.length(); i++) {
      char c = line.charAt(i);
      if (c == '\'') {
        quoted = !quoted;
      } else if (c == '\\' && !quoted) {
        word.append(line.charAt(++i));
      } else if (c == ' ' && !quoted) {
        words.add(word.toString());
        word.setLength(0);
      } else {
        word.append(c);
      }
    }
    words.add(word.toString());
    assertThat(quoted).isFalse();
    return words;
  }

  @Test
  void aMenuEntryIsALineOfAnAcceleratorMap() throws FileProblem {
    Target entry =
        new Target(
            OwnTarget.MENU_ENTRY, "File > As \"text\"", Optional.of(new EnvironmentId("app")));
    assertThat(text(Form.ACCELERATOR_MAP, Optional.of(entry), "Ctrl+Shift+F5").text())
        .isEqualTo("(gtk_accel_path \"<app>/File/As \\\"text\\\"\" \"<Control><Shift>F5\")\n");
  }

  @Test
  void whatAFormCanNotSayIsRefusedWithTheReason() {
    assertThatThrownBy(() -> text(Form.DCONF, Optional.empty(), "Ctrl+Alt+K"))
        .hasMessageContaining("It is not said what");
    assertThatThrownBy(() -> text(Form.DCONF, target(OwnTarget.COMMAND, "x"), "Ctrl+K L"))
        .hasMessageContaining("is not one stroke");
    assertThatThrownBy(() -> text(Form.DESKTOP_ENTRY, target(OwnTarget.TEXT, "x"), "Ctrl+K"))
        .hasMessageContaining("can\u2019t be for a text");
    assertThatThrownBy(() -> text(Form.ACCELERATOR_MAP, target(OwnTarget.MENU_ENTRY, "x"), "F5"))
        .hasMessageContaining("say which");
  }

  @Provide
  Arbitrary<String> strokes() {
    Arbitrary<String> held =
        Arbitraries.of("Ctrl+", "Alt+", "Shift+", "Meta+", "Hyper+")
            .set()
            .ofMinSize(1)
            .ofMaxSize(3)
            .map(s -> String.join("", s));
    Arbitrary<String> key =
        Arbitraries.oneOf(
            Arbitraries.chars().range('a', 'z').map(String::valueOf),
            Arbitraries.of("7", "[", ";", "\u00e4", "F5", "F24", "Left", "PageUp", "Enter"),
            Arbitraries.of("Backspace", "Space", "Numpad4", "NumpadAdd", "PrintScreen", "Home"));
    return Combinators.combine(held, key).as((h, k) -> h + k);
  }

  @Property(tries = 500)
  void anAcceleratorIsReadAsTheGestureThatItWas(@ForAll("strokes") String stroke) {
    Gesture gesture = Gesture.parse(stroke);
    String written = Accelerators.of(gesture).orElseThrow();
    assertThat(GestureReader.PLAIN.read(written).gesture()).isEqualTo(gesture);
  }

  @Test
  void whatAcceleratorsHaveNoNameForHasNone() {
    for (String not : List.of("Ctrl+K L", "Ctrl", "RightCtrl+A", "AltGr+A", "Ctrl+<KeyA>")) {
      assertThat(Accelerators.of(Gesture.parse(not))).as(not).isEmpty();
    }
  }
}
