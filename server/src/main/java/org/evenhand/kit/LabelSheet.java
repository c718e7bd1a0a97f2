package org.evenhand.kit;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import io.swagger.v3.oas.annotations.media.Schema;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.evenhand.core.Require;

/**
 * Labels as a PDF: a QR code at the left, lines of text beside it. A line that does not fit is set smaller, then shortened with an
 * ellipsis, and told in {@link #shortened}; nothing is cut silently.
 */
public final class LabelSheet {
    /** No more are printed at once. */
    public static final int MOST_LABELS = 500;

    private static final float LARGEST = 11;
    private static final float SMALLEST = 5.5f;
    private static final float LEADING = 1.18f;
    private static final int SCREEN_DOTS_PER_INCH = 110;

    private final LabelGrid grid;
    private final List<Shortened> shortened = new ArrayList<>();

    /**
     * A sheet, and the lines that had to be shortened.
     *
     * @param firstPage its first page as a PNG, to be looked at
     */
    @Schema(name = "LabelSheet")
    public record Sheet(byte[] pdf, byte[] firstPage, int labels, List<Shortened> shortened) {}

    /** The labels on as many sheets as they take. */
    public static Sheet of(LabelGrid grid, List<Label> labels, Integer skip) {
        LabelSheet sheet = new LabelSheet(grid);
        int used = skip == null ? 0 : Require.within("skip", skip, 0, grid.perPage() - 1);
        byte[] pdf = sheet.pdf(labels, used);
        return new Sheet(
                pdf,
                firstPage(pdf),
                labels.size(),
                sheet.shortened().stream().distinct().toList());
    }

    private static byte[] firstPage(byte[] pdf) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            ImageIO.write(
                    new PDFRenderer(document).renderImageWithDPI(0, SCREEN_DOTS_PER_INCH, ImageType.GRAY),
                    "png",
                    bytes);
            return bytes.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** One label: what its QR code holds, and its lines, the most important first. */
    public record Label(String code, String link, List<String> lines) {}

    /** A line that did not fit, and what stands on the label instead. */
    @Schema(name = "ShortenedLine")
    public record Shortened(String code, String line, String printed) {}

    public LabelSheet(LabelGrid grid) {
        this.grid = grid;
    }

    public List<Shortened> shortened() {
        return List.copyOf(shortened);
    }

    /**
     * The PDF.
     *
     * @param skip labels already used on the first sheet
     */
    public byte[] pdf(List<Label> labels, int skip) {
        try (PDDocument document = new PDDocument()) {
            document.getDocumentInformation().setTitle("Labels");
            PdfText type = PdfText.of(document);
            int at = skip;
            int next = 0;
            while (next < labels.size()) {
                PDPage page = new PDPage(new PDRectangle((float) grid.pageWidth(), (float) grid.pageHeight()));
                document.addPage(page);
                try (PDPageContentStream content = new PDPageContentStream(document, page)) {
                    for (; at < grid.perPage() && next < labels.size(); at++, next++) {
                        draw(content, type, labels.get(next), grid.cell(at));
                    }
                }
                at = 0;
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void draw(PDPageContentStream content, PdfText type, Label label, LabelGrid.Cell cell) throws IOException {
        float margin = (float) Math.min(6, cell.height() * 0.08);
        float qr = (float) Math.min(cell.height() - 2 * margin, cell.width() * 0.38);
        float x = (float) cell.x() + margin;
        qr(content, label.link(), x, (float) (cell.y() + (cell.height() - qr) / 2), qr);
        float textX = x + qr + margin;
        float width = (float) (cell.x() + cell.width()) - margin - textX;
        float height = (float) cell.height() - 2 * margin;
        float size =
                Math.max(SMALLEST, Math.min(LARGEST, height / (label.lines().size() * LEADING)));
        int most = Math.max(1, (int) Math.floor(height / (SMALLEST * LEADING) + 0.01));
        List<String> lines =
                label.lines().subList(0, Math.min(most, label.lines().size()));
        label.lines().stream().skip(lines.size()).forEach(l -> shortened.add(new Shortened(label.code(), l, "")));
        float y = (float) (cell.y() + cell.height()) - margin - size;
        for (String line : lines) {
            text(content, type, label.code(), line, new Line(textX, y, width, size));
            y -= size * LEADING;
        }
    }

    private record Line(float x, float y, float width, float size) {}

    private void text(PDPageContentStream content, PdfText type, String code, String line, Line at) throws IOException {
        String clean = type.printable(line);
        float size = at.size();
        while (size > SMALLEST && type.width(clean, size) > at.width()) {
            size -= 0.25f;
        }
        String fitting = type.fitting(clean, size, at.width());
        if (!fitting.equals(line)) {
            shortened.add(new Shortened(code, line, fitting));
        }
        content.beginText();
        content.setFont(type.font(), size);
        content.newLineAtOffset(at.x(), at.y());
        content.showText(fitting);
        content.endText();
    }

    private static void qr(PDPageContentStream content, String link, float x, float y, float size) throws IOException {
        BitMatrix bits = bits(link);
        float module = size / bits.getWidth();
        for (int row = 0; row < bits.getHeight(); row++) {
            for (int column = 0; column < bits.getWidth(); column++) {
                if (bits.get(column, row)) {
                    content.addRect(x + column * module, y + size - (row + 1) * module, module, module);
                }
            }
        }
        content.fill();
    }

    private static BitMatrix bits(String link) {
        try {
            return new QRCodeWriter()
                    .encode(
                            link,
                            BarcodeFormat.QR_CODE,
                            0,
                            0,
                            Map.of(EncodeHintType.MARGIN, 2, EncodeHintType.ERROR_CORRECTION, ErrorCorrectionLevel.M));
        } catch (WriterException e) {
            throw new IllegalStateException("No QR code can hold " + link, e);
        }
    }
}
