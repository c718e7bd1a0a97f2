package org.evenhand.crop;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** The crop sheets this server works with: those that ship, and those of a directory named in the settings. */
@Component
public class CropCatalogue {
    private final CropSheets sheets;

    CropCatalogue(@Value("${even-hand.crops.directory:}") String directory) {
        CropSheets shipped = CropSheets.shipped();
        if (directory.isBlank()) {
            this.sheets = shipped;
        } else if (Files.isDirectory(Path.of(directory))) {
            this.sheets = shipped.withDirectory(Path.of(directory));
        } else {
            throw new IllegalStateException("The directory of crop sheets, " + directory + ", is not there.");
        }
    }

    public Collection<CropSheet> all() {
        return sheets.all();
    }

    /** The sheet of a crop, or a refusal that names the field. */
    public CropSheet require(String field, String crop) {
        return sheets.find(crop)
                .orElseThrow(() -> new InvalidInputException(
                        field,
                        "is '" + crop + "'; there are sheets for "
                                + all().stream().map(CropSheet::key).toList() + "."));
    }

    /** The sheet of a crop that a record names. */
    public CropSheet of(String crop) {
        return sheets.find(crop)
                .orElseThrow(
                        () -> new IllegalStateException("The crop sheet '" + crop + "', used by records, is gone."));
    }
}
