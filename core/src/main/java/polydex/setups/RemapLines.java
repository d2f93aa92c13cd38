package polydex.setups;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.route.Remap;
import polydex.route.Remap.KeyRule;
import polydex.route.Remap.StrokeRule;
import polydex.route.Setup;
import polydex.route.SetupCheck.Kind;
import polydex.setups.OutlineLine.Edit;
import polydex.setups.OutlineLine.Option;

/** The remaps of a machine and their rules, written out. */
final class RemapLines {
  static final String HINT = worded("setups.what-becomes-what-as-in-capslock");

  private final SetupOutline.Part part;

  RemapLines(SetupOutline.Part part) {
    this.part = part;
  }

  List<OutlineLine<Setup>> lines() {
    List<OutlineLine<Setup>> lines = new ArrayList<>();
    List<Remap> remaps = part.machine().remaps();
    lines.add(
        OutlineLine.<Setup>of(
                part.depth(), worded("setups.remaps"), SetupOutline.count(remaps.size()))
            .addingBy(
                new Edit.Words<>(
                    "",
                    HINT,
                    t ->
                        put(
                            Members.with(
                                remaps,
                                RuleText.adding(
                                    new Remap(t.strip(), Optional.empty(), List.of(), List.of()),
                                    t))))));
    for (int i = 0; i < remaps.size(); i++) {
      remap(i, lines);
    }
    return lines;
  }

  private Setup put(List<Remap> remaps) {
    return part.put().apply(part.machine().withRemaps(remaps));
  }

  private Setup put(int at, Remap remap) {
    return put(Members.replaced(part.machine().remaps(), at, remap));
  }

  private void remap(int i, List<OutlineLine<Setup>> lines) {
    Remap remap = part.machine().remaps().get(i);
    lines.add(
        OutlineLine.<Setup>of(part.depth() + 1, worded("setups.remap"), remap.title())
            .changedBy(
                new Edit.Words<>(
                    remap.title(),
                    worded("setups.what-you-call-it"),
                    t ->
                        put(
                            i,
                            new Remap(
                                t.strip(), remap.onlyIn(), remap.strokeRules(), remap.keyRules()))))
            .addingBy(new Edit.Words<>("", HINT, t -> put(i, RuleText.adding(remap, t))))
            .memberOf(part.machine().remaps(), i, this::put));
    lines.add(
        OutlineLine.<Setup>of(
                part.depth() + 1,
                worded("setups.only-in"),
                remap.onlyIn().map(this::title).orElse(worded("setups.any-application")))
            .wrong(part.wrong().at(part.depth(), Kind.REMAP, String.valueOf(i)))
            .changedBy(onlyIn(i, remap)));
    for (int r = 0; r < remap.strokeRules().size(); r++) {
      StrokeRule rule = remap.strokeRules().get(r);
      int at = r;
      Function<List<StrokeRule>, Setup> rules =
          list -> put(i, new Remap(remap.title(), remap.onlyIn(), list, remap.keyRules()));
      lines.add(
          OutlineLine.<Setup>of(part.depth() + 2, worded("setups.stroke"), RuleText.of(rule))
              .wrong(part.wrong().at(part.depth(), Kind.STROKE_RULE, i + "." + r))
              .changedBy(
                  new Edit.Words<>(
                      RuleText.of(rule), HINT, t -> put(i, RuleText.replacing(remap, at, t))))
              .memberOf(remap.strokeRules(), r, rules));
    }
    for (int r = 0; r < remap.keyRules().size(); r++) {
      lines.add(
          keyRule(
              part.depth() + 2,
              remap.keyRules(),
              r,
              list -> put(i, new Remap(remap.title(), remap.onlyIn(), remap.strokeRules(), list)),
              part.wrong().at(part.depth(), Kind.KEY_RULE, i + "." + r)));
    }
  }

  /** A rule for keys among others. */
  static OutlineLine<Setup> keyRule(
      int depth,
      List<KeyRule> rules,
      int at,
      Function<List<KeyRule>, Setup> put,
      List<String> mistakes) {
    return OutlineLine.<Setup>of(depth, worded("setups.key"), RuleText.of(rules.get(at)))
        .wrong(mistakes)
        .changedBy(
            new Edit.Words<>(
                RuleText.of(rules.get(at)),
                worded("setups.what-becomes-what-as-in-capslock-2"),
                t -> put.apply(Members.replaced(rules, at, RuleText.keyRule(t)))))
        .memberOf(rules, at, put);
  }

  private String title(EnvironmentId application) {
    return part.workspace()
        .catalog()
        .environment(application)
        .map(Environment::title)
        .orElse(application.value());
  }

  private Edit<Setup> onlyIn(int i, Remap remap) {
    List<Option<Setup>> options = new ArrayList<>();
    options.add(
        new Option<>(worded("setups.any-application"), limited(i, remap, Optional.empty())));
    for (Environment application :
        HeldMachines.on(part.workspace().catalog(), part.machine().platform())) {
      options.add(
          new Option<>(application.title(), limited(i, remap, Optional.of(application.id()))));
    }
    return new Edit.Choice<>(() -> options);
  }

  private Edit<Setup> limited(int i, Remap remap, Optional<EnvironmentId> to) {
    return new Edit.Done<>(
        () -> put(i, new Remap(remap.title(), to, remap.strokeRules(), remap.keyRules())));
  }
}
