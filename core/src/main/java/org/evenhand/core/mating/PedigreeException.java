package org.evenhand.core.mating;

import java.util.List;
import org.evenhand.core.InvalidInputException;

/** A pedigree in which somebody is their own ancestor. */
public class PedigreeException extends InvalidInputException {
    private final transient List<String> loop;

    PedigreeException(List<String> loop) {
        super(
                "pedigree",
                "runs in a loop: " + String.join(" ← ", loop)
                        + ". Nobody is their own ancestor; correct one of these parents.");
        this.loop = List.copyOf(loop);
    }

    /** The loop, each one followed by a parent of it; the first stands again at the end. */
    public List<String> loop() {
        return loop;
    }
}
