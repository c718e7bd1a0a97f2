package org.evenhand.pollination;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.RecordKind;
import org.evenhand.orchard.Orchards;
import org.evenhand.pollen.PollenShelf;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Records of this room that can be mended. */
@Configuration(proxyBeanMethods = false)
class PollinationRecords {
    @Bean
    RecordKind pollinationKind(
            Pollinations pollinations, PollinationRepository records, Orchards orchards, PollenShelf shelf) {
        return new RecordKind(
                "pollination",
                Pollination.class,
                (caller, id) -> effects(caller, records.require(caller, id), orchards, shelf),
                pollinations::voidPollination,
                pollinations::restore);
    }

    private static List<RecordKind.Effect> effects(Caller caller, Pollination p, Orchards orchards, PollenShelf shelf) {
        List<RecordKind.Effect> effects = new ArrayList<>();
        effects.add(new RecordKind.Effect(
                RecordKind.What.FRUIT_SET, orchards.tree(caller, p.treeId()).name(), p.flowers()));
        UUID jar = p.lotId();
        if (jar != null) {
            // Removed, it gives back what it has; restored, it draws for all its flowers again.
            int doses = !p.voided() ? shelf.drawn(jar, p.id()) : shelf.drewFrom(jar, p.id()) ? p.flowers() : 0;
            effects.add(new RecordKind.Effect(
                    RecordKind.What.DOSES, shelf.lot(caller, jar).code(), doses));
        }
        return effects;
    }
}
