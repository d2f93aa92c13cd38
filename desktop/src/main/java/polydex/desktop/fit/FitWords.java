package polydex.desktop.fit;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import polydex.catalog.Action.Harm;
import polydex.catalog.Catalog;
import polydex.free.Score;
import polydex.free.Verdict;

/** What free gestures and their scores are called. */
final class FitWords {
  private FitWords() {}

  /** What would come of binding a gesture, in a few words. */
  static String of(Verdict verdict, Catalog catalog) {
    return switch (verdict) {
      case Verdict.Free _ -> "free";
      case Verdict.Taken t ->
          t.action()
                  .map(a -> "\u201c%s\u201d, by %s".formatted(catalog.title(a), t.layer().title()))
                  .orElse("begins a longer gesture of " + t.layer().title())
              + (t.harm() == Harm.LOSES_WORK ? ", which loses work" : "")
              + (t.lost().size() > 1 ? ", and %d more".formatted(t.lost().size() - 1) : "");
      case Verdict.Reserved r -> "reserved for \u201c%s\u201d".formatted(catalog.title(r.action()));
      case Verdict.Untypable u -> u.reason();
      case Verdict.Types t -> "types \u201c%s\u201d".formatted(t.text());
      case Verdict.Astray a -> "does not arrive: " + a.reason();
    };
  }

  /** The same for a key that is drawn. */
  static String brief(Verdict verdict, Catalog catalog) {
    return switch (verdict) {
      case Verdict.Free _ -> "";
      case Verdict.Taken t -> t.action().map(catalog::title).orElse("longer \u2026");
      case Verdict.Reserved _ -> "reserved";
      case Verdict.Untypable _ -> "no key";
      case Verdict.Types t -> "types " + t.text();
      case Verdict.Astray _ -> "astray";
    };
  }

  /** Why a gesture suits an action, and what speaks against it. */
  static String why(Score score, Catalog catalog) {
    List<String> parts = new ArrayList<>();
    score.initial().ifPresent(w -> parts.add("initial of \u201c%s\u201d".formatted(w)));
    if (!score.sameIn().isEmpty()) {
      parts.add("same as on " + String.join(", ", score.sameIn()));
    }
    score.partner().ifPresent(p -> parts.add("belongs with " + p));
    for (Score.Near n : score.near()) {
      parts.add(
          "one away from %s, \u201c%s\u201d, which loses work"
              .formatted(n.gesture(), catalog.title(n.action())));
    }
    parts.add(points(score.effort()) + " effort");
    return String.join("; ", parts);
  }

  /** With a full stop, if it has none. */
  static String sentence(String text) {
    return text.endsWith(".") ? text : text + ".";
  }

  static String points(double points) {
    return String.format(Locale.ROOT, "%.1f", points);
  }
}
