package org.evenhand.pollen;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.swagger.v3.oas.annotations.media.Schema;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.springframework.stereotype.Component;

/** A stand-in for a small label printer: it keeps pictures of what came out, the latest first, for a day. */
@Component
class LabelPrinter {
    private static final int KEEPS = 24;
    /** Dots per inch of such printers; memory. */
    private static final int DOTS_PER_INCH = 203;

    private final Cache<UUID, List<Printed>> out = Caffeine.newBuilder()
            .expireAfterWrite(Duration.ofDays(1))
            .maximumSize(500)
            .build();

    /** One label that came out, as a PNG. */
    @Schema(name = "PrintedLabel")
    record Printed(Instant at, byte[] png) {}

    List<Printed> print(UUID orchardId, Instant at, byte[] pdf) {
        List<Printed> printed = new ArrayList<>();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            PDFRenderer renderer = new PDFRenderer(document);
            int first = Math.max(0, document.getNumberOfPages() - KEEPS);
            for (int page = document.getNumberOfPages() - 1; page >= first; page--) {
                printed.add(new Printed(at, png(renderer.renderImageWithDPI(page, DOTS_PER_INCH, ImageType.BINARY))));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.asMap().merge(orchardId, List.copyOf(printed), (before, now) -> {
            List<Printed> all = new ArrayList<>(now);
            all.addAll(before);
            return List.copyOf(all.subList(0, Math.min(KEEPS, all.size())));
        });
    }

    List<Printed> cameOut(UUID orchardId) {
        List<Printed> found = out.getIfPresent(orchardId);
        return found == null ? List.of() : found;
    }

    private static byte[] png(BufferedImage image) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(image, "png", bytes);
        return bytes.toByteArray();
    }
}
