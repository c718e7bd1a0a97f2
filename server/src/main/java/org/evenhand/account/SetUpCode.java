package org.evenhand.account;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.Locale;
import org.evenhand.core.InvalidInputException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** What the first visitor must know: the code that whoever started the machine sees. Without it anybody who comes first would own it. */
@Component
class SetUpCode {
    private static final Logger LOG = LoggerFactory.getLogger(SetUpCode.class);
    private static final int LENGTH = 8;
    /** Without letters and digits that are taken for one another. */
    private static final String LETTERS = "ABCDEFGHJKMNPQRSTUVWXYZ23456789";

    private final String code;
    private final boolean given;
    private final Accounts accounts;

    SetUpCode(@Value("${even-hand.setup-code:}") String code, Accounts accounts) {
        this.given = !code.isBlank();
        this.code = given ? plain(code) : random();
        this.accounts = accounts;
    }

    private static String random() {
        SecureRandom random = new SecureRandom();
        StringBuilder made = new StringBuilder();
        for (int i = 0; i < LENGTH; i++) {
            made.append(LETTERS.charAt(random.nextInt(LETTERS.length())));
        }
        return made.toString();
    }

    private static String plain(String typed) {
        return typed.replaceAll("[^\\p{Alnum}]", "").toUpperCase(Locale.ROOT);
    }

    /** Who starts it by hand finds the code in its output. */
    @EventListener(ApplicationReadyEvent.class)
    void tellWhereNobodyElseDoes() {
        if (!given && accounts.none()) {
            LOG.info("Nobody has an account yet. The code for the first visit is {}.", code);
        }
    }

    /** @throws InvalidInputException where it is another */
    void require(String typed) {
        byte[] wanted = code.getBytes(StandardCharsets.UTF_8);
        if (!MessageDigest.isEqual(wanted, plain(typed).getBytes(StandardCharsets.UTF_8))) {
            throw new InvalidInputException(
                    "code", "is not the code of this machine. It stands where Even Hand was started.");
        }
    }
}
