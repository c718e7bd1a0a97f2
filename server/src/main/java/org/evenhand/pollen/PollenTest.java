package org.evenhand.pollen;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.NoArgsConstructor;
import org.evenhand.core.pollen.FlowerTrial;
import org.evenhand.core.pollen.GerminationTest;
import org.evenhand.core.pollen.ViabilityCurve;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.envers.Audited;
import org.hibernate.type.SqlTypes;

/** A test of a jar: grains germinated on a medium, or a trial on spare flowers. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Audited
class PollenTest extends OrchardRecord {
    private UUID lotId;
    private Instant testedAt;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<TestFields> fields;

    private Integer flowers;
    private Integer taken;
    private Integer freshFlowers;
    private Integer freshTaken;
    private String note;

    /** One field of view. */
    record TestFields(int grains, int tubes) {}

    /** What was seen: one of the two. */
    record Seen(Instant at, Optional<GerminationTest> germination, Optional<FlowerTrial> trial, String note) {}

    PollenTest(UUID id, Caller caller, Instant now, ZoneId zone, UUID lotId, Seen seen) {
        super(id, caller, now, zone);
        this.lotId = lotId;
        correct(seen);
    }

    final void correct(Seen seen) {
        this.testedAt = seen.at();
        this.note = seen.note();
        this.fields = seen.germination()
                .map(g -> g.fields().stream()
                        .map(f -> new TestFields(f.grains(), f.tubes()))
                        .toList())
                .orElse(null);
        FlowerTrial trial = seen.trial().orElse(null);
        this.flowers = trial == null ? null : trial.flowers();
        this.taken = trial == null ? null : trial.taken();
        this.freshFlowers = trial == null ? null : trial.freshFlowers();
        this.freshTaken = trial == null ? null : trial.freshTaken();
    }

    UUID lotId() {
        return lotId;
    }

    Seen seen() {
        Optional<GerminationTest> germination = Optional.ofNullable(fields)
                .map(f -> new GerminationTest(f.stream()
                        .map(field -> new GerminationTest.Field(field.grains(), field.tubes()))
                        .toList()));
        Optional<FlowerTrial> trial = flowers == null
                ? Optional.empty()
                : Optional.of(new FlowerTrial(flowers, taken, freshFlowers, freshTaken));
        return new Seen(testedAt, germination, trial, note);
    }

    /** The course as it is known after this test. */
    ViabilityCurve teach(ViabilityCurve course) {
        Seen seen = seen();
        return seen.germination()
                .map(g -> course.tested(seen.at(), g))
                .orElseGet(() -> course.tested(seen.at(), seen.trial().orElseThrow()));
    }
}
