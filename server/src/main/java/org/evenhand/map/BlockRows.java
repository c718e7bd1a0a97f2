package org.evenhand.map;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.ZoneId;
import java.util.OptionalDouble;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.NoArgsConstructor;
import org.evenhand.core.map.BlockLayout;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;

/** How the rows of a block lie. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Audited
class BlockRows extends OrchardRecord {
    private String block;

    @Column(name = "row_spacing_m")
    private double rowSpacingM;

    @Column(name = "place_spacing_m")
    private double placeSpacingM;

    private Double bearing;

    BlockRows(UUID id, Caller caller, Instant now, ZoneId zone, String block) {
        super(id, caller, now, zone);
        this.block = block;
    }

    String block() {
        return block;
    }

    void change(BlockLayout layout) {
        this.rowSpacingM = layout.rowSpacing();
        this.placeSpacingM = layout.placeSpacing();
        this.bearing = layout.bearing().isPresent() ? layout.bearing().getAsDouble() : null;
    }

    BlockLayout layout() {
        return new BlockLayout(
                rowSpacingM, placeSpacingM, bearing == null ? OptionalDouble.empty() : OptionalDouble.of(bearing));
    }
}
