package org.evenhand.verify;

import java.util.Map;
import java.util.Optional;
import org.evenhand.core.statistics.SampleSize;

/** The chance that a trial of a given size shows a difference. */
final class TrialPowerTopic implements Topic {
    @Override
    public String name() {
        return "trial-power";
    }

    @Override
    public Optional<Map<String, Object>> answer(Inputs in) {
        SampleSize size = SampleSize.withFlowers(
                in.whole("flowers"), in.number("one"), in.number("other"), in.number("confidence"));
        return Optional.of(Map.of("power", size.power(), "false_alarm", size.falseAlarm()));
    }
}
