package org.evenhand.pollen;

import java.util.List;
import org.evenhand.kit.RecordKind;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Records of this room that can be mended. */
@Configuration(proxyBeanMethods = false)
class PollenRecords {
    @Bean
    RecordKind jarKind(PollenShelf shelf, PollenLotRepository lots) {
        return new RecordKind(
                "jar",
                PollenLot.class,
                (caller, id) -> {
                    PollenLot lot = lots.require(caller, id);
                    return List.of(new RecordKind.Effect(RecordKind.What.SHELF, lot.code(), lot.dosesLeft()));
                },
                shelf::voidLot,
                shelf::restore);
    }

    @Bean
    RecordKind jarStepKind(Jars jars, PollenStepRepository steps) {
        return new RecordKind(
                "jar-step",
                PollenStep.class,
                (caller, id) -> List.of(),
                (caller, id, request) ->
                        jars.voidStep(caller, steps.require(caller, id).lotId(), id, request),
                jars::restoreStep);
    }

    @Bean
    RecordKind jarTestKind(Jars jars, PollenTestRepository tests) {
        return new RecordKind(
                "jar-test",
                PollenTest.class,
                (caller, id) -> List.of(),
                (caller, id, request) ->
                        jars.voidTest(caller, tests.require(caller, id).lotId(), id, request),
                jars::restoreTest);
    }
}
