package org.evenhand.kit;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.exif.ExifIFD0Directory;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Iterator;
import java.util.Locale;
import java.util.Set;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import org.evenhand.core.InvalidInputException;

/**
 * A picture drawn anew, upright, as a JPEG of at most {@value #LONGEST} pixels: what a camera writes beside it, the place above all, is not
 * taken over.
 */
public final class CleanPicture {
    /** Largest picture that is taken in, bytes. */
    public static final int MOST_BYTES = 8_000_000;
    /** The same as it is sent, in base64 with what is said of it; a little more is refused in words of its own. */
    public static final long MOST_SENT = 2L * MOST_BYTES;

    private static final int LONGEST = 1600;
    private static final int MOST_PIXELS = 60_000_000;
    private static final int LAST_ORIENTATION = 8;
    private static final Set<String> KINDS = Set.of("jpeg", "png");

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
            return jpeg(upright(fitting(read(given)), orientation(given)));
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
                if (!KINDS.contains(reader.getFormatName().toLowerCase(Locale.ROOT))) {
                    throw new InvalidInputException("data", "is no JPEG or PNG. Send one of these.");
                }
                reader.setInput(in, true, true);
                // Before it is unpacked: a small file can hold a picture that fills the memory.
                if ((long) reader.getWidth(0) * reader.getHeight(0) > MOST_PIXELS) {
                    throw new InvalidInputException(
                            "data",
                            "is " + reader.getWidth(0) + " by " + reader.getHeight(0) + " pixels; that is too large.");
                }
                return reader.read(0, thinned(reader));
            } finally {
                reader.dispose();
            }
        }
    }

    /** Of a large picture only as many points as are needed to draw it small: several at once fit into the memory. */
    private static ImageReadParam thinned(ImageReader reader) throws IOException {
        ImageReadParam param = reader.getDefaultReadParam();
        int every = Math.max(1, Math.max(reader.getWidth(0), reader.getHeight(0)) / (2 * LONGEST));
        param.setSourceSubsampling(every, every, 0, 0);
        return param;
    }

    /** How the camera was held, as Exif counts it: 1 upright; 1 where it does not say. */
    private static int orientation(byte[] given) throws IOException {
        try {
            ExifIFD0Directory exif = ImageMetadataReader.readMetadata(new ByteArrayInputStream(given))
                    .getFirstDirectoryOfType(ExifIFD0Directory.class);
            Integer said = exif == null ? null : exif.getInteger(ExifIFD0Directory.TAG_ORIENTATION);
            return said == null || said < 1 || said > LAST_ORIENTATION ? 1 : said;
        } catch (ImageProcessingException e) {
            return 1;
        }
    }

    /** Turns and mirrors a picture so that its top is up. */
    private static BufferedImage upright(BufferedImage image, int orientation) {
        if (orientation == 1) {
            return image;
        }
        int w = image.getWidth();
        int h = image.getHeight();
        AffineTransform turn = switch (orientation) {
            case 2 -> new AffineTransform(-1, 0, 0, 1, w, 0);
            case 3 -> new AffineTransform(-1, 0, 0, -1, w, h);
            case 4 -> new AffineTransform(1, 0, 0, -1, 0, h);
            case 5 -> new AffineTransform(0, 1, 1, 0, 0, 0);
            case 6 -> new AffineTransform(0, 1, -1, 0, h, 0);
            case 7 -> new AffineTransform(0, -1, -1, 0, h, w);
            default -> new AffineTransform(0, -1, 1, 0, 0, w);
        };
        boolean lying = orientation > 4;
        BufferedImage turned = new BufferedImage(lying ? h : w, lying ? w : h, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = turned.createGraphics();
        g.drawImage(image, turn, null);
        g.dispose();
        return turned;
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
