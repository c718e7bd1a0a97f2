package org.evenhand.kit;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** What an operation that changes something is, and so who may ask for it; one that only reads is {@link Duty#READ} unless it says so. {@link Puts}, {@link Posts} and {@link Voids} say it with the path. */
@Retention(RetentionPolicy.RUNTIME)
@Target({ElementType.METHOD, ElementType.ANNOTATION_TYPE})
public @interface Needs {
    Duty value();
}
