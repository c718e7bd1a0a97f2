package org.evenhand.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;

/** One cross over six years: pollen in the evening, seeds, a tray, pots, numbers, a rootstock, first fruit, scores, a name. */
class SeedsJourneyTest extends DemoJourney {
    private static final By FIRST = By.xpath("//td/a[starts-with(., '26-1-01')]");

    /** Moves the clock of the demo orchard. */
    private void later(int days) {
        browser.await("""
                const token = document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1];
                const before = await (await fetch('/api/orchard')).json();
                await fetch('/api/demo-clock', {method: 'PUT',
                  headers: {'Content-Type': 'application/json', 'X-XSRF-TOKEN': token},
                  body: JSON.stringify({now: new Date(Date.parse(before.now) + %d * 3600e3).toISOString()})});
                return true;""".formatted(days * 24 + 2));
    }

    private void choose(String label, String option) {
        browser.click(
                By.xpath("//label[.='" + label + "']/following::select[1]/option[starts-with(., '" + option + "')]"));
    }

    private void step(String what, String count) {
        choose("What was done", what);
        browser.type("How many", count);
        browser.press("Save the step");
    }

    @Test
    @Order(1)
    void flowers_of_a_cross_get_their_pollen_and_its_seeds_go_into_a_lot() {
        later(0);
        browser.open("/round/crosses");
        browser.press("Pollinate: done");
        browser.seeText("26-1: 3 flowers pollinated.");
        later(190);
        browser.open("/fruit-set/seeds");
        browser.press("New lot");
        choose("Tree that carried the fruits", "Pale Ridge 2");
        choose("Cross", "26-1, with Lantern");
        browser.type("Fruits", "2");
        browser.type("Full seeds", "40");
        browser.press("Save the lot");
        browser.seeText("Write S27-1 on its bag.");
        browser.click(By.xpath("//a[.='S27-1']"));
        assertThat(browser.heading()).isEqualTo("S27-1: Pale Ridge × Lantern");
        browser.seeText("Sow 40 seeds");
    }

    @Test
    @Order(2)
    void what_came_up_is_counted_and_seedlings_get_numbers() {
        step("Sow", "40");
        browser.seeText("S27-1: 40 sown.");
        later(45);
        browser.reload();
        step("Count what came up", "24");
        browser.seeText("24 of 40");
        step("Count what came up", "17");
        browser.seeText("only 16 were there");
        browser.type("How many seedlings", "6");
        browser.press("Give 6 numbers");
        browser.seeText("They are numbers 26-1-01 to 26-1-06.");
        assertThat(browser.accessibilityViolations()).as("a seed lot").isEmpty();
    }

    @Test
    @Order(3)
    void one_is_potted_and_grafted_on_other_roots() {
        later(60);
        browser.open("/fruit-set/seedlings?text=26-1");
        browser.click(FIRST);
        happened("Potted");
        browser.seeText("26-1-01: potted.");
        later(500);
        browser.reload();
        choose("What happened", "Its wood grafted");
        browser.type("Rootstock", "26-1-01");
        browser.press("Save it");
        browser.seeText("is 26-1-01 itself");
        browser.type("Rootstock", "seedling stock");
        browser.press("Save it");
        browser.seeText("26-1-01: grafted on seedling stock.");
        browser.seeText("grafted");
    }

    private void happened(String what) {
        choose("What happened", what);
        browser.press("Save it");
    }

    @Test
    @Order(4)
    void its_fruit_is_scored_by_traits_of_ones_own() {
        later(700);
        browser.open("/mates/judged?crop=cherimoya");
        browser.press("Taste");
        browser.press("Save the trait");
        browser.seeText("Plants can be scored by Taste now.");
        browser.open("/fruit-set/seedlings?text=26-1");
        browser.click(FIRST);
        happened("First fruit");
        browser.seeText("26-1-01: first fruit.");
        browser.type("Taste", "8");
        browser.press("Save the scores");
        browser.seeText("1 score by");
        later(365);
        browser.reload();
        browser.type("Taste", "9");
        browser.press("Save the scores");
        browser.waitFor(
                () -> browser.texts(By.xpath("//h2[.='Scores']/..//tbody/tr")).size() == 2 ? true : null,
                "for both scores");
        assertThat(browser.accessibilityViolations()).as("a seedling").isEmpty();
        browser.phone().reload();
        browser.seeText("26-1-01: Pale Ridge × Lantern");
        assertThat(browser.widthBeyondTheScreen()).as("a seedling on a phone").isZero();
        browser.desk();
    }

    @Test
    @Order(5)
    void the_best_is_selected_and_gets_a_name() {
        happened("Select it");
        browser.seeText("26-1-01: selected.");
        browser.type("Name", "Heron Lamp");
        browser.press("Make it a variety");
        browser.seeText("26-1-01 is Heron Lamp, a variety of this orchard.");
        browser.waitFor(() -> browser.heading().equals("26-1-01: Heron Lamp") ? true : null, "for its name");
        browser.open("/mates/judged?crop=cherimoya");
        browser.seeText("1 plant judged");
        assertThat(browser.accessibilityViolations()).as("judged plants").isEmpty();
        browser.open("/mates/promising?crop=apple");
        browser.seeText("Nobody can say what one seedling will be");
        assertThat(browser.accessibilityViolations()).as("promising crosses").isEmpty();
        browser.assertKeptToItself();
    }
}
