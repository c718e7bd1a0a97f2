package org.evenhand.core.crop;

import java.util.List;
import java.util.stream.Collectors;
import org.evenhand.core.FieldProblem;
import org.evenhand.core.InvalidInputException;

/** A crop sheet that cannot be used. The message names the file and every field that is wrong. */
public final class CropSheetException extends InvalidInputException {
    private final String file;

    CropSheetException(String file, List<FieldProblem> problems) {
        super(problems);
        this.file = file;
    }

    public String file() {
        return file;
    }

    @Override
    public String getMessage() {
        return problems().stream()
                .map(p -> file + ", " + p.field() + ": " + p.message())
                .collect(Collectors.joining("\n"));
    }
}
