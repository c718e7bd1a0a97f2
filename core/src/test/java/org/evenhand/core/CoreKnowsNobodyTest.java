package org.evenhand.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaModifier;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
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

    /** Public is what others need: named in another package or another module, or handed out by something that is. */
    @Test
    void helpers_stay_in_their_package() throws IOException {
        String others = sourcesOf("server", "verify", "bench");
        Set<String> handedOut = CORE.stream()
                .filter(CoreKnowsNobodyTest::isPublic)
                .flatMap(c -> c.getMethods().stream())
                .filter(m -> m.getModifiers().contains(JavaModifier.PUBLIC))
                .flatMap(m -> Stream.concat(m.getAllInvolvedRawTypes().stream(), m.getExceptionTypes().stream()))
                .filter(JavaClass.class::isInstance)
                .map(t -> ((JavaClass) t).getFullName())
                .collect(Collectors.toSet());
        assertThat(CORE.stream()
                        .filter(c -> isPublic(c) && c.isTopLevelClass() && !c.isAssignableTo(Throwable.class))
                        .filter(c -> !c.getSimpleName().equals("package-info"))
                        .filter(c -> !handedOut.contains(c.getFullName()))
                        .filter(c -> c.getDirectDependenciesToSelf().stream()
                                .allMatch(
                                        d -> d.getOriginClass().getPackageName().equals(c.getPackageName())))
                        .filter(c -> !Pattern.compile("\\b" + c.getSimpleName() + "\\b")
                                .matcher(others)
                                .find())
                        .map(JavaClass::getFullName))
                .isEmpty();
    }

    private static boolean isPublic(JavaClass c) {
        return c.getModifiers().contains(JavaModifier.PUBLIC);
    }

    private static String sourcesOf(String... modules) throws IOException {
        StringBuilder all = new StringBuilder();
        for (String module : modules) {
            try (Stream<Path> files = Files.walk(Path.of("..", module, "src/main/java"))) {
                for (Path file :
                        files.filter(f -> f.toString().endsWith(".java")).toList()) {
                    all.append(Files.readString(file));
                }
            }
        }
        return all.toString();
    }

    @Test
    void rooms_do_not_go_in_circles() {
        slices().matching("org.evenhand.core.(*)..").should().beFreeOfCycles().check(CORE);
    }
}
