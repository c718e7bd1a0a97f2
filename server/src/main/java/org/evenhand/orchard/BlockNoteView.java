package org.evenhand.orchard;

import java.util.Optional;
import java.util.UUID;
import org.evenhand.core.bloom.season.HandPollinationNeed;
import org.evenhand.core.weather.DailyTemperatures;

/**
 * What is known of a block.
 *
 * @param seaKm absent where nobody told
 * @param usualMinimumC absent where its ordinary day is not told
 */
public record BlockNoteView(
        UUID id,
        String block,
        Double seaKm,
        HandPollinationNeed.Insects insects,
        boolean indoors,
        Double usualMinimumC,
        Double usualMaximumC,
        long version) {
    /** Its ordinary day. */
    public Optional<DailyTemperatures> usual() {
        return usualMinimumC == null
                ? Optional.empty()
                : Optional.of(new DailyTemperatures(usualMinimumC, usualMaximumC));
    }
}
