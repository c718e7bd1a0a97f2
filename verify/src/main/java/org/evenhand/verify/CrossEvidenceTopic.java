package org.evenhand.verify;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.evenhand.core.mating.CrossEvidence;

/** What flowers of a cross teach about whether the pair fits. */
final class CrossEvidenceTopic implements Topic {
    @Override
    public String name() {
        return "cross-evidence";
    }

    @Override
    public Optional<Map<String, Object>> answer(Inputs in) {
        CrossEvidence evidence = new CrossEvidence(
                in.whole("flowers"), in.whole("taken"), in.whole("other_flowers"), in.whole("other_taken"));
        return Optional.of(Map.of(
                "log_bayes_factor",
                evidence.logBayesFactor(),
                "lesson",
                evidence.lesson().name().toLowerCase(Locale.ROOT)));
    }
}
