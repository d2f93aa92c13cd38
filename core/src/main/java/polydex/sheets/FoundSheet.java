package polydex.sheets;

import static polydex.language.CoreWords.worded;
import static polydex.language.Language.quoted;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import polydex.catalog.Action;
import polydex.catalog.ActionFinder;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.catalog.SameWords;
import polydex.route.Setup;
import polydex.sheets.Sheet.Part;

/** Actions that words find, in every environment that has them, those of the setup first. */
final class FoundSheet {
  /** So many actions are looked at; more are no answer. */
  private static final int MOST = 500;

  private final Drafting drafting;

  FoundSheet(Drafting drafting) {
    this.drafting = drafting;
  }

  Sheet of(String words) {
    String asked = words.strip();
    ActionFinder.Answer answer =
        asked.isEmpty()
            ? new ActionFinder.Answer(List.of(), false)
            : ActionFinder.of(
                    drafting.catalog().actions(),
                    SameWords.with(drafting.workspace().remembered().sameWords().values()))
                .find(asked, MOST);
    Set<ActionId> found = answer.actions().stream().map(Action::id).collect(Collectors.toSet());
    KeymapSheet keymaps = new KeymapSheet(drafting);
    List<Part> parts = new ArrayList<>();
    Set<ActionId> bound = new LinkedHashSet<>();
    for (EnvironmentId id : environments()) {
      Environment environment = drafting.catalog().environment(id).orElseThrow();
      List<Binding> some =
          drafting.catalog().bindings(id).stream().filter(b -> found.contains(b.action())).toList();
      some.forEach(b -> bound.add(b.action()));
      parts.addAll(keymaps.parts(environment, some, drafting.naming().place(id) + ": "));
    }
    return drafting.sheet(
        asked.isEmpty() ? worded("sheets.actions-that-words-find") : quoted(asked),
        asked.isEmpty()
            ? worded("sheets.say-which-words-are-to-be")
            : worded(
                "sheets.found-of-them-with-keys",
                worded("sheets.actions", found.size()),
                bound.size(),
                answer.partial() ? worded("sheets.no-action-has-all-the-words") : ""),
        parts);
  }

  private List<EnvironmentId> environments() {
    Set<EnvironmentId> order = new LinkedHashSet<>();
    drafting.wish().setup().map(Setup::environments).ifPresent(order::addAll);
    drafting.catalog().environments().forEach(e -> order.add(e.id()));
    order.removeIf(e -> drafting.catalog().environment(e).isEmpty());
    return List.copyOf(order);
  }
}
