package org.evenhand.cross;

import java.util.List;
import java.util.Optional;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CrossTraits;
import org.evenhand.core.crop.SeedTraits;
import org.evenhand.core.cross.SeedDemand;
import org.evenhand.core.statistics.Proportion;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.orchard.Orchards;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How many seeds, fruits and flowers as many judged trees take. */
@Service
class SeedDemands {
    private final SeedLots lots;
    private final Orchards orchards;
    private final CropCatalogue crops;

    SeedDemands(SeedLots lots, Orchards orchards, CropCatalogue crops) {
        this.lots = lots;
        this.orchards = orchards;
        this.crops = crops;
    }

    @Transactional(readOnly = true)
    SeedDemandView demand(Caller caller, String crop, int trees) {
        CropSheet sheet = crops.require(caller, "crop", crop);
        SeedTraits traits = sheet.seeds().orElseThrow(() -> unknown(sheet));
        CrossTraits cross = sheet.cross().orElseThrow(() -> unknown(sheet));
        SeedDemand demand = SeedDemand.of(traits, lots.stocks(caller, crop), orchards.today(caller));
        SeedDemand.Seeds seeds = demand.forTrees(trees);
        double each = cross.seeds().value();
        Optional<SeedDemand.Range> fruits = seeds.range().map(n -> n.dividedBy(each));
        return new SeedDemandView(
                crop,
                trees,
                seeds.range().map(SeedDemandView.Range::of).orElse(null),
                fruits.map(SeedDemandView.Range::of).orElse(null),
                each,
                cross.seeds().basis(),
                fruits.map(f -> flowers(sheet, f)).orElse(List.of()),
                List.of(
                        share("germinates", demand.germinates(), seeds, 0),
                        share("reachesPot", demand.reachesPot(), seeds, 1),
                        share("reachesFruit", demand.reachesFruit(), seeds, 2)),
                SeedDemand.judgedIn(traits, orchards.today(caller)),
                SeedDemand.judgedGraftedIn(traits, orchards.today(caller)).orElse(null));
    }

    private static InvalidInputException unknown(CropSheet sheet) {
        return new InvalidInputException(
                "crop", "is " + sheet.name() + ", whose crop sheet does not say how its seeds are raised.");
    }

    private static List<SeedDemandView.Flowers> flowers(CropSheet sheet, SeedDemand.Range fruits) {
        return SeedDemand.opinions(sheet).stream()
                .map(o -> new SeedDemandView.Flowers(
                        o.by().orElse("the crop sheet"),
                        o.share(),
                        SeedDemandView.Range.of(fruits.dividedBy(o.share()))))
                .toList();
    }

    private static SeedDemandView.Share share(
            String step, SeedDemand.Share share, SeedDemand.Seeds seeds, int position) {
        Proportion.Interval interval = share.belief().interval(SeedDemand.SURE);
        return new SeedDemandView.Share(
                step,
                share.sheet().value(),
                share.sheet().basis(),
                share.lived(),
                share.seen(),
                share.belief().mean(),
                interval.lower(),
                interval.upper(),
                seeds.sure().isPresent() ? seeds.expected().get(position) : null);
    }
}
