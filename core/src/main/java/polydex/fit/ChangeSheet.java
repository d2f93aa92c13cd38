package polydex.fit;

import static polydex.language.CoreWords.worded;
import static polydex.language.Language.quoted;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import polydex.catalog.Catalog;
import polydex.catalog.ChangeSteps;
import polydex.catalog.Environment;
import polydex.catalog.Environment.OwnBindingRules;
import polydex.catalog.Environment.OwnTarget;
import polydex.catalog.Environment.Platform;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Step;
import polydex.route.Remap.StrokeRule;
import polydex.route.Situation.Computer;

/**
 * What is to be done on one computer, step by step, in words: first what goes, then remaps, then
 * bindings, each with a launcher file before it where the platform wants one.
 *
 * @param computer on which
 * @param parts in order
 */
public record ChangeSheet(Computer computer, List<Part> parts) {

  /**
   * The steps of one change.
   *
   * @param id of the binding or draft
   * @param title what is changed
   * @param gesture of a binding
   * @param steps in order
   */
  public record Part(String id, String title, Optional<Gesture> gesture, List<Line> steps) {
    /** Copies the list. */
    public Part {
      steps = List.copyOf(steps);
    }

    /** Whether every step is done. */
    public boolean isDone() {
      return steps.stream().allMatch(Line::done);
    }
  }

  /**
   * A step.
   *
   * @param id stays the same as long as the change does
   * @param words what to do
   * @param done whether it was ticked
   */
  public record Line(String id, String words, boolean done) {}

  /** Copies the list. */
  public ChangeSheet {
    parts = List.copyOf(parts);
  }

  /** How many steps there are. */
  public int steps() {
    return parts.stream().mapToInt(p -> p.steps().size()).sum();
  }

  /** How many of them are done. */
  public int done() {
    return (int) parts.stream().flatMap(p -> p.steps().stream()).filter(Line::done).count();
  }

  /** The sheet of each computer that has something to be done, in the order of the computers. */
  public static List<ChangeSheet> all(Bench bench, LocalDate today) {
    return bench.computers().stream()
        .map(c -> of(bench, c, today))
        .filter(s -> !s.parts().isEmpty())
        .toList();
  }

  /** The sheet of one computer. */
  public static ChangeSheet of(Bench bench, Computer computer, LocalDate today) {
    return new ChangeSheet(computer, new Work(bench, computer).parts(bench.own(today)));
  }

  private static final class Work {
    private final Bench bench;
    private final Computer computer;
    private final Catalog catalog;
    private final Optional<OwnBindingRules> rules;
    private final ChangeSteps templates;
    private final Set<String> ticked;

    Work(Bench bench, Computer computer) {
      this.bench = bench;
      this.computer = computer;
      this.catalog = bench.situation().world().catalog();
      Optional<Platform> platform =
          catalog.environment(computer.platform()).flatMap(Environment::platform);
      this.rules = platform.flatMap(Platform::ownBindings);
      this.templates = platform.flatMap(Platform::changes).orElse(ChangeSteps.PLAIN);
      this.ticked = bench.fitting().ticked(computer);
    }

    List<Part> parts(List<OwnBinding> own) {
      List<Part> parts = new ArrayList<>();
      for (OwnBinding o : own) {
        if (o.computer().equals(computer) && o.state() == OwnBinding.State.TO_BE_REMOVED) {
          parts.add(part(o, worded("any.remove"), templates.remove(), own));
        }
      }
      for (RemapDraft d : bench.fitting().drafts().values()) {
        if (d.computer().equals(computer) && d.chosen() && !d.isMade(bench.situation())) {
          parts.add(part(d));
        }
      }
      for (OwnBinding o : own) {
        if (o.computer().equals(computer) && o.state() == OwnBinding.State.PLANNED) {
          List<String> steps = new ArrayList<>();
          boolean launcher =
              rules.filter(OwnBindingRules::needsLauncher).isPresent()
                  && o.target().filter(t -> t.kind() != OwnTarget.MENU_ENTRY).isPresent();
          steps.addAll(launcher ? templates.launcher() : List.of());
          steps.addAll(templates.bind());
          parts.add(part(o, worded("fit.bind"), steps, own));
        }
      }
      return parts;
    }

    private Part part(OwnBinding o, String verb, List<String> steps, List<OwnBinding> own) {
      Gesture gesture = OwnRules.of(bench, o, own).gesture();
      Map<String, String> words = new HashMap<>();
      String title = catalog.title(o.action());
      words.put("title", title);
      words.put("gesture", gesture.toString());
      words.put("pressed", pressed(gesture).toString());
      words.put("what", o.target().map(Target::said).orElse(quoted(title)));
      words.put(
          "application",
          o.target()
              .flatMap(Target::application)
              .flatMap(catalog::environment)
              .map(Environment::title)
              .orElse(worded("fit.all-applications")));
      return new Part(
          o.id(), verb + " " + quoted(title), Optional.of(gesture), lines(o.id(), steps, words));
    }

    private Part part(RemapDraft d) {
      List<String> steps = new ArrayList<>();
      String rule = rules(d).collect(Collectors.joining(", "));
      Map<String, String> words =
          Map.of("title", d.remap().title(), "rule", rule, "effect", d.takes().word());
      steps.addAll(
          d.window()
              ? List.of(worded("fit.open-the-settings-of-the-window"), worded("any.set-rule"))
              : templates.remap());
      return new Part(
          d.id(),
          worded("fit.remap", d.remap().title()),
          Optional.empty(),
          lines(d.id(), steps, words));
    }

    private static java.util.stream.Stream<String> rules(RemapDraft d) {
      return java.util.stream.Stream.concat(
          d.remap().keyRules().stream().map(RemapWords::of),
          d.remap().strokeRules().stream()
              .map((StrokeRule r) -> worded("conflict.as", r.from(), r.to())));
    }

    private List<Line> lines(String id, List<String> steps, Map<String, String> words) {
      List<Line> lines = new ArrayList<>();
      for (String step : steps) {
        String line = id + "/" + lines.size();
        lines.add(new Line(line, filled(step, words), ticked.contains(line)));
      }
      return lines;
    }

    /** In one pass, so that what is filled in is never taken for a place itself. */
    private static String filled(String step, Map<String, String> words) {
      return java.util.regex.Pattern.compile("\\{(\\w+)\\}")
          .matcher(step)
          .replaceAll(
              m ->
                  java.util.regex.Matcher.quoteReplacement(
                      words.getOrDefault(m.group(1), m.group())));
    }

    /** The gesture without what the platform adds. */
    private Gesture pressed(Gesture gesture) {
      if (rules.isEmpty()
          || rules.get().added().isEmpty()
          || !(gesture.steps().getFirst() instanceof Step.Stroke(Held held, var key))) {
        return gesture;
      }
      Modifiers without = held.modifiers();
      for (Modifier m : rules.get().added()) {
        without = without.without(m);
      }
      List<Step> steps = new ArrayList<>(gesture.steps());
      steps.set(0, new Step.Stroke(held.with(without), key));
      return new Gesture(steps);
    }
  }
}
