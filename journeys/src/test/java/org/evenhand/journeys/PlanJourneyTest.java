package org.evenhand.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.TestMethodOrder;
import org.openqa.selenium.By;

/** The coming days planned and bent to one's will, a round on paper, and two people on one walk. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class PlanJourneyTest {
    private Application application;
    private Browser ines;
    private Browser tomas;

    @BeforeAll
    void start() {
        application = Application.withDemoOrchard();
        ines = new Browser(application.address());
        ines.open("/");
        ines.signIn();
    }

    @AfterAll
    void stop() {
        ines.close();
        if (tomas != null) {
            tomas.close();
        }
        application.close();
    }

    @Test
    @Order(1)
    void a_choice_changes_the_plan_shows_its_cost_and_is_taken_back() {
        ines.open("/round/plan");
        ines.waitFor(() -> ines.heading().contains("fruits to be expected") ? true : null, "for the plan");
        String before = ines.heading();
        assertThat(ines.shows("Proven: no other use of this pollen")).isTrue();
        ines.click(By.cssSelector("button[aria-label^='Not ']"));
        ines.seeText("What you chose");
        ines.waitFor(
                () -> ines.shows("costs no fruit") || ines.shows("against the best plan") ? true : null,
                "for the cost");
        assertThat(ines.accessibilityViolations()).as("plan with a choice").isEmpty();

        ines.press("Take back");
        ines.waitUntilGone(By.xpath("//h2[.='What you chose']"));
        ines.waitFor(() -> ines.heading().equals(before) ? true : null, "for the plan as it was");
    }

    @Test
    @Order(2)
    void days_away_are_planned_around() {
        ines.open("/round/hours");
        ines.press("Add days away");
        day("Away 1: first day", "2026-11-26");
        day("Away 1: last day", "2026-12-02");
        ines.press("Save");
        ines.seeText("Hours and habits written down.");
        ines.open("/round/plan");
        ines.seeText("Away Thu 26 Nov to Wed 2 Dec");
        ines.seeText("Until you leave the plan does the flowers first");
    }

    @Test
    @Order(3)
    void two_people_on_one_walk_see_each_others_ticks() {
        ines.open("/round");
        ines.press("Start walking");
        ines.seeText("Before you go");
        String walk = ines.path();
        ines.press("Go");
        tomas = new Browser(application.address());
        tomas.open("/");
        tomas.signInAs("tomas@heron-bank.example");
        tomas.open(walk);
        tomas.press("Go");

        tomas.seeText("cross 26-2, Pale Ridge × Lantern");
        tomas.press("one more");
        tomas.press("one more");
        tomas.press("Done · 2 flowers");
        ines.seeText("2 done, 2 by others");

        tomas.seeText("Stop 2 of");
        tomas.see(By.cssSelector("[data-count], ul"));
    }

    @Test
    @Order(4)
    void a_round_is_carried_on_paper_and_typed_in() {
        ines.open("/round");
        ines.press("On paper");
        ines.seeText("Open the page to print");
        String pdf = (String) ines.await("""
                const link = [...document.querySelectorAll('a')].find(a => a.href.endsWith('/paper'));
                const bytes = new Uint8Array(await (await fetch(link.href)).arrayBuffer());
                return String.fromCharCode(...bytes.slice(0, 5));""");
        assertThat(pdf).isEqualTo("%PDF-");
        ines.click(By.cssSelector("input[aria-label^='Flowers done at stop 1']"));
        ines.keys("3");
        ines.press("Write down");
        ines.waitFor(
                () -> ines.see(By.xpath("//tbody/tr[1]/td[5]")).getText().equals("3") ? true : null,
                "for the line to be written down");
        assertThat(ines.accessibilityViolations()).as("paper").isEmpty();
    }

    /** Date fields are typed in the order of the browser's language; so their value is given as it is. */
    private void day(String label, String date) {
        ines.await("const field = document.querySelector('[aria-label=\"" + label + "\"]');"
                + "Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, '" + date
                + "'); field.dispatchEvent(new Event('input', {bubbles: true})); return true;");
    }
}
