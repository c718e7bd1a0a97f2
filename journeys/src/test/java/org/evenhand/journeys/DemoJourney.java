package org.evenhand.journeys;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.TestMethodOrder;

/** A way through the demo orchard, step after step in one browser, signed in as its owner; each has an application of its own. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
abstract class DemoJourney {
    Application application;
    Browser browser;

    @BeforeAll
    void begin() {
        application = Application.withDemoOrchard();
        browser = new Browser(application.address());
        browser.open("/");
        browser.signIn();
    }

    @AfterAll
    void end() {
        if (browser != null) {
            browser.close();
        }
        application.close();
    }
}
