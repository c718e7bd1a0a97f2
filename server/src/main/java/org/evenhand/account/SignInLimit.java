package org.evenhand.account;

import io.github.bucket4j.Bucket;
import java.time.Duration;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Slows down who tries passwords: a few attempts an address, then one every half minute. */
@Component
class SignInLimit {
    private static final int ATTEMPTS = 8;
    private static final Duration REFILL = Duration.ofSeconds(30);

    private final Map<String, Bucket> buckets = new ConcurrentHashMap<>();

    /** Whether another attempt is allowed for this address from this machine. */
    boolean allows(String email, String machine) {
        String key = (email == null ? "" : email.strip().toLowerCase(Locale.ROOT)) + "|" + machine;
        return buckets.computeIfAbsent(key, k -> bucket()).tryConsume(1);
    }

    @Scheduled(fixedDelayString = "PT30M")
    void forgetThoseWhoStopped() {
        buckets.values().removeIf(b -> b.getAvailableTokens() == ATTEMPTS);
    }

    private static Bucket bucket() {
        return Bucket.builder()
                .addLimit(limit -> limit.capacity(ATTEMPTS).refillIntervally(1, REFILL))
                .build();
    }
}
