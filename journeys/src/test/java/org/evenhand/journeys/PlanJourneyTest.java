package org.evenhand.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/** The coming days planned and bent to one's will, a round on paper, and two people on one walk. */
class PlanJourneyTest extends DemoJourney {
    private Browser tomas;

    @AfterAll
    void closeTheOther() {
        if (tomas != null) {
            tomas.close();
        }
    }

    @Test
    @Order(1)
    void a_choice_changes_the_plan_shows_its_cost_and_is_taken_back() {
        browser.open("/round/plan");
        browser.waitFor(() -> browser.heading().contains("fruits to be expected") ? true : null, "for the plan");
        String before = browser.heading();
        assertThat(browser.shows("no other plan for this pollen")).isTrue();
        browser.click(By.cssSelector("details[data-round] summary"));
        browser.click(By.cssSelector("details[open] button[aria-label^='Change ']"));
        browser.click(By.xpath("//*[@role='menuitem'][starts-with(normalize-space(.), 'Never ')]"));
        browser.seeText("What you chose");
        browser.waitFor(
                () -> browser.shows("costs no fruit") || browser.shows("against the best plan") ? true : null,
                "for the cost");
        assertThat(browser.accessibilityViolations()).as("plan with a choice").isEmpty();

        browser.press("Remove");
        browser.waitUntilGone(By.xpath("//h2[.='What you chose']"));
        browser.waitFor(() -> browser.heading().equals(before) ? true : null, "for the plan as it was");
    }

    @Test
    @Order(2)
    void days_away_are_planned_around() {
        browser.open("/round/hours");
        browser.press("Add days away");
        day("Away 1: first day", "26 Nov 2026");
        day("Away 1: last day", "2/12/2026");
        browser.press("Save");
        browser.seeText("Hours and habits written down.");
        browser.open("/round/plan");
        browser.seeText("Away Thu 26 Nov to Wed 2 Dec");
        browser.seeText("Until you leave the plan does the flowers first");
    }

    @Test
    @Order(3)
    void two_people_on_one_walk_see_each_others_ticks() {
        browser.open("/round");
        browser.press("Start walking");
        browser.seeText("Before you go");
        String walk = browser.path();
        browser.press("Go");
        int filled = browser.collectOnTheWalk(1, 6);
        tomas = new Browser(application.address());
        tomas.open("/");
        tomas.signInAs("tomas@heron-bank.example");
        tomas.open(walk);
        tomas.press("Go");
        for (int i = 0; i < filled; i++) {
            tomas.seeText("This jar is filled: 6 doses left.");
            tomas.press("Next");
        }
        // The jars hold less than planned: once the rest is planned anew, more may be asked for behind them.
        while (tomas.see(By.cssSelector("header b")).getText().startsWith("Collect ")) {
            tomas.press("Skip");
        }

        tomas.seeText("cross 26-2, Pale Ridge × Lantern");
        tomas.press("one more");
        tomas.press("one more");
        tomas.press("Done · 2 flowers");
        browser.seeText("2 done, 2 by others");

        tomas.seeText("Stop 2 of");
        tomas.see(By.cssSelector("[data-count], ul"));
    }

    @Test
    @Order(4)
    void a_round_is_carried_on_paper_and_typed_in() {
        browser.open("/round");
        browser.press("On paper");
        browser.seeText("Open the page to print");
        String pdf = (String) browser.await("""
                const link = [...document.querySelectorAll('a')].find(a => a.href.endsWith('/paper'));
                const bytes = new Uint8Array(await (await fetch(link.href)).arrayBuffer());
                return String.fromCharCode(...bytes.slice(0, 5));""");
        assertThat(pdf).isEqualTo("%PDF-");
        browser.click(By.cssSelector("input[aria-label^='Flowers done at stop 1']"));
        browser.keys("3");
        browser.press("Write down");
        browser.waitFor(
                () -> browser.see(By.xpath("//tbody/tr[1]/td[5]")).getText().equals("3") ? true : null,
                "for the line to be written down");
        assertThat(browser.accessibilityViolations()).as("paper").isEmpty();
    }

    private void day(String label, String date) {
        browser.type(label, date);
        browser.keys(Keys.TAB);
    }
}
