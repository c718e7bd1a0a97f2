package org.evenhand.kit;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Tells whoever started the application, by a file, that it answers. */
@Component
class ReadyMark {
    private final String file;

    ReadyMark(@Value("${even-hand.ready-file:}") String file) {
        this.file = file;
    }

    @EventListener(ApplicationReadyEvent.class)
    void tell() throws IOException {
        if (!file.isBlank()) {
            Files.writeString(Path.of(file), "");
        }
    }
}
