package org.evenhand.findings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.evenhand.core.Units;
import org.evenhand.core.findings.AdjustedOdds;
import org.evenhand.core.findings.Factor;
import org.evenhand.core.findings.FactorContrast;
import org.evenhand.core.statistics.Proportion;
import org.evenhand.core.statistics.TwoProportions;
import org.evenhand.pollen.LotName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class FindingWordsTest {
    private static final UUID LANTERN = UUID.fromString("00000000-0000-7000-8000-000000000001");
    private static final UUID RIDGE = UUID.fromString("00000000-0000-7000-8000-000000000002");

    private final FactorNames.OfCrop names = new FactorNames.OfCrop(
            Units.METRIC,
            Map.of(LANTERN, "Lantern", RIDGE, "Pale Ridge"),
            Map.of(LANTERN, "Lantern 1"),
            Map.of(LANTERN, new LotName(LANTERN, "LA-01", "Lantern", List.of(LANTERN))),
            Map.of(RIDGE, "Tomas"),
            Map.of("parted", "Tips parted"));

    private static FactorContrast contrast(String usual, int a, int n, String other, int b, int m) {
        return FactorContrast.of(List.of(
                        new FactorContrast.Class(usual, new Proportion(a, n)),
                        new FactorContrast.Class(other, new Proportion(b, m))))
                .orElseThrow();
    }

    @Test
    void a_contrast_says_both_shares_and_what_is_sure() {
        assertThat(FindingWords.contrast(contrast("0", 62, 100, "4", 22, 71), Factor.LOT_AGE, names))
                .isEqualTo("4 to 10 days: 31 % (22 of 71); within the hour: 62 % (62 of 100)."
                        + " 95 % sure that the first is at least 18 points lower.");
        assertThat(FindingWords.contrast(contrast("0", 5, 9, "4", 3, 6), Factor.LOT_AGE, names))
                .endsWith("That may be chance. Few flowers.");
        assertThat(FindingWords.contrast(
                        contrast(LANTERN.toString(), 10, 100, RIDGE.toString(), 60, 90), Factor.FATHER, names))
                .startsWith("Pale Ridge: 67 %")
                .contains("points higher");
    }

    /** Every factor that can be told has a change to propose when it is sure, and none when it is not. */
    @ParameterizedTest
    @EnumSource(
            value = Factor.class,
            names = {"EVENING", "TREATMENT", "TREE_AND_TREATMENT"},
            mode = EnumSource.Mode.EXCLUDE)
    void what_is_sure_changes_something_and_what_is_not_changes_nothing(Factor factor) {
        String one = factor.ordered() ? "0" : LANTERN.toString();
        String other = factor.ordered() ? "1" : RIDGE.toString();
        String sure = FindingWords.change(contrast(one, 80, 100, other, 10, 90), factor, names);
        assertThat(sure).isNotEmpty().endsWith(".").doesNotContain("null");
        assertThat(FindingWords.change(contrast(one, 8, 16, other, 7, 15), factor, names))
                .isEmpty();
        assertThat(FactorNames.title(factor)).isNotBlank();
    }

    @Test
    void classes_are_called_as_a_grower_would_and_what_was_removed_is_said() {
        assertThat(names.name(Factor.FATHER, "")).isEqualTo("several fathers, or its own");
        assertThat(names.name(Factor.STAGE, "")).isEqualTo("not recorded");
        assertThat(names.name(Factor.STAGE, "parted")).isEqualTo("tips parted");
        assertThat(names.name(Factor.LOT, LANTERN.toString())).isEqualTo("LA-01 Lantern");
        assertThat(names.name(Factor.LOT, RIDGE.toString())).isEqualTo("a removed jar");
        assertThat(names.name(Factor.TREE, RIDGE.toString())).isEqualTo("a removed tree");
        assertThat(names.name(Factor.HELPER, RIDGE.toString())).isEqualTo("Tomas");
        assertThat(names.name(Factor.EVENING, "2026-11-04")).isEqualTo("4 November");
        assertThat(names.name(Factor.STORAGE, "FRIDGE_DESICCANT")).isEqualTo("in the fridge with desiccant");
        assertThat(names.name(Factor.TOOL, "goat brush")).isEqualTo("goat brush");
    }

    @Test
    void hand_against_nature_is_said_either_way_and_left_open_where_it_is() {
        assertThat(hand(60, 100, 10, 50)).contains("the hand adds 2").endsWith("points.");
        assertThat(hand(10, 100, 30, 50)).contains("nature does better here, by");
        assertThat(hand(6, 10, 5, 10)).endsWith("not sure yet.");
    }

    private static String hand(int a, int n, int b, int m) {
        TwoProportions shares = new TwoProportions(new Proportion(a, n), new Proportion(b, m));
        return FindingWords.hand(shares, shares.difference(0.95));
    }

    @ParameterizedTest
    @EnumSource(AdjustedOdds.Reason.class)
    void what_is_left_out_of_the_model_says_why(AdjustedOdds.Reason reason) {
        assertThat(FindingWords.leftOut(new AdjustedOdds.LeftOut(Factor.LOT_AGE, "5", 14, reason), names))
                .startsWith("Age of the pollen, over 10 days (14 flowers): ")
                .endsWith(".");
    }

    @Test
    void a_long_report_goes_on_over_pages_and_loses_no_line() throws IOException {
        ReportPdf pdf = new ReportPdf("A season with ☃ in its name");
        pdf.section(
                "What was done",
                IntStream.range(0, 70)
                        .mapToObj(i -> "Sentence number " + i + ".")
                        .toList());
        pdf.table(
                "Trees",
                List.of("Tree", "Took"),
                IntStream.range(0, 60)
                        .mapToObj(i -> new ReportPdf.Row(List.of("Tree " + i, i + " of 99"), Optional.empty()))
                        .toList());
        pdf.table("Nothing", List.of("Never"), List.of());
        try (PDDocument document = Loader.loadPDF(pdf.bytes())) {
            String text = new PDFTextStripper().getText(document);
            assertThat(document.getNumberOfPages()).isGreaterThan(2);
            assertThat(text)
                    .contains("Sentence number 0.")
                    .contains("Sentence number 69.")
                    .contains("Tree 59")
                    .contains("59 of 99");
            assertThat(text).contains("A season with ? in its name").doesNotContain("Never");
        }
    }

    /** Seen as a reader sees it: the page is drawn, and the tallest dark mark in the room of the bars is the share. */
    @ParameterizedTest
    @ValueSource(doubles = {0, 0.25, 0.8, 1})
    void a_share_stands_on_paper_where_its_axis_says(double share) throws IOException {
        ReportPdf pdf = new ReportPdf("A season");
        ReportPdf.Bar bar = new ReportPdf.Bar(share, Math.max(0, share - 0.1), Math.min(1, share + 0.1), share < 0.5);
        pdf.table("Trees", List.of("Tree"), List.of(new ReportPdf.Row(List.of("One"), Optional.of(bar))));
        try (PDDocument document = Loader.loadPDF(pdf.bytes())) {
            BufferedImage page = new PDFRenderer(document).renderImageWithDPI(0, 144);
            double right = page.getWidth() / 2.0 - 50 - 12;
            int tallest = IntStream.range((int) (2 * right) - 300, page.getWidth())
                    .boxed()
                    .max(Comparator.comparingInt(x -> dark(page, x)))
                    .orElseThrow();
            assertThat(tallest / 2.0).isCloseTo(right - 140 + 140 * share, within(2.0));
        }
    }

    private static int dark(BufferedImage page, int x) {
        return (int) IntStream.range(0, page.getHeight())
                .filter(y -> (page.getRGB(x, y) & 0xff) < 60)
                .count();
    }
}
