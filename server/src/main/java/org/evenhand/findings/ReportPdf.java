package org.evenhand.findings;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Optional;
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
    /** Room for the bars, on the right. */
    private static final float BARS = 140;
    /** Room for half a figure beyond the end of the axis. */
    private static final float BEYOND = 12;

    private static final float HEAD = 9;
    private static final float GAP = 14;

    private static final double[] AXIS = {0, 0.5, 1};

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

    /**
     * A share with its interval, as a picture.
     *
     * @param few whether the flowers are few: its bar is hollow
     */
    record Bar(double share, double lower, double upper, boolean few) {
        static Bar of(FindingsView.SetRate rate, boolean few) {
            return new Bar(rate.share(), rate.lower(), rate.upper(), few);
        }
    }

    /** @param bar absent where nothing is decided */
    record Row(List<String> cells, Optional<Bar> bar) {}

    /** Words and numbers, and beside them each row's share on one axis from 0 to 100 %. */
    void table(String heading, List<String> columns, List<Row> rows) {
        if (rows.isEmpty()) {
            return;
        }
        try {
            heading(heading);
            need(2 * LEADING);
            float[] starts = starts(columns, rows);
            line(columns, starts, HEAD);
            axis();
            page.setLineWidth(0.5f);
            page.moveTo(MARGIN, y - 4);
            page.lineTo(MARGIN + width, y - 4);
            page.stroke();
            y -= 3;
            for (Row row : rows) {
                need(LEADING);
                line(row.cells(), starts, BODY);
                if (row.bar().isPresent()) {
                    draw(row.bar().get());
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Where each column begins, and the last one ends: as wide as what stands in it, the first taking what is left or lacks. */
    private float[] starts(List<String> columns, List<Row> rows) throws IOException {
        float[] starts = new float[columns.size() + 1];
        starts[columns.size()] = width - BEYOND - BARS - GAP;
        for (int c = columns.size() - 1; c > 0; c--) {
            float widest = type.width(type.printable(columns.get(c)), HEAD);
            for (Row row : rows) {
                widest = Math.max(widest, type.width(type.printable(row.cells().get(c)), BODY));
            }
            starts[c] = starts[c + 1] - widest - GAP;
        }
        return starts;
    }

    private void line(List<String> cells, float[] starts, float size) throws IOException {
        y -= LEADING;
        for (int c = 0; c < cells.size(); c++) {
            write(cells.get(c), starts[c], size, starts[c + 1] - starts[c] - GAP / 2);
        }
    }

    private float at(double share) {
        return MARGIN + width - BEYOND - BARS + (float) share * BARS;
    }

    private void axis() throws IOException {
        for (double share : AXIS) {
            String said = FindingWords.percent(share);
            float half = type.width(said, 8) / 2;
            write(said, at(share) - MARGIN - half, 8, 2 * half + 1);
        }
    }

    private void draw(Bar bar) throws IOException {
        float middle = y + BODY / 3;
        page.setLineWidth(0.3f);
        page.setStrokingColor(0.75f);
        for (double share : AXIS) {
            page.moveTo(at(share), y - 4);
            page.lineTo(at(share), y + LEADING - 4);
        }
        page.stroke();
        page.setStrokingColor(0f);
        page.setLineWidth(0.6f);
        page.addRect(at(bar.lower()), middle - 2.5f, Math.max(0.5f, at(bar.upper()) - at(bar.lower())), 5);
        if (bar.few()) {
            page.stroke();
        } else {
            page.setNonStrokingColor(0.72f);
            page.fillAndStroke();
            page.setNonStrokingColor(0f);
        }
        page.addRect(at(bar.share()) - 1.5f, middle - 4.5f, 3, 9);
        page.fill();
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
