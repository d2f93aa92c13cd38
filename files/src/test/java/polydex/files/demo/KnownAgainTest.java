package polydex.files.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import polydex.conflict.Conflict;
import polydex.conflict.ConflictFinder;
import polydex.conflict.ConflictSentence;
import polydex.conflict.HabitFinder;
import polydex.conflict.Person;
import polydex.files.Shipped;
import polydex.language.Language;
import polydex.route.SetupTraces;
import polydex.setups.OutlineLine;
import polydex.setups.SetupOutline;
import polydex.workspace.Workspace;

/** By what is kept in a file a thing is known again in every language. */
class KnownAgainTest {
  private final Workspace demo = Shipped.demo();

  @AfterEach
  void speakEnglishAgain() {
    Language.speak(Language.ENGLISH);
  }

  private List<Conflict> conflicts() {
    List<Conflict> all = new ArrayList<>();
    Person person = Person.of(_ -> 5);
    demo.setups()
        .values()
        .forEach(s -> all.addAll(ConflictFinder.find(SetupTraces.of(s, demo.world()), person)));
    all.addAll(HabitFinder.find(demo.catalog(), demo.setups().values(), person));
    return all;
  }

  private static List<String> kept(List<Conflict> conflicts) {
    return conflicts.stream().map(c -> c.id() + " | " + c.sides()).toList();
  }

  @Test
  void aConflictIsTheSameAndIsSaidOtherwise() {
    List<Conflict> english = conflicts();
    assertThat(english).hasSizeGreaterThan(50);
    assertThat(english).extracting(Conflict::kind).hasSizeGreaterThan(5);
    List<String> before =
        english.stream().map(c -> ConflictSentence.of(c, demo.catalog())).toList();
    Language.speak(Language.GERMAN);
    List<Conflict> german = conflicts();
    assertThat(kept(german)).isEqualTo(kept(english));
    assertThat(german.stream().map(c -> ConflictSentence.of(c, demo.catalog())).toList())
        .doesNotContainAnyElementsOf(before);
  }

  /** The lines of an outline are told apart by what they are, in whatever words. */
  @Test
  void anOutlineFindsItsMachinesInBoth() {
    List<Long> machines = machines();
    Language.speak(Language.GERMAN);
    assertThat(machines()).isEqualTo(machines).doesNotContain(0L);
  }

  private List<Long> machines() {
    return demo.setups().values().stream()
        .map(
            s ->
                SetupOutline.of(demo, s).stream()
                    .filter(l -> l.sort() == OutlineLine.Sort.MACHINE)
                    .count())
        .toList();
  }
}
