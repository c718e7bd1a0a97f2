package org.evenhand.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import javax.imageio.ImageIO;
import org.evenhand.core.InvalidInputException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Pictures stand upright however the phone was held, and say nothing of where they were taken. */
class CleanPictureTest {
    /** A red corner at the top left of what was seen, on a picture that lies as the camera wrote it. */
    private static byte[] written(int width, int height, int redX, int redY, int orientation) throws IOException {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = image.createGraphics();
        g.setColor(Color.WHITE);
        g.fillRect(0, 0, width, height);
        g.setColor(Color.RED);
        g.fillRect(redX * width / 2, redY * height / 2, width / 2, height / 2);
        g.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "jpg", out);
        return withOrientation(out.toByteArray(), orientation);
    }

    /** Puts an Exif segment with nothing but the orientation behind the first mark of a JPEG. */
    private static byte[] withOrientation(byte[] jpeg, int orientation) {
        byte[] exif = {
            (byte) 0xFF,
            (byte) 0xE1,
            0,
            34,
            'E',
            'x',
            'i',
            'f',
            0,
            0,
            'M',
            'M',
            0,
            42,
            0,
            0,
            0,
            8,
            0,
            1,
            1,
            0x12,
            0,
            3,
            0,
            0,
            0,
            1,
            0,
            (byte) orientation,
            0,
            0,
            0,
            0,
            0,
            0
        };
        byte[] all = new byte[jpeg.length + exif.length];
        System.arraycopy(jpeg, 0, all, 0, 2);
        System.arraycopy(exif, 0, all, 2, exif.length);
        System.arraycopy(jpeg, 2, all, 2 + exif.length, jpeg.length - 2);
        return all;
    }

    /** Where the top left of what was seen lies in the file, by TIFF 6.0: row 0 and column 0 of each orientation. */
    @ParameterizedTest
    @CsvSource({
        "1,0,0,false",
        "2,1,0,false",
        "3,1,1,false",
        "4,0,1,false",
        "5,0,0,true",
        "6,0,1,true",
        "7,1,1,true",
        "8,1,0,true"
    })
    void a_picture_stands_upright(int orientation, int redX, int redY, boolean lying) throws IOException {
        byte[] clean = CleanPicture.of(written(200, 100, redX, redY, orientation));

        BufferedImage drawn = ImageIO.read(new ByteArrayInputStream(clean));
        assertThat(drawn.getWidth()).isEqualTo(lying ? 100 : 200);
        assertThat(new Color(drawn.getRGB(10, 10)).getGreen())
                .as("its top left is red")
                .isLessThan(80);
        assertThat(new Color(drawn.getRGB(drawn.getWidth() - 10, drawn.getHeight() - 10)).getGreen())
                .as("its bottom right is not")
                .isGreaterThan(180);
        assertThat(new String(clean, java.nio.charset.StandardCharsets.ISO_8859_1))
                .doesNotContain("Exif");
    }

    @Test
    void large_ones_are_drawn_small_and_other_kinds_refused() throws IOException {
        BufferedImage drawn = ImageIO.read(new ByteArrayInputStream(CleanPicture.of(written(7_000, 3_500, 0, 0, 1))));
        assertThat(drawn.getWidth()).isEqualTo(1_600);
        ByteArrayOutputStream gif = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(20, 20, BufferedImage.TYPE_INT_RGB), "gif", gif);
        assertThatThrownBy(() -> CleanPicture.of(gif.toByteArray()))
                .isInstanceOf(InvalidInputException.class)
                .hasMessageContaining("no JPEG or PNG");
    }
}
