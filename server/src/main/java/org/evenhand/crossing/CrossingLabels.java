package org.evenhand.crossing;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.evenhand.kit.Caller;
import org.evenhand.kit.LabelGrid;
import org.evenhand.kit.LabelSheet;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Labels for crosses. */
@Service
class CrossingLabels {

    private final CrossingRepository crossings;
    private final CrossingBooks books;

    CrossingLabels(CrossingRepository crossings, CrossingBooks books) {
        this.crossings = crossings;
        this.books = books;
    }

    @Transactional(readOnly = true)
    public LabelSheet.Sheet sheet(Caller caller, CrossingRequests.Labels request, String origin) {
        LabelGrid grid = request.grid();
        int skip = request.skip() == null ? 0 : Require.within("skip", request.skip(), 0, grid.perPage() - 1);
        List<LabelSheet.Label> labels = new ArrayList<>();
        List<CrossingRequests.Copies> wanted = request.crossings();
        for (int i = 0; i < wanted.size(); i++) {
            String field = "crossings[" + i + "]";
            int copies = wanted.get(i).copies();
            Crossing crossing = crossings.current(caller, wanted.get(i).crossingId());
            CrossingBook book = books.read(caller, List.of(crossing));
            labels.addAll(Collections.nCopies(
                    copies,
                    new LabelSheet.Label(
                            crossing.label(),
                            origin + "/round/crosses#" + crossing.label(),
                            CrossingWords.printed(book.view(crossing), book.day(crossing), book.zone()))));
        }
        if (labels.isEmpty() || labels.size() > LabelSheet.MOST_LABELS) {
            throw new InvalidInputException(
                    "crossings",
                    "make " + labels.size() + " labels; between 1 and " + LabelSheet.MOST_LABELS
                            + " can be printed at once.");
        }
        return LabelSheet.of(grid, labels, skip);
    }
}
