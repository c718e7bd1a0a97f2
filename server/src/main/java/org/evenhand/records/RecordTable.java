package org.evenhand.records;

import java.util.List;
import java.util.Optional;

/**
 * One kind of record as it is exported: a table of plain columns.
 *
 * @param name of the table outside, for example {@code trees}
 * @param table of the database
 * @param about what its lines are, in a sentence
 * @param columns in the order in which they are written
 * @param key names of the columns that tell one line from another
 * @param within the column that leads to the record a line is a part of, where lines are no records of their own
 * @param label what people call such a record, as SQL over its columns
 * @param numbered the column of the database whose numbers are given anew on every machine
 * @param file of each line, which stands beside the table in a package
 * @param historyColumns columns of the earlier versions of its lines; none where none are kept
 */
record RecordTable(
        String name,
        String table,
        String about,
        List<Column> columns,
        List<String> key,
        Optional<String> within,
        Optional<String> label,
        Optional<String> numbered,
        Optional<StoredFile> file,
        List<Column> historyColumns) {

    /**
     * A file that a line can have.
     *
     * @param column that holds it in the database
     * @param folder it stands in, in a package
     * @param ending of its name, which is the line's id
     * @param required whether every line has one
     */
    record StoredFile(String column, String folder, String ending, boolean required) {
        String path(String id) {
            return folder + "/" + id + "." + ending;
        }
    }

    /**
     * One column.
     *
     * @param name outside
     * @param column of the database
     * @param about what it holds, in a sentence
     * @param unit as a person reads it
     * @param type what its values are
     * @param required whether every line has a value; texts may be empty
     * @param to the table of the database it names a line of, by id
     */
    record Column(
            String name,
            String column,
            String about,
            Optional<String> unit,
            Type type,
            boolean required,
            Optional<String> to) {

        /** What people call the record that this column names, in a column of its own. */
        String labelName() {
            return name.endsWith("_id") ? name.substring(0, name.length() - "_id".length()) : name + "_name";
        }
    }

    /** What values of a column are, in the database and in a Table Schema (Frictionless Data Package). */
    enum Type {
        UUID("uuid", "string", "uuid"),
        TEXT("text", "string", "default"),
        INTEGER("bigint", "integer", "default"),
        /** Whole numbers of more than 53 bits, which many readers do not count exactly: written as texts. */
        LONG_NUMBER("bigint", "string", "default"),
        NUMBER("double precision", "number", "default"),
        BOOLEAN("boolean", "boolean", "default"),
        DATE("date", "date", "default"),
        MOMENT("timestamptz", "datetime", "any"),
        JSON("jsonb", "any", "default");

        private final String sql;
        private final String schema;
        private final String format;

        Type(String sql, String schema, String format) {
            this.sql = sql;
            this.schema = schema;
            this.format = format;
        }

        /** The type in the database. */
        String sql() {
            return sql;
        }

        /** The type in a Table Schema. */
        String schema() {
            return schema;
        }

        /** The format in a Table Schema. */
        String format() {
            return format;
        }

        /** @throws IllegalStateException for a type of the database that no column had so far */
        static Type of(String database) {
            return switch (database) {
                case "uuid" -> UUID;
                case "text", "varchar" -> TEXT;
                case "int2", "int4", "int8" -> INTEGER;
                case "float8" -> NUMBER;
                case "bool" -> BOOLEAN;
                case "date" -> DATE;
                case "timestamptz" -> MOMENT;
                case "jsonb" -> JSON;
                default -> throw new IllegalStateException("Columns of type " + database + " cannot be exported.");
            };
        }
    }

    /** The table's file in a package. */
    String path() {
        return name + ".csv";
    }

    /** The table with the earlier versions of its lines, in the database. */
    String historyTable() {
        return table + "_history";
    }

    /** The file with the earlier versions of its lines, in a package. */
    String historyPath() {
        return "history/" + path();
    }
}
