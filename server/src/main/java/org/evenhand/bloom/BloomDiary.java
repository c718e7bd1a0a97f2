package org.evenhand.bloom;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.VarietiesMerged;
import org.evenhand.orchard.VarietiesParted;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The days on which varieties flowered, year by year, as they are written down. */
@Service
public class BloomDiary {
    private final BloomDateRepository dates;
    private final Orchards orchards;
    private final IdempotentWriter once;

    BloomDiary(BloomDateRepository dates, Orchards orchards, IdempotentWriter once) {
        this.dates = dates;
        this.orchards = orchards;
        this.once = once;
    }

    @Transactional(readOnly = true)
    public List<BloomDateView> all(Caller caller) {
        return dates.findByOrchardIdAndVoidedAtIsNullOrderByYearDescIdDesc(caller.orchardId()).stream()
                .map(BloomDateView::of)
                .toList();
    }

    public BloomDateView put(Caller caller, UUID id, BloomDateRequest request) {
        ZoneId zone = orchards.details(caller).site().zone();
        LocalDate today = orchards.today(caller);
        BloomDate.Dates days = checked(request, today);
        UUID variety = orchards.variety(caller, request.varietyId()).id();
        int year = Require.within("year", request.year(), 1900, today.getYear() + 1);
        return once.write(dates, caller, id, found -> change(found, days, request), () -> {
            refuseTaken(caller, variety, year);
            return BloomDateView.of(
                    dates.saveAndFlush(new BloomDate(id, caller, orchards.now(caller), zone, variety, year, days)));
        });
    }

    /** Of a year that both had, the days of the one that stays are kept. */
    @EventListener
    void merge(VarietiesMerged merged) {
        List<BloomDate> all = dates.findByOrchardIdAndVoidedAtIsNullOrderByYearDescIdDesc(
                merged.caller().orchardId());
        for (BloomDate of : all) {
            if (!of.varietyId().equals(merged.from())) {
                continue;
            }
            boolean had = all.stream().anyMatch(d -> d.varietyId().equals(merged.into()) && d.year() == of.year());
            if (had) {
                of.voidBecause(merged.reason(), orchards.now(merged.caller()));
            } else {
                of.mergeVariety(merged.into());
            }
            dates.saveAndFlush(of);
        }
    }

    @EventListener
    void part(VarietiesParted parted) {
        parted.giveBack(BloomDate.class, dates, BloomDate::varietyId, (now, was) -> now.mergeVariety(was.varietyId()));
    }

    /** The version of a year's days now. */
    long version(Caller caller, UUID id) {
        return dates.require(caller, id).version();
    }

    private BloomDateView change(BloomDate found, BloomDate.Dates days, BloomDateRequest request) {
        if (request.version() != null || !found.dates().equals(days)) {
            found.requireVersion("season", request.version());
            found.change(days);
        }
        return BloomDateView.of(dates.saveAndFlush(found));
    }

    private void refuseTaken(Caller caller, UUID variety, int year) {
        boolean taken = dates.findByOrchardIdAndVoidedAtIsNullOrderByYearDescIdDesc(caller.orchardId()).stream()
                .anyMatch(d -> d.varietyId().equals(variety) && d.year() == year);
        if (taken) {
            throw new InvalidInputException("year", "is " + year + ", which is written down already; change that one.");
        }
    }

    private static BloomDate.Dates checked(BloomDateRequest r, LocalDate today) {
        BloomDate.Dates days = new BloomDate.Dates(r.leafOut(), r.firstBloom(), r.fullBloom(), r.lastBloom());
        if (days.leafOut() == null && days.firstBloom() == null) {
            throw new InvalidInputException("firstBloom", "is missing; give it, or the day of leaf-out.");
        }
        inOrder("fullBloom", days.firstBloom(), "first bloom", days.fullBloom());
        inOrder("lastBloom", days.fullBloom(), "full bloom", days.lastBloom());
        Given.notAhead("leafOut", days.leafOut(), today);
        Given.notAhead("firstBloom", days.firstBloom(), today);
        Given.notAhead("fullBloom", days.fullBloom(), today);
        Given.notAhead("lastBloom", days.lastBloom(), today);
        return days;
    }

    private static void inOrder(String field, LocalDate before, String what, LocalDate day) {
        if (day != null && before == null) {
            throw new InvalidInputException(field, "is given, but not the day of " + what + " before it.");
        }
        if (day != null && day.isBefore(before)) {
            throw new InvalidInputException(field, "is " + day + ", before the day of " + what + ", " + before + ".");
        }
    }

    @Transactional
    public void voidDate(Caller caller, UUID id, VoidRequest request) {
        dates.voidOnce(caller, id, request, orchards.now(caller));
    }

    /** Puts removed dates back, where no others were written down for that year. */
    @Transactional
    void restore(Caller caller, UUID id, Long version) {
        dates.restoreOnce(caller, id, version, d -> refuseTaken(caller, d.varietyId(), d.year()));
    }
}
