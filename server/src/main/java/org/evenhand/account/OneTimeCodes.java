package org.evenhand.account;

import com.eatthepath.otp.TimeBasedOneTimePasswordGenerator;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.security.InvalidKeyException;
import java.security.SecureRandom;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import javax.crypto.spec.SecretKeySpec;
import org.apache.commons.codec.binary.Base32;
import org.evenhand.core.InvalidInputException;
import org.evenhand.kit.SecretKeys;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * Codes of six figures that an app on one's phone shows, each for half a minute, asked for beside the password where somebody wants it: RFC
 * 6238 with its usual numbers (SHA-1, 30 s, six figures), as every such app reads them. Spare codes serve who has lost the app.
 */
@Service
public class OneTimeCodes {
    /** More than any that is asked for, so that one that is too long is refused in words of its own. */
    static final int LONGEST_CODE = 100;

    private static final String FIELD = "code";
    /** 160 bits, as RFC 4226 section 4 recommends. */
    private static final int SECRET_BYTES = 20;
    /** A phone's clock may be wrong by so many half minutes either way; RFC 6238 section 5.2 recommends one. */
    private static final int STEPS_OFF = 1;
    /** Wrong ones of an account in {@link #WRONG_FOR}, from wherever: only who knows the password gets so far. Our convention. */
    private static final int MOST_WRONG = 10;

    private static final Duration WRONG_FOR = Duration.ofMinutes(30);

    private static final int SPARE = 8;
    /** Without signs that are taken for one another. */
    private static final String SPARE_SIGNS = "23456789abcdefghjkmnpqrstuvwxyz";

    private static final int SPARE_LENGTH = 10;
    private static final SecureRandom RANDOM = new SecureRandom();

    private final TimeBasedOneTimePasswordGenerator generator = new TimeBasedOneTimePasswordGenerator();
    private final JdbcTemplate jdbc;
    private final AccessLog log;
    private final InstantSource clock;

    OneTimeCodes(JdbcTemplate jdbc, AccessLog log, InstantSource clock) {
        this.jdbc = jdbc;
        this.log = log;
        this.clock = clock;
    }

    private record Kept(byte[] secret, long lastStep, int wrong, Instant wrongSince) {}

    /** Whether an account is asked for one. */
    @Transactional(readOnly = true)
    public boolean on(UUID account) {
        return kept(account, true).isPresent();
    }

    @Transactional(readOnly = true)
    public int spareLeft(UUID account) {
        return jdbc.queryForObject("select count(*) from spare_code where account_id = ?", Integer.class, account);
    }

    /**
     * Makes a secret for an account; nothing is asked for until {@link #confirm} had a code of it.
     *
     * @param name of the account in the app
     * @throws InvalidInputException where they are on already
     */
    @Transactional
    public AccountView.CodesBegun begin(UUID account, String name) {
        if (on(account)) {
            throw new InvalidInputException(FIELD, "is asked for already. Turn the codes off first.");
        }
        byte[] secret = new byte[SECRET_BYTES];
        RANDOM.nextBytes(secret);
        jdbc.update("delete from one_time_codes where account_id = ?", account);
        jdbc.update(
                "insert into one_time_codes (account_id, secret, begun_at, wrong_since) values (?, ?, ?, ?)",
                account,
                secret,
                at(clock.instant()),
                at(clock.instant()));
        String typed = new Base32().encodeToString(secret);
        String label =
                URLEncoder.encode("Even Hand:" + name, StandardCharsets.UTF_8).replace("+", "%20");
        return new AccountView.CodesBegun(
                typed, "otpauth://totp/" + label + "?secret=" + typed + "&issuer=Even%20Hand");
    }

    /**
     * Turns them on with a first code.
     *
     * @return spare codes, shown this once
     */
    @Transactional
    public List<String> confirm(UUID account, String typed) {
        Kept kept = kept(account, false)
                .orElseThrow(() -> new InvalidInputException(FIELD, "belongs to no secret. Begin once more."));
        long step = step(kept, typed)
                .orElseThrow(() -> new InvalidInputException(
                        FIELD, "does not fit. Is the clock of the phone right? Type the code it shows now."));
        jdbc.update(
                "update one_time_codes set confirmed_at = ?, last_step = ? where account_id = ?",
                at(clock.instant()),
                step,
                account);
        return newSpare(account);
    }

    /** Spare codes in place of those there were. */
    @Transactional
    public List<String> newSpare(UUID account) {
        jdbc.update("delete from spare_code where account_id = ?", account);
        List<String> codes = Stream.generate(OneTimeCodes::spare).limit(SPARE).toList();
        codes.forEach(
                c -> jdbc.update("insert into spare_code (account_id, code_hash) values (?, ?)", account, hash(c)));
        return codes;
    }

    @Transactional
    public void off(UUID account) {
        jdbc.update("delete from one_time_codes where account_id = ?", account);
    }

    /**
     * Uses up a code, where the account is asked for one; whatever becomes of the caller's transaction.
     *
     * @param typed a code of the app or a spare one; null or blank where nothing was typed
     * @param from where it was typed; a wrong one is logged
     * @throws Missing where one is asked for and nothing was typed
     * @throws InvalidInputException where it does not fit, was used already, or too many were wrong
     */
    @Transactional(propagation = Propagation.REQUIRES_NEW, noRollbackFor = InvalidInputException.class)
    public void require(UUID account, String typed, Device from) {
        // Held, so that two who send one code at once are not both let in.
        Optional<Kept> on = jdbc
                .query(
                        "select secret, last_step, wrong, wrong_since from one_time_codes"
                                + " where account_id = ? and confirmed_at is not null for update",
                        (row, i) -> kept(row),
                        account)
                .stream()
                .findFirst();
        if (on.isEmpty()) {
            return;
        }
        if (typed == null || typed.isBlank()) {
            throw new Missing();
        }
        Kept kept = on.get();
        boolean counts = kept.wrongSince().plus(WRONG_FOR).isAfter(clock.instant());
        if (counts && kept.wrong() >= MOST_WRONG) {
            log.attempt(AccessLog.Kind.SLOWED_DOWN, account, from);
            throw new InvalidInputException(
                    FIELD, "was wrong too often. Wait half an hour, or sign in with a passkey.");
        }
        Optional<Long> step = step(kept, typed);
        if (step.isPresent()) {
            jdbc.update("update one_time_codes set last_step = ?, wrong = 0 where account_id = ?", step.get(), account);
        } else if (!useSpare(account, typed)) {
            jdbc.update(
                    "update one_time_codes set wrong = ?, wrong_since = ? where account_id = ?",
                    counts ? kept.wrong() + 1 : 1,
                    at(counts ? kept.wrongSince() : clock.instant()),
                    account);
            log.attempt(AccessLog.Kind.WRONG_CODE, account, from);
            throw new InvalidInputException(
                    FIELD, "does not fit, or was used already. Type the one the app shows now.");
        }
    }

    /** That a code is asked for. */
    static final class Missing extends InvalidInputException {
        private static final long serialVersionUID = 1;

        Missing() {
            super(FIELD, "is needed to sign in.");
        }
    }

    private boolean useSpare(UUID account, String typed) {
        return jdbc.update("delete from spare_code where account_id = ? and code_hash = ?", account, hash(typed)) == 1;
    }

    private Optional<Kept> kept(UUID account, boolean confirmed) {
        return jdbc
                .query(
                        "select secret, last_step, wrong, wrong_since from one_time_codes"
                                + " where account_id = ? and (confirmed_at is not null) = ?",
                        (row, i) -> kept(row),
                        account,
                        confirmed)
                .stream()
                .findFirst();
    }

    private static Kept kept(ResultSet row) throws SQLException {
        return new Kept(
                row.getBytes(1),
                row.getLong(2),
                row.getInt(3),
                row.getObject(4, OffsetDateTime.class).toInstant());
    }

    /** The half minute whose code this is, later than that of the last that was good. */
    private Optional<Long> step(Kept kept, String typed) {
        String figures = typed.replaceAll("\\s", "");
        long length = generator.getTimeStep().toSeconds();
        long now = clock.instant().getEpochSecond() / length;
        return LongStream.rangeClosed(now - STEPS_OFF, now + STEPS_OFF)
                .filter(step -> step > kept.lastStep())
                .filter(step -> code(kept.secret(), Instant.ofEpochSecond(step * length))
                        .equals(figures))
                .boxed()
                .findFirst();
    }

    /** The code that an app shows at a moment. */
    String code(byte[] secret, Instant at) {
        try {
            return generator.generateOneTimePasswordString(new SecretKeySpec(secret, generator.getAlgorithm()), at);
        } catch (InvalidKeyException e) {
            throw new IllegalStateException("A secret of " + secret.length + " bytes is a key", e);
        }
    }

    private static String spare() {
        StringBuilder code = new StringBuilder();
        RANDOM.ints(SPARE_LENGTH, 0, SPARE_SIGNS.length()).forEach(i -> code.append(SPARE_SIGNS.charAt(i)));
        return code.insert(SPARE_LENGTH / 2, '-').toString();
    }

    private static String hash(String spare) {
        return SecretKeys.hash(spare.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]", ""));
    }

    private static OffsetDateTime at(Instant instant) {
        return instant.atOffset(ZoneOffset.UTC);
    }
}
