package org.evenhand.pollination;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import java.time.Instant;
import java.time.ZoneId;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.Getter;
import lombok.NoArgsConstructor;
import org.evenhand.availability.Strokes;
import org.evenhand.core.crop.Mark;
import org.evenhand.core.cropload.LimbClass;
import org.evenhand.core.fruitset.Treatment;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;

@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
@Audited
class Pollination extends OrchardRecord {
    private UUID treeId;
    private UUID lotId;
    private int flowers;
    private Instant doneAt;
    private String mark;

    @Enumerated(EnumType.STRING)
    private Mark.Lasts markLasts;

    private String colour;
    private String tag;
    private Integer tagYear;
    private UUID walkId;
    private Integer stop;
    private UUID crossId;
    private boolean again;
    private UUID againOf;

    @Enumerated(EnumType.STRING)
    private Treatment treatment;

    private String stage;

    @Enumerated(EnumType.STRING)
    private Strokes strokes;

    private String tool;

    @Enumerated(EnumType.STRING)
    private LimbClass limb;

    private UUID comparisonId;
    private Integer slot;

    Pollination(UUID id, Caller caller, Instant now, ZoneId zone, Done done) {
        super(id, caller, now, zone);
        correct(done, zone);
    }

    /** Puts what was done in place of what stood here. */
    final void correct(Done done, ZoneId zone) {
        this.treeId = done.treeId();
        this.lotId = done.lotId();
        this.flowers = done.flowers();
        this.doneAt = done.doneAt();
        this.mark = done.mark();
        this.markLasts = done.markLasts();
        this.colour = done.colour();
        this.tag = done.tag();
        this.tagYear = done.tag().isEmpty() ? null : done.doneAt().atZone(zone).getYear();
        this.walkId = done.walkId();
        this.stop = done.stop();
        this.crossId = done.crossId();
        this.again = done.again();
        this.againOf = done.againOf();
        this.treatment = done.how().treatment();
        this.stage = done.how().stage();
        this.strokes = done.how().strokes();
        this.tool = done.how().tool();
        this.limb = done.how().limb();
        this.comparisonId = done.comparisonId();
        this.slot = done.slot();
    }

    /**
     * What was done, and how it is marked.
     *
     * @param lotId absent where the brush went from flower to flower with their own pollen
     * @param crossId the cross they belong to; absent for most
     * @param again whether the same flowers had pollen before
     * @param againOf when they had, outside crosses
     */
    record Done(
            UUID treeId,
            UUID lotId,
            int flowers,
            Instant doneAt,
            String mark,
            Mark.Lasts markLasts,
            String colour,
            String tag,
            UUID walkId,
            Integer stop,
            UUID crossId,
            boolean again,
            UUID againOf,
            PollinationHow how,
            UUID comparisonId,
            Integer slot) {}

    PollinationHow how() {
        return new PollinationHow(treatment, stage, strokes, tool.isEmpty() ? null : tool, limb);
    }

    /** As pollen given to a cross. */
    PollinationBook.OnCross onCross() {
        return new PollinationBook.OnCross(
                id(), crossId, again, flowers, doneAt, recordedBy(), walkId, stop, version());
    }
}
