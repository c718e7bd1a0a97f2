package org.evenhand.core.fruitset;

import org.evenhand.core.findings.Factor;

/** What the outcome of some flowers can teach of how flowers set in ordinary work. */
public enum Evidence {
    /** Ordinary work: it teaches what share of flowers sets. */
    ORDINARY,
    /** Of a trial: its treatments were chosen to differ, so that their mean is nobody's practice. */
    TRIAL,
    /** Pollen of a father that cannot set fruit on this mother. */
    PAIR_DOES_NOT_FIT,
    /** Pollen that was spoiled, or surely all but dead. */
    POLLEN_DEAD;

    /**
     * @param trial whether they are of a trial
     * @param pairFits whether any of the pollen can set fruit on this mother, as far as is known without these flowers
     * @param pollenAlive whether any of the pollen can have been alive
     */
    public static Evidence of(boolean trial, boolean pairFits, boolean pollenAlive) {
        if (trial) {
            return TRIAL;
        }
        if (!pairFits) {
            return PAIR_DOES_NOT_FIT;
        }
        return pollenAlive ? ORDINARY : POLLEN_DEAD;
    }

    /**
     * Whether such flowers stand among those that are compared by a factor. Pollen that could not serve says nothing of a father, a
     * variety or an hour; how long and how it was kept is what dead pollen tells of.
     */
    public boolean comparedBy(Factor factor) {
        return switch (this) {
            case ORDINARY, TRIAL -> true;
            case PAIR_DOES_NOT_FIT -> false;
            case POLLEN_DEAD -> factor == Factor.LOT_AGE || factor == Factor.STORAGE || factor == Factor.LOT;
        };
    }
}
