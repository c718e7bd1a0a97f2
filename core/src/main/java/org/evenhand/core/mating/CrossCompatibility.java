package org.evenhand.core.mating;

import org.evenhand.core.crop.CropSheet;

/**
 * Whether pollen of one variety serves a tree of another, and what it is worth.
 *
 * @param worth 0 (does not serve) to 1
 * @param why the reason, as a sentence
 */
public record CrossCompatibility(double worth, String why) {

    /**
     * @param seedParent crop sheet of the tree that takes the pollen
     * @param pollenParent crop sheet of the tree that gave it
     * @param sameVariety whether both are of one variety
     */
    public static CrossCompatibility of(CropSheet seedParent, CropSheet pollenParent, boolean sameVariety) {
        if (!seedParent.takes() || !pollenParent.gives()) {
            String which =
                    seedParent.takes() ? pollenParent.name() + " gives no pollen" : seedParent.name() + " takes none";
            return new CrossCompatibility(0, which + ".");
        }
        if (!seedParent.pollenGroup().equals(pollenParent.pollenGroup())) {
            return new CrossCompatibility(
                    0, pollenParent.name() + " pollen is not known to serve " + seedParent.name() + ".");
        }
        if (sameVariety) {
            return new CrossCompatibility(
                    seedParent.ownVariety().worth().value(),
                    seedParent.ownVariety().why());
        }
        if (!seedParent.crop().equals(pollenParent.crop())) {
            return new CrossCompatibility(
                    1, pollenParent.name() + " pollen serves " + seedParent.name() + ", its near kin.");
        }
        return new CrossCompatibility(1, "Another variety of the same crop.");
    }

    public boolean serves() {
        return worth > 0;
    }
}
