package org.evenhand.core.bloom.key;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.FlowerKey;

/**
 * Which stage a flower is in, from what one can see.
 *
 * <p>Bayes: the share of each stage that is typical at this hour, times the likelihood of each answer given, made to add up to 1. An
 * answer may be a slip: {@link #SLIP} of all answers are taken to be any of the sign's answers. The question to ask next is the one
 * whose answer is expected to tell most, in bits (expected fall of Shannon's entropy).
 *
 * @param chances chance of each stage of the sheet, in order, adding up to 1
 * @param next the question that would tell most next; none when there is little left to learn
 * @param mistakes mistakes to beware of, given what is likely now
 */
public record StageKey(List<Double> chances, Optional<Question> next, List<FlowerKey.Mistake> mistakes) {
    /** Share of answers that say nothing about the stage. Our judgement. */
    public static final double SLIP = 0.03;

    /** Share of the prior that is the same for every stage, since no model knows all trees. Our judgement. */
    private static final double OPEN_MIND = 0.15;

    private static final double WORTH_ASKING_BITS = 0.02;
    private static final double WORTH_WARNING = 0.15;

    public StageKey {
        chances = List.copyOf(chances);
        mistakes = List.copyOf(mistakes);
    }

    /**
     * A question worth asking.
     *
     * @param sign its key on the sheet
     * @param bits what its answer is expected to tell
     */
    public record Question(String sign, double bits) {}

    /**
     * @param usualShares share of a tree's flowers usually in each stage at this hour; equal shares where nothing is known
     * @param answers answers by sign, as far as given
     */
    public static StageKey of(CropSheet sheet, double[] usualShares, Map<String, String> answers) {
        double[] chances = prior(sheet, usualShares);
        for (Map.Entry<String, String> given : answers.entrySet()) {
            FlowerKey.Sign sign = sign(sheet, given.getKey());
            chances = after(chances, sign, answer(sign, given.getValue()));
        }
        List<Question> questions = questions(sheet, chances, answers);
        return new StageKey(
                Arrays.stream(chances).boxed().toList(), questions.stream().findFirst(), mistakes(sheet, chances));
    }

    /** What each question not yet answered would tell, the most telling first. */
    static List<Question> questions(CropSheet sheet, double[] chances, Map<String, String> answers) {
        List<Question> questions = new ArrayList<>();
        for (FlowerKey.Sign sign : sheet.flowerKey().signs()) {
            double bits = answers.containsKey(sign.key()) ? 0 : expectedBits(chances, sign);
            if (bits >= WORTH_ASKING_BITS) {
                questions.add(new Question(sign.key(), bits));
            }
        }
        questions.sort(Comparator.comparingDouble(Question::bits).reversed());
        return questions;
    }

    private static double[] prior(CropSheet sheet, double[] usualShares) {
        int stages = sheet.stages().size();
        if (usualShares.length != stages) {
            throw new InvalidInputException(
                    "usualShares", "has " + usualShares.length + " entries for " + stages + ".");
        }
        double[] prior = new double[stages];
        Arrays.setAll(prior, s -> (1 - OPEN_MIND) * usualShares[s] + OPEN_MIND / stages);
        return prior;
    }

    private static double[] after(double[] chances, FlowerKey.Sign sign, FlowerKey.Answer answer) {
        double[] after = new double[chances.length];
        double sum = 0;
        for (int s = 0; s < chances.length; s++) {
            after[s] = chances[s] * likely(sign, answer, s);
            sum += after[s];
        }
        for (int s = 0; s < chances.length; s++) {
            after[s] /= sum;
        }
        return after;
    }

    private static double likely(FlowerKey.Sign sign, FlowerKey.Answer answer, int stage) {
        return (1 - SLIP) * answer.likely().get(stage) + SLIP / sign.answers().size();
    }

    private static double expectedBits(double[] chances, FlowerKey.Sign sign) {
        double left = 0;
        for (FlowerKey.Answer answer : sign.answers()) {
            double chance = 0;
            for (int s = 0; s < chances.length; s++) {
                chance += chances[s] * likely(sign, answer, s);
            }
            left += chance * entropy(after(chances, sign, answer));
        }
        return entropy(chances) - left;
    }

    private static double entropy(double[] chances) {
        double bits = 0;
        for (double p : chances) {
            bits -= p > 0 ? p * Math.log(p) / Math.log(2) : 0;
        }
        return bits;
    }

    /** Mistakes whose true stage is likely enough, or whose mistaken stage leads while the true one is not ruled out. */
    private static List<FlowerKey.Mistake> mistakes(CropSheet sheet, double[] chances) {
        return sheet.flowerKey().mistakes().stream()
                .filter(m -> chances[sheet.indexOf(m.stage())] >= WORTH_WARNING
                        && chances[sheet.indexOf(m.stage())] + chances[sheet.indexOf(m.takenFor())] >= 0.5)
                .toList();
    }

    private static FlowerKey.Sign sign(CropSheet sheet, String key) {
        return sheet.flowerKey().signs().stream()
                .filter(s -> s.key().equals(key))
                .findFirst()
                .orElseThrow(() -> new InvalidInputException(
                        "answers." + key,
                        "is no sign of " + sheet.name() + "; known are "
                                + sheet.flowerKey().signs().stream()
                                        .map(FlowerKey.Sign::key)
                                        .toList()
                                + "."));
    }

    private static FlowerKey.Answer answer(FlowerKey.Sign sign, String key) {
        return sign.answers().stream()
                .filter(a -> a.key().equals(key))
                .findFirst()
                .orElseThrow(() -> new InvalidInputException(
                        "answers." + sign.key(),
                        "is '" + key + "'; known are "
                                + sign.answers().stream()
                                        .map(FlowerKey.Answer::key)
                                        .toList() + "."));
    }
}
