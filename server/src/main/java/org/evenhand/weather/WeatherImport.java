package org.evenhand.weather;

import java.time.temporal.Temporal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import org.evenhand.core.InvalidInputException;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.Ids;
import org.evenhand.kit.ImportKind;
import org.evenhand.kit.ImportRow;
import org.evenhand.kit.QuestionException;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;

/**
 * Measured weather out of a file: all lines of a block are one record.
 *
 * @param <P> what a form or a station sends for one of its lines
 */
abstract class WeatherImport<P> implements ImportKind<WeatherRequests.OfFile<P>> {
    /** Asked where a file says something else of times that an earlier one told. */
    private static final String OTHER_WEATHER = "other-weather";

    private static final int MOST_LINES = 200_000;

    private final WeatherBook book;
    private final WeatherRecordRepository records;
    private final Orchards orchards;

    WeatherImport(WeatherBook book, WeatherRecordRepository records, Orchards orchards) {
        this.book = book;
        this.records = records;
        this.orchards = orchards;
    }

    /** What a line measured, and where. */
    private record Measured(String block, Temporal when) {}

    abstract Column time();

    /** Its numbers, temperatures in either unit. */
    abstract List<Column> numbers();

    /** @throws InvalidInputException where a cell cannot be right */
    abstract P posted(ImportRow row);

    abstract Temporal when(P posted);

    /** What earlier files told, by block. */
    abstract List<WeatherRequests.OfFile<P>> known(UUID orchard);

    abstract void file(WeatherBook book, Caller caller, UUID id, String name, String block, List<P> lines);

    @Override
    public List<Column> columns(Caller caller) {
        List<Column> columns = new ArrayList<>(List.of(time()));
        columns.addAll(numbers());
        columns.add(Column.optional(
                "humidity", "humidity", Holds.NUMBER, "Humidity, where measured [%]", "rh", "hr", "humidity_percent"));
        columns.add(Column.optional("block", "block", Holds.TEXT, "Block; the whole orchard if empty.", "bloque"));
        return columns;
    }

    @Override
    public int mostLines() {
        return MOST_LINES;
    }

    @Override
    public boolean wholeFile() {
        return true;
    }

    @Override
    @SuppressWarnings("unchecked")
    public Class<WeatherRequests.OfFile<P>> requestType() {
        return (Class<WeatherRequests.OfFile<P>>) (Class<?>) WeatherRequests.OfFile.class;
    }

    /** A temperature that stands in °C or in °F; in one of the two. */
    static double celsius(ImportRow row, String name) {
        Double celsius = row.numberOr(name + "_c", null);
        Double fahrenheit = row.numberOr(name + "_f", null);
        if (celsius != null && fahrenheit != null) {
            throw new InvalidInputException(name + "_f", "is given beside °C; give one of the two.");
        }
        if (fahrenheit != null) {
            return (fahrenheit - 32) * 5 / 9;
        }
        return Given.required(name + "_c", celsius);
    }

    /** A time in the years of which weather is known. */
    static <T> T known(String column, T when, boolean holds) {
        if (!holds) {
            throw new InvalidInputException(column, "is a time that no weather is known of.");
        }
        return when;
    }

    @Override
    public Session<WeatherRequests.OfFile<P>> begin(Caller caller, Set<String> confirmed) {
        Map<Measured, WeatherRequests.OfFile<P>> there = new HashMap<>();
        known(caller.orchardId()).forEach(k -> there.put(new Measured(k.block(), when(k.posted())), k));
        return new Reading(caller, there, confirmed.contains(OTHER_WEATHER));
    }

    private final class Reading implements Session<WeatherRequests.OfFile<P>> {
        private final Caller caller;
        private final Map<Measured, WeatherRequests.OfFile<P>> there;
        private final boolean anew;
        private final Map<String, Map<Measured, P>> held = new TreeMap<>();
        private final Set<String> blocks = new HashSet<>();

        Reading(Caller caller, Map<Measured, WeatherRequests.OfFile<P>> there, boolean anew) {
            this.caller = caller;
            this.there = there;
            this.anew = anew;
        }

        @Override
        public Line<WeatherRequests.OfFile<P>> read(ImportRow row) {
            WeatherRequests.OfFile<P> read = new WeatherRequests.OfFile<>(posted(row), row.textOr("block", ""));
            if (!blocks.contains(read.block())) {
                book.block(caller, read.block());
                blocks.add(read.block());
            }
            Measured measured = new Measured(read.block(), when(read.posted()));
            if (held.getOrDefault(read.block(), Map.of()).containsKey(measured)) {
                throw new InvalidInputException(time().key(), "was there before; the first one counts.");
            }
            WeatherRequests.OfFile<P> told = there.get(measured);
            if (told == null || anew && !told.equals(read)) {
                return Line.of(read, null);
            }
            if (!told.equals(read)) {
                throw new QuestionException(
                        OTHER_WEATHER, "An earlier file has other numbers there; those of this one are to count.");
            }
            return Line.of(read, new Existing<>(caller.orchardId(), 0, told));
        }

        @Override
        public void written(WeatherRequests.OfFile<P> line, UUID id) {
            held.computeIfAbsent(line.block(), b -> new HashMap<>())
                    .put(new Measured(line.block(), when(line.posted())), line.posted());
        }

        @Override
        public List<UUID> end(String fileName) {
            List<UUID> ids = new ArrayList<>();
            held.forEach((block, lines) -> {
                UUID id = Ids.newVersion7(orchards.now(caller));
                file(book, caller, id, fileName, block, List.copyOf(lines.values()));
                ids.add(id);
            });
            return ids;
        }
    }

    @Override
    public void write(Caller caller, UUID id, WeatherRequests.OfFile<P> request, Long version) {
        throw new IllegalStateException("Lines of weather are no records of their own.");
    }

    @Override
    public long version(Caller caller, UUID id) {
        return records.require(caller, id).version();
    }

    @Override
    public void remove(Caller caller, UUID id, VoidRequest request) {
        book.voidRecord(caller, id, request);
    }
}
