package polydex.desktop;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.library.dependencies.SliceAssignment;
import com.tngtech.archunit.library.dependencies.SliceIdentifier;
import java.time.Instant;
import java.time.LocalDate;
import java.util.stream.Stream;

/** The rules of the house that a compiler does not hold. */
@AnalyzeClasses(packages = "polydex", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
  private static final String[] CORE = {
    "polydex.keys..",
    "polydex.boards..",
    "polydex.catalog..",
    "polydex.route..",
    "polydex.conflict..",
    "polydex.effort..",
    "polydex.recall..",
    "polydex.mouse..",
    "polydex.workspace..",
    "polydex.person.."
  };

  @ArchTest
  static final ArchRule coreKnowsOnlyItselfAndTheLanguage =
      classes()
          .that()
          .resideInAnyPackage(CORE)
          .should()
          .onlyDependOnClassesThat()
          .resideInAnyPackage(
              concat(
                  CORE,
                  "java.lang..",
                  "java.util..",
                  "java.time..",
                  "java.text..",
                  "java.math..",
                  "org.ojalgo..",
                  "org.threeten.extra..",
                  "org.jspecify.."));

  @ArchTest
  static final ArchRule filesKnowNoInterface =
      noClasses()
          .that()
          .resideInAPackage("polydex.files..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("polydex.desktop..", "polydex.cli..", "javafx..");

  @ArchTest
  static final ArchRule theInterfaceKnowsNoSql =
      noClasses()
          .that()
          .resideInAPackage("polydex.desktop..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("java.sql..", "org.jdbi..", "org.sqlite..", "org.flywaydb..");

  /** Lambdas and inner classes of a place count as the place itself. */
  @ArchTest
  static final ArchRule noPlaceKnowsAnother =
      slices().assignedFrom(new ByPlace()).should().notDependOnEachOther();

  @ArchTest
  static final ArchRule controlsKnowNoPlacesAndNoState =
      noClasses()
          .that()
          .resideInAPackage("polydex.desktop.controls..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("polydex.desktop.places..", "polydex.desktop.state..");

  @ArchTest
  static final ArchRule packagesOfTheCoreHaveNoCycles =
      slices()
          .matching(
              "polydex.(keys|boards|catalog|route|conflict|effort|recall|mouse|workspace|person)..")
          .should()
          .beFreeOfCycles();

  @ArchTest
  static final ArchRule coreHasNoClockOfItsOwn =
      noClasses()
          .that()
          .resideInAnyPackage(CORE)
          .should()
          .callMethod(System.class, "currentTimeMillis")
          .orShould()
          .callMethod(System.class, "nanoTime")
          .orShould()
          .callMethod(Instant.class, "now")
          .orShould()
          .callMethod(LocalDate.class, "now");

  private static final class ByPlace implements SliceAssignment {
    @Override
    public SliceIdentifier getIdentifierOf(JavaClass type) {
      String name = type.getSimpleName().isEmpty() ? type.getName() : type.getSimpleName();
      return type.getPackageName().equals("polydex.desktop.places")
              && name.endsWith("Place")
              && name.length() > 5
          ? SliceIdentifier.of(name)
          : SliceIdentifier.ignore();
    }

    @Override
    public String getDescription() {
      return "each place by itself";
    }
  }

  private static String[] concat(String[] some, String... more) {
    return Stream.of(some, more).flatMap(Stream::of).toArray(String[]::new);
  }
}
