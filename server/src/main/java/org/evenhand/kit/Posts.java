package org.evenhand.kit;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.springframework.core.annotation.AliasFor;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestMethod;

/** An operation that changes something and is no record's own address. */
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.METHOD)
@RequestMapping(method = RequestMethod.POST)
@Needs(Duty.READ)
public @interface Posts {
    /** Its path below the controller's. */
    @AliasFor(annotation = RequestMapping.class, attribute = "path")
    String path() default "";

    /** Who may ask for it. */
    @AliasFor(annotation = Needs.class, attribute = "value")
    Duty needs();
}
