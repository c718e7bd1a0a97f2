package org.evenhand.core.crop;

import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** What must hold between the fields of a sheet. */
final class SheetRules {
    /** The shares of a stage over the answers of a sign may miss 1 by so much. */
    private static final double SHARE_SLACK = 0.011;

    private final CropSheet sheet;
    private final String path;
    private final SheetNotes notes;

    /** @param path of the fields that belong to the flowering type, with its dot, or empty */
    SheetRules(CropSheet sheet, String path, SheetNotes notes) {
        this.sheet = sheet;
        this.path = path;
        this.notes = notes;
    }

    void check() {
        temperatures();
        stages();
        signs();
        mistakes();
        if (sheet.cross().isPresent() && !sheet.hasStage(sheet.cross().get().prepareAt())) {
            notes.problem("cross.prepareAt", "names a stage that the sheet does not have.");
        }
        for (int i = 1; i < sheet.checks().size(); i++) {
            if (sheet.checks().get(i).days() <= sheet.checks().get(i - 1).days()) {
                notes.problem("checks[" + i + "].day", "must be later than the check before it.");
            }
        }
    }

    private void temperatures() {
        double base = sheet.baseTemperatureC().value();
        double reference = sheet.referenceTemperatureC().value();
        double cap = sheet.capTemperatureC().value();
        if (!(base < reference && reference <= cap)) {
            notes.problem(
                    "temperature",
                    "must rise from baseC (" + base + ") over referenceC (" + reference + ") to capC (" + cap + ").");
        }
    }

    private void stages() {
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < sheet.stages().size(); i++) {
            StageSheet stage = sheet.stages().get(i);
            String at = path + "stages[" + i + "]";
            if (!seen.add(stage.key())) {
                notes.problem(at + ".key", "'" + stage.key() + "' stands there twice.");
            }
            if (stage.phase().receives() != stage.receptivity().value() > 0) {
                notes.problem(at + ".receptivity", "must be more than 0 in a female stage and 0 in any other.");
            }
            if (stage.phase().sheds() != stage.shedding().value() > 0) {
                notes.problem(at + ".shedding", "must be more than 0 in a male stage and 0 in any other.");
            }
        }
    }

    private void signs() {
        List<FlowerKey.Sign> signs = sheet.flowerKey().signs();
        for (int i = 0; i < signs.size(); i++) {
            for (int s = 0; s < sheet.stages().size(); s++) {
                int stage = s;
                double sum = signs.get(i).answers().stream()
                        .mapToDouble(a -> a.likely().get(stage))
                        .sum();
                if (Math.abs(sum - 1) > SHARE_SLACK) {
                    notes.problem(
                            path + "look[" + i + "].answers",
                            "give the stage '" + sheet.stages().get(s).key() + "' " + sum
                                    + " in all; the answers of a sign must share out 1.");
                }
            }
        }
        for (int a = 0; a < sheet.stages().size(); a++) {
            for (int b = a + 1; b < sheet.stages().size(); b++) {
                if (alike(a, b)) {
                    notes.problem(
                            path + "stages[" + b + "]",
                            "has no sign that tells it from '"
                                    + sheet.stages().get(a).key() + "'; add one under look.");
                }
            }
        }
    }

    private boolean alike(int a, int b) {
        return sheet.flowerKey().signs().stream()
                .flatMap(s -> s.answers().stream())
                .allMatch(
                        answer -> answer.likely().get(a).equals(answer.likely().get(b)));
    }

    private void mistakes() {
        List<FlowerKey.Mistake> mistakes = sheet.flowerKey().mistakes();
        for (int i = 0; i < mistakes.size(); i++) {
            FlowerKey.Mistake mistake = mistakes.get(i);
            if (!sheet.hasStage(mistake.stage()) || !sheet.hasStage(mistake.takenFor())) {
                notes.problem(path + "mistakes[" + i + "]", "names a stage that the sheet does not have.");
            }
        }
    }
}
