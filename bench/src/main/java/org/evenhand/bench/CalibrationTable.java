package org.evenhand.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.ToDoubleFunction;
import org.evenhand.core.bloom.forecast.Calibration;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;

/** The command {@code even-hand bench calibration}: how often "8 in 10" holds on trees thrown in invented worlds. */
public final class CalibrationTable {
    private static final List<String> CROPS = List.of("cherimoya", "sugar-apple", "apple");
    private static final int[] READINGS = {1, 3, 8, 14};

    private CalibrationTable() {}

    public static void main(String[] arguments) {
        int varieties = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 6;
        System.out.printf(
                Locale.ROOT,
                "receptive flowers 6, 20, 44 and 68 h after the last reading; %d varieties of 20 trees for each number%n"
                        + "%-26s %-12s %8s %8s %8s %8s   %s%n",
                varieties,
                "world",
                "crop",
                "1",
                "3",
                "8",
                "14 readings",
                "foreseen/true, width/true");
        for (Calibration.World world : Calibration.World.values()) {
            for (String crop : CROPS) {
                row(world, crop, varieties);
            }
        }
    }

    private static void row(Calibration.World world, String crop, int varieties) {
        StringBuilder line = new StringBuilder(String.format(Locale.ROOT, "%-26s %-12s", world, crop));
        CropSheet sheet = CropSheets.shipped().find(crop).orElseThrow();
        List<Calibration> all = new ArrayList<>();
        for (int readings : READINGS) {
            List<Calibration> own = new ArrayList<>();
            for (int v = 0; v < varieties; v++) {
                own.add(Calibration.of(sheet, world, readings, 20, 1000L * readings + v));
            }
            line.append(String.format(Locale.ROOT, " %8.3f", mean(own, Calibration::coverage)));
            all.addAll(own);
        }
        System.out.printf(
                Locale.ROOT, "%s      %.3f  %.3f%n", line, mean(all, Calibration::bias), mean(all, Calibration::width));
    }

    private static double mean(List<Calibration> of, ToDoubleFunction<Calibration> number) {
        return of.stream().mapToDouble(number).average().orElseThrow();
    }
}
