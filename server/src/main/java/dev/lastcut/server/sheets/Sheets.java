package dev.lastcut.server.sheets;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.server.store.SheetStore;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Every sheet there is: those that ship with the application, and the user's own before them. */
@Component
public class Sheets {
    private final SheetLibrary shipped = new SheetLibrary();
    private final SheetStore own;

    Sheets(SheetStore own) {
        this.own = own;
    }

    public List<CapabilitySheet> all() {
        Map<String, CapabilitySheet> byId = new LinkedHashMap<>();
        shipped.all().forEach(s -> byId.put(s.id(), s));
        own.all().forEach(json -> parsed(json).ifPresent(s -> byId.put(s.id(), s)));
        return new ArrayList<>(byId.values());
    }

    public Optional<CapabilitySheet> find(String id) {
        return own.find(id).flatMap(Sheets::parsed).or(() -> shipped.find(id));
    }

    /** A sheet that a later version of the application can no longer read is left out, not lost. */
    private static Optional<CapabilitySheet> parsed(String json) {
        try {
            return Optional.of(SheetJson.parse(json.getBytes(StandardCharsets.UTF_8)));
        } catch (SheetJson.BadSheetException e) {
            return Optional.empty();
        }
    }

    /** The sheet's JSON, byte for byte as it was brought in or shipped. */
    public Optional<byte[]> json(String id) {
        return own.find(id)
                .map(json -> json.getBytes(StandardCharsets.UTF_8))
                .or(() -> shipped.json(id));
    }

    /** Whether the user has a sheet of this id, be it a changed shipped one. */
    public boolean isOwn(String id) {
        return own.find(id).isPresent();
    }

    public boolean isShipped(String id) {
        return shipped.find(id).isPresent();
    }

    /**
     * Keeps a sheet as the user's own.
     *
     * @throws SheetJson.BadSheetException when it is no sheet; nothing is kept then
     */
    public CapabilitySheet keep(byte[] json, String now) throws SheetJson.BadSheetException {
        CapabilitySheet sheet = SheetJson.parse(json);
        own.put(sheet.id(), new String(json, StandardCharsets.UTF_8), now);
        return sheet;
    }

    /** Takes a sheet of the user's away; a shipped one of that id stands again. */
    public boolean drop(String id) {
        return own.delete(id);
    }
}
