package org.evenhand.planning;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.Text;
import org.evenhand.core.cross.NurseryTask;
import org.evenhand.kit.Caller;

/** Days on which something is due with seeds and seedlings; told by the room that raises them. */
public interface SeedDays {
    /** What is due with a lot from a day on. */
    record Day(UUID lotId, String label, NurseryTask task) {
        LocalDate on() {
            return task.from();
        }

        /** What to do, without the lot. */
        Text say() {
            return Text.of("nursery.task", "task", task.kind(), "n", task.count());
        }
    }

    List<Day> of(Caller caller);
}
