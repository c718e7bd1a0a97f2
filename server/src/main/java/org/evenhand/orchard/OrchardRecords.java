package org.evenhand.orchard;

import java.util.List;
import org.evenhand.kit.RecordKind;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Records of this room that can be mended. */
@Configuration(proxyBeanMethods = false)
class OrchardRecords {
    @Bean
    RecordKind treeKind(Orchards orchards) {
        return new RecordKind("tree", Tree.class, (caller, id) -> List.of(), orchards::voidTree, orchards::restoreTree);
    }
}
