package org.evenhand.core.crop;

import java.util.List;
import java.util.NoSuchElementException;

/**
 * What one species does, as data.
 *
 * @param key name of the sheet in records, for example {@code cherimoya}
 * @param name name as a grower says it
 * @param scientificName botanical name
 * @param summary two or three sentences for the reader
 * @param baseTemperatureC temperature below which the flower's clock stands still, °C
 * @param referenceTemperatureC temperature at which the durations hold, °C
 * @param capTemperatureC temperature above which more heat adds nothing, °C
 * @param stages in the order in which a flower passes them, at least two
 * @param pollen what its pollen is like
 * @param ownVariety whether its own variety's pollen serves it
 * @param checks days on which to look for set, earliest first
 * @param cautions what can hurt, shown where the work is planned
 */
public record CropSheet(
        String key,
        String name,
        String scientificName,
        String summary,
        Sourced baseTemperatureC,
        Sourced referenceTemperatureC,
        Sourced capTemperatureC,
        List<StageSheet> stages,
        PollenHabit pollen,
        OwnVariety ownVariety,
        List<CheckDay> checks,
        List<String> cautions) {
    public CropSheet {
        stages = List.copyOf(stages);
        checks = List.copyOf(checks);
        cautions = List.copyOf(cautions);
    }

    /** Position of the stage in {@link #stages()}. */
    public int indexOf(String stageKey) {
        for (int i = 0; i < stages.size(); i++) {
            if (stages.get(i).key().equals(stageKey)) {
                return i;
            }
        }
        throw new NoSuchElementException("The crop sheet '" + key + "' has no stage '" + stageKey + "'.");
    }

    public boolean hasStage(String stageKey) {
        return stages.stream().anyMatch(s -> s.key().equals(stageKey));
    }
}
