package org.evenhand.crop;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Map;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.NoArgsConstructor;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.envers.Audited;
import org.hibernate.type.SqlTypes;

/** One change of an orchard's own numbers on a crop's sheets; an empty map is "as shipped". */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Audited
class OwnSheet extends OrchardRecord {
    private String crop;

    @JdbcTypeCode(SqlTypes.JSON)
    private Map<String, Double> numbers;

    private String note;

    OwnSheet(UUID id, Caller caller, Instant now, ZoneId zone, String crop, Map<String, Double> numbers, String note) {
        super(id, caller, now, zone);
        this.crop = crop;
        this.numbers = Map.copyOf(numbers);
        this.note = note;
    }

    String crop() {
        return crop;
    }

    Map<String, Double> numbers() {
        return Map.copyOf(numbers);
    }

    String note() {
        return note;
    }
}
