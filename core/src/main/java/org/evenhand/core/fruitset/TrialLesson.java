package org.evenhand.core.fruitset;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.SheetNumber;
import org.evenhand.core.crop.StageSheet;
import org.evenhand.core.statistics.Proportion;

/**
 * What a judged trial says of the numbers of a crop's sheet.
 *
 * @param changes numbers of the sheet that the trial tells, with the value it tells
 */
public record TrialLesson(List<Change> changes) {
    /**
     * One number.
     *
     * @param number as it stands on the sheet
     * @param what it is, as a grower says it
     * @param value of the trial, within the bounds of the sheet, in hundredths
     */
    public record Change(SheetNumber number, String what, double value) {
        /** Whether the sheet already says so. */
        public boolean applied() {
            return number.number().value() == value;
        }
    }

    public TrialLesson {
        changes = List.copyOf(changes);
    }

    /** Flowers by hand tell the share that sets; nothing where the sheet keeps no such number. */
    public static TrialLesson ofHand(CropSheet sheet, Proportion hand) {
        return new TrialLesson(number(sheet, "load.setShare")
                .or(() -> number(sheet, "fruit.setShare"))
                .map(n -> List.of(change(n, "share of pollinated flowers that sets", believed(hand))))
                .orElse(List.of()));
    }

    /**
     * Stages that were compared tell their receptivity, the best of them standing for 1.
     *
     * @param byStage what came of each stage's flowers, by the stage's key
     */
    public static TrialLesson ofStages(CropSheet sheet, Map<String, Proportion> byStage) {
        double best = byStage.values().stream()
                .mapToDouble(TrialLesson::believed)
                .max()
                .orElse(1);
        List<Change> changes = new ArrayList<>();
        for (int i = 0; i < sheet.stages().size(); i++) {
            StageSheet stage = sheet.stages().get(i);
            Proportion came = byStage.get(stage.key());
            if (came != null) {
                number(sheet, "stages[" + i + "].receptivity")
                        .ifPresent(n -> changes.add(
                                change(n, "receptivity of \u201c" + stage.name() + "\u201d", believed(came) / best)));
            }
        }
        return new TrialLesson(changes);
    }

    private static Optional<SheetNumber> number(CropSheet sheet, String path) {
        return sheet.numbers().stream()
                .filter(n -> n.path().equals(path) || n.path().endsWith("]." + path))
                .findFirst();
    }

    private static Change change(SheetNumber number, String what, double value) {
        double within = Math.max(number.low(), Math.min(number.high(), value));
        return new Change(number, what, Math.round(within * 100) / 100.0);
    }

    /** Mean of Beta(1, 1) with these flowers, so that a few of them never say none or all. */
    private static double believed(Proportion p) {
        return (p.successes() + 1.0) / (p.trials() + 2.0);
    }
}
