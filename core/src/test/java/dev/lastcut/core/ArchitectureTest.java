package dev.lastcut.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.Collection;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** Holds the core free of the outside, and its packages in layers. */
@AnalyzeClasses(packages = "dev.lastcut.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule KNOWS_NOTHING_OF_THE_OUTSIDE =
            noClasses()
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage(
                            "org.springframework..",
                            "java.sql..",
                            "javax.sql..",
                            "java.net..",
                            "jakarta..",
                            "com.fasterxml..",
                            "tools.jackson..",
                            "java.awt..",
                            "javax.swing..");

    /** Other threads know nothing of limits and cancelling unless they are carried to them. */
    @ArchTest
    static final ArchRule THREADS_CARRY_LIMITS =
            noClasses()
                    .that()
                    .resideOutsideOfPackage("dev.lastcut.core.work")
                    .should()
                    .callMethod(Collection.class, "parallelStream")
                    .orShould()
                    .callMethod(Stream.class, "parallel")
                    .orShould()
                    .callMethod(IntStream.class, "parallel");

    @ArchTest
    static final ArchRule NO_CYCLES =
            slices().matching("dev.lastcut.core.(**)").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule LAYERS =
            layeredArchitecture()
                    .consideringOnlyDependenciesInLayers()
                    .layer("geometry")
                    .definedBy("dev.lastcut.core.geometry..")
                    .layer("board")
                    .definedBy("dev.lastcut.core.board..")
                    .layer("formats")
                    .definedBy("dev.lastcut.core.formats..")
                    .layer("intake")
                    .definedBy("dev.lastcut.core.intake..")
                    .layer("work")
                    .definedBy(
                            "dev.lastcut.core.check..",
                            "dev.lastcut.core.fabrication..",
                            "dev.lastcut.core.assembly..",
                            "dev.lastcut.core.stencil..",
                            "dev.lastcut.core.milling..")
                    .layer("cut")
                    .definedBy("dev.lastcut.core.cut..")
                    .whereLayer("cut")
                    .mayNotBeAccessedByAnyLayer()
                    .whereLayer("work")
                    .mayOnlyBeAccessedByLayers("cut")
                    .whereLayer("intake")
                    .mayOnlyBeAccessedByLayers("work", "cut")
                    .whereLayer("formats")
                    .mayOnlyBeAccessedByLayers("intake", "work", "cut");
}
