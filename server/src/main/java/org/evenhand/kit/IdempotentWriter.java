package org.evenhand.kit;

import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.function.Supplier;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.jdbc.core.JdbcTemplate;
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
    private final JdbcTemplate jdbc;

    IdempotentWriter(PlatformTransactionManager transactions, JdbcTemplate jdbc) {
        this.transaction = new TransactionTemplate(transactions);
        this.jdbc = jdbc;
    }

    /**
     * @param table table of the record, a name of ours
     * @param find looks the id up in the caller's orchard
     * @param again answers when it is there already
     * @param insert writes it
     */
    public <E, V> V write(String table, UUID id, Supplier<Optional<E>> find, Function<E, V> again, Supplier<V> insert) {
        return write(table, "id", id, find, again, insert);
    }

    /**
     * The record that was written with an id already, for what is worked out before anything is written; "not found" where the id is
     * taken in another orchard.
     */
    public <E> Optional<E> written(String table, UUID id, Supplier<Optional<E>> find) {
        Ids.requireVersion7(id);
        Optional<E> found = find.get();
        if (found.isPresent() || !taken(table, "id", id)) {
            return found;
        }
        return Optional.of(find.get().orElseThrow(() -> new NotFoundException(table.replace('_', ' '), id)));
    }

    /**
     * As {@link #write(String, UUID, Supplier, Function, Supplier)}, for a table that keeps the client's id elsewhere.
     *
     * @param column the column that holds the client's id
     */
    public <E, V> V write(
            String table,
            String column,
            UUID id,
            Supplier<Optional<E>> find,
            Function<E, V> again,
            Supplier<V> insert) {
        Ids.requireVersion7(id);
        try {
            return transaction.execute(status -> find.get().map(again).orElseGet(() -> {
                if (!taken(table, column, id)) {
                    return insert.get();
                }
                // Sent twice at once, the other one may have been written since we looked; else it is another
                // orchard's.
                return find.get().map(again).orElseThrow(() -> new NotFoundException(table.replace('_', ' '), id));
            }));
        } catch (DataIntegrityViolationException e) {
            // The same record may have been sent twice at once; the other one was first.
            Optional<V> first = transaction.execute(status -> find.get().map(again));
            return first.orElseThrow(() -> e);
        }
    }

    private boolean taken(String table, String column, UUID id) {
        return Boolean.TRUE.equals(jdbc.queryForObject(
                "select exists (select 1 from " + table + " where " + column + " = ?)", Boolean.class, id));
    }
}
