package org.evenhand.crossing;

import java.text.Normalizer;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.evenhand.core.Plural;
import org.evenhand.core.Text;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CrossTraits;
import org.evenhand.core.crossing.CrossProtocol;

/** Steps on crosses, and their labels, in words. */
public final class CrossWords {
    private static final DateTimeFormatter TAG_DAY = DateTimeFormatter.ofPattern("dd.MM.yy", Locale.ROOT);
    private static final DateTimeFormatter LABEL_DAY = DateTimeFormatter.ofPattern("d MMM uuuu", Locale.ENGLISH);
    /** Letters that fit on a soft tag of common size, pressed by hand; our assumption. */
    private static final int TAG_LETTERS = 12;

    /** Said where a cross has its second visit. */
    public static final Text SAME_FLOWERS = Text.of("stop.same-flowers");

    private CrossWords() {}

    /** How a step is done, as its crop's growers say it. */
    public static List<Text> say(CropSheet sheet, CrossTraits traits, CrossProtocol.Step step, int flowers) {
        return switch (step) {
            case THIN ->
                Stream.concat(sheet(traits.thin()), Stream.of(clusters(traits, flowers)))
                        .toList();
            case EMASCULATE -> sheet(traits.emasculate()).toList();
            case BAG -> List.of(Text.sheet(traits.bag()));
            case POLLINATE -> strokes(sheet);
            case POLLINATE_AGAIN ->
                Stream.concat(Stream.of(SAME_FLOWERS), strokes(sheet).stream()).toList();
            case REBAG -> List.of(Text.of("cross.rebag"));
            case BAG_OFF -> List.of(Text.of("cross.bag-off"));
        };
    }

    private static Stream<Text> sheet(Optional<String> text) {
        return text.stream().map(Text::sheet);
    }

    private static Text clusters(CrossTraits traits, int flowers) {
        return Text.of(
                "cross.clusters", "n", (int) Math.ceil(flowers / traits.keep().value()));
    }

    /** How to lead the brush where seeds are wanted: as on the sheet, and the whole stigma. */
    public static List<Text> strokes(CropSheet sheet) {
        return List.of(Text.sheet(sheet.hand().strokes()), Text.of("strokes.seeds"));
    }

    /** A step in two words; empty for giving pollen. */
    public static String name(CrossProtocol.Step step) {
        return switch (step) {
            case THIN -> "Thin the cluster";
            case EMASCULATE -> "Emasculate";
            case BAG -> "Bag";
            case POLLINATE -> "";
            case POLLINATE_AGAIN -> "Once more";
            case REBAG -> "Bag again";
            case BAG_OFF -> "Bag off";
        };
    }

    /** What to press into a soft metal tag: number, mother, father, day. */
    static List<String> metalTag(String label, String mother, String father, Instant day, ZoneId zone) {
        return List.of(label, pressed(mother), pressed("X " + father), TAG_DAY.format(day.atZone(zone)));
    }

    /** What stands on a printed label. */
    static List<String> printed(ControlledCrossView c, Instant day, ZoneId zone) {
        return List.of(
                c.label(),
                c.mother() + " × " + c.father(),
                c.tree(),
                LABEL_DAY.format(day.atZone(zone)) + ", " + Plural.of(c.flowers(), "flower"));
    }

    /** Capital letters without accents, no more than fit. */
    private static String pressed(String text) {
        String plain = Normalizer.normalize(text, Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "")
                .toUpperCase(Locale.ROOT)
                .replaceAll("[^\\p{L}0-9 .-]", "");
        return plain.length() <= TAG_LETTERS
                ? plain
                : plain.substring(0, TAG_LETTERS - 1).strip() + ".";
    }
}
