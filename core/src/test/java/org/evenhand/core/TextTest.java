package org.evenhand.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Map;
import org.junit.jupiter.api.Test;

class TextTest {
    @Test
    void a_text_is_a_key_with_the_values_that_are_there() {
        assertThat(Text.of("save.doses", "n", 3, "fathers", "Lantern", "day", null))
                .isEqualTo(new Text("save.doses", Map.of("n", 3, "fathers", "Lantern")));
        assertThat(Text.sheet("Gently.").values()).containsEntry("sheet", "Gently.");
    }

    @Test
    void a_sentence_is_no_key_and_a_value_without_a_name_is_refused() {
        assertThatThrownBy(() -> Text.of("There is no pollen."))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("There is no pollen.");
        assertThatThrownBy(() -> Text.of("save.doses", "n"))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("save.doses");
    }
}
