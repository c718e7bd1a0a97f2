package org.evenhand.availability;

import java.util.List;
import java.util.UUID;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.evenhand.core.planning.Rhythm;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.mating.LearnedUse;
import org.evenhand.orchard.Orchards;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** When an orchard's people can go, and which schools they follow. */
@Service
public class Settings implements LearnedUse {

    private final RoundSettingsRepository settings;
    private final Orchards orchards;
    private final IdempotentWriter once;

    Settings(RoundSettingsRepository settings, Orchards orchards, IdempotentWriter once) {
        this.settings = settings;
        this.orchards = orchards;
        this.once = once;
    }

    @Transactional(readOnly = true)
    public SettingsView of(Caller caller) {
        return settings.findByOrchardIdAndVoidedAtIsNull(caller.orchardId())
                .map(RoundSettings::view)
                .orElse(SettingsView.USUAL);
    }

    @Override
    @Transactional(readOnly = true)
    public boolean useLearned(Caller caller) {
        return of(caller).useLearned();
    }

    public SettingsView put(Caller caller, UUID id, SettingsRequest request) {
        check(request);
        return once.write(
                settings,
                caller,
                id,
                found -> change(found, request),
                () -> settings.saveAndFlush(new RoundSettings(
                                id,
                                caller,
                                orchards.now(caller),
                                orchards.details(caller).site().zone(),
                                request))
                        .view());
    }

    private SettingsView change(RoundSettings found, SettingsRequest request) {
        if (request.version() != null) {
            found.requireVersion("hours", request.version());
            found.change(request);
            settings.saveAndFlush(found);
        }
        return found.view();
    }

    private static void check(SettingsRequest r) {
        if (r.rhythm() == Rhythm.Kind.WEEKDAYS) {
            Require.within("weekdays", Given.required("weekdays", r.weekdays()).size(), 1, 7);
        }
        hours("everyDay", r.everyDay());
        List<SettingsView.SingleDay> days = r.singleDays();
        for (int i = 0; i < days.size(); i++) {
            hours("singleDays[" + i + "].hours", days.get(i).hours());
        }
        List<SettingsView.Away> away = r.away();
        for (int i = 0; i < away.size(); i++) {
            String field = "away[" + i + "]";
            var first = away.get(i).first();
            var last = away.get(i).last();
            if (last.isBefore(first)) {
                throw new InvalidInputException(
                        field + ".last", "is " + last + ", before the first day away, " + first + ".");
            }
        }
    }

    private static void hours(String field, List<SettingsView.Hours> hours) {
        for (int i = 0; i < hours.size(); i++) {
            var from = hours.get(i).from();
            var until = hours.get(i).until();
            if (from.equals(until)) {
                throw new InvalidInputException(field + "[" + i + "].until", "is " + until + ", the hour it begins.");
            }
        }
    }
}
