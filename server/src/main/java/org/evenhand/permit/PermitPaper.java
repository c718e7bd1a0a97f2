package org.evenhand.permit;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.evenhand.core.InvalidInputException;
import org.evenhand.kit.CleanPicture;

/** A permit's paper as a PDF: one that is sent stays as it is, a picture is put on a page. */
final class PermitPaper {
    private static final byte[] PDF = "%PDF-".getBytes(StandardCharsets.US_ASCII);

    private PermitPaper() {}

    /** @throws InvalidInputException when it is too large, or neither a PDF nor a picture */
    static byte[] of(byte[] given) {
        return isPdf(given) ? readable(given) : onPage(CleanPicture.of(given));
    }

    private static boolean isPdf(byte[] given) {
        return given.length > PDF.length && java.util.Arrays.equals(given, 0, PDF.length, PDF, 0, PDF.length);
    }

    private static byte[] readable(byte[] given) {
        if (given.length > CleanPicture.MOST_BYTES) {
            throw new InvalidInputException(
                    "data",
                    "is " + given.length / 1000 + " kB; allowed are " + CleanPicture.MOST_BYTES / 1000 + " kB.");
        }
        try (PDDocument document = Loader.loadPDF(given)) {
            if (document.getNumberOfPages() == 0) {
                throw new InvalidInputException("data", "is a PDF without a page.");
            }
            return given;
        } catch (IOException e) {
            throw new InvalidInputException("data", "cannot be read as a PDF. Save it anew, or send a picture of it.");
        }
    }

    private static byte[] onPage(byte[] jpeg) {
        try (PDDocument document = new PDDocument()) {
            PDImageXObject image = JPEGFactory.createFromByteArray(document, jpeg);
            PDPage page = new PDPage(
                    image.getWidth() > image.getHeight()
                            ? new PDRectangle(PDRectangle.A4.getHeight(), PDRectangle.A4.getWidth())
                            : PDRectangle.A4);
            document.addPage(page);
            float width = page.getMediaBox().getWidth();
            float height = page.getMediaBox().getHeight();
            float scale = Math.min(width / image.getWidth(), height / image.getHeight());
            try (PDPageContentStream content = new PDPageContentStream(document, page)) {
                content.drawImage(
                        image,
                        (width - image.getWidth() * scale) / 2,
                        (height - image.getHeight() * scale) / 2,
                        image.getWidth() * scale,
                        image.getHeight() * scale);
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
