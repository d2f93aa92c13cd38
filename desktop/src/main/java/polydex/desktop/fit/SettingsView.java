package polydex.desktop.fit;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.TextArea;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.layout.VBox;
import polydex.catalog.ChangeSteps;
import polydex.catalog.Environment;
import polydex.catalog.Environment.OwnBindingRules;
import polydex.catalog.Environment.Platform;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.files.FileProblem;
import polydex.files.fit.SettingsText;
import polydex.files.fit.ShellLink;
import polydex.fit.OwnBinding;
import polydex.fit.Target;
import polydex.keys.Gesture;
import polydex.own.OwnKey;

/** Text that makes a binding or a remap on its computer: shown, copied or saved, never run. */
final class SettingsView {
  private SettingsView() {}

  /**
   * The settings of a binding, or its launcher file, where its platform has such.
   *
   * @param gesture as it will be, with what the platform adds
   */
  static void open(Desk desk, OwnBinding own, Gesture gesture) {
    Optional<Platform> platform =
        desk.session()
            .workspace()
            .get()
            .catalog()
            .environment(own.computer().platform())
            .flatMap(Environment::platform);
    Optional<ChangeSteps> steps = platform.flatMap(Platform::changes);
    String title = desk.titles().action(own.action());
    Optional<ChangeSteps.Form> form = steps.flatMap(ChangeSteps::form);
    if (form.isPresent()) {
      try {
        SettingsText text =
            SettingsText.of(form.get(), steps.flatMap(ChangeSteps::at), own, title, gesture);
        show(desk, worded("fit.settings-for", title), text.how(), text.fileName(), text.text());
      } catch (FileProblem e) {
        desk.session().problem(e.getMessage());
      }
    } else if (platform
            .flatMap(Platform::ownBindings)
            .filter(OwnBindingRules::needsLauncher)
            .isPresent()
        && ShellLink.canHold(gesture)) {
      link(desk, own, title, gesture);
    } else {
      desk.session()
          .say(
              worded(
                  "fit.the-settings-of-are-no-text",
                  desk.titles().title(own.computer().platform())));
    }
  }

  /** A launcher file with its hot key, for a computer that wants one. */
  private static void link(Desk desk, OwnBinding own, String title, Gesture gesture) {
    ShellLink link =
        new ShellLink(
            title, own.target().map(Target::what).orElse(""), "", "", Optional.of(gesture));
    SheetView.saveBytes(
        desk,
        worded("fit.save-a-launcher-file-with-the", gesture),
        title.replaceAll("[^\\p{L}\\p{N} -]", "") + ".lnk",
        link.write());
  }

  /** Shows a text that can be copied and saved. */
  static void show(Desk desk, String heading, String how, String fileName, String text) {
    TextArea area = new TextArea(text);
    area.setEditable(false);
    area.setPrefRowCount(12);
    area.getStyleClass().add("mono");
    area.setAccessibleText(heading);
    List<Node> lines = new ArrayList<>(List.of(Texts.heading(heading), area));
    lines.add(Texts.quiet(how));
    VBox box = OverlayBox.wide(lines.toArray(new Node[0]));
    desk.keys()
        .open(
            box,
            area,
            List.of(
                KeyCommand.of(
                    OwnKey.SETTINGS_COPY,
                    worded("any.copy"),
                    () -> {
                      ClipboardContent content = new ClipboardContent();
                      content.putString(text);
                      Clipboard.getSystemClipboard().setContent(content);
                      desk.session().say(worded("fit.copied"));
                    }),
                KeyCommand.of(
                    OwnKey.SETTINGS_SAVE,
                    worded("any.save"),
                    () -> SheetView.saveText(desk, worded("fit.save-it"), fileName, text))));
  }
}
