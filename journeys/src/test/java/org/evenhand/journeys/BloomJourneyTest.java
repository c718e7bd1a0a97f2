package org.evenhand.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/** A flower nobody is sure of, weather out of a file, a sheet made one's own: bloom read and foreseen in the browser. */
class BloomJourneyTest extends DemoJourney {

    @Test
    @Order(1)
    void ask_the_key_by_thumb_at_night_and_count_the_flower_it_names() {
        browser.open("/bloom");
        browser.click(By.cssSelector("[data-tree='Lantern 3'] a"));
        browser.phone();
        browser.click(By.cssSelector("[data-stage='closed']"));
        browser.press("Identify a flower");
        browser.seeText("tells most now");
        browser.click(By.xpath("//*[@data-sign='petals']//button[.='spread wide']"));
        browser.click(By.xpath("//*[@data-sign='dome']//button[.='tight, pale']"));
        browser.seeText("not yet male");
        assertThat(browser.accessibilityViolations()).as("key").isEmpty();
        browser.picture("stage-key-phone");
        browser.click(By.xpath("//button[contains(., 'night')]"));
        assertThat(browser.accessibilityViolations()).as("key at night").isEmpty();
        browser.press("Count “Wide, dome tight”");

        browser.seeText("Save · 2");
        assertThat(browser.accessibilityViolations()).as("tally at night").isEmpty();
        browser.picture("tally-night-phone");
        browser.click(By.xpath("//button[contains(., 'day')]"));
        assertThat(browser.widthBeyondTheScreen()).isZero();
        browser.click(By.xpath("//button[contains(., 'whole tree')]"));
        browser.click(By.xpath("//label[normalize-space(.)='a quarter']"));
        browser.press("Save · 2");
        browser.seeText("Lantern 3: 2 flowers written down.");
        assertThat(browser.controlsUnderNotices()).as("on a phone").isEmpty();
        browser.desk();
        browser.seeText("Lantern 3: 2 flowers written down.");
        assertThat(browser.controlsUnderNotices()).as("on a desk").isEmpty();
    }

    @Test
    @Order(2)
    void a_reading_saved_on_the_way_to_the_next_tree_can_be_undone_and_covers_nothing_there() {
        browser.phone().open("/bloom");
        browser.click(By.cssSelector("[data-tree='Pale Ridge 1'] a"));
        browser.press("Same as last time, plus…");
        browser.press("Save, next");
        browser.seeText("flowers written down.");
        browser.see(By.cssSelector("[data-stage='brown']"));
        assertThat(browser.controlsUnderNotices()).as("on the tally of a phone").isEmpty();
        browser.click(By.xpath("//*[contains(@class, 'mantine-Notification-root')]//button[.='Undo']"));
        browser.seeText("Undone.");
    }

    @Test
    @Order(3)
    void sort_and_filter_the_board_over_ten_days() {
        browser.desk().open("/bloom");
        browser.click(By.xpath("//label[.='10 d']"));
        browser.seeText("Next 10 days");
        browser.click(By.xpath("//select[@aria-label='Crop']/option[.='Dragon fruit']"));
        browser.see(By.cssSelector("[data-tree='Night Ferry 1']"));
        assertThat(browser.shows("Lantern 1")).isFalse();
        browser.click(By.xpath("//select[@aria-label='Order']/option[.='pollen soonest']"));
        assertThat(browser.see(By.cssSelector("[data-variety='Night Ferry']")).getText())
                .contains("Collect pollen 2")
                .contains("pollinate 2");
        browser.assertKeptToItself();
    }

    @Test
    @Order(4)
    void a_file_with_a_bad_row_keeps_its_good_ones_on_consent_and_is_taken_back(@TempDir Path folder)
            throws IOException {
        Path csv = folder.resolve("mast.csv");
        Files.writeString(csv, "time,temperature_c\n2026-11-24T09:00,21\n2026-11-24T10:00,warm\n");
        browser.open("/bloom/weather");
        browser.click(By.linkText("Import hours"));
        browser.seeText("Which columns can the file have?");
        browser.give(csv);
        browser.seeText("2 lines: 1 new, 1 line to put right");
        browser.seeText("is 'warm', which is no number.");
        browser.press("Leave out 1 line");
        browser.press("Import hours of weather");
        browser.seeText("Imported: 1 new, 1 line left out");
        browser.open("/bloom/weather");
        browser.see(By.xpath("//tr[contains(., 'mast.csv')]"));
        browser.click(By.xpath("//tr[contains(., 'mast.csv')]//button"));
        browser.waitUntilGone(By.xpath("//tr[contains(., 'mast.csv')]"));
    }

    @Test
    @Order(5)
    void the_season_names_what_comes_next_and_whose_pollen_must_be_kept() {
        browser.open("/bloom/season");
        browser.waitFor(() -> browser.heading().startsWith("Low Ebb is foreseen to begin on ") ? true : null, "for it");
        browser.seeText("Ember: it is over before; keep its pollen");
        browser.click(By.xpath("//tr[@data-variety='Low Ebb']//button[.='Days']"));
        browser.type("First bloom", "23 Nov 2026");
        browser.keys(Keys.TAB);
        browser.press("Save");
        browser.waitUntilGone(By.xpath("//h2[.='Days of Low Ebb']"));
        browser.waitFor(() -> browser.heading().contains("6 varieties have begun") ? true : null, "for what began");
    }

    @Test
    @Order(6)
    void a_sheet_is_made_ones_own_and_goes_back_to_as_shipped() {
        browser.open("/crops/sugar-apple");
        browser.press("Change numbers for this orchard");
        browser.type("Find a number", "doses");
        browser.type("Doses a flower yields", "0");
        browser.press("Use these numbers");
        browser.seeText("allowed is 0.05 to 500");
        browser.type("Doses a flower yields", "5");
        browser.press("Use these numbers");
        browser.seeText("1 number changed: Doses a flower yields 5 (shipped 3).");
        assertThat(browser.accessibilityViolations()).as("sheet").isEmpty();
        browser.press("Back to as shipped");
        browser.seeText("The sheet is as shipped.");
        browser.assertKeptToItself();
    }

    @Test
    @Order(7)
    void the_map_shows_where_trees_stand_and_takes_a_place_that_is_typed() {
        browser.desk().open("/orchard/map");
        browser.see(By.cssSelector("[data-tree='Lantern 1'][data-phase]"));
        browser.click(By.xpath("//ul[@aria-label='Trees on the map']//button[.//b='Ember 1']"));
        browser.seeText("Its place is worked out from its row.");
        browser.see(By.cssSelector("polyline"));
        assertThat(browser.accessibilityViolations()).as("map").isEmpty();
        browser.picture("map");
        browser.click(By.xpath("//summary[.='Type latitude and longitude']"));
        browser.type("Latitude", "-35.2999");
        browser.type("Longitude", "173.9002");
        browser.press("Set its place");
        browser.seeText("Ember 1 has its place.");
        browser.seeText("Typed: -35.29990°, 173.90020°.");
        browser.phone().open("/orchard/map");
        browser.see(By.cssSelector("[data-tree='Lantern 1'][data-phase]"));
        assertThat(browser.widthBeyondTheScreen()).isZero();
        assertThat(browser.accessibilityViolations()).as("map on a phone").isEmpty();
    }
}
