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

/** From the first check to what it teaches: looks on a walk, limbs, numbered fruit, a comparison drawn by lot, and a file from elsewhere. */
class FruitJourneyTest extends DemoJourney {
    private static final By KEPT = By.cssSelector("[href='/kept']");

    @TempDir
    Path folder;

    @Test
    @Order(1)
    void looks_are_walked_tree_after_tree_without_a_signal_too() {
        browser.phone().open("/fruit-set/walk");
        browser.seeText("Check 1 of 3");
        assertThat(browser.accessibilityViolations()).as("walk of looks").isEmpty();
        assertThat(browser.widthBeyondTheScreen()).isZero();
        browser.picture("looks-walk-phone");
        browser.press("failed: one more");
        browser.press("set: all that are left");
        browser.press("Done");
        browser.seeText("Check 2 of 3");
        browser.await("await navigator.serviceWorker.ready; return true;");
        browser.network(false);
        browser.press("set: all that are left");
        browser.press("Done");
        browser.seeText("Check 3 of 3");
        browser.see(KEPT);
        browser.reload();
        browser.seeText("Check 1 of 1");
        browser.network(true);
        browser.waitUntilGone(KEPT);
        assertThat(browser.await("""
                const all = await (await fetch('/api/fruit-set')).json();
                return all.due + ' due, ' + all.rows.filter(r => r.due?.now).map(r => r.pollination.treeName).join();""")).isEqualTo("1 due, Pale Ridge 2");
    }

    @Test
    @Order(2)
    void a_limb_is_counted_twice_and_says_what_lies_between() {
        browser.open("/fruit-set/limbs");
        browser.type("Limb", "East limb");
        browser.type("fruits now", "9");
        browser.press("Save the count");
        browser.seeText("9 fruits on 1 limb, each counted once.");
        browser.type("Limb", "east limb");
        browser.seeText("The new count takes its place.");
        browser.type("fruits now", "7");
        browser.press("Save the count");
        browser.seeText("7 fruits on 1 limb, each counted once.");
        browser.seeText("2 fewer than before: they dropped.");
    }

    @Test
    @Order(3)
    void fruit_gets_its_number_and_ends_once() {
        browser.desk().open("/fruit-set/fruit");
        browser.click(By.xpath("//button[.='Write 1 on one']"));
        browser.see(By.cssSelector("[data-fruit='1']"));
        browser.seeText("Write 2 on one");
        browser.see(By.xpath("//label[.='Number on it']/following::select[1]/option[starts-with(., '1 ')]"))
                .click();
        browser.type("Weight, g", "412");
        browser.type("Seeds", "900");
        browser.press("Save the fruit");
        browser.seeText("900 seeds are more than a fruit of this crop holds");
        browser.press("No, go back");
        browser.type("Seeds", "38");
        browser.press("Save the fruit");
        browser.waitFor(
                () -> browser.see(By.cssSelector("[data-fruit='1']")).getText().contains("412 g") ? true : null,
                "for the end of fruit 1");
        assertThat(browser.see(By.cssSelector("[data-fruit='1']")).getText()).contains("38 seeds");
    }

    @Test
    @Order(4)
    void a_comparison_drawn_by_lot_is_treated_flower_by_flower_and_not_judged_before_its_time() {
        browser.open("/findings/trials");
        browser.seeText("It is judged when all are decided");
        browser.click(By.xpath("//summary[.='Flower by flower: 12 flowers still to treat']"));
        browser.click(By.cssSelector("[data-comparison='K1'] [data-tag] button"));
        browser.see(By.xpath("//summary[.='Flower by flower: 11 flowers still to treat']"));
        browser.press("Print the tags");
        browser.seeText("Save the PDF: 16 labels");
        assertThat(browser.accessibilityViolations()).as("trials").isEmpty();
    }

    @Test
    @Order(5)
    void findings_tell_what_is_sure_and_the_plan_can_be_told_to_forget_it() {
        browser.open("/findings?season=2025&crop=cherimoya");
        browser.see(By.cssSelector("[data-factor=LOT_AGE]"));
        browser.seeText("95 % sure that the first is at least");
        browser.seeText("the hand adds");
        browser.see(By.cssSelector("[data-card=causes] svg"));
        browser.open("/round/hours");
        browser.click(By.xpath("//label[.='Use what was learned here']"));
        browser.press("Save");
        browser.open("/findings");
        browser.seeText("Switched off: the flower budget and the plan use the crop sheets alone.");
    }

    @Test
    @Order(6)
    void a_file_from_elsewhere_is_taken_as_a_whole_or_not_at_all() throws IOException {
        Path file = folder.resolve("evening.csv");
        String head = "ref,tree,jar,father,collected_at,storage,flowers,done_at\n";
        Files.writeString(file, head + "x1,No such tree,Z-1,Lantern,2026-11-01T16:00,FRIDGE,4,2026-11-01T17:00\n");
        browser.open("/orchard/import?kind=many-pollinations");
        browser.give(file);
        browser.press("Import the file");
        browser.seeText("line 2: no tree is called 'No such tree'");
        Path again = folder.resolve("evening-again.csv");
        Files.writeString(again, head + "x1,Pale Ridge 1,Z-1,Lantern,2026-11-01T16:00,FRIDGE,4,2026-11-01T17:00\n");
        browser.give(again);
        browser.press("Import the file");
        browser.seeText("1 record written down");
        browser.open("/fruit-set");
        browser.seeText("4 flowers with Z-1 Lantern");
    }

    @Test
    @Order(8)
    void trees_come_in_from_a_spreadsheet_are_put_right_in_place_and_undone() throws IOException {
        Path file = folder.resolve("trees.csv");
        Files.writeString(
                file,
                "Tree;Variety;Block;Row;Place;Planted\nGate 1;Pale Ridge;Gate;1;1;03/04/2021\nGate 2;Pale Rigde;Gate;1;2;\n");
        browser.open("/orchard/import?kind=trees");
        browser.give(file);
        browser.click(By.xpath("//label[normalize-space(.)='The day: 3/4 is 3 April']"));
        browser.seeText("and there is no variety of that name.");
        browser.type("Line 3, variety", "Pale Ridge");
        browser.press("Check again");
        browser.seeText("2 lines: 2 new");
        browser.press("Import trees");
        browser.seeText("Imported: 2 new.");
        browser.open("/orchard");
        browser.seeText("Gate 2");
        browser.open("/orchard/import");
        browser.press("Undo");
        browser.press("Undo the import");
        browser.seeText("trees.csv was undone.");
        browser.open("/orchard/export");
        browser.seeText("trees.csv");
        browser.open("/orchard");
        browser.seeText("Pale Ridge 1");
        assertThat(browser.see(By.tagName("body")).getText()).doesNotContain("Gate 2");
    }

    @Test
    @Order(7)
    void a_record_is_found_corrected_removed_and_restored() {
        By reading = By.cssSelector("[data-kind=reading]");
        By mend = By.cssSelector("[data-kind=reading] button");
        browser.see(By.tagName("body")).sendKeys("/");
        browser.type("What to look for", "pale ridge 1");
        browser.see(By.cssSelector("[role=dialog] a[data-active]"));
        browser.keys(Keys.ENTER);
        browser.see(By.xpath("//h1[.='Pale Ridge 1']"));
        browser.see(reading);
        assertThat(browser.accessibilityViolations()).as("story of a tree").isEmpty();
        browser.picture("tree");

        browser.click(mend);
        browser.press("Correct");
        browser.type("Tips parted", "4");
        browser.press("Save the correction");
        browser.seeText("4 tips parted");
        browser.click(mend);
        browser.press("Remove");
        browser.seeText("The forecast of Pale Ridge 1 is made anew.");
        browser.type("Why", "another tree");
        browser.click(By.cssSelector("[role=dialog] [type=submit]"));
        browser.waitUntilGone(reading);
        browser.press("Undo");
        browser.see(reading);
        browser.click(mend);
        browser.press("History");
        browser.seeText("Because: another tree");
        browser.press("Close");
        browser.phone();
        assertThat(browser.widthBeyondTheScreen()).isZero();
        browser.desk();
    }
}
