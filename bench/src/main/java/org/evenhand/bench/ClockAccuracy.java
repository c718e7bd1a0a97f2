package org.evenhand.bench;

import java.util.List;
import org.evenhand.core.bloom.clock.FlowerClock;
import org.evenhand.core.bloom.clock.FlowerState;

/** How far the clock's ten-minute steps are from the exact solution. */
final class ClockAccuracy {
    private ClockAccuracy() {}

    /** Largest difference of any stage's share, at any sample, to the same clock at steps of ten seconds. */
    static double worstShareError() {
        Orchard10k orchard = new Orchard10k();
        FlowerClock fine = orchard.clock.withLongestStepHours(10.0 / 3600);
        double worst = 0;
        for (int entry = 0; entry < 3; entry++) {
            List<FlowerState> usual =
                    orchard.clock.sample(orchard.clock.entering(entry, 1), orchard.conditions, 0, orchard.hours);
            List<FlowerState> exact = fine.sample(fine.entering(entry, 1), orchard.conditions, 0, orchard.hours);
            for (int i = 0; i < usual.size(); i++) {
                double[] a = usual.get(i).stageTotals();
                double[] b = exact.get(i).stageTotals();
                for (int s = 0; s < a.length; s++) {
                    worst = Math.max(worst, Math.abs(a[s] - b[s]));
                }
            }
        }
        return worst;
    }
}
