package org.evenhand.account;

import com.nulabinc.zxcvbn.Zxcvbn;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.evenhand.core.InvalidInputException;
import org.evenhand.kit.Given;

/**
 * What a password must be, after NIST SP 800-63B: long, and none that is commonly used or expected; no rule of what characters it is made
 * of, and none of when to change it. Lists of common passwords, names and words are those that ship with zxcvbn.
 */
final class PasswordRules {
    /** The least length where nothing else is asked for: SP 800-63B-4, 3.1.1.2; from memory. */
    static final int SHORTEST = 15;
    /** bcrypt reads no more than this many bytes. */
    private static final int LONGEST_BYTES = 72;
    /** Of 0 to 4; below, it is among the first 10^8 tries of somebody who knows what people choose (zxcvbn's own scale). */
    private static final int LEAST_SCORE = 3;

    private final Zxcvbn guesses = new Zxcvbn();

    /**
     * @param field by which a refusal names it
     * @param about what somebody would try first: the person's name and address, the orchard's name
     * @return the password
     */
    String require(String field, String password, List<String> about) {
        String given = Given.required(field, password);
        int characters = given.codePointCount(0, given.length());
        if (characters < SHORTEST) {
            throw new InvalidInputException(
                    field,
                    "has " + characters + " characters; at least " + SHORTEST
                            + " are needed. Four words that do not belong together do well.");
        }
        if (given.getBytes(StandardCharsets.UTF_8).length > LONGEST_BYTES) {
            throw new InvalidInputException(field, "is longer than " + LONGEST_BYTES + " bytes. Please shorten it.");
        }
        if (guesses.measure(given, about).getScore() < LEAST_SCORE) {
            throw new InvalidInputException(
                    field, "is among those that are tried first. Choose four words that do not belong together.");
        }
        return given;
    }
}
