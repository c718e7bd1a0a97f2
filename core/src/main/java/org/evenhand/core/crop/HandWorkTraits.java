package org.evenhand.core.crop;

import java.util.List;
import java.util.Optional;

/**
 * Working by hand on a crop.
 *
 * @param selfFertile whether a flower or a lone tree usually sets by itself outdoors
 * @param dryAirKpa vapour pressure deficit at opening above which natural set is poor, kPa, where dryness matters
 * @param visitors who pollinates it in nature, in words
 * @param strokes how to put the pollen on, in a sentence
 * @param handling what else one heeds at each flower, in sentences
 * @param passes times that one goes over the same flower in a visit, where it is more than once
 * @param flowerToFlower whether the brush goes from flower to flower with their own pollen, so that no jar is needed
 * @param tools what to carry
 * @param marks marks in use, the usual one first
 */
public record HandWorkTraits(
        boolean selfFertile,
        Optional<Sourced> dryAirKpa,
        String visitors,
        String strokes,
        List<String> handling,
        Optional<Sourced> passes,
        boolean flowerToFlower,
        List<String> tools,
        List<Mark> marks) {
    public HandWorkTraits {
        handling = List.copyOf(handling);
        tools = List.copyOf(tools);
        marks = List.copyOf(marks);
    }
}
