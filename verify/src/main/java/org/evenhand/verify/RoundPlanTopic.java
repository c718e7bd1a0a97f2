package org.evenhand.verify;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.mating.MatingPartner;
import org.evenhand.core.planning.FlowerGroupId;
import org.evenhand.core.planning.LotId;
import org.evenhand.core.planning.Place;
import org.evenhand.core.planning.RoundPlan;
import org.evenhand.core.planning.RoundRequest;
import org.evenhand.core.planning.RoundRequest.Lot;
import org.evenhand.core.planning.RoundRequest.Mother;
import org.evenhand.core.planning.RoundRequest.OpenFlowers;
import org.evenhand.core.planning.TreeId;

/** The best use of some lots over several rounds. */
final class RoundPlanTopic implements Topic {
    /** Which lots may serve is told by the case, so every cross in itself fits. */
    static final CrossCompatibility FITS = CrossCompatibility.of(
            MatingPartner.unknown(
                    "mother", CropSheets.shipped().find("cherimoya").orElseThrow()),
            MatingPartner.unknown(
                    "father", CropSheets.shipped().find("cherimoya").orElseThrow()));

    @Override
    public String name() {
        return "round-plan";
    }

    @Override
    public Optional<Map<String, Object>> answer(Inputs inputs) {
        RoundPlan plan = RoundPlan.of(request(inputs));
        if (!plan.proven()) {
            throw new InvalidInputException("plan", "is not proven: " + plan.value() + " of at most " + plan.bound());
        }
        return Optional.of(Map.of("maximumValue", plan.value()));
    }

    private static RoundRequest request(Inputs in) {
        List.of("rounds", "lots", "trees").forEach(list -> requireDistinct(in, list));
        List<Integer> most =
                in.children("rounds").stream().map(r -> r.whole("maxFlowers")).toList();
        List<Lot> lots = new ArrayList<>();
        Map<String, Set<LotId>> ofFather = new HashMap<>();
        for (Inputs lot : in.children("lots")) {
            LotId id = new LotId(id(lot.text("id")));
            ofFather.computeIfAbsent(lot.text("father"), f -> new java.util.HashSet<>())
                    .add(id);
            lots.add(new Lot(id, lot.whole("doses"), viability(lot), lots.size()));
        }
        Map<String, List<OpenFlowers>> groups = new HashMap<>();
        Set<String> trees = in.children("trees").stream().map(t -> t.text("id")).collect(Collectors.toSet());
        for (Inputs flowers : in.children("flowers")) {
            if (!trees.contains(flowers.text("tree"))) {
                throw in.wrong("flowers", "names the tree " + flowers.text("tree") + ", which is not among trees");
            }
            Set<LotId> only = flowers.texts("fathersAllowed").stream()
                    .flatMap(f -> ofFather.getOrDefault(f, Set.of()).stream())
                    .collect(Collectors.toSet());
            groups.computeIfAbsent(flowers.text("tree"), t -> new ArrayList<>())
                    .add(new OpenFlowers(
                            new FlowerGroupId.OfStage(flowers.text("id")),
                            flowers.whole("count"),
                            flowers.number("weight"),
                            flowers.numbers("receptivity"),
                            Optional.of(only)));
        }
        List<Mother> mothers = in.children("trees").stream()
                .map(t -> new Mother(
                        new TreeId(id(t.text("id"))),
                        new Place("", 1, 1),
                        t.whole("wantedFlowers"),
                        groups.getOrDefault(t.text("id"), List.of())))
                .toList();
        List<Double> certainty =
                in.absent("certainty") ? Collections.nCopies(most.size(), 1.0) : in.numbers("certainty");
        return new RoundRequest(
                most,
                mothers,
                lots,
                (tree, lot) -> FITS,
                in.absent("choices")
                        ? List.of()
                        : in.children("choices").stream()
                                .map(c -> choice(c, in))
                                .toList(),
                certainty);
    }

    private static RoundRequest.Choice choice(Inputs choice, Inputs all) {
        requireNamed(all, "trees", choice.text("tree"));
        requireNamed(all, "lots", choice.text("lot"));
        if (!choice.given("round")) {
            throw choice.wrong("round", "is missing; give the round's number, or null for all rounds");
        }
        OptionalInt round = choice.optionalWhole("round")
                .map(r -> OptionalInt.of(
                        Require.within("round", r, 1, all.children("rounds").size()) - 1))
                .orElse(OptionalInt.empty());
        return new RoundRequest.Choice(
                new TreeId(id(choice.text("tree"))), new LotId(id(choice.text("lot"))), round, choice.whole("flowers"));
    }

    private static void requireNamed(Inputs in, String list, String id) {
        if (in.children(list).stream().noneMatch(e -> e.text("id").equals(id))) {
            throw in.wrong("choices", "names " + id + ", which is not among " + list);
        }
    }

    /** Each entry of a list has an id of its own. */
    static void requireDistinct(Inputs in, String list) {
        Set<String> seen = new java.util.HashSet<>();
        for (Inputs entry : in.children(list)) {
            if (!seen.add(entry.text("id"))) {
                throw in.wrong(list, "has " + entry.text("id") + " twice; give each its own id");
            }
        }
    }

    /** Nothing is there outside the rounds of a lot, which are counted from 1. */
    private static List<Double> viability(Inputs lot) {
        List<Double> given = lot.numbers("viability");
        List<Double> there = new ArrayList<>(Collections.nCopies(given.size(), 0.0));
        int first = Require.within("firstRound", lot.whole("firstRound"), 1, given.size());
        Require.within("lastRound", lot.whole("lastRound"), first, given.size());
        for (int r = lot.whole("firstRound") - 1; r < lot.whole("lastRound"); r++) {
            there.set(r, given.get(r));
        }
        return there;
    }

    static UUID id(String name) {
        return UUID.nameUUIDFromBytes(name.getBytes(StandardCharsets.UTF_8));
    }
}
