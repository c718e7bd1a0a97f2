package org.evenhand.core.mating;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.mating.Pedigree.Member;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class KinshipTest {
    /** A slow, obvious reckoning by definition, from the younger of the two upwards. */
    private static double byDefinition(List<Member> members, int a, int b) {
        if (a < 0 || b < 0) {
            return 0;
        }
        Member younger = members.get(Math.max(a, b));
        int mother = younger.mother().map(Integer::parseInt).orElse(-1);
        int father = younger.father().map(Integer::parseInt).orElse(-1);
        return a == b
                ? (1 + byDefinition(members, mother, father)) / 2
                : (byDefinition(members, mother, Math.min(a, b)) + byDefinition(members, father, Math.min(a, b))) / 2;
    }

    private static List<Member> random(Random random, int size) {
        List<Member> members = new ArrayList<>();
        for (int i = 0; i < size; i++) {
            members.add(Member.of(String.valueOf(i), parent(random, i), parent(random, i)));
        }
        return members;
    }

    private static String parent(Random random, int before) {
        return before == 0 || random.nextInt(4) == 0 ? null : String.valueOf(random.nextInt(before));
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6})
    void the_table_agrees_with_the_definition_whatever_the_order_in_which_members_are_listed(int seed) {
        Random random = new Random(seed);
        List<Member> members = random(random, 14);
        List<Member> shuffled = new ArrayList<>(members);
        java.util.Collections.shuffle(shuffled, random);
        Kinship kinship = Kinship.of(Pedigree.of(shuffled, Map.of()));
        for (int a = 0; a < members.size(); a++) {
            for (int b = 0; b < members.size(); b++) {
                assertThat(kinship.between("" + a, "" + b))
                        .as("seed %d, %d with %d", seed, a, b)
                        .isEqualTo(byDefinition(members, a, b));
            }
        }
    }

    @Test
    void asking_for_two_reckons_their_ancestors_only_and_answers_the_same() {
        List<Member> members = random(new Random(11), 200);
        Pedigree pedigree = Pedigree.of(members, Map.of());
        Kinship all = Kinship.of(pedigree);
        Kinship two = Kinship.among(pedigree, List.of("150", "190"));

        assertThat(two.between("150", "190")).isEqualTo(all.between("150", "190"));
        assertThat(two.inbreeding("190")).isEqualTo(all.inbreeding("190"));
    }

    @Test
    void kinship_is_the_same_both_ways_and_dropping_genes_finds_it_too() {
        List<Member> members = random(new Random(5), 12);
        Kinship kinship = Kinship.of(Pedigree.of(members, Map.of()));
        Random random = new Random(99);
        int trials = 200_000;
        int alike = 0;
        for (int t = 0; t < trials; t++) {
            int[][] genes = new int[members.size()][2];
            for (int i = 0; i < members.size(); i++) {
                genes[i][0] = handed(members.get(i).mother(), genes, 2 * i + 1, random);
                genes[i][1] = handed(members.get(i).father(), genes, 2 * i + 2, random);
            }
            alike += genes[10][random.nextInt(2)] == genes[11][random.nextInt(2)] ? 1 : 0;
        }
        assertThat((double) alike / trials).isCloseTo(kinship.between("10", "11"), within(0.005));
        assertThat(kinship.between("11", "10")).isEqualTo(kinship.between("10", "11"));
    }

    private static int handed(Optional<String> parent, int[][] genes, int own, Random random) {
        return parent.map(p -> genes[Integer.parseInt(p)][random.nextInt(2)]).orElse(-own);
    }

    @Test
    void a_graft_and_its_sport_are_one_genotype() {
        Pedigree pedigree = Pedigree.of(
                List.of(Member.of("A", null, null), Member.of("B", "A", null)), Map.of("graft", "sport", "sport", "A"));
        Kinship kinship = Kinship.of(pedigree);

        assertThat(kinship.ofSeedlings("graft", "A")).isEqualTo(0.5);
        assertThat(kinship.between("graft", "B")).isEqualTo(0.25);
    }

    @Test
    void a_loop_is_refused_and_named() {
        List<Member> members = List.of(
                Member.of("seedling", "Dusk", null),
                Member.of("Dusk", "Ember", null),
                Member.of("Ember", null, "seedling"));

        assertThatThrownBy(() -> Pedigree.of(members, Map.of()))
                .isInstanceOf(PedigreeException.class)
                .hasMessageContaining("seedling ← Dusk ← Ember ← seedling");
        assertThatThrownBy(() -> Pedigree.of(List.of(Member.of("A", "A", null)), Map.of()))
                .hasMessageContaining("A ← A");
        assertThatThrownBy(
                        () -> Pedigree.of(List.of(), Map.of("x", "y", "y", "x")).genotype("x"))
                .hasMessageContaining("x ← y ← x");
    }

    @Test
    void a_child_older_than_its_parent_is_refused_with_both_years() {
        Member parent = new Member("Dusk", Optional.empty(), Optional.empty(), Optional.of(2004));
        Member child = new Member("Ember", Optional.of("Dusk"), Optional.empty(), Optional.of(1999));

        assertThatThrownBy(() -> Pedigree.of(List.of(parent, child), Map.of()))
                .isInstanceOf(InvalidInputException.class)
                .hasMessageContaining("'Ember' (1999) older than its parent 'Dusk' (2004)");
    }

    @Test
    void a_line_of_thousands_of_generations_does_not_exhaust_the_stack() {
        List<Member> line = new ArrayList<>();
        for (int i = 5_000; i > 0; i--) {
            line.add(Member.of("" + i, "" + (i - 1), null));
        }
        Kinship kinship = Kinship.of(Pedigree.of(line, Map.of()));

        assertThat(kinship.between("0", "3")).isEqualTo(1.0 / 16);
    }
}
