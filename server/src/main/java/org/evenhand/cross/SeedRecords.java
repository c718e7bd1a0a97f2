package org.evenhand.cross;

import java.util.List;
import org.evenhand.kit.RecordKind;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Records of this room that can be mended. */
@Configuration(proxyBeanMethods = false)
class SeedRecords {
    @Bean
    RecordKind seedLotKind(SeedLots lots) {
        return new RecordKind("seed-lot", SeedLot.class, (caller, id) -> List.of(), lots::voidLot, lots::restoreLot);
    }

    @Bean
    RecordKind seedStepKind(SeedLots lots) {
        return new RecordKind(
                "seed-step",
                SeedStep.class,
                (caller, id) -> List.of(),
                (caller, id, request) -> lots.voidStep(caller, lots.lotOf(caller, id), id, request),
                lots::restoreStep);
    }

    @Bean
    RecordKind seedlingKind(Seedlings seedlings) {
        return new RecordKind(
                "seedling",
                Seedling.class,
                (caller, id) -> List.of(),
                seedlings::voidSeedling,
                seedlings::restoreSeedling);
    }

    @Bean
    RecordKind seedlingStepKind(Seedlings seedlings) {
        return new RecordKind(
                "seedling-step",
                SeedlingStep.class,
                (caller, id) -> List.of(),
                (caller, id, request) -> seedlings.voidStep(caller, seedlings.seedlingOf(caller, id), id, request),
                seedlings::restoreStep);
    }
}
