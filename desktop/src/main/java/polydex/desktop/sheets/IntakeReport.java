package polydex.desktop.sheets;

import static polydex.desktop.language.DesktopWords.worded;
import static polydex.language.Language.quoted;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.desktop.sheets.IntakeLines.Act;
import polydex.desktop.sheets.IntakeLines.Choose;
import polydex.desktop.sheets.IntakeLines.Fate;
import polydex.desktop.sheets.IntakeLines.Line;
import polydex.desktop.sheets.IntakeLines.Stay;
import polydex.desktop.sheets.IntakeLines.Turn;
import polydex.desktop.sheets.IntakeLines.Want;
import polydex.files.lists.ForeignList;
import polydex.files.lists.Intake;
import polydex.intake.CellRule;
import polydex.intake.IntakeReading;
import polydex.intake.IntakeReading.OfSystem;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.intake.ReadingChoice;
import polydex.intake.TableFate;
import polydex.language.Language;

/**
 * What a preview says of a list as a whole: what can mean two things, how it was read, what was
 * not.
 */
final class IntakeReport {
  private IntakeReport() {}

  static List<Line> lines(ForeignList list, Intake intake, IntakeReading reading) {
    List<Line> all = new ArrayList<>();
    reading
        .asked()
        .forEach(
            a ->
                all.add(
                    line(
                        a.row(),
                        Fate.ASKED,
                        a.why() + said(a.choice(), a.choice().options().getFirst()),
                        new Choose(a.choice(), a.choice().options().getFirst()))));
    reading
        .partly()
        .forEach(
            p ->
                all.add(
                    line(
                        p.row(),
                        Fate.PARTLY,
                        worded("sheets.no-gesture-in-the-rest-is", Language.list(p.unread())),
                        new Stay())));
    reading
        .unbound()
        .forEach(
            u ->
                all.add(
                    line(
                        u.row(),
                        Fate.OFF,
                        u.bindings().isEmpty()
                            ? worded("sheets.nothing-of-it-is-known-here")
                            : worded("sheets.switched-off"),
                        new Stay())));
    reading
        .without()
        .forEach(r -> all.add(line(r, Fate.WITHOUT, worded("sheets.no-gesture"), new Stay())));
    rules(reading, all);
    choices(reading, all);
    tables(intake, all);
    for (ForeignList.Overlooked o : list.overlooked()) {
      all.add(
          new Line(
              o.line(),
              Fate.UNSEEN,
              o.what(),
              Optional.empty(),
              IntakeLines.in(o.file()) + o.why(),
              Optional.empty(),
              new Stay()));
    }
    return all;
  }

  private static Line line(RequestedRow row, Fate fate, String why, Act act) {
    String text = row.action() + ": " + row.gesture().replace('\n', ' ');
    return new Line(
        row.line(),
        fate,
        text,
        Optional.empty(),
        IntakeLines.in(row.file()) + why,
        Optional.empty(),
        act);
  }

  private static void rules(IntakeReading reading, List<Line> all) {
    reading.rules().entrySet().stream()
        .sorted(Map.Entry.comparingByKey())
        .filter(e -> e.getKey() != CellRule.NOTHING)
        .forEach(
            e ->
                all.add(
                    told(
                        "%,d %s"
                            .formatted(
                                e.getValue().count(), worded("sheets.cells", e.getValue().count())),
                        worded(
                            "sheets.such-as",
                            capital(e.getKey().words()),
                            e.getValue().text(),
                            e.getValue().reading()),
                        new Stay())));
    systems(reading, all);
  }

  /** Systems of columns and of cells are chosen apart, since they don't stand beside each other. */
  private static void systems(IntakeReading reading, List<Line> all) {
    Set<String> taken = new HashSet<>();
    reading.systems().forEach((system, of) -> addIf(of.taken(), system, taken));
    for (boolean columns : List.of(true, false)) {
      Map<String, OfSystem> beside = new LinkedHashMap<>(reading.systems());
      beside.values().removeIf(of -> of.inColumns() != columns);
      long takenHere = beside.values().stream().filter(OfSystem::taken).count();
      beside.forEach(
          (system, of) -> {
            boolean only = of.taken() && takenHere == 1;
            String why =
                !of.taken()
                    ? worded("sheets.left-enter-takes-it-too")
                    : only ? worded("sheets.taken") : worded("sheets.taken-enter-leaves-it");
            Set<String> other = new HashSet<>(taken);
            other.remove(system);
            addIf(!of.taken(), system, other);
            all.add(
                told(
                    worded("sheets.gestures-for", system, of.gestures()),
                    why,
                    only ? new Stay() : new Want(other)));
          });
    }
  }

  private static void addIf(boolean is, String system, Set<String> to) {
    if (is) {
      to.add(system);
    }
  }

  private static void choices(IntakeReading reading, List<Line> all) {
    for (ReadingChoice choice : reading.chosen()) {
      String now = reading.dialect().options().get(choice);
      int next = (choice.options().indexOf(now) + 1) % choice.options().size();
      String other = choice.options().get(next);
      all.add(
          told(
              choice.title() + ": " + now, said(choice, other).strip(), new Choose(choice, other)));
    }
  }

  private static String said(ReadingChoice choice, String option) {
    return worded("sheets.enter", choice.does(option));
  }

  private static String capital(String words) {
    return Character.toUpperCase(words.charAt(0)) + words.substring(1);
  }

  private static void tables(Intake intake, List<Line> all) {
    int number = 0;
    for (TableFate fate : intake.tables()) {
      number++;
      String title =
          fate.table().title().isBlank() ? "" : " " + quoted(fate.table().title().strip());
      all.add(
          new Line(
              fate.table().firstLine(),
              fate.taken() ? Fate.TABLE : Fate.LEFT,
              worded(
                  "sheets.lines", fate.table().origin().kind(), title, fate.table().rows().size()),
              Optional.empty(),
              IntakeLines.in(fate.table().origin().file())
                  + fate.why()
                  + (fate.taken()
                      ? worded("sheets.enter-leaves-it")
                      : worded("sheets.enter-takes-it")),
              Optional.empty(),
              new Turn(number, !fate.taken())));
    }
  }

  private static Line told(String text, String why, Act act) {
    return new Line(0, Fate.READ, text, Optional.empty(), why, Optional.empty(), act);
  }
}
