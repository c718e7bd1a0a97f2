package org.evenhand.story;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.evenhand.kit.RecordKind;

/**
 * Records in order of time, the latest first.
 *
 * @param kinds how many there are of each kind, whatever the filter by kind
 * @param removed how many of them were removed
 * @param before where older ones follow: what to ask for next
 */
record StoryView(
        List<Line> lines,
        Map<String, Integer> kinds,
        int removed,
        @Schema(description = OPTIONAL) Instant before) {

    /**
     * One record.
     *
     * @param kind as {@code story_line} calls it, for example reading; a move is read off the history of its tree and is not mended
     * @param at when it happened
     * @param what what it says, by its kind
     */
    @Schema(name = "StoryLine")
    record Line(
            String kind,
            UUID id,
            @Schema(description = OPTIONAL) UUID treeId,
            @Schema(description = OPTIONAL) String tree,
            @Schema(description = OPTIONAL) String crop,
            @Schema(description = OPTIONAL) UUID lotId,
            @Schema(description = OPTIONAL) UUID crossId,
            Instant at,
            String by,
            Instant recordedAt,
            @Schema(description = OPTIONAL) Instant removedAt,
            @Schema(description = OPTIONAL) String removedBecause,
            long version,
            String note,
            Map<String, Object> what) {}

    /** How a record came to be as it is, the latest first. */
    @Schema(name = "RecordHistory")
    record History(List<Revised> revisions) {}

    /** What was done to a record. */
    enum Deed {
        WRITTEN,
        CORRECTED,
        REMOVED,
        RESTORED
    }

    /** @param by empty where the application itself did it */
    @Schema(name = "RecordRevision")
    record Revised(
            Instant at,
            String by,
            Deed deed,
            @Schema(description = OPTIONAL) String reason,
            List<Change> changes) {}

    /**
     * A field that changed.
     *
     * @param before empty where it held nothing
     */
    @Schema(name = "RecordChange")
    record Change(String field, String before, String after) {}

    /** What else changes where a record is removed or restored. */
    @Schema(name = "RecordEffects")
    record Effects(List<RecordKind.Effect> effects) {}

    /**
     * Something that was found.
     *
     * @param kind tree, variety, block, jar, cross, tag, fruit, person or note
     * @param id what it leads to; of a tag, a fruit or a note its tree
     * @param title its name
     * @param about what it is, or the note itself
     */
    @Schema(name = "SearchHit")
    record Hit(String kind, @Schema(description = OPTIONAL) UUID id, String title, String about) {}
}
