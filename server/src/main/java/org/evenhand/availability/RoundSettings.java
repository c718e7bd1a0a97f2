package org.evenhand.availability;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.NoArgsConstructor;
import org.evenhand.core.planning.Rhythm;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.envers.Audited;
import org.hibernate.type.SqlTypes;

/** When an orchard's people can go, and which schools they follow. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Audited
class RoundSettings extends OrchardRecord {
    @Enumerated(EnumType.STRING)
    private PollenAge pollenAge;

    @Enumerated(EnumType.STRING)
    private Strokes strokes;

    private int flowersPerHour;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<SettingsView.Hours> everyDay;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<SettingsView.SingleDay> singleDays;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<SettingsView.Away> away;

    private boolean keepPhotoPlace;
    private boolean useLearned;
    private boolean repeatVisits;
    private double worthGoing;

    @Enumerated(EnumType.STRING)
    private Rhythm.Kind rhythm;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<DayOfWeek> weekdays;

    private boolean onlyWhenWarm;

    @Enumerated(EnumType.STRING)
    private EarlyFlush earlyFlush;

    RoundSettings(UUID id, Caller caller, Instant now, ZoneId zone, SettingsRequest request) {
        super(id, caller, now, zone);
        change(request);
    }

    final void change(SettingsRequest request) {
        this.pollenAge = request.pollenAge();
        this.strokes = request.strokes();
        this.flowersPerHour = request.flowersPerHour();
        this.everyDay = List.copyOf(request.everyDay());
        this.singleDays = List.copyOf(request.singleDays());
        this.away = List.copyOf(request.away());
        this.keepPhotoPlace = Boolean.TRUE.equals(request.keepPhotoPlace());
        this.useLearned = !Boolean.FALSE.equals(request.useLearned());
        this.repeatVisits = !Boolean.FALSE.equals(request.repeatVisits());
        this.worthGoing = request.worthGoing() == null ? SettingsView.USUAL.worthGoing() : request.worthGoing();
        this.rhythm = request.rhythm() == null ? SettingsView.USUAL.rhythm() : request.rhythm();
        this.weekdays = request.weekdays() == null ? List.of() : List.copyOf(request.weekdays());
        this.onlyWhenWarm = Boolean.TRUE.equals(request.onlyWhenWarm());
        this.earlyFlush = request.earlyFlush() == null ? SettingsView.USUAL.earlyFlush() : request.earlyFlush();
    }

    SettingsView view() {
        return new SettingsView(
                id(),
                pollenAge,
                strokes,
                flowersPerHour,
                everyDay,
                singleDays,
                away,
                keepPhotoPlace,
                useLearned,
                repeatVisits,
                worthGoing,
                rhythm,
                weekdays,
                onlyWhenWarm,
                earlyFlush,
                version());
    }
}
