package polydex.intake;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import polydex.catalog.Binding;
import polydex.catalog.EnvironmentId;
import polydex.intake.IntakePlan.Gone;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.workspace.Remembered;
import polydex.workspace.Workspace;

/**
 * What came from an earlier version of the same list, beside what this one says. Bindings of the
 * user's own are remembered with the platform on which they hold. O(bindings).
 */
final class EarlierList {
  /** What the ids of bindings of the user's own begin with that came from a list. */
  static final String OWN = "own:";

  private final Workspace before;
  private final Optional<Remembered.Source> earlier;
  private final Map<EnvironmentId, Set<String>> still = new HashMap<>();

  EarlierList(Workspace before, Optional<String> list) {
    this.before = before;
    earlier = list.map(before.remembered().lists()::get);
  }

  /** Whether there was none. */
  boolean isFirst() {
    return earlier.isEmpty();
  }

  /** Notes that this version has a binding that was there before, by its id. */
  void still(EnvironmentId environment, String binding) {
    still.computeIfAbsent(environment, _ -> new HashSet<>()).add(binding);
  }

  /** Whether nothing that was there before is in it. */
  boolean knowsNothing() {
    return still.isEmpty();
  }

  /** What the earlier version had and this one has not, as far as it is still there. */
  List<Gone> gone() {
    List<Gone> gone = new ArrayList<>();
    earlier.ifPresent(
        source ->
            source
                .bindings()
                .forEach(
                    (environment, ids) -> {
                      Set<String> now = still.getOrDefault(environment, Set.of());
                      there(before, environment)
                          .filter(b -> ids.contains(b.id()) && !now.contains(b.id()))
                          .filter(b -> !now.contains(id(b)))
                          .forEach(b -> gone.add(new Gone(environment, b)));
                    }));
    return gone;
  }

  /** What a binding says, as an id: one whose action went into another still has its older id. */
  static String key(Binding b) {
    return b.context() + ":" + b.action() + ":" + b.gesture();
  }

  private static String id(Binding b) {
    return b.id().startsWith(OWN) ? OWN + key(b) : key(b);
  }

  /** The bindings of a keymap, and those of one's own on a machine under the hands that has it. */
  private static Stream<Binding> there(Workspace workspace, EnvironmentId environment) {
    return Stream.concat(
        workspace.catalog().bindings(environment).stream(),
        workspace
            .setup()
            .map(Setup::machine)
            .filter(m -> m.platform().equals(environment))
            .map(Machine::own)
            .stream()
            .flatMap(List::stream));
  }

  /** What came from the list: what it has now, and what stays of what it had. */
  Remembered.Source source(Workspace after, Map<EnvironmentId, Set<String>> added) {
    Map<EnvironmentId, Set<String>> all = new HashMap<>();
    earlier.ifPresent(s -> s.bindings().forEach((e, old) -> all.put(e, new HashSet<>(old))));
    still.forEach((e, now) -> all.computeIfAbsent(e, _ -> new HashSet<>()).addAll(now));
    all.forEach(
        (environment, kept) -> {
          Set<String> there = new HashSet<>();
          there(after, environment).forEach(b -> there.add(b.id()));
          kept.retainAll(there);
        });
    added.forEach((e, now) -> all.computeIfAbsent(e, _ -> new HashSet<>()).addAll(now));
    return new Remembered.Source(all);
  }
}
