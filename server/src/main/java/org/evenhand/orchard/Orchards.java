package org.evenhand.orchard;

import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Plural;
import org.evenhand.core.Require;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.MatingTraits;
import org.evenhand.core.mating.KnownAlleles;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.Site;
import org.evenhand.core.weather.TypicalYear;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.VoidRequest;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The orchard, its varieties and trees. Other rooms ask here; a tree of another orchard is not found. */
@Service
public class Orchards {
    private final OrchardRepository orchards;
    private final VarietyRepository varieties;
    private final TreeRepository trees;
    private final CropCatalogue crops;
    private final IdempotentWriter once;
    private final InstantSource clock;

    Orchards(
            OrchardRepository orchards,
            VarietyRepository varieties,
            TreeRepository trees,
            CropCatalogue crops,
            IdempotentWriter once,
            InstantSource clock) {
        this.orchards = orchards;
        this.varieties = varieties;
        this.trees = trees;
        this.crops = crops;
        this.once = once;
        this.clock = clock;
    }

    /**
     * Makes an orchard.
     *
     * @param demoNow the moment at which it lives, or null for a real one
     */
    @Transactional
    public void create(UUID id, OrchardDetails details, Instant demoNow) {
        orchards.save(new Orchard(id, details, demoNow));
    }

    /** The name of an orchard, for who is not in it yet. */
    @Transactional(readOnly = true)
    public String nameOf(UUID id) {
        return orchards.findById(id).orElseThrow().details().name();
    }

    @Transactional(readOnly = true)
    public OrchardView orchard(Caller caller) {
        return view(require(caller));
    }

    @Transactional(readOnly = true)
    public OrchardDetails details(Caller caller) {
        return require(caller).details();
    }

    /** The moment it is in the caller's orchard. */
    @Transactional(readOnly = true)
    public Instant now(Caller caller) {
        return nowIn(require(caller));
    }

    @Transactional(readOnly = true)
    public LocalDate today(Caller caller) {
        Orchard orchard = require(caller);
        return nowIn(orchard).atZone(orchard.details().site().zone()).toLocalDate();
    }

    @Transactional
    public OrchardView change(Caller caller, OrchardRequest request) {
        Orchard orchard = require(caller);
        if (request.version() == null || request.version() != orchard.version()) {
            throw org.evenhand.kit.ConflictException.stale("orchard");
        }
        orchard.change(request.details());
        return view(orchards.saveAndFlush(orchard));
    }

    @Transactional
    public OrchardView moveDemoClock(Caller caller, Instant to) {
        Orchard orchard = require(caller);
        if (orchard.demoNow() == null) {
            throw new InvalidInputException("now", "cannot be set: only the demo orchard's clock can be moved.");
        }
        orchard.moveDemoClock(to);
        return view(orchards.saveAndFlush(orchard));
    }

    @Transactional(readOnly = true)
    public List<VarietyView> varieties(Caller caller) {
        return varieties.findByOrchardIdAndVoidedAtIsNull(caller.orchardId()).stream()
                .map(Variety::view)
                .sorted(Comparator.comparing(VarietyView::name))
                .toList();
    }

    /** The variety, or "not found". */
    @Transactional(readOnly = true)
    public VarietyView variety(Caller caller, UUID id) {
        return varieties.require(caller, id).view();
    }

    public VarietyView put(Caller caller, UUID id, VarietyRequest request) {
        return once.write(
                varieties, caller, id, found -> change(caller, found, request), () -> insert(caller, id, request));
    }

    private VarietyView change(Caller caller, Variety variety, VarietyRequest request) {
        VarietyView now = variety.view();
        Breeding breeding = request.breeding() == null
                ? now.breeding()
                : checked(caller, variety.id(), now.crop(), request.breeding());
        VarietyNumbers numbers =
                request.numbers() == null ? now.numbers() : request.numbers().checked();
        if (request.version() == null
                && now.name().equals(request.name())
                && now.numbers().equals(numbers)
                && now.crop().equals(request.crop())
                && now.breeding().equals(breeding)) {
            return now;
        }
        variety.requireVersion("variety", request.version());
        if (!now.crop().equals(request.crop())) {
            throw new InvalidInputException("crop", "cannot be changed; make a new variety instead.");
        }
        String name = request.name().strip();
        refuseTakenName(variety.orchardId(), variety.id(), now.crop(), name);
        variety.rename(name);
        variety.change(breeding);
        variety.change(numbers);
        return saved(caller, variety);
    }

    private VarietyView insert(Caller caller, UUID id, VarietyRequest request) {
        String crop = crops.require(caller, "crop", request.crop().strip()).key();
        String name = request.name().strip();
        refuseTakenName(caller.orchardId(), id, crop, name);
        Orchard orchard = require(caller);
        Variety variety =
                new Variety(id, caller, now(caller), orchard.details().site().zone(), crop, name);
        if (request.breeding() != null) {
            variety.change(checked(caller, id, crop, request.breeding()));
        }
        if (request.numbers() != null) {
            variety.change(request.numbers().checked());
        }
        return saved(caller, variety);
    }

    private VarietyView saved(Caller caller, Variety variety) {
        VarietyView saved = varieties.saveAndFlush(variety).view();
        // Refuses a loop or a child older than its parent; nothing is written then.
        Pedigrees.of(varieties(caller));
        return saved;
    }

    private Breeding checked(Caller caller, UUID id, String crop, Breeding given) {
        CropSheet sheet = crops.of(caller, crop);
        String alleles = Given.stripped(given.alleles());
        int usual = (int) sheet.mating().ploidy().value();
        int ploidy = given.ploidy() == null ? usual : given.ploidy();
        if (!alleles.isEmpty()) {
            if (sheet.mating().alleles() == MatingTraits.Alleles.NONE) {
                throw new InvalidInputException("alleles", "play no part in " + sheet.name() + "; leave them out.");
            }
            KnownAlleles.parse(alleles, ploidy);
        }
        requireKin(caller, id, sheet, "motherId", given.motherId());
        requireKin(caller, id, sheet, "fatherId", given.fatherId());
        requireKin(caller, id, sheet, "sportOfId", given.sportOfId());
        refuseOwnBreedingOfSport(given, alleles);
        if (given.raisedIn() != null) {
            Require.within("raisedIn", given.raisedIn(), 1500, today(caller).getYear());
        }
        refuseHalfAWindow(given);
        return new Breeding(
                alleles,
                given.ploidy() != null && given.ploidy() == usual ? null : given.ploidy(),
                given.motherId(),
                given.fatherId(),
                given.sportOfId(),
                given.raisedIn(),
                Boolean.TRUE.equals(given.smallFlowered()),
                given.figRightFromMm(),
                given.figLateFromMm());
    }

    private static void refuseOwnBreedingOfSport(Breeding given, String alleles) {
        if (given.sportOfId() != null && (given.motherId() != null || given.fatherId() != null || !alleles.isEmpty())) {
            throw new InvalidInputException(
                    "sportOfId",
                    "is given, so parents and alleles are those of what it came from; leave them out here.");
        }
    }

    private static void refuseHalfAWindow(Breeding given) {
        Double from = given.figRightFromMm();
        Double late = given.figLateFromMm();
        if ((from == null) != (late == null)) {
            throw new InvalidInputException(
                    from == null ? "figRightFromMm" : "figLateFromMm", "is missing; a window has two ends.");
        }
        if (from != null) {
            if (late <= from) {
                throw new InvalidInputException(
                        "figLateFromMm", "is " + late + " mm, not above " + from + " mm, where the window opens.");
            }
        }
    }

    private void requireKin(Caller caller, UUID id, CropSheet sheet, String field, UUID kin) {
        if (kin == null) {
            return;
        }
        if (kin.equals(id)) {
            throw new InvalidInputException(field, "is the variety itself; nobody is their own parent.");
        }
        VarietyView found = varieties.require(caller, kin).view();
        if (!crops.of(caller, found.crop()).pollenGroup().equals(sheet.pollenGroup())) {
            throw new InvalidInputException(
                    field, "is " + found.name() + ", of another crop: " + found.crop() + ". Choose one of its kin.");
        }
    }

    private void refuseTakenName(UUID orchardId, UUID id, String crop, String name) {
        if (varieties.isTaken(orchardId, id, crop, name)) {
            throw new InvalidInputException("name", "'" + name + "' is already a variety here; give another name.");
        }
    }

    /** All that were not removed, those that stood once too. */
    @Transactional(readOnly = true)
    public List<TreeView> trees(Caller caller) {
        Map<UUID, VarietyView> byId = varietiesById(caller);
        return trees.findByOrchardIdAndVoidedAtIsNull(caller.orchardId()).stream()
                .map(t -> view(t, byId.get(t.details().varietyId())))
                .sorted(Comparator.comparing(TreeView::block)
                        .thenComparing(TreeView::row)
                        .thenComparing(TreeView::position)
                        .thenComparing(TreeView::name))
                .toList();
    }

    /** Those that stand as what they are: neither felled nor grafted over. */
    @Transactional(readOnly = true)
    public List<TreeView> standing(Caller caller) {
        return trees(caller).stream().filter(TreeView::standing).toList();
    }

    /** The tree, or "not found". */
    @Transactional(readOnly = true)
    public TreeView tree(Caller caller, UUID id) {
        Tree tree = trees.require(caller, id);
        return view(tree, varieties.require(caller, tree.details().varietyId()).view());
    }

    /**
     * Refuses a tree that was removed.
     *
     * @throws org.evenhand.kit.NotFoundException where it is not there, or no longer
     */
    public void requireStanding(Caller caller, UUID id) {
        trees.current(caller, id);
    }

    public TreeView put(Caller caller, UUID id, TreeRequest request) {
        return once.write(
                trees, caller, id, found -> change(caller, found, request), () -> insert(caller, id, request));
    }

    private TreeView change(Caller caller, Tree tree, TreeRequest request) {
        TreeDetails details = request.details(today(caller));
        if (request.version() == null && tree.details().equals(details)) {
            return tree(caller, tree.id());
        }
        tree.requireVersion("tree", request.version());
        varieties.require(caller, details.varietyId());
        refuseTakenTreeName(caller, tree.id(), details.name());
        tree.change(details);
        trees.saveAndFlush(tree);
        return tree(caller, tree.id());
    }

    private TreeView insert(Caller caller, UUID id, TreeRequest request) {
        TreeDetails details = request.details(today(caller));
        varieties.require(caller, details.varietyId());
        refuseTakenTreeName(caller, id, details.name());
        trees.saveAndFlush(
                new Tree(id, caller, now(caller), details(caller).site().zone(), details));
        return tree(caller, id);
    }

    private void refuseTakenTreeName(Caller caller, UUID id, String name) {
        if (trees.isTaken(caller.orchardId(), id, name)) {
            throw new InvalidInputException("name", "'" + name + "' is already a tree here; give another name.");
        }
    }

    /** Removes a variety that nothing names any more. */
    @Transactional
    public void voidVariety(Caller caller, UUID id, VoidRequest request) {
        varieties.voidOnce(caller, id, request, now(caller), variety -> {
            int named = varieties.namedBy(caller.orchardId(), id).stream()
                    .mapToInt(VarietyRepository.Counted::getNumber)
                    .sum();
            if (named > 0) {
                throw new InvalidInputException(
                        "reason",
                        "cannot be taken: " + Plural.of(named, "record")
                                + " of trees, jars, bloom, crosses or varieties "
                                + (named == 1 ? "names" : "name") + " "
                                + variety.view().name()
                                + ". Remove or change those first.");
            }
        });
    }

    @Transactional
    public void voidTree(Caller caller, UUID id, VoidRequest request) {
        trees.voidOnce(caller, id, request, now(caller));
    }

    /** Puts a removed tree back, where no other has its name by now. */
    @Transactional
    void restoreTree(Caller caller, UUID id, Long version) {
        trees.restoreOnce(caller, id, version, tree -> {
            varieties.current(caller, tree.details().varietyId());
            refuseTakenTreeName(caller, id, tree.details().name());
        });
    }

    private Orchard require(Caller caller) {
        return orchards.findById(caller.orchardId())
                .orElseThrow(() -> new NotFoundException("orchard", caller.orchardId()));
    }

    private Map<UUID, VarietyView> varietiesById(Caller caller) {
        return varieties.findByOrchardIdAndVoidedAtIsNull(caller.orchardId()).stream()
                .map(Variety::view)
                .collect(Collectors.toMap(VarietyView::id, Function.identity()));
    }

    private Instant nowIn(Orchard orchard) {
        return orchard.demoNow() == null ? clock.instant() : orchard.demoNow();
    }

    private static String zoneDoubt(Site site, Instant now) {
        return site.zoneContradictsLongitude(now)
                ? String.format(
                        Locale.ROOT,
                        "At longitude %.2f° the clocks of %s are %.0f hours %s the sun, so that sunset comes out at the wrong hour."
                                + " Is the longitude's sign or the time zone wrong?",
                        site.longitude(),
                        site.zone().getId(),
                        Math.abs(site.hoursAheadOfSun(now)),
                        site.hoursAheadOfSun(now) > 0 ? "ahead of" : "behind")
                : null;
    }

    /** A first guess of the ordinary days of every month, from one of the month it is now. */
    List<TypicalMonth> typicalYear(Caller caller, DailyTemperatures day) {
        return TypicalYear.guess(details(caller).site(), today(caller).getMonth(), day).months().stream()
                .map(TypicalMonth::of)
                .toList();
    }

    private OrchardView view(Orchard o) {
        OrchardDetails d = o.details();
        return new OrchardView(
                o.id(),
                d.name(),
                d.site().latitude(),
                d.site().longitude(),
                d.site().zone().getId(),
                zoneDoubt(d.site(), nowIn(o)),
                d.usual().minimumC(),
                d.usual().maximumC(),
                d.months().stream().map(TypicalMonth::of).toList(),
                d.units(),
                o.demoNow() != null,
                nowIn(o),
                o.version());
    }

    private static TreeView view(Tree tree, VarietyView variety) {
        TreeDetails d = tree.details();
        return new TreeView(
                tree.id(),
                d.name(),
                variety.id(),
                variety.name(),
                variety.crop(),
                d.block(),
                d.row(),
                d.position(),
                d.plantedOn(),
                d.stoodUntil(),
                tree.graftedOnId(),
                tree.version());
    }
}
