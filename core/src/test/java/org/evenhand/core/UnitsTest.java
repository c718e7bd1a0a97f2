package org.evenhand.core;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class UnitsTest {
    /** The scales' fixed points: ice, steam, and where both meet. */
    @ParameterizedTest
    @CsvSource({"0,0 °C,32 °F", "100,100 °C,212 °F", "-40,-40 °C,-40 °F", "23.5,24 °C,74 °F"})
    void temperatures(double celsius, String metric, String imperial) {
        assertThat(Units.METRIC.temperature(celsius)).isEqualTo(metric);
        assertThat(Units.IMPERIAL.temperature(celsius)).isEqualTo(imperial);
    }

    /** NIST Special Publication 811, appendix B.8: an ounce is 28.34952 g, a pound 0.4535924 kg. */
    @Test
    void weights() {
        assertThat(Units.METRIC.fruit(463.7)).isEqualTo("464 g");
        assertThat(Units.IMPERIAL.fruit(10 * 28.34952)).isEqualTo("10.0 oz");
        assertThat(Units.METRIC.harvest(11.06)).isEqualTo("11.1 kg");
        assertThat(Units.IMPERIAL.harvest(100 * 0.4535924)).isEqualTo("100.0 lb");
    }

    @Test
    void classes_lie_between_their_bounds() {
        assertThat(Units.IMPERIAL.temperatureClasses(12, 16, 28))
                .containsExactly("below 54 °F", "54 to 61 °F", "61 to 82 °F", "82 °F and more");
    }
}
