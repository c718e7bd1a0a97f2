package org.evenhand.orchard;

import java.util.UUID;
import java.util.function.BiConsumer;
import java.util.function.Function;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.evenhand.kit.RecordRepository;

/**
 * A variety comes back that was merged into another: whatever the merge took from it is given back, as long as nobody changed it since.
 * Listeners work in the same transaction.
 */
public final class VarietiesParted {
    private final Caller caller;
    private final UUID variety;
    private final ChangedTogether merge;
    private final boolean write;
    private int records;

    VarietiesParted(Caller caller, UUID variety, ChangedTogether merge, boolean write) {
        this.caller = caller;
        this.variety = variety;
        this.merge = merge;
        this.write = write;
    }

    /** How many records go back, or would. */
    int records() {
        return records;
    }

    /**
     * Gives records of one kind back.
     *
     * @param names what the merge put another variety into
     * @param back puts the variety of before into the record as it is now
     */
    public <T extends OrchardRecord> void giveBack(
            Class<T> type, RecordRepository<T> kept, Function<T, Object> names, BiConsumer<T, T> back) {
        for (ChangedTogether.Change<T> change : merge.of(type)) {
            T now = kept.require(caller, change.after().id());
            // The variety's own removal is no loss of something else.
            if (now.id().equals(variety)
                    || now.voided() != change.after().voided()
                    || !names.apply(now).equals(names.apply(change.after()))) {
                continue;
            }
            records++;
            if (write) {
                if (now.voided() && !change.before().voided()) {
                    now.restore();
                }
                back.accept(now, change.before());
                kept.saveAndFlush(now);
            }
        }
    }
}
