package org.evenhand.orchard;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.core.mating.Pedigree;

/**
 * The pedigree of an orchard's varieties.
 *
 * @param pedigree who descends from whom, by the names of {@link #name}
 * @param names each variety's name there
 */
public record Pedigrees(Pedigree pedigree, Map<UUID, String> names) {

    /** Reads it; refuses loops and children older than their parents, naming the varieties. */
    public static Pedigrees of(List<VarietyView> varieties) {
        Map<UUID, String> names = names(varieties);
        List<Pedigree.Member> members = new ArrayList<>();
        Map<String, String> clones = new HashMap<>();
        for (VarietyView v : varieties) {
            Breeding b = v.breeding();
            if (b.sportOfId() != null) {
                clones.put(names.get(v.id()), names.get(b.sportOfId()));
            } else {
                members.add(new Pedigree.Member(
                        names.get(v.id()),
                        Optional.ofNullable(b.motherId()).map(names::get),
                        Optional.ofNullable(b.fatherId()).map(names::get),
                        Optional.ofNullable(b.raisedIn())));
            }
        }
        Pedigree pedigree = Pedigree.of(members, clones);
        names.values().forEach(pedigree::genotype);
        return new Pedigrees(pedigree, names);
    }

    /** The name, with the crop where two crops have one of that name. */
    private static Map<UUID, String> names(List<VarietyView> varieties) {
        Map<String, Long> often =
                varieties.stream().collect(Collectors.groupingBy(VarietyView::name, Collectors.counting()));
        return varieties.stream()
                .collect(Collectors.toMap(
                        VarietyView::id, v -> often.get(v.name()) == 1 ? v.name() : v.name() + " (" + v.crop() + ")"));
    }

    /** The variety's name in the pedigree. */
    public String name(UUID variety) {
        return names.get(variety);
    }

    /** Varieties by id. */
    public static Map<UUID, VarietyView> byId(List<VarietyView> varieties) {
        return varieties.stream().collect(Collectors.toMap(VarietyView::id, Function.identity()));
    }
}
