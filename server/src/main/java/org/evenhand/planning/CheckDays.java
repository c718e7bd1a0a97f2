package org.evenhand.planning;

import java.time.LocalDate;
import java.util.List;
import org.evenhand.kit.Caller;

/** Days on which fruit is to be looked for; told by the room that checks fruit. */
public interface CheckDays {

    /** What is done. */
    enum Kind {
        CHECK,
        NUMBER
    }

    /** One day's looks at one tree, or its fruit to be numbered. */
    record Day(Kind kind, LocalDate on, String tree, String look, String lookFor) {}

    List<Day> of(Caller caller);
}
