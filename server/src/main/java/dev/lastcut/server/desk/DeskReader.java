package dev.lastcut.server.desk;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.assembly.PartsList;
import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.assembly.Variants;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Mounting;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.capability.Quote;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.cut.Manifest;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.intake.Pack.PackFile;
import dev.lastcut.core.intake.UnusablePackException;
import dev.lastcut.core.job.JobPipeline;
import dev.lastcut.core.job.PanelBoardSource;
import dev.lastcut.core.panel.PanelPlan;
import dev.lastcut.core.quote.JobQuote;
import dev.lastcut.core.quote.OrderChoices;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.core.ticket.TicketDependencies;
import dev.lastcut.server.counter.HouseShelf;
import dev.lastcut.server.desk.Delivery.RefusedDeliveryException;
import dev.lastcut.server.orders.DeskOrder.DeskQuestion;
import dev.lastcut.server.orders.DeskParts;
import dev.lastcut.server.orders.DeskReading;
import dev.lastcut.server.orders.DeskReading.DeskBoard;
import dev.lastcut.server.orders.DeskReading.DeskFile;
import dev.lastcut.server.orders.DeskReading.DeskFinding;
import dev.lastcut.server.orders.DeskReading.DeskParcel;
import dev.lastcut.server.report.QuoteJson;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.locationtech.jts.geom.Envelope;

/** Reads an upload: its own list of files, the board in it, what is wrong with it, its price. */
final class DeskReader {
    private static final String PANEL = "panel/";
    private static final String MADE_OF = "fabrication/";
    private static final String TABLES = "assembly/(parts|placement[a-z-]*)\\.csv";

    private static final int MOST_THINGS = 4;

    private final HouseShelf shelf = new HouseShelf();
    private final Unpacking unpacking;

    /** One that has no parcels: uploads are whole zips. */
    DeskReader() {
        this(sha256 -> Optional.empty());
    }

    /**
     * @param parcels what was sent before, by its SHA-256
     */
    DeskReader(Function<String, Optional<byte[]>> parcels) {
        unpacking = new Unpacking(parcels);
    }

    /** What was read, and what else is kept of it. */
    record Read(DeskReading reading, List<DeskQuestion> questions, Map<String, byte[]> pictures) {}

    /**
     * @param upload a zip, or a packing list
     */
    Read read(byte[] upload) {
        String sha256 = Manifest.sha256(upload);
        try {
            return new One(unpacking.unpack(sha256, upload)).read();
        } catch (RefusedDeliveryException | UnusablePackException e) {
            return new Read(
                    DeskReading.of(sha256, upload.length, DeskReading.REFUSED, e.getMessage()),
                    List.of(),
                    Map.of());
        }
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

    /** The same of files from anywhere: all of them may be part of it. */
    private static BoardGeometry plain(Map<String, byte[]> files) throws UnusablePackException {
        List<PackFile> all = new ArrayList<>();
        files.forEach((path, content) -> all.add(new PackFile(path, content)));
        return new BoardGeometry(Intake.open(new Pack("the delivery", all)));
    }

    /** One delivery that is being read. */
    private final class One {
        private final Delivery delivery;
        private final Ticket ticket;
        private final List<DeskBoard> boards = new ArrayList<>();
        private final Map<String, Role> roles = new LinkedHashMap<>();
        private final Map<String, String> because = new LinkedHashMap<>();
        private final Map<String, byte[]> pictures = new LinkedHashMap<>();

        One(Delivery delivery) {
            this.delivery = delivery;
            // What the maker left aside beyond the shop's limits is the maker's own affair.
            this.ticket =
                    Ticket.BLANK.with(
                            d -> {
                                d.shop = delivery.shop().map(CapabilitySheet::id);
                                d.order = delivery.ticket().order();
                                d.parts = delivery.ticket().parts();
                                d.panel = delivery.ticket().panel();
                            });
        }

        Read read() throws UnusablePackException, RefusedDeliveryException {
            BoardGeometry board = board("board", "");
            DeliveryCheck fits = new DeliveryCheck(board, delivery, ticket);
            fits.refuseWhatDoesNotFit();
            boolean panel =
                    delivery.files().keySet().stream().anyMatch(p -> p.startsWith(PANEL + MADE_OF));
            BoardGeometry made = panel ? board("panel", PANEL) : board;
            int each = panel ? ticket.panel().map(PanelPlan::own).orElse(1) : 1;
            Optional<CapabilitySheet> shop = delivery.shop();
            List<Finding> findings = shop.map(s -> findings(board, s)).orElse(List.of());
            DeskParts parts = shop.flatMap(s -> parts(board, s)).orElse(null);
            List<DeskQuestion> questions = Engineer.questions(findings, parts);
            Function<Order, Optional<Quote>> quote =
                    o ->
                            shop.filter(x -> !board.boardArea().isEmpty())
                                    .map(
                                            x ->
                                                    JobQuote.of(
                                                            board,
                                                            x,
                                                            o,
                                                            ticket.parts(),
                                                            pieces(made, o, each, panel)));
            Order order = ticket.order();
            return new Read(
                    new DeskReading(
                            delivery.sha256(),
                            delivery.bytes(),
                            DeskReading.READ,
                            "",
                            delivery.check(),
                            shop.map(this::ordered).orElse(List.of()),
                            delivery.files().keySet().stream().map(this::file).toList(),
                            boards,
                            findings.stream().map(One::finding).toList(),
                            quote.apply(order).map(QuoteJson::of).orElse(null),
                            parts,
                            questions.size(),
                            delivery.parcels().stream().map(this::parcel).toList(),
                            fits.asks(),
                            order.quantity(),
                            shop.map(s -> choices(s, order, board, quote)).orElse(List.of())),
                    questions,
                    pictures);
        }

        private static List<OrderChoices.OrderChoice> choices(
                CapabilitySheet shop,
                Order order,
                BoardGeometry board,
                Function<Order, Optional<Quote>> quote) {
            return new OrderChoices(shop, order, board.board().copper().size(), quote).all();
        }

        private List<Finding> findings(BoardGeometry board, CapabilitySheet shop) {
            Ticket single = ticket.with(d -> d.panel = Optional.empty());
            return JobPipeline.check(
                            board,
                            shop,
                            new TicketDependencies(single),
                            PanelBoardSource.NONE,
                            (done, of, title) -> {},
                            () -> false)
                    .findings();
        }

        /** What came in a parcel: each thing once, copper first, the first few by name. */
        private DeskParcel parcel(Delivery.Arrived a) {
            List<String> things =
                    a.paths().stream()
                            .map(roles::get)
                            .filter(Objects::nonNull)
                            .filter(r -> !r.equals(Role.NOT_PART))
                            .sorted(Comparator.comparing(Role::kind).thenComparing(Role::words))
                            .map(Role::words)
                            .distinct()
                            .toList();
            int more = things.size() - MOST_THINGS;
            String named =
                    String.join(", ", things.subList(0, Math.min(MOST_THINGS, things.size())));
            return new DeskParcel(
                    a.item().name(),
                    a.bytes(),
                    a.item().cut(),
                    a.paths().size(),
                    things.isEmpty()
                            ? beside(a.paths().iterator().next())
                            : named + (more > 0 ? " and " + more + " more" : ""));
        }

        /** What a house that fits parts makes of the tables. */
        private Optional<DeskParts> parts(BoardGeometry board, CapabilitySheet shop) {
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
                    roles.containsKey(path) ? roles.get(path).words() : beside(path),
                    because.getOrDefault(path, ""));
        }

        private static String beside(String path) {
            return path.contains("stencil/") ? "the stencil" : "kept with the order";
        }

        private BoardGeometry board(String name, String folder) throws UnusablePackException {
            BoardGeometry geometry =
                    delivery.plain()
                            ? plain(delivery.files())
                            : DeskReader.board(name, folder, delivery.files());
            Board read = geometry.board();
            for (SourceFile f : read.files()) {
                roles.put(folder + f.path(), f.role());
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
            return delivery.shop().flatMap(s -> s.value(option, ticket.order())).orElse("");
        }

        private static Quote.Pieces pieces(
                BoardGeometry made, Order order, int each, boolean panel) {
            Envelope e = made.boardArea().getEnvelopeInternal();
            return JobQuote.pieces(
                    order.quantity(),
                    Math.max(1, each),
                    e.getWidth(),
                    e.getHeight(),
                    panel ? "panel" : "board");
        }

        private List<String> ordered(CapabilitySheet shop) {
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
