package dev.lastcut.core.job;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.CheckContext.Against;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.cut.Manifest;
import dev.lastcut.core.cut.OutputSet;
import dev.lastcut.core.cut.SignOff;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.intake.UnusablePackException;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.milling.level.HeightMap;
import dev.lastcut.core.ticket.Asking;
import dev.lastcut.core.ticket.Misfit;
import dev.lastcut.core.ticket.SignedFindings;
import dev.lastcut.core.ticket.Ticket;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;

/**
 * Pack, sheet and ticket to board, findings and outputs. Every step is a function of what is given
 * to it: it asks the ticket for just what it needs, so whoever keeps results knows from what was
 * asked when they serve again.
 */
public final class Making {
    private Making() {}

    /** Reads a pack. */
    public static BoardGeometry board(Pack pack, Asking ticket) throws UnusablePackException {
        return board(pack, ticket, (done, of, title) -> {});
    }

    /** Reads a pack and says how far it is. */
    public static BoardGeometry board(Pack pack, Asking ticket, CheckRunner.Progress progress)
            throws UnusablePackException {
        progress.step(0, 2, pack.files().size() + " files");
        Board board = Intake.open(pack, ticket.ask(Ticket::files));
        progress.step(1, 2, "joining its copper into nets");
        return new BoardGeometry(board);
    }

    /** What a board is held against at a shop. */
    public static Against against(CapabilitySheet sheet, Asking ticket) {
        return new Against(
                sheet,
                ticket.ask(Ticket::headroom),
                ticket.ask(Ticket::order),
                ticket.ask(Ticket::currents),
                setup(sheet, ticket),
                ticket.ask(Ticket::parts),
                ticket.ask(Ticket::stencil));
    }

    private static MillSetup setup(CapabilitySheet sheet, Asking ticket) {
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
            Asking ticket,
            CheckRunner.Progress progress,
            BooleanSupplier cancelled) {
        CheckContext context = new CheckContext(geometry, against(sheet, ticket));
        return CheckRunner.run(context, progress, cancelled);
    }

    /** Makes every output of a board for a shop. */
    public static OutputSet outputs(BoardGeometry geometry, CapabilitySheet sheet, Asking ticket) {
        return OutputSet.make(
                geometry,
                sheet,
                setup(sheet, ticket),
                sheet.isMill() ? heights(ticket) : Map.of(),
                ticket.ask(Ticket::parts),
                ticket.ask(Ticket::stencil),
                ticket.ask(Ticket::order));
    }

    /** Asked as what was measured, for surfaces themselves cannot be told to be equal. */
    private static Map<Side, HeightMap> heights(Asking ticket) {
        return Ticket.heights(ticket.ask(Ticket::probed));
    }

    /** Which findings are signed off. */
    public static SignedFindings signed(CheckRun run, Asking ticket) {
        return SignedFindings.of(run, ticket.ask(Ticket::signOffs));
    }

    /** All that comes of a pack for a shop. */
    public record Product(
            BoardGeometry geometry,
            CapabilitySheet sheet,
            Ticket ticket,
            CheckRun run,
            OutputSet outputs) {
        public Against against() {
            return Making.against(sheet, new Asking(ticket));
        }

        public List<SignOff> signOffs() {
            return signed(run, new Asking(ticket)).signOffs();
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
        Asking asking = new Asking(ticket);
        refuse(Misfit.files(ticket, paths(pack)));
        refuse(Misfit.tools(ticket, sheet));
        BoardGeometry geometry = board(pack, asking);
        refuse(Misfit.nets(ticket, geometry));
        refuse(Misfit.parts(ticket, geometry.board()));
        CheckRun run = check(geometry, sheet, asking, (done, of, title) -> {}, () -> false);
        return new Product(geometry, sheet, ticket, run, outputs(geometry, sheet, asking));
    }

    private static Set<String> paths(Pack pack) {
        return pack.files().stream().map(Pack.PackFile::path).collect(Collectors.toSet());
    }

    private static void refuse(List<Misfit> misfits) {
        if (!misfits.isEmpty()) {
            throw new IllegalArgumentException(
                    "The ticket does not fit: "
                            + misfits.stream()
                                    .map(Misfit::sentence)
                                    .collect(Collectors.joining("; "))
                            + ".");
        }
    }
}
