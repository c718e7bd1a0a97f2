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
public class OnceWriter {
    private final TransactionTemplate transaction;
    private final JdbcTemplate jdbc;

    OnceWriter(PlatformTransactionManager transactions, JdbcTemplate jdbc) {
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
        Ids.requireVersion7(id);
        try {
            return transaction.execute(status -> find.get().map(again).orElseGet(() -> {
                refuseForeign(table, id);
                return insert.get();
            }));
        } catch (DataIntegrityViolationException e) {
            // The same record may have been sent twice at once; the other one was first.
            Optional<V> first = transaction.execute(status -> find.get().map(again));
            return first.orElseThrow(() -> e);
        }
    }

    private void refuseForeign(String table, UUID id) {
        Integer taken = jdbc.queryForObject("select count(*) from " + table + " where id = ?", Integer.class, id);
        if (taken != null && taken > 0) {
            throw new NotFoundException(table.replace('_', ' '), id);
        }
    }
}
