package polydex.conflict;

import static polydex.language.CoreWords.worded;

import java.util.List;
import java.util.Set;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.route.Situation;
import polydex.route.Situation.Computer;

/** A change of which gesture does what. */
public sealed interface KeymapFix extends Fix {

  /**
   * A built-in binding of a platform is switched off on a computer.
   *
   * @param computer where
   * @param binding which
   */
  record SwitchOff(Computer computer, Binding binding) implements KeymapFix {
    @Override
    public Situation applyTo(Situation before) {
      return before.withMachine(computer, m -> m.switchingOff(Set.of(binding.id())));
    }

    @Override
    public String title(Catalog catalog) {
      return worded(
          "conflict.switch-off-for-on",
          binding.gesture(),
          Fix.quoted(catalog, binding.action()),
          computer.title());
    }

    @Override
    public double cost(Weights weights) {
      return weights.lostBuiltIn();
    }

    @Override
    public Object subject() {
      return List.of(computer, binding.id());
    }
  }

  /**
   * A built-in binding of a platform is switched off, and its action gets a gesture of one's own.
   *
   * @param computer where
   * @param binding which
   * @param to the gesture instead
   */
  record Replace(Computer computer, Binding binding, Gesture to) implements KeymapFix {
    @Override
    public Situation applyTo(Situation before) {
      return before.withMachine(
          computer,
          m ->
              m.switchingOff(Set.of(binding.id()))
                  .adding(Binding.of("own:" + binding.id(), binding.action(), to)));
    }

    @Override
    public String title(Catalog catalog) {
      return worded(
          "conflict.give-the-gesture-on-instead-of",
          Fix.quoted(catalog, binding.action()),
          to,
          computer.title(),
          binding.gesture());
    }

    @Override
    public double cost(Weights weights) {
      return weights.lostBuiltIn() + weights.changedHabit();
    }

    @Override
    public Object subject() {
      return List.of(computer, binding.id());
    }
  }

  /**
   * A binding of one's own gets another gesture.
   *
   * @param computer where
   * @param binding which
   * @param to the gesture
   */
  record MoveOwn(Computer computer, Binding binding, Gesture to) implements KeymapFix {
    @Override
    public Situation applyTo(Situation before) {
      return before.withMachine(
          computer,
          m ->
              m.withOwn(
                  m.own().stream()
                      .map(b -> b.id().equals(binding.id()) ? b.with(b.id(), to) : b)
                      .toList()));
    }

    @Override
    public String title(Catalog catalog) {
      return worded(
          "conflict.move-your-own-from-to-on",
          Fix.quoted(catalog, binding.action()),
          binding.gesture(),
          to,
          computer.title());
    }

    @Override
    public double cost(Weights weights) {
      return weights.changedHabit();
    }

    @Override
    public Object subject() {
      return List.of(computer, binding.id());
    }
  }

  /**
   * A binding of one's own comes to a computer.
   *
   * @param computer where
   * @param binding which
   */
  record AddOwn(Computer computer, Binding binding) implements KeymapFix {
    @Override
    public Situation applyTo(Situation before) {
      return before.withMachine(computer, m -> m.adding(binding));
    }

    @Override
    public String title(Catalog catalog) {
      return worded(
          "conflict.bind-to-on",
          binding.gesture(),
          Fix.quoted(catalog, binding.action()),
          computer.title());
    }

    @Override
    public double cost(Weights weights) {
      return weights.changedHabit();
    }

    @Override
    public Object subject() {
      return List.of(computer, binding.id());
    }
  }

  /**
   * An application's binding gets another gesture, where the application lets one be chosen.
   *
   * @param environment the id of the application
   * @param binding which
   * @param to the gesture
   */
  record MoveInKeymap(EnvironmentId environment, Binding binding, Gesture to) implements KeymapFix {
    @Override
    public Situation applyTo(Situation before) {
      return before.withBindings(
          environment, b -> b.id().equals(binding.id()) ? b.with(b.id(), to) : b);
    }

    @Override
    public String title(Catalog catalog) {
      return worded(
          "conflict.move-from-to-in-the-keys",
          Fix.quoted(catalog, binding.action()),
          binding.gesture(),
          to,
          ConflictSentence.where(catalog, environment, binding.context()));
    }

    @Override
    public double cost(Weights weights) {
      return weights.changedHabit();
    }

    @Override
    public Object subject() {
      return List.of(environment, binding.id());
    }
  }
}
