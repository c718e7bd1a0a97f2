package org.evenhand.pollen;

import java.util.Locale;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.orchard.VarietyView;
import org.springframework.stereotype.Component;

/** Reads an orchard's {@link LotBook}: the same few queries however many jars there are. */
@Component
class LotBooks {
    private final PollenLotRepository lots;
    private final PollenStepRepository steps;
    private final PollenTestRepository tests;
    private final Orchards orchards;
    private final CropCatalogue crops;

    LotBooks(
            PollenLotRepository lots,
            PollenStepRepository steps,
            PollenTestRepository tests,
            Orchards orchards,
            CropCatalogue crops) {
        this.lots = lots;
        this.steps = steps;
        this.tests = tests;
        this.orchards = orchards;
        this.crops = crops;
    }

    LotBook read(Caller caller) {
        LotBook.Names names = new LotBook.Names(
                orchards.varieties(caller).stream().collect(Collectors.toMap(VarietyView::id, Function.identity())),
                orchards.trees(caller).stream().collect(Collectors.toMap(TreeView::id, TreeView::name)));
        return new LotBook(
                lots.findByOrchardIdOrderByCollectedAtDescIdDesc(caller.orchardId()),
                steps.findByOrchardIdAndVoidedAtIsNull(caller.orchardId()),
                tests.findByOrchardIdAndVoidedAtIsNull(caller.orchardId()),
                names,
                crop -> crops.of(caller, crop),
                orchards.details(caller).site());
    }

    /** The next code that begins with a prefix; nobody else gets one until the transaction ends. */
    String nextCode(Caller caller, String prefix) {
        lots.lockCodes(caller.orchardId());
        long number = lots.countByOrchardIdAndCodeStartingWith(caller.orchardId(), prefix + "-") + 1;
        return String.format(Locale.ROOT, "%s-%02d", prefix, number);
    }
}
