package org.evenhand.pollination;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.ZoneId;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.NoArgsConstructor;
import org.evenhand.core.pollen.FigSize;
import org.evenhand.core.pollination.FigList;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;

/** One fig's size on a day. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Audited
@Table(name = "fig_size")
class FigMeasure extends OrchardRecord {
    private UUID treeId;
    private String fig;
    private double diameterMm;

    @Enumerated(EnumType.STRING)
    private FigSize.Eye eye;

    private Instant measuredAt;

    FigMeasure(UUID id, Caller caller, Instant now, ZoneId zone, UUID treeId, FigList.Measure measure) {
        super(id, caller, now, zone);
        this.treeId = treeId;
        correct(measure);
    }

    final void correct(FigList.Measure measure) {
        this.fig = measure.fig();
        this.diameterMm = measure.diameterMm();
        this.eye = measure.eye();
        this.measuredAt = measure.at();
    }

    UUID treeId() {
        return treeId;
    }

    FigList.Measure measure() {
        return new FigList.Measure(fig, diameterMm, eye, measuredAt);
    }
}
