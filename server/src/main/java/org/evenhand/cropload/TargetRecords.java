package org.evenhand.cropload;

import java.util.List;
import org.evenhand.kit.RecordKind;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Fruit that is wanted, as it is mended in the story. */
@Configuration(proxyBeanMethods = false)
class TargetRecords {
    @Bean
    RecordKind targetKind(Targets targets) {
        return new RecordKind(
                "fruit-target", FruitTarget.class, (caller, id) -> List.of(), targets::voidTarget, targets::restore);
    }
}
