package org.evenhand.kit;

import jakarta.validation.ConstraintViolation;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.lang.annotation.Annotation;
import org.evenhand.core.FieldProblem;
import org.evenhand.core.Text;

/** What the annotations of a request refuse, in the words of the house. */
public final class Constraints {
    private Constraints() {}

    /** @param field the field as the giver knows it */
    public static FieldProblem problem(String field, ConstraintViolation<?> broken) {
        return Refusal.problem(field, text(broken));
    }

    private static Text text(ConstraintViolation<?> broken) {
        Annotation rule = broken.getConstraintDescriptor().getAnnotation();
        if (rule instanceof Size size) {
            return Given.otherSize(broken.getInvalidValue(), size);
        }
        if (rule instanceof Within ends) {
            return Text.of("refused.range", "value", broken.getInvalidValue(), "low", ends.min(), "high", ends.max());
        }
        return rule instanceof NotBlank ? Given.EMPTY : Given.MISSING;
    }
}
