package polydex.cli;

import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Option;
import polydex.boards.Layout;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.files.store.Store;
import polydex.files.xkb.XkbLayouts;
import polydex.workspace.Workspace;

/** Where a command that needs no data of the user's gets its layouts and platforms from. */
final class OptionalSource {
  @ArgGroup(multiplicity = "0..1")
  private @Nullable Choice choice;

  private static final class Choice {
    @Option(
        names = {"-f", "--file"},
        paramLabel = "FILE",
        description = "A .polydex file, for its layouts and platforms.")
    @Nullable Path file;

    @Option(names = "--demo", description = "The demo, for its platforms.")
    boolean demo;
  }

  private @Nullable Workspace read;

  /** Read when it is asked for: most that is asked needs one layout of it alone. */
  Workspace workspace() throws FileProblem {
    if (read == null) {
      read = readWorkspace();
    }
    return read;
  }

  private Workspace readWorkspace() throws FileProblem {
    if (choice == null || choice.file == null) {
      return choice != null && choice.demo ? Shipped.demo() : Shipped.start();
    }
    try (Store store = Store.open(Source.existing(choice.file))) {
      return store.workspace();
    }
  }

  /** A layout of the workspace by id or title, or an installed one by its name: {@code xkb:de}. */
  Optional<Layout> layout(String name) throws FileProblem {
    if (name.startsWith(XkbLayouts.PREFIX)) {
      return Optional.of(
          new XkbLayouts(XkbLayouts.USUAL).layout(name.substring(XkbLayouts.PREFIX.length())));
    }
    String wanted = name.strip().toLowerCase(Locale.ROOT);
    Optional<Layout> shipped = choice == null ? Shipped.layout(wanted) : Optional.empty();
    return shipped.isPresent() ? shipped : ofWorkspace(wanted);
  }

  private Optional<Layout> ofWorkspace(String wanted) throws FileProblem {
    return workspace().world().layouts().values().stream()
        .filter(l -> l.id().equals(wanted) || l.title().toLowerCase(Locale.ROOT).equals(wanted))
        .findFirst();
  }
}
