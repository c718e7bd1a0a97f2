package org.evenhand.cross;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CrossTraits;
import org.evenhand.core.crop.School;
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
    /** Numbers of a crop sheet on which growers' schools of set differ. */
    private static final List<String> SET = List.of("cross.setShare", "load.setShare", "fruit.setShare");

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
        Optional<SeedDemandView.Range> needed = seeds.sure().isPresent()
                ? Optional.of(new SeedDemandView.Range(
                        seeds.even().orElse(0), seeds.sure().getAsInt()))
                : Optional.empty();
        double each = cross.seeds().value();
        Optional<SeedDemandView.Range> fruits =
                needed.map(n -> new SeedDemandView.Range(up(n.from() / each), up(n.until() / each)));
        return new SeedDemandView(
                crop,
                trees,
                needed.orElse(null),
                fruits.orElse(null),
                each,
                cross.seeds().basis(),
                fruits.map(f -> flowers(sheet, cross, f)).orElse(List.of()),
                List.of(
                        share("germinates", demand.germinates(), seeds, 0),
                        share("reachesPot", demand.reachesPot(), seeds, 1),
                        share("reachesFruit", demand.reachesFruit(), seeds, 2)),
                orchards.today(caller)
                        .plusMonths(Math.round(12 * traits.fruitYears().value()))
                        .getYear());
    }

    private static InvalidInputException unknown(CropSheet sheet) {
        return new InvalidInputException(
                "crop", "is " + sheet.name() + ", whose crop sheet does not say how its seeds are raised.");
    }

    private static List<SeedDemandView.Flowers> flowers(
            CropSheet sheet, CrossTraits cross, SeedDemandView.Range fruits) {
        List<SeedDemandView.Flowers> all = new ArrayList<>();
        all.add(flowers("the crop sheet", cross.setShare().value(), fruits));
        for (School school : sheet.schools()) {
            school.choice().filter(c -> SET.contains(c.path())).ifPresent(c -> {
                all.add(flowers(school.one(), c.one(), fruits));
                all.add(flowers(school.other(), c.other(), fruits));
            });
        }
        return all;
    }

    private static SeedDemandView.Flowers flowers(String by, double share, SeedDemandView.Range fruits) {
        return new SeedDemandView.Flowers(
                by, share, new SeedDemandView.Range(up(fruits.from() / share), up(fruits.until() / share)));
    }

    private static int up(double number) {
        return (int) Math.ceil(number - 1e-9);
    }

    private static SeedDemandView.Share share(
            String step, SeedDemand.Share share, SeedDemand.Seeds seeds, int position) {
        Proportion.Interval interval = share.belief().interval(SeedDemand.SURE);
        OptionalInt sure = seeds.sure();
        return new SeedDemandView.Share(
                step,
                share.sheet().value(),
                share.sheet().basis(),
                share.lived(),
                share.seen(),
                share.belief().mean(),
                interval.lower(),
                interval.upper(),
                sure.isPresent() ? seeds.expected().get(position) : null);
    }
}
