package polydex.desktop.fit;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.List;
import polydex.catalog.Action.Harm;
import polydex.catalog.Catalog;
import polydex.free.Score;
import polydex.free.Verdict;
import polydex.language.Language;

/** What free gestures and their scores are called. */
final class FitWords {
  private FitWords() {}

  /** What would come of binding a gesture, in a few words. */
  static String of(Verdict verdict, Catalog catalog) {
    return switch (verdict) {
      case Verdict.Free _ -> worded("any.free");
      case Verdict.Taken t ->
          t.action()
                  .map(a -> worded("fit.by", catalog.title(a), t.layer().said()))
                  .orElse(worded("fit.begins-a-longer-gesture-of", t.layer().said()))
              + (t.harm() == Harm.LOSES_WORK ? worded("fit.which-loses-work") : "")
              + (t.lost().size() > 1 ? worded("fit.and-more", t.lost().size() - 1) : "");
      case Verdict.Reserved r -> worded("fit.reserved-for", catalog.title(r.action()));
      case Verdict.Untypable u -> u.reason();
      case Verdict.Types t -> worded("fit.types", t.text());
      case Verdict.Astray a -> worded("fit.does-not-arrive", a.reason());
    };
  }

  /** The same for a key that is drawn. */
  static String brief(Verdict verdict, Catalog catalog) {
    return switch (verdict) {
      case Verdict.Free _ -> "";
      case Verdict.Taken t -> t.action().map(catalog::title).orElse(worded("fit.longer"));
      case Verdict.Reserved _ -> worded("fit.reserved");
      case Verdict.Untypable _ -> worded("any.no-key");
      case Verdict.Types t -> worded("fit.types-2", t.text());
      case Verdict.Astray _ -> worded("fit.astray");
    };
  }

  /** Why a gesture suits an action, and what speaks against it. */
  static String why(Score score, Catalog catalog) {
    List<String> parts = new ArrayList<>();
    score.initial().ifPresent(w -> parts.add(worded("fit.initial-of", w)));
    if (!score.sameIn().isEmpty()) {
      parts.add(worded("fit.same-as-on", String.join(", ", score.sameIn())));
    }
    score.partner().ifPresent(p -> parts.add(worded("fit.belongs-with", p)));
    for (Score.Near n : score.near()) {
      parts.add(
          worded("fit.one-away-from-which-loses-work", n.gesture(), catalog.title(n.action())));
    }
    parts.add(worded("fit.effort", points(score.effort())));
    return String.join("; ", parts);
  }

  /** With a full stop, if it has none. */
  static String sentence(String text) {
    return text.endsWith(".") ? text : text + ".";
  }

  static String points(double points) {
    return String.format(Language.locale(), "%.1f", points);
  }
}
