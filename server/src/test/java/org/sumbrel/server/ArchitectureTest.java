package org.sumbrel.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.methods;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.importer.ImportOption.DoNotIncludeTests;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import jakarta.persistence.Entity;
import org.springframework.web.bind.annotation.RestController;

/** Holds the arrows of docs/architecture.md in the server. */
@AnalyzeClasses(packages = "org.sumbrel.server", importOptions = DoNotIncludeTests.class)
class ArchitectureTest {

  @ArchTest
  static final ArchRule subjectsHaveNoCycles =
      slices().matching("org.sumbrel.server.(*)..").should().beFreeOfCycles();

  @ArchTest
  static final ArchRule entitiesDoNotLeakThroughTheApi =
      methods()
          .that()
          .areDeclaredInClassesThat()
          .areAnnotatedWith(RestController.class)
          .and()
          .areNotPrivate()
          .should()
          .notHaveRawReturnType(
              DescribedPredicate.describe("an entity", type -> type.isAnnotatedWith(Entity.class)));

  @ArchTest
  static final ArchRule controllersCountNoMoney =
      noClasses()
          .that()
          .areAnnotatedWith(RestController.class)
          .should()
          .dependOnClassesThat()
          .haveFullyQualifiedName("java.math.RoundingMode");

  @ArchTest
  static final ArchRule entitiesAreCalledSo =
      classes().that().areAnnotatedWith(Entity.class).should().haveSimpleNameEndingWith("Entity");

  @ArchTest
  static final ArchRule nothingIsCalledByAnEmptyWord =
      noClasses()
          .should()
          .haveSimpleNameEndingWith("Manager")
          .orShould()
          .haveSimpleNameEndingWith("Helper")
          .orShould()
          .haveSimpleNameEndingWith("Util")
          .orShould()
          .haveSimpleNameEndingWith("Impl")
          .orShould()
          .haveSimpleNameEndingWith("Info");
}
