package org.evenhand.kit;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.springframework.core.annotation.AliasFor;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.ResponseStatus;

/** An operation that voids records, by a {@link VoidRequest}; its answer says nothing but that it is done. */
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.METHOD)
@RequestMapping(method = RequestMethod.POST)
@ResponseStatus(HttpStatus.NO_CONTENT)
@Needs(Duty.READ)
public @interface Voids {
    /** Its path below the controller's. */
    @AliasFor(annotation = RequestMapping.class, attribute = "path")
    String path();

    /** Who may ask for it. */
    @AliasFor(annotation = Needs.class, attribute = "value")
    Duty needs();
}
