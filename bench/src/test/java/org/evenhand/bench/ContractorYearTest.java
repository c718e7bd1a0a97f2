package org.evenhand.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ContractorYearTest {
    private static final LocalDate FIRST = LocalDate.of(2026, 5, 2);

    @TempDir
    Path folder;

    private List<String> write(String name, long seed) throws IOException {
        Path pollinations = folder.resolve(name + "-p.csv");
        Path looks = folder.resolve(name + "-l.csv");
        new ContractorYear(2000, FIRST, seed).write(pollinations, looks);
        assertThat(Files.readAllLines(looks)).hasSize(1 + 3 * 2000);
        return Files.readAllLines(pollinations);
    }

    @Test
    void the_same_seed_writes_the_same_year_and_another_another() throws IOException {
        assertThat(write("a", 1))
                .isEqualTo(write("b", 1))
                .isNotEqualTo(write("c", 2))
                .hasSize(2001);
    }

    /** Each jar has one father, one storage and one hour of filling, and nobody uses it before that. */
    @Test
    void the_year_could_have_been() throws IOException {
        Map<String, String> jars = new HashMap<>();
        HashSet<String> refs = new HashSet<>();
        for (String line : write("d", 3).subList(1, 2001)) {
            String[] c = line.split(",");
            assertThat(c).hasSize(12);
            assertThat(refs.add(c[0])).isTrue();
            String jar = c[3] + c[4] + c[5];
            assertThat(jars.computeIfAbsent(c[2], j -> jar)).isEqualTo(jar);
            LocalDateTime done = LocalDateTime.parse(c[7]);
            assertThat(LocalDateTime.parse(c[4])).isBefore(done);
            assertThat(done.toLocalDate()).isBetween(FIRST, FIRST.plusDays(120));
        }
        assertThat(jars.size()).isGreaterThan(300);
    }
}
