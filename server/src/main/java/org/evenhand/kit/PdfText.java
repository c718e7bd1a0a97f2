package org.evenhand.kit;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/** Lines of text in a PDF: as wide as they are, and shortened visibly where they do not fit. */
public final class PdfText {
    private static final String FONT = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";
    private static final String ELLIPSIS = "\u2026";

    private final PDFont font;

    private PdfText(PDFont font) {
        this.font = font;
    }

    /** In the one typeface of printed pages, which is put into the document. */
    public static PdfText of(PDDocument document) throws IOException {
        try (InputStream file = PDDocument.class.getResourceAsStream(FONT)) {
            return new PdfText(PDType0Font.load(document, file));
        }
    }

    public PDFont font() {
        return font;
    }

    /** Width of a printable text at a size, in points. */
    public float width(String text, float size) throws IOException {
        return font.getStringWidth(text) / 1000 * size;
    }

    /** The text with a question mark for each character that the typeface does not have. */
    public String printable(String text) {
        StringBuilder clean = new StringBuilder();
        text.codePoints().forEach(c -> {
            try {
                font.encode(Character.toString(c));
                clean.appendCodePoint(c);
            } catch (IOException | IllegalArgumentException e) {
                clean.append('?');
            }
        });
        return clean.toString();
    }

    /** The printable text, with an ellipsis in place of what does not fit into so many points. */
    public String fitting(String text, float size, float room) throws IOException {
        String fitting = printable(text);
        while (fitting.length() > 1 && width(fitting, size) > room) {
            fitting = fitting.substring(0, fitting.length() - (fitting.endsWith(ELLIPSIS) ? 2 : 1))
                            .stripTrailing()
                    + ELLIPSIS;
        }
        return fitting;
    }

    /** The text in as many lines as it takes so that each is no wider than so many points, broken between words. */
    public List<String> wrapped(String text, float size, float room) throws IOException {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : text.split(" ")) {
            if (!line.isEmpty() && width(printable(line + " " + word), size) > room) {
                lines.add(line.toString());
                line.setLength(0);
            }
            line.append(line.isEmpty() ? "" : " ").append(word);
        }
        lines.add(line.toString());
        return lines;
    }
}
