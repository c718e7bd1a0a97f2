package org.evenhand.core.planning;

import java.util.concurrent.CancellationException;
import java.util.function.Supplier;

/** Lets another thread stop a plan that is being solved and that nobody wants any more. */
public final class Cancellation {
    private boolean cancelled;
    private Runnable stop = () -> {};

    /** Stops what is being solved with this, and all that would be. */
    public synchronized void cancel() {
        cancelled = true;
        stop.run();
    }

    /**
     * Solves a step.
     *
     * @param interrupt stops the step at once; may be asked for from another thread
     * @throws CancellationException when nobody wants it any more
     */
    <T> T solve(Runnable interrupt, Supplier<T> step) {
        synchronized (this) {
            requireWanted();
            stop = interrupt;
        }
        try {
            T answer = step.get();
            synchronized (this) {
                requireWanted();
            }
            return answer;
        } finally {
            synchronized (this) {
                stop = () -> {};
            }
        }
    }

    private void requireWanted() {
        if (cancelled) {
            throw new CancellationException("The plan is not wanted any more.");
        }
    }
}
