package org.evenhand.orchard;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.NoArgsConstructor;
import org.evenhand.core.Units;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.Site;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.envers.Audited;
import org.hibernate.envers.NotAudited;
import org.hibernate.type.SqlTypes;

@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Audited
class Orchard {
    @Id
    private UUID id;

    private String name;
    private double latitude;
    private double longitude;
    private String zone;

    @Column(name = "typical_minimum_c")
    private double typicalMinimumC;

    @Column(name = "typical_maximum_c")
    private double typicalMaximumC;

    /** January to December; absent where one ordinary day stands for the year. */
    @JdbcTypeCode(SqlTypes.JSON)
    private List<TypicalMonth> typicalMonths;

    @Enumerated(EnumType.STRING)
    private Units units;

    /** The moment at which a demo orchard lives; absent in a real one. */
    @NotAudited
    private Instant demoNow;

    @Version
    private Long version;

    Orchard(UUID id, OrchardDetails details, Instant demoNow) {
        this.id = id;
        this.demoNow = demoNow;
        change(details);
    }

    final void change(OrchardDetails details) {
        this.name = details.name();
        this.latitude = details.site().latitude();
        this.longitude = details.site().longitude();
        this.zone = details.site().zone().getId();
        this.typicalMinimumC = details.usual().minimumC();
        this.typicalMaximumC = details.usual().maximumC();
        this.typicalMonths = details.months().isEmpty()
                ? null
                : details.months().stream().map(TypicalMonth::of).toList();
        this.units = details.units();
    }

    void moveDemoClock(Instant to) {
        this.demoNow = to;
    }

    UUID id() {
        return id;
    }

    Instant demoNow() {
        return demoNow;
    }

    long version() {
        return version == null ? 0 : version;
    }

    OrchardDetails details() {
        return new OrchardDetails(
                name,
                new Site(latitude, longitude, ZoneId.of(zone)),
                new DailyTemperatures(typicalMinimumC, typicalMaximumC),
                TypicalMonth.days(typicalMonths),
                units);
    }
}
