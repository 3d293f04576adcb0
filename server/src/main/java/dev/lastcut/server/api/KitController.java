package dev.lastcut.server.api;

import dev.lastcut.core.assembly.GuidePlan;
import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assignment.Assignments;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.formats.table.Designators;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.kit.BenchKit;
import dev.lastcut.core.kit.GuideLine;
import dev.lastcut.core.kit.KitGuide;
import dev.lastcut.core.kit.KitStep;
import dev.lastcut.core.kit.KitTable;
import dev.lastcut.core.kit.TestPoint;
import dev.lastcut.core.milling.HandJoint;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.RefusedException;
import dev.lastcut.server.kit.KitService;
import dev.lastcut.server.parts.PartsService;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The bench kit: what is soldered by hand, in order, and what of it is done. */
@RestController
@RequestMapping("/api/jobs/{id}/kit")
class KitController {
    private static final int LONGEST_NOTE = 500;

    private final JobService jobs;
    private final PartsService parts;
    private final KitService ticks;

    KitController(JobService jobs, PartsService parts, KitService ticks) {
        this.jobs = jobs;
        this.parts = parts;
        this.ticks = ticks;
    }

    /** Parts that are soldered now, or not yet after all; on all boards where none is named. */
    record SaidDone(List<String> designators, boolean done, Integer board) {}

    /** What is to be minded with a part; an empty note takes it back. */
    record SaidNote(String designator, String note) {}

    @GetMapping
    KitView view(@PathVariable long id) {
        CapabilitySheet sheet = sheet(id);
        BoardGeometry geometry = jobs.board(id);
        Ticket ticket = jobs.ticket(id);
        BenchKit kit = kit(geometry, sheet, ticket);
        int wires =
                sheet.joinsByHand()
                        ? (int)
                                HandJoint.of(geometry).stream()
                                        .filter(j -> j.pin().isEmpty())
                                        .count()
                        : 0;
        List<List<String>> ticked = ticks.ticked(id, ticket.order().quantity());
        return new KitView(
                ticket.order().quantity(),
                kit.steps().stream().map(KitController::step).toList(),
                lines(kit),
                Designators.fold(kit.unplaced().stream().map(Part::designator).toList()),
                wires,
                TestPoint.of(geometry).stream().map(KitController::probe).toList(),
                ticket.parts().notes(),
                List.copyOf(KitService.onAll(ticked)),
                ticked,
                List.copyOf(new TreeSet<>(ticks.pictured(id))));
    }

    private CapabilitySheet sheet(long id) {
        return jobs.sheet(id)
                .orElseThrow(
                        () ->
                                new RefusedException(
                                        "Choose a shop first: what it does not fit is soldered by"
                                                + " hand."));
    }

    private static BenchKit kit(BoardGeometry geometry, CapabilitySheet sheet, Ticket ticket) {
        return BenchKit.of(
                geometry,
                Assignments.of(geometry, sheet, ticket.order(), ticket.parts()),
                ticket.parts());
    }

    private static List<KitView.GuideLineView> lines(BenchKit kit) {
        List<KitView.GuideLineView> all = new ArrayList<>();
        int next = 0;
        for (GuideLine l : kit.lines()) {
            all.add(new KitView.GuideLineView(l.step().isPresent() ? next++ : null, l.own()));
        }
        return all;
    }

    /** One place in the order of the guide: a part to solder, or what to do. */
    record SaidLine(String solder, String own) {}

    /** The whole order; an empty one takes it back to the proposed one. */
    record SaidGuide(List<SaidLine> lines) {}

    @PostMapping("/guide")
    TicketController.VersionView guide(
            @PathVariable long id,
            @RequestBody SaidGuide body,
            @RequestHeader(name = IfMatchVersion.HEADER, required = false) String base) {
        GuidePlan plan = plan(body.lines() == null ? List.of() : body.lines());
        return TicketController.VersionView.of(
                parts.plan(id, IfMatchVersion.of(base), p -> p.guided(plan)));
    }

    private static GuidePlan plan(List<SaidLine> lines) {
        try {
            return new GuidePlan(
                    lines.stream()
                            .map(l -> new GuidePlan.Entry(said(l.solder()), said(l.own())))
                            .toList());
        } catch (IllegalArgumentException e) {
            throw new RefusedException("The order of the guide: " + e.getMessage() + ".");
        }
    }

    private static String said(String text) {
        return text == null ? "" : text;
    }

    private static KitView.KitStepView step(KitStep s) {
        Part p = s.parts().get(0);
        return new KitView.KitStepView(
                Designators.fold(s.designators()),
                p.value(),
                p.standsOn(),
                p.partNumber(),
                s.side().word(),
                s.leads(),
                s.heightMm(),
                s.spacingMm().isPresent() ? s.spacingMm().getAsDouble() : null,
                s.stage().why(),
                KitTable.polarity(s),
                s.colours().stream().map(KitController::reading).toList(),
                s.places().stream().map(KitController::place).toList());
    }

    private static KitView.ReadingView reading(KitStep.Reading r) {
        return new KitView.ReadingView(
                r.code().bands().stream()
                        .map(
                                b ->
                                        new KitView.BandView(
                                                b.word(),
                                                String.format(Locale.ROOT, "#%06x", b.rgb())))
                        .toList(),
                r.code().words(),
                r.tolerancePercent());
    }

    private static KitView.KitPlaceView place(KitStep.Place p) {
        Optional<Pt> start = p.start();
        Optional<Pt> mark = p.mark();
        return new KitView.KitPlaceView(
                p.designator(),
                p.at().x(),
                p.at().y(),
                start.map(Pt::x).orElse(null),
                start.map(Pt::y).orElse(null),
                p.startPin(),
                mark.map(Pt::x).orElse(null),
                mark.map(Pt::y).orElse(null));
    }

    private static KitView.ProbeView probe(TestPoint p) {
        return new KitView.ProbeView(
                p.name(),
                p.designator(),
                p.net(),
                p.side().map(Side::word).orElse(""),
                p.at().x(),
                p.at().y());
    }

    @PostMapping("/done")
    KitView done(@PathVariable long id, @RequestBody SaidDone body) {
        ticks.tick(
                id,
                Optional.ofNullable(body.board()),
                jobs.ticket(id).order().quantity(),
                body.designators() == null ? List.of() : body.designators(),
                body.done());
        return view(id);
    }

    /** Keeps a picture with a part: the bytes of a PNG or JPEG. */
    @PostMapping("/picture")
    KitView put(
            @PathVariable long id, @RequestParam String designator, @RequestBody byte[] picture) {
        ticks.put(id, designator, picture);
        return view(id);
    }

    @DeleteMapping("/picture")
    KitView drop(@PathVariable long id, @RequestParam String designator) {
        ticks.drop(id, designator);
        return view(id);
    }

    @WithoutBoard
    @GetMapping("/picture")
    ResponseEntity<byte[]> picture(@PathVariable long id, @RequestParam String designator) {
        byte[] picture = ticks.picture(id, designator);
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(KitService.type(picture)))
                .body(picture);
    }

    /** The guide as it is now, with the pictures that were dropped into its steps. */
    @GetMapping(path = "/guide.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    byte[] guide(@PathVariable long id) {
        CapabilitySheet sheet = sheet(id);
        BoardGeometry geometry = jobs.board(id);
        Ticket ticket = jobs.ticket(id);
        Map<String, byte[]> pictures = new TreeMap<>();
        ticks.pictured(id).forEach(d -> pictures.put(d, ticks.picture(id, d)));
        return KitGuide.pdf(
                geometry,
                kit(geometry, sheet, ticket),
                ticket.parts().notes(),
                ticket.order().quantity(),
                sheet.joinsByHand() ? HandJoint.of(geometry) : List.of(),
                pictures);
    }

    @PostMapping("/note")
    TicketController.VersionView note(
            @PathVariable long id,
            @RequestBody SaidNote body,
            @RequestHeader(name = IfMatchVersion.HEADER, required = false) String base) {
        String note = body.note() == null ? "" : body.note().strip();
        if (note.length() > LONGEST_NOTE) {
            throw new RefusedException(
                    "A note has at most " + LONGEST_NOTE + " letters, not " + note.length() + ".");
        }
        return TicketController.VersionView.of(
                parts.plan(id, IfMatchVersion.of(base), p -> p.noting(body.designator(), note)));
    }
}
