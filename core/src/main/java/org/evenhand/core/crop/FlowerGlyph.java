package org.evenhand.core.crop;

/**
 * Parameters of the drawing of a flower in one stage.
 *
 * @param form the family of the drawing, for example {@code annona}
 * @param spread how far the petals stand apart, 0 (shut) to 1 (flat)
 * @param petal fill colour as {@code #rrggbb}
 * @param edge line colour as {@code #rrggbb}
 * @param dome {@code hidden}, {@code tight}, {@code loose} or {@code bare}
 * @param dust whether loose pollen is drawn
 */
public record FlowerGlyph(String form, double spread, String petal, String edge, String dome, boolean dust) {}
