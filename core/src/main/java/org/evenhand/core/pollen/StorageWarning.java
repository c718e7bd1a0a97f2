package org.evenhand.core.pollen;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.evenhand.core.crop.Storage;

/** Something done with pollen that growers warn of; common practice. */
public enum StorageWarning {
    LID_ON_DAMP(
            "The pollen is not dry yet: under a lid it is likely to be mouldy by the next day. Leave it open longer, or keep"
                    + " it over desiccant."),
    FRIDGE_WITHOUT_DESICCANT(
            "A fridge without desiccant draws damp into the jar: mould is likely within a day or two. A little"
                    + " desiccant in the jar keeps it for days more."),
    DRIED_IN_SUN("Sun kills pollen: dry it indoors, in the shade, in moving air."),
    FROZEN_AGAIN(
            "It was thawed before: freezing and thawing twice kills much of it. Freeze it in small jars, and thaw each once.");

    private final String say;

    StorageWarning(String say) {
        this.say = say;
    }

    /** What to tell the grower, one or two sentences. */
    public String say() {
        return say;
    }

    /** What is new about a history's last step. */
    public static List<StorageWarning> ofLastStep(StorageHistory keeping) {
        List<StorageStep> steps = keeping.steps();
        StorageStep last = steps.get(steps.size() - 1);
        if (last.kind() == StorageStep.Kind.SEEN_DRY) {
            return List.of();
        }
        Storage storage = keeping.storageAt(last.at());
        boolean refrozen = storage == Storage.FREEZER && keeping.thawsUntil(last.at()) > 0;
        return new ArrayList<>(new TreeSet<>(of(
                storage, keeping.shutAt(last.at()), keeping.inSunAt(last.at()), keeping.dryAt(last.at()), refrozen)));
    }

    static Set<StorageWarning> of(Storage storage, boolean shut, boolean sun, boolean dry, boolean refrozen) {
        Set<StorageWarning> found = new TreeSet<>();
        if (shut && !dry && storage != Storage.FRIDGE_DESICCANT) {
            found.add(LID_ON_DAMP);
        }
        if (storage == Storage.FRIDGE) {
            found.add(FRIDGE_WITHOUT_DESICCANT);
        }
        if (sun) {
            found.add(DRIED_IN_SUN);
        }
        if (refrozen) {
            found.add(FROZEN_AGAIN);
        }
        return found;
    }
}
