package org.evenhand.kit;

import jakarta.validation.Constraint;
import jakarta.validation.ConstraintValidator;
import jakarta.validation.ConstraintValidatorContext;
import jakarta.validation.Payload;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;

/** A number between two ends, both allowed, or none at all; refused with the words of {@link Require}. */
@Target({ElementType.FIELD, ElementType.METHOD, ElementType.PARAMETER, ElementType.TYPE_USE})
@Retention(RetentionPolicy.RUNTIME)
@Constraint(validatedBy = Within.Validator.class)
public @interface Within {
    double min();

    double max();

    String message() default "";

    Class<?>[] groups() default {};

    Class<? extends Payload>[] payload() default {};

    /** Asks {@link Require}. */
    final class Validator implements ConstraintValidator<Within, Number> {
        private Within ends;

        @Override
        public void initialize(Within within) {
            this.ends = within;
        }

        @Override
        public boolean isValid(Number value, ConstraintValidatorContext context) {
            if (value == null) {
                return true;
            }
            try {
                Require.within("", value.doubleValue(), ends.min(), ends.max());
                return true;
            } catch (InvalidInputException e) {
                context.disableDefaultConstraintViolation();
                // No expression of the value's may be evaluated.
                context.buildConstraintViolationWithTemplate(e.problems().get(0).message())
                        .addConstraintViolation();
                return false;
            }
        }
    }
}
