package org.evenhand.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/** The first day with an empty database: the owner's account, an orchard in the north, a variety, a tree, a reading. */
class FirstDayJourneyTest {

    @Test
    void from_nothing_to_the_first_forecast() {
        try (Application application = Application.withEmptyDatabase();
                Browser browser = new Browser(application.address())) {
            browser.open("/");
            browser.seeText("Welcome to Even Hand");
            assertThat(browser.path()).isEqualTo("/set-up");
            fillIn(browser);
            browser.seeText("Three steps to tonight’s plan");
            assertThat(browser.accessibilityViolations()).isEmpty();
            plant(browser, "Slate", "2");
            browser.seeText("Slate: 2 trees");
            browser.goTo("Orchard");
            addVarietyAndTree(browser);

            browser.goTo("Today");
            browser.press("Read North Wall 1");
            browser.see(By.cssSelector("[data-stage=parted]"));
            browser.see(By.tagName("body")).sendKeys("222" + "33");
            browser.see(By.tagName("body")).sendKeys(Keys.ENTER);
            browser.waitFor(
                    () -> browser.heading().matches(".*(flower|North).*") ? true : null,
                    "for Today to say what comes of it");
            assertThat(browser.path()).as("back where the reading was begun").isEqualTo("/");
            browser.goTo("Bloom");
            browser.waitFor(
                    () -> browser.heading().startsWith("About 5 flowers can be pollinated now") ? true : null,
                    "for the forecast");
            assertThat(browser.accessibilityViolations()).isEmpty();

            invite(application, browser);
            useAPasskey(application);

            browser.goTo("Bloom");
            browser.reload();
            browser.waitFor(
                    () -> browser.heading().startsWith("About 5 flowers") ? true : null, "for the session to last");
            browser.press("Sign out");
            browser.see(By.xpath("//button[normalize-space(.)='Sign in']"));
            browser.open("/set-up");
            browser.see(By.xpath("//button[normalize-space(.)='Sign in']"));
            browser.assertKeptToItself();
        }
    }

    /** Somebody comes in by a link on a device of their own, works, and is shut out again. */
    private static void invite(Application application, Browser browser) {
        browser.open("/orchard/people");
        browser.seeText("You work here alone");
        browser.type("For whom", "Tane");
        browser.press("Make a link");
        String link = browser.see(By.cssSelector("code")).getText();
        assertThat(browser.accessibilityViolations()).isEmpty();
        try (Browser phone = new Browser(application.address())) {
            phone.open(link.substring(link.indexOf("/join#")));
            phone.seeText("Work in North Wall");
            assertThat(phone.accessibilityViolations()).isEmpty();
            phone.type("Your name", "Tane");
            phone.type("E-mail address", "tane@north-wall.example");
            phone.type("Password", "seven slow lanterns");
            phone.press("Join North Wall");
            phone.see(By.xpath("//button[normalize-space(.)='Sign out']"));
            phone.open("/orchard/people");
            phone.seeText("2 people work here");
            phone.seeText("An owner invites, changes roles and removes.");
            phone.open("/account");
            phone.seeText("Where you are signed in");
            assertThat(phone.accessibilityViolations()).isEmpty();

            browser.open("/orchard/people");
            browser.press("Remove");
            browser.press("Remove Tane");
            browser.seeText("You work here alone");
            phone.open("/orchard");
            phone.see(By.xpath("//button[normalize-space(.)='Sign in']"));
        }
    }

    /** Passkeys belong to a name: this machine's own is all there is on the first day. */
    private static void useAPasskey(Application application) {
        try (Browser desk = new Browser(application.address().replace("127.0.0.1", "localhost"))) {
            desk.authenticator();
            desk.open("/account");
            desk.type("E-mail address", "aroha@north-wall.example");
            desk.type("Password", "figs under a wall");
            desk.press("Sign in");
            desk.press("Add a passkey");
            desk.type("What is it on?", "The desk");
            desk.type("Your password", "figs under a wall");
            desk.press("Make the passkey");
            desk.seeText("The desk lets you in from now on.");
            assertThat(desk.accessibilityViolations()).isEmpty();
            desk.press("Sign out");
            desk.press("Use a passkey");
            desk.see(By.xpath("//button[normalize-space(.)='Sign out']"));
        }
    }

    private static void fillIn(Browser browser) {
        browser.type("Code of this machine", Application.SETUP_CODE.toLowerCase(Locale.ROOT));
        browser.type("Your name", "Aroha");
        browser.type("E-mail address", "aroha@north-wall.example");
        browser.type("Password", "short");
        browser.type("Name of the orchard", "North Wall");
        browser.type("Latitude", "36.7");
        browser.type("Longitude", "-3.5");
        browser.seeText("A guess from the latitude");
        browser.press("Begin");
        browser.seeText("Password has 5 characters; at least 15 are needed");
        assertThat(browser.valueOf("Latitude")).as("nothing typed is lost").isEqualTo("36.7");
        browser.type("Password", "figs under a wall");
        browser.press("Begin");
    }

    private static void plant(Browser browser, String variety, String trees) {
        browser.type("Crop", "Cheri");
        browser.click(By.xpath("//*[@role='option'][normalize-space(.)='Cherimoya']"));
        browser.type("Variety", variety);
        browser.type("Trees of it", trees);
        browser.press("Add them");
    }

    private static void addVarietyAndTree(Browser browser) {
        browser.press("Add a variety");
        browser.type("Name", "North");
        browser.press("Save");
        browser.waitUntilGone(By.xpath("//*[@role='dialog']"));
        browser.press("Add a tree");
        browser.press("Save");
        browser.seeText("Name is empty; please give it.");
        browser.type("Name", "North Wall 1");
        browser.click(By.xpath("//*[@role='dialog']//button[normalize-space(.)='Save']"));
        browser.waitUntilGone(By.xpath("//*[@role='dialog']"));
        browser.seeText("North Wall: 3 trees of 2 varieties");
    }
}
