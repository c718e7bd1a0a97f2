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

/** Labels for the bag, the tray and the pots of a lot; scanning one opens its page. */
@Service
class SeedLabels {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

    private final SeedLots lots;

    SeedLabels(SeedLots lots) {
        this.lots = lots;
    }

    LabelSheet.Sheet sheet(Caller caller, UUID id, SeedLotRequests.Labels request, String origin) {
        LabelGrid grid = request.grid();
        SeedLotView lot = lots.lot(caller, id);
        LabelSheet.Label label =
                new LabelSheet.Label(lot.label(), origin + "/fruit-set/seeds/" + lot.id(), printed(lot));
        return LabelSheet.of(grid, Collections.nCopies(request.copies(), label), request.skip());
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
