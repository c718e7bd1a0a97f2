package org.evenhand.kit;

import java.time.Duration;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;

/** So many of a heavy kind of work at once; others wait their turn, and after a while are told to come again. */
public final class Turns {
    private final Semaphore free;
    private final Duration patience;

    /** @param patience how long one waits before being told to come again */
    public Turns(int atOnce, Duration patience) {
        this.free = new Semaphore(atOnce, true);
        this.patience = patience;
    }

    /** No turn came in time. */
    public static class BusyException extends RuntimeException {
        private static final long serialVersionUID = 1;
    }

    /**
     * Does a piece of work in its turn.
     *
     * @throws BusyException where none came
     */
    public <T> T take(Supplier<T> work) {
        try {
            if (!free.tryAcquire(patience.toMillis(), TimeUnit.MILLISECONDS)) {
                throw new BusyException();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new BusyException();
        }
        try {
            return work.get();
        } finally {
            free.release();
        }
    }
}
