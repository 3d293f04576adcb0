package dev.lastcut.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import dev.lastcut.server.jobs.TicketService;
import dev.lastcut.server.store.TicketStore;

/** A job is changed by its ticket alone, and the ticket by one class alone. */
@AnalyzeClasses(
        packages = "dev.lastcut.server",
        importOptions = ImportOption.DoNotIncludeTests.class)
class ServerArchitectureTest {
    @ArchTest
    static final ArchRule ONE_WAY_TO_CHANGE_A_JOB =
            noClasses()
                    .that()
                    .areNotAssignableTo(TicketService.class)
                    .and()
                    .resideOutsideOfPackage("dev.lastcut.server.store")
                    .should()
                    .dependOnClassesThat()
                    .areAssignableTo(TicketStore.class);

    @ArchTest
    static final ArchRule ROUTES_DO_NOT_WRITE =
            noClasses()
                    .that()
                    .resideInAPackage("dev.lastcut.server.api")
                    .should()
                    .dependOnClassesThat()
                    .haveNameMatching("dev\\.lastcut\\.server\\.store\\.\\w+Store");

    /** The desk knows what is uploaded to it, and nothing of the jobs here. */
    @ArchTest
    static final ArchRule THE_DESK_STANDS_ALONE =
            noClasses()
                    .that()
                    .resideInAPackage("dev.lastcut.server.desk")
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage(
                            "dev.lastcut.server.api",
                            "dev.lastcut.server.jobs",
                            "dev.lastcut.server.store");
}
