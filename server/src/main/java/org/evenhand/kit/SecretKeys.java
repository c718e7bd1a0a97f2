package org.evenhand.kit;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.HexFormat;

/** Keys for programs that cannot sign in: told once, kept as a hash. */
public final class SecretKeys {
    private static final int BYTES = 24;
    private static final SecureRandom RANDOM = new SecureRandom();

    private SecretKeys() {}

    /** A new key that nobody can guess, fit for an address. */
    public static String newKey() {
        byte[] secret = new byte[BYTES];
        RANDOM.nextBytes(secret);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
    }

    /** What is kept of a key; null is as good as a key nobody has. */
    public static String hash(String key) {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256")
                    .digest((key == null ? "" : key).getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
    }
}
