package polydex.systems;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import polydex.catalog.Action;
import polydex.catalog.Action.Harm;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.setups.OutlineLine;
import polydex.setups.OutlineLine.Edit;
import polydex.setups.OutlineLine.Option;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** An action written out, a line for each thing that is said of it. O(actions). */
public final class ActionOutline {
  private static final int MOST_WORDS = 30;

  private ActionOutline() {}

  /** The lines of an action. */
  public static List<OutlineLine<Action>> of(Catalog catalog, Action action) {
    List<OutlineLine<Action>> lines = new ArrayList<>();
    lines.add(
        OutlineLine.<Action>of(0, "What it does", action.title())
            .changedBy(
                new Edit.Words<>(
                    action.title(),
                    "As a command: Save the document",
                    t -> titled(action, EnvironmentOutline.named(t)))));
    lines.add(
        OutlineLine.<Action>of(0, "Group", action.group())
            .changedBy(new Edit.Choice<>(() -> groups(catalog, action))));
    String words = String.join(", ", action.words());
    lines.add(
        OutlineLine.<Action>of(0, "Other words for it", words.isEmpty() ? "none" : words)
            .changedBy(
                new Edit.Words<>(
                    words, "Words that it is searched by, with commas", t -> words(action, t))));
    lines.add(
        OutlineLine.<Action>of(0, "When it was not meant", harm(action.harm()))
            .changedBy(
                EnvironmentOutline.choice(
                    List.of(Harm.values()),
                    ActionOutline::harm,
                    h ->
                        new Action(
                            action.id(),
                            action.title(),
                            action.group(),
                            action.words(),
                            h,
                            action.opposite(),
                            action.toggles()))));
    lines.add(
        OutlineLine.<Action>of(0, "Doing it again", toggles(action.toggles()))
            .changedBy(
                EnvironmentOutline.choice(
                    List.of(true, false),
                    ActionOutline::toggles,
                    b -> opposed(action, action.opposite(), b))));
    OutlineLine<Action> opposite =
        OutlineLine.<Action>of(
                0, "Its opposite", action.opposite().map(catalog::title).orElse("none"))
            .changedBy(
                EnvironmentOutline.ActionChoice.id(
                    catalog, o -> opposed(action, Optional.of(o), action.toggles())));
    lines.add(
        action.opposite().isPresent()
            ? opposite.removedBy(opposed(action, Optional.empty(), action.toggles()))
            : opposite);
    return lines;
  }

  /** Those that there are, and a new one. */
  private static List<Option<Action>> groups(Catalog catalog, Action action) {
    List<Option<Action>> options = new ArrayList<>();
    options.add(
        new Option<>(
            "A new group",
            new Edit.Words<>(
                "", "What it belongs to", t -> grouped(action, EnvironmentOutline.named(t)))));
    TreeSet<String> known = new TreeSet<>();
    catalog.actions().forEach(a -> known.add(a.group()));
    known.forEach(g -> options.add(new Option<>(g, new Edit.Done<>(grouped(action, g)))));
    return options;
  }

  private static String harm(Harm harm) {
    return harm == Harm.LOSES_WORK ? "work is lost" : "something visible happens";
  }

  private static String toggles(boolean toggles) {
    return toggles ? "takes it back" : "does it again";
  }

  private static Action titled(Action a, String title) {
    return new Action(a.id(), title, a.group(), a.words(), a.harm(), a.opposite(), a.toggles());
  }

  private static Action grouped(Action a, String group) {
    return new Action(a.id(), a.title(), group, a.words(), a.harm(), a.opposite(), a.toggles());
  }

  private static Action opposed(Action a, Optional<ActionId> opposite, boolean toggles) {
    return new Action(a.id(), a.title(), a.group(), a.words(), a.harm(), opposite, toggles);
  }

  private static Action words(Action a, String text) {
    List<String> words =
        Arrays.stream(text.split(",")).map(String::strip).filter(w -> !w.isEmpty()).toList();
    if (words.size() > MOST_WORDS) {
      throw new IllegalArgumentException("At most %d words.".formatted(MOST_WORDS));
    }
    return new Action(a.id(), a.title(), a.group(), words, a.harm(), a.opposite(), a.toggles());
  }

  /**
   * An action is changed.
   *
   * @param what as the rest of a title
   * @throws IllegalArgumentException for a title that another action has
   */
  public static Change.Edit change(Workspace before, Action after, String what) {
    boolean taken =
        before.catalog().actions().stream()
            .anyMatch(a -> !a.id().equals(after.id()) && a.title().equalsIgnoreCase(after.title()));
    if (taken) {
      throw new IllegalArgumentException("Another action is called so.");
    }
    return new Change.Edit(
        "\u201c%s\u201d: %s".formatted(after.title(), what),
        before,
        before.with(before.catalog().with(List.of(after), List.of(), Map.of())));
  }
}
