package polydex.sheets;

import static polydex.language.CoreWords.worded;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import polydex.catalog.Catalog;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Naming;
import polydex.catalog.Version;
import polydex.keys.Gesture;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.sheets.Sheet.Foot;
import polydex.sheets.Sheet.Part;
import polydex.sheets.Sheet.Shown;
import polydex.workspace.Workspace;

/** A sheet while it is put together: what it is made from, and the footnotes that came so far. */
record Drafting(SheetWish wish, SheetMaterial material, Naming naming, Footnotes notes) {
  static Drafting of(SheetWish wish, SheetMaterial material) {
    return new Drafting(
        wish, material, new Naming(material.workspace().catalog()), new Footnotes());
  }

  Workspace workspace() {
    return material.workspace();
  }

  Catalog catalog() {
    return naming.catalog();
  }

  LocalDate today() {
    return material.now().atZone(material.known().zone()).toLocalDate();
  }

  Shown shown(Gesture gesture, EnvironmentId environment) {
    return new Shown(gesture, naming.words(environment), naming.look(environment));
  }

  /** The whole sheet of what it is about. */
  Sheet sheet(String title, String about, List<Part> parts) {
    return new Sheet(title, about, parts, notes.all(), new Foot(today(), of(), material.madeBy()));
  }

  private String of() {
    List<String> said = new ArrayList<>();
    switch (wish.kind()) {
      case ENVIRONMENT -> wish.environment().ifPresent(e -> said.add(versioned(e)));
      case COMPARE -> {
        wish.environment().ifPresent(e -> said.add(versioned(e)));
        wish.other().ifPresent(e -> said.add(versioned(e)));
      }
      case SETUP, CONFLICTS -> wish.setup().ifPresent(s -> said.add(path(s)));
      case FOUND, LEARNING, NEW, CONFUSED, OWN, MOUSE, WEEK -> {}
    }
    return String.join(worded("any.and"), said);
  }

  private String versioned(EnvironmentId id) {
    return catalog()
        .environment(id)
        .map(e -> versioned(naming.place(id), e.version()))
        .orElse(id.value());
  }

  /** From the fingers inward, each with the version that the setup has. */
  private String path(Setup setup) {
    List<String> steps = new ArrayList<>();
    Optional.ofNullable(workspace().world().boards().get(setup.board()))
        .ifPresent(b -> steps.add(b.title()));
    for (Machine m : setup.machines()) {
      steps.add(versioned(naming.title(m.platform()), m.version()));
      switch (m.focus()) {
        case Machine.Running r -> steps.add(versioned(naming.title(r.application()), r.version()));
        case Machine.SessionWindow w ->
            steps.add(versioned(naming.title(w.application()), w.version()));
        case Machine.Bare _ -> {}
      }
    }
    return String.join(" › ", steps);
  }

  /** Some titles say their version already; of what has none that is known, it is 0. */
  private static String versioned(String title, Version version) {
    String written = version.written();
    return written.equals("0") || title.contains(written) ? title : title + " " + written;
  }
}
