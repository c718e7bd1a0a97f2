package org.evenhand.kit;

import java.util.Optional;
import java.util.UUID;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import java.util.function.Supplier;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Writes a record with a client-made id once, however often it is sent: the second sending finds the first. An id that is taken
 * in another orchard is answered as "not found", so that ids cannot be probed.
 */
@Component
public class IdempotentWriter {
    private final TransactionTemplate transaction;

    IdempotentWriter(PlatformTransactionManager transactions) {
        this.transaction = new TransactionTemplate(transactions);
    }

    /**
     * @param records where such records are kept
     * @param again answers when it is there already
     * @param insert writes it
     */
    public <E extends OrchardRecord, V> V write(
            RecordRepository<E> records, Caller caller, UUID id, Function<E, V> again, Supplier<V> insert) {
        return write(records.noun(), id, () -> records.find(caller, id), () -> records.existsById(id), again, insert);
    }

    /**
     * The record that was written with an id already, for what is worked out before anything is written; "not found" where the id is
     * taken in another orchard.
     */
    public <E extends OrchardRecord> Optional<E> written(RecordRepository<E> records, Caller caller, UUID id) {
        Ids.requireVersion7(id);
        Optional<E> found = records.find(caller, id);
        // Sent twice at once, the other one may have been written since we looked; else it is another orchard's.
        return found.isPresent() || !records.existsById(id) ? found : Optional.of(records.require(caller, id));
    }

    /**
     * As {@link #write(RecordRepository, Caller, UUID, Function, Supplier)}, for what is no record of its own.
     *
     * @param noun what people call it
     * @param find looks the id up in the caller's orchard
     * @param taken tells whether the id is there at all
     */
    public <E, V> V write(
            String noun,
            UUID id,
            Supplier<Optional<E>> find,
            BooleanSupplier taken,
            Function<E, V> again,
            Supplier<V> insert) {
        Ids.requireVersion7(id);
        try {
            return transaction.execute(status -> find.get().map(again).orElseGet(() -> {
                if (!taken.getAsBoolean()) {
                    return insert.get();
                }
                // Sent twice at once, the other one may have been written since we looked; else it is another
                // orchard's.
                return find.get().map(again).orElseThrow(() -> new NotFoundException(noun, id));
            }));
        } catch (DataIntegrityViolationException | OptimisticLockingFailureException e) {
            // The same record may have been sent twice at once, to this application or to another; the other one was
            // first. Where it was
            // changed, it is looked at once more, and is the same or in conflict.
            Optional<V> first = transaction.execute(status -> find.get().map(again));
            return first.orElseThrow(() -> e);
        }
    }
}
