package org.evenhand.findings;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.account.Accounts;
import org.evenhand.core.Units;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.StageSheet;
import org.evenhand.core.findings.Factor;
import org.evenhand.core.fruitset.Treatment;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.orchard.VarietyView;
import org.evenhand.pollen.LotName;
import org.evenhand.pollen.PollenShelf;
import org.springframework.stereotype.Component;

/** What factors and their classes are called. */
@Component
class FactorNames {
    static final Map<String, String> TREATMENTS = Map.of(
            Treatment.HAND.name(), "by hand",
            Treatment.NATURE.name(), "left to nature",
            Treatment.BAGGED.name(), "bagged, no pollen");

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM", Locale.ENGLISH);

    private static final Map<Factor, String> TITLES = Map.ofEntries(
            Map.entry(Factor.VARIETY, "Variety"),
            Map.entry(Factor.FATHER, "Father"),
            Map.entry(Factor.LOT, "Jar"),
            Map.entry(Factor.LOT_AGE, "Age of the pollen"),
            Map.entry(Factor.STORAGE, "How the pollen was kept"),
            Map.entry(Factor.HOUR, "Hour of the day"),
            Map.entry(Factor.STAGE, "Stage of the flower"),
            Map.entry(Factor.TEMPERATURE, "Air temperature"),
            Map.entry(Factor.DRY_AIR, "Dryness of the air"),
            Map.entry(Factor.STROKES, "Strokes"),
            Map.entry(Factor.VISITS, "Visits"),
            Map.entry(Factor.TOOL, "Tool"),
            Map.entry(Factor.LIMB, "Where the flower sat"),
            Map.entry(Factor.HELPER, "Who did it"),
            Map.entry(Factor.TREE, "Tree"),
            Map.entry(Factor.EVENING, "Day"),
            Map.entry(Factor.TREATMENT, "How it was treated"),
            Map.entry(Factor.TREE_AND_TREATMENT, "Tree by treatment"));

    private static final Map<String, String> WORDS = Map.ofEntries(
            Map.entry("ROOM", "at room"),
            Map.entry("FRIDGE", "in the fridge"),
            Map.entry("FRIDGE_DESICCANT", "in the fridge with desiccant"),
            Map.entry("FREEZER", "in the freezer"),
            Map.entry("FULL", "many, all round"),
            Map.entry("LIGHT", "once in and out"),
            Map.entry("TRUNK", "on the trunk"),
            Map.entry("STOUT", "on a stout limb"),
            Map.entry("TWIG", "on a twig"),
            Map.entry("BRANCH_END", "at a branch end"));

    private final Orchards orchards;
    private final PollenShelf shelf;
    private final CropCatalogue crops;
    private final Accounts accounts;

    FactorNames(Orchards orchards, PollenShelf shelf, CropCatalogue crops, Accounts accounts) {
        this.orchards = orchards;
        this.shelf = shelf;
        this.crops = crops;
        this.accounts = accounts;
    }

    static String title(Factor factor) {
        return TITLES.get(factor);
    }

    /** The names of one crop's classes in the caller's orchard. */
    OfCrop of(Caller caller, String crop) {
        CropSheet sheet = crops.of(caller, crop);
        return new OfCrop(
                orchards.details(caller).units(),
                orchards.varieties(caller).stream().collect(Collectors.toMap(VarietyView::id, VarietyView::name)),
                orchards.trees(caller).stream().collect(Collectors.toMap(TreeView::id, TreeView::name)),
                shelf.names(caller),
                accounts.names(caller),
                sheet.stages().stream().collect(Collectors.toMap(StageSheet::key, StageSheet::name)));
    }

    record OfCrop(
            Units units,
            Map<UUID, String> varieties,
            Map<UUID, String> trees,
            Map<UUID, LotName> lots,
            Map<UUID, String> people,
            Map<String, String> stages) {

        /** A class as a grower would say it. */
        String name(Factor factor, String level) {
            if (level.isEmpty()) {
                return factor == Factor.FATHER ? "several fathers, or its own" : "not recorded";
            }
            if (factor.ordered()) {
                return factor.classes(units).get(Integer.parseInt(level));
            }
            return switch (factor) {
                case VARIETY, FATHER -> varieties.getOrDefault(UUID.fromString(level), "a removed variety");
                case TREE -> trees.getOrDefault(UUID.fromString(level), "a removed tree");
                case HELPER -> people.getOrDefault(UUID.fromString(level), "somebody");
                case LOT -> lot(UUID.fromString(level));
                case STAGE -> stages.getOrDefault(level, level).toLowerCase(Locale.ROOT);
                case EVENING -> DAY.format(LocalDate.parse(level));
                case TREATMENT -> TREATMENTS.get(level);
                default -> WORDS.getOrDefault(level, level);
            };
        }

        private String lot(UUID id) {
            LotName lot = lots.get(id);
            return lot == null ? "a removed jar" : lot.code() + " " + lot.varietyName();
        }
    }
}
