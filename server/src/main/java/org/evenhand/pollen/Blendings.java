package org.evenhand.pollen;

import java.time.Instant;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.pollen.StorageHistory;
import org.evenhand.core.pollen.StorageWarning;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.orchard.Orchards;
import org.springframework.stereotype.Service;

/** Jars poured together, and parts of a jar put into jars of their own; the fathers stay known. */
@Service
class Blendings {
    private static final String BLEND_PREFIX = "MIX";

    private final PollenLotRepository lots;
    private final LotBooks books;
    private final Ledger ledger;
    private final Orchards orchards;
    private final IdempotentWriter once;

    Blendings(PollenLotRepository lots, LotBooks books, Ledger ledger, Orchards orchards, IdempotentWriter once) {
        this.lots = lots;
        this.books = books;
        this.ledger = ledger;
        this.orchards = orchards;
        this.once = once;
    }

    public LotView put(Caller caller, UUID id, JarRequests.Blending request) {
        Map<UUID, Integer> parts = parts(request);
        return once.write(
                lots, caller, id, found -> again(caller, found, parts), () -> insert(caller, id, parts, request));
    }

    private LotView again(Caller caller, PollenLot found, Map<UUID, Integer> parts) {
        if (!found.details().parts().equals(parts)) {
            throw ConflictException.otherwise("jar");
        }
        return view(caller, found);
    }

    private static Map<UUID, Integer> parts(JarRequests.Blending request) {
        Map<UUID, Integer> parts = new LinkedHashMap<>();
        List<JarRequests.Part> given = request.parts();
        for (int i = 0; i < given.size(); i++) {
            if (parts.put(given.get(i).lotId(), given.get(i).doses()) != null) {
                throw new InvalidInputException("parts[" + i + "].lotId", "names a jar twice; put its doses together.");
            }
        }
        if (parts.isEmpty()) {
            throw new InvalidInputException("parts", "are none; say how much of which jar.");
        }
        return parts;
    }

    private LotView insert(Caller caller, UUID id, Map<UUID, Integer> parts, JarRequests.Blending request) {
        LotBook book = books.read(caller);
        List<PollenLot> from =
                parts.keySet().stream().map(part -> lots.current(caller, part)).toList();
        Instant at = Given.notInFuture("at", request.at(), orchards.now(caller), zone(caller));
        CropSheet sheet = oneCrop(book, from);
        PollenShelf.requireStorage("storage", sheet, request.storage());
        from.forEach(part -> part.refuseBefore(at, zone(caller)));
        Set<UUID> fathers = from.stream()
                .flatMap(part -> book.fathers(part).keySet().stream())
                .collect(Collectors.toSet());
        LotDetails details = new LotDetails(
                fathers.size() == 1 ? fathers.iterator().next() : null,
                at,
                request.storage(),
                null,
                parts.values().stream().mapToInt(Integer::intValue).sum(),
                Given.stripped(request.note()),
                Map.of(),
                parts,
                null);
        String prefix = fathers.size() == 1 ? PollenShelf.prefix(book.fatherNames(from.get(0))) : BLEND_PREFIX;
        PollenLot lot =
                new PollenLot(id, caller, orchards.now(caller), zone(caller), books.nextCode(caller, prefix), details);
        lots.saveAndFlush(lot);
        Jars.ask(hazards(books.read(caller), lot), request.confirmed());
        ledger.pour(caller, id, parts, at);
        return view(caller, lot);
    }

    private static List<StorageWarning> hazards(LotBook book, PollenLot lot) {
        StorageHistory keeping = book.keeping(lot);
        return List.copyOf(keeping.hazardsUntil(lot.details().collectedAt()));
    }

    private static CropSheet oneCrop(LotBook book, List<PollenLot> from) {
        List<String> crops =
                from.stream().map(l -> book.sheet(l).crop()).distinct().toList();
        if (crops.size() > 1) {
            throw new InvalidInputException(
                    "parts", "are of different crops: " + crops + ". Pollen is blended within one crop only.");
        }
        return book.sheet(from.get(0));
    }

    private LotView view(Caller caller, PollenLot lot) {
        return books.read(caller).view(lot, orchards.now(caller));
    }

    private ZoneId zone(Caller caller) {
        return orchards.details(caller).site().zone();
    }
}
