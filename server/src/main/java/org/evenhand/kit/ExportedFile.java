package org.evenhand.kit;

import java.util.List;

/**
 * A file that a room adds to the export of an orchard, beside the tables.
 *
 * @param path within the package, for example {@code trees.geojson}
 * @param mediaType as it is registered, for example {@code text/calendar}
 * @param about what it is, in a sentence
 */
public record ExportedFile(String path, String mediaType, String about, byte[] bytes) {

    /** The files of one room. */
    @FunctionalInterface
    public interface Of {
        List<ExportedFile> files(Caller caller);
    }
}
