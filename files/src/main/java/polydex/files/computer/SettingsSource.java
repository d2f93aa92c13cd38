package polydex.files.computer;

import static polydex.files.language.FilesWords.worded;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.computer.Finding;
import polydex.computer.Finding.Keys;
import polydex.files.FileProblem;
import polydex.files.computer.SettingsSchemas.Schema;
import polydex.files.lists.SettingsDump;
import polydex.files.lists.Variants;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.intake.ListSubject;
import polydex.intake.SubjectGuess;
import polydex.workspace.Workspace;

/**
 * The keys of the desktop, and of programs that keep theirs in the same way: GSettings schemas,
 * with what the person set over what they are unless set. Desktops keep them in several schemas,
 * whose ids begin alike; those are one finding.
 */
final class SettingsSource implements ComputerSource {
  private static final String PATHS = "/";
  private static final int MOST_OWN = 500;
  private static final long LARGEST_BYTES = 4 << 20;

  private final Surroundings here;

  SettingsSource(Surroundings here) {
    this.here = here;
  }

  @Override
  public String title() {
    return worded("computer.settings-of-the-desktop");
  }

  /** A schema with what is bound in it. */
  private record Bound(String schema, SubjectGuess guess, List<RequestedRow> rows, boolean set) {
    /** What the ids of one desktop begin with. */
    String family() {
      String[] parts = schema.split("\\.");
      return parts.length > 2 ? parts[0] + "." + parts[1] : schema;
    }
  }

  @Override
  public void read(Listener to) throws FileProblem {
    List<Path> folders = here.dataDirs().stream().map(d -> d.resolve("glib-2.0/schemas")).toList();
    SettingsSchemas schemas = SettingsSchemas.read(folders, here.desktop());
    if (schemas.all().isEmpty()) {
      throw new FileProblem(worded("computer.no-desktop-or-program-keeps-settings"));
    }
    to.at(worded("computer.what-is-set"));
    Map<String, Map<String, String>> set = set(to);
    List<Bound> bound = new ArrayList<>();
    for (Schema schema : schemas.all().values()) {
      if (!schema.relocatable()) {
        bound(schema, set.getOrDefault(schema.id(), Map.of())).ifPresent(bound::add);
      }
    }
    for (String file : schemas.unread()) {
      to.remark(worded("computer.cant-be-read-as-schemas", file));
    }
    desktops(bound).forEach(to::found);
    programs(bound).forEach(to::found);
    if (!to.stopped()) {
      own(schemas, set, to).ifPresent(to::found);
    }
  }

  // ---- what is set

  private Map<String, Map<String, String>> set(Listener to) {
    Optional<String> told = here.tools().run(List.of("gsettings", "list-recursively"));
    Map<String, Map<String, String>> values = new HashMap<>();
    if (told.isPresent()) {
      dumped(told.get(), values);
      return values;
    }
    List<Path> files = keyFiles();
    for (Path file : files) {
      keyFile(file, values);
    }
    to.remark(
        files.isEmpty()
            ? worded("computer.the-tool-gsettings-is-not-there")
            : worded("computer.the-tool-gsettings-is-not-there-2"));
    return values;
  }

  private static void dumped(String text, Map<String, Map<String, String>> values) {
    text.lines()
        .map(line -> SettingsDump.Entry.of(line.strip()))
        .flatMap(Optional::stream)
        .forEach(
            e ->
                values
                    .computeIfAbsent(e.schema(), _ -> new LinkedHashMap<>())
                    .put(e.key(), e.value()));
  }

  /** Those of all first, the person's own over them. */
  private List<Path> keyFiles() {
    List<Path> found = new ArrayList<>();
    Path database = here.at("/etc/dconf/db");
    try (var files = Files.find(database, 2, (f, a) -> a.isRegularFile())) {
      files
          .filter(f -> String.valueOf(f.getParent()).endsWith(".d"))
          .sorted()
          .limit(200)
          .forEach(found::add);
    } catch (IOException | java.io.UncheckedIOException _) {
      // There are none, or they are not for this user.
    }
    Path own = here.configHome().resolve("glib-2.0/settings/keyfile");
    if (Files.isRegularFile(own)) {
      found.add(own);
    }
    return found;
  }

  /** {@code [org/elm/keys]}, and what is set below it. */
  private static void keyFile(Path file, Map<String, Map<String, String>> values) {
    try {
      if (Files.size(file) > LARGEST_BYTES) {
        return;
      }
      String schema = "";
      for (String raw : Files.readString(file, StandardCharsets.UTF_8).lines().toList()) {
        String line = raw.strip();
        int equals = line.indexOf('=');
        if (line.startsWith("[") && line.endsWith("]")) {
          schema = line.substring(1, line.length() - 1).replaceAll("^/|/$", "").replace('/', '.');
        } else if (equals > 0 && !line.startsWith("#")) {
          values
              .computeIfAbsent(schema, _ -> new LinkedHashMap<>())
              .put(line.substring(0, equals).strip(), line.substring(equals + 1).strip());
        }
      }
    } catch (IOException _) {
      // A file that can't be read sets nothing.
    }
  }

  // ---- schemas

  private static Optional<Bound> bound(Schema schema, Map<String, String> set) {
    List<RequestedRow> rows = new ArrayList<>();
    boolean changed = false;
    for (Map.Entry<String, SettingsSchemas.Key> key : schema.keys().entrySet()) {
      String value = set.getOrDefault(key.getKey(), key.getValue().value());
      boolean other = !Variants.strings(value).equals(Variants.strings(key.getValue().value()));
      Optional<List<String>> gestures = Variants.gestures(value);
      if (gestures.isPresent()) {
        changed |= other;
        rows.add(
            new RequestedRow(
                rows.size() + 1,
                schema.id(),
                false,
                "",
                key.getValue().title(),
                String.join("\n", gestures.get())));
      }
    }
    return rows.isEmpty()
        ? Optional.empty()
        : Optional.of(
            new Bound(
                schema.id(),
                SubjectGuess.of(Workspace.EMPTY, "", schema.id(), rows),
                rows,
                changed));
  }

  private static boolean isDesktop(Bound bound) {
    return bound.guess().subject() == ListSubject.DESKTOP;
  }

  /** One finding for each desktop: what is of its windows, and small schemas beside that. */
  private List<Finding> desktops(List<Bound> bound) {
    Map<String, List<Bound>> families = new LinkedHashMap<>();
    for (Bound b : bound) {
      if (isDesktop(b)) {
        families.computeIfAbsent(b.family(), _ -> new ArrayList<>()).add(b);
      }
    }
    families.forEach(
        (family, members) ->
            bound.stream()
                .filter(b -> b.family().equals(family) && !isDesktop(b) && isSmall(b))
                .forEach(members::add));
    Optional<String> chosen = chosen(families);
    List<Finding> found = new ArrayList<>();
    families.forEach(
        (family, members) -> {
          boolean its = chosen.filter(family::equals).isPresent();
          String title =
              its
                  ? here.desktop().orElse(SubjectGuess.THIS_DESKTOP)
                  : worded("computer.desktop", named(family, families.keySet()));
          found.add(
              new Finding(
                  "settings:" + family,
                  its
                      ? worded("computer.keys-of-the-desktop-2")
                      : worded(
                          "computer.keys-of-another-desktop", named(family, families.keySet())),
                  worded("computer.schemas-of-gsettings", members.size(), family),
                  new Keys(ListSubject.DESKTOP, title, rows(members, title, true), List.of()),
                  its ? List.of() : List.of(worded("computer.it-is-installed-and-not-the")),
                  its));
        });
    found.sort(Comparator.comparing(f -> !f.suggested()));
    return found;
  }

  /** The last part of a family's id, as a name; all of it where two end alike. */
  private static String named(String family, Set<String> families) {
    String last = last(family);
    return families.stream().filter(f -> last(f).equalsIgnoreCase(last)).count() > 1
        ? family
        : last.substring(0, 1).toUpperCase(Locale.ROOT) + last.substring(1);
  }

  private static String last(String family) {
    return family.substring(family.lastIndexOf('.') + 1);
  }

  private static boolean isSmall(Bound bound) {
    return bound.rows().size() < 3;
  }

  /** The desktop of the session, if it says which that is; otherwise the one with the most keys. */
  private Optional<String> chosen(Map<String, List<Bound>> families) {
    Optional<String> named =
        here.desktop()
            .map(d -> d.toLowerCase(Locale.ROOT))
            .flatMap(
                d ->
                    families.keySet().stream()
                        .filter(f -> f.toLowerCase(Locale.ROOT).contains(d))
                        .findFirst());
    return named.isPresent() || here.desktop().isPresent()
        ? named
        : families.entrySet().stream()
            .max(
                Comparator.comparing(
                    e -> e.getValue().stream().mapToInt(b -> b.rows().size()).sum()))
            .map(Map.Entry::getKey);
  }

  private List<Finding> programs(List<Bound> bound) {
    List<String> desktops =
        bound.stream().filter(SettingsSource::isDesktop).map(Bound::family).distinct().toList();
    List<Finding> found = new ArrayList<>();
    for (Bound b : bound) {
      boolean ofDesktop = desktops.contains(b.family()) && isSmall(b);
      if (isDesktop(b) || ofDesktop) {
        continue;
      }
      found.add(
          new Finding(
              "settings:" + b.schema(),
              b.guess().title(),
              worded("computer.the-schema", b.schema()),
              new Keys(
                  ListSubject.APPLICATION,
                  b.guess().title(),
                  rows(List.of(b), b.guess().title(), false),
                  List.of()),
              List.of(),
              b.set()));
    }
    return found;
  }

  private static List<RequestedRow> rows(List<Bound> members, String title, boolean platform) {
    List<RequestedRow> all = new ArrayList<>();
    for (Bound b : members) {
      for (RequestedRow r : b.rows()) {
        all.add(new RequestedRow(all.size() + 1, title, platform, "", r.action(), r.gesture()));
      }
    }
    return all;
  }

  // ---- bindings of one's own

  /** Settings that list paths, at each of which a name, a command and a gesture are kept. */
  private Optional<Finding> own(
      SettingsSchemas schemas, Map<String, Map<String, String>> set, Listener to) {
    List<RequestedRow> rows = new ArrayList<>();
    for (Schema schema : schemas.all().values()) {
      for (Map.Entry<String, String> value : set.getOrDefault(schema.id(), Map.of()).entrySet()) {
        List<String> paths = paths(value.getValue());
        for (String path : paths) {
          if (rows.size() < MOST_OWN && !to.stopped()) {
            to.at(path);
            own(schemas, schema, path, set, rows.size() + 1).ifPresent(rows::add);
          }
        }
      }
    }
    return rows.isEmpty()
        ? Optional.empty()
        : Optional.of(
            new Finding(
                "settings:own",
                worded("computer.your-own-bindings"),
                worded("computer.gsettings-what-you-bound-yourself"),
                new Keys(ListSubject.OWN, "", rows, List.of()),
                List.of(),
                true));
  }

  private static List<String> paths(String value) {
    return value.startsWith("[")
        ? Variants.strings(value).orElse(List.of()).stream()
            .filter(p -> p.length() > 2 && p.startsWith(PATHS) && p.endsWith(PATHS))
            .limit(MOST_OWN)
            .toList()
        : List.of();
  }

  private Optional<RequestedRow> own(
      SettingsSchemas schemas,
      Schema of,
      String path,
      Map<String, Map<String, String>> set,
      int line) {
    Map<String, String> values = new HashMap<>();
    schemas.all().values().stream()
        .filter(s -> s.relocatable() && s.id().startsWith(of.id()))
        .filter(s -> s.keys().containsKey("name") && s.keys().containsKey("binding"))
        .findFirst()
        .flatMap(
            s -> here.tools().run(List.of("gsettings", "list-recursively", s.id() + ":" + path)))
        .ifPresent(
            told -> {
              Map<String, Map<String, String>> all = new HashMap<>();
              dumped(told, all);
              all.values().forEach(values::putAll);
            });
    if (values.isEmpty()) {
      values.putAll(set.getOrDefault(path.replaceAll("^/|/$", "").replace('/', '.'), Map.of()));
    }
    Optional<String> name = text(values, "name");
    Optional<String> binding = text(values, "binding");
    return name.isEmpty() || binding.isEmpty()
        ? Optional.empty()
        : Optional.of(
            new RequestedRow(
                    line,
                    "",
                    true,
                    "",
                    name.get(),
                    binding.get(),
                    text(values, "command").map(c -> worded("any.runs", c)).orElse(""))
                .asOwn());
  }

  private static Optional<String> text(Map<String, String> values, String key) {
    return Optional.ofNullable(values.get(key))
        .flatMap(Variants::strings)
        .filter(l -> l.size() == 1)
        .map(l -> l.getFirst().strip())
        .filter(t -> !t.isEmpty());
  }
}
