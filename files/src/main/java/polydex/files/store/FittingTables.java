package polydex.files.store;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.statement.PreparedBatch;
import polydex.catalog.EnvironmentId;
import polydex.files.FileProblem;
import polydex.fit.Fitting;
import polydex.fit.OwnBinding;
import polydex.fit.RemapDraft;
import polydex.route.Situation.Computer;

/** What was planned of bindings and remaps of one's own, as rows; written as the difference. */
final class FittingTables {
  private final Handle h;
  private final WorkspaceTables tables;

  FittingTables(Handle h, WorkspaceTables tables) {
    this.h = h;
    this.tables = tables;
  }

  Fitting read(String name) throws FileProblem {
    Map<String, OwnBinding> own = new LinkedHashMap<>();
    for (OwnBinding o : tables.bodies(name, "own_binding", OwnBinding.class)) {
      own.put(o.id(), o);
    }
    Map<String, RemapDraft> drafts = new LinkedHashMap<>();
    for (RemapDraft d : tables.bodies(name, "remap_draft", RemapDraft.class)) {
      drafts.put(d.id(), d);
    }
    Map<Computer, Set<String>> ticked = new HashMap<>();
    h.createQuery("SELECT computer, platform, step FROM ticked")
        .map(
            (row, _) ->
                ticked
                    .computeIfAbsent(
                        new Computer(
                            row.getString("computer"),
                            new EnvironmentId(row.getString("platform"))),
                        _ -> new HashSet<>())
                    .add(row.getString("step")))
        .list();
    return new Fitting(own, drafts, ticked);
  }

  void write(Fitting before, Fitting after) {
    tables.bodies("own_binding", before.own().values(), after.own().values(), OwnBinding::id);
    tables.bodies("remap_draft", before.drafts().values(), after.drafts().values(), RemapDraft::id);
    Set<List<String>> was = steps(before);
    Set<List<String>> now = steps(after);
    ticks("DELETE FROM ticked WHERE computer = :c AND platform = :p AND step = :s", was, now);
    ticks("INSERT INTO ticked (computer, platform, step) VALUES (:c, :p, :s)", now, was);
  }

  /** Does something with each step that is in one set only. */
  private void ticks(String sql, Set<List<String>> in, Set<List<String>> notIn) {
    PreparedBatch batch = h.prepareBatch(sql);
    for (List<String> step : in) {
      if (!notIn.contains(step)) {
        batch.bind("c", step.get(0)).bind("p", step.get(1)).bind("s", step.get(2)).add();
      }
    }
    WorkspaceTables.run(batch);
  }

  private static Set<List<String>> steps(Fitting fitting) {
    List<List<String>> all = new ArrayList<>();
    fitting
        .ticked()
        .forEach(
            (computer, steps) ->
                steps.forEach(
                    s -> all.add(List.of(computer.title(), computer.platform().value(), s))));
    return new HashSet<>(all);
  }
}
