package org.evenhand.fruitset;

import java.util.List;
import org.evenhand.kit.RecordKind;
import org.evenhand.orchard.Orchards;
import org.evenhand.pollination.Pollinations;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Records of this room that can be mended. */
@Configuration(proxyBeanMethods = false)
class FruitRecords {
    @Bean
    RecordKind checkKind(FruitChecks checks, FruitCheckRepository records, Pollinations pollinations) {
        return new RecordKind(
                "check",
                FruitCheck.class,
                (caller, id) -> {
                    FruitCheck check = records.require(caller, id);
                    String tree = pollinations.withIds(caller, List.of(check.pollinationId())).stream()
                            .map(p -> p.treeName())
                            .findFirst()
                            .orElse("");
                    return List.of(new RecordKind.Effect(RecordKind.What.FRUIT_SET, tree, check.flowers()));
                },
                checks::voidCheck,
                checks::restore);
    }

    @Bean
    RecordKind limbCountKind(LimbCounts counts, LimbCountRepository records, Orchards orchards) {
        return new RecordKind(
                "limb-count",
                LimbCount.class,
                (caller, id) -> {
                    LimbCount count = records.require(caller, id);
                    return List.of(new RecordKind.Effect(
                            RecordKind.What.FRUIT,
                            orchards.tree(caller, count.treeId()).name(),
                            count.fruits()));
                },
                counts::voidCount,
                counts::restore);
    }

    @Bean
    RecordKind fruitKind(Fruits fruits, FruitRepository records, Orchards orchards) {
        return new RecordKind(
                "fruit",
                Fruit.class,
                (caller, id) -> List.of(new RecordKind.Effect(
                        RecordKind.What.FRUIT,
                        orchards.tree(caller, records.require(caller, id).treeId())
                                .name(),
                        1)),
                fruits::voidFruit,
                fruits::restore);
    }
}
