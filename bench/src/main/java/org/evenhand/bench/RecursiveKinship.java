package org.evenhand.bench;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.evenhand.core.mating.Pedigree;

/**
 * Kinship the plain way, to measure against and to check by: f of a pair from the parents of the later one, remembered in a map.
 * Knows nothing of the table that {@link org.evenhand.core.mating.Kinship} fills.
 */
final class RecursiveKinship {
    private final Map<String, Pedigree.Member> members = new HashMap<>();
    private final Map<String, Integer> place = new HashMap<>();
    private final Map<Long, Double> known = new HashMap<>();

    RecursiveKinship(List<Pedigree.Member> parentsFirst) {
        parentsFirst.forEach(m -> {
            members.put(m.id(), m);
            place.put(m.id(), place.size());
        });
    }

    double between(String a, String b) {
        int i = place.get(a);
        int j = place.get(b);
        long key = (long) Math.max(i, j) << 32 | Math.min(i, j);
        Double found = known.get(key);
        if (found == null) {
            found = i >= j ? calculate(members.get(a), b) : calculate(members.get(b), a);
            known.put(key, found);
        }
        return found;
    }

    private double calculate(Pedigree.Member later, String other) {
        if (later.id().equals(other)) {
            boolean both = later.mother().isPresent() && later.father().isPresent();
            return both ? (1 + between(later.mother().get(), later.father().get())) / 2 : 0.5;
        }
        return later.mother().map(m -> between(m, other)).orElse(0.0) / 2
                + later.father().map(f -> between(f, other)).orElse(0.0) / 2;
    }
}
