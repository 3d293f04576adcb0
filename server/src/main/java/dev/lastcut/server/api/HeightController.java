package dev.lastcut.server.api;

import dev.lastcut.core.assembly.HeightZone;
import dev.lastcut.core.assembly.Heights;
import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.assembly.PartBodies.Body;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.job.JobPipeline;
import dev.lastcut.core.mechanical.ZoneDrawing;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.NotFoundException;
import dev.lastcut.server.jobs.RefusedException;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The room above the board, and the parts that are too high for it. */
@RestController
@RequestMapping("/api/jobs/{id}/heights")
class HeightController {
    private final JobService jobs;

    HeightController(JobService jobs) {
        this.jobs = jobs;
    }

    /** A zone; corners as x, y in mm, none for the whole board. */
    record HeightZoneView(
            String name,
            String side,
            double atMostMm,
            List<List<Double>> area,
            List<String> tooHigh) {}

    /** The highest part of a side. */
    record HighestView(String side, String designator, double heightMm, boolean known) {}

    /** {@code drawings} are the files of the pack that can hold the areas of an enclosure. */
    record RoomAboveView(
            List<HeightZoneView> zones,
            Map<String, Double> unshaded,
            List<HighestView> highest,
            List<String> drawings) {}

    /** Closed contours as corners in mm, the largest first. */
    record ZoneDrawingView(List<List<List<Double>>> contours, boolean moved) {}

    @GetMapping
    RoomAboveView heights(@PathVariable long id) {
        var plan = jobs.ticket(id).parts();
        Heights heights = plan.heights();
        List<Body> bodies =
                PartBodies.of(jobs.board(id), plan).stream().filter(Body::fitted).toList();
        return new RoomAboveView(
                heights.zones().stream().map(z -> view(z, bodies)).toList(),
                new TreeMap<>(heights.unshaded()),
                List.of(Side.values()).stream().flatMap(s -> highest(s, bodies).stream()).toList(),
                TouchController.drawings(jobs.board(id).board()));
    }

    private static HeightZoneView view(HeightZone z, List<Body> bodies) {
        return new HeightZoneView(
                z.name(),
                z.side().word(),
                z.atMostMm(),
                mm(z.area()),
                bodies.stream().filter(z::isTooLowFor).map(Body::designator).toList());
    }

    private static List<HighestView> highest(Side side, List<Body> bodies) {
        return bodies.stream()
                .filter(b -> b.side() == side)
                .max(Comparator.comparingDouble(Body::heightNm))
                .map(
                        b ->
                                new HighestView(
                                        side.word(),
                                        b.designator(),
                                        b.heightNm() / 1e6,
                                        b.isKnown()))
                .stream()
                .toList();
    }

    private static List<List<Double>> mm(List<Pt> corners) {
        return corners.stream().map(p -> List.of(p.x() / 1e6, p.y() / 1e6)).toList();
    }

    /** The areas of a drawing of the pack. */
    @GetMapping("/drawing")
    ZoneDrawingView drawing(@PathVariable long id, @RequestParam String path) {
        byte[] content =
                JobPipeline.drawings(jobs.pack(id))
                        .file(path)
                        .orElseThrow(() -> new NotFoundException("The pack has no file " + path));
        try {
            ZoneDrawing d =
                    ZoneDrawing.of(
                            path.substring(path.lastIndexOf('/') + 1),
                            content,
                            jobs.board(id).boardArea().getEnvelopeInternal());
            return new ZoneDrawingView(
                    d.contours().stream().map(HeightController::mm).toList(), d.moved());
        } catch (NotDone e) {
            throw new RefusedException(e.getMessage() + ".");
        }
    }
}
