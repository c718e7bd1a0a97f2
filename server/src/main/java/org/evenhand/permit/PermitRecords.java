package org.evenhand.permit;

import java.util.List;
import org.evenhand.kit.RecordKind;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Records of this room that can be mended. */
@Configuration(proxyBeanMethods = false)
class PermitRecords {
    @Bean
    RecordKind permitKind(Permits permits) {
        return new RecordKind("permit", Permit.class, (caller, id) -> List.of(), permits::remove, permits::restore);
    }
}
