package polydex.setups;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Application;
import polydex.catalog.EnvironmentId;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.setups.OutlineLine.Edit;
import polydex.setups.OutlineLine.Option;

/** The windows that can hold a machine, and a machine put into one. */
final class HeldMachines {
  private final Catalog catalog;
  private final List<Environment> platforms;

  HeldMachines(Catalog catalog, List<Environment> platforms) {
    this.catalog = catalog;
    this.platforms = platforms;
  }

  /** The machine put into a window on another machine, which comes between it and the fingers. */
  Edit<Setup> around(Machine machine, Function<Machine, Setup> put) {
    List<Option<Setup>> options = new ArrayList<>();
    for (Environment host : platforms) {
      for (Environment window : on(catalog, host.id())) {
        if (window.kind() instanceof Application a && a.holdsMachine()) {
          options.add(
              new Option<>(
                  worded("setups.put-it-into-a-window-of", window.title(), host.title()),
                  new Edit.Done<>(
                      () ->
                          put.apply(
                              SetupList.bare(host, machine.layout())
                                  .with(window(window, machine))))));
        }
      }
    }
    return new Edit.Choice<>(() -> options);
  }

  /** A window in its usual state. */
  static Machine.SessionWindow window(Environment application, Machine inner) {
    return new Machine.SessionWindow(
        application.id(),
        application.version(),
        Machine.Capture.NEVER,
        false,
        List.of(),
        List.of(),
        true,
        Optional.empty(),
        0,
        inner);
  }

  /** The applications that exist on a platform, or on any where that is not known. */
  static List<Environment> on(Catalog catalog, EnvironmentId platform) {
    return catalog.environments().stream()
        .filter(
            e ->
                e.kind() instanceof Application a
                    && (a.platforms().isEmpty() || a.platforms().contains(platform)))
        .toList();
  }
}
