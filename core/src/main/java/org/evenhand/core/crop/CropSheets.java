package org.evenhand.core.crop;

import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.evenhand.core.FieldProblem;
import org.evenhand.core.InvalidInputException;

/** The crop sheets at hand, by key. */
public final class CropSheets {
    private static final String SHIPPED = "/crops/";

    private final Map<String, CropSheet> byKey;
    private final Map<String, SheetFile> files;

    private CropSheets(Map<String, SheetFile> files) {
        this.files = Map.copyOf(files);
        Map<String, CropSheet> sheets = new LinkedHashMap<>();
        files.values().forEach(f -> f.read().forEach(s -> add(sheets, f, s)));
        this.byKey = Map.copyOf(sheets);
    }

    /** One file and the numbers an orchard has of its own. */
    private record SheetFile(String name, byte[] yaml, Map<String, Double> own) {
        List<CropSheet> read() {
            return CropSheetReader.read(name, new ByteArrayInputStream(yaml), own);
        }
    }

    /** The sheets that ship with the product, as {@code crops/index.txt} lists them. */
    public static CropSheets shipped() {
        Map<String, SheetFile> files = new LinkedHashMap<>();
        for (String file : shippedFiles()) {
            try (InputStream yaml = open(SHIPPED + file)) {
                put(files, "crops/" + file, yaml.readAllBytes());
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        return new CropSheets(files);
    }

    /** A copy with every {@code *.yaml} of a directory besides; a sheet of the same key replaces the shipped one. */
    public CropSheets withDirectory(Path directory) {
        Map<String, SheetFile> more = new LinkedHashMap<>(files);
        try (Stream<Path> found = Files.list(directory)) {
            List<Path> ordered =
                    found.filter(p -> p.toString().endsWith(".yaml")).sorted().toList();
            for (Path file : ordered) {
                put(more, file.getFileName().toString(), Files.readAllBytes(file));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return new CropSheets(more);
    }

    /**
     * A copy in which some numbers of one crop's sheets are replaced.
     *
     * @param crop the {@link CropSheet#crop()} of the sheets
     * @param own numbers by their path, as {@link CropSheet#numbers()} lists them
     * @throws CropSheetException where a number is not allowed or the sheet would not hold together
     */
    public CropSheets withOwnNumbers(String crop, Map<String, Double> own) {
        SheetFile file = require(crop);
        Map<String, SheetFile> changed = new LinkedHashMap<>(files);
        changed.put(crop, new SheetFile(file.name(), file.yaml(), Map.copyOf(own)));
        return new CropSheets(changed);
    }

    /**
     * The file with a crop's sheets as it was written, without numbers of an orchard's own.
     *
     * @param crop the {@link CropSheet#crop()} of the sheets
     * @return YAML in UTF-8
     * @throws InvalidInputException where there is none
     */
    public byte[] file(String crop) {
        return require(crop).yaml().clone();
    }

    private SheetFile require(String crop) {
        SheetFile file = files.get(crop);
        if (file == null) {
            throw new InvalidInputException("crop", "is '" + crop + "', of which there is no sheet.");
        }
        return file;
    }

    public Optional<CropSheet> find(String key) {
        return Optional.ofNullable(byKey.get(key));
    }

    public Collection<CropSheet> all() {
        return byKey.values().stream()
                .sorted(Comparator.comparing(CropSheet::name))
                .toList();
    }

    private static void put(Map<String, SheetFile> files, String name, byte[] yaml) {
        SheetFile file = new SheetFile(name, yaml, Map.of());
        files.put(file.read().get(0).crop(), file);
    }

    private static void add(Map<String, CropSheet> sheets, SheetFile file, CropSheet sheet) {
        if (sheets.putIfAbsent(sheet.key(), sheet) != null) {
            throw new CropSheetException(
                    file.name(),
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
