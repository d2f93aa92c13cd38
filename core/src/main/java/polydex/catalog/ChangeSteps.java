package polydex.catalog;

import static polydex.language.CoreWords.worded;

import java.util.List;
import java.util.Optional;

/**
 * How changes are made on a platform, step by step, in words. In them stand for what is changed:
 * {@code {title}}, {@code {gesture}}, {@code {pressed}} (the gesture without what the platform
 * adds), {@code {what}}, {@code {application}}, {@code {rule}} and {@code {effect}}. The user can
 * edit them.
 *
 * @param bind how a binding of one's own is made
 * @param launcher what has to be there before, where the platform wants a launcher file first
 * @param remove how a binding of one's own is taken away
 * @param remap how a key is made another
 * @param form the open form of its settings, where they are text
 * @param at where in that form a binding stands: a directory of keys, or a folder
 */
public record ChangeSteps(
    List<String> bind,
    List<String> launcher,
    List<String> remove,
    List<String> remap,
    Optional<Form> form,
    Optional<String> at) {

  /** An open form of settings. */
  public enum Form {
    /** A key file as dconf loads it. */
    DCONF,
    /** A Desktop Entry. */
    DESKTOP_ENTRY,
    /** Lines of a GTK accelerator map. */
    ACCELERATOR_MAP
  }

  /** For a platform of which nothing is known. */
  public static final ChangeSteps PLAIN =
      new ChangeSteps(
          List.of(
              worded("catalog.open-the-keyboard-settings"),
              worded("catalog.add-a-shortcut-named-title-for"),
              worded("catalog.press-gesture-where-it-asks-for"),
              worded("catalog.press-gesture-once-more-anywhere-title")),
          List.of(worded("catalog.make-a-launcher-file-for-what")),
          List.of(
              worded("catalog.open-the-keyboard-settings"),
              worded("catalog.take-the-shortcut-title-away")),
          List.of(
              worded("catalog.open-the-keyboard-settings"),
              worded("any.set-rule"),
              worded("catalog.it-takes-effect-effect")),
          Optional.empty(),
          Optional.empty());

  /** Copies the lists. */
  public ChangeSteps {
    bind = List.copyOf(bind);
    launcher = List.copyOf(launcher);
    remove = List.copyOf(remove);
    remap = List.copyOf(remap);
  }
}
