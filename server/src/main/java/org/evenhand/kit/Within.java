package org.evenhand.kit;

import jakarta.validation.Constraint;
import jakarta.validation.ConstraintValidator;
import jakarta.validation.ConstraintValidatorContext;
import jakarta.validation.Payload;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** A number between two ends, both allowed, or none at all. */
@Target({ElementType.FIELD, ElementType.METHOD, ElementType.PARAMETER, ElementType.TYPE_USE})
@Retention(RetentionPolicy.RUNTIME)
@Constraint(validatedBy = Within.Validator.class)
public @interface Within {
    double min();

    double max();

    String message() default "";

    Class<?>[] groups() default {};

    Class<? extends Payload>[] payload() default {};

    /** NaN lies between no ends. */
    final class Validator implements ConstraintValidator<Within, Number> {
        private Within ends;

        @Override
        public void initialize(Within within) {
            this.ends = within;
        }

        @Override
        public boolean isValid(Number value, ConstraintValidatorContext context) {
            return value == null || value.doubleValue() >= ends.min() && value.doubleValue() <= ends.max();
        }
    }
}
