package dev.lastcut.server.desk;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.assembly.PartsList;
import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.assembly.Variants;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Mounting;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.capability.Quote;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.cut.CutZip;
import dev.lastcut.core.cut.Manifest;
import dev.lastcut.core.cut.Verification;
import dev.lastcut.core.cut.Verification.Fault;
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
import dev.lastcut.server.counter.HouseShelf;
import dev.lastcut.server.orders.DeskOrder.DeskQuestion;
import dev.lastcut.server.orders.DeskParts;
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
import java.util.Set;
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
    private final HouseShelf shelf = new HouseShelf();

    /** What was read, and what else is kept of it. */
    record Read(DeskReading reading, List<DeskQuestion> questions, Map<String, byte[]> pictures) {}

    Read read(byte[] zip) {
        return read(zip, Optional.empty());
    }

    /**
     * @param before a whole upload that this one adds to
     */
    Read read(byte[] zip, Optional<byte[]> before) {
        String sha256 = Manifest.sha256(zip);
        try {
            if (before.isEmpty()) {
                return read(sha256, zip, "");
            }
            Optional<Fault> broken =
                    Verification.of(zip).faults().stream()
                            .filter(f -> f.kind() == Verification.Kind.CUT_OFF)
                            .findFirst();
            if (broken.isPresent()) {
                return refused(sha256, zip, broken.get().says());
            }
            Map<String, byte[]> now = CutZip.all(zip);
            byte[] whole = PartialUpload.whole(before.get(), now);
            String came =
                    now.size() + " files arrived, the others are those of the upload before. ";
            return read(sha256, whole, came);
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

    private Read read(String sha256, byte[] zip, String came)
            throws UnusablePackException, SheetJson.BadSheetException, BadTicketException {
        Verification held = Verification.of(zip);
        Optional<Fault> fault =
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
                .read(files, held.isWhole() ? checked(held, came) : "It has no manifest to go by.");
    }

    private static String checked(Verification held, String came) {
        return came.isEmpty()
                ? "All " + held.files() + " files arrived as their manifest lists them."
                : came + "All " + held.files() + " are as their manifest lists them.";
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
    private final class One {
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
            DeskParts parts = parts(board).orElse(null);
            List<DeskQuestion> questions = Engineer.questions(findings, parts);
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
                            parts,
                            questions.size()),
                    questions,
                    pictures);
        }

        /** What a house that fits parts makes of the tables. */
        private Optional<DeskParts> parts(BoardGeometry board) {
            Set<Side> sides = shop.fittedSides(ticket.order());
            if (sides.isEmpty() || shop.assembly().isEmpty()) {
                return Optional.empty();
            }
            Assembly assembly = shop.assembly().get();
            boolean leaded = assembly.line().fits().contains(Mounting.LEADED);
            Map<Boolean, List<HouseView.Fitted>> fits =
                    new HouseView(board, assembly)
                            .parts().stream()
                                    .collect(
                                            Collectors.partitioningBy(
                                                    p -> fits(p.body(), sides, leaded)));
            List<HouseView.Fitted> there = fits.get(true);
            Set<String> elsewhere =
                    fits.get(false).stream()
                            .map(p -> p.placed().designator())
                            .collect(Collectors.toSet());
            List<String> names = new ArrayList<>();
            for (Side side : sides) {
                if (!board.boardArea().isEmpty()) {
                    String name = "parts-" + side.word();
                    pictures.put(name, picture(board, side, there));
                    names.add(name);
                }
            }
            boards.set(0, boards.get(0).fitted(names));
            ListMatch match = new ListMatch(shelf, assembly.fees(), ticket.order().quantity());
            List<Part> listed =
                    Population.of(board.board(), Variants.NONE).stream()
                            .filter(p -> p.listed() && !elsewhere.contains(p.designator()))
                            .toList();
            return Optional.of(
                    new DeskParts(
                            assembly.zeroOrientation()
                                    .map(Assembly.ZeroOrientation::corner)
                                    .orElse(""),
                            PartsList.kinds(listed).stream().map(match::line).toList(),
                            there.stream().map(HouseView.Fitted::placed).toList()));
        }

        private static boolean fits(PartBodies.Body body, Set<Side> sides, boolean leaded) {
            return sides.contains(body.side()) && (leaded || !body.throughHole());
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
                    pictures.put(picture, picture(geometry, side, List.of()));
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
                            names,
                            List.of()));
            return geometry;
        }

        private byte[] picture(BoardGeometry board, Side side, List<HouseView.Fitted> parts) {
            return FacePicture.png(
                    board,
                    side,
                    value(OrderOption.MASK_COLOUR),
                    value(OrderOption.SILK_COLOUR),
                    parts);
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
