package org.evenhand.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;

/** A phone under the trees without a signal: nothing is lost, nothing is there twice. */
class OfflineJourneyTest extends DemoJourney {
    private static final By KEPT = By.cssSelector("[data-kept]");

    /** Left in each jar by its code, as far as this journey knows. */
    private final Map<String, Integer> doses = new HashMap<>();

    @BeforeAll
    void twoFullJars() {
        browser.phone().reload();
        // Two full jars, so that thirty flowers can be done.
        assertThat(browser.await("""
                const token = document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1];
                const trees = await (await fetch('/api/trees')).json();
                const answers = [];
                for (const name of ['Lantern 1', 'Pale Ridge 1']) {
                  const id = '01900000-0000-7000-8000-0000000000' + (name === 'Lantern 1' ? '01' : '02');
                  const answer = await fetch('/api/lots/' + id, {
                    method: 'PUT',
                    headers: {'Content-Type': 'application/json', 'X-XSRF-TOKEN': token},
                    body: JSON.stringify({sources: [{treeId: trees.find(t => t.name === name).id, flowers: 20}],
                      collectedAt: '2026-11-24T02:40:00Z', storage: 'ROOM', doses: 90}),
                  });
                  answers.push(answer.status);
                }
                return answers.join(' ');""")).isEqualTo("200 200");
        browser.await("await navigator.serviceWorker.ready; return true;");
        browser.reload();
    }

    @Test
    @Order(1)
    void a_round_without_a_signal_is_sent_once_when_there_is_one() {
        String walk = startWalking();
        browser.network(false);

        doThreeTrees(new HashSet<>());
        assertThat(browser.see(KEPT).getText()).contains("3 records kept on this device");
        assertThat(browser.accessibilityViolations())
                .as("walk without a signal")
                .isEmpty();
        browser.reload();
        assertThat(browser.see(KEPT).getText()).as("after a reload").contains("3 records kept");
        browser.picture("walk-offline-phone");

        browser.network(true);
        browser.waitUntilGone(KEPT);
        assertThat(flowersOf(walk)).isEqualTo("30 in 3");
    }

    @Test
    @Order(2)
    void a_server_that_dies_in_the_middle_loses_nothing_and_the_same_writes_sent_twice_are_there_once() {
        String walk = startWalking();
        Set<String> trees = new HashSet<>();
        doTenOn(trees);
        browser.waitUntilGone(KEPT);
        application.kill();

        doThreeTrees(trees);
        assertThat(browser.see(KEPT).getText()).contains("2 records kept");
        browser.reload();
        browser.see(KEPT);
        String written = (String) browser.await("""
                const db = await new Promise((done, failed) => {
                  const open = indexedDB.open('even-hand');
                  open.onsuccess = () => done(open.result);
                  open.onerror = () => failed(open.error);
                });
                const all = await new Promise(done => {
                  const got = db.transaction('outbox').objectStore('outbox').getAll();
                  got.onsuccess = () => done(got.result);
                });
                db.close();
                localStorage.setItem('written', JSON.stringify(all));
                return String(all.length);""");
        assertThat(written).isEqualTo("2");

        application.startAgain();
        browser.waitUntilGone(KEPT);
        assertThat(flowersOf(walk)).isEqualTo("30 in 3");
        assertThat(browser.await("""
                const token = document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1];
                const answers = [];
                for (const write of JSON.parse(localStorage.getItem('written'))) {
                  for (let i = 0; i < 2; i++) {
                    answers.push((await fetch(write.path, {
                      method: write.method,
                      headers: {'Content-Type': 'application/json', 'X-XSRF-TOKEN': token},
                      body: JSON.stringify(write.body),
                    })).status);
                  }
                }
                return answers.join(' ');""")).isEqualTo("200 200 200 200");
        assertThat(flowersOf(walk)).isEqualTo("30 in 3");
    }

    @Test
    @Order(3)
    void a_reading_without_a_signal_waits_too() {
        browser.open("/bloom");
        browser.click(By.cssSelector("[data-tree='Lantern 3'] a"));
        browser.see(By.cssSelector("[data-stage=parted]"));
        browser.network(false);
        browser.click(By.cssSelector("[data-stage=parted]"));
        browser.click(By.cssSelector("[data-save]"));
        browser.seeText("Lantern 3: 1 flower read. Kept on this device");
        browser.see(KEPT);
        browser.network(true);
        browser.waitUntilGone(KEPT);
        assertThat(browser.await("""
                const bloom = await (await fetch('/api/bloom?hours=24')).json();
                return bloom.trees.find(t => t.treeName === 'Lantern 3').reading.counts.parted;""")).isEqualTo(1L);
    }

    @Test
    @Order(4)
    void a_look_for_fruit_without_a_signal_waits_through_a_reload_and_is_there_once() {
        browser.open("/fruit-set");
        browser.see(By.cssSelector("[aria-label='Check Lantern 2']"));
        browser.network(false);
        browser.press("Check Lantern 2");
        browser.type("set", "2");
        browser.type("failed", "1");
        browser.press("Save the check");
        browser.seeText("Lantern 2: check. Kept on this device");
        browser.reload();
        assertThat(browser.see(KEPT).getText()).contains("1 record kept");
        browser.network(true);
        browser.waitUntilGone(KEPT);
        assertThat(browser.await("""
                const all = await (await fetch('/api/fruit-set')).json();
                const checks = all.rows.filter(r => r.pollination.treeName === 'Lantern 2').flatMap(r => r.checks);
                return checks.filter(c => c.taken === 2 && c.failed === 1).length;""")).isEqualTo(1L);
    }

    @Test
    @Order(5)
    void a_step_on_a_cross_without_a_signal_waits_too() {
        String walk = startWalking();
        skipTo(By.cssSelector("[data-step='BAG']"));
        browser.network(false);
        browser.press("All 2");
        browser.press("Done · 2 flowers");
        browser.see(KEPT);
        browser.network(true);
        browser.waitUntilGone(KEPT);
        assertThat(browser.await("const walk = await (await fetch('/api/walks/" + walk + "')).json();"
                        + "return walk.steps.map(s => s.kind + ' ' + s.flowers).join();"))
                .isEqualTo("BAG 2");
    }

    private String startWalking() {
        browser.open("/round");
        browser.press("Start walking");
        browser.seeText("Before you go");
        String walk = browser.path().substring("/round/walk/".length());
        browser.press("Go");
        browser.collectOnTheWalk(1, 60);
        // Jars that hold other than planned change the rest of the walk: not under the hands of who goes offline.
        assertThat((Boolean) browser.await("for (let i = 0; i < 450; i++) {"
                        + "if (!(await (await fetch('/api/walks/" + walk + "')).json()).stale) return true;"
                        + "await new Promise(later => setTimeout(later, 100)); } return false;"))
                .as("planned anew with what the jars hold")
                .isTrue();
        browser.reload();
        browser.see(By.cssSelector("[data-count]"));
        String left = (String) browser.await("const lots = await (await fetch('/api/lots')).json();"
                + "return lots.map(l => l.code + '=' + l.dosesLeft).join();");
        doses.clear();
        for (String jar : left.split(",")) {
            doses.put(jar.split("=")[0], Integer.valueOf(jar.split("=")[1]));
        }
        return walk;
    }

    private void doThreeTrees(Set<String> trees) {
        while (trees.size() < 3) {
            doTenOn(trees);
        }
    }

    /** Ten flowers of the next tree that was not done yet; stops of others are skipped. */
    private void doTenOn(Set<String> trees) {
        int before = trees.size();
        while (trees.size() == before) {
            browser.waitFor(
                    () -> browser.shows("All clean") || browser.has(By.cssSelector("[data-tree]")) ? true : null,
                    "for a stop");
            if (browser.shows("All clean")) {
                browser.press("All clean");
            }
            String tree = browser.see(By.cssSelector("[data-tree]")).getAttribute("data-tree");
            boolean ofACross = browser.has(By.cssSelector("[data-step], [data-cross]"));
            // Which jar goes to which tree is the plan's choice; a small one serves no second tree.
            Optional<String> jar = doses.keySet().stream()
                    .filter(code -> browser.has(By.xpath("//*[text()='" + code + "']")))
                    .findFirst();
            boolean small = jar.isPresent() && doses.get(jar.get()) < 10;
            if (ofACross || small || !trees.add(tree)) {
                skip();
            } else {
                jar.ifPresent(code -> doses.merge(code, -10, Integer::sum));
            }
        }
        for (int i = 0; i < 10; i++) {
            browser.press("one more");
        }
        String stop = browser.see(By.cssSelector("header b")).getText();
        browser.press("Done · 10 flowers");
        browser.waitFor(
                () -> browser.see(By.cssSelector("header b")).getText().equals(stop) ? null : true,
                "to go on from " + stop);
    }

    private void skip() {
        String stop = browser.see(By.cssSelector("header b")).getText();
        browser.press("Skip");
        browser.waitFor(
                () -> browser.see(By.cssSelector("header b")).getText().equals(stop) ? null : true, "to skip " + stop);
    }

    /** Goes on to the step that a test is about, wherever the plan put it. */
    private void skipTo(By step) {
        while (true) {
            browser.waitFor(
                    () -> browser.shows("All clean") || browser.has(By.cssSelector("[data-tree], [data-step]"))
                            ? true
                            : null,
                    "for a stop");
            if (browser.shows("All clean")) {
                browser.press("All clean");
                browser.see(By.cssSelector("[data-tree], [data-step]"));
            }
            if (browser.has(step)) {
                return;
            }
            skip();
        }
    }

    private String flowersOf(String walk) {
        return (String) browser.await("const walk = await (await fetch('/api/walks/" + walk + "')).json();"
                + "return walk.done.reduce((n, d) => n + d.flowers, 0) + ' in ' + walk.done.length;");
    }
}
