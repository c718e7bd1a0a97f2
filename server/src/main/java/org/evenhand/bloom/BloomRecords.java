package org.evenhand.bloom;

import java.util.List;
import org.evenhand.kit.RecordKind;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Records of this room that can be mended. */
@Configuration(proxyBeanMethods = false)
class BloomRecords {
    @Bean
    RecordKind readingKind(Readings readings) {
        return new RecordKind(
                "reading",
                Reading.class,
                (caller, id) ->
                        List.of(new RecordKind.Effect(RecordKind.What.FORECAST, readings.treeOf(caller, id), 1)),
                readings::voidReading,
                readings::restore);
    }

    @Bean
    RecordKind bloomDateKind(BloomDiary diary) {
        return new RecordKind(
                "bloom-date", BloomDate.class, (caller, id) -> List.of(), diary::voidDate, diary::restore);
    }
}
