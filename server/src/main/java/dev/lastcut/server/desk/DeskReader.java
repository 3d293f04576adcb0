package dev.lastcut.server.desk;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.capability.Quote;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.cut.Manifest;
import dev.lastcut.core.cut.Verification;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.intake.Pack.PackFile;
import dev.lastcut.core.intake.PackReader;
import dev.lastcut.core.intake.UnusablePackException;
import dev.lastcut.core.job.JobPipeline;
import dev.lastcut.core.job.PanelBoardSource;
import dev.lastcut.core.panel.PanelPlan;
import dev.lastcut.core.quote.JobQuote;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.core.ticket.TicketDependencies;
import dev.lastcut.server.orders.DeskOrder.DeskQuestion;
import dev.lastcut.server.orders.DeskReading;
import dev.lastcut.server.orders.DeskReading.DeskBoard;
import dev.lastcut.server.orders.DeskReading.DeskFile;
import dev.lastcut.server.orders.DeskReading.DeskFinding;
import dev.lastcut.server.report.QuoteJson;
import dev.lastcut.server.sheets.SheetJson;
import dev.lastcut.server.sheets.SheetLibrary;
import dev.lastcut.server.ticket.BadTicketException;
import dev.lastcut.server.ticket.Tickets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.locationtech.jts.geom.Envelope;

/** Reads an upload: its own list of files, the board in it, what is wrong with it, its price. */
final class DeskReader {
    private static final String PANEL = "panel/";
    private static final String MADE_OF = "fabrication/";
    private static final String TABLES = "assembly/(parts|placement[a-z-]*)\\.csv";
    private static final String SHEET = "sheet.json";
    private static final String TICKET = "ticket.json";

    private final SheetLibrary shops = new SheetLibrary();

    /** What was read, and what else is kept of it. */
    record Read(DeskReading reading, List<DeskQuestion> questions, Map<String, byte[]> pictures) {}

    Read read(byte[] zip) {
        String sha256 = Manifest.sha256(zip);
        try {
            return read(sha256, zip);
        } catch (UnusablePackException | SheetJson.BadSheetException | BadTicketException e) {
            return refused(sha256, zip, e.getMessage());
        }
    }

    private static Read refused(String sha256, byte[] zip, String sentence) {
        return new Read(
                DeskReading.of(sha256, zip.length, DeskReading.REFUSED, sentence),
                List.of(),
                Map.of());
    }

    private Read read(String sha256, byte[] zip)
            throws UnusablePackException, SheetJson.BadSheetException, BadTicketException {
        Verification held = Verification.of(zip);
        Optional<Verification.Fault> fault =
                held.faults().stream()
                        .filter(f -> f.kind() != Verification.Kind.MANIFEST)
                        .findFirst();
        if (fault.isPresent()) {
            return refused(sha256, zip, "It is not as its manifest says. " + fault.get().says());
        }
        Pack pack = PackReader.fromZip("the upload", zip);
        Map<String, byte[]> files = new LinkedHashMap<>();
        pack.files().forEach(f -> files.put(f.path(), f.content()));
        Optional<CapabilitySheet> shop = shop(files);
        if (shop.isEmpty()) {
            return refused(
                    sha256,
                    zip,
                    "There is no sheet.json in it, so nobody knows which shop it is for. Upload a"
                            + " cut as it was made.");
        }
        if (shop.get().isMill()) {
            return refused(
                    sha256,
                    zip,
                    shop.get().name() + " is a mill: what is made there is not ordered here.");
        }
        Ticket ticket = files.containsKey(TICKET) ? Tickets.parse(files.get(TICKET)) : Ticket.BLANK;
        return new One(sha256, zip, shop.get(), ticket)
                .read(files, held.isWhole() ? checked(held) : "It has no manifest to go by.");
    }

    private static String checked(Verification held) {
        return "All " + held.files() + " files arrived as their manifest lists them.";
    }

    /** The desk's own sheet of the shop, or what was uploaded of a shop it does not know. */
    private Optional<CapabilitySheet> shop(Map<String, byte[]> files)
            throws SheetJson.BadSheetException {
        if (!files.containsKey(SHEET)) {
            return Optional.empty();
        }
        CapabilitySheet said = SheetJson.parse(files.get(SHEET));
        return shops.find(said.id()).or(() -> Optional.of(said));
    }

    /**
     * A board as its files have it, with nothing known of them but names and content.
     *
     * @param folder what its paths begin with
     */
    static BoardGeometry board(String name, String folder, Map<String, byte[]> files)
            throws UnusablePackException {
        List<PackFile> own = new ArrayList<>();
        files.forEach(
                (path, content) -> {
                    if (path.startsWith(folder)) {
                        String below = path.substring(folder.length());
                        boolean made = below.startsWith(MADE_OF) && !below.endsWith(".pdf");
                        if (made || below.matches(TABLES)) {
                            own.add(new PackFile(below, content));
                        }
                    }
                });
        return new BoardGeometry(Intake.open(new Pack(name, own)));
    }

    /** One upload that is being read. */
    private static final class One {
        private final String sha256;
        private final byte[] zip;
        private final CapabilitySheet shop;
        private final Ticket ticket;
        private final List<DeskBoard> boards = new ArrayList<>();
        private final Map<String, String> takenFor = new LinkedHashMap<>();
        private final Map<String, String> because = new LinkedHashMap<>();
        private final Map<String, byte[]> pictures = new LinkedHashMap<>();

        One(String sha256, byte[] zip, CapabilitySheet shop, Ticket ticket) {
            this.sha256 = sha256;
            this.zip = zip;
            this.shop = shop;
            // What the maker left aside beyond the shop's limits is the maker's own affair.
            this.ticket =
                    Ticket.BLANK
                            .withShop(shop.id())
                            .with(
                                    d -> {
                                        d.order = ticket.order();
                                        d.parts = ticket.parts();
                                        d.panel = ticket.panel();
                                    });
        }

        Read read(Map<String, byte[]> files, String check) throws UnusablePackException {
            BoardGeometry board = board("board", "", files);
            Quote.Pieces pieces = pieces(board, ticket.order().quantity(), 1, "board");
            Optional<PanelPlan> plan = ticket.panel();
            boolean panel = files.keySet().stream().anyMatch(p -> p.startsWith(PANEL + MADE_OF));
            if (panel) {
                BoardGeometry whole = board("panel", PANEL, files);
                int each = plan.map(PanelPlan::own).filter(n -> n > 0).orElse(1);
                pieces = pieces(whole, ticket.order().quantity(), each, "panel");
            }
            Ticket order = ticket.with(d -> d.panel = Optional.empty());
            List<Finding> findings =
                    JobPipeline.check(
                                    board,
                                    shop,
                                    new TicketDependencies(order),
                                    PanelBoardSource.NONE,
                                    (done, of, title) -> {},
                                    () -> false)
                            .findings();
            List<DeskQuestion> questions =
                    Engineer.questions(findings, !shop.fittedSides(ticket.order()).isEmpty());
            QuoteJson quote =
                    board.boardArea().isEmpty()
                            ? null
                            : QuoteJson.of(
                                    JobQuote.of(
                                            board, shop, ticket.order(), ticket.parts(), pieces));
            return new Read(
                    new DeskReading(
                            sha256,
                            zip.length,
                            DeskReading.READ,
                            "",
                            check,
                            ordered(),
                            files.keySet().stream().map(this::file).toList(),
                            boards,
                            findings.stream().map(One::finding).toList(),
                            quote,
                            questions.size()),
                    questions,
                    pictures);
        }

        private static DeskFinding finding(Finding f) {
            return new DeskFinding(
                    f.severity().id(),
                    f.rule(),
                    f.message(),
                    Length.toMm(f.at().x()),
                    Length.toMm(f.at().y()));
        }

        private DeskFile file(String path) {
            return new DeskFile(
                    path,
                    takenFor.getOrDefault(path, beside(path)),
                    because.getOrDefault(path, ""));
        }

        private static String beside(String path) {
            return path.contains("stencil/") ? "the stencil" : "kept with the order, not made of";
        }

        private BoardGeometry board(String name, String folder, Map<String, byte[]> files)
                throws UnusablePackException {
            BoardGeometry geometry = DeskReader.board(name, folder, files);
            Board read = geometry.board();
            for (SourceFile f : read.files()) {
                takenFor.put(folder + f.path(), f.role().words());
                because.put(folder + f.path(), f.evidence());
            }
            List<String> names = new ArrayList<>();
            for (Side side : Side.values()) {
                if (!geometry.boardArea().isEmpty()) {
                    String picture = name + "-" + side.word();
                    pictures.put(
                            picture,
                            FacePicture.png(
                                    geometry,
                                    side,
                                    value(OrderOption.MASK_COLOUR),
                                    value(OrderOption.SILK_COLOUR)));
                    names.add(picture);
                }
            }
            Envelope e = geometry.boardArea().getEnvelopeInternal();
            int plated = (int) read.holes().stream().filter(Hole::plated).count();
            boards.add(
                    new DeskBoard(
                            name,
                            Length.toMm(e.getWidth()),
                            Length.toMm(e.getHeight()),
                            read.copper().size(),
                            plated,
                            read.holes().size() - plated,
                            names));
            return geometry;
        }

        private String value(OrderOption option) {
            return shop.value(option, ticket.order()).orElse("");
        }

        private static Quote.Pieces pieces(
                BoardGeometry geometry, int boards, int each, String what) {
            Envelope e = geometry.boardArea().getEnvelopeInternal();
            return JobQuote.pieces(boards, each, e.getWidth(), e.getHeight(), what);
        }

        private List<String> ordered() {
            List<String> all = new ArrayList<>();
            all.add(ticket.order().quantity() + " boards by " + shop.name());
            Order order = ticket.order();
            all.addAll(
                    shop.options().keySet().stream()
                            .map(o -> shop.value(o, order).map(v -> o.title() + ": " + o.words(v)))
                            .flatMap(Optional::stream)
                            .collect(Collectors.toList()));
            shop.price().carriage(order).ifPresent(c -> all.add("Carriage: " + c.name()));
            shop.orderMark(order).ifPresent(m -> all.add("Order mark " + m.words()));
            return all;
        }
    }
}
