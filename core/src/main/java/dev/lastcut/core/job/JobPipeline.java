package dev.lastcut.core.job;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.capability.StripTerms;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.CheckTarget;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.cut.Manifest;
import dev.lastcut.core.cut.OutputSet;
import dev.lastcut.core.cut.SignOff;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.intake.Choices;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.intake.UnusablePackException;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.milling.level.HeightMap;
import dev.lastcut.core.panel.Panel;
import dev.lastcut.core.panel.PanelAsk;
import dev.lastcut.core.panel.PanelPlan;
import dev.lastcut.core.strip.StripLayout;
import dev.lastcut.core.ticket.SignedFindings;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.core.ticket.TicketConflict;
import dev.lastcut.core.ticket.TicketDependencies;
import dev.lastcut.core.touch.Drawings;
import dev.lastcut.core.touch.Step;
import dev.lastcut.core.touch.TouchClearances;
import dev.lastcut.core.touch.Touched;
import dev.lastcut.core.touch.Touches;
import dev.lastcut.core.work.WorkLimit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;

/**
 * Pack, sheet and ticket to board, findings and outputs. Every step is a function of what is given
 * to it: it asks the ticket for just what it needs, so whoever keeps results knows from what was
 * asked when they serve again.
 */
public final class JobPipeline {
    private static final double SAME_THICKNESS_MM = 0.01;

    private JobPipeline() {}

    /** Reads a pack. */
    public static BoardGeometry board(Pack pack, TicketDependencies ticket)
            throws UnusablePackException {
        return board(pack, ticket, (done, of, title) -> {});
    }

    /** Reads a pack and says how far it is. */
    public static BoardGeometry board(
            Pack pack, TicketDependencies ticket, CheckRunner.Progress progress)
            throws UnusablePackException {
        progress.step(0, 2, pack.files().size() + " files");
        Board board = Intake.open(pack, ticket.ask(JobPipeline::files));
        progress.step(1, 2, "joining its copper into nets");
        return new BoardGeometry(board);
    }

    /** The user's word on files; what a touch draws with is no part of the board as it is read. */
    private static Choices files(Ticket ticket) {
        Choices files = ticket.files();
        for (Step step : ticket.touches()) {
            for (String path : step.touch().files()) {
                if (!files.roles().containsKey(path)) {
                    files = files.withRole(path, Optional.of(Role.NOT_PART));
                }
            }
        }
        return files;
    }

    /**
     * Does the touches to a board.
     *
     * @param sheet of the shop chosen, whose distances touches keep; empty for usual ones
     * @param pack where touches find the drawings they name
     */
    public static Touched touched(
            BoardGeometry read,
            Optional<CapabilitySheet> sheet,
            TicketDependencies ticket,
            Drawings pack) {
        Optional<StripTerms> strip = sheet.flatMap(CapabilitySheet::strip);
        if (strip.isPresent()) {
            return StripMaking.laidOut(read, strip.get(), ticket);
        }
        List<Step> steps = ticket.ask(Ticket::touches);
        if (steps.isEmpty()) {
            return Touched.none(read);
        }
        TouchClearances room =
                TouchClearances.of(
                        sheet,
                        ticket.ask(Ticket::headroom),
                        ticket.ask(Ticket::order),
                        read.board().copper().size());
        return Touches.on(read, steps, room, pack);
    }

    /** The files of a pack, for touches. */
    public static Drawings drawings(Pack pack) {
        return path ->
                pack.files().stream()
                        .filter(f -> f.path().equals(path))
                        .findFirst()
                        .map(Pack.PackFile::content);
    }

    /** What a board is held against at a shop. */
    public static CheckTarget against(
            CapabilitySheet sheet, TicketDependencies ticket, PanelBoardSource others) {
        return new CheckTarget(
                sheet,
                ticket.ask(Ticket::headroom),
                ticket.ask(Ticket::order),
                ticket.ask(Ticket::currents),
                setup(sheet, ticket),
                ticket.ask(Ticket::parts),
                ticket.ask(Ticket::stencil),
                panel(sheet, ticket, others));
    }

    /** The panel that is wanted, with the boards of other packs that are on it. */
    public static Optional<PanelAsk> panel(
            CapabilitySheet sheet, TicketDependencies ticket, PanelBoardSource others) {
        Optional<PanelPlan> plan = ticket.ask(Ticket::panel);
        return plan.map(p -> panel(p, sheet, ticket, others));
    }

    private static PanelAsk panel(
            PanelPlan plan,
            CapabilitySheet sheet,
            TicketDependencies ticket,
            PanelBoardSource others) {
        Map<String, BoardGeometry> found = new TreeMap<>();
        List<String> problems = new ArrayList<>();
        for (String pack : plan.packs()) {
            try {
                PanelBoardSource.Other other = others.find(pack);
                found.put(pack, other.geometry());
                Order order = ticket.ask(Ticket::order);
                thickness(pack, other, sheet, order).ifPresent(problems::add);
            } catch (UnusablePackException e) {
                problems.add("also.pack: " + pack + ": " + e.getMessage());
            }
        }
        return new PanelAsk(
                plan,
                ticket.ask(Ticket::parts),
                found,
                problems.stream().findFirst().map(s -> s.replaceAll("\\.$", "")));
    }

    private static Optional<String> thickness(
            String pack, PanelBoardSource.Other other, CapabilitySheet sheet, Order order) {
        Optional<Double> own = sheet.value(OrderOption.THICKNESS, order).map(Double::valueOf);
        if (own.isEmpty()
                || other.thicknessMm().isEmpty()
                || Math.abs(own.get() - other.thicknessMm().getAsDouble()) < SAME_THICKNESS_MM) {
            return Optional.empty();
        }
        return Optional.of(
                "also.pack: "
                        + pack
                        + " is to be "
                        + Length.shortMm(other.thicknessMm().getAsDouble())
                        + " mm thick and this board "
                        + Length.shortMm(own.get())
                        + " mm: one panel has one thickness. Order both alike, or apart");
    }

    /** How the board is set up on a mill. */
    public static MillSetup setup(CapabilitySheet sheet, TicketDependencies ticket) {
        return sheet.isMill() ? ticket.ask(t -> t.setup(sheet)) : MillSetup.USUAL;
    }

    /**
     * Checks a board.
     *
     * @param cancelled asked between rules; when true, the rest is reported as not run
     */
    public static CheckRun check(
            BoardGeometry geometry,
            CapabilitySheet sheet,
            TicketDependencies ticket,
            PanelBoardSource others,
            CheckRunner.Progress progress,
            BooleanSupplier cancelled) {
        CheckContext context = new CheckContext(geometry, against(sheet, ticket, others));
        return CheckRunner.run(context, progress, cancelled);
    }

    /** More than ten times what the outputs of a board of 200,000 objects take. */
    private static final long MOST_STEPS = 4_000_000;

    /** Makes every output of a board for a shop. */
    public static OutputSet outputs(
            BoardGeometry geometry,
            CapabilitySheet sheet,
            TicketDependencies ticket,
            PanelBoardSource others) {
        Optional<StripLayout> strip = StripLayout.of(geometry);
        if (strip.isPresent()) {
            return OutputSet.strip(
                    geometry,
                    strip.get(),
                    sheet,
                    ticket.ask(Ticket::parts),
                    ticket.ask(Ticket::order));
        }
        return WorkLimit.of(
                "Making the outputs",
                MOST_STEPS,
                () ->
                        OutputSet.make(
                                geometry,
                                sheet,
                                setup(sheet, ticket),
                                sheet.isMill() ? heights(ticket) : Map.of(),
                                ticket.ask(Ticket::parts),
                                ticket.ask(Ticket::stencil),
                                ticket.ask(Ticket::order),
                                panel(sheet, ticket, others)));
    }

    /** Asked as what was measured, for surfaces themselves cannot be told to be equal. */
    private static Map<Side, HeightMap> heights(TicketDependencies ticket) {
        return Ticket.heights(ticket.ask(Ticket::probed));
    }

    /** Which findings are signed off. */
    public static SignedFindings signed(CheckRun run, TicketDependencies ticket) {
        return SignedFindings.of(run, ticket.ask(Ticket::signOffs));
    }

    /**
     * All that comes of a pack for a shop.
     *
     * @param touched the board as it is read, and as it is made
     */
    public record Product(
            Touched touched,
            CapabilitySheet sheet,
            Ticket ticket,
            PanelBoardSource others,
            CheckRun run,
            OutputSet outputs) {
        /** The board as it is made. */
        public BoardGeometry geometry() {
            return touched.geometry();
        }

        public CheckTarget against() {
            return JobPipeline.against(sheet, new TicketDependencies(ticket), others);
        }

        /** The panel, if one is made and can be laid out. */
        public Optional<Panel> panel() {
            return JobPipeline.panel(sheet, new TicketDependencies(ticket), others)
                    .flatMap(p -> p.on(geometry()).panel());
        }

        public List<SignOff> signOffs() {
            return signed(run, new TicketDependencies(ticket)).signOffs();
        }

        /** Ids of stop findings that nobody signed off. */
        public List<String> openStops() {
            return Manifest.openStops(run, signOffs());
        }
    }

    /**
     * The whole way.
     *
     * @throws UnusablePackException when the pack cannot be used
     * @throws IllegalArgumentException when the ticket names what the pack or the shop does not
     *     have; the sentence names each
     */
    public static Product all(Pack pack, CapabilitySheet sheet, Ticket ticket)
            throws UnusablePackException {
        return all(pack, sheet, ticket, PanelBoardSource.NONE);
    }

    /**
     * The same with boards of other packs on the panel.
     *
     * @throws UnusablePackException when the pack cannot be used
     * @throws IllegalArgumentException as above, and when the panel cannot be laid out
     */
    public static Product all(
            Pack pack, CapabilitySheet sheet, Ticket ticket, PanelBoardSource others)
            throws UnusablePackException {
        TicketDependencies asking = new TicketDependencies(ticket);
        refuse(TicketConflict.files(ticket, paths(pack)));
        refuse(TicketConflict.tools(ticket, sheet));
        refuse(TicketConflict.stock(ticket, sheet));
        BoardGeometry read = board(pack, asking);
        Optional<String> wrong = StripMaking.unfit(read.board(), sheet);
        if (wrong.isPresent()) {
            throw new UnusablePackException(wrong.get());
        }
        Touched touched = touched(read, Optional.of(sheet), asking, drawings(pack));
        BoardGeometry geometry = touched.geometry();
        refuse(TicketConflict.nets(ticket, geometry));
        refuse(TicketConflict.parts(ticket, geometry.board()));
        panel(sheet, asking, others)
                .ifPresent(
                        p -> {
                            String problem = p.on(geometry).problem();
                            if (!problem.isEmpty()) {
                                refuse(List.of(new TicketConflict("panel", problem)));
                            }
                        });
        CheckRun run = check(geometry, sheet, asking, others, (done, of, title) -> {}, () -> false);
        return new Product(
                touched, sheet, ticket, others, run, outputs(geometry, sheet, asking, others));
    }

    private static Set<String> paths(Pack pack) {
        return pack.files().stream().map(Pack.PackFile::path).collect(Collectors.toSet());
    }

    private static void refuse(List<TicketConflict> misfits) {
        if (!misfits.isEmpty()) {
            throw new IllegalArgumentException(
                    "The ticket does not fit: "
                            + misfits.stream()
                                    .map(TicketConflict::sentence)
                                    .collect(Collectors.joining("; "))
                            + ".");
        }
    }
}
