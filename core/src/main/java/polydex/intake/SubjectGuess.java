package polydex.intake;

import static polydex.language.CoreWords.worded;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.ResourceBundle;
import java.util.Set;
import java.util.stream.Collectors;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Platform;
import polydex.catalog.EnvironmentId;
import polydex.catalog.SmallWords;
import polydex.catalog.Words;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.workspace.Remembered;
import polydex.workspace.Workspace;

/**
 * What a list is about, as far as it can be told: what it was about before, or else by its actions.
 * O(characters of the lines that are looked at).
 *
 * @param subject what it is about
 * @param title of the environment of lines that name none
 * @param why a sentence
 */
public record SubjectGuess(ListSubject subject, String title, String why) {
  /** How a desktop is called that has no name yet. */
  public static final String THIS_DESKTOP = worded("intake.this-computers-desktop");

  /** The platform that a new file begins with, since there has to be one. */
  public static final EnvironmentId STAND_IN = new EnvironmentId("plain-desktop");

  /** How many lines tell enough. */
  public static final int SAMPLE = 400;

  private static final int LONGEST_PHRASE = 3;
  private static final int LEAST = 3;
  private static final ResourceBundle SHIPPED =
      ResourceBundle.getBundle("polydex.intake.desktop-words", Locale.ROOT);

  /** What the last parts of ids are called that say nothing of whose they are. */
  private static final Set<String> GENERAL = Set.of(SHIPPED.getString("general").split(";"));

  private static final Set<String> PHRASES =
      Arrays.stream(SHIPPED.getString("desktop").split(";"))
          .map(SubjectGuess::stems)
          .collect(Collectors.toUnmodifiableSet());

  /**
   * The guess for a list.
   *
   * @param list the name under which it is remembered
   * @param title what it is called, or its file; may be empty
   * @param rows some of its lines
   */
  public static SubjectGuess of(
      Workspace workspace, String list, String title, List<RequestedRow> rows) {
    Optional<SubjectGuess> before = before(workspace, list);
    if (before.isPresent()) {
      return before.get();
    }
    List<RequestedRow> bound = rows.stream().filter(r -> !r.gesture().isBlank()).toList();
    long desktop = bound.stream().filter(r -> isOfADesktop(r.action())).count();
    boolean enough = desktop >= LEAST && desktop * 3 >= bound.size();
    // Of a short list fewer will do, if they are more of it.
    if (enough || (desktop == LEAST - 1 && desktop * 2 >= bound.size())) {
      return new SubjectGuess(
          ListSubject.DESKTOP,
          titleFor(workspace, ListSubject.DESKTOP, title),
          worded("intake.of-actions-are-of-windows-workspaces", desktop, bound.size()));
    }
    return new SubjectGuess(ListSubject.APPLICATION, called(title), "");
  }

  /** What a list is about whose environment someone names, where there is one of that name. */
  public static Optional<ListSubject> subjectOf(Workspace workspace, String title) {
    String folded = IntakeNames.fold(title);
    return workspace.catalog().environments().stream()
        .filter(e -> IntakeNames.fold(e.title()).equals(folded))
        .findFirst()
        .map(SubjectGuess::subjectOf);
  }

  private static ListSubject subjectOf(Environment environment) {
    return environment.kind() instanceof Platform ? ListSubject.DESKTOP : ListSubject.APPLICATION;
  }

  /**
   * What the environment of a list is called, if nobody says.
   *
   * @param list its own title; may be empty
   */
  public static String titleFor(Workspace workspace, ListSubject subject, String list) {
    return switch (subject) {
      case DESKTOP -> desktopOf(workspace).map(Environment::title).orElse(THIS_DESKTOP);
      case APPLICATION -> called(list);
      // The platform of the machine, whatever it is: that is where the user's own bindings hold.
      case OWN ->
          workspace
              .setup()
              .flatMap(s -> workspace.catalog().environment(s.machine().platform()))
              .map(Environment::title)
              .orElse("");
    };
  }

  /** The one keymap that an earlier version of the list went into, or the person's own. */
  private static Optional<SubjectGuess> before(Workspace workspace, String list) {
    Remembered.Source source = workspace.remembered().lists().get(list);
    if (source == null || source.bindings().isEmpty()) {
      return Optional.empty();
    }
    List<EnvironmentId> keymaps =
        source.bindings().entrySet().stream()
            .filter(e -> e.getValue().stream().anyMatch(b -> !b.startsWith(EarlierList.OWN)))
            .map(Map.Entry::getKey)
            .toList();
    String why = worded("intake.it-went-there-before");
    boolean own = source.bindings().values().stream().anyMatch(ids -> !ids.isEmpty());
    if (keymaps.isEmpty() && own) {
      return Optional.of(
          new SubjectGuess(ListSubject.OWN, titleFor(workspace, ListSubject.OWN, ""), why));
    }
    return keymaps.size() != 1
        ? Optional.empty()
        : workspace
            .catalog()
            .environment(keymaps.getFirst())
            .map(e -> new SubjectGuess(subjectOf(e), e.title(), why));
  }

  /**
   * The desktop of the computer under the hands, as far as it is known: the invented one of a new
   * file stands in for it until something was brought in.
   */
  public static Optional<Environment> desktopOf(Workspace workspace) {
    return workspace
        .setup()
        .map(Setup::machine)
        .map(Machine::platform)
        .filter(p -> !isStandIn(workspace, p))
        .flatMap(workspace.catalog()::environment);
  }

  /** Whether a platform is the invented one of a new file, and nothing was brought into it. */
  public static boolean isStandIn(Workspace workspace, EnvironmentId platform) {
    return platform.equals(STAND_IN)
        && workspace.remembered().lists().values().stream()
            .noneMatch(s -> s.bindings().containsKey(platform));
  }

  private static boolean isOfADesktop(String action) {
    List<String> words = SmallWords.without(Words.of(action)).limit(12).toList();
    Set<String> phrases = new HashSet<>();
    for (int from = 0; from < words.size(); from++) {
      for (int to = from + 1; to <= Math.min(words.size(), from + LONGEST_PHRASE); to++) {
        phrases.add(String.join(" ", words.subList(from, to)));
      }
    }
    return phrases.stream().anyMatch(PHRASES::contains);
  }

  private static String stems(String phrase) {
    return SmallWords.without(Words.of(phrase)).collect(Collectors.joining(" "));
  }

  /** {@code org.elm.text-editor.keybindings} is an id, and nobody calls a program so. */
  private static String called(String title) {
    String plain = title.strip();
    if (plain.indexOf('.') < 0 || plain.indexOf(' ') >= 0) {
      return plain;
    }
    List<String> parts =
        Arrays.stream(plain.split("\\."))
            .map(p -> String.join(" ", Words.of(p)))
            .filter(p -> !p.isEmpty() && !GENERAL.contains(p))
            .toList();
    String last = parts.isEmpty() ? plain : parts.getLast();
    return Character.toUpperCase(last.charAt(0)) + last.substring(1);
  }
}
