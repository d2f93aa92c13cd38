package polydex.files.sheets;

import static org.assertj.core.api.Assertions.assertThat;
import static polydex.files.sheets.DemoSheets.DEMO;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.EnvironmentId;
import polydex.catalog.MenuKeys;
import polydex.keys.Gesture;
import polydex.person.Knowledge;
import polydex.recall.Confusions;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.Trace;
import polydex.route.Tracer;
import polydex.sheets.Sheet;
import polydex.sheets.SheetKind;
import polydex.sheets.SheetMaker;
import polydex.sheets.SheetMaterial;
import polydex.sheets.SheetWish;
import polydex.workspace.Workspace;

/** What sheets say, against what is known elsewhere. */
class SheetContentTest {
  private record Said(String title, Gesture gesture) {}

  private static Stream<Sheet.Line> lines(Sheet sheet) {
    return sheet.parts().stream()
        .filter(Sheet.Lines.class::isInstance)
        .flatMap(p -> ((Sheet.Lines) p).lines().stream());
  }

  /** Each member of each gesture, with the title beside it. */
  private static Set<Said> said(Sheet sheet, Predicate<Sheet.Line> which) {
    return lines(sheet)
        .filter(which)
        .flatMap(
            l ->
                l.cells().stream()
                    .flatMap(c -> c.gestures().stream())
                    .flatMap(g -> g.gesture().expand().stream())
                    .map(g -> new Said(l.title(), g)))
        .collect(Collectors.toSet());
  }

  @ParameterizedTest
  @EnumSource(SheetKind.class)
  void everyKindSaysSomethingOfTheDemo(SheetKind kind) {
    Sheet sheet = DemoSheets.sheet(kind);
    assertThat(sheet.parts()).as(kind.word()).isNotEmpty();
    assertThat(sheet.lines()).as("lines of " + kind.word()).isPositive();
    assertThat(sheet.foot().day()).hasToString("2031-03-14");
    assertThat(lines(sheet).flatMap(l -> l.notes().stream()))
        .allMatch(n -> n >= 1 && n <= sheet.notes().size());
  }

  @ParameterizedTest
  @EnumSource(SheetKind.class)
  void withNothingKnownEveryKindSaysSo(SheetKind kind) {
    Workspace nothing = Workspace.EMPTY;
    Sheet sheet =
        SheetMaker.make(
            SheetWish.of(kind, nothing.setup()),
            new SheetMaterial(
                new Knowledge(
                    nothing,
                    Knowledge.audit(nothing, ZoneOffset.UTC, _ -> Optional.empty()).standing(),
                    Knowledge.Practice.NONE,
                    _ -> Optional.empty(),
                    ZoneOffset.UTC,
                    LocalDate.of(2031, 3, 14)),
                Map.of(),
                List.of(),
                0.9,
                Instant.parse("2031-03-14T16:00:00Z"),
                "test"));
    assertThat(sheet.lines()).isZero();
    String words =
        sheet.about()
            + sheet.parts().stream()
                .map(p -> p instanceof Sheet.Said s ? s.words() : "")
                .collect(Collectors.joining());
    assertThat(words).as(kind.word()).isNotBlank();
  }

  /** Traced once more one by one: all that is there works, and all that works is there. */
  @ParameterizedTest
  @ValueSource(
      strings = {"laptop-cues", "studio-timeline", "laptop-dome", "studio-stars", "slate-stars"})
  void aSetupsSheetIsWhatWorksThere(String id) {
    Setup setup = DEMO.setups().get(new SetupId(id));
    // What holds anywhere is what nothing inside an application takes first.
    Tracer tracer = Tracer.of(setup.withContexts(List.of("anywhere")), DEMO.world());
    Sheet sheet = SheetMaker.make(DemoSheets.wish(SheetKind.SETUP, id), DemoSheets.MATERIAL);
    Set<Said> said = said(sheet, _ -> true);
    Set<Said> anywhere = said(sheet, l -> l.aside().isEmpty());
    assertThat(said).hasSizeGreaterThan(30);
    int plain = 0;
    for (EnvironmentId e : setup.environments()) {
      for (Binding b : DEMO.catalog().bindings(e)) {
        for (Gesture g : b.gesture().expand()) {
          if (MenuKeys.isOne(b) || !b.context().equals("anywhere") || b.heldContext().isPresent()) {
            continue;
          }
          boolean acts =
              tracer.trace(g).outcome() instanceof Trace.Acted a && a.action().equals(b.action());
          Said line = new Said(DEMO.catalog().title(b.action()), g);
          if (acts) {
            plain++;
            assertThat(said).as("%s for %s works", g, b.action()).contains(line);
          } else if (anywhere.contains(line)) {
            // The same can be bound elsewhere in the setup; then that one is what works.
            assertThat(works(tracer, g, b.action())).as("%s for %s", g, b.action()).isTrue();
          }
        }
      }
    }
    assertThat(plain).isGreaterThan(20);
  }

  private static boolean works(Tracer tracer, Gesture g, ActionId action) {
    return tracer.trace(g).acted().filter(a -> a.action().equals(action)).isPresent();
  }

  @Test
  void aKeymapsSheetHasEveryBindingOnce() {
    for (var environment : DEMO.catalog().environments()) {
      Sheet sheet =
          SheetMaker.make(
              DemoSheets.wish(SheetKind.ENVIRONMENT, "laptop-cues").about(environment.id()),
              DemoSheets.MATERIAL);
      List<String> wanted =
          DEMO.catalog().bindings(environment.id()).stream()
              .map(b -> DEMO.catalog().title(b.action()) + " " + b.context() + " " + b.gesture())
              .distinct()
              .toList();
      assertThat(lines(sheet).flatMap(l -> l.cells().getFirst().gestures().stream()).count())
          .as(environment.title())
          .isEqualTo(wanted.size());
      long remarks =
          DEMO.catalog().bindings(environment.id()).stream()
              .map(b -> b.remarks().caveat())
              .filter(c -> !c.isBlank())
              .distinct()
              .count();
      assertThat((long) sheet.notes().size()).isGreaterThanOrEqualTo(remarks);
    }
  }

  @Test
  void aWeeksSheetHasTheNumbersOfTheReview() {
    var review = DemoSheets.MATERIAL.known().findings().review();
    Sheet sheet = DemoSheets.sheet(SheetKind.WEEK);
    assertThat(sheet.parts().getFirst()).isInstanceOf(Sheet.Facts.class);
    List<Sheet.Fact> facts = ((Sheet.Facts) sheet.parts().getFirst()).facts();
    assertThat(facts.getFirst().value()).isEqualTo("%,d".formatted(review.now().keys()));
    assertThat(facts.get(1).value()).isEqualTo("%,d".formatted(review.now().pointer()));
    assertThat(sheet.title()).contains("8 March 2031", "14 March 2031");
  }

  @Test
  void whatIsMixedUpAndWhatIsNotFluentComeFromTheAnswers() {
    long both =
        DemoSheets.MATERIAL.confused().stream()
            .map(Confusions.Count::pair)
            .filter(
                p ->
                    Stream.of(p.one(), p.other())
                        .noneMatch(
                            i -> DEMO.catalog().bindings(i.environment(), i.action()).isEmpty()))
            .count();
    assertThat((long) DemoSheets.sheet(SheetKind.CONFUSED).lines()).isEqualTo(both).isPositive();
    long open =
        DemoSheets.MATERIAL.states().entrySet().stream()
            .filter(e -> !e.getValue().isFluent())
            .filter(
                e ->
                    !DEMO.catalog()
                        .bindings(e.getKey().environment(), e.getKey().action())
                        .isEmpty())
            .count();
    assertThat((long) DemoSheets.sheet(SheetKind.LEARNING).lines()).isEqualTo(open);
    assertThat(DemoSheets.sheet(SheetKind.NEW).lines())
        .isBetween(1, DemoSheets.sheet(SheetKind.LEARNING).lines());
  }

  @Test
  void conflictsStandWithFixesThatWereTried() {
    Sheet sheet = DemoSheets.sheet(SheetKind.CONFLICTS);
    assertThat(lines(sheet).flatMap(l -> l.under().stream()))
        .anyMatch(u -> u.startsWith("Helps: "));
    assertThat(lines(sheet).map(l -> Integer.parseInt(l.figure())))
        .isSortedAccordingTo(Comparator.reverseOrder());
  }

  @Test
  void keyboardsShowWhatTheKeysDo() {
    Setup setup = DEMO.setups().get(new SetupId("laptop-cues"));
    Sheet sheet =
        SheetMaker.make(
            DemoSheets.wish(SheetKind.SETUP, "laptop-cues").withPictures(true),
            DemoSheets.MATERIAL);
    List<Sheet.Picture> pictures =
        sheet.parts().stream()
            .filter(Sheet.Picture.class::isInstance)
            .map(Sheet.Picture.class::cast)
            .toList();
    assertThat(pictures).hasSizeBetween(3, 8);
    Tracer tracer = Tracer.of(setup, DEMO.world());
    Sheet.Picture ctrl =
        pictures.stream().filter(p -> p.held().equals(List.of("Ctrl"))).findFirst().orElseThrow();
    ctrl.faces()
        .forEach(
            (key, face) -> {
              if (!key.isModifier()) {
                String does =
                    tracer
                        .trace(Gesture.parse("Ctrl+<%s>".formatted(key.name())))
                        .acted()
                        .map(a -> DEMO.catalog().title(a.action()))
                        .orElse("");
                assertThat(face.does()).as(key.name()).isEqualTo(does);
              }
            });
  }
}
