package org.evenhand.kit;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;

/**
 * A kind of record that a file brings in, a line a record. Each room has one for each of its records. A line becomes the request that a
 * form would send and goes the same way, so that a file is refused what a form is refused, with the same words.
 *
 * @param <R> what a form sends
 */
public interface ImportKind<R> {
    /** As in addresses, for example {@code trees}. */
    String key();

    /** In the order in which a person would write them. */
    List<Column> columns(Caller caller);

    /** What a form sends; kept with the import where a line changes a record. */
    Class<R> requestType();

    /** @param confirmed questions that were answered with yes */
    Session<R> begin(Caller caller, Set<String> confirmed);

    /**
     * Writes a record as a form would.
     *
     * @param version of the record that is changed; null for a new one
     */
    void write(Caller caller, UUID id, R request, Long version);

    /** Lines of one file at most. */
    default int mostLines() {
        return 20_000;
    }

    /**
     * Whether the lines of a file are one record together, as the hours of a logger are: they are not written one by one, and those that
     * cannot be read may be left out.
     */
    default boolean wholeFile() {
        return false;
    }

    /** The version of a record now. */
    long version(Caller caller, UUID id);

    /** Takes a record back out that an import wrote; refuses where something hangs on it. */
    void remove(Caller caller, UUID id, VoidRequest request);

    /** The lines in an order in which one that names another comes after it. */
    default List<ImportRow> order(List<ImportRow> rows) {
        return rows;
    }

    /** The reading of one file. */
    interface Session<R> {
        /**
         * The record that a line holds. What the line does not say of a record that is there stays as it is.
         *
         * @throws org.evenhand.core.InvalidInputException where a cell cannot be read, or names what is not there
         */
        Line<R> read(ImportRow row);

        /**
         * Hears of a record that was written, so that lines below it can name it.
         *
         * @param id null where the lines of the file are one record
         */
        void written(R request, UUID id);

        /** Writes what the lines of the file are together; the ids of its records. */
        default List<UUID> end(String fileName) {
            return List.of();
        }
    }

    /**
     * A record as a line has it.
     *
     * @param there the record with the same name, day or hour that is there already
     */
    record Line<R>(R request, Optional<Existing<R>> there) {
        public static <R> Line<R> of(R request, Existing<R> there) {
            return new Line<>(request, Optional.ofNullable(there));
        }
    }

    /**
     * A record that is there.
     *
     * @param request what a form would send to leave it as it is
     */
    record Existing<R>(UUID id, long version, R request) {}

    /** What cells of a column hold. */
    enum Holds {
        TEXT,
        WHOLE_NUMBER,
        NUMBER,
        YES_OR_NO,
        DAY,
        MOMENT
    }

    /**
     * A column.
     *
     * @param key its name in a file, as exports have it
     * @param field the field of the request it fills, by which refusals name it
     * @param needed whether a file cannot do without it
     * @param about what it holds, in a sentence
     * @param names other names that files give it
     */
    @Schema(name = "ImportColumn")
    record Column(String key, String field, Holds holds, boolean needed, String about, List<String> names) {
        public static Column needed(String key, String field, Holds holds, String about, String... names) {
            return new Column(key, field, holds, true, about, List.of(names));
        }

        public static Column optional(String key, String field, Holds holds, String about, String... names) {
            return new Column(key, field, holds, false, about, List.of(names));
        }
    }
}
