package org.evenhand.availability;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.evenhand.core.planning.Rhythm;
import org.evenhand.core.planning.WorkingHours;

/**
 * When somebody can go, and which schools are followed.
 *
 * @param id absent as long as nobody wrote anything down
 * @param flowersPerHour flowers that one manages in an hour
 * @param keepPhotoPlace whether it is kept where a picture was taken
 * @param repeatVisits whether flowers are gone over once more while stigmas last
 * @param worthGoing fruits that a visit must let expect before anybody goes, 0 to 1000
 * @param rhythm on which days one goes
 * @param weekdays the days, where the rhythm is of weekdays
 * @param onlyWhenWarm whether a crop whose sheet says how warm it must be is left alone while it is colder
 * @param everyDay hours of an ordinary day; none where any hour will do
 */
@Schema(name = "RoundSettings")
public record SettingsView(
        @Schema(description = OPTIONAL) UUID id,
        PollenAge pollenAge,
        Strokes strokes,
        int flowersPerHour,
        List<Hours> everyDay,
        List<SingleDay> singleDays,
        List<Away> away,
        boolean keepPhotoPlace,
        boolean useLearned,
        boolean repeatVisits,
        double worthGoing,
        Rhythm.Kind rhythm,
        List<DayOfWeek> weekdays,
        boolean onlyWhenWarm,
        EarlyFlush earlyFlush,
        @Schema(description = OPTIONAL) Long version) {

    /** What holds as long as nobody said otherwise; sixty flowers an hour and a twentieth of a
     * fruit for a walk are our assumption. */
    static final SettingsView USUAL = new SettingsView(
            null,
            PollenAge.STORED,
            Strokes.AS_SHEET,
            60,
            List.of(),
            List.of(),
            List.of(),
            false,
            true,
            true,
            0.05,
            Rhythm.Kind.EVERY_DAY,
            List.of(),
            false,
            EarlyFlush.WAIT,
            null);

    /** Hours by the orchard's clock, as {@code 16:00}; those that end at or before their beginning go on past midnight. */
    @Schema(name = "FreeHours")
    public record Hours(
            @Schema(type = "string") @NotNull LocalTime from,
            @Schema(type = "string") @NotNull LocalTime until) {
        WorkingHours.Hours core() {
            return new WorkingHours.Hours(from, until);
        }
    }

    /** One day with hours of its own; none where it is not free. */
    @Schema(name = "FreeDay")
    public record SingleDay(
            @NotNull LocalDate day, @NotNull @Size(max = 12) List<@NotNull @Valid Hours> hours) {}

    /** Days away, both included. */
    @Schema(name = "Away")
    public record Away(
            @NotNull LocalDate first,
            @NotNull LocalDate last,
            @NotNull @Size(max = 200) String note) {}

    public Rhythm days() {
        return new Rhythm(rhythm, Set.copyOf(weekdays));
    }

    public WorkingHours hours() {
        return new WorkingHours(
                everyDay.stream().map(Hours::core).toList(),
                singleDays.stream()
                        .map(d -> new WorkingHours.SingleDay(
                                d.day(), d.hours().stream().map(Hours::core).toList()))
                        .toList(),
                away.stream()
                        .map(a -> new WorkingHours.Away(a.first(), a.last()))
                        .toList());
    }
}
