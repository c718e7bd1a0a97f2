package org.evenhand.judging;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Plural;
import org.evenhand.core.judging.TraitScale;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.cross.Seedlings;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.VarietiesMerged;
import org.evenhand.orchard.VarietiesParted;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Traits that plants are scored by, and their scores. */
@Service
public class Scores {
    private final TraitRepository traits;
    private final ScoreRepository scores;
    private final Seedlings seedlings;
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final IdempotentWriter once;

    Scores(
            TraitRepository traits,
            ScoreRepository scores,
            Seedlings seedlings,
            Orchards orchards,
            CropCatalogue crops,
            IdempotentWriter once) {
        this.traits = traits;
        this.scores = scores;
        this.seedlings = seedlings;
        this.orchards = orchards;
        this.crops = crops;
        this.once = once;
    }

    @EventListener
    void merge(VarietiesMerged merged) {
        scores.findByOrchardIdAndVarietyId(merged.caller().orchardId(), merged.from())
                .forEach(score -> {
                    score.ofVariety(merged.into());
                    scores.saveAndFlush(score);
                });
    }

    @EventListener
    void part(VarietiesParted parted) {
        parted.giveBack(Score.class, scores, Score::varietyId, (now, was) -> now.ofVariety(was.varietyId()));
    }

    // --- traits ---

    /** Of a crop, those that weigh most in front. */
    List<Trait> traits(Caller caller, String crop) {
        return traits.findByOrchardIdAndCropAndVoidedAtIsNullOrderByWeightDescNameAsc(
                caller.orchardId(), crops.require(caller, "crop", crop).key());
    }

    List<Score> of(Caller caller, List<Trait> of) {
        return of.isEmpty()
                ? List.of()
                : scores.findByOrchardIdAndTraitIdInAndVoidedAtIsNullOrderByScoredOnAscRecordedAtAscIdAsc(
                        caller.orchardId(), of.stream().map(Trait::id).toList());
    }

    public void put(Caller caller, UUID id, TraitRequest request) {
        once.write(traits, caller, id, found -> again(caller, found, request), () -> insert(caller, id, request));
    }

    private Trait again(Caller caller, Trait found, TraitRequest request) {
        if (request.version() == null) {
            if (!found.says(request)) {
                throw ConflictException.otherwise("trait");
            }
            return found;
        }
        return traits.correct(caller, found.id(), request.version(), trait -> {
            check(caller, trait.id(), request);
            List<Score> given = of(caller, List.of(trait));
            if (!trait.crop().equals(request.crop()) && !given.isEmpty()) {
                throw new InvalidInputException("crop", "stays, as plants were scored by it; make a new trait.");
            }
            given.stream()
                    .filter(s -> s.value() < request.low() || s.value() > request.high())
                    .findFirst()
                    .ifPresent(outside -> {
                        throw new InvalidInputException(
                                outside.value() < request.low() ? "low" : "high",
                                "leaves out a score of " + outside.value() + " that was given on " + outside.scoredOn()
                                        + ".");
                    });
            trait.correct(request);
        });
    }

    private Trait insert(Caller caller, UUID id, TraitRequest request) {
        check(caller, id, request);
        return traits.saveAndFlush(new Trait(
                id,
                caller,
                orchards.now(caller),
                orchards.details(caller).site().zone(),
                request));
    }

    private void check(Caller caller, UUID id, TraitRequest request) {
        String name = request.name().strip();
        new TraitScale(request.low(), request.high(), request.better());
        if (traits(caller, request.crop()).stream()
                .anyMatch(t -> !t.id().equals(id) && t.name().equalsIgnoreCase(name))) {
            throw new InvalidInputException("name", "'" + name + "' is a trait of this crop already.");
        }
    }

    @Transactional
    public void voidTrait(Caller caller, UUID id, VoidRequest request) {
        traits.voidOnce(caller, id, request, orchards.now(caller), trait -> {
            int given = of(caller, List.of(trait)).size();
            if (given > 0) {
                throw new InvalidInputException(
                        "reason",
                        "does not help: " + Plural.of(given, "score") + " in this trait are there. Remove them first,"
                                + " or give it the weight 0.");
            }
        });
    }

    @Transactional
    void restoreTrait(Caller caller, UUID id, Long version) {
        traits.restoreOnce(caller, id, version, trait -> {
            if (traits(caller, trait.crop()).stream().anyMatch(t -> t.name().equalsIgnoreCase(trait.name()))) {
                throw new InvalidInputException("version", "cannot come back: there is another trait of that name.");
            }
        });
    }

    // --- scores ---

    /** Writes down what a taster gave; scores whose ids are there already stay. */
    @Transactional
    public void write(Caller caller, ScoresRequest request) {
        String crop = crop(caller, request);
        Map<UUID, Trait> known =
                traits(caller, crop).stream().collect(Collectors.toMap(Trait::id, Function.identity()));
        Given.notAhead("on", request.on(), orchards.today(caller));
        List<Score> made = new ArrayList<>();
        for (int i = 0; i < request.scores().size(); i++) {
            ScoresRequest.One one = request.scores().get(i);
            if (isThere(caller, one.id())) {
                continue;
            }
            Trait trait = known.get(one.traitId());
            if (trait == null) {
                throw new NotFoundException("trait", one.traitId());
            }
            trait.scale().scored("scores[" + i + "].value", one.value());
            made.add(new Score(
                    caller,
                    orchards.now(caller),
                    orchards.details(caller).site().zone(),
                    request,
                    one));
        }
        scores.saveAllAndFlush(made);
    }

    private boolean isThere(Caller caller, UUID id) {
        boolean found = scores.find(caller, id).isPresent();
        if (!found && scores.existsById(id)) {
            throw new NotFoundException(scores.noun(), id);
        }
        return found;
    }

    /** The crop of the plant that is scored; refuses one that was no longer there on that day. */
    private String crop(Caller caller, ScoresRequest request) {
        if ((request.seedlingId() == null) == (request.varietyId() == null)) {
            throw new InvalidInputException("seedlingId", "or a variety must be given, one of the two.");
        }
        if (request.varietyId() != null) {
            return orchards.variety(caller, request.varietyId()).crop();
        }
        Optional<LocalDate> ended = seedlings.endedOn(caller, request.seedlingId());
        ended.filter(request.on()::isAfter).ifPresent(day -> {
            throw new InvalidInputException(
                    "on", "is " + request.on() + ", but the seedling left on " + day + ". Correct one of the two.");
        });
        return seedlings.one(caller, request.seedlingId()).row().crop();
    }

    @Transactional
    public void voidScore(Caller caller, UUID id, VoidRequest request) {
        scores.voidOnce(caller, id, request, orchards.now(caller));
    }

    @Transactional
    public void voidAll(Caller caller, ScoresRequest.Removal removal) {
        for (UUID id : removal.ids()) {
            voidScore(caller, id, new VoidRequest(scores.require(caller, id).version(), removal.reason()));
        }
    }

    @Transactional
    void restoreScore(Caller caller, UUID id, Long version) {
        scores.restoreOnce(caller, id, version, score -> traits.current(caller, score.traitId()));
    }

    /** Of one seedling or variety of a crop. */
    @Transactional(readOnly = true)
    JudgingView.Card card(Caller caller, String crop, UUID plant) {
        return new JudgingView.Card(
                traits(caller, crop).stream()
                        .map(t -> new JudgingView.Line(t.id(), t.name(), t.unit(), t.low(), t.high(), t.better()))
                        .toList(),
                scores.ofPlant(caller.orchardId(), plant).stream()
                        .map(s -> new JudgingView.One(
                                s.id(), s.traitId(), s.scoredOn(), s.taster(), s.value(), s.note(), s.version()))
                        .toList());
    }
}
