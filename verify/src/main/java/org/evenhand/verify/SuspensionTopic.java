package org.evenhand.verify;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evenhand.core.pollen.Dilution;
import org.evenhand.core.pollen.GerminationMedium;
import org.evenhand.core.pollen.Suspension;

/** Sugar water, pollen in it, and the germination medium. */
final class SuspensionTopic implements Topic {
    @Override
    public String name() {
        return "suspension";
    }

    @Override
    public Optional<Map<String, Object>> answer(Inputs inputs) {
        return switch (inputs.text("mode")) {
            case "batch" -> Optional.of(batch(inputs));
            case "need" -> Optional.of(need(inputs));
            case "dilution" -> Optional.of(dilution(inputs));
            case "sugar_ww" ->
                Optional.of(Map.of(
                        "sugar_g",
                        Suspension.sugarByWeight(inputs.decimal("sugar_percent_ww"), inputs.decimal("water_g"))));
            case "brewbaker_kwack" -> Optional.of(medium(new GerminationMedium(inputs.decimal("volume_ml"))));
            default -> Optional.empty();
        };
    }

    private static Map<String, Object> batch(Inputs in) {
        Suspension s = new Suspension(
                in.decimal("volume_ml"),
                in.decimal("sugar_percent_wv"),
                in.decimal("pollen_mg_per_ml"),
                in.decimal("dose_ml"),
                in.decimal("waste"));
        return Map.of(
                "sugar_g", s.sugarG(),
                "pollen_mg", s.pollenMg(),
                "doses_exact", s.dosesExact(),
                "doses", s.doses(),
                "pollen_mg_per_dose", s.pollenMgPerDose());
    }

    private static Map<String, Object> need(Inputs in) {
        BigDecimal dose = in.decimal("dose_ml");
        BigDecimal waste = in.decimal("waste");
        Suspension s = Suspension.forFruits(
                in.whole("fruits"),
                dose,
                waste,
                in.decimal("step_ml"),
                in.decimal("sugar_percent_wv"),
                in.decimal("pollen_mg_per_ml"));
        return Map.of(
                "volume_ml", Suspension.volumeFor(in.whole("fruits"), dose, waste),
                "volume_ml_rounded_up", s.volumeMl(),
                "sugar_g_at_rounded", s.sugarG(),
                "pollen_mg_at_rounded", s.pollenMg());
    }

    private static Map<String, Object> dilution(Inputs in) {
        Map<String, Object> answer = new HashMap<>();
        Dilution d;
        List<String> missing =
                List.of("c1", "v1", "c2", "v2").stream().filter(in::absent).toList();
        if (missing.size() != 1) {
            throw in.wrong("c1, v1, c2, v2", "must be three of the four, " + (4 - missing.size()) + " are given");
        }
        if (in.absent("c1")) {
            d = Dilution.ofStrength(in.decimal("v1"), in.decimal("c2"), in.decimal("v2"));
            answer.put("c1", d.stockPercent());
        } else if (in.absent("v1")) {
            d = Dilution.toVolume(in.decimal("c1"), in.decimal("c2"), in.decimal("v2"));
            answer.put("v1", d.stockMl());
        } else if (in.absent("c2")) {
            d = Dilution.ofStock(in.decimal("c1"), in.decimal("v1"), in.decimal("v2"));
            answer.put("c2", d.percent());
        } else {
            d = Dilution.toStrength(in.decimal("c1"), in.decimal("v1"), in.decimal("c2"));
            answer.put("v2", d.volumeMl());
        }
        answer.put("diluent_added", d.waterMl());
        return answer;
    }

    private static Map<String, Object> medium(GerminationMedium m) {
        return Map.of(
                "boric_acid_mg", m.boricAcidMg(),
                "calcium_nitrate_4h2o_mg", m.calciumNitrateMg(),
                "magnesium_sulfate_7h2o_mg", m.magnesiumSulfateMg(),
                "potassium_nitrate_mg", m.potassiumNitrateMg(),
                "sucrose_g", m.sucroseG());
    }
}
