package org.evenhand.core.crop;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;

/** Shipped sheets with something changed. */
public final class TestSheets {
    private TestSheets() {}

    /** The text of a shipped file. */
    public static String text(String crop) {
        try (InputStream stream = TestSheets.class.getResourceAsStream("/crops/" + crop + ".yaml")) {
            return new String(stream.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public static List<CropSheet> read(String yaml) {
        return CropSheetReader.read(
                "test.yaml", new ByteArrayInputStream(yaml.getBytes(StandardCharsets.UTF_8)), Map.of());
    }

    /** The shipped cherimoya with one piece of its text replaced by another. */
    public static CropSheet cherimoyaWith(String from, String to) {
        String shipped = text("cherimoya");
        if (!shipped.contains(from)) {
            throw new IllegalArgumentException("The shipped sheet does not say: " + from);
        }
        return read(shipped.replace(from, to)).get(0);
    }
}
