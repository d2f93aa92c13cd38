package polydex.files.computer;

import static polydex.files.language.FilesWords.worded;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import polydex.computer.Finding;
import polydex.computer.Finding.Keys;
import polydex.files.FileProblem;
import polydex.files.FolderWalk;
import polydex.files.lists.ForeignList;
import polydex.files.lists.Intake;
import polydex.files.lists.ListReader;
import polydex.intake.BindingIntake;
import polydex.intake.IntakePlan;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.intake.ListSubject;
import polydex.intake.SubjectGuess;
import polydex.keys.Gesture;
import polydex.workspace.Workspace;

/**
 * What programs keep of their keys in files: those of the person, and those of all where the person
 * has none of the same name. A file is told by its content: it has one of the forms in which keys
 * are kept, and most of what stands where gestures stand can be read as such. O(bytes).
 */
final class ConfigSource implements ComputerSource {
  private static final int MOST_FILES = 20_000;
  private static final long LARGEST_BYTES = 1 << 20;
  private static final int LEAST = 3;
  private static final int HEAD = 4096;

  /** Folders of what programs keep for themselves, where nobody writes keys. */
  private static final Set<String> PASSED_OVER =
      Set.of(
          "cache", "caches", "code cache", "gpucache", "logs", "history", "node_modules", ".git");

  private final Surroundings here;

  ConfigSource(Surroundings here) {
    this.here = here;
  }

  @Override
  public String title() {
    return worded("computer.files-of-programs");
  }

  @Override
  public void read(Listener to) throws FileProblem {
    Set<String> seen = new HashSet<>();
    List<Path> folders = new ArrayList<>();
    folders.add(here.configHome());
    folders.addAll(here.configDirs());
    dotFiles(seen, to);
    for (Path folder : folders) {
      if (Files.isDirectory(folder) && !to.stopped()) {
        new Walk(folder, seen, folder.equals(here.configHome()), to).walk();
      }
    }
  }

  /** Files right in the home whose names begin with a dot. */
  private void dotFiles(Set<String> seen, Listener to) throws FileProblem {
    try (var files = Files.list(here.home())) {
      for (Path file : files.limit(MOST_FILES).sorted().toList()) {
        String name = file.getFileName().toString();
        if (name.startsWith(".") && Files.isRegularFile(file) && !isHistory(name)) {
          look(file, name, true, to).ifPresent(f -> found(f, seen, to));
        }
      }
    } catch (IOException | java.io.UncheckedIOException _) {
      to.remark(worded("computer.cant-be-looked-into", here.home()));
    }
  }

  private static void found(Finding finding, Set<String> seen, Listener to) {
    if (seen.add(finding.id())) {
      to.found(finding);
    }
  }

  private static boolean isHistory(String name) {
    return name.toLowerCase(Locale.ROOT).contains("history");
  }

  private final class Walk extends FolderWalk {
    private final Path top;
    private final Set<String> seen;
    private final boolean own;
    private final Listener to;

    Walk(Path top, Set<String> seen, boolean own, Listener to) {
      super(top, MOST_FILES);
      this.top = top;
      this.seen = seen;
      this.own = own;
      this.to = to;
    }

    @Override
    protected boolean goesOn(int files) {
      return !to.stopped();
    }

    @Override
    protected void file(Path file, String path, BasicFileAttributes attributes) {
      boolean passed =
          !attributes.isRegularFile()
              || isHistory(path)
              || List.of(path.toLowerCase(Locale.ROOT).split("/")).stream()
                  .anyMatch(PASSED_OVER::contains);
      // What the person has counts, and what all have of the same name is not looked at.
      if (!passed && !seen.contains("file:" + path)) {
        look(top.resolve(path), path, own, to).ifPresent(f -> found(f, seen, to));
      }
    }

    @Override
    protected void failed(String path, String reason) {
      to.remark(worded("any.cant-be-read", path, reason));
    }
  }

  private Optional<Finding> look(Path file, String path, boolean own, Listener to) {
    Optional<String> text = text(file);
    if (text.isEmpty()) {
      return Optional.empty();
    }
    to.at(path);
    return ListReader.configured(path, text.get()).flatMap(list -> finding(list, file, path, own));
  }

  private static Optional<String> text(Path file) {
    try {
      if (Files.size(file) > LARGEST_BYTES) {
        return Optional.empty();
      }
      byte[] bytes = Files.readAllBytes(file);
      for (int i = 0; i < Math.min(HEAD, bytes.length); i++) {
        if (bytes[i] == 0) {
          return Optional.empty();
        }
      }
      return Optional.of(
          StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes)).toString());
    } catch (CharacterCodingException _) {
      return Optional.empty(); // no text
    } catch (IOException _) {
      return Optional.empty();
    }
  }

  private Optional<Finding> finding(ForeignList list, Path file, String path, boolean own) {
    Intake intake;
    try {
      intake = Intake.of(Workspace.EMPTY, list, Intake.Said.NOTHING.titled(called(path)));
    } catch (FileProblem _) {
      return Optional.empty();
    }
    List<RequestedRow> rows =
        intake.request().rows().stream().filter(r -> !r.gesture().isBlank()).toList();
    IntakePlan plan = BindingIntake.plan(Workspace.EMPTY, intake.request());
    // What a line takes away is a gesture as well, if it can be read.
    int away = plan.reading().unbound().size();
    long certain = away + plan.taken().stream().filter(t -> isCertain(t.gesture())).count();
    long read = away + plan.taken().stream().map(t -> t.row().line()).distinct().count();
    long all = rows.stream().map(RequestedRow::line).distinct().count();
    if (certain < LEAST || read * 3 < all * 2) {
      return Optional.empty();
    }
    SubjectGuess guess = SubjectGuess.of(Workspace.EMPTY, "", called(path), rows);
    boolean desktop = guess.subject() == ListSubject.DESKTOP;
    String title = desktop ? here.desktop().orElse(SubjectGuess.THIS_DESKTOP) : called(path);
    List<RequestedRow> its = new ArrayList<>();
    for (RequestedRow r : rows) {
      its.add(
          new RequestedRow(
              r.line(), title, desktop, r.context(), r.action(), r.gesture(), r.note()));
    }
    return Optional.of(
        new Finding(
            "file:" + path,
            desktop ? worded("computer.keys-of-the-desktop", called(path)) : title,
            file.toString(),
            new Keys(guess.subject(), title, its, intake.request().refused()),
            desktop ? List.of(guess.why()) : List.of(),
            own || (desktop && isOfTheSession(path))));
  }

  private boolean isOfTheSession(String path) {
    return here.desktop()
        .filter(d -> path.toLowerCase(Locale.ROOT).contains(d.toLowerCase(Locale.ROOT)))
        .isPresent();
  }

  /** Whether a gesture has modifiers or a function key in it, so that no word is taken for one. */
  private static boolean isCertain(Gesture gesture) {
    return gesture.modifierPresses() > 0 || gesture.toString().matches("F\\d{1,2}");
  }

  /** The program whose file it is, by the folder it is in, or its own name. */
  private static String called(String path) {
    String name = path.contains("/") ? path.substring(0, path.indexOf('/')) : path;
    String plain = name.replaceFirst("^\\.+", "").replaceFirst("(?<=.)\\.[A-Za-z]+$", "");
    String words = plain.replace('-', ' ').replace('_', ' ').strip();
    return words.isEmpty() ? path : Character.toUpperCase(words.charAt(0)) + words.substring(1);
  }
}
