package org.evenhand.judging;

import java.util.List;
import org.evenhand.kit.RecordKind;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Records of this room that can be mended. */
@Configuration(proxyBeanMethods = false)
class JudgingRecords {
    @Bean
    RecordKind traitKind(Scores scores) {
        return new RecordKind("trait", Trait.class, (caller, id) -> List.of(), scores::voidTrait, scores::restoreTrait);
    }

    @Bean
    RecordKind scoreKind(Scores scores) {
        return new RecordKind("score", Score.class, (caller, id) -> List.of(), scores::voidScore, scores::restoreScore);
    }
}
