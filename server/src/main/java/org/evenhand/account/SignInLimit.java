package org.evenhand.account;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import io.github.bucket4j.Bucket;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;
import java.util.function.Supplier;
import org.evenhand.core.InvalidInputException;
import org.evenhand.kit.SecretKeys;
import org.springframework.stereotype.Component;

/**
 * Slows down who tries passwords: some wrong ones for an address from a network, and some more for all addresses from it. Others elsewhere
 * are not slowed down by it, so that nobody can shut an owner out. Right ones cost nothing.
 */
@Component
class SignInLimit {
    /** Wrong passwords for one address, and how long one more costs. Our convention. */
    private static final int OF_ADDRESS = 8;

    private static final Duration ONE_MORE_OF_ADDRESS = Duration.ofSeconds(30);
    /** The same for all addresses and keys that are tried from one network. Our convention. */
    private static final int OF_NETWORK = 40;

    private static final Duration ONE_MORE_OF_NETWORK = Duration.ofSeconds(10);
    /** Who stopped for so long begins anew: by then all would be allowed again anyway. */
    private static final Duration FORGOTTEN = Duration.ofMinutes(30);

    private static final int MOST_KEPT = 20_000;

    private final LoadingCache<String, Bucket> addresses = kept(OF_ADDRESS, ONE_MORE_OF_ADDRESS);
    private final LoadingCache<String, Bucket> networks = kept(OF_NETWORK, ONE_MORE_OF_NETWORK);

    private static LoadingCache<String, Bucket> kept(int attempts, Duration oneMore) {
        return Caffeine.newBuilder()
                .maximumSize(MOST_KEPT)
                .expireAfterAccess(FORGOTTEN)
                .build(key -> Bucket.builder()
                        .addLimit(limit -> limit.capacity(attempts).refillIntervally(1, oneMore))
                        .build());
    }

    /** An attempt for an e-mail address; it counts until it is {@link Attempt#right()}. */
    Attempt forEmail(String email, String network) {
        // Whatever was typed, a hash of it has one length.
        String key = SecretKeys.hash(email.strip().toLowerCase(Locale.ROOT)) + "|" + network;
        return new Attempt(List.of(addresses.get(key), networks.get(network)));
    }

    private Attempt forKey(String network) {
        return new Attempt(List.of(networks.get(network)));
    }

    /**
     * Slows down who tries keys.
     *
     * @param field where a refusal stands
     */
    <T> T withKey(String field, String network, Supplier<T> use) {
        Attempt attempt = forKey(network);
        if (!attempt.allowed()) {
            throw new InvalidInputException(field, SignIn.TOO_OFTEN);
        }
        T used = use.get();
        attempt.right();
        return used;
    }

    /** One attempt. */
    static final class Attempt {
        private final List<Bucket> buckets;
        private final boolean allowed;

        private Attempt(List<Bucket> buckets) {
            this.buckets = buckets;
            Predicate<Bucket> takes = b -> b.tryConsume(1);
            this.allowed = buckets.stream().map(takes::test).reduce(true, Boolean::logicalAnd);
        }

        boolean allowed() {
            return allowed;
        }

        /** Gives back what it cost. */
        void right() {
            buckets.forEach(b -> b.addTokens(1));
        }
    }
}
