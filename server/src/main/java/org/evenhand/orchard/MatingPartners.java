package org.evenhand.orchard;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.mating.KnownAlleles;
import org.evenhand.core.mating.MatingPartner;

/** An orchard's varieties as parents. A sport has the alleles and chromosome sets of what it came from. */
public record MatingPartners(Pedigrees pedigrees, Map<UUID, MatingPartner> byVariety) {

    public static MatingPartners of(List<VarietyView> varieties, Function<String, CropSheet> sheets) {
        Pedigrees pedigrees = Pedigrees.of(varieties);
        Map<UUID, VarietyView> byId = Pedigrees.byId(varieties);
        Map<UUID, MatingPartner> partners = new HashMap<>();
        for (VarietyView v : varieties) {
            VarietyView root = v;
            while (root.breeding().sportOfId() != null) {
                root = byId.get(root.breeding().sportOfId());
            }
            CropSheet sheet = sheets.apply(v.crop());
            Breeding b = root.breeding();
            int ploidy = b.ploidy() == null ? (int) sheet.mating().ploidy().value() : b.ploidy();
            partners.put(
                    v.id(),
                    new MatingPartner(
                            v.name(),
                            sheet,
                            pedigrees.name(root.id()),
                            ploidy,
                            KnownAlleles.parse(b.alleles(), ploidy),
                            Optional.ofNullable(v.numbers().ownPollen())));
        }
        return new MatingPartners(pedigrees, partners);
    }

    public MatingPartner of(UUID variety) {
        return byVariety.get(variety);
    }
}
