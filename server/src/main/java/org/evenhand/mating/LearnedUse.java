package org.evenhand.mating;

import org.evenhand.kit.Caller;

/** Whether numbers learned here are reckoned with, or the crop sheets alone; told by the room that keeps the grower's habits. */
public interface LearnedUse {
    boolean useLearned(Caller caller);
}
