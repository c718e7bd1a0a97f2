package org.evenhand.photo;

import java.util.List;
import org.evenhand.kit.RecordKind;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Records of this room that can be mended. */
@Configuration(proxyBeanMethods = false)
class PhotoRecords {
    @Bean
    RecordKind recordPhotoKind(RecordPhotos photos) {
        return new RecordKind(
                "record-photo", RecordPhoto.class, (caller, id) -> List.of(), photos::remove, photos::restore);
    }
}
