package org.evenhand.judging;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import java.time.Instant;
import java.time.ZoneId;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.Getter;
import lombok.NoArgsConstructor;
import org.evenhand.core.judging.TraitScale;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;

/** What plants of a crop are scored by. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
@Audited
class Trait extends OrchardRecord {
    private String crop;
    private String name;
    private String unit;
    private double low;
    private double high;

    @Enumerated(EnumType.STRING)
    private TraitScale.Better better;

    private double weight;

    Trait(UUID id, Caller caller, Instant now, ZoneId zone, TraitRequest request) {
        super(id, caller, now, zone);
        correct(request);
    }

    final void correct(TraitRequest request) {
        this.crop = request.crop();
        this.name = request.name().strip();
        this.unit = Given.stripped(request.unit());
        this.low = request.low();
        this.high = request.high();
        this.better = request.better();
        this.weight = request.weight();
    }

    boolean says(TraitRequest request) {
        return crop.equals(request.crop())
                && name.equals(request.name().strip())
                && unit.equals(Given.stripped(request.unit()))
                && low == request.low()
                && high == request.high()
                && better == request.better()
                && weight == request.weight();
    }

    TraitScale scale() {
        return new TraitScale(low, high, better);
    }
}
