package org.evenhand.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.results.Rule;
import com.deque.html.axecore.selenium.AxeBuilder;
import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Supplier;
import java.util.logging.Level;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.OutputType;
import org.openqa.selenium.Rectangle;
import org.openqa.selenium.StaleElementReferenceException;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;
import org.openqa.selenium.logging.LogType;
import org.openqa.selenium.logging.LoggingPreferences;
import org.openqa.selenium.support.ui.WebDriverWait;
import org.openqa.selenium.virtualauthenticator.VirtualAuthenticatorOptions;

/** A headless Chromium, spoken to in the words of somebody who uses it. */
final class Browser implements AutoCloseable {
    private static final Duration PATIENCE = Duration.ofSeconds(60);

    private final ChromeDriver driver;
    private final String address;

    Browser(String address) {
        this.address = address;
        ChromeOptions options = new ChromeOptions();
        options.setBinary("/usr/bin/chromium");
        options.addArguments(
                "--headless=new",
                "--no-sandbox",
                "--disable-gpu",
                "--disable-quic",
                "--no-first-run",
                "--lang=en-GB",
                "--disable-background-networking",
                "--disable-component-update",
                "--disable-sync",
                "--disable-dev-shm-usage",
                "--hide-scrollbars");
        options.setExperimentalOption("prefs", Map.of("intl.accept_languages", "en-GB"));
        LoggingPreferences logs = new LoggingPreferences();
        logs.enable(LogType.BROWSER, Level.SEVERE);
        options.setCapability("goog:loggingPrefs", logs);
        ChromeDriverService service = new ChromeDriverService.Builder()
                .usingDriverExecutable(new File("/usr/bin/chromedriver"))
                .build();
        this.driver = new ChromeDriver(service, options);
        desk();
    }

    Browser desk() {
        return size(1280, 800, false);
    }

    /** As wide as a desk's screen, as high as wanted: for what is to be seen side by side. */
    Browser high(int pixels) {
        return size(1280, pixels, false);
    }

    Browser phone() {
        return size(390, 844, true);
    }

    private Browser size(int width, int height, boolean mobile) {
        driver.executeCdpCommand(
                "Emulation.setDeviceMetricsOverride",
                Map.of("width", width, "height", height, "deviceScaleFactor", 1, "mobile", mobile));
        return this;
    }

    /** Gives the device somewhere to keep passkeys, and somebody whose finger opens them. */
    void authenticator() {
        driver.addVirtualAuthenticator(new VirtualAuthenticatorOptions()
                .setTransport(VirtualAuthenticatorOptions.Transport.INTERNAL)
                .setHasResidentKey(true)
                .setHasUserVerification(true)
                .setIsUserVerified(true));
    }

    /** Cuts the network off, or joins it again. */
    void network(boolean there) {
        driver.executeCdpCommand("Network.enable", Map.of());
        driver.executeCdpCommand(
                "Network.emulateNetworkConditions",
                Map.of("offline", !there, "latency", 0, "downloadThroughput", -1, "uploadThroughput", -1));
    }

    /** What a script of the page comes to in the end; it is the body of an async function. */
    Object await(String script) {
        driver.manage().timeouts().scriptTimeout(PATIENCE);
        return driver.executeAsyncScript("const done = arguments[arguments.length - 1]; (async () => {" + script
                + "})().then(done, e => done('failed: ' + e))");
    }

    void open(String path) {
        driver.get(address + path);
    }

    String path() {
        return driver.getCurrentUrl().substring(address.length());
    }

    void reload() {
        driver.navigate().refresh();
    }

    /** The element, once it is there and shown. */
    WebElement see(By by) {
        return waitFor(
                () -> driver.findElements(by).stream()
                        .filter(WebElement::isDisplayed)
                        .findFirst()
                        .orElse(null),
                "to see " + by);
    }

    /** What all such elements say, in their order. */
    List<String> texts(By by) {
        see(by);
        return driver.findElements(by).stream()
                .map(e -> e.getText().replace('\u00a0', ' '))
                .toList();
    }

    WebElement seeText(String text) {
        // A space that does not break reads like any other.
        String says = "contains(normalize-space(translate(., '\u00a0', ' ')), " + quoted(text) + ")";
        return see(By.xpath("//*[" + says + "][not(*[" + says + "])]"));
    }

    void waitUntilGone(By by) {
        waitFor(() -> driver.findElements(by).stream().noneMatch(WebElement::isDisplayed) ? by : null, by + " to go");
    }

    String heading() {
        return see(By.tagName("h1")).getText().replace('\u00a0', ' ');
    }

    void press(String button) {
        click(By.xpath("//*[self::button or self::a][normalize-space(.)=" + quoted(button) + " or @aria-label="
                + quoted(button) + "]"));
    }

    /** Clicks what is shown once it stands still: in a dialog that is still opening the click would meet its neighbour. */
    void click(By by) {
        AtomicReference<Rectangle> before = new AtomicReference<>();
        waitFor(
                () -> {
                    WebElement found = see(by);
                    driver.executeScript("arguments[0].scrollIntoView({block: 'center'})", found);
                    Rectangle now = found.getRect();
                    if (!now.equals(before.getAndSet(now))) {
                        return null;
                    }
                    found.click();
                    return found;
                },
                "to click " + by);
    }

    /** Types into the field with this label, in place of what was there: by keys, as a person does. */
    void type(String label, String text) {
        WebElement field = field(label);
        field.sendKeys(Keys.chord(Keys.CONTROL, "a"), text.isEmpty() ? Keys.BACK_SPACE : text);
    }

    /** Gives a file to the page's file chooser. */
    void give(Path file) {
        waitFor(
                        () -> driver.findElements(By.cssSelector("input[type=file]")).stream()
                                .findFirst()
                                .orElse(null),
                        "for a file chooser")
                .sendKeys(file.toAbsolutePath().toString());
    }

    String valueOf(String label) {
        return field(label).getAttribute("value");
    }

    /** The field whose label is exactly this, or else begins with it. */
    private WebElement field(String label) {
        By exact = By.xpath("//input[@id=//label[normalize-space(.)=" + quoted(label) + "]/@for]");
        return driver.findElements(exact).stream()
                .filter(WebElement::isDisplayed)
                .findFirst()
                .orElseGet(() -> fieldLike(label));
    }

    private WebElement fieldLike(String label) {
        return see(By.xpath("//*[self::input or self::textarea][@aria-label=" + quoted(label)
                + " or @id=//label[starts-with(normalize-space(.), " + quoted(label) + ")]/@for]"));
    }

    void keys(CharSequence keys) {
        driver.switchTo().activeElement().sendKeys(keys);
    }

    /** Whether it is there to be seen, now. */
    boolean has(By by) {
        return driver.findElements(by).stream().anyMatch(WebElement::isDisplayed);
    }

    boolean shows(String text) {
        return driver.findElement(By.tagName("body"))
                .getText()
                .replace('\u00a0', ' ')
                .contains(text);
    }

    /** Fills the new jars that a walk begins with, from so many flowers of the first tree of each; tells how many jars. */
    int collectOnTheWalk(int flowers, int doses) {
        int filled = 0;
        String header = see(By.cssSelector("header b")).getText();
        while (header.startsWith("Collect ")) {
            for (int i = 0; i < flowers; i++) {
                click(By.cssSelector("[data-collect] button[aria-label$=': one more']"));
            }
            type("Doses", String.valueOf(doses));
            press("Into the jar · " + doses + " doses");
            String before = header;
            waitFor(
                    () -> see(By.cssSelector("header b")).getText().equals(before) ? null : true,
                    "for the jar to be filled");
            filled++;
            header = see(By.cssSelector("header b")).getText();
        }
        return filled;
    }

    void goTo(String page) {
        click(By.xpath("//nav[@aria-label='Pages']//a[starts-with(normalize-space(.), " + quoted(page) + ")]"));
    }

    <T> T waitFor(Supplier<T> found, String what) {
        return new WebDriverWait(driver, PATIENCE, Duration.ofMillis(120))
                .withMessage(() -> "waited " + what + "; the page says:\n"
                        + driver.findElement(By.tagName("body")).getText())
                .ignoring(StaleElementReferenceException.class)
                .ignoring(org.openqa.selenium.ElementClickInterceptedException.class)
                .until(d -> found.get());
    }

    /** Every host that this page has asked for anything. */
    @SuppressWarnings("unchecked")
    List<String> hostsAsked() {
        return (List<String>) driver.executeScript(
                "return [...new Set(performance.getEntriesByType('resource').map(e => new URL(e.name).host)"
                        + ".concat(location.host))]");
    }

    /** What the browser complained about, but for refusals that the journey provokes. */
    List<String> complaints() {
        return driver.manage().logs().get(LogType.BROWSER).getAll().stream()
                .map(e -> e.getMessage())
                .filter(m -> !m.contains("status of 4"))
                .toList();
    }

    /** Violations of the accessibility rules, with the place of the first. */
    /** Looked at from the top of the page: what stays in sight while one scrolls half covers whatever is just under it. */
    List<String> accessibilityViolations() {
        driver.executeScript("window.scrollTo(0, 0)");
        // What is still fading in has no contrast of its own yet.
        await("""
                const moving = document.getAnimations().filter(a => a.effect?.getComputedTiming().endTime < 5000);
                await Promise.race([Promise.allSettled(moving.map(a => a.finished)), new Promise(r => setTimeout(r, 5000))]);
                return '';""");
        return analysed().stream()
                .map(r -> r.getId() + ": " + r.getNodes().get(0).getHtml())
                .toList();
    }

    /** The tool gives a window one second to open, which a busy machine does not always keep: then it is asked once more. */
    private List<Rule> analysed() {
        AxeBuilder axe = new AxeBuilder().withTags(List.of("wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"));
        try {
            return axe.analyze(driver).getViolations();
        } catch (RuntimeException noWindow) {
            return axe.analyze(driver).getViolations();
        }
    }

    /**
     * Buttons, links and fields that a notice lies over even where one scrolls to them. A notice stays 20 seconds; those under it while
     * the page is still being turned, three seconds at most, do not count.
     */
    List<String> controlsUnderNotices() {
        Instant settled = Instant.now().plusSeconds(3);
        List<String> covered = controlsUnderNoticesNow();
        while (!covered.isEmpty() && Instant.now().isBefore(settled)) {
            covered = controlsUnderNoticesNow();
        }
        return covered;
    }

    private List<String> controlsUnderNoticesNow() {
        @SuppressWarnings("unchecked")
        List<String> covered = (List<String>) driver.executeScript("""
                const notices = [...document.querySelectorAll('.mantine-Notifications-root')];
                const controls = document.querySelectorAll('button, a[href], input, select, textarea');
                return [...controls]
                  .filter(c => !notices.some(n => n.contains(c)) && c.offsetParent !== null)
                  .filter(c => {
                    c.scrollIntoView({block: 'center'});
                    const r = c.getBoundingClientRect();
                    const there = document.elementFromPoint(r.left + r.width / 2, r.top + r.height / 2);
                    return notices.some(n => n.contains(there));
                  })
                  .map(c => c.getAttribute('aria-label') || c.textContent);
                """);
        return covered;
    }

    long widthBeyondTheScreen() {
        return (Long)
                driver.executeScript("return Math.max(0, document.documentElement.scrollWidth - window.innerWidth)");
    }

    /** Puts the mouse and the focus away and saves the picture. */
    void picture(String name) {
        Path folder = Path.of(System.getProperty("evenhand.pictures"));
        try {
            driver.executeScript("window.scrollTo(0, 0); if (document.activeElement) document.activeElement.blur()");
            waitUntilGone(By.cssSelector(".mantine-Notification-root"));
            Files.createDirectories(folder);
            Files.write(folder.resolve(name + ".png"), driver.getScreenshotAs(OutputType.BYTES));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Nothing but the application itself was asked, and nothing went wrong unseen. */
    void assertKeptToItself() {
        String host = address.substring("http://".length());
        assertThat(hostsAsked()).containsOnly(host);
        assertThat(complaints()).isEmpty();
    }

    void signIn() {
        signInAs("ines@heron-bank.example");
    }

    /** Signs in as somebody of the demo orchard. */
    void signInAs(String email) {
        type("E-mail address", email);
        type("Password", "black cup soft brush");
        press("Sign in");
        see(By.xpath("//nav[@aria-label='Pages' or @aria-label='Pages, short']"));
    }

    private static String quoted(String text) {
        return text.contains("'") ? "\"" + text + "\"" : "'" + text + "'";
    }

    @Override
    public void close() {
        driver.quit();
    }
}
