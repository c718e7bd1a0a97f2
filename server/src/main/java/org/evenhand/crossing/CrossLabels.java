package org.evenhand.crossing;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.evenhand.core.InvalidInputException;
import org.evenhand.kit.Caller;
import org.evenhand.kit.LabelGrid;
import org.evenhand.kit.LabelSheet;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Labels for crosses. */
@Service
class CrossLabels {

    private final ControlledCrossRepository controlledCrosses;
    private final ControlledCrossBooks books;

    CrossLabels(ControlledCrossRepository controlledCrosses, ControlledCrossBooks books) {
        this.controlledCrosses = controlledCrosses;
        this.books = books;
    }

    @Transactional(readOnly = true)
    public LabelSheet.Sheet sheet(Caller caller, ControlledCrossRequests.Labels request, String origin) {
        LabelGrid grid = request.grid();
        List<LabelSheet.Label> labels = new ArrayList<>();
        List<ControlledCrossRequests.Copies> wanted = request.controlledCrosses();
        for (int i = 0; i < wanted.size(); i++) {
            String field = "controlledCrosses[" + i + "]";
            int copies = wanted.get(i).copies();
            ControlledCross controlledCross =
                    controlledCrosses.current(caller, wanted.get(i).crossId());
            ControlledCrossBook book = books.read(caller, List.of(controlledCross));
            labels.addAll(Collections.nCopies(
                    copies,
                    new LabelSheet.Label(
                            controlledCross.label(),
                            origin + "/round/crosses#" + controlledCross.label(),
                            CrossWords.printed(book.view(controlledCross), book.day(controlledCross), book.zone()))));
        }
        if (labels.isEmpty() || labels.size() > LabelSheet.MOST_LABELS) {
            throw new InvalidInputException(
                    "controlledCrosses",
                    "make " + labels.size() + " labels; between 1 and " + LabelSheet.MOST_LABELS
                            + " can be printed at once.");
        }
        return LabelSheet.of(grid, labels, request.skip());
    }
}
