package org.evenhand.walk;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.evenhand.kit.Messages;
import org.evenhand.kit.PdfText;
import org.evenhand.planning.RoundView;

/**
 * A round on one page to carry: a line for each stop, with room to write how many were done. Many stops make the lines lower, never
 * the page longer; what does not fit in a column is shortened with an ellipsis.
 */
final class PaperRound {
    private static final float MARGIN = 36;
    private static final float HIGHEST_ROW = 34;
    private static final float[] COLUMNS = {0, 24, 150, 300, 372, 414, 462};

    private final String title;
    private final List<RoundView.StopView> stops;
    private final List<String> flowers;
    private final List<String> cautions;
    private final Messages language;

    /**
     * @param flowers what to look for at each stop, in words
     */
    PaperRound(
            String title,
            List<RoundView.StopView> stops,
            List<String> flowers,
            List<String> cautions,
            Messages language) {
        this.title = title;
        this.stops = List.copyOf(stops);
        this.flowers = List.copyOf(flowers);
        this.cautions = List.copyOf(cautions);
        this.language = language;
    }

    byte[] pdf() {
        try (PDDocument document = new PDDocument()) {
            document.getDocumentInformation().setTitle(title);
            PdfText type = PdfText.of(document);
            PDPage page = new PDPage(PDRectangle.A4);
            document.addPage(page);
            try (PDPageContentStream content = new PDPageContentStream(document, page)) {
                new Drawing(content, type, page.getMediaBox()).draw();
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** One drawing of the page. */
    private final class Drawing {
        private final PDPageContentStream content;
        private final PdfText type;
        private final float width;
        private float y;

        Drawing(PDPageContentStream content, PdfText type, PDRectangle page) {
            this.content = content;
            this.type = type;
            this.width = page.getWidth() - 2 * MARGIN;
            this.y = page.getHeight() - MARGIN;
        }

        void draw() throws IOException {
            y -= 16;
            text(title, 0, 15, width);
            y -= 14;
            text("Write down how many you did. Clean brush, cup and hands between two pollen parents.", 0, 9, width);
            List<String> care = new ArrayList<>();
            for (String caution : cautions) {
                care.addAll(type.wrapped(caution, 8.5f, width));
            }
            float footer = care.size() * 10.5f + 18;
            float row = Math.min(HIGHEST_ROW, (y - MARGIN - footer - 22) / Math.max(1, stops.size()));
            y -= 18;
            head();
            for (int i = 0; i < stops.size(); i++) {
                stop(i, row);
            }
            y -= 16;
            text("Take care", 0, 9.5f, width);
            for (String line : care) {
                y -= 10.5f;
                text(line, 0, 8.5f, width);
            }
        }

        private void head() throws IOException {
            String[] names = {"", "Tree", "Flowers to look for", "Jar", "Plan", "Done", "Other"};
            for (int c = 0; c < names.length; c++) {
                text(names[c], COLUMNS[c], 8.5f, columnWidth(c));
            }
            y -= 5;
            line();
        }

        private void stop(int i, float row) throws IOException {
            RoundView.StopView s = stops.get(i);
            float size = Math.max(4.5f, Math.min(11, row * 0.36f));
            float top = y;
            y = top - row * 0.45f;
            text(String.valueOf(i + 1), COLUMNS[0], size, columnWidth(0));
            text(s.treeName(), COLUMNS[1], size, columnWidth(1));
            text(flowers.get(i), COLUMNS[2], size, columnWidth(2));
            text(s.lotCode(), COLUMNS[3], size, columnWidth(3));
            text(String.valueOf(s.flowers()), COLUMNS[4], size, columnWidth(4));
            y = top - row * 0.85f;
            String place = (s.block().isEmpty() ? "" : s.block() + ", ") + "row " + s.row() + ", place " + s.position();
            text(place, COLUMNS[1], size * 0.8f, columnWidth(1));
            text(s.pollenParent(), COLUMNS[3], size * 0.8f, columnWidth(3));
            text(beside(s), COLUMNS[2], size * 0.8f, columnWidth(2));
            box(COLUMNS[5], top - row + 3, 40, row - 6);
            box(COLUMNS[6], top - row + 3, width - COLUMNS[6], row - 6);
            y = top - row;
            line();
        }

        /** The cross that the flowers belong to, or when they had pollen before, and what to clean first. */
        private String beside(RoundView.StopView s) {
            List<String> words = new ArrayList<>();
            if (s.cross() != null && s.cross().label() != null) {
                words.add("cross " + s.cross().label());
            }
            if (s.againOf() != null) {
                s.say().forEach(t -> words.add(language.say(t)));
            }
            if (!s.cleanBefore().isEmpty()) {
                words.add("first clean brush and cup");
            }
            return String.join("; ", words);
        }

        private float columnWidth(int c) {
            return (c + 1 < COLUMNS.length ? COLUMNS[c + 1] : width) - COLUMNS[c] - 6;
        }

        private void text(String text, float x, float size, float room) throws IOException {
            content.beginText();
            content.setFont(type.font(), size);
            content.newLineAtOffset(MARGIN + x, y);
            content.showText(type.fitting(text, size, room));
            content.endText();
        }

        private void line() throws IOException {
            content.setLineWidth(0.5f);
            content.moveTo(MARGIN, y);
            content.lineTo(MARGIN + width, y);
            content.stroke();
        }

        private void box(float x, float bottom, float wide, float high) throws IOException {
            content.setLineWidth(0.7f);
            content.addRect(MARGIN + x, bottom, wide, high);
            content.stroke();
        }
    }
}
