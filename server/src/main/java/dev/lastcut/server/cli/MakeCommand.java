package dev.lastcut.server.cli;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.cut.OutputFile;
import dev.lastcut.core.cut.OutputSet;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.intake.PackReader;
import dev.lastcut.core.intake.UnusablePackException;
import dev.lastcut.server.report.Handover;
import dev.lastcut.server.report.Reports;
import dev.lastcut.server.sheets.SheetJson;
import dev.lastcut.server.sheets.SheetLibrary;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/**
 * {@code make PACK --for SHEET --out DIR}: the whole job without a browser. Exit status 0: no open
 * stop; 1: some, the outputs are marked as not released; 2: nothing was made, one sentence says
 * why.
 */
public final class MakeCommand {
    private static final String USAGE = "Usage: make PACK --for SHEET --out DIR";

    private final PrintStream out;
    private final PrintStream err;

    public MakeCommand(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    public int run(List<String> args) {
        try {
            return make(Arguments.parse(args));
        } catch (UnusablePackException | SheetJson.BadSheetException | IllegalArgumentException e) {
            err.println(e.getMessage());
        } catch (IOException e) {
            err.println("Cannot read or write " + e.getMessage() + ".");
        }
        return 2;
    }

    private record Arguments(Path pack, String sheet, Path out) {
        static Arguments parse(List<String> args) {
            String pack = null;
            String sheet = null;
            String out = null;
            for (int i = 0; i < args.size(); i++) {
                boolean more = i + 1 < args.size();
                switch (args.get(i)) {
                    case "--for" -> sheet = more ? args.get(++i) : null;
                    case "--out" -> out = more ? args.get(++i) : null;
                    default -> {
                        if (pack != null) {
                            throw new IllegalArgumentException(USAGE);
                        }
                        pack = args.get(i);
                    }
                }
            }
            if (pack == null || sheet == null || out == null) {
                throw new IllegalArgumentException(USAGE);
            }
            return new Arguments(Path.of(pack), sheet, Path.of(out));
        }
    }

    private int make(Arguments args)
            throws IOException, UnusablePackException, SheetJson.BadSheetException {
        CapabilitySheet sheet = new SheetLibrary().resolve(args.sheet());
        Pack pack = read(args.pack());
        Board board = Intake.open(pack);
        BoardGeometry geometry = new BoardGeometry(board);
        CheckContext.Against against = new CheckContext.Against(sheet, Headroom.NONE);
        CheckRun checks = CheckRunner.run(new CheckContext(geometry, against));
        OutputSet outputs = OutputSet.make(geometry, sheet, against.setup(), Map.of());
        String created = Instant.now().truncatedTo(ChronoUnit.SECONDS).toString();
        String job = pack.name().replaceFirst("(?i)\\.zip$", "");
        Handover handover =
                Handover.of(
                        Reports.of(job, created, against, geometry, checks, List.of()),
                        sheet,
                        0,
                        outputs);
        write(args.out(), handover.files());
        int open = handover.manifest().openStops().size();
        out.println(
                handover.files().size()
                        + " files in "
                        + args.out()
                        + "; "
                        + checks.findings().size()
                        + " findings, "
                        + open
                        + " open stops"
                        + (open > 0 ? ": not released" : ""));
        return open > 0 ? 1 : 0;
    }

    private static Pack read(Path path) throws IOException, UnusablePackException {
        if (Files.isDirectory(path)) {
            return PackReader.fromFolder(path);
        }
        if (!Files.isRegularFile(path)) {
            throw new UnusablePackException(path + " is neither a zip file nor a folder.");
        }
        if (Files.size(path) > PackReader.MOST_BYTES) {
            throw new UnusablePackException(
                    path + " is larger than " + (PackReader.MOST_BYTES >> 20) + " MB.");
        }
        return PackReader.fromZip(String.valueOf(path.getFileName()), Files.readAllBytes(path));
    }

    /** Writes beside the target first, so that a failure leaves nothing half-written there. */
    private static void write(Path target, List<OutputFile> files) throws IOException {
        Path absolute = target.toAbsolutePath();
        Files.createDirectories(absolute);
        Path staging = Files.createTempDirectory(absolute, ".making-");
        try {
            for (OutputFile f : files) {
                Path path = staging.resolve(f.path());
                Files.createDirectories(path.getParent());
                Files.write(path, f.content());
            }
            for (OutputFile f : files) {
                Path path = absolute.resolve(f.path());
                Files.createDirectories(path.getParent());
                Files.move(staging.resolve(f.path()), path, StandardCopyOption.REPLACE_EXISTING);
            }
        } finally {
            try (Stream<Path> left = Files.walk(staging)) {
                left.sorted(Comparator.reverseOrder()).forEach(p -> p.toFile().delete());
            }
        }
    }
}
