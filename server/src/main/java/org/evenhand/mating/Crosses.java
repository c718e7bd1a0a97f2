package org.evenhand.mating;

import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.orchard.MatingPartners;
import org.evenhand.orchard.Orchards;
import org.springframework.context.annotation.Lazy;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Who serves whom in an orchard. */
@Service
public class Crosses {
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final CrossResults results;

    Crosses(Orchards orchards, CropCatalogue crops, @Lazy CrossResults results) {
        this.orchards = orchards;
        this.crops = crops;
        this.results = results;
    }

    @Transactional(readOnly = true)
    public CrossBook book(Caller caller) {
        MatingPartners partners = MatingPartners.of(orchards.varieties(caller), crop -> crops.of(caller, crop));
        return new CrossBook(partners, () -> results.of(caller));
    }
}
