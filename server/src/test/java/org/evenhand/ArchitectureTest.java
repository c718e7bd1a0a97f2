package org.evenhand;

import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAPackage;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaModifier;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import jakarta.persistence.Entity;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.springframework.data.repository.NoRepositoryBean;
import org.springframework.modulith.core.ApplicationModules;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.json.JsonMapper;

class ArchitectureTest {
    private static final JavaClasses SERVER = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("org.evenhand");

    @Test
    void rooms_speak_only_through_their_public_types_and_never_in_circles() {
        ApplicationModules modules =
                ApplicationModules.of(EvenHandApplication.class, resideInAPackage("org.evenhand.core.."));

        assertThat(modules.stream().map(m -> m.getIdentifier().toString()))
                .contains(
                        "orchard",
                        "bloom",
                        "pollen",
                        "planning",
                        "pollination",
                        "crossing",
                        "walk",
                        "cropload",
                        "availability",
                        "fruitset",
                        "findings");
        modules.verify();
    }

    @Test
    void entities_and_repositories_stay_in_their_room() {
        classes()
                .that()
                .areAnnotatedWith(Entity.class)
                .and()
                .doNotHaveSimpleName("Revision")
                .should()
                .notBePublic()
                .check(SERVER);
        classes()
                .that()
                .haveSimpleNameEndingWith("Repository")
                .and()
                .areNotAnnotatedWith(NoRepositoryBean.class)
                .should()
                .notBePublic()
                .check(SERVER);
    }

    @Test
    void controllers_leave_the_database_and_the_rules_alone() {
        noClasses()
                .that()
                .areAnnotatedWith(RestController.class)
                .should()
                .dependOnClassesThat()
                .areAssignableTo(org.springframework.data.repository.Repository.class)
                .check(SERVER);
        noClasses()
                .that()
                .areAnnotatedWith(RestController.class)
                .should()
                .dependOnClassesThat()
                .areAnnotatedWith(Entity.class)
                .check(SERVER);
    }

    /** The words of docs/GLOSSARY.md that are gone; a name is taken apart where a capital begins. */
    /** Numbers that decide about flowers are rules of the job and stand in core; those of the server are listed one by one. */
    @Test
    void numbers_of_the_job_stand_in_core() throws IOException {
        Set<Class<?>> numbers = Set.of(
                int.class,
                long.class,
                double.class,
                float.class,
                int[].class,
                double[].class,
                float[].class,
                Duration.class);
        Set<String> found = SERVER.stream()
                .filter(c -> !c.getPackageName().startsWith("org.evenhand.core")
                        && !c.getPackageName().startsWith("org.evenhand.demo"))
                .flatMap(c -> c.getFields().stream())
                .filter(f -> f.getModifiers().containsAll(Set.of(JavaModifier.STATIC, JavaModifier.FINAL))
                        && !f.getName().equals("serialVersionUID")
                        && !f.getModifiers().contains(JavaModifier.SYNTHETIC)
                        && numbers.contains(f.reflect().getType()))
                .map(f -> f.getOwner().getPackageName().substring("org.evenhand.".length()) + " "
                        + f.getOwner().getSimpleName() + " " + f.getName())
                .collect(Collectors.toCollection(TreeSet::new));
        List<String> listed = Files.readAllLines(Path.of("src/test/resources/numbers-of-the-server.txt")).stream()
                .filter(l -> !l.startsWith("#"))
                .toList();

        assertThat(found).containsExactlyInAnyOrderElementsOf(listed);
    }

    @Test
    void names_of_types_and_methods_are_words_of_the_glossary() throws IOException {
        Set<String> gone = new HashSet<>();
        JsonMapper.builder()
                .build()
                .readTree(Files.readString(Path.of("../docs/words-not-used.json")))
                .path("names")
                .forEach(w -> gone.add(w.asString()));
        assertThat(gone).hasSizeGreaterThan(10);

        List<String> wrong = SERVER.stream()
                .flatMap(c -> Stream.concat(
                        Stream.of(c.getSimpleName()), c.getMethods().stream().map(m -> m.getName())))
                .distinct()
                .filter(name -> Arrays.stream(name.split("(?<=[a-z0-9])(?=[A-Z])|[_$]|lambda"))
                        .anyMatch(w -> gone.contains(w.toLowerCase(Locale.ROOT))))
                .toList();

        assertThat(wrong).isEmpty();
    }
}
