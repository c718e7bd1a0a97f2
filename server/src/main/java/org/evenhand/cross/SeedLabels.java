package org.evenhand.cross;

import java.time.format.DateTimeFormatter;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.LabelGrid;
import org.evenhand.kit.LabelSheet;
import org.springframework.stereotype.Service;

/** Labels for the bag, the tray and the pots of a lot, and for seedlings with numbers; scanning one opens its page. */
@Service
class SeedLabels {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

    private final SeedLots lots;
    private final Seedlings seedlings;

    SeedLabels(SeedLots lots, Seedlings seedlings) {
        this.lots = lots;
        this.seedlings = seedlings;
    }

    LabelSheet.Sheet sheet(Caller caller, UUID id, SeedLotRequests.Labels request, String origin) {
        LabelGrid grid = request.grid();
        SeedLotView lot = lots.lot(caller, id);
        LabelSheet.Label label =
                new LabelSheet.Label(lot.label(), origin + "/fruit-set/seeds/" + lot.id(), printed(lot));
        return LabelSheet.of(grid, Collections.nCopies(request.copies(), label), request.skip());
    }

    /** A label for each, in the order they were asked for. */
    LabelSheet.Sheet sheet(Caller caller, SeedlingRequests.Labels request, String origin) {
        List<LabelSheet.Label> printed = seedlings.withIds(caller, request.ids()).stream()
                .map(seedling -> label(seedling, origin))
                .toList();
        return LabelSheet.of(request.grid(), printed, request.skip());
    }

    private static LabelSheet.Label label(SeedlingView.Row seedling, String origin) {
        String father = seedling.father() == null ? "?" : seedling.father();
        return new LabelSheet.Label(
                seedling.number(),
                origin + "/fruit-set/seedlings/" + seedling.id(),
                List.of(
                        seedling.number(),
                        seedling.mother() + " × " + father,
                        "lot " + seedling.lot(),
                        DAY.format(seedling.numberedOn())));
    }

    private static List<String> printed(SeedLotView lot) {
        String father = lot.father() == null ? "?" : lot.father();
        return List.of(
                lot.label(),
                lot.mother() + " × " + father,
                lot.cross() == null ? lot.tree() : lot.tree() + ", cross " + lot.cross(),
                "harvested " + DAY.format(lot.harvestedOn()));
    }
}
