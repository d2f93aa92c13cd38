package polydex.systems;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.Function;
import polydex.catalog.Action;
import polydex.catalog.Binding;
import polydex.catalog.Binding.Condition;
import polydex.catalog.Binding.Remarks;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.Version;
import polydex.keys.Gesture;
import polydex.route.SetupCheck;
import polydex.setups.OutlineLine;
import polydex.setups.OutlineLine.Edit;
import polydex.setups.OutlineLine.Option;

/** A binding written out, a line for each thing that is said of it. O(bindings of its keymap). */
public final class BindingOutline {
  private final Catalog catalog;
  private final Environment environment;
  private final Binding binding;
  private final List<OutlineLine<Binding>> lines = new ArrayList<>();

  private BindingOutline(Catalog catalog, Environment environment, Binding binding) {
    this.catalog = catalog;
    this.environment = environment;
    this.binding = binding;
  }

  /** The lines of a binding of an environment. */
  public static List<OutlineLine<Binding>> of(
      Catalog catalog, Environment environment, Binding binding) {
    BindingOutline outline = new BindingOutline(catalog, environment, binding);
    outline.itself();
    outline.conditions();
    outline.remarks();
    return List.copyOf(outline.lines);
  }

  private static OutlineLine<Binding> line(String label, String value) {
    return OutlineLine.of(0, label, value);
  }

  private void itself() {
    lines.add(
        line(worded("systems.gesture"), "")
            .about(binding.gesture())
            .changedBy(
                new Edit.Words<>(
                    binding.gesture().toString(),
                    worded("systems.as-you-would-write-it-ctrl"),
                    t -> binding.with(binding.id(), gesture(t)))));
    lines.add(
        line(worded("systems.does"), catalog.title(binding.action()))
            .changedBy(
                EnvironmentOutline.ActionChoice.of(
                    catalog, (Action a) -> new Edit.Done<>(() -> binding.doing(a.id())))));
    lines.add(
        line(worded("any.where"), title(Optional.of(binding.context())))
            .changedBy(
                EnvironmentOutline.choice(
                    environment.contexts(), Context::title, c -> binding.in(c.id()))));
    List<Optional<String>> opened = new ArrayList<>();
    opened.add(Optional.empty());
    environment.contexts().forEach(c -> opened.add(Optional.of(c.id())));
    lines.add(
        line(worded("systems.while-held-opens"), title(binding.heldContext()))
            .changedBy(EnvironmentOutline.choice(opened, this::title, binding::opening)));
  }

  /** What the field was filled with is in our own notation, whatever else it could be. */
  private Gesture gesture(String text) {
    return text.equals(binding.gesture().toString())
        ? binding.gesture()
        : environment.reader().read(text).gesture();
  }

  private String title(Optional<String> context) {
    return context
        .map(c -> environment.context(c).map(Context::title).orElse(c))
        .orElse(worded("any.nothing"));
  }

  private void conditions() {
    Condition when = binding.when();
    lines.add(
        words(
            worded("systems.since-version"),
            worded("systems.the-first"),
            when.since().map(Version::written),
            worded("systems.the-first-that-has-it-as"),
            t -> new Condition(t.map(Version::new), when.until(), when.option(), when.device())));
    lines.add(
        words(
            worded("systems.gone-in-version"),
            worded("systems.none"),
            when.until().map(Version::written),
            worded("systems.the-first-that-no-longer-has"),
            t -> new Condition(when.since(), t.map(Version::new), when.option(), when.device())));
    lines.add(
        line(worded("systems.only-with-the-option"), when.option().orElse(worded("systems.none")))
            .changedBy(new Edit.Choice<>(this::options)));
    lines.add(
        words(
            worded("systems.needs-besides-keys"),
            worded("any.nothing"),
            when.device(),
            worded("systems.what-must-be-there-besides-a"),
            t -> new Condition(when.since(), when.until(), when.option(), t)));
  }

  private OutlineLine<Binding> words(
      String label,
      String none,
      Optional<String> now,
      String hint,
      Function<Optional<String>, Condition> to) {
    return line(label, now.orElse(none))
        .changedBy(
            new Edit.Words<>(
                now.orElse(""),
                hint,
                t -> binding.when(to.apply(Optional.of(t.strip()).filter(w -> !w.isEmpty())))));
  }

  /** Those of its keymap, a new one, and none. */
  private List<Option<Binding>> options() {
    List<Option<Binding>> all = new ArrayList<>();
    all.add(new Option<>(worded("systems.none"), new Edit.Done<>(() -> with(Optional.empty()))));
    new TreeSet<>(SetupCheck.options(catalog, environment.id()))
        .forEach(o -> all.add(new Option<>(o, new Edit.Done<>(() -> with(Optional.of(o))))));
    all.add(
        new Option<>(
            worded("systems.a-new-option"),
            new Edit.Words<>(
                "",
                worded("systems.as-the-settings-call-it-function"),
                t -> with(Optional.of(EnvironmentOutline.named(t))))));
    return all;
  }

  private Binding with(Optional<String> option) {
    Condition when = binding.when();
    return binding.when(new Condition(when.since(), when.until(), option, when.device()));
  }

  private void remarks() {
    Remarks r = binding.remarks();
    lines.add(
        said(
            worded("systems.note"),
            r.note(),
            t -> new Remarks(t, r.caveat(), r.hook(), r.fixed())));
    lines.add(
        said(
            worded("systems.beware"),
            r.caveat(),
            t -> new Remarks(r.note(), t, r.hook(), r.fixed())));
    lines.add(
        said(
            worded("systems.to-remember-it-by"),
            r.hook(),
            t -> new Remarks(r.note(), r.caveat(), t, r.fixed())));
    lines.add(
        line(worded("systems.can-be-switched-off"), worded(r.fixed() ? "any.no" : "any.yes"))
            .changedBy(
                EnvironmentOutline.choice(
                    List.of(false, true),
                    fixed -> worded(fixed ? "any.no" : "any.yes"),
                    fixed ->
                        binding.remarked(new Remarks(r.note(), r.caveat(), r.hook(), fixed)))));
  }

  private OutlineLine<Binding> said(String label, String now, Function<String, Remarks> to) {
    return line(label, now.isEmpty() ? worded("any.nothing") : now)
        .changedBy(
            new Edit.Words<>(
                now,
                worded("systems.in-your-own-words"),
                t -> binding.remarked(to.apply(t.strip()))));
  }
}
