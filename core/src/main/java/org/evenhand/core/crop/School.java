package org.evenhand.core.crop;

import java.util.Optional;

/**
 * A question on which growers differ.
 *
 * @param question what is asked
 * @param one what one school does
 * @param other what the other does
 * @param ours what Even Hand takes until told otherwise
 * @param why the reason for it
 * @param choice the number by which the schools differ; empty where they differ in no number
 */
public record School(String question, String one, String other, String ours, String why, Optional<Choice> choice) {
    /**
     * A number of the sheet by which the schools differ; an orchard that follows one makes it its own.
     *
     * @param path of the number
     * @param one what the one school takes
     * @param other what the other takes
     */
    public record Choice(String path, double one, double other) {}
}
