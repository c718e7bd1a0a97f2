package org.evenhand.account;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** Every address of the web application is the same page; the browser finds the screen. */
@Controller
class PageController {
    @GetMapping({
        "/sign-in",
        "/set-up",
        "/bloom",
        "/bloom/read/{tree}",
        "/bloom/key",
        "/bloom/season",
        "/bloom/weather",
        "/bloom/need",
        "/pollen",
        "/pollen/collect",
        "/pollen/jar/{lot}",
        "/pollen/mixing",
        "/pollen/labels",
        "/l/{code}",
        "/mates",
        "/mates/wishes",
        "/round",
        "/round/plan",
        "/round/wanted",
        "/round/hours",
        "/round/walk/{walk}",
        "/round/paper/{walk}",
        "/kept",
        "/fruit-set",
        "/findings",
        "/orchard",
        "/crops",
        "/crops/{crop}"
    })
    String page() {
        return "forward:/index.html";
    }
}
