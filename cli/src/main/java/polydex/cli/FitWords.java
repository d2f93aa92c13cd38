package polydex.cli;

import static polydex.cli.CliWords.worded;
import static polydex.language.Language.decimals;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.ParameterException;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.fit.Bench;
import polydex.free.Score;
import polydex.free.Verdict;
import polydex.route.Situation.Computer;
import polydex.workspace.Workspace;

/** What the commands about own bindings and remaps share: what was meant, and how it is said. */
final class FitWords {
  private FitWords() {}

  /** The computer with this title. */
  static Computer computer(CommandSpec spec, Workspace workspace, String title) {
    Bench bench = workspace.bench();
    return bench.computers().stream()
        .filter(c -> c.title().equalsIgnoreCase(title.strip()))
        .findFirst()
        .orElseThrow(
            () ->
                new ParameterException(
                    spec.commandLine(),
                    worded(
                        "command.there-is-no-computer-there-are",
                        title,
                        bench.computers().stream()
                            .map(Computer::title)
                            .collect(Collectors.joining(", ")))));
  }

  /** The action with this id or title. */
  static ActionId action(CommandSpec spec, Catalog catalog, String name) {
    return catalog
        .action(new ActionId(name))
        .or(
            () ->
                catalog.actions().stream()
                    .filter(a -> a.title().equalsIgnoreCase(name.strip()))
                    .findFirst())
        .orElseThrow(
            () ->
                new ParameterException(
                    spec.commandLine(), worded("command.there-is-no-action-look-for", name)))
        .id();
  }

  /**
   * What would come of binding a gesture.
   *
   * @param state free, taken, reserved, untypable, types or astray
   * @param layer where it is taken or goes another way
   * @param action the id of what it does there
   * @param losesWork whether that loses work
   * @param lost how many bindings would stop working
   * @param why a sentence, or the character that is typed
   */
  record Said(
      String setup,
      String state,
      Optional<String> layer,
      Optional<String> action,
      boolean losesWork,
      int lost,
      Optional<String> why) {

    static Said of(String setup, Verdict verdict) {
      return switch (verdict) {
        case Verdict.Free _ -> plain(setup, "free", Optional.empty());
        case Verdict.Taken t ->
            new Said(
                setup,
                "taken",
                Optional.of(t.layer().title()),
                t.action().map(ActionId::value),
                t.harm() == polydex.catalog.Action.Harm.LOSES_WORK,
                t.lost().size(),
                Optional.empty());
        case Verdict.Reserved r ->
            new Said(
                setup,
                "reserved",
                Optional.of(r.layer().title()),
                Optional.of(r.action().value()),
                false,
                0,
                Optional.empty());
        case Verdict.Untypable u -> plain(setup, "untypable", Optional.of(u.reason()));
        case Verdict.Types t -> plain(setup, "types", Optional.of(t.text()));
        case Verdict.Astray a ->
            new Said(
                setup,
                "astray",
                Optional.of(a.layer().title()),
                Optional.empty(),
                false,
                0,
                Optional.of(a.reason()));
      };
    }

    private static Said plain(String setup, String state, Optional<String> why) {
      return new Said(setup, state, Optional.empty(), Optional.empty(), false, 0, why);
    }

    /** As one line. */
    String line(Catalog catalog) {
      String by = action.map(a -> worded("command.by", catalog.title(new ActionId(a)))).orElse("");
      return state
          + by
          + layer.map(l -> ", " + l).orElse("")
          + (losesWork ? worded("command.which-loses-work") : "")
          + why.map(w -> ": " + w).orElse("");
    }
  }

  /** A score, part by part. */
  record Parts(
      double points,
      double effort,
      Optional<String> initial,
      List<String> sameIn,
      Optional<String> partner,
      List<Near> near) {

    /** A gesture near to it that loses work. */
    record Near(String gesture, String action) {}

    static Parts of(Score score) {
      return new Parts(
          rounded(score.total()),
          rounded(score.effort()),
          score.initial(),
          score.sameIn(),
          score.partner().map(Object::toString),
          score.near().stream()
              .map(n -> new Near(n.gesture().toString(), n.action().value()))
              .toList());
    }

    /** In words. */
    String line(Catalog catalog) {
      List<String> parts = new ArrayList<>();
      parts.add(worded("command.effort", decimals(1, effort)));
      initial.ifPresent(w -> parts.add(worded("command.initial-of", w)));
      if (!sameIn.isEmpty()) {
        parts.add(worded("command.same-as-on", String.join(", ", sameIn)));
      }
      partner.ifPresent(p -> parts.add(worded("command.belongs-with", p)));
      for (Near n : near) {
        parts.add(
            worded(
                "command.near-to-which-loses-work",
                n.gesture(),
                catalog.title(new ActionId(n.action()))));
      }
      return String.join("; ", parts);
    }
  }

  static double rounded(double value) {
    return Math.round(value * 100) / 100.0;
  }
}
