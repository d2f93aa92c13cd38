package polydex.fit;

import static polydex.language.CoreWords.worded;

import polydex.route.Remap.KeyPart;
import polydex.route.Remap.KeyRule;
import polydex.route.Remap.ModifierPart;
import polydex.route.Remap.Part;

/** Rules of remaps as people say them: "Caps Lock as Ctrl". */
public final class RemapWords {
  private RemapWords() {}

  /** A rule for a key. */
  public static String of(KeyRule rule) {
    String to = rule.to().map(RemapWords::of).orElse(worded("any.nothing"));
    return rule.tapped()
        .map(
            t ->
                worded(
                    "fit.as-while-held-and-as-when",
                    of(rule.from()),
                    to,
                    of(t.to()),
                    t.withinMillis()))
        .orElse(worded("conflict.as", of(rule.from()), to));
  }

  /** A key or modifier. */
  public static String of(Part part) {
    return switch (part) {
      case ModifierPart m ->
          switch (m.side()) {
            case EITHER -> m.modifier().written();
            case LEFT -> worded("any.left", m.modifier().written());
            case RIGHT -> worded("any.right", m.modifier().written());
          };
      case KeyPart k ->
          k.key()
              .name()
              .replaceFirst("^Key(?=[A-Z]$)", "")
              .replaceFirst("^Digit(?=\\d$)", "")
              .replaceAll("(?<=[a-z])(?=[A-Z])", " ");
    };
  }
}
