package dev.lastcut.server.sheets;

import dev.lastcut.core.capability.CapabilitySheet;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The sheets that ship with the application. */
public final class SheetLibrary {
    private static final List<String> SHIPPED =
            List.of(
                    "skep-pooled",
                    "waggle-quick",
                    "longcomb-fine",
                    "wren-bench",
                    "anvil-mini",
                    "tern-fine",
                    "burr-strip",
                    "burr-rails");

    private final Map<String, CapabilitySheet> sheets = new LinkedHashMap<>();
    private final Map<String, byte[]> json = new LinkedHashMap<>();

    public SheetLibrary() {
        for (String id : SHIPPED) {
            try (InputStream in = getClass().getResourceAsStream("/sheets/" + id + ".json")) {
                byte[] bytes = in.readAllBytes();
                sheets.put(id, SheetJson.parse(bytes));
                json.put(id, bytes);
            } catch (IOException | SheetJson.BadSheetException e) {
                throw new IllegalStateException("shipped sheet " + id, e);
            }
        }
    }

    public List<CapabilitySheet> all() {
        return List.copyOf(sheets.values());
    }

    public Optional<CapabilitySheet> find(String id) {
        return Optional.ofNullable(sheets.get(id));
    }

    /** The sheet's JSON as shipped. */
    public Optional<byte[]> json(String id) {
        return Optional.ofNullable(json.get(id));
    }

    /**
     * A sheet by its id, or from a JSON file.
     *
     * @throws SheetJson.BadSheetException when there is neither, or the file is no sheet
     */
    public CapabilitySheet resolve(String idOrPath) throws SheetJson.BadSheetException {
        Optional<CapabilitySheet> known = find(idOrPath);
        if (known.isPresent()) {
            return known.get();
        }
        Path path = Path.of(idOrPath);
        if (!Files.isRegularFile(path)) {
            throw new SheetJson.BadSheetException(
                    "there is no sheet '"
                            + idOrPath
                            + "': give one of "
                            + String.join(", ", sheets.keySet())
                            + " or the path of a sheet's JSON file");
        }
        try {
            return SheetJson.parse(Files.readAllBytes(path));
        } catch (IOException e) {
            throw new SheetJson.BadSheetException(
                    "cannot read " + idOrPath + ": " + e.getMessage());
        }
    }
}
