package org.evenhand.orchard;

import java.util.Optional;
import java.util.UUID;
import org.evenhand.core.bloom.season.HandPollinationNeed;
import org.evenhand.core.weather.DailyTemperatures;

/**
 * What is known of a block.
 *
 * @param seaKm absent where nobody told
 * @param typicalMinimumC absent where its ordinary day is not told
 */
public record BlockNoteView(
        UUID id,
        String block,
        Double seaKm,
        HandPollinationNeed.Insects insects,
        boolean indoors,
        Double typicalMinimumC,
        Double typicalMaximumC,
        long version) {
    /** Its ordinary day. */
    public Optional<DailyTemperatures> usual() {
        return typicalMinimumC == null
                ? Optional.empty()
                : Optional.of(new DailyTemperatures(typicalMinimumC, typicalMaximumC));
    }
}
