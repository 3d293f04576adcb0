package dev.lastcut.server.desk;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.cut.OutputFile;
import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.intake.PackReader;
import dev.lastcut.core.job.JobPipeline;
import dev.lastcut.core.job.PanelBoardSource;
import dev.lastcut.core.ticket.CutStamp;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.core.ticket.TicketDependencies;
import dev.lastcut.server.report.Handover;
import dev.lastcut.server.sheets.SheetLibrary;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Cuts of demo boards and of packs that nobody here drew. */
public final class Cuts {
    private static final Path PRACTICE = Path.of("..", "core", "src", "test", "resources", "packs");

    private Cuts() {}

    /** A cut and what it was made of. */
    public record Cut(JobPipeline.Product product, byte[] zip) {}

    public static Pack pack(String name) throws Exception {
        return PackReader.fromZip(name + ".zip", bytes(name));
    }

    /** A pack's zip as it is. */
    public static byte[] bytes(String name) throws IOException {
        Path practice = PRACTICE.resolve(name + ".zip");
        if (Files.isRegularFile(practice)) {
            return Files.readAllBytes(practice);
        }
        try (InputStream in = Cuts.class.getResourceAsStream("/demo-packs/" + name + ".zip")) {
            return in.readAllBytes();
        }
    }

    public static Cut of(String pack, String shop, Ticket ticket) throws Exception {
        CapabilitySheet sheet = new SheetLibrary().find(shop).orElseThrow();
        Ticket all =
                ticket.withShop(shop)
                        .with(d -> d.made = CutStamp.of(pack, 1, 1, "2026-05-01T10:00:00Z"));
        JobPipeline.Product product = JobPipeline.all(pack(pack), sheet, all);
        return new Cut(product, zip(Handover.of(product).files()));
    }

    /**
     * What is handed over to be made, without what is found and said of it, which takes a while.
     */
    static byte[] bare(BoardGeometry geometry, String shop) throws Exception {
        CapabilitySheet sheet = new SheetLibrary().find(shop).orElseThrow();
        TicketDependencies asking = new TicketDependencies(Ticket.BLANK.withShop(shop));
        return zip(JobPipeline.outputs(geometry, sheet, asking, PanelBoardSource.NONE).files());
    }

    static byte[] zip(List<OutputFile> files) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (OutputFile f : files) {
                zip.putNextEntry(new ZipEntry(f.path()));
                zip.write(f.content());
                zip.closeEntry();
            }
        }
        return out.toByteArray();
    }
}
