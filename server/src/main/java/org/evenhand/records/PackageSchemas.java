package org.evenhand.records;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Schemas of the tables in a package. */
final class PackageSchemas {
    private static final PackageDescription.Constraints REQUIRED = new PackageDescription.Constraints(true);

    private PackageSchemas() {}

    /** Of a table of records. */
    static PackageDescription.Schema of(RecordTable table, List<TableExport.Written> written, RecordTables tables) {
        return new PackageDescription.Schema(
                written.stream().map(PackageSchemas::field).toList(),
                table.key(),
                table.columns().stream()
                        .flatMap(c -> c.to().stream()
                                .flatMap(to -> target(to, tables).stream())
                                .map(t -> new PackageDescription.ForeignKey(c.name(), t)))
                        .toList());
    }

    private static Optional<PackageDescription.Reference> target(String to, RecordTables tables) {
        return to.equals(RecordTables.PEOPLE)
                ? Optional.of(new PackageDescription.Reference("people", "id"))
                : tables.of(to)
                        .map(t -> new PackageDescription.Reference(
                                t.name(), t.numbered().isPresent() ? "number" : "id"));
    }

    private static PackageDescription.Field field(TableExport.Written w) {
        if (w.of() == null) {
            return w.name().equals("change")
                    ? field(w.name(), RecordTable.Type.TEXT, "ADDED, CHANGED or DELETED.", true)
                    : field(w.name(), RecordTable.Type.INTEGER, "The change, by changes.csv.", true);
        }
        RecordTable.Column c = w.of();
        if (w.label()) {
            return field(w.name(), RecordTable.Type.TEXT, "What people call " + c.name() + "; not read back.", false);
        }
        boolean required = c.required() && c.type() != RecordTable.Type.TEXT;
        return new PackageDescription.Field(
                w.name(),
                c.type().schema(),
                c.type().format(),
                c.about(),
                c.unit().orElse(null),
                required ? REQUIRED : null);
    }

    private static PackageDescription.Field field(String name, RecordTable.Type type, String about, boolean required) {
        return new PackageDescription.Field(
                name, type.schema(), type.format(), about, null, required ? REQUIRED : null);
    }

    /** Of the table of people. */
    static PackageDescription.Schema people() {
        return new PackageDescription.Schema(
                List.of(
                        field("id", RecordTable.Type.UUID, "Key of the person.", true),
                        field("name", RecordTable.Type.TEXT, "Name.", true)),
                List.of("id"),
                List.of());
    }

    /** Of the table of changes. */
    static PackageDescription.Schema changes() {
        return new PackageDescription.Schema(
                Stream.of(
                                field("number", RecordTable.Type.INTEGER, "Number of the change.", true),
                                field("at", RecordTable.Type.MOMENT, "When it was made.", true),
                                field("person_id", RecordTable.Type.UUID, "Who made it.", false),
                                field(
                                        "person",
                                        RecordTable.Type.TEXT,
                                        "What people call person_id; not read back.",
                                        false))
                        .toList(),
                List.of("number"),
                List.of(new PackageDescription.ForeignKey(
                        "person_id", new PackageDescription.Reference("people", "id"))));
    }

    /** Of the earlier versions of a table's lines. */
    static PackageDescription.Schema history(List<TableExport.Written> written) {
        return new PackageDescription.Schema(
                // Earlier versions may lack what is asked for today.
                written.stream()
                        .map(PackageSchemas::field)
                        .map(f -> f.name().startsWith("change")
                                ? f
                                : new PackageDescription.Field(
                                        f.name(), f.type(), f.format(), f.description(), f.unit(), null))
                        .toList(),
                List.of(),
                List.of(new PackageDescription.ForeignKey(
                        "change_number", new PackageDescription.Reference("changes", "number"))));
    }
}
