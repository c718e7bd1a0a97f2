package org.evenhand.findings;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import org.evenhand.availability.Strokes;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.StageSheet;
import org.evenhand.core.fruitset.Treatment;
import org.evenhand.findings.ComparisonView.Arm;
import org.evenhand.kit.Given;

/** The arms that a question compares, the usual one first. */
final class TreatmentArms {
    private static final int MOST = 6;

    private TreatmentArms() {}

    /** @param sheet of the trees' crop */
    static List<Arm> of(ComparisonView.Request request, CropSheet sheet) {
        return switch (request.question()) {
            case NATURE -> besideNature(Boolean.TRUE.equals(request.bagged()));
            case DESICCANT -> List.of(byHand("without desiccant"), byHand("with desiccant"));
            case SECOND_VISIT -> List.of(byHand("once"), byHand("twice, a day apart"));
            case FULL_COVER ->
                List.of(
                        new Arm("once in and out", Treatment.HAND, Strokes.LIGHT, null, null),
                        new Arm("all round", Treatment.HAND, Strokes.FULL, null, null));
            case TOOL -> named(request, tool -> new Arm(tool, Treatment.HAND, null, tool, null));
            case STAGE -> named(request, stage -> atStage(sheet, stage));
            case OWN -> named(request, TreatmentArms::byHand);
        };
    }

    private static Arm atStage(CropSheet sheet, String key) {
        StageSheet stage = sheet.stages().stream()
                .filter(s -> s.key().equals(key) && s.phase().receives())
                .findFirst()
                .orElseThrow(() -> new InvalidInputException(
                        "names", "has '" + key + "', no stage of " + sheet.name() + " at which it can be pollinated."));
        return new Arm(stage.name(), Treatment.HAND, null, null, key);
    }

    private static Arm byHand(String name) {
        return new Arm(name, Treatment.HAND, null, null, null);
    }

    private static List<Arm> besideNature(boolean bagged) {
        List<Arm> arms = new ArrayList<>(List.of(
                new Arm(FactorNames.TREATMENTS.get(Treatment.NATURE.name()), Treatment.NATURE, null, null, null),
                byHand(FactorNames.TREATMENTS.get(Treatment.HAND.name()))));
        if (bagged) {
            arms.add(new Arm(FactorNames.TREATMENTS.get(Treatment.BAGGED.name()), Treatment.BAGGED, null, null, null));
        }
        return arms;
    }

    private static List<Arm> named(ComparisonView.Request request, Function<String, Arm> arm) {
        List<String> names = Given.required("names", request.names());
        Require.within("names", names.size(), 2, MOST);
        List<String> named = new ArrayList<>();
        for (int i = 0; i < names.size(); i++) {
            named.add(Given.text("names[" + i + "]", names.get(i), 40));
        }
        if (named.stream().map(n -> n.toLowerCase(Locale.ROOT)).distinct().count() < named.size()) {
            throw new InvalidInputException("names", "are the same twice; the tags could not be distinguished.");
        }
        return named.stream().map(arm).toList();
    }
}
