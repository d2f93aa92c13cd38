package polydex.fit;

import polydex.route.Remap.KeyPart;
import polydex.route.Remap.KeyRule;
import polydex.route.Remap.ModifierPart;
import polydex.route.Remap.Part;

/** Rules of remaps as people say them: "Caps Lock as Ctrl". */
public final class RemapWords {
  private RemapWords() {}

  /** A rule for a key. */
  public static String of(KeyRule rule) {
    String to = rule.to().map(RemapWords::of).orElse("nothing");
    return rule.tapped()
        .map(
            t ->
                "%s as %s while held, and as %s when tapped within %d ms"
                    .formatted(of(rule.from()), to, of(t.to()), t.withinMillis()))
        .orElse(of(rule.from()) + " as " + to);
  }

  /** A key or modifier. */
  public static String of(Part part) {
    return switch (part) {
      case ModifierPart m ->
          switch (m.side()) {
            case EITHER -> m.modifier().written();
            case LEFT -> "left " + m.modifier().written();
            case RIGHT -> "right " + m.modifier().written();
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
