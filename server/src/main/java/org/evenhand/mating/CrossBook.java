package org.evenhand.mating;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.function.Supplier;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.mating.CrossEvidence;
import org.evenhand.core.mating.MatingPartner;
import org.evenhand.orchard.MatingPartners;
import org.evenhand.pollen.LotView;

/** Which varieties of an orchard serve which, as far as is known and as results have taught. */
public final class CrossBook {
    private final MatingPartners partners;
    /** Looked up only when somebody asks for it: most crosses are known without. */
    private final Supplier<List<CrossResults.Result>> recorded;

    private Map<UUID, Map<UUID, CrossResults.Result>> results;

    CrossBook(MatingPartners partners, Supplier<List<CrossResults.Result>> recorded) {
        this.partners = partners;
        this.recorded = recorded;
    }

    /** Pollen of one variety on trees of another; where it is unknown, as results have taught. */
    public CrossCompatibility cross(UUID mother, UUID father) {
        CrossCompatibility known = known(mother, father);
        return known.verdict() == CrossCompatibility.Verdict.UNKNOWN ? known.with(evidence(mother, father)) : known;
    }

    /** As {@link #cross(UUID, UUID)}, worth less where its flowers took less often here than with other fathers. */
    public CrossCompatibility weighed(UUID mother, UUID father) {
        return cross(mother, father).weighed(evidence(mother, father));
    }

    /** The same, and where results speak against what is known it says so. */
    CrossCompatibility explained(UUID mother, UUID father) {
        return known(mother, father).with(evidence(mother, father));
    }

    /** Pollen of a jar, which may hold several fathers. */
    public CrossCompatibility cross(UUID mother, LotView lot) {
        return blend(lot, father -> cross(mother, father));
    }

    /** A jar by what each of its fathers is worth. */
    public static CrossCompatibility blend(LotView lot, Function<UUID, CrossCompatibility> ofFather) {
        return CrossCompatibility.ofBlend(lot.fathers().stream()
                .map(f -> new CrossCompatibility.Part(f.varietyName(), f.share(), ofFather.apply(f.varietyId())))
                .toList());
    }

    private CrossCompatibility known(UUID mother, UUID father) {
        return CrossCompatibility.of(partners.of(mother), partners.of(father));
    }

    /** What was seen of it, beside the same mother's crosses that are known to fit. */
    public CrossEvidence evidence(UUID mother, UUID father) {
        Map<UUID, CrossResults.Result> ofMother = results().getOrDefault(mother, Map.of());
        CrossResults.Result own = ofMother.get(father);
        if (own == null) {
            return CrossEvidence.NONE;
        }
        List<CrossResults.Result> others = ofMother.values().stream()
                .filter(r -> !r.fatherId().equals(father))
                .filter(r -> known(mother, r.fatherId()).verdict() == CrossCompatibility.Verdict.YES)
                .toList();
        return new CrossEvidence(
                own.flowers(),
                own.taken(),
                others.stream().mapToInt(CrossResults.Result::flowers).sum(),
                others.stream().mapToInt(CrossResults.Result::taken).sum());
    }

    /** What was seen of each cross, by mother. */
    public Map<UUID, Map<UUID, CrossResults.Result>> results() {
        if (results == null) {
            results = new HashMap<>();
            recorded.get()
                    .forEach(r -> results.computeIfAbsent(r.motherId(), m -> new HashMap<>())
                            .put(r.fatherId(), r));
        }
        return results;
    }

    MatingPartner partner(UUID variety) {
        return partners.of(variety);
    }

    MatingPartners partners() {
        return partners;
    }
}
