package org.evenhand.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;

/** A grower's evening at the demo orchard, from the first check at a tree to the share that took. */
class EveningJourneyTest extends DemoJourney {

    @Test
    @Order(1)
    void screens_stay_within_the_phone_and_keep_to_the_rules_of_access() {
        browser.press("Sign out");
        browser.see(By.xpath("//button[normalize-space(.)='Sign in']"));
        assertThat(browser.accessibilityViolations()).as("sign-in").isEmpty();
        browser.signIn();
        String[][] screens = {
            {"/", "today"},
            {"/bloom", "bloom"},
            {"/bloom/season", "season"},
            {"/bloom/weather", "weather"},
            {"/bloom/need", "hand-need"},
            {"/pollen", "pollen-shelf"},
            {"/pollen/mixing", "mixing"},
            {"/pollen/labels", "labels"},
            {"/mates/wanted", "wanted-crosses"},
            {"/round", "round"},
            {"/round/plan", "coming-days"},
            {"/round/wanted", "wanted"},
            {"/round/crosses", "crosses"},
            {"/round/hours", "hours"},
            {"/kept", "kept"},
            {"/fruit-set", "fruit-set"},
            {"/fruit-set/limbs", "limbs"},
            {"/fruit-set/fruit", "fruit"},
            {"/findings?season=2025&crop=cherimoya", "findings"},
            {"/findings/why?season=2025&crop=cherimoya", "why-it-failed"},
            {"/findings/trials", "trials"},
            {"/findings/season?season=2025&crop=cherimoya", "season-report"},
            {"/orchard", "orchard"},
            {"/orchard/import?kind=trees", "import"},
            {"/orchard/export", "export"},
            {"/crops", "flowers-of-all-crops"},
            {"/crops/cherimoya", "crop-sheet"}
        };
        for (String[] screen : screens) {
            browser.desk().open(screen[0]);
            browser.see(By.tagName("h1"));
            browser.waitUntilGone(By.cssSelector("main [role=status]"));
            assertThat(browser.accessibilityViolations()).as(screen[1]).isEmpty();
            if (screen[1].equals("flowers-of-all-crops")) {
                browser.high(1180);
            }
            browser.picture(screen[1]);
            browser.assertKeptToItself();
            browser.phone();
            assertThat(browser.widthBeyondTheScreen())
                    .as(screen[1] + " on a phone")
                    .isZero();
            if (screen[1].equals("today")) {
                browser.picture("today-phone");
            }
        }
        browser.desk();
    }

    @Test
    @Order(2)
    void read_a_tree_with_thumbs_keys_and_undo() {
        browser.desk().open("/bloom");
        browser.click(By.cssSelector("[data-tree='Pale Ridge 3'] a"));
        browser.phone();
        browser.see(By.cssSelector("[data-stage=parted]"));
        tap("closed", 6);
        tap("parted", 9);
        tap("half-open", 7);
        tap("wide-tight", 3);
        tap("shedding", 5);
        browser.press("Undo");
        assertThat(browser.see(By.cssSelector("[data-save]")).getText()).isEqualTo("Save · 29");
        assertThat(browser.shows("last 7")).as("the reading before in grey").isTrue();
        assertThat(browser.accessibilityViolations()).as("tally").isEmpty();
        browser.picture("tally-phone");

        browser.desk();
        browser.see(By.tagName("body")).sendKeys("6");
        browser.see(By.tagName("body")).sendKeys("6" + Keys.BACK_SPACE);
        assertThat(browser.see(By.cssSelector("[data-save]")).getText()).isEqualTo("Save · 30");
        browser.click(By.cssSelector("[data-save]"));

        browser.seeText("Pale Ridge 3: 30 flowers written down.");
        browser.waitFor(() -> row("Pale Ridge 3").contains("16 female, 4 male") ? true : null, "for the new reading");
    }

    @Test
    @Order(3)
    void foresee_in_words_and_ask_why() {
        browser.waitFor(
                () -> browser.heading().matches("About \\d+ flowers can be pollinated now and \\d+ shed pollen\\..*")
                        ? true
                        : null,
                "for the sentence");
        assertThat(row("Lantern 2")).containsPattern("pollen (from )?1[67]:\\d0 ");
        WebElement ribbon = browser.see(By.cssSelector("[data-tree='Pale Ridge 3'] [role=slider]"));
        ribbon.sendKeys(Keys.ARROW_RIGHT);
        assertThat(ribbon.getAttribute("aria-valuetext")).matches("16:40: .*female, .*male");

        browser.click(By.cssSelector("[data-tree='Pale Ridge 3'] button"));
        browser.seeText("6 closed, 9 tips parted, 7 half open, 3 wide, dome tight, 4 dome loose, dust, 1 brown");
        assertThat(browser.shows("then the typed forecast")).isTrue();
    }

    @Test
    @Order(4)
    void collect_a_lot_after_a_plain_question() {
        browser.goTo("Pollen shelf");
        browser.press("Collect pollen");
        browser.see(By.cssSelector("input[aria-label='flowers of Pale Ridge 2']"));
        browser.type("flowers of Pale Ridge 2", "2");
        browser.press("Put on the shelf");
        browser.seeText("Pale Ridge 2 had no flower shedding pollen when it was read");
        browser.press("No, go back");
        browser.waitUntilGone(By.xpath("//*[text()='One question']"));
        assertThat(browser.valueOf("flowers of Pale Ridge 2"))
                .as("nothing typed is lost")
                .isEqualTo("2");

        browser.type("flowers of Pale Ridge 2", "0");
        browser.type("flowers of Pale Ridge 1", "4");
        browser.picture("collect");
        browser.press("Put on the shelf");
        browser.see(By.cssSelector("[data-lot='PR-11'] [data-doses='16']"));
        assertThat(browser.see(By.cssSelector("[data-lot='PR-11']")).getText().replace('\u00a0', ' '))
                .contains("50 %")
                .contains("4 flowers of Pale Ridge 1");

        browser.open("/l/pr-11");
        browser.seeText("What it can serve");
        browser.seeText("Still drying");
        browser.press("Enter a test");
        browser.type("Grains in field 1", "60");
        browser.type("Tubes in field 1", "30");
        browser.press("Use it");
        browser.seeText("30 of 60 grains with a tube");
        assertThat(browser.accessibilityViolations()).as("jar").isEmpty();
        browser.picture("jar");
        browser.phone();
        assertThat(browser.widthBeyondTheScreen()).as("jar on a phone").isZero();
        browser.desk();
    }

    @Test
    @Order(4)
    void mates_answer_a_cell_with_its_reason() {
        browser.open("/mates");
        browser.click(By.cssSelector("[aria-label='Harrow on Ember: partly']"));
        browser.seeText("One S allele is shared (S5)");
        browser.seeText("No fruit of this cross has been checked here yet");
        assertThat(browser.accessibilityViolations()).as("mates").isEmpty();
        browser.picture("mates");
        browser.phone();
        assertThat(browser.widthBeyondTheScreen()).as("mates on a phone").isZero();
        browser.desk();
        browser.open("/");
    }

    @Test
    @Order(5)
    void walk_the_round_tick_flowers_and_see_doses_go_down() {
        browser.goTo("Visits");
        browser.waitFor(() -> browser.heading().startsWith("16:00: ") ? true : null, "for the plan");
        browser.press("Start walking");
        browser.phone();
        browser.seeText("Before you go");
        browser.press("Go");
        browser.seeText("Collect Pale Ridge");
        browser.picture("walk-collect-phone");
        browser.collectOnTheWalk(2, 7);
        assertThat((Boolean) browser.await("""
                const walk = location.pathname.split('/').pop();
                for (let i = 0; i < 450; i++) {
                  if (!(await (await fetch('/api/walks/' + walk)).json()).stale) return true;
                  await new Promise(later => setTimeout(later, 100));
                }
                return false;"""))
                .as("planned anew with what the jars hold")
                .isTrue();
        browser.reload();
        browser.seeText("cross 26-2, Pale Ridge × Lantern");
        browser.press("All 2");
        browser.press("Done · 2 flowers");
        browser.seeText("Stop 2 of");
        skipToAJar();
        String lot = browser.see(By.xpath("//*[starts-with(text(), 'LA-0') or starts-with(text(), 'PR-0')]"))
                .getText();
        String tree = browser.see(By.cssSelector("[data-tree]")).getAttribute("data-tree");
        assertThat(tree)
                .as("never its own variety while another's pollen is there")
                .doesNotStartWith(lot.startsWith("LA") ? "Lantern" : "Pale");
        browser.press("one more");
        browser.press("one more");
        browser.press("one more");
        browser.press("one less");
        browser.picture("walk-phone");
        browser.click(By.xpath("//button[contains(., 'night')]"));
        assertThat(browser.accessibilityViolations()).as("walk at night").isEmpty();
        browser.picture("walk-night-phone");
        browser.click(By.xpath("//button[contains(., 'day')]"));
        browser.press("Done · 2 flowers");
        browser.seeText(tree + ": 2 flowers done.");

        browser.desk().open("/round/crosses");
        browser.see(By.cssSelector("[data-cross='26-2']"));
        browser.seeText("3 flowers bagged");
        browser.open("/round");
        browser.seeText("Done in the last 12 hours: 4 flowers");
        int before = lot.equals("LA-02") ? 10 : 16;
        browser.goTo("Pollen shelf");
        browser.see(By.cssSelector("[data-lot='" + lot + "'] [data-doses='" + (before - 2) + "']"));
    }

    @Test
    @Order(6)
    void on_the_crops_day_a_check_is_due_and_more_outcomes_than_flowers_are_refused() {
        browser.goTo("Fruit set");
        browser.waitFor(() -> browser.heading().startsWith("3 checks due") ? true : null, "for the checks");
        moveClock("a week later");
        browser.waitFor(() -> browser.heading().matches("(9|10) checks due.*") ? true : null, "for a week to pass");
        browser.press("Check Lantern 3");
        browser.type("set", "5");
        browser.type("failed", "2");
        assertThat(browser.shows("1 more than the 6 flowers that were done")).isTrue();
        browser.press("Save the check");
        browser.seeText("together with the other numbers makes 7, but only 6 flowers were pollinated");
        assertThat(browser.valueOf("set")).isEqualTo("5");
        browser.type("failed", "1");
        browser.press("Save the check");
        browser.seeText("Lantern 3: 5 set, 1 failed.");
    }

    @Test
    @Order(7)
    void the_result_is_a_share_with_its_interval() {
        browser.goTo("Findings");
        // 10 of 15 before, 5 of 6 now. Wilson's 95 % interval of 15 of 21, by hand: 50.0 to 86.2.
        browser.waitFor(
                () -> browser.heading().startsWith("15 of 21 flowers set, 71 %") ? true : null, "for the result");
        assertThat(browser.heading()).contains("likely 50 % to 86 %");
        browser.seeText("Flowers left to nature are tagged; none of them, or none by hand, is decided yet.");
        browser.see(By.cssSelector("[data-card=retention] svg"));
        browser.assertKeptToItself();
    }

    @Test
    @Order(8)
    void what_was_saved_a_moment_ago_can_be_undone() {
        browser.goTo("Bloom");
        browser.click(By.cssSelector("[data-tree='Lantern 1'] a"));
        tap("parted", 2);
        browser.click(By.cssSelector("[data-save]"));
        browser.seeText("Lantern 1: 2 flowers written down.");
        browser.click(
                By.xpath(
                        "//*[contains(@class, 'mantine-Notification-root')][contains(., 'Lantern 1: 2 flowers')]//button[not(@aria-label)]"));
        browser.seeText("Undone.");
        browser.waitFor(
                () -> row("Lantern 1").contains("read 15:40") ? null : true,
                "for the reading to be gone from the board");
    }

    /** Goes on to a stop where a jar of pollen is used on flowers of no cross. */
    private void skipToAJar() {
        String jars = "//*[starts-with(text(), 'LA-0') or starts-with(text(), 'PR-0')]";
        for (int i = 0; i < 12; i++) {
            String place = browser.see(By.cssSelector("header b")).getText();
            if (browser.shows("All clean")) {
                browser.press("All clean");
            }
            browser.see(By.cssSelector("[data-tree]"));
            if (browser.has(By.xpath(jars)) && !browser.has(By.cssSelector("[data-cross]"))) {
                return;
            }
            browser.press("Skip");
            browser.waitFor(
                    () -> browser.see(By.cssSelector("header b")).getText().equals(place) ? null : true, "to skip");
        }
        throw new AssertionError("no stop uses a jar of pollen");
    }

    private void tap(String stage, int times) {
        for (int i = 0; i < times; i++) {
            browser.click(By.cssSelector("[data-stage='" + stage + "']"));
        }
    }

    private String row(String tree) {
        return browser.see(By.cssSelector("[data-tree='" + tree + "']")).getText();
    }

    private void moveClock(String step) {
        browser.click(By.xpath("//nav[@aria-label='Pages']//button[starts-with(., 'demo clock')]"));
        browser.click(By.xpath("//*[@role='menuitem'][normalize-space(.)='" + step + "']"));
    }
}
