package org.evenhand.findings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.UUID;
import org.evenhand.EarlierVersion;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;

/** Trials that were drawn by earlier versions are read by this one, each place with its treatment. */
class StoredTrialsTest {
    @Test
    void places_of_version_18_name_their_arm() {
        EarlierVersion earlier = new EarlierVersion("18");
        earlier.alone("comparison");
        UUID tree = UUID.randomUUID();
        earlier.jdbc()
                .update(
                        """
                        insert into comparison (id, orchard_id, label, question, ways, slots, seed, note, recorded_by, recorded_at, zone, version)
                        values (?, ?, 'K1', 'NATURE', '[{"name": "by hand"}, {"name": "left alone"}]', ?::jsonb, 7, '', ?, now(), 'UTC', 0)""",
                        UUID.randomUUID(),
                        UUID.randomUUID(),
                        "[{\"treeId\": \"%1$s\", \"way\": 1}, {\"treeId\": \"%1$s\", \"way\": 0}]".formatted(tree),
                        UUID.randomUUID());
        earlier.migrateToLatest();

        String slots = earlier.jdbc().queryForObject("select slots::text from comparison", String.class);
        assertThat(Arrays.asList(JsonMapper.builder().build().readValue(slots, Comparison.Slot[].class)))
                .containsExactly(new Comparison.Slot(tree, 1), new Comparison.Slot(tree, 0));
        assertThat(earlier.jdbc().queryForObject("select arms -> 1 ->> 'name' from comparison", String.class))
                .isEqualTo("left alone");
    }
}
