package org.evenhand.kit;

/**
 * Sheets of labels in common sizes, in points (1/72 inch). Sizes are those printed on such sheets; common practice.
 *
 * <p>Left and top are the margins to the first label; the pitch is from one label's edge to the next one's.
 */
public enum LabelGrid {
    A4_3_BY_7(mm(210), mm(297), 3, 7, mm(7.2), mm(15.1), mm(63.5), mm(38.1), mm(66.0), mm(38.1)),
    A4_5_BY_13(mm(210), mm(297), 5, 13, mm(4.75), mm(10.7), mm(38.1), mm(21.2), mm(40.6), mm(21.2)),
    LETTER_3_BY_10(612, 792, 3, 10, 13.5, 36, 189, 72, 198, 72),
    LETTER_2_BY_5(612, 792, 2, 5, 11.25, 36, 288, 144, 300.75, 144),
    /** One to a page, for a small label printer. */
    ONE_UP(mm(62), mm(29), 1, 1, 0, 0, mm(62), mm(29), mm(62), mm(29));

    private final double pageWidth;
    private final double pageHeight;
    private final int columns;
    private final int rows;
    private final double left;
    private final double top;
    private final double width;
    private final double height;
    private final double acrossPitch;
    private final double downPitch;

    LabelGrid(
            double pageWidth,
            double pageHeight,
            int columns,
            int rows,
            double left,
            double top,
            double width,
            double height,
            double acrossPitch,
            double downPitch) {
        this.pageWidth = pageWidth;
        this.pageHeight = pageHeight;
        this.columns = columns;
        this.rows = rows;
        this.left = left;
        this.top = top;
        this.width = width;
        this.height = height;
        this.acrossPitch = acrossPitch;
        this.downPitch = downPitch;
    }

    /** A label's place on its page, its lower left corner counted from the page's. */
    public record Cell(double x, double y, double width, double height) {}

    public double pageWidth() {
        return pageWidth;
    }

    public double pageHeight() {
        return pageHeight;
    }

    public int perPage() {
        return columns * rows;
    }

    /** The place of the label number {@code index} on its page, row by row. */
    public Cell cell(int index) {
        int row = index / columns;
        int column = index % columns;
        return new Cell(left + column * acrossPitch, pageHeight - top - row * downPitch - height, width, height);
    }

    private static double mm(double millimetres) {
        return millimetres * 72 / 25.4;
    }
}
