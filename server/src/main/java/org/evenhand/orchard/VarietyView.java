package org.evenhand.orchard;

import java.util.UUID;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.pollen.FlowersToCollect;

/** A variety: a clone with a name. */
public record VarietyView(UUID id, String crop, String name, Breeding breeding, VarietyNumbers numbers, long version) {
    /** Doses that one of its shedding flowers gives: its own number, else the sheet's, less where its flowers are small. */
    public double dosesPerFlower(CropSheet sheet) {
        return numbers.dosesPerFlower() == null
                ? FlowersToCollect.of(sheet, smallFlowers(), 1).dosesPerFlower()
                : numbers.dosesPerFlower();
    }

    /** Whether its flowers are small for the crop. */
    public boolean smallFlowers() {
        return Boolean.TRUE.equals(breeding.smallFlowered());
    }
}
