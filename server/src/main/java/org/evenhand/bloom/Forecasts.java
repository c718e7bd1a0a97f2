package org.evenhand.bloom;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.core.bloom.BloomConditions;
import org.evenhand.core.bloom.BudSupply;
import org.evenhand.core.bloom.FlowerReading;
import org.evenhand.core.bloom.TreeForecast;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.weather.HourlyTemperatures;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.orchard.OrchardDetails;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.weather.Weather;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Foresees the flowers of every tree that has been read lately. */
@Service
public class Forecasts {
    /** Flowers read longer ago than this are over. */
    private static final Duration LOOK_BACK = Duration.ofDays(14);

    private final ReadingRepository readings;
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final Weather weather;

    Forecasts(ReadingRepository readings, Orchards orchards, CropCatalogue crops, Weather weather) {
        this.readings = readings;
        this.orchards = orchards;
        this.crops = crops;
        this.weather = weather;
    }

    /** A tree, and its forecast with the reading it starts from where it has been read. */
    public record Foreseen(TreeView tree, CropSheet sheet, TreeForecast forecast, ReadingView reading) {
        public boolean known() {
            return forecast != null;
        }
    }

    /** Every tree of the orchard, foreseen from its readings up to {@code now} and able to look ahead to {@code until}. */
    @Transactional(readOnly = true)
    public List<Foreseen> all(Caller caller, Instant now, Instant until) {
        OrchardDetails orchard = orchards.details(caller);
        Map<UUID, List<Reading>> byTree = readings
                .findByOrchardIdAndTakenAtAfterAndVoidedAtIsNullOrderByTakenAt(caller.orchardId(), now.minus(LOOK_BACK))
                .stream()
                .filter(r -> !r.takenAt().isAfter(now))
                .collect(Collectors.groupingBy(Reading::treeId));
        HourlyTemperatures temperatures =
                weather.temperatures(orchard, now.minus(LOOK_BACK).minus(BudSupply.WARM_UP), until);
        Map<String, BudSupply> supplies = new LinkedHashMap<>();
        List<Foreseen> foreseen = new ArrayList<>();
        for (TreeView tree : orchards.trees(caller)) {
            CropSheet sheet = crops.of(tree.crop());
            BudSupply supply = supplies.computeIfAbsent(
                    tree.crop(),
                    c -> BudSupply.of(sheet, BloomConditions.of(sheet, orchard.site(), temperatures, until), now));
            foreseen.add(foresee(tree, sheet, supply, byTree.getOrDefault(tree.id(), List.of())));
        }
        return foreseen;
    }

    private static Foreseen foresee(TreeView tree, CropSheet sheet, BudSupply supply, List<Reading> readings) {
        if (readings.isEmpty()) {
            return new Foreseen(tree, sheet, null, null);
        }
        List<FlowerReading> looks = readings.stream().map(r -> r.asCore(sheet)).toList();
        Reading latest = readings.get(readings.size() - 1);
        return new Foreseen(tree, sheet, TreeForecast.of(supply, looks), Readings.view(latest, sheet));
    }
}
