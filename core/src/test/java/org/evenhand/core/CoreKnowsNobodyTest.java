package org.evenhand.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.List;
import org.jspecify.annotations.NullMarked;
import org.junit.jupiter.api.Test;

class CoreKnowsNobodyTest {
    private static final JavaClasses CORE = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("org.evenhand.core");

    @Test
    void core_uses_no_framework_no_database_and_no_json() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "org.springframework..",
                        "jakarta..",
                        "javax.persistence..",
                        "org.hibernate..",
                        "com.fasterxml..",
                        "tools.jackson..",
                        "java.sql..",
                        "java.net.http..")
                .check(CORE);
    }

    /** NullAway looks only into packages that say so; a new one without it would be looked over. */
    @Test
    void every_package_says_that_nothing_is_null_where_it_is_not_said() {
        List<String> unmarked = CORE.stream()
                .map(JavaClass::getPackageName)
                .distinct()
                .filter(p -> !CORE.contain(p + ".package-info")
                        || !CORE.get(p + ".package-info").isAnnotatedWith(NullMarked.class))
                .toList();
        assertThat(unmarked).isEmpty();
    }

    @Test
    void core_never_reads_the_clock_of_the_machine() {
        noClasses()
                .should()
                .callMethod(java.time.Instant.class, "now")
                .orShould()
                .callMethod(java.time.LocalDate.class, "now")
                .orShould()
                .callMethod(System.class, "currentTimeMillis")
                .check(CORE);
    }

    @Test
    void rooms_do_not_go_in_circles() {
        slices().matching("org.evenhand.core.(*)..").should().beFreeOfCycles().check(CORE);
    }
}
