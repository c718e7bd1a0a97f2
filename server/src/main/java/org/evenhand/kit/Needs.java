package org.evenhand.kit;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** What an operation that changes something is, and so who may ask for it; one that only reads is {@link Duty#READ} unless it says so. */
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.METHOD)
public @interface Needs {
    Duty value();
}
