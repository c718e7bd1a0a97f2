package org.evenhand.records;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import org.evenhand.core.InvalidInputException;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** A package that is read: only what it describes, and only as it was written. */
final class PackageFile implements AutoCloseable {
    private static final String FIELD = "package";
    static final long LARGEST_PACKED = 4_000_000_000L;
    private static final long LARGEST_DESCRIPTION = 4_000_000;
    private static final long LARGEST_IN_ALL = 20_000_000_000L;
    private static final int LARGEST_STORED_FILE = 8_000_000;

    private final ZipFile zip;
    private final PackageDescription description;
    private final Map<String, PackageDescription.Resource> byName = new LinkedHashMap<>();

    /** @throws InvalidInputException where it is no such package, or of a version that cannot be read */
    PackageFile(Path file, JsonMapper json) throws IOException {
        try {
            this.zip = new ZipFile(file.toFile());
        } catch (ZipException e) {
            throw refused("is no ZIP file. Choose the file that Export saved.");
        }
        try {
            this.description = described(json);
            description.resources().forEach(r -> byName.put(r.name(), r));
        } catch (InvalidInputException e) {
            zip.close();
            throw e;
        }
    }

    /**
     * Puts what is sent into a file.
     *
     * @throws InvalidInputException where it is more than any package has
     */
    static void save(InputStream sent, Path file) throws IOException {
        try (OutputStream to = Files.newOutputStream(file)) {
            byte[] part = new byte[1 << 16];
            long all = 0;
            for (int n = sent.read(part); n >= 0; n = sent.read(part)) {
                all += n;
                if (all > LARGEST_PACKED) {
                    throw refused("is larger than " + LARGEST_PACKED / 1_000_000_000 + " GB.");
                }
                to.write(part, 0, n);
            }
        }
    }

    static InvalidInputException refused(String why) {
        return new InvalidInputException(FIELD, why + " Nothing was imported.");
    }

    PackageDescription description() {
        return description;
    }

    private PackageDescription described(JsonMapper json) throws IOException {
        ZipEntry entry = zip.getEntry(PackageDescription.FILE);
        if (entry == null) {
            throw refused(
                    "has no " + PackageDescription.FILE + ". Choose the file that Export saved, as it was saved.");
        }
        PackageDescription read;
        try (InputStream in = bounded(zip.getInputStream(entry), PackageDescription.FILE, LARGEST_DESCRIPTION)) {
            read = json.readValue(in.readAllBytes(), PackageDescription.class);
        } catch (JacksonException e) {
            throw refused("has a " + PackageDescription.FILE + " that cannot be read. Export the orchard again.");
        }
        if (!PackageDescription.NAME.equals(read.name()) || read.resources() == null) {
            throw refused("was not written by Export: " + PackageDescription.FILE + " is not named '"
                    + PackageDescription.NAME + "'. Tables from elsewhere are imported one by one.");
        }
        if (read.evenHand() > PackageDescription.VERSION) {
            throw refused("was written by a newer version, in form " + read.evenHand() + "; this one reads form "
                    + PackageDescription.VERSION + ". Bring this machine up to date, then import it.");
        }
        if (read.evenHand() < PackageDescription.VERSION) {
            throw refused("is in form " + read.evenHand() + ", which was never exported.");
        }
        return read;
    }

    /** Looks through all described files: each is there and as it was written. */
    void requireWhole() throws IOException {
        long inAll = 0;
        for (PackageDescription.Resource r : description.resources()) {
            if (r.path() == null || r.bytes() == null || r.hash() == null) {
                throw refused("describes a file without its size and sum.");
            }
            inAll += r.bytes();
            if (inAll > LARGEST_IN_ALL) {
                throw refused("holds more than " + LARGEST_IN_ALL / 1_000_000_000 + " GB when unpacked.");
            }
            MessageDigest sum = PackageExport.sha256();
            try (InputStream in = new DigestInputStream(open(r.path(), r.bytes()), sum)) {
                in.transferTo(OutputStream.nullOutputStream());
            }
            if (!r.hash().equals("sha256:" + HexFormat.of().formatHex(sum.digest()))) {
                throw refused("was changed since it was exported: " + r.path()
                        + " is another file. Read it in as it was saved; changed tables are imported one by one.");
            }
        }
    }

    /** @throws InvalidInputException where there is no such table in it */
    PackageDescription.Resource table(String name) {
        PackageDescription.Resource r = byName.get(name);
        if (r == null || r.schema() == null || r.schema().fields() == null) {
            throw refused("lacks the table '" + name + "'.");
        }
        return r;
    }

    /** The bytes of a described file. */
    InputStream open(PackageDescription.Resource r) throws IOException {
        return open(r.path(), r.bytes());
    }

    /** The file of a line, whole; nothing where a line need not have one and has none. */
    byte @Nullable [] storedFile(RecordTable.StoredFile file, String id) throws IOException {
        String path = file.path(id);
        if (!file.required() && zip.getEntry(path) == null) {
            return null;
        }
        try (InputStream in = open(path, LARGEST_STORED_FILE)) {
            return in.readAllBytes();
        }
    }

    private InputStream open(String path, long most) throws IOException {
        ZipEntry entry = zip.getEntry(path);
        if (entry == null) {
            throw refused("lacks " + path + ", which it describes.");
        }
        return bounded(zip.getInputStream(entry), path, most);
    }

    /** However much is packed into a file: what was not described is not read. */
    private static InputStream bounded(InputStream in, String path, long most) {
        return new BufferedInputStream(new InputStream() {
            private long left = most;

            @Override
            public int read() throws IOException {
                int b = in.read();
                if (b >= 0) {
                    count(1);
                }
                return b;
            }

            @Override
            public int read(byte[] to, int from, int length) throws IOException {
                int n = in.read(to, from, length);
                if (n > 0) {
                    count(n);
                }
                return n;
            }

            private void count(int n) {
                left -= n;
                if (left < 0) {
                    throw refused("holds a file larger than it says: " + path + ".");
                }
            }

            @Override
            public void close() throws IOException {
                in.close();
            }
        });
    }

    @Override
    public void close() throws IOException {
        zip.close();
    }
}
