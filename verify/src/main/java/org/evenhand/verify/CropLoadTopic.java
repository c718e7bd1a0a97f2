package org.evenhand.verify;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evenhand.core.cropload.CropLoad;

/** Trunks, limbs, and the flowers that their fruits take. */
final class CropLoadTopic implements Topic {
    @Override
    public String name() {
        return "crop-load";
    }

    @Override
    public Optional<Map<String, Object>> answer(Inputs inputs) {
        return Optional.of(load(inputs));
    }

    private static Map<String, Object> load(Inputs in) {
        in.refuseMoreThanOne("girth_cm", "diameter_cm", "diameters_cm");
        in.refuseMoreThanOne("target_fruit", "density_fruit_per_cm2");
        Map<String, Object> answer = new HashMap<>();
        area(in).ifPresent(a -> answer.put("tcsa_cm2", a));
        Integer target = in.absent("target_fruit") ? null : in.whole("target_fruit");
        if (!in.absent("density_fruit_per_cm2")) {
            double exact = CropLoad.exactTarget(
                    area(in).orElseThrow(() -> in.wrong(
                            "density_fruit_per_cm2", "needs a trunk: give girth_cm, diameter_cm or diameters_cm")),
                    in.number("density_fruit_per_cm2"));
            target = CropLoad.whole(exact);
            answer.put("target_fruit_exact", exact);
            answer.put("target_fruit", target);
        }
        if (!in.absent("branches")) {
            List<Integer> limits = CropLoad.limbLimits(
                    in.children("branches").stream().map(CropLoadTopic::limb).toList(),
                    in.number("branch_limit_fruit_per_cm2"));
            int total = limits.stream().mapToInt(Integer::intValue).sum();
            target = target == null ? (Integer) total : Math.min(target, total);
            answer.put("branch_limits", limits);
            answer.put("branch_limit_total", total);
            answer.put("tree_load", target);
        }
        if (in.absent("branches") && !in.absent("branch_limit_fruit_per_cm2")) {
            throw in.wrong("branch_limit_fruit_per_cm2", "needs branches");
        }
        if (in.absent("set_rate") != in.absent("drop_rate")) {
            throw in.wrong(in.absent("set_rate") ? "set_rate" : "drop_rate", "is missing; both shares are needed");
        }
        if (!in.absent("set_rate")) {
            if (target == null) {
                throw in.wrong("set_rate", "needs fruits: give target_fruit, a density with a trunk, or branches");
            }
            answer.put(
                    "flowers_needed", CropLoad.flowersNeeded(target, in.decimal("set_rate"), in.decimal("drop_rate")));
        }
        return answer;
    }

    private static Optional<Double> area(Inputs in) {
        if (!in.absent("girth_cm")) {
            return Optional.of(CropLoad.areaOfGirth(in.number("girth_cm")));
        }
        if (!in.absent("diameter_cm")) {
            return Optional.of(CropLoad.areaOfDiameter(in.number("diameter_cm")));
        }
        if (!in.absent("diameters_cm")) {
            List<Double> both = in.numbers("diameters_cm");
            if (both.size() != 2) {
                throw in.wrong("diameters_cm", "must be two, across each other, are " + both.size());
            }
            return Optional.of(CropLoad.areaOfDiameters(both.get(0), both.get(1)));
        }
        return Optional.empty();
    }

    private static double limb(Inputs branch) {
        branch.refuseMoreThanOne("bcsa_cm2", "diameter_cm");
        return branch.absent("bcsa_cm2")
                ? CropLoad.areaOfDiameter(branch.number("diameter_cm"))
                : branch.number("bcsa_cm2");
    }
}
