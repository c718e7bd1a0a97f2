package org.evenhand.crop;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ChangedElsewhere;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.RecordsArrived;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** The crop sheets an orchard works with: those that ship, those of a directory named in the settings, its own numbers. */
@Component
public class CropCatalogue {
    private final CropSheets sheets;
    private final OwnSheetRepository own;
    private final IdempotentWriter once;
    private final InstantSource clock;

    /** Sheets by orchard; one object stands until the orchard changes a number, so others may use it as a key. */
    private final Map<UUID, CropSheets> byOrchard = new ConcurrentHashMap<>();

    CropCatalogue(
            @Value("${even-hand.crops.directory:}") String directory,
            OwnSheetRepository own,
            IdempotentWriter once,
            InstantSource clock) {
        this.sheets = load(directory);
        this.own = own;
        this.once = once;
        this.clock = clock;
    }

    private static CropSheets load(String directory) {
        CropSheets shipped = CropSheets.shipped();
        if (directory.isBlank()) {
            return shipped;
        }
        if (Files.isDirectory(Path.of(directory))) {
            return shipped.withDirectory(Path.of(directory));
        }
        throw new IllegalStateException("The directory of crop sheets, " + directory + ", is not there.");
    }

    public Collection<CropSheet> all(Caller caller) {
        return of(caller).all();
    }

    /** The sheet of a crop, or a refusal that names the field. */
    public CropSheet require(Caller caller, String field, String crop) {
        return of(caller)
                .find(crop)
                .orElseThrow(() -> new InvalidInputException(
                        field,
                        "is '" + crop + "'; there are sheets for "
                                + all(caller).stream().map(CropSheet::key).toList() + "."));
    }

    /** The sheet of a crop that a record names. */
    public CropSheet of(Caller caller, String crop) {
        return of(caller)
                .find(crop)
                .orElseThrow(
                        () -> new IllegalStateException("The crop sheet '" + crop + "', used by records, is gone."));
    }

    /** The sheets of a crop as they are written, in YAML. */
    public byte[] file(Caller caller, String crop) {
        return of(caller).file(crop);
    }

    /** Own numbers that came in from outside hold from now on. */
    @EventListener
    void arrived(RecordsArrived records) {
        byOrchard.remove(records.orchardId());
    }

    /** Numbers that another instance was given hold here too. */
    @EventListener
    void elsewhere(ChangedElsewhere change) {
        if (change.anything()) {
            byOrchard.clear();
        } else if (change.mayBeIn("own_sheet")) {
            byOrchard.remove(change.orchardId());
        }
    }

    private CropSheets of(Caller caller) {
        return byOrchard.computeIfAbsent(caller.orchardId(), this::withOwn);
    }

    private CropSheets withOwn(UUID orchardId) {
        CropSheets result = sheets;
        Set<String> seen = new HashSet<>();
        for (OwnSheet change : own.findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtDescIdDesc(orchardId)) {
            if (seen.add(change.crop()) && !change.numbers().isEmpty()) {
                result = result.withOwnNumbers(change.crop(), change.numbers());
            }
        }
        return result;
    }

    /** The changes of one crop's numbers, the latest first. */
    List<OwnSheetView> history(Caller caller, String crop) {
        if (all(caller).stream().noneMatch(s -> s.crop().equals(crop))) {
            throw new NotFoundException("crop sheet '" + crop + "'");
        }
        return own.findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtDescIdDesc(caller.orchardId()).stream()
                .filter(c -> c.crop().equals(crop))
                .map(OwnSheetView::of)
                .toList();
    }

    /** Gives an orchard further numbers of its own on a crop's sheets, beside those it has. */
    public void change(Caller caller, UUID id, String crop, Map<String, Double> numbers, String note) {
        Map<String, Double> all = new HashMap<>();
        history(caller, crop).stream().findFirst().ifPresent(now -> all.putAll(now.numbers()));
        all.putAll(numbers);
        change(caller, id, new OwnSheetRequest(crop, all, note));
    }

    /** Changes an orchard's own numbers; refused, field by field, where the sheet would not hold together. */
    OwnSheetView change(Caller caller, UUID id, OwnSheetRequest request) {
        String crop = request.crop().strip();
        Map<String, Double> numbers = request.numbers();
        sheets.withOwnNumbers(crop, numbers);
        String note = Given.stripped(request.note());
        OwnSheetView saved = once.write(
                own,
                caller,
                id,
                OwnSheetView::of,
                () -> OwnSheetView.of(own.saveAndFlush(
                        new OwnSheet(id, caller, clock.instant(), ZoneOffset.UTC, crop, numbers, note))));
        byOrchard.remove(caller.orchardId());
        return saved;
    }
}
