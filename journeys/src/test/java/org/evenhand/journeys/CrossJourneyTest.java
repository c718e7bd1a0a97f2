package org.evenhand.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;

/** A cross at the desk: wanted by seeds, begun, made ready, given pollen when it is ripe, labelled; and figs by size. */
class CrossJourneyTest extends DemoJourney {

    @Test
    @Order(1)
    void a_cross_request_is_changed_and_says_how_its_flowers_come_about() {
        browser.open("/mates/wanted");
        browser.seeText("5 flowers for 60 seeds, before others");
        browser.press("5 flowers: why?");
        browser.seeText("To be 90 % sure of 60 seeds");
        browser.click(By.xpath("//section[contains(., 'Lantern on Pale Ridge')]//button[.='Change']"));
        browser.type("Seeds wanted", "200");
        browser.press("Save");
        browser.waitFor(
                () -> browser.shows("5 flowers for 60 seeds") ? null : browser.shows("for 200 seeds") ? true : null,
                "for more flowers");
    }

    @Test
    @Order(2)
    void a_cross_is_begun_bagged_and_labelled() {
        browser.open("/round/crosses");
        browser.seeText("1 cross being made");
        browser.click(By.cssSelector("[data-wanted='Pale Ridge × Lantern'] button"));
        browser.type("Flowers", "4");
        browser.press("Begin, with the next number");
        browser.seeText("Cross 26-2 is begun: 4 flowers of Pale Ridge 1.");
        browser.seeText("26-2 due now");
        assertThat(browser.accessibilityViolations()).as("crosses").isEmpty();

        browser.press("Bag: done");
        browser.seeText("26-2: 4 flowers bagged.");
        browser.waitFor(() -> browser.shows("26-2 due now") ? null : true, "for the step to be done");
        browser.click(By.cssSelector("[aria-label='Label for 26-2']"));
        browser.press("Make 2 labels");
        browser.seeText("Save the PDF: 2 labels");
        browser.assertKeptToItself();
    }

    @Test
    @Order(3)
    void when_it_is_ripe_it_gets_pollen_of_its_father_alone_and_the_pollination_can_be_taken_back() {
        browser.await("""
                const token = document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1];
                const before = await (await fetch('/api/orchard')).json();
                await fetch('/api/demo-clock', {method: 'PUT',
                  headers: {'Content-Type': 'application/json', 'X-XSRF-TOKEN': token},
                  body: JSON.stringify({now: new Date(Date.parse(before.now) + 2 * 3600e3).toISOString()})});
                return true;""");
        browser.open("/round/crosses");
        browser.seeText("26-1 due now");
        browser.press("Pollinate: done");
        browser.seeText("26-1: 3 flowers pollinated.");
        browser.waitFor(() -> browser.shows("Bag again: done") ? true : null, "for the next step");
        browser.open("/pollen");
        browser.see(By.cssSelector("[data-lot='LA-02'] [data-doses='7']"));
        browser.open("/round/crosses");
        browser.press("Undo Pollinate of 26-1");
        browser.waitFor(() -> browser.shows("Pollinate: done") ? true : null, "for the step to come back");
        browser.open("/pollen");
        browser.see(By.cssSelector("[data-lot='LA-02'] [data-doses='10']"));
    }

    @Test
    @Order(4)
    void figs_are_measured_one_after_another_on_a_phone() {
        String tree = (String) browser.await("const trees = await (await fetch('/api/trees')).json();"
                + "return trees.find(t => t.name === 'Stone Wall 1').id;");
        browser.phone().open("/round/figs/" + tree);
        browser.seeText("Stone Wall 1: 3 figs to inject now");
        assertThat(browser.accessibilityViolations()).as("figs").isEmpty();
        assertThat(browser.widthBeyondTheScreen()).as("figs on a phone").isZero();
        browser.type("Fig", "Y7");
        browser.type("Diameter, mm", "26");
        browser.press("Write down");
        browser.seeText("Stone Wall 1: 4 figs to inject now");
        assertThat(browser.see(By.cssSelector("tbody tr")).getText())
                .as("the largest that is right comes first")
                .startsWith("Y7");
    }
}
