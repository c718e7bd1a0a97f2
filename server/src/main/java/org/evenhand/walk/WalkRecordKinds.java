package org.evenhand.walk;

import java.util.List;
import org.evenhand.kit.RecordKind;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Records of this room that can be mended. */
@Configuration(proxyBeanMethods = false)
class WalkRecordKinds {
    @Bean
    RecordKind wordKind(Walks walks, WalkWordRepository words) {
        return new RecordKind(
                "word",
                WalkWord.class,
                (caller, id) -> List.of(),
                (caller, id, request) ->
                        walks.voidWord(caller, words.require(caller, id).walkId(), id, request),
                walks::restoreWord);
    }

    @Bean
    RecordKind photoKind(Walks walks, WalkPhotoRepository photos) {
        return new RecordKind(
                "photo",
                WalkPhoto.class,
                (caller, id) -> List.of(),
                (caller, id, request) ->
                        walks.voidPhoto(caller, photos.require(caller, id).walkId(), id, request),
                walks::restorePhoto);
    }
}
