package org.evenhand.pollen;

import java.time.Instant;
import java.time.ZoneId;
import java.util.Map;
import java.util.UUID;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.Storage;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.VarietyView;
import org.springframework.stereotype.Service;

/** Jars of pollen that came from elsewhere: bought, given, swapped. From then on they are jars as all others. */
@Service
class ReceivedJars {
    private final PollenLotRepository lots;
    private final LotBooks books;
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final IdempotentWriter once;

    ReceivedJars(
            PollenLotRepository lots, LotBooks books, Orchards orchards, CropCatalogue crops, IdempotentWriter once) {
        this.lots = lots;
        this.books = books;
        this.orchards = orchards;
        this.crops = crops;
        this.once = once;
    }

    public LotView put(Caller caller, UUID id, ReceivedPollenRequest request) {
        LotDetails details = details(caller, request);
        return once.write(
                lots,
                caller,
                id,
                found -> {
                    if (found.voided() || !found.details().equals(details)) {
                        throw ConflictException.otherwise("jar");
                    }
                    return view(caller, found);
                },
                () -> insert(caller, id, details));
    }

    private LotDetails details(Caller caller, ReceivedPollenRequest r) {
        Instant collectedAt = r.collectedAt() == null ? null : Given.moment("collectedAt", r.collectedAt());
        Received received = r.received(
                Given.notInFuture("receivedAt", r.receivedAt(), orchards.now(caller), zone(caller)), collectedAt);
        return new LotDetails(
                r.varietyId(),
                received.pollen().age(),
                r.storage(),
                null,
                r.doses(),
                Given.stripped(r.note()),
                Map.of(),
                Map.of(),
                received);
    }

    private LotView insert(Caller caller, UUID id, LotDetails details) {
        VarietyView variety = orchards.variety(caller, details.varietyId());
        CropSheet sheet = crops.of(caller, variety.crop());
        PollenShelf.requireStorage("storage", sheet, details.storage());
        Storage before = details.received().pollen().keptBefore();
        if (before != null) {
            PollenShelf.requireStorage("keptBefore", sheet, before);
        }
        String code = books.nextCode(caller, PollenShelf.prefix(variety.name()));
        PollenLot lot = new PollenLot(id, caller, orchards.now(caller), zone(caller), code, details);
        return view(caller, lots.saveAndFlush(lot));
    }

    private LotView view(Caller caller, PollenLot lot) {
        return books.read(caller).view(lot, orchards.now(caller));
    }

    private ZoneId zone(Caller caller) {
        return orchards.details(caller).site().zone();
    }
}
