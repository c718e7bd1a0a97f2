package org.evenhand.pollen;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.evenhand.core.InvalidInputException;
import org.evenhand.kit.Caller;
import org.evenhand.kit.LabelGrid;
import org.evenhand.kit.LabelSheet;
import org.evenhand.kit.Within;
import org.evenhand.orchard.Orchards;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Labels for jars, bags and tags. */
@Service
class Labels {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM uuuu", Locale.ENGLISH);
    private static final DateTimeFormatter HOUR = DateTimeFormatter.ofPattern("d MMM uuuu HH:mm", Locale.ENGLISH);

    private final PollenShelf shelf;
    private final Orchards orchards;
    private final LabelPrinter printer;

    Labels(PollenShelf shelf, Orchards orchards, LabelPrinter printer) {
        this.shelf = shelf;
        this.orchards = orchards;
        this.printer = printer;
    }

    /** What a label is stuck on. */
    enum Kind {
        /** All that is known. */
        JAR,
        /** The father, and room to write mother and day. */
        BAG,
        /** Code and father. */
        TAG
    }

    /**
     * Labels as they are asked for.
     *
     * @param skip labels already used on the first sheet
     */
    @Schema(name = "LabelsRequest")
    record Request(
            @NotNull LabelGrid grid,
            @NotNull Kind kind,
            @NotNull List<@NotNull @Valid Copies> lots,
            @Schema(description = OPTIONAL) Integer skip) {}

    /** So many labels of a jar. */
    @Schema(name = "LabelCopies")
    record Copies(
            @NotNull UUID lotId,

            @NotNull @Within(min = 1, max = LabelSheet.MOST_LABELS)
            Integer copies) {}

    @Transactional(readOnly = true)
    public LabelSheet.Sheet sheet(Caller caller, Request request, String origin) {
        LabelGrid grid = request.grid();
        return LabelSheet.of(grid, labels(caller, request, origin), request.skip());
    }

    /** Sends labels, one to a page, to the printer that ships. */
    @Transactional(readOnly = true)
    public List<LabelPrinter.Printed> print(Caller caller, Request request, String origin) {
        Request oneUp = new Request(LabelGrid.ONE_UP, request.kind(), request.lots(), 0);
        LabelSheet.Sheet sheet = sheet(caller, oneUp, origin);
        return printer.print(caller.orchardId(), orchards.now(caller), sheet.pdf());
    }

    private List<LabelSheet.Label> labels(Caller caller, Request request, String origin) {
        Kind kind = request.kind();
        ZoneId zone = orchards.details(caller).site().zone();
        List<LabelSheet.Label> labels = new ArrayList<>();
        List<Copies> lots = request.lots();
        for (int i = 0; i < lots.size(); i++) {
            String field = "lots[" + i + "]";
            int copies = lots.get(i).copies();
            LotView lot = shelf.lot(caller, lots.get(i).lotId());
            LabelSheet.Label label =
                    new LabelSheet.Label(lot.code(), origin + "/l/" + lot.code(), lines(lot, kind, zone));
            labels.addAll(Collections.nCopies(copies, label));
        }
        if (labels.isEmpty() || labels.size() > LabelSheet.MOST_LABELS) {
            throw new InvalidInputException(
                    "lots",
                    "make " + labels.size() + " labels; between 1 and " + LabelSheet.MOST_LABELS
                            + " can be printed at once.");
        }
        return labels;
    }

    private static List<String> lines(LotView lot, Kind kind, ZoneId zone) {
        String filled = HOUR.format(lot.hereSince().atZone(zone));
        return switch (kind) {
            case TAG -> List.of(lot.code(), lot.varietyName());
            case BAG -> List.of("× " + lot.varietyName(), lot.code(), filled, "On: ________", "Date: ________");
            case JAR ->
                List.of(
                        lot.code(),
                        lot.varietyName(),
                        (lot.received() != null ? "Came " : lot.parts().isEmpty() ? "Collected " : "Blended ") + filled,
                        useBy(lot.viability().goodUntil(), zone),
                        from(lot));
        };
    }

    private static String useBy(Instant until, ZoneId zone) {
        return until == null ? "Use by: test before use" : "Use by " + DAY.format(until.atZone(zone));
    }

    private static String from(LotView lot) {
        if (lot.received() != null) {
            return "From " + lot.received().from();
        }
        List<String> names = lot.parts().isEmpty()
                ? lot.sources().stream().map(LotView.SourceView::treeName).toList()
                : lot.parts().stream().map(LotView.PartView::code).toList();
        return "From " + String.join(", ", names);
    }
}
