package org.evenhand.core.crop;

import java.util.List;
import java.util.NoSuchElementException;
import java.util.Optional;

/**
 * What one species does, as data.
 *
 * @param key name of the sheet in records, for example {@code cherimoya} or {@code avocado-a}
 * @param crop name of the species' page; the sheets of one species' flowering types share it
 * @param type the flowering type, for species that have several
 * @param name name as a grower says it
 * @param scientificName botanical name
 * @param pollenGroup crops of one group serve each other with pollen
 * @param summary two or three sentences for the reader
 * @param baseTemperatureC temperature below which the flower's clock stands still, °C
 * @param referenceTemperatureC temperature at which the durations hold, °C
 * @param capTemperatureC temperature above which more heat adds nothing, °C
 * @param stages in the order in which a flower passes them, at least two
 * @param flowerKey what tells the stages apart
 * @param pollen what its pollen is like
 * @param ownVariety whether its own variety's pollen serves it
 * @param mating what else decides whether a cross sets
 * @param hand how it is worked by hand
 * @param workHours daily windows in which people work on its flowers: stigmas take then and pollen is there
 * @param season when it flowers and how often to go
 * @param pollinationPeriod how long a visit still helps, where that is known
 * @param load what a tree can carry, where growers reckon by it
 * @param cross how a flower is made ready for a cross, where growers do
 * @param fruit when fruit takes a number and ripens, where that is known
 * @param seeds how seeds are kept and raised, where that is known
 * @param checks days on which to look for set, earliest first
 * @param schools questions on which growers differ
 * @param cautions what can hurt, shown where the work is planned
 * @param protectedSpecies whether an authority's permission is usually needed before its flowers are touched
 * @param numbers every number an orchard may change
 */
public record CropSheet(
        String key,
        String crop,
        Optional<String> type,
        String name,
        String scientificName,
        String pollenGroup,
        String summary,
        Sourced baseTemperatureC,
        Sourced referenceTemperatureC,
        Sourced capTemperatureC,
        List<StageSheet> stages,
        FlowerKey flowerKey,
        PollenTraits pollen,
        OwnVariety ownVariety,
        MatingTraits mating,
        HandWorkTraits hand,
        List<WorkWindow> workHours,
        SeasonTraits season,
        Optional<PollinationPeriod> pollinationPeriod,
        Optional<CropLoadTraits> load,
        Optional<CrossTraits> cross,
        Optional<FruitTraits> fruit,
        Optional<SeedTraits> seeds,
        List<CheckDay> checks,
        List<School> schools,
        List<String> cautions,
        boolean protectedSpecies,
        List<SheetNumber> numbers) {
    public CropSheet {
        stages = List.copyOf(stages);
        workHours = List.copyOf(workHours);
        checks = List.copyOf(checks);
        schools = List.copyOf(schools);
        cautions = List.copyOf(cautions);
        numbers = List.copyOf(numbers);
    }

    /** Name of the species, without the flowering type. */
    public String speciesName() {
        return type.isPresent() ? name.substring(0, name.lastIndexOf(", ")) : name;
    }

    /** Position of the stage in {@link #stages()}. */
    public int indexOf(String stageKey) {
        for (int i = 0; i < stages.size(); i++) {
            if (stages.get(i).key().equals(stageKey)) {
                return i;
            }
        }
        throw new NoSuchElementException("The crop sheet '" + key + "' has no stage '" + stageKey + "'.");
    }

    public boolean hasStage(String stageKey) {
        return stages.stream().anyMatch(s -> s.key().equals(stageKey));
    }

    /** Share of pollinated flowers that set and stay; empty where nobody says. */
    public Optional<Sourced> setShare() {
        return load.map(CropLoadTraits::setShare).or(() -> fruit.flatMap(FruitTraits::setShare));
    }

    /** Whether fruit swells without pollination, so that only full seeds tell. */
    public boolean swellsUnpollinated() {
        return fruit.map(FruitTraits::swellsUnpollinated).orElse(false);
    }

    /** Whether a flower of some stage takes pollen; false for a male plant. */
    public boolean receives() {
        return stages.stream().anyMatch(s -> s.phase().receives());
    }

    /** Whether a flower of some stage gives pollen; false for a female plant. */
    public boolean sheds() {
        return stages.stream().anyMatch(s -> s.phase().sheds());
    }
}
