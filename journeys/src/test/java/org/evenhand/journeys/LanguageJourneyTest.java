package org.evenhand.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;

/** Somebody who reads Spanish: chosen once, kept with the account, on the screens that are used under the trees. */
class LanguageJourneyTest extends DemoJourney {
    private static final By LANGUAGE = By.cssSelector("select[aria-label='Language, dates and numbers']");

    @Test
    @Order(1)
    void choose_spanish_and_find_it_again_after_a_reload() {
        browser.desk().open("/");
        browser.see(LANGUAGE);
        browser.click(By.xpath("//option[@value='es-ES']"));
        browser.see(By.xpath("//nav//a[normalize-space(.)='Hoy']"));
        browser.waitFor(() -> browser.heading().contains("polinice") ? true : null, "for the headline in Spanish");
        assertThat(browser.heading()).contains("en 10 árboles");
        browser.open("/");
        browser.waitFor(() -> browser.heading().contains("polinice") ? true : null, "for the headline in Spanish");
        assertThat(browser.accessibilityViolations()).as("Today in Spanish").isEmpty();
    }

    @Test
    @Order(2)
    void walk_and_count_in_spanish_on_a_phone() {
        browser.phone().open("/");
        browser.press("Empezar el recorrido");
        browser.seeText("Antes de ir");
        browser.press("Ir");
        browser.seeText("Recoger 1 de ");
        assertThat(browser.widthBeyondTheScreen()).isZero();
        browser.open("/bloom/key");
        browser.seeText("Responda solo lo que ve");
        browser.open("/fruit-set/walk");
        browser.seeText("Revisión 1 de ");
        assertThat(browser.widthBeyondTheScreen()).isZero();
        browser.desk().open("/");
        browser.click(By.xpath("//option[@value='en-GB']"));
        browser.see(By.xpath("//nav//a[normalize-space(.)='Today']"));
    }
}
