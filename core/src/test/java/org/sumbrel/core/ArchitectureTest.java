package org.sumbrel.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noFields;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption.DoNotIncludeTests;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import org.sumbrel.core.propose.ProposalEngine;

/** Holds the arrows of docs/architecture.md inside the core. */
@AnalyzeClasses(packages = "org.sumbrel.core", importOptions = DoNotIncludeTests.class)
class ArchitectureTest {

  @ArchTest
  static final ArchRule pointsOneWay =
      layeredArchitecture()
          .consideringOnlyDependenciesInLayers()
          .layer("money")
          .definedBy("..core.money..")
          .layer("intake")
          .definedBy("..core.intake..")
          .layer("find")
          .definedBy("..core.find..")
          .layer("sums")
          .definedBy("..core.sums..")
          .layer("receivables")
          .definedBy("..core.receivables..")
          .layer("settle")
          .definedBy("..core.settle..")
          .layer("propose")
          .definedBy("..core.propose..")
          .layer("deposit")
          .definedBy("..core.deposit..")
          .layer("lockbox")
          .definedBy("..core.lockbox..")
          .layer("payout")
          .definedBy("..core.payout..")
          .layer("exchange")
          .definedBy("..core.exchange..")
          .layer("treat")
          .definedBy("..core.treat..")
          .layer("journal")
          .definedBy("..core.journal..")
          .layer("tieout")
          .definedBy("..core.tieout..")
          .layer("day")
          .definedBy("..core.day..")
          .whereLayer("sums")
          .mayOnlyBeAccessedByLayers("propose", "deposit", "tieout")
          .whereLayer("intake")
          .mayNotBeAccessedByAnyLayer()
          .whereLayer("find")
          .mayNotBeAccessedByAnyLayer()
          .whereLayer("receivables")
          .mayOnlyBeAccessedByLayers(
              "find", "settle", "propose", "deposit", "lockbox", "payout", "treat", "journal",
              "tieout")
          .whereLayer("settle")
          .mayOnlyBeAccessedByLayers("propose", "deposit", "payout", "treat", "journal", "tieout")
          .whereLayer("exchange")
          .mayOnlyBeAccessedByLayers("payout", "settle", "journal")
          .whereLayer("treat")
          .mayNotBeAccessedByAnyLayer()
          .whereLayer("propose")
          .mayNotBeAccessedByAnyLayer()
          .whereLayer("deposit")
          .mayOnlyBeAccessedByLayers("payout", "journal")
          .whereLayer("payout")
          .mayNotBeAccessedByAnyLayer()
          .whereLayer("lockbox")
          .mayNotBeAccessedByAnyLayer()
          .whereLayer("journal")
          .mayOnlyBeAccessedByLayers("tieout")
          .whereLayer("tieout")
          .mayNotBeAccessedByAnyLayer()
          .whereLayer("day")
          .mayNotBeAccessedByAnyLayer();

  @ArchTest
  static final ArchRule hasNoCycles =
      slices().matching("org.sumbrel.core.(*)..").should().beFreeOfCycles();

  @ArchTest
  static final ArchRule isPureJava =
      classes()
          .that()
          .resideInAPackage("org.sumbrel.core..")
          .should()
          .onlyDependOnClassesThat()
          .resideInAnyPackage(
              "org.sumbrel.core..", "java..", "org.joda.money..", "org.apache.commons.text..");

  @ArchTest
  static final ArchRule doesNoInputOrOutput =
      noClasses()
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("java.io..", "java.nio.file..", "java.net..", "java.sql..");

  @ArchTest
  static final ArchRule keepsNoMoneyInFloatingPoint =
      noFields()
          .that()
          .areDeclaredInClassesThat()
          .resideInAnyPackage("..receivables..", "..journal..", "..tieout..", "..money..")
          .should()
          .haveRawType(double.class)
          .orShould()
          .haveRawType(float.class);

  @ArchTest
  static final ArchRule engineStagesStayBehindTheirDoor =
      classes()
          .that()
          .haveSimpleNameEndingWith("Finder")
          .or()
          .haveSimpleNameEndingWith("Resolver")
          .or()
          .haveSimpleNameEndingWith("Selector")
          .or()
          .haveSimpleNameEndingWith("Solver")
          .or()
          .haveSimpleNameEndingWith("Assigner")
          .should()
          .bePackagePrivate()
          .andShould()
          .resideInAPackage(ProposalEngine.class.getPackageName());
}
