package polydex.systems;

import static polydex.language.CoreWords.worded;

import java.time.InstantSource;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import polydex.catalog.Action;
import polydex.catalog.Action.Harm;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Successors.Joined;
import polydex.setups.OutlineLine;
import polydex.setups.OutlineLine.Edit;
import polydex.setups.OutlineLine.Option;
import polydex.workspace.Workspace;

/**
 * An action written out, a line for each thing that is said of it; what is changed gives the whole
 * workspace, since an action may go into another or be taken apart. O(actions and bindings).
 */
public final class ActionOutline {
  private static final int MOST_WORDS = 30;

  private final Workspace workspace;
  private final Catalog catalog;
  private final Action action;
  private final InstantSource clock;

  private ActionOutline(Workspace workspace, Action action, InstantSource clock) {
    this.workspace = workspace;
    this.catalog = workspace.catalog();
    this.action = action;
    this.clock = clock;
  }

  /**
   * The lines of an action.
   *
   * @param clock says when it is taken apart
   */
  public static List<OutlineLine<Workspace>> of(
      Workspace workspace, Action action, InstantSource clock) {
    return new ActionOutline(workspace, action, clock).lines();
  }

  private List<OutlineLine<Workspace>> lines() {
    List<OutlineLine<Workspace>> lines = new ArrayList<>();
    lines.add(
        words(worded("systems.what-it-does"), action.title())
            .changedBy(
                new Edit.Words<>(
                    action.title(),
                    worded("systems.as-a-command-save-the-document"),
                    t -> put(action.titled(EnvironmentOutline.named(t))))));
    lines.add(
        words(worded("systems.group"), action.group()).changedBy(new Edit.Choice<>(this::groups)));
    String words = String.join(", ", action.words());
    lines.add(
        words(
                worded("systems.other-words-for-it"),
                words.isEmpty() ? worded("systems.none") : words)
            .changedBy(
                new Edit.Words<>(
                    words,
                    worded("systems.words-that-it-is-searched-by"),
                    t -> put(action.searchedBy(read(t))))));
    lines.add(
        words(worded("systems.when-it-was-not-meant"), harm(action.harm()))
            .changedBy(
                EnvironmentOutline.choice(
                    List.of(Harm.values()), ActionOutline::harm, h -> put(action.harming(h)))));
    lines.add(
        words(worded("systems.doing-it-again"), toggles(action.toggles()))
            .changedBy(
                EnvironmentOutline.choice(
                    List.of(true, false), ActionOutline::toggles, b -> put(action.toggling(b)))));
    OutlineLine<Workspace> opposite =
        words(
                worded("systems.its-opposite"),
                action.opposite().map(catalog::title).orElse(worded("systems.none")))
            .changedBy(another(o -> put(action.opposed(Optional.of(o)))));
    lines.add(
        action.opposite().isPresent()
            ? opposite.removedBy(put(action.opposed(Optional.empty())))
            : opposite);
    joined(lines);
    done(lines);
    return lines;
  }

  private static OutlineLine<Workspace> words(String label, String value) {
    return OutlineLine.of(0, label, value);
  }

  /** What went into it, each to be taken out again. */
  private void joined(List<OutlineLine<Workspace>> lines) {
    List<Joined> all = ActionEdits.joinedInto(catalog, action.id());
    lines.add(
        words(worded("systems.means-the-same"), EnvironmentOutline.count(all.size()))
            .addingBy(another(gone -> ActionEdits.join(workspace, gone, action.id()))));
    for (Joined j : all) {
      lines.add(
          OutlineLine.<Workspace>of(1, "", j.action().title())
              .removedBy(ActionEdits.separate(workspace, j)));
    }
  }

  /** Where it is done; what it means in one of several can become an action of its own. */
  private void done(List<OutlineLine<Workspace>> lines) {
    Set<EnvironmentId> in = ActionEdits.standsIn(workspace, action.id());
    lines.add(words(worded("systems.done-in"), EnvironmentOutline.count(in.size())));
    for (Environment e : catalog.environments()) {
      if (in.contains(e.id())) {
        OutlineLine<Workspace> line = OutlineLine.of(1, "", e.title());
        lines.add(
            in.size() == 1
                ? line
                : line.changedBy(
                    new Edit.Words<>(
                        "%s (%s)".formatted(action.title(), e.title()),
                        worded("systems.what-it-does-in-as-an", e.title()),
                        t ->
                            ActionEdits.part(workspace, action.id(), e.id(), t, clock.instant()))));
      }
    }
  }

  private interface Made {
    Workspace of(ActionId other);
  }

  private Edit<Workspace> another(Made made) {
    return new Edit.Choice<>(
        () ->
            catalog.actions().stream()
                .filter(a -> !a.id().equals(action.id()))
                .map(a -> new Option<>(a.title(), new Edit.Done<>(() -> made.of(a.id()))))
                .toList());
  }

  /** Those that there are, and a new one. */
  private List<Option<Workspace>> groups() {
    List<Option<Workspace>> options = new ArrayList<>();
    options.add(
        new Option<>(
            worded("systems.a-new-group"),
            new Edit.Words<>(
                "",
                worded("systems.what-it-belongs-to"),
                t -> put(action.in(EnvironmentOutline.named(t))))));
    TreeSet<String> known = new TreeSet<>();
    catalog.actions().forEach(a -> known.add(a.group()));
    known.forEach(g -> options.add(new Option<>(g, new Edit.Done<>(() -> put(action.in(g))))));
    return options;
  }

  private static String harm(Harm harm) {
    return harm == Harm.LOSES_WORK
        ? worded("systems.work-is-lost")
        : worded("systems.something-visible-happens");
  }

  private static String toggles(boolean toggles) {
    return toggles ? worded("systems.takes-it-back") : worded("systems.does-it-again");
  }

  private static List<String> read(String text) {
    List<String> words =
        Arrays.stream(text.split(",")).map(String::strip).filter(w -> !w.isEmpty()).toList();
    if (words.size() > MOST_WORDS) {
      throw new IllegalArgumentException(worded("systems.at-most-words", MOST_WORDS));
    }
    return words;
  }

  /** No two actions are called the same. */
  static void refuseTaken(Catalog catalog, Optional<ActionId> but, String title) {
    boolean taken =
        catalog.actions().stream()
            .anyMatch(a -> !but.equals(Optional.of(a.id())) && a.title().equalsIgnoreCase(title));
    if (taken) {
      throw new IllegalArgumentException(worded("systems.another-action-is-called-so"));
    }
  }

  private Workspace put(Action after) {
    if (after.equals(action)) {
      return workspace;
    }
    refuseTaken(catalog, Optional.of(after.id()), after.title());
    return workspace.with(catalog.with(List.of(after), List.of(), Map.of()));
  }
}
