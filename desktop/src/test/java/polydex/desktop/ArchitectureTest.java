package polydex.desktop;

import static com.tngtech.archunit.base.DescribedPredicate.not;
import static com.tngtech.archunit.core.domain.JavaCall.Predicates.target;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.equivalentTo;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAPackage;
import static com.tngtech.archunit.core.domain.properties.HasName.Predicates.nameMatching;
import static com.tngtech.archunit.core.domain.properties.HasOwner.Predicates.With.owner;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.library.dependencies.SliceAssignment;
import com.tngtech.archunit.library.dependencies.SliceIdentifier;
import java.time.Clock;
import java.util.Random;
import java.util.concurrent.ThreadLocalRandom;
import java.util.stream.Stream;
import polydex.desktop.desk.Place;

/** The rules of the house that a compiler does not hold. */
@AnalyzeClasses(packages = "polydex", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
  private static final String[] CORE = {
    "polydex.keys..",
    "polydex.boards..",
    "polydex.catalog..",
    "polydex.route..",
    "polydex.free..",
    "polydex.conflict..",
    "polydex.fit..",
    "polydex.effort..",
    "polydex.recall..",
    "polydex.log..",
    "polydex.recognition..",
    "polydex.totals..",
    "polydex.mouse..",
    "polydex.own..",
    "polydex.workspace..",
    "polydex.intake..",
    "polydex.setups..",
    "polydex.person..",
    "polydex.reminder..",
    "polydex.hands..",
    "polydex.computer..",
    "polydex.systems..",
    "polydex.sheets..",
    "polydex.language.."
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
                  "org.jgrapht..",
                  "org.hipparchus..",
                  "org.threeten.extra..",
                  "com.ibm.icu..",
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

  /** A package a place, on floors: what all of them stand on knows none of them. */
  @ArchTest
  static final ArchRule packagesOfTheWindowHaveNoCycles =
      slices().matching("polydex.desktop.(*)..").should().beFreeOfCycles();

  private static final DescribedPredicate<JavaClass> PART_OF_A_PLACE =
      DescribedPredicate.describe(
          "part of a place",
          type -> outermost(type).isAssignableTo(Place.class) && !outermost(type).isInterface());

  /** Whatever is no place, in any package below the frame's, and every place but for itself. */
  @ArchTest
  static final ArchRule onlyTheFrameKnowsThePlaces =
      slices()
          .assignedFrom(new ByPlace())
          .should()
          .notDependOnEachOther()
          .ignoreDependency(PART_OF_A_PLACE, not(PART_OF_A_PLACE));

  @ArchTest
  static final ArchRule controlsKnowNoPlacesAndNoState =
      noClasses()
          .that()
          .resideInAPackage("polydex.desktop.controls..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("polydex.desktop.desk..", "polydex.desktop.state..");

  @ArchTest
  static final ArchRule packagesOfTheCoreHaveNoCycles =
      slices()
          .matching(
              "polydex.(keys|boards|catalog|route|free|conflict|fit|effort|recall|log|recognition|totals|mouse|workspace|intake|setups|person|language)..")
          .should()
          .beFreeOfCycles();

  /** Time and chance come in as parameters. */
  @ArchTest
  static final ArchRule coreHasNeitherClockNorChanceOfItsOwn =
      noClasses()
          .that()
          .resideInAnyPackage(CORE)
          .should()
          .callMethodWhere(
              target(owner(equivalentTo(System.class)))
                  .and(target(nameMatching("currentTimeMillis|nanoTime"))))
          .orShould()
          .callMethodWhere(
              target(owner(resideInAPackage("java.time.."))).and(target(nameMatching("now"))))
          .orShould()
          .callMethodWhere(
              target(owner(equivalentTo(Clock.class))).and(target(nameMatching("system.*|tick.*"))))
          .orShould()
          .callMethodWhere(
              target(owner(equivalentTo(Math.class))).and(target(nameMatching("random"))))
          .orShould()
          .callConstructor(Random.class)
          .orShould()
          .dependOnClassesThat()
          .areAssignableTo(ThreadLocalRandom.class);

  private static JavaClass outermost(JavaClass type) {
    return type.getEnclosingClass().map(ArchitectureTest::outermost).orElse(type);
  }

  private static final class ByPlace implements SliceAssignment {
    @Override
    public SliceIdentifier getIdentifierOf(JavaClass type) {
      return !type.getPackageName().startsWith("polydex.desktop.")
          ? SliceIdentifier.ignore()
          : SliceIdentifier.of(PART_OF_A_PLACE.test(type) ? outermost(type).getName() : "the rest");
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
