package org.evenhand.findings;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.evenhand.kit.PdfText;

/** Headings, sentences and tables on as many pages as they take. */
final class ReportPdf {
    private static final float MARGIN = 50;
    private static final float BODY = 10.5f;
    private static final float LEADING = 14.5f;

    private final PDDocument document = new PDDocument();
    private final PdfText type;
    private PDPageContentStream page;
    private float width;
    private float y;

    ReportPdf(String title) {
        try {
            document.getDocumentInformation().setTitle(title);
            type = PdfText.of(document);
            turn();
            write(title, 0, 18, width);
            y -= 12;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void turn() throws IOException {
        if (page != null) {
            page.close();
        }
        PDPage next = new PDPage(PDRectangle.A4);
        document.addPage(next);
        page = new PDPageContentStream(document, next);
        width = next.getMediaBox().getWidth() - 2 * MARGIN;
        y = next.getMediaBox().getHeight() - MARGIN - 18;
    }

    /** Keeps so many points together on a page. */
    private void need(float points) throws IOException {
        if (y - points < MARGIN) {
            turn();
        }
    }

    private void write(String text, float x, float size, float room) throws IOException {
        page.beginText();
        page.setFont(type.font(), size);
        page.newLineAtOffset(MARGIN + x, y);
        page.showText(type.fitting(text, size, room));
        page.endText();
    }

    private void heading(String text) throws IOException {
        if (!text.isEmpty()) {
            need(3 * LEADING);
            y -= 26;
            write(text, 0, 13, width);
            y -= 4;
        }
    }

    void section(String heading, List<String> sentences) {
        try {
            heading(heading);
            for (String sentence : sentences) {
                float indent = sentence.startsWith(" ") ? 16 : 0;
                for (String line : type.wrapped(sentence.strip(), BODY, width - indent)) {
                    need(LEADING);
                    y -= LEADING;
                    write(line, indent, BODY, width - indent);
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    void table(String heading, List<String> columns, List<List<String>> rows) {
        if (rows.isEmpty()) {
            return;
        }
        try {
            heading(heading);
            need(2 * LEADING);
            line(columns, 9);
            page.setLineWidth(0.5f);
            page.moveTo(MARGIN, y - 4);
            page.lineTo(MARGIN + width, y - 4);
            page.stroke();
            y -= 3;
            for (List<String> row : rows) {
                need(LEADING);
                line(row, BODY);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The first column takes twice the room of the others. */
    private void line(List<String> cells, float size) throws IOException {
        float each = width / (cells.size() + 1);
        y -= LEADING;
        for (int c = 0; c < cells.size(); c++) {
            write(cells.get(c), c == 0 ? 0 : (c + 1) * each, size, (c == 0 ? 2 : 1) * each - 6);
        }
    }

    byte[] bytes() {
        try {
            page.close();
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            document.close();
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
