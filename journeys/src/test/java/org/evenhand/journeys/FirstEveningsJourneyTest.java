package org.evenhand.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalTime;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.WebElement;

/** First evenings of several crops, each from an orchard with two fresh trees and nothing else: what Today says, and walked. */
class FirstEveningsJourneyTest extends DemoJourney {
    private static final String CALLS = """
            const call = async (method, path, body) => {
              const token = document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1];
              const answer = await fetch('/api' + path, {method,
                headers: {'Content-Type': 'application/json', 'X-XSRF-TOKEN': token},
                ...(body !== undefined && {body: JSON.stringify(body)})});
              const text = await answer.text();
              if (!answer.ok) throw new Error(path + ' ' + answer.status + ' ' + text);
              return text ? JSON.parse(text) : null;
            };
            const id = () => {
              const random = crypto.randomUUID();
              const ms = Date.now().toString(16).padStart(12, '0');
              return ms.slice(0, 8) + '-' + ms.slice(8) + '-7' + random.slice(15);
            };
            const now = async () => (await call('GET', '/orchard')).now;
            const tree = async (crop, name, position) => {
              const variety = id();
              const made = id();
              await call('PUT', '/varieties/' + variety, {crop, name});
              await call('PUT', '/trees/' + made, {varietyId: variety, name: name + ' 1', block: 'Terrace', row: 1,
                position, plantedOn: '2018-08-01'});
              return made;
            };
            const read = async (treeId, counts) =>
              call('PUT', '/readings/' + id(), {treeId, takenAt: await now(), counts});
            const jar = async (treeId, hoursAgo, doses, storage) => {
              const made = id();
              const collectedAt = new Date(Date.parse(await now()) - hoursAgo * 3600e3).toISOString();
              return call('PUT', '/lots/' + made, {sources: [{treeId, flowers: 3}], collectedAt, storage, doses,
                confirmed: ['no-male-flowers']});
            };
            """;

    private void prepare(String script) {
        assertThat(browser.await(CALLS + script + "return 'ready';")).isEqualTo("ready");
    }

    /** No tree, no pollen, no hours of one's own: as on a first day. */
    @BeforeEach
    void afresh() {
        browser.desk().open("/");
        prepare("""
                for (const t of await call('GET', '/trees'))
                  await call('POST', '/trees/' + t.id + '/void', {version: t.version, reason: 'another evening'});
                for (const l of await call('GET', '/lots'))
                  if (l.dosesLeft > 0)
                    await call('PUT', '/lots/' + l.id + '/lines/' + id(),
                      {kind: 'DISCARDED', doses: l.dosesLeft, at: await now()});
                const s = await call('GET', '/round-settings');
                await call('PUT', '/round-settings/' + s.id,
                  {...s, everyDay: [], singleDays: [], away: [], flowersPerHour: 60});
                """);
    }

    /** What Today says once it says it; before, the page may still show what it knew from another evening. */
    private String today(String expected) {
        browser.open("/");
        return browser.waitFor(
                () -> {
                    String now = browser.heading().replaceAll("\\s+", " ");
                    return now.matches(expected) ? now : null;
                },
                "for Today to say " + expected);
    }

    private static LocalTime at(String headline) {
        Matcher found = Pattern.compile("at (\\d\\d:\\d\\d)").matcher(headline);
        assertThat(found.find()).as(headline).isTrue();
        return LocalTime.parse(found.group(1));
    }

    private List<String> visitLines() {
        browser.see(By.cssSelector("[data-visit]"));
        return browser.texts(By.cssSelector("[data-visit]"));
    }

    @Test
    @Order(1)
    void pawpaw_collects_the_three_there_are_and_pollinates_four_of_the_other_variety() {
        prepare("""
                const one = await tree('pawpaw', 'Kettle Bend', 1);
                const other = await tree('pawpaw', 'Slow River', 2);
                await read(one, {furry: 20, green: 6, male: 3});
                await read(other, {furry: 25, green: 8, female: 4});
                """);
        today("Collect Kettle Bend at \\d\\d:\\d\\d, then pollinate 4 flowers on 1 tree\\.");
        assertThat(visitLines().get(0))
                .contains("3 male flowers of Kettle Bend")
                .contains("Slow River 1 4");
        browser.seeText("can be pollinated at the visit of");

        browser.phone().open("/");
        browser.press("Start walking");
        browser.press("Go");
        for (int i = 0; i < 3; i++) {
            browser.press("flowers of Kettle Bend 1: one more");
        }
        browser.click(By.xpath("//button[starts-with(normalize-space(.), 'Into the jar')]"));
        browser.seeText("Stop 1 of 1");
        browser.type("how many", "4");
        browser.press("Done · 4 flowers");
        browser.seeText("That was the last stop");
        assertThat(browser.widthBeyondTheScreen()).isZero();
        browser.press("End the walk");
        browser.desk();
        today("(?!.*pollinate 4 flowers).*");
    }

    @Test
    @Order(2)
    void cherimoya_without_a_jar_begins_with_collecting_in_the_afternoon() {
        prepare("""
                const one = await tree('cherimoya', 'First Step', 1);
                const other = await tree('cherimoya', 'Wind Break', 2);
                await read(one, {closed: 10, shedding: 3});
                await read(other, {closed: 14, parted: 4, 'half-open': 9});
                """);
        String headline = today("Collect First Step at .* on 1 tree\\.");
        assertThat(at(headline)).isBetween(LocalTime.of(15, 30), LocalTime.of(18, 0));
        assertThat(visitLines().get(0)).contains("fresh First Step on").contains("1 empty cup");
    }

    @Test
    @Order(3)
    void soursop_uses_todays_jar_and_yesterdays() {
        prepare("""
                const one = await tree('soursop', 'Broad Leaf', 1);
                const other = await tree('soursop', 'Hill Side', 2);
                await read(one, {closed: 10});
                await read(other, {closed: 14, 'outer-open': 6});
                await jar(one, 24, 3, 'FRIDGE_DESICCANT');
                await jar(one, 0.5, 3, 'FRIDGE_DESICCANT');
                """);
        today("Pollinate 6 flowers on 1 tree .*");
        String visit = visitLines().get(0);
        assertThat(visit.replaceAll("\\s+", " "))
                .as("both, as far as each goes")
                .contains("BL-01 on Hill Side 1 3")
                .contains("BL-02 on Hill Side 1 3");
        browser.open("/round");
        browser.see(By.xpath("//section[.//h2[contains(., 'BL-02')]]//td[contains(., 'Hill Side 1')]"));
    }

    @Test
    @Order(4)
    void dragon_fruit_is_done_at_night_with_a_blend() {
        prepare("""
                const one = await tree('dragon-fruit', 'Far Lamp', 1);
                const other = await tree('dragon-fruit', 'Low Tide', 2);
                const third = await tree('dragon-fruit', 'Iron Hill', 3);
                await read(third, {bud: 10, tonight: 5});
                const a = await jar(one, 20, 8, 'FRIDGE_DESICCANT');
                const b = await jar(other, 20, 8, 'FRIDGE_DESICCANT');
                await call('PUT', '/pourings/' + id(), {parts: [{lotId: a.id, doses: 8}, {lotId: b.id, doses: 8}],
                  at: await now(), storage: 'FRIDGE_DESICCANT', confirmed: []});
                """);
        String headline = today("Pollinate 5 flowers on 1 tree .*");
        assertThat(at(headline)).isBetween(LocalTime.of(20, 30), LocalTime.of(23, 0));
        assertThat(visitLines().get(0)).containsIgnoringCase("dragon fruit").contains("Iron Hill 1 5");
    }

    @Test
    @Order(5)
    void avocado_a_in_the_morning_and_b_in_the_afternoon() {
        prepare("""
                const a = await tree('avocado-a', 'Ember Oak', 1);
                const b = await tree('avocado-b', 'Long Shade', 2);
                await read(a, {bud: 200, male: 30, shut: 40});
                await read(b, {bud: 200, female: 30, shut: 40});
                """);
        today("Collect Ember Oak at .*");
        browser.open("/round/plan");
        List<String> visits = browser.texts(By.cssSelector("[data-round] summary"));
        assertThat(visits).hasSizeGreaterThan(4);
        for (String visit : visits) {
            Matcher hour = Pattern.compile("(\\d\\d):\\d\\d to").matcher(visit.replaceAll("\\s+", " "));
            assertThat(hour.find()).as(visit).isTrue();
            assertThat(visit)
                    .as("type B's own flowers are female in the afternoon, when A sheds")
                    .contains(Integer.parseInt(hour.group(1)) >= 12 ? "collect Ember Oak" : "collect Long Shade");
        }
    }

    @Test
    @Order(6)
    void a_second_visit_to_a_cross_that_was_missed_falls_away_with_its_bag() {
        prepare("""
                const mother = await tree('cherimoya', 'Kiln', 1);
                const father = await tree('cherimoya', 'Cooper', 2);
                const trees = await call('GET', '/trees');
                await read(mother, {closed: 12});
                const fatherId = trees.find(t => t.id === father).varietyId;
                const c = id();
                const at = hours => new Date(Date.parse(start) + hours * 3600e3).toISOString();
                const start = await now();
                await call('PUT', '/crosses/' + c, {treeId: mother, fatherId, planned: 3});
                await call('PUT', '/crosses/' + c + '/steps/' + id(), {kind: 'BAG', flowers: 3, doneAt: start});
                await jar(father, 0.5, 9, 'FRIDGE_DESICCANT');
                await call('PUT', '/demo-clock', {now: at(30)});
                const lots = (await call('GET', '/lots')).filter(l => l.dosesLeft > 0);
                await call('PUT', '/pollinations/' + id(), {treeId: mother, lotId: lots[0].id, flowers: 3,
                  doneAt: at(30), crossId: c});
                await call('PUT', '/crosses/' + c + '/steps/' + id(), {kind: 'REBAG', flowers: 3, doneAt: at(30)});
                """);
        browser.open("/round/crosses");
        WebElement cross = browser.see(By.xpath("//section[contains(., 'Kiln × Cooper')]"));
        assertThat(cross.getText()).containsIgnoringCase("pollinate once more");
        prepare(
                "await call('PUT', '/demo-clock', {now: new Date(Date.parse(await now()) + 72 * 3600e3).toISOString()});");
        browser.open("/round/crosses");
        browser.seeText("Take the bag off");
        cross = browser.see(By.xpath("//section[contains(., 'Kiln × Cooper')]"));
        assertThat(cross.getText())
                .as("the second visit is past, and so is the bag after it")
                .contains("Take the bag off")
                .doesNotContainIgnoringCase("pollinate once more")
                .doesNotContain("Bag again");
    }

    @Test
    @Order(7)
    void ten_days_away_nothing_is_planned_and_what_is_let_go_is_told() {
        prepare("""
                const one = await tree('cherimoya', 'Well Head', 1);
                const other = await tree('cherimoya', 'Moor', 2);
                await read(one, {closed: 30, shedding: 9});
                await read(other, {closed: 40, parted: 4, 'half-open': 9});
                const s = await call('GET', '/round-settings');
                const day = n => new Date(Date.parse(start) + n * 86400e3).toISOString().slice(0, 10);
                const start = await now();
                await call('PUT', '/round-settings/' + s.id,
                  {...s, away: [{first: day(2), last: day(12), note: 'the sea'}]});
                """);
        browser.open("/round/plan");
        browser.click(By.xpath("//label[normalize-space(.)='10']"));
        browser.seeText("flowers open and are past while you are away");
        browser.seeText("does the flowers first that will be past");
        assertThat(browser.texts(By.cssSelector("[data-round]"))).hasSizeBetween(1, 5);
        browser.assertKeptToItself();
    }
}
