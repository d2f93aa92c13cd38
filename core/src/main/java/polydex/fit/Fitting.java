package polydex.fit;

import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import polydex.route.Situation.Computer;

/**
 * What a person has planned and said about bindings and remaps of their own; immutable.
 *
 * @param own by id, in the order in which they were planned
 * @param drafts of remaps, by id, in the same order
 * @param ticked the steps of change sheets that are done, by computer
 */
public record Fitting(
    Map<String, OwnBinding> own,
    Map<String, RemapDraft> drafts,
    Map<Computer, Set<String>> ticked) {
  /** Nothing yet. */
  public static final Fitting NOTHING = new Fitting(Map.of(), Map.of(), Map.of());

  /** Copies the maps. */
  public Fitting {
    own = Collections.unmodifiableMap(new LinkedHashMap<>(own));
    drafts = Collections.unmodifiableMap(new LinkedHashMap<>(drafts));
    Map<Computer, Set<String>> copied = new HashMap<>();
    ticked.forEach(
        (computer, steps) -> {
          if (!steps.isEmpty()) {
            copied.put(computer, Set.copyOf(steps));
          }
        });
    ticked = Map.copyOf(copied);
  }

  /** The same with a binding added, or replaced where its id is known. */
  public Fitting with(OwnBinding binding) {
    Map<String, OwnBinding> more = new LinkedHashMap<>(own);
    more.put(binding.id(), binding);
    return new Fitting(more, drafts, ticked);
  }

  /** The same without a binding. */
  public Fitting without(OwnBinding binding) {
    Map<String, OwnBinding> less = new LinkedHashMap<>(own);
    less.remove(binding.id());
    return new Fitting(less, drafts, ticked);
  }

  /** The same with a draft added, or replaced where its id is known. */
  public Fitting with(RemapDraft draft) {
    Map<String, RemapDraft> more = new LinkedHashMap<>(drafts);
    more.put(draft.id(), draft);
    return new Fitting(own, more, ticked);
  }

  /** The same without a draft. */
  public Fitting without(RemapDraft draft) {
    Map<String, RemapDraft> less = new LinkedHashMap<>(drafts);
    less.remove(draft.id());
    return new Fitting(own, less, ticked);
  }

  /** The steps that are done on a computer. */
  public Set<String> ticked(Computer computer) {
    return ticked.getOrDefault(computer, Set.of());
  }

  /** The same with a step done, or not. */
  public Fitting ticking(Computer computer, String step, boolean done) {
    Map<Computer, Set<String>> changed = new HashMap<>(ticked);
    Set<String> steps = new HashSet<>(ticked(computer));
    if (done) {
      steps.add(step);
    } else {
      steps.remove(step);
    }
    changed.put(computer, steps);
    return new Fitting(own, drafts, changed);
  }

  /** The same with all steps of a thing undone, whose ids begin with its id and a slash. */
  Fitting untickingAll(Computer computer, String id) {
    Fitting changed = this;
    for (String step : ticked(computer)) {
      changed = step.startsWith(id + "/") ? changed.ticking(computer, step, false) : changed;
    }
    return changed;
  }

  /** An id that nothing here has, made of a wish for one. */
  public String unused(String wished) {
    String id = wished;
    for (int i = 2; own.containsKey(id) || drafts.containsKey(id); i++) {
      id = wished + "-" + i;
    }
    return id;
  }
}
