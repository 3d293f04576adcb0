package dev.lastcut.core.fabrication;

import com.google.gson.Gson;
import com.google.gson.GsonBuilder;
import com.google.gson.JsonArray;
import com.google.gson.JsonObject;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Length;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.locationtech.jts.geom.Envelope;

/**
 * Writes the Gerber job file: what each file of a pack is, the board's size and what it is built
 * of, as JSON (Gerber job format specification, keys from memory). When it was made is put in by
 * the stamp of a cut.
 */
public final class JobFileWriter {
    private static final Gson JSON =
            new GsonBuilder().setPrettyPrinting().disableHtmlEscaping().create();

    private JobFileWriter() {}

    /**
     * @param extent of the board, nm; null envelope where there is no outline
     */
    public static byte[] write(
            Board board, List<FabricationPack.Written> files, StackUp stack, Envelope extent) {
        JsonObject root = new JsonObject();
        JsonObject software = new JsonObject();
        software.addProperty("Vendor", "Last Cut");
        software.addProperty("Application", "last-cut");
        software.addProperty("Version", "1");
        JsonObject header = new JsonObject();
        header.add("GenerationSoftware", software);
        root.add("Header", header);
        root.add("GeneralSpecs", specs(board, files, stack, extent));
        JsonArray all = new JsonArray();
        for (FabricationPack.Written f : files) {
            JsonObject one = new JsonObject();
            one.addProperty("Path", f.name());
            one.addProperty("FileFunction", f.function());
            one.addProperty("FilePolarity", f.positive() ? "Positive" : "Negative");
            all.add(one);
        }
        root.add("FilesAttributes", all);
        JsonArray plies = new JsonArray();
        int core = 0;
        for (StackUp.Ply p : stack.plies()) {
            core += p.kind() == StackUp.Kind.CORE ? 1 : 0;
            plies.add(ply(p, core));
        }
        root.add("MaterialStackup", plies);
        return (JSON.toJson(root) + "\n").getBytes(StandardCharsets.UTF_8);
    }

    private static JsonObject specs(
            Board board, List<FabricationPack.Written> files, StackUp stack, Envelope extent) {
        JsonObject specs = new JsonObject();
        JsonObject project = new JsonObject();
        project.addProperty("Name", "board");
        project.addProperty("GUID", id(files).toString());
        project.addProperty("Revision", "pack");
        specs.add("ProjectId", project);
        if (!extent.isNull()) {
            JsonObject size = new JsonObject();
            size.addProperty("X", mm(extent.getWidth()));
            size.addProperty("Y", mm(extent.getHeight()));
            specs.add("Size", size);
        }
        specs.addProperty("LayerNumber", board.copper().size());
        stack.thicknessMm().ifPresent(t -> specs.addProperty("BoardThickness", t));
        stack.finish().ifPresent(f -> specs.addProperty("Finish", f));
        return specs;
    }

    /** The same for the same files, so that the same pack gives the same bytes. */
    private static UUID id(List<FabricationPack.Written> files) {
        StringBuilder all = new StringBuilder();
        files.forEach(
                f -> all.append(f.name()).append(UUID.nameUUIDFromBytes(f.content())).append('\n'));
        return UUID.nameUUIDFromBytes(all.toString().getBytes(StandardCharsets.UTF_8));
    }

    private static JsonObject ply(StackUp.Ply p, int core) {
        JsonObject one = new JsonObject();
        one.addProperty(
                "Type",
                switch (p.kind()) {
                    case SILK -> "Legend";
                    case MASK -> "SolderMask";
                    case COPPER -> "Copper";
                    case CORE -> "Dielectric";
                });
        p.thicknessMm().ifPresent(t -> one.addProperty("Thickness", t));
        p.looks()
                .ifPresent(
                        w ->
                                one.addProperty(
                                        p.kind() == StackUp.Kind.CORE ? "Material" : "Color", w));
        one.addProperty("Name", p.role().map(JobFileWriter::name).orElse("Insulation " + core));
        return one;
    }

    private static String name(Role role) {
        String side = role.side().map(Side::word).orElse("inner " + role.inner());
        return role.kind().name().charAt(0)
                + role.kind().name().substring(1).toLowerCase(Locale.ROOT)
                + " "
                + side;
    }

    private static double mm(double nm) {
        return Math.round(Length.toMm(nm) * 1e6) / 1e6;
    }
}
