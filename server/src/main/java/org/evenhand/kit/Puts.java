package org.evenhand.kit;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.springframework.core.annotation.AliasFor;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestMethod;

/** An operation that keeps a record under the id its caller has given it: sent twice, it is there once. */
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.METHOD)
@RequestMapping(method = RequestMethod.PUT)
@Needs(Duty.READ)
public @interface Puts {
    /** Its path below the controller's. */
    @AliasFor(annotation = RequestMapping.class, attribute = "path")
    String path() default "";

    /** Who may ask for it. */
    @AliasFor(annotation = Needs.class, attribute = "value")
    Duty needs();
}
