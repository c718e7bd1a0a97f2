package org.evenhand.pollen;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.DecodeHintType;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.Result;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** Labels, read back as a person and a scanner would read them. */
class LabelsTest {
    private static final String LONG_NAME =
            "Upper Lantern Hill Selection From The Long Row By The Old Stone Wall, No. 7";

    private final TestServer server = TestServer.get();
    private final Api api = server.newOrchard();
    private final String lot = api.lot(api.tree(api.variety("Lantern"), "Lantern 1"), TestServer.NOW, 9)
            .id();

    private JsonNode sheet(String grid, String kind, String lotId, int copies, int skip) {
        return api.post("/api/labels", request(grid, kind, lotId, copies, skip))
                .expect(200)
                .body();
    }

    private static Map<String, Object> request(String grid, String kind, String lotId, int copies, int skip) {
        return Map.of(
                "grid", grid,
                "kind", kind,
                "skip", skip,
                "lots", List.of(Map.of("lotId", lotId, "copies", copies)));
    }

    private static byte[] pdf(JsonNode sheet) {
        return Base64.getDecoder().decode(sheet.path("pdf").asString());
    }

    @ParameterizedTest
    @CsvSource({
        "A4_3_BY_7, 595, 842, 20, 1, 21",
        "A4_5_BY_13, 595, 842, 66, 2, 65",
        "LETTER_3_BY_10, 612, 792, 30, 1, 30",
        "LETTER_2_BY_5, 612, 792, 11, 2, 10",
        "ONE_UP, 176, 82, 2, 2, 1"
    })
    void every_grid_puts_every_label_on_its_page_and_its_code_can_be_scanned(
            String grid, int width, int height, int copies, int pages, int perPage) throws Exception {
        byte[] pdf = pdf(sheet(grid, "JAR", lot, copies, 0));

        try (PDDocument document = Loader.loadPDF(pdf)) {
            assertThat(document.getNumberOfPages()).isEqualTo(pages);
            assertThat(Math.round(document.getPage(0).getMediaBox().getWidth())).isEqualTo(width);
            assertThat(Math.round(document.getPage(0).getMediaBox().getHeight()))
                    .isEqualTo(height);
            String text = new PDFTextStripper().getText(document);
            assertThat(text.split("LA-01", -1)).hasSize(copies + 1);
            assertThat(text).contains("Lantern").contains("Collected").contains("Use by");
        }
        for (int skip : new int[] {0, perPage - 1}) {
            try (PDDocument document = Loader.loadPDF(pdf(sheet(grid, "JAR", lot, 1, skip)))) {
                BufferedImage page = new PDFRenderer(document).renderImageWithDPI(0, 300);
                assertThat(scan(page).getText()).isEqualTo(server.address() + "/l/LA-01");
            }
        }
    }

    @Test
    void used_labels_of_the_first_sheet_are_left_blank() throws Exception {
        try (PDDocument document = Loader.loadPDF(pdf(sheet("A4_3_BY_7", "TAG", lot, 3, 19)))) {
            assertThat(document.getNumberOfPages()).isEqualTo(2);
        }
        assertThat(api.post("/api/labels", request("A4_3_BY_7", "TAG", lot, 1, 21))
                        .expect(400)
                        .errorAt("skip"))
                .contains("allowed is 0 to 20");
    }

    @Test
    void text_that_is_too_long_is_shortened_visibly_and_told() throws Exception {
        String wordy = api.lot(api.tree(api.variety(LONG_NAME), "Far 1"), TestServer.NOW, 9)
                .id();

        JsonNode sheet = sheet("A4_5_BY_13", "JAR", wordy, 1, 0);

        JsonNode told = sheet.path("shortened");
        assertThat(told.size()).isPositive();
        assertThat(told.get(0).path("line").asString()).isEqualTo(LONG_NAME);
        String printed = told.get(0).path("printed").asString();
        assertThat(printed).endsWith("…").startsWith("Upper Lantern");
        try (PDDocument document = Loader.loadPDF(pdf(sheet))) {
            assertThat(new PDFTextStripper().getText(document))
                    .contains(printed)
                    .doesNotContain("Stone Wall");
        }
    }

    @Test
    void the_printer_that_ships_shows_what_came_out() throws Exception {
        api.post("/api/printer", request("ONE_UP", "TAG", lot, 2, 0)).expect(200);

        JsonNode out = api.get("/api/printer").expect(200).body();

        assertThat(out.size()).isEqualTo(2);
        byte[] png = Base64.getDecoder().decode(out.get(0).path("png").asString());
        Result code = scan(ImageIO.read(new ByteArrayInputStream(png)));
        assertThat(code.getText()).endsWith("/l/LA-01");
        assertThat(server.newOrchard().get("/api/printer").body().size()).isZero();
    }

    private static Result scan(BufferedImage image) throws Exception {
        int[] pixels = image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
        RGBLuminanceSource source = new RGBLuminanceSource(image.getWidth(), image.getHeight(), pixels);
        return new QRCodeReader()
                .decode(new BinaryBitmap(new HybridBinarizer(source)), Map.of(DecodeHintType.TRY_HARDER, true));
    }
}
