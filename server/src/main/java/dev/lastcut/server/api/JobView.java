package dev.lastcut.server.api;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartsList;
import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.assembly.SupplyIssues;
import dev.lastcut.core.assignment.Assignment;
import dev.lastcut.core.assignment.Assignments;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Correction;
import dev.lastcut.core.board.Doubt;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.board.UnsizedTool;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.formats.drill.DrillFormat;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.panel.PanelAsk;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.server.jobs.TicketService;
import dev.lastcut.server.report.ReviewJson;
import dev.lastcut.server.store.JobStore;
import dev.lastcut.server.ticket.HeadroomJson;
import dev.lastcut.server.ticket.Tickets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.locationtech.jts.geom.Envelope;

/**
 * Everything the interface shows of a job but its pictures and findings. {@code stamp} changes when
 * anything changes that a check depends on; {@code version} is that of the ticket, {@code leftOut}
 * what of the ticket before did not fit this revision; {@code cutStands} when the newest cut is
 * what would be cut now, but for what is ordered of it.
 */
record JobView(
        long id,
        String name,
        int revision,
        String created,
        String sheetId,
        String stamp,
        int version,
        StepView undo,
        StepView redo,
        List<String> leftOut,
        HeadroomJson headroom,
        BoardFacts board,
        BuiltView built,
        PanelSummary panel,
        TouchSummary touches,
        List<FileView> files,
        List<ProblemView> problems,
        List<LayerView> layers,
        List<HoleView> holes,
        List<NetView> nets,
        List<String> drillFormats,
        CheckSummary check,
        List<ReviewJson> reviews,
        int cuts,
        boolean cutStands) {

    /**
     * The finishing touches: how many are listed, how many are switched on and not done, and a word
     * that changes whenever what they make of the board may.
     */
    record TouchSummary(int listed, int failed, String stamp) {}

    /** A version to go to, and what going there takes back or does again; null for none. */
    record StepView(int to, String says) {}

    /**
     * The panel that is made: how many boards it has, 0 for single boards, and why it cannot be
     * made, "" when it can.
     */
    record PanelSummary(int boards, double widthMm, double heightMm, String problem) {
        static PanelSummary of(Optional<PanelAsk> ask, BoardGeometry board) {
            if (ask.isEmpty()) {
                return new PanelSummary(0, 0, 0, "");
            }
            PanelAsk.Laid laid = ask.get().on(board);
            return laid.panel()
                    .map(
                            p ->
                                    new PanelSummary(
                                            p.boards().size(),
                                            Length.toMm(p.widthNm()),
                                            Length.toMm(p.heightNm()),
                                            ""))
                    .orElse(new PanelSummary(ask.get().plan().own(), 0, 0, laid.problem()));
        }
    }

    /** Extent in nm; size in mm; 0 without an outline. */
    record BoardFacts(
            long minX,
            long minY,
            long maxX,
            long maxY,
            double widthMm,
            double heightMm,
            int copperLayers,
            int holes,
            int slots,
            int nets,
            int parts,
            boolean hasList,
            int pasteOpenings,
            boolean hasPlacement) {}

    /** A part that is wanted and that nobody fits, and why. */
    record GapView(String designator, String why) {
        static GapView of(Assignment a) {
            return new GapView(a.part().designator(), a.why());
        }
    }

    /**
     * The parts as they are built: the variant, "" for the base; how many lines the list has, how
     * many of them are in trouble, how many parts are left off, how many are soldered by hand, how
     * many of these are ticked, and the parts that nobody fits.
     */
    record BuiltView(
            String variant,
            int lines,
            int troubles,
            int leftOff,
            int byHand,
            int soldered,
            List<GapView> nobody) {
        static BuiltView of(
                BoardGeometry geometry,
                Ticket ticket,
                Optional<Assignments> who,
                Set<String> ticked) {
            List<Part> parts = Population.of(geometry.board(), ticket.parts().variants());
            List<PartsList.Line> kinds = PartsList.kinds(parts);
            List<Part> hand =
                    who.map(Assignments::hand).orElse(List.of()).stream()
                            .filter(p -> p.placed().isPresent())
                            .toList();
            return new BuiltView(
                    ticket.parts().variants().built().orElse(""),
                    kinds.size(),
                    SupplyIssues.count(kinds, ticket.parts(), ticket.order().quantity()),
                    (int) parts.stream().filter(p -> !p.fitted()).count(),
                    hand.size(),
                    (int) hand.stream().filter(p -> ticked.contains(p.designator())).count(),
                    who.map(w -> w.gaps().stream().map(GapView::of).toList()).orElse(List.of()));
        }
    }

    /**
     * {@code numbers} is the number format or unit taken, in words; {@code asks} says what can be
     * chosen instead: format, unit or nothing; {@code applied} and {@code suggested} are
     * corrections in words, empty for none; {@code tools} are those whose size no file states.
     * {@code doubt} is what is open: role, side, order, shared, size, span, columns, version or
     * board, empty for nothing; {@code open} says it in words, and {@code about} names the other
     * version or the board.
     */
    record FileView(
            String path,
            String role,
            String evidence,
            String against,
            double confidence,
            String doubt,
            String open,
            String about,
            boolean shows,
            boolean chosen,
            String numbers,
            boolean numbersStated,
            String asks,
            String applied,
            String suggested,
            List<OpenToolView> tools) {}

    /**
     * A tool of a drill file, by the name a ticket gives it, with its holes and its size: as told,
     * or as proposed by the pads.
     */
    record OpenToolView(String tool, int holes, double diameterMm, boolean told) {
        static OpenToolView of(UnsizedTool t) {
            return new OpenToolView(
                    Tickets.toolName(t.number()), t.holes(), Length.toMm(t.diameterNm()), t.told());
        }
    }

    record ProblemView(String file, int line, String text, String action) {}

    /** A picture; {@code index} is its place in the list of layers. */
    record LayerView(int index, String role, String words, String file) {}

    /** Ends in nm, equal for a round hole. */
    record HoleView(long x0, long y0, long x1, long y1, long diameter, boolean plated) {}

    record NetView(int net, String name) {}

    /** {@code ran} is false until this very board was checked against this very sheet. */
    record CheckSummary(boolean ran, int stops, int looks, int notes, int openStops, int notRun) {}

    static JobView of(
            JobStore.Job job,
            int revision,
            Ticket ticket,
            TicketService.History history,
            String stamp,
            BoardGeometry geometry,
            BuiltView built,
            PanelSummary panel,
            TouchSummary touches,
            CheckSummary check,
            List<ReviewJson> reviews,
            int cuts,
            boolean cutStands) {
        Board board = geometry.board();
        List<LayerView> layers = new ArrayList<>();
        for (int i = 0; i < board.layers().size(); i++) {
            var l = board.layers().get(i);
            layers.add(new LayerView(i, l.role().id(), l.role().words(), l.file()));
        }
        List<NetView> nets = new ArrayList<>();
        for (int i = 0; i < geometry.nets().netCount(); i++) {
            nets.add(new NetView(i, geometry.netName(i)));
        }
        return new JobView(
                job.id(),
                job.name(),
                revision,
                job.created(),
                ticket.shop().orElse(""),
                stamp,
                history.version(),
                history.undone().map(v -> new StepView(v.parent(), v.says())).orElse(null),
                history.redone().map(v -> new StepView(v.number(), v.says())).orElse(null),
                history.leftOut(),
                HeadroomJson.of(ticket.headroom()),
                facts(geometry),
                built,
                panel,
                touches,
                board.files().stream().map(JobView::file).toList(),
                board.problems().stream()
                        .map(p -> new ProblemView(p.file(), p.line(), p.text(), p.action()))
                        .toList(),
                layers,
                board.holes().stream().map(JobView::hole).toList(),
                nets,
                DrillFormat.ALL.stream().map(DrillFormat::words).toList(),
                check,
                reviews,
                cuts,
                cutStands);
    }

    private static FileView file(SourceFile f) {
        String asks = f.scale().isEmpty() ? "" : f.scale().contains(",") ? "format" : "unit";
        return new FileView(
                f.path(),
                f.role().id(),
                f.evidence(),
                f.against(),
                f.confidence(),
                f.doubt().map(d -> d.kind().id()).orElse(""),
                f.doubt().map(Doubt::text).orElse(""),
                f.doubt().map(Doubt::about).orElse(""),
                f.stepNm() > 0 || f.role().equals(Role.OUTLINE),
                f.chosen(),
                f.scale(),
                f.scaleStated(),
                asks,
                f.applied().map(Correction::words).orElse(""),
                f.suggested().map(Correction::words).orElse(""),
                f.tools().stream().map(OpenToolView::of).toList());
    }

    private static BoardFacts facts(BoardGeometry geometry) {
        Board board = geometry.board();
        boolean outlined = !geometry.boardArea().isEmpty();
        Envelope e = outlined ? geometry.boardArea().getEnvelopeInternal() : extent(geometry);
        if (outlined && board.files().stream().anyMatch(f -> f.suggested().isPresent())) {
            // Something lies elsewhere: show where, not the outline alone.
            e = new Envelope(e);
            e.expandToInclude(extent(geometry));
        }
        if (e.isNull()) {
            e = new Envelope(0, 50_000_000, 0, 50_000_000);
        }
        int slots = (int) board.holes().stream().filter(Hole::isSlot).count();
        int paste =
                board.layers().stream()
                        .filter(l -> l.role().kind() == Role.Kind.PASTE)
                        .mapToInt(l -> geometry.pieces(l.role()).size())
                        .sum();
        int named =
                geometry.board()
                        .netlist()
                        .map(n -> (int) n.netCount())
                        .orElse(geometry.nets().netCount());
        return new BoardFacts(
                Math.round(e.getMinX()),
                Math.round(e.getMinY()),
                Math.round(e.getMaxX()),
                Math.round(e.getMaxY()),
                outlined ? Length.toMm(geometry.boardArea().getEnvelopeInternal().getWidth()) : 0,
                outlined ? Length.toMm(geometry.boardArea().getEnvelopeInternal().getHeight()) : 0,
                board.copper().size(),
                board.holes().size() - slots,
                slots,
                named,
                board.partCount(),
                board.parts().isPresent(),
                paste,
                board.placements().isPresent());
    }

    private static Envelope extent(BoardGeometry geometry) {
        Envelope all = new Envelope();
        geometry.board()
                .layers()
                .forEach(
                        l ->
                                geometry.pieces(l.role())
                                        .forEach(p -> all.expandToInclude(p.envelope())));
        geometry.board().holes().forEach(h -> all.expandToInclude(h.from().coordinate()));
        return all;
    }

    private static HoleView hole(Hole h) {
        return new HoleView(
                h.from().x(), h.from().y(), h.to().x(), h.to().y(), h.diameter(), h.plated());
    }

    static CheckSummary summary(CheckRun run, int open) {
        int[] counts = new int[3];
        run.findings().forEach(f -> counts[f.severity().ordinal()]++);
        int notRun =
                (int)
                        run.results().stream()
                                .filter(r -> r.outcome().status() == Outcome.Status.NOT_RUN)
                                .count();
        return new CheckSummary(true, counts[0], counts[1], counts[2], open, notRun);
    }
}
