package dev.lastcut.server.api;

import dev.lastcut.core.assembly.ByHand;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.Turns;
import dev.lastcut.core.board.Side;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.RefusedException;
import dev.lastcut.server.parts.PartsService;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Rotations held against the pads, turns, and who fits what. */
@RestController
@RequestMapping("/api/jobs/{id}/placement")
class PlacementController {
    private final JobService jobs;
    private final PartsService parts;

    PlacementController(JobService jobs, PartsService parts) {
        this.jobs = jobs;
        this.parts = parts;
    }

    /** A turn of all parts of a package or of a single part; 0 takes it back. */
    record SaidTurn(String packageName, String designator, double degrees) {}

    /** Who solders a package, a side or some parts; null for parts: as their package. */
    record SaidHand(String packageName, String side, List<String> designators, Boolean hand) {}

    /** Whether all parts of a footprint on a side were looked at. */
    record SaidLooked(String footprint, String side, boolean looked) {}

    @GetMapping
    PlacementView view(@PathVariable long id) {
        return views(id).view();
    }

    /** Every part of a footprint turned to 0°, to be seen side by side. */
    @GetMapping("/sheet")
    PlacementView.KindSheetView sheet(
            @PathVariable long id, @RequestParam String footprint, @RequestParam String side) {
        return views(id).sheet(footprint, side(side));
    }

    @PostMapping("/turn")
    TicketController.VersionView turn(
            @PathVariable long id,
            @RequestBody SaidTurn body,
            @RequestHeader(name = IfMatchVersion.HEADER, required = false) String base) {
        return turns(id, List.of(body), base);
    }

    /** Several turns at once: one choice, undone as one. */
    @PostMapping("/turns")
    TicketController.VersionView turns(
            @PathVariable long id,
            @RequestBody List<SaidTurn> body,
            @RequestHeader(name = IfMatchVersion.HEADER, required = false) String base) {
        return TicketController.VersionView.of(
                parts.plan(
                        id,
                        IfMatchVersion.of(base),
                        p -> {
                            Turns turns = p.turns();
                            for (SaidTurn said : body) {
                                turns =
                                        said.designator() != null
                                                ? turns.ofPart(said.designator(), said.degrees())
                                                : turns.ofPackage(
                                                        said.packageName(), said.degrees());
                            }
                            return p.with(turns);
                        }));
    }

    @PostMapping("/hand")
    TicketController.VersionView hand(
            @PathVariable long id,
            @RequestBody SaidHand body,
            @RequestHeader(name = IfMatchVersion.HEADER, required = false) String base) {
        return TicketController.VersionView.of(
                parts.plan(id, IfMatchVersion.of(base), p -> p.with(hand(p, body))));
    }

    private static ByHand hand(PartsPlan p, SaidHand body) {
        boolean hand = Boolean.TRUE.equals(body.hand());
        if (body.designators() != null) {
            ByHand next = p.byHand();
            for (String d : body.designators()) {
                next = next.ofPart(d, Optional.ofNullable(body.hand()));
            }
            return next;
        }
        return body.side() != null
                ? p.byHand().ofSide(side(body.side()), hand)
                : p.byHand().ofPackage(body.packageName(), hand);
    }

    @PostMapping("/looked")
    TicketController.VersionView looked(
            @PathVariable long id,
            @RequestBody SaidLooked body,
            @RequestHeader(name = IfMatchVersion.HEADER, required = false) String base) {
        String lies = body.looked() ? views(id).asTheyLie(body.footprint(), side(body.side())) : "";
        String key = PlacementViews.lookedKey(body.footprint(), side(body.side()));
        return TicketController.VersionView.of(
                parts.plan(id, IfMatchVersion.of(base), p -> p.lookedAt(key, lies)));
    }

    /** The pin of a footprint that is the cathode or the plus; null takes it back. */
    record SaidPolarity(String footprint, String pin) {}

    @PostMapping("/polarity")
    TicketController.VersionView polarity(
            @PathVariable long id,
            @RequestBody SaidPolarity body,
            @RequestHeader(name = IfMatchVersion.HEADER, required = false) String base) {
        if (body.footprint() == null || body.footprint().isBlank()) {
            throw new RefusedException("Say which footprint the polarity is of.");
        }
        return TicketController.VersionView.of(
                parts.plan(
                        id,
                        IfMatchVersion.of(base),
                        p ->
                                p.polarised(
                                        body.footprint(),
                                        Optional.ofNullable(body.pin())
                                                .filter(x -> !x.isBlank()))));
    }

    private PlacementViews views(long id) {
        return new PlacementViews(jobs.board(id), jobs.ticket(id), jobs.sheet(id));
    }

    private static Side side(String word) {
        return Arrays.stream(Side.values())
                .filter(s -> s.word().equals(word))
                .findFirst()
                .orElseThrow(() -> new RefusedException("A side is top or bottom."));
    }
}
