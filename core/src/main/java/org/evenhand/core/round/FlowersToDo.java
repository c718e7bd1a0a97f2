package org.evenhand.core.round;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.round.RoundRequest.OpenFlowers;

/** Turns expected flowers into whole flowers to be done. */
public final class FlowersToDo {
    private FlowersToDo() {}

    /**
     * Whole flowers by stage: the flowers that can take pollen less those done already, the total rounded to the nearest whole
     * flower and shared out by largest remainder. Those done already are taken from the stages in proportion.
     *
     * @param expectedByStage expected flowers in each stage of the sheet at the round's hour
     * @param doneStillTaking flowers pollinated before that can still be expected in a stage that takes pollen
     */
    public static List<OpenFlowers> of(CropSheet sheet, double[] expectedByStage, double doneStillTaking) {
        double taking = 0;
        for (int s = 0; s < sheet.stages().size(); s++) {
            taking += takes(sheet, s) ? expectedByStage[s] : 0;
        }
        double left = Math.max(0, taking - doneStillTaking);
        double share = taking > 0 ? left / taking : 0;
        double[] wanted = new double[sheet.stages().size()];
        for (int s = 0; s < wanted.length; s++) {
            wanted[s] = takes(sheet, s) ? expectedByStage[s] * share : 0;
        }
        int[] whole = wholeFlowers(wanted, (int) Math.round(left));
        List<OpenFlowers> open = new ArrayList<>();
        for (int s = 0; s < whole.length; s++) {
            if (whole[s] > 0) {
                open.add(new OpenFlowers(
                        sheet.stages().get(s).key(),
                        whole[s],
                        sheet.stages().get(s).receptivity().value()));
            }
        }
        return open;
    }

    private static boolean takes(CropSheet sheet, int stage) {
        return sheet.stages().get(stage).phase().takes();
    }

    private static int[] wholeFlowers(double[] wanted, int total) {
        int[] whole = new int[wanted.length];
        int given = 0;
        for (int s = 0; s < wanted.length; s++) {
            whole[s] = (int) Math.floor(wanted[s]);
            given += whole[s];
        }
        List<Integer> byRemainder = IntStream.range(0, wanted.length)
                .boxed()
                .sorted(Comparator.comparingDouble(s -> whole[s] - wanted[s]))
                .toList();
        for (int i = 0; i < byRemainder.size() && given < total; i++, given++) {
            whole[byRemainder.get(i)]++;
        }
        return whole;
    }
}
