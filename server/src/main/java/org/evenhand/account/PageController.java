package org.evenhand.account;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** Every address of the web application is the same page; the browser finds the screen. */
@Controller
class PageController {
    /** All but what the server itself answers and files, which have a dot in their names. */
    private static final String PAGE = "(?!(?:api|actuator|v3|assets)$)[^.]+";

    @GetMapping({"/{page:" + PAGE + "}", "/{room:" + PAGE + "}/{*rest}"})
    String page() {
        return "forward:/index.html";
    }
}
