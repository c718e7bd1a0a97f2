package org.evenhand.records;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.List;

/**
 * What a package says of itself in {@code datapackage.json}, as version 1 of the Data Package standard has it: any
 * reader of such packages knows the types, units and keys of its tables.
 *
 * @param name what wrote it
 * @param evenHand version of the form of the package, which a reader of ours asks for
 * @param title name of the orchard
 * @param created the moment of the orchard at which it was written
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
record PackageDescription(
        String profile,
        String name,
        @JsonProperty("even-hand") int evenHand,
        String title,
        String description,
        String created,
        List<Resource> resources) {
    static final String FILE = "datapackage.json";
    static final String PROFILE = "data-package";
    static final String NAME = "even-hand-orchard";

    /** Raised when packages of the versions before it can no longer be read as they are. */
    static final int VERSION = 1;

    /**
     * A file.
     *
     * @param bytes its size
     * @param hash {@code sha256:} and the sum over its bytes in hexadecimal digits
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record Resource(
            String name,
            String path,
            String profile,
            String description,
            String mediatype,
            String encoding,
            Long bytes,
            String hash,
            Schema schema) {}

    /** Columns of a table. */
    @JsonInclude(JsonInclude.Include.NON_EMPTY)
    record Schema(List<Field> fields, List<String> primaryKey, List<ForeignKey> foreignKeys) {}

    /** A column. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record Field(String name, String type, String format, String description, String unit, Constraints constraints) {}

    /** What a column's values keep to. */
    record Constraints(boolean required) {}

    /** A column that names a line of another table. */
    record ForeignKey(String fields, Reference reference) {}

    /** What it names. */
    record Reference(String resource, String fields) {}
}
