package org.evenhand.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.evenhand.core.mating.Kinship;
import org.evenhand.core.mating.Pedigree;
import org.junit.jupiter.api.Test;

/** What is measured against must answer the same. */
class RecursiveKinshipTest {
    @Test
    void table_and_recursion_agree_on_every_pair() {
        List<Pedigree.Member> members = ManyVarieties.members(250);
        Kinship table = Kinship.of(Pedigree.of(members, Map.of()));
        RecursiveKinship recursion = new RecursiveKinship(members);

        double most = 0;
        for (Pedigree.Member a : members) {
            for (Pedigree.Member b : members) {
                double expected = recursion.between(a.id(), b.id());
                assertThat(table.between(a.id(), b.id()))
                        .as(a.id() + " and " + b.id())
                        .isCloseTo(expected, within(1e-12));
                most = Math.max(most, a.id().equals(b.id()) ? 0 : expected);
            }
        }
        assertThat(most).as("some of them are close kin").isGreaterThan(0.25);
    }
}
