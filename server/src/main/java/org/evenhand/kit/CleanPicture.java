package org.evenhand.kit;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Iterator;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import org.evenhand.core.InvalidInputException;

/**
 * A picture drawn anew as a JPEG of at most {@value #LONGEST} pixels: what a camera writes beside it, the place above all, is not
 * taken over.
 */
public final class CleanPicture {
    /** Largest picture that is taken in, bytes. */
    public static final int MOST_BYTES = 8_000_000;
    /** The same as it is sent, in base64 with what is said of it; a little more is refused in words of its own. */
    public static final long MOST_SENT = 2L * MOST_BYTES;

    private static final int LONGEST = 1600;
    private static final int MOST_PIXELS = 60_000_000;

    private CleanPicture() {}

    /**
     * @throws InvalidInputException when it is too large, or no JPEG or PNG
     */
    public static byte[] of(byte[] given) {
        if (given.length > MOST_BYTES) {
            throw new InvalidInputException(
                    "data", "is " + given.length / 1000 + " kB; allowed are " + MOST_BYTES / 1000 + " kB.");
        }
        try {
            return jpeg(fitting(read(given)));
        } catch (IOException e) {
            throw new InvalidInputException("data", "cannot be read as a picture. Send a JPEG or a PNG.");
        }
    }

    private static BufferedImage read(byte[] given) throws IOException {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(given))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw new InvalidInputException("data", "is no picture that can be read. Send a JPEG or a PNG.");
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, true, true);
                // Before it is unpacked: a small file can hold a picture that fills the memory.
                if ((long) reader.getWidth(0) * reader.getHeight(0) > MOST_PIXELS) {
                    throw new InvalidInputException(
                            "data",
                            "is " + reader.getWidth(0) + " by " + reader.getHeight(0) + " pixels; that is too large.");
                }
                return reader.read(0);
            } finally {
                reader.dispose();
            }
        }
    }

    private static BufferedImage fitting(BufferedImage image) {
        double scale = Math.min(1, (double) LONGEST / Math.max(image.getWidth(), image.getHeight()));
        int width = Math.max(1, (int) Math.round(image.getWidth() * scale));
        int height = Math.max(1, (int) Math.round(image.getHeight() * scale));
        BufferedImage drawn = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = drawn.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        g.setColor(Color.WHITE);
        g.fillRect(0, 0, width, height);
        g.drawImage(image, 0, 0, width, height, null);
        g.dispose();
        return drawn;
    }

    private static byte[] jpeg(BufferedImage image) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "jpg", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
