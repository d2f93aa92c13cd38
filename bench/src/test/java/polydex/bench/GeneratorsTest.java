package polydex.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.HashSet;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import polydex.catalog.Binding;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.files.Shipped;
import polydex.files.log.LogImport;
import polydex.files.log.LogReport;
import polydex.person.Knowledge;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.route.TracedBinding;
import polydex.route.World;

/** What is measured on is as large and as mixed as the tables of figures say. */
class GeneratorsTest {
  @TempDir Path folder;

  @ParameterizedTest
  @ValueSource(ints = {500, 4_000})
  void aLargeWorldHasItsSizeAndCanBeTraced(int bindings) {
    World world = Large.world(bindings);
    assertThat(world.catalog().size()).isBetween(bindings * 9 / 10, bindings * 11 / 10);
    assertThat(Large.world(bindings).catalog().bindings(new EnvironmentId("app")))
        .isEqualTo(world.catalog().bindings(new EnvironmentId("app")));
    Setup setup = Large.setup();
    assertThat(world.problem(setup)).isEmpty();
    SetupTraces traces = SetupTraces.of(setup, world);
    long works = traces.all().stream().filter(TracedBinding::works).count();
    assertThat(works).isPositive().isLessThan(traces.all().size());
    Set<String> contexts = new HashSet<>();
    Set<Object> gestures = new HashSet<>();
    for (Environment e : world.catalog().environments()) {
      for (Binding b : world.catalog().bindings(e.id())) {
        contexts.add(b.context());
        gestures.add(b.gesture());
      }
    }
    assertThat(contexts).hasSizeGreaterThan(2);
    assertThat(gestures).hasSizeGreaterThan(100);
  }

  /** No line of the log that is measured on is refused, and nearly all are recognised. */
  @Test
  void theLargeLogIsTakenWhole() throws Exception {
    Path log = folder.resolve("log.csv");
    MouseBench.write(log, 5_000);
    assertThat(Files.size(log)).isPositive();
    LogReport report =
        new LogImport(
                log,
                ZoneOffset.UTC,
                Instant.parse("2035-01-01T00:00:00Z"),
                Knowledge.recogniser(Shipped.demo()))
            .look(_ -> true);
    assertThat(report.refusedInAll()).isZero();
    assertThat(report.events()).isEqualTo(5_000);
    assertThat(report.recognisedShare()).isGreaterThan(0.8);
  }
}
