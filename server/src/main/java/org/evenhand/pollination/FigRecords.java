package org.evenhand.pollination;

import java.util.List;
import org.evenhand.kit.RecordKind;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Measured figs, as they are mended in the story. */
@Configuration(proxyBeanMethods = false)
class FigRecords {
    @Bean
    RecordKind figKind(Figs figs) {
        return new RecordKind("fig", FigMeasure.class, (caller, id) -> List.of(), figs::voidMeasure, figs::restore);
    }
}
