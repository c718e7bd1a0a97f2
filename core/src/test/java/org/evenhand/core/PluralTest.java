package org.evenhand.core;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class PluralTest {
    @Test
    void one_is_one_and_none_are_several() {
        assertThat(Plural.of(1, "flower")).isEqualTo("1 flower");
        assertThat(Plural.of(0, "flower")).isEqualTo("0 flowers");
        assertThat(Plural.of(21, "person", "people")).isEqualTo("21 people");
    }
}
