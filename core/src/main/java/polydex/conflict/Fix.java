package polydex.conflict;

import static polydex.language.CoreWords.worded;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.language.Language;
import polydex.route.Situation;

/** One change that would end a conflict. */
public sealed interface Fix permits KeymapFix, MachineFix, Fix.UseOther, Fix.Both {

  /** The situation once it is made. */
  Situation applyTo(Situation before);

  /** What is done, as a command. */
  String title(Catalog catalog);

  /** The gestures in the title, in the order in which they stand there. */
  default List<Gesture> gestures() {
    return switch (this) {
      case KeymapFix.SwitchOff f -> List.of(f.binding().gesture());
      case KeymapFix.Replace f -> List.of(f.to(), f.binding().gesture());
      case KeymapFix.MoveOwn f -> List.of(f.binding().gesture(), f.to());
      case KeymapFix.AddOwn f -> List.of(f.binding().gesture());
      case KeymapFix.MoveInKeymap f -> List.of(f.binding().gesture(), f.to());
      case MachineFix.Direct f -> List.of(f.gesture());
      case MachineFix.AddRemap f -> List.of(f.to(), f.from());
      case UseOther f -> List.of(f.gesture());
      case Both f ->
          Stream.concat(f.first().gestures().stream(), f.second().gestures().stream()).toList();
      case MachineFix.SetCapture _, MachineFix.NoTapDelay _, MachineFix.DropRemap _ -> List.of();
    };
  }

  /** The gesture that it takes into use, which no other change can take into use as well. */
  default Optional<Gesture> claims() {
    return switch (this) {
      case KeymapFix.Replace f -> Optional.of(f.to());
      case KeymapFix.MoveOwn f -> Optional.of(f.to());
      case KeymapFix.AddOwn f -> Optional.of(f.binding().gesture());
      case KeymapFix.MoveInKeymap f -> Optional.of(f.to());
      case MachineFix.AddRemap f -> Optional.of(f.from());
      case KeymapFix.SwitchOff _,
          MachineFix.Direct _,
          MachineFix.SetCapture _,
          MachineFix.NoTapDelay _,
          MachineFix.DropRemap _,
          UseOther _,
          Both _ ->
          Optional.empty();
    };
  }

  /** What only one change of a plan may be about: the thing that it changes, what it claims. */
  default List<Object> once() {
    return this instanceof Both(Fix first, Fix second)
        ? Stream.concat(first.once().stream(), second.once().stream()).distinct().toList()
        : Stream.concat(Stream.of(subject()), claims().stream()).toList();
  }

  /** What it costs a person. */
  double cost(Weights weights);

  /** The thing that it changes: of two fixes that change the same only one can be made. */
  Object subject();

  /**
   * What changes cost, in points; all adjustable.
   *
   * @param changedHabit a gesture that the person has to press otherwise from now on
   * @param lostBuiltIn a built-in gesture that is gone
   * @param remap a remap more, or one less
   * @param session another setting of a session window
   */
  record Weights(double changedHabit, double lostBuiltIn, double remap, double session) {
    /** The usual ones. */
    public static final Weights USUAL = new Weights(2, 3, 4, 1);

    /**
     * Checks the ranges.
     *
     * @throws IllegalArgumentException for a number below 0
     */
    public Weights {
      if (changedHabit < 0 || lostBuiltIn < 0 || remap < 0 || session < 0) {
        throw new IllegalArgumentException(worded("conflict.costs-start-at-0"));
      }
    }
  }

  /**
   * Nothing changes but the person, who presses another gesture.
   *
   * @param conflict the identity of the conflict that is walked around
   * @param environment whose binding loses
   * @param context where in it that holds
   * @param action the id of the action
   * @param gesture what reaches it
   */
  record UseOther(
      String conflict, EnvironmentId environment, String context, ActionId action, Gesture gesture)
      implements Fix {
    @Override
    public Situation applyTo(Situation before) {
      return before;
    }

    @Override
    public String title(Catalog catalog) {
      return worded(
          "conflict.press-for-in",
          gesture,
          quoted(catalog, action),
          ConflictSentence.where(catalog, environment, context));
    }

    @Override
    public double cost(Weights weights) {
      return weights.changedHabit();
    }

    @Override
    public Object subject() {
      return conflict;
    }
  }

  /**
   * Two changes that only together end something.
   *
   * @param first made first
   * @param second made then, on another thing
   */
  record Both(Fix first, Fix second) implements Fix {
    @Override
    public Situation applyTo(Situation before) {
      return second.applyTo(first.applyTo(before));
    }

    @Override
    public String title(Catalog catalog) {
      return worded("conflict.and", first.title(catalog), second.title(catalog));
    }

    @Override
    public double cost(Weights weights) {
      return first.cost(weights) + second.cost(weights);
    }

    @Override
    public Object subject() {
      return List.of(first.subject(), second.subject());
    }
  }

  /** The title of an action in quotation marks. */
  static String quoted(Catalog catalog, ActionId action) {
    return Language.quoted(catalog.title(action));
  }
}
