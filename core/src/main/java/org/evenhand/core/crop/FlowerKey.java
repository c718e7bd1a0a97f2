package org.evenhand.core.crop;

import java.util.List;

/**
 * What tells the stages of a crop apart: signs one can see or feel, and how likely each answer is in each stage.
 *
 * @param signs the questions, the most telling first
 * @param mistakes stages that are often taken for another
 */
public record FlowerKey(List<Sign> signs, List<Mistake> mistakes) {
    public FlowerKey {
        signs = List.copyOf(signs);
        mistakes = List.copyOf(mistakes);
    }

    /**
     * One sign.
     *
     * @param key short name
     * @param question what is asked
     * @param basis what the likelihoods rest on
     * @param answers what one may see
     */
    public record Sign(String key, String question, Basis basis, List<Answer> answers) {
        public Sign {
            answers = List.copyOf(answers);
        }
    }

    /**
     * One answer to a sign.
     *
     * @param key short name, unique within the sign
     * @param name what one sees
     * @param likely for each stage of the sheet, in order, the share of its flowers that look so, 0 to 1
     */
    public record Answer(String key, String name, List<Double> likely) {
        public Answer {
            likely = List.copyOf(likely);
        }
    }

    /**
     * A stage often taken for another.
     *
     * @param stage the stage it is
     * @param takenFor the stage it is taken for
     * @param say what tells them apart, and what to do
     */
    public record Mistake(String stage, String takenFor, String say) {}
}
