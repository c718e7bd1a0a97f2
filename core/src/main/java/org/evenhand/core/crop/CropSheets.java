package org.evenhand.core.crop;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.evenhand.core.FieldProblem;

/** The crop sheets at hand, by key. */
public final class CropSheets {
    private static final String SHIPPED = "/crops/";

    private final Map<String, CropSheet> byKey;

    private CropSheets(Map<String, CropSheet> byKey) {
        this.byKey = Map.copyOf(byKey);
    }

    /** The sheets that ship with the product, as {@code crops/index.txt} lists them. */
    public static CropSheets shipped() {
        Map<String, CropSheet> sheets = new LinkedHashMap<>();
        for (String file : shippedFiles()) {
            try (InputStream yaml = open(SHIPPED + file)) {
                add(sheets, "crops/" + file, yaml);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        return new CropSheets(sheets);
    }

    /** A copy with every {@code *.yaml} of a directory besides; a sheet of the same key replaces the shipped one. */
    public CropSheets withDirectory(Path directory) {
        Map<String, CropSheet> sheets = new LinkedHashMap<>(byKey);
        try (Stream<Path> files = Files.list(directory)) {
            List<Path> ordered =
                    files.filter(p -> p.toString().endsWith(".yaml")).sorted().toList();
            for (Path file : ordered) {
                try (InputStream yaml = Files.newInputStream(file)) {
                    CropSheet sheet = CropSheetReader.read(file.getFileName().toString(), yaml);
                    sheets.put(sheet.key(), sheet);
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return new CropSheets(sheets);
    }

    public Optional<CropSheet> find(String key) {
        return Optional.ofNullable(byKey.get(key));
    }

    public Collection<CropSheet> all() {
        return byKey.values().stream()
                .sorted(java.util.Comparator.comparing(CropSheet::name))
                .toList();
    }

    private static void add(Map<String, CropSheet> sheets, String file, InputStream yaml) {
        CropSheet sheet = CropSheetReader.read(file, yaml);
        if (sheets.putIfAbsent(sheet.key(), sheet) != null) {
            throw new CropSheetException(
                    file,
                    List.of(new FieldProblem("crop", "'" + sheet.key() + "' is already the key of another sheet.")));
        }
    }

    private static List<String> shippedFiles() {
        try (BufferedReader index =
                new BufferedReader(new InputStreamReader(open(SHIPPED + "index.txt"), StandardCharsets.UTF_8))) {
            return index.lines().map(String::strip).filter(l -> !l.isEmpty()).toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static InputStream open(String resource) throws IOException {
        InputStream stream = CropSheets.class.getResourceAsStream(resource);
        if (stream == null) {
            throw new IOException("The product lacks its file " + resource + ".");
        }
        return stream;
    }
}
