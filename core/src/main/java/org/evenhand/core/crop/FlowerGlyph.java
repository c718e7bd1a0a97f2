package org.evenhand.core.crop;

/**
 * Parameters of the drawing of a flower in one stage.
 *
 * @param form the family of the drawing, one of {@link Form}
 * @param spread how far the petals stand apart, 0 (shut) to 1 (flat)
 * @param petal fill colour as {@code #rrggbb}
 * @param edge line colour as {@code #rrggbb}
 * @param accent colour of what is special to the form (stamens, stigma, eye) as {@code #rrggbb}
 * @param dome {@code hidden}, {@code tight}, {@code loose} or {@code bare}: the pollen bearing part
 * @param dust whether loose pollen is drawn
 */
public record FlowerGlyph(
        Form form, double spread, String petal, String edge, String accent, String dome, boolean dust) {

    /** Families of drawings. */
    public enum Form {
        /** Three narrow hanging petals round a dome. */
        ANNONA,
        /** Three broad petals, a nodding cup. */
        CUP,
        /** Three thick outer petals over three inner ones. */
        HEART,
        /** A long funnel of many petals. */
        CACTUS,
        /** Five round petals seen from the front. */
        FIVE,
        /** Fleshy petals under a brush of long stamens. */
        BRUSH,
        /** Five thick strap petals round a pistil. */
        STRAP,
        /** A closed fig with its ostiole. */
        FIG,
        /** A narrow tube. */
        TUBE,
        /** Wide petals round a wheel of stigmas or stamens. */
        WHEEL,
        /** Strands of small flowers out of a spathe. */
        STRANDS,
        /** Six small sepals, a star. */
        STAR
    }
}
