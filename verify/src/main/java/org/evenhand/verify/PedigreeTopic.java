package org.evenhand.verify;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.evenhand.core.mating.Kinship;
import org.evenhand.core.mating.Pedigree;
import org.evenhand.core.mating.PedigreeException;

/** Kinship and inbreeding. */
final class PedigreeTopic implements Topic {
    @Override
    public String name() {
        return "pedigree";
    }

    @Override
    public Optional<Map<String, Object>> answer(Inputs inputs) {
        List<Inputs> listed = inputs.children("pedigree");
        RoundPlanTopic.requireDistinct(inputs, "pedigree");
        List<List<String>> wanted = inputs.textPairs("kinship_of");
        Map<String, String> clones = inputs.textMap("clones");
        listed.stream()
                .filter(m -> clones.containsKey(m.text("id")) && !(m.absent("mother") && m.absent("father")))
                .findFirst()
                .ifPresent(m -> {
                    throw inputs.wrong(
                            "clones",
                            "says that " + m.text("id") + " is a copy of " + clones.get(m.text("id"))
                                    + ", pedigree gives it parents; leave one of them out");
                });
        try {
            Kinship kinship = Kinship.of(
                    Pedigree.of(listed.stream().map(PedigreeTopic::member).toList(), clones));
            Map<String, Double> inbreeding =
                    listed.stream().map(m -> m.text("id")).collect(Collectors.toMap(id -> id, kinship::inbreeding));
            return Optional.of(Map.of("inbreeding", inbreeding, "kinship", asked(wanted, kinship)));
        } catch (PedigreeException e) {
            return Optional.of(Map.of("error", "cycle"));
        }
    }

    private static Pedigree.Member member(Inputs m) {
        return Pedigree.Member.of(
                m.text("id"),
                m.optionalText("mother").orElse(null),
                m.optionalText("father").orElse(null));
    }

    private static List<Map<String, Object>> asked(List<List<String>> wanted, Kinship kinship) {
        return wanted.stream()
                .map(pair -> {
                    double f = kinship.between(pair.get(0), pair.get(1));
                    Map<String, Object> entry = new HashMap<>();
                    entry.put("a", pair.get(0));
                    entry.put("b", pair.get(1));
                    entry.put("kinship", f);
                    entry.put("fraction", fraction(f));
                    return entry;
                })
                .toList();
    }

    /** 0.15625 as 5/32. */
    private static String fraction(double f) {
        long below = 1;
        while (f * below != Math.rint(f * below) && below < 1L << 52) {
            below *= 2;
        }
        long above = (long) (f * below);
        return below == 1 ? String.valueOf(above) : above + "/" + below;
    }
}
