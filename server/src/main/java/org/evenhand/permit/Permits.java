package org.evenhand.permit;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.permit.PermitScope;
import org.evenhand.core.permit.PermitStanding;
import org.evenhand.core.permit.PermitTerm;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.orchard.VarietyView;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Permits that are recorded, and what they leave open. Whether one is needed is the authority's to say. */
@Service
public class Permits {
    private final PermitRepository permits;
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final IdempotentWriter once;

    Permits(PermitRepository permits, Orchards orchards, CropCatalogue crops, IdempotentWriter once) {
        this.permits = permits;
        this.orchards = orchards;
        this.crops = crops;
        this.once = once;
    }

    /** All that count, and what they leave open today. */
    @Transactional(readOnly = true)
    public PermitView.All all(Caller caller) {
        Map<String, CropSheet> grown = grown(caller);
        List<PermitView> views = current(caller).stream()
                .map(p -> view(p, grown))
                .sorted(Comparator.comparing(PermitView::validUntil, Comparator.nullsLast(Comparator.naturalOrder())))
                .toList();
        List<PermitView.Crop> choices = grown.values().stream()
                .map(sheet -> new PermitView.Crop(sheet.crop(), sheet.speciesName()))
                .toList();
        return new PermitView.All(views, notices(caller, today(caller)), choices);
    }

    /**
     * What is not covered on a day, or ends soon after it: flowers of trees of a protected species, or of a crop for which a permit was
     * ever recorded, and pollen that is moved where a permit was recorded for that.
     */
    @Transactional(readOnly = true)
    public List<PermitView.Notice> notices(Caller caller, LocalDate day) {
        List<PermitTerm> terms = terms(caller);
        Map<String, CropSheet> grown = grown(caller);
        Set<String> planted = orchards.standing(caller).stream()
                .map(TreeView::crop)
                .distinct()
                .map(crop -> crops.of(caller, crop).crop())
                .collect(Collectors.toSet());
        Map<Open, List<String>> open = new LinkedHashMap<>();
        for (CropSheet sheet : grown.values()) {
            for (PermitScope scope : PermitScope.values()) {
                PermitStanding standing = PermitStanding.of(terms, scope, sheet.crop(), day);
                boolean nobodyWorks = scope == PermitScope.FLOWERS && !planted.contains(sheet.crop());
                if (!nobodyWorks && isAsked(terms, scope, sheet) && standing.state() != PermitStanding.State.HOLDS) {
                    open.computeIfAbsent(new Open(scope, standing), o -> new ArrayList<>())
                            .add(sheet.speciesName());
                }
            }
        }
        return open.entrySet().stream()
                .map(o -> o.getKey().notice(isEvery(o.getValue(), grown) ? List.of() : o.getValue()))
                .toList();
    }

    private static boolean isAsked(List<PermitTerm> terms, PermitScope scope, CropSheet sheet) {
        return scope == PermitScope.FLOWERS && sheet.protectedSpecies()
                || terms.stream().anyMatch(t -> t.covers(scope, sheet.crop()));
    }

    private static boolean isEvery(List<String> crops, Map<String, CropSheet> grown) {
        return crops.size() == grown.size() && grown.size() > 1;
    }

    /** Work that stands in one way, on one crop or several. */
    private record Open(PermitScope scope, PermitStanding standing) {
        PermitView.Notice notice(List<String> crops) {
            return new PermitView.Notice(
                    scope, crops, standing.state(), standing.day().orElse(null));
        }
    }

    /** How permits stand to work on a crop's flowers, or to its pollen being moved, on a day. */
    @Transactional(readOnly = true)
    public PermitView.Notice standing(Caller caller, PermitScope scope, String crop, LocalDate day) {
        CropSheet sheet = crops.require(caller, "crop", crop);
        return new Open(scope, PermitStanding.of(terms(caller), scope, sheet.crop(), day))
                .notice(List.of(sheet.speciesName()));
    }

    public PermitView put(Caller caller, UUID id, PermitRequest request) {
        PermitTerm term = request.term();
        String conditions = Given.stripped(request.conditions());
        term.crop().ifPresent(crop -> requireCrop(caller, crop));
        return once.write(permits, caller, id, found -> view(caller, again(found, request, term, conditions)), () -> {
            Permit permit = new Permit(id, caller, orchards.now(caller), zone(caller));
            permit.change(request, term, conditions);
            return view(caller, permits.saveAndFlush(permit));
        });
    }

    private Permit again(Permit found, PermitRequest request, PermitTerm term, String conditions) {
        boolean same = found.term().equals(term)
                && found.number().equals(request.number().strip())
                && found.authority().equals(request.authority().strip())
                && found.conditions().equals(conditions);
        if (found.voided() || !same && request.version() == null) {
            throw ConflictException.otherwise("permit");
        }
        if (same) {
            return found;
        }
        found.requireVersion("permit", request.version());
        found.change(request, term, conditions);
        return permits.saveAndFlush(found);
    }

    private void requireCrop(Caller caller, String crop) {
        boolean known = grown(caller).containsKey(crop);
        if (!known) {
            throw new InvalidInputException("crop", "'" + crop + "' is not grown here. Leave it empty for every crop.");
        }
    }

    @Transactional
    public PermitView putPaper(Caller caller, UUID id, PermitRequest.Paper paper) {
        byte[] pdf = PermitPaper.of(paper.data());
        Permit changed = permits.correct(
                caller, id, paper.version(), permit -> permit.paper(paper.name().strip(), pdf));
        return view(caller, changed);
    }

    /** The paper of a permit, as a PDF. */
    @Transactional(readOnly = true)
    public byte[] paper(Caller caller, UUID id) {
        return Optional.ofNullable(permits.current(caller, id).pdf())
                .orElseThrow(() -> new NotFoundException("paper of the permit", id));
    }

    @Transactional
    public void remove(Caller caller, UUID id, VoidRequest request) {
        permits.voidOnce(caller, id, request, orchards.now(caller));
    }

    @Transactional
    public void restore(Caller caller, UUID id, Long version) {
        permits.restoreOnce(caller, id, version, permit -> {});
    }

    private List<Permit> current(Caller caller) {
        return permits.findByOrchardIdAndVoidedAtIsNullOrderByValidFromAscIdAsc(caller.orchardId());
    }

    private List<PermitTerm> terms(Caller caller) {
        return current(caller).stream().map(Permit::term).toList();
    }

    /** A sheet for each species of the orchard's varieties, by the name of its page. */
    private Map<String, CropSheet> grown(Caller caller) {
        Map<String, CropSheet> grown = new TreeMap<>();
        orchards.varieties(caller).stream()
                .map(VarietyView::crop)
                .distinct()
                .map(crop -> crops.of(caller, crop))
                .forEach(sheet -> grown.putIfAbsent(sheet.crop(), sheet));
        return grown;
    }

    private PermitView view(Caller caller, Permit p) {
        return view(p, grown(caller));
    }

    private static PermitView view(Permit p, Map<String, CropSheet> grown) {
        PermitTerm term = p.term();
        return new PermitView(
                p.id(),
                p.number(),
                p.authority(),
                term.scopes().stream().sorted().toList(),
                term.crop().orElse(null),
                term.crop()
                        .map(crop -> grown.get(crop))
                        .map(CropSheet::speciesName)
                        .orElse(term.crop().orElse(null)),
                term.from(),
                term.until().orElse(null),
                p.conditions(),
                p.fileName(),
                p.version());
    }

    private LocalDate today(Caller caller) {
        return orchards.now(caller).atZone(zone(caller)).toLocalDate();
    }

    private ZoneId zone(Caller caller) {
        return orchards.details(caller).site().zone();
    }
}
