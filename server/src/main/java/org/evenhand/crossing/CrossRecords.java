package org.evenhand.crossing;

import java.util.List;
import org.evenhand.kit.RecordKind;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Records of this room that can be mended. */
@Configuration(proxyBeanMethods = false)
class CrossRecords {
    @Bean
    RecordKind crossKind(ControlledCrosses crosses) {
        return new RecordKind(
                "cross", ControlledCross.class, (caller, id) -> List.of(), crosses::voidCross, crosses::restoreCross);
    }

    @Bean
    RecordKind crossStepKind(ControlledCrosses crosses, CrossStepRepository steps) {
        return new RecordKind(
                "cross-step",
                CrossStep.class,
                (caller, id) -> List.of(),
                (caller, id, request) ->
                        crosses.voidStep(caller, steps.require(caller, id).crossId(), id, request),
                crosses::restoreStep);
    }
}
