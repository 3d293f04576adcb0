package dev.lastcut.server.cli;

import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.cut.OutputFile;
import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.intake.PackReader;
import dev.lastcut.core.intake.UnusablePackException;
import dev.lastcut.core.job.JobPipeline;
import dev.lastcut.core.ticket.CutStamp;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.core.work.WorkLimitException;
import dev.lastcut.server.report.Handover;
import dev.lastcut.server.sheets.SheetJson;
import dev.lastcut.server.sheets.SheetLibrary;
import dev.lastcut.server.ticket.BadTicketException;
import dev.lastcut.server.ticket.Tickets;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * {@code make PACK --for SHEET [--with TICKET] [--variant NAME] --out DIR}: the whole job without a
 * browser. Exit status 0: no open stop; 1: some, the outputs are marked as not released; 2: nothing
 * was made, one sentence says why.
 */
public final class MakeCommand {
    private static final String USAGE =
            "Usage: make PACK --for SHEET [--with TICKET] [--variant NAME] --out DIR";

    private static final String FOR = "--for";
    private static final String WITH = "--with";
    private static final String VARIANT = "--variant";
    private static final String OUT = "--out";
    private static final Set<String> OPTIONS = Set.of(FOR, WITH, VARIANT, OUT);

    private final PrintStream out;
    private final PrintStream err;

    public MakeCommand(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    public int run(List<String> args) {
        try {
            return make(Arguments.parse(args));
        } catch (UnusablePackException
                | SheetJson.BadSheetException
                | BadTicketException
                | WorkLimitException
                | IllegalArgumentException e) {
            err.println(e.getMessage());
        } catch (IOException e) {
            err.println("Cannot read or write " + e.getMessage() + ".");
        }
        return 2;
    }

    private record Arguments(
            Path pack, String sheet, Optional<Path> ticket, Optional<String> variant, Path out) {
        static Arguments parse(List<String> args) {
            Map<String, String> options = new HashMap<>();
            List<String> packs = new ArrayList<>();
            for (int i = 0; i < args.size(); i++) {
                String word = args.get(i);
                boolean option = OPTIONS.contains(word);
                if (option && i + 1 < args.size()) {
                    options.put(word, args.get(++i));
                } else {
                    packs.add(word);
                }
            }
            if (packs.size() != 1
                    || packs.get(0).startsWith("--")
                    || !options.keySet().containsAll(Set.of(FOR, OUT))) {
                throw new IllegalArgumentException(USAGE);
            }
            return new Arguments(
                    Path.of(packs.get(0)),
                    options.get(FOR),
                    Optional.ofNullable(options.get(WITH)).map(Path::of),
                    Optional.ofNullable(options.get(VARIANT)),
                    Path.of(options.get(OUT)));
        }
    }

    private int make(Arguments args)
            throws IOException,
                    UnusablePackException,
                    SheetJson.BadSheetException,
                    BadTicketException {
        CapabilitySheet sheet = new SheetLibrary().resolve(args.sheet());
        Ticket ticket = building(ticket(args.ticket()), args.variant());
        Pack pack = read(args.pack());
        CutStamp made = ticket.made();
        String created = made.at().orElse(Instant.now().truncatedTo(ChronoUnit.SECONDS).toString());
        String job = made.job().orElse(pack.name().replaceFirst("(?i)\\.zip$", ""));
        ticket.shop()
                .filter(s -> !s.equals(sheet.id()))
                .ifPresent(
                        s ->
                                err.println(
                                        "The ticket was made for "
                                                + s
                                                + ": how the board is set up there is not used."));
        JobPipeline.Product product =
                JobPipeline.all(
                        pack,
                        sheet,
                        ticket.withShop(sheet.id())
                                .with(
                                        d ->
                                                d.made =
                                                        CutStamp.of(
                                                                job,
                                                                made.revision(),
                                                                made.cut(),
                                                                created)),
                        new PacksBeside(
                                Stream.concat(args.ticket().stream(), Stream.of(args.pack()))
                                        .toList(),
                                MakeCommand::read));
        Handover handover = Handover.of(product);
        write(args.out(), handover.files());
        int open = handover.manifest().openStops().size();
        product.touched().outcomes().stream()
                .filter(o -> o.step().on() && !o.done())
                .forEach(
                        o ->
                                err.println(
                                        "A touch was not done, "
                                                + o.step().touch().words()
                                                + ": "
                                                + o.why()));
        out.println(
                handover.files().size()
                        + " files in "
                        + args.out()
                        + "; "
                        + product.run().findings().size()
                        + " findings, "
                        + open
                        + " open stops"
                        + (open > 0 ? ": not released" : ""));
        return open > 0 ? 1 : 0;
    }

    private static Ticket ticket(Optional<Path> path) throws IOException, BadTicketException {
        return path.isEmpty() ? Ticket.BLANK : Tickets.parse(Files.readAllBytes(path.get()));
    }

    private static Ticket building(Ticket ticket, Optional<String> variant) {
        PartsPlan plan = ticket.parts();
        return variant.isEmpty()
                ? ticket
                : ticket.with(d -> d.parts = plan.with(plan.variants().building(variant)));
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
