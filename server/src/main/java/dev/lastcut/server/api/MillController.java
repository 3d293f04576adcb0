package dev.lastcut.server.api;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.milling.ContourOperations;
import dev.lastcut.core.milling.CutterChoice;
import dev.lastcut.core.milling.HandJoint;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.milling.level.HeightMap;
import dev.lastcut.core.milling.level.ProbeGrid;
import dev.lastcut.core.milling.level.ProbeTable;
import dev.lastcut.server.api.CheckController.PlaceView;
import dev.lastcut.server.jobs.MillService;
import dev.lastcut.server.jobs.MillService.OnMill;
import dev.lastcut.server.jobs.RefusedException;
import dev.lastcut.server.ticket.MillSetupJson;
import dev.lastcut.server.work.TaskRunner;
import dev.lastcut.server.work.TaskState;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** A job on a mill: its set-up, the choice of cutters, and levelling. */
@RestController
@RequestMapping("/api/jobs/{id}/mill")
class MillController {
    private static final int MOST_PLACES = 400;

    private final MillService mills;
    private final TaskRunner tasks;

    MillController(MillService mills, TaskRunner tasks) {
        this.mills = mills;
        this.tasks = tasks;
    }

    /** A tool of the rack; {@code number} as programs call it, {@code width} at the depth, nm. */
    record ToolView(int number, String id, String name, String kind, double width) {}

    /** The mill and the board's set-up on it; {@code nets} that leftover copper can be tied to. */
    record MillView(
            String mill,
            MillSetupJson setup,
            List<ToolView> tools,
            List<String> sides,
            List<String> nets,
            double stockWidth,
            double stockHeight,
            double isolationDepth,
            double channel,
            int joints) {}

    @GetMapping
    MillView mill(@PathVariable long id) {
        OnMill on = mills.onMill(id);
        List<ToolView> tools = new ArrayList<>();
        for (Cutter c : on.mill().rack()) {
            tools.add(
                    new ToolView(
                            tools.size() + 1,
                            c.id(),
                            c.name(),
                            c.kind().name().toLowerCase(java.util.Locale.ROOT),
                            c.widthAt(on.mill().cutting().isolationDepth())));
        }
        TreeSet<String> nets = new TreeSet<>();
        for (int net = 0; net < on.geometry().nets().netCount(); net++) {
            if (!on.geometry().netNames(net).isEmpty()) {
                nets.add(on.geometry().netName(net));
            }
        }
        List<String> sides = new ArrayList<>();
        for (Side side : Side.values()) {
            if (on.geometry().copperIndex(side) >= 0) {
                sides.add(side.word());
            }
        }
        return new MillView(
                on.millName(),
                MillSetupJson.of(on.setup()),
                tools,
                sides,
                List.copyOf(nets),
                on.mill().stock().width(),
                on.mill().stock().height(),
                on.mill().cutting().isolationDepth(),
                on.mill().cutting().channel(),
                HandJoint.of(on.geometry()).size());
    }

    /** A place of a set's result: its net names, how wide or thick, mm² of copper that stays. */
    record SpotView(String side, PlaceView at, List<String> nets, double nm, double areaMm2) {}

    /** What one tool does on one side. */
    record ShareView(String side, String tool, double width, double lengthMm, double minutes) {}

    /**
     * What a set makes of the board. {@code found} is the set found for the maker, {@code chosen}
     * the one the programs use.
     */
    record ChoiceView(
            boolean found,
            boolean chosen,
            List<String> tools,
            List<String> names,
            boolean makes,
            int joined,
            List<SpotView> joinedAt,
            int unreached,
            double unreachedMm2,
            List<SpotView> unreachedAt,
            int nicked,
            double mostNicked,
            int roundedCorners,
            double mostRounded,
            double minutes,
            List<ShareView> shares) {}

    record ChoicesView(boolean ran, List<ChoiceView> sets) {}

    @GetMapping("/sets")
    ChoicesView sets(@PathVariable long id) {
        OnMill on = mills.onMill(id);
        List<ChoiceView> views = new ArrayList<>();
        List<List<String>> sets = mills.sets(on);
        for (List<String> tools : sets) {
            Optional<CutterChoice> c = mills.choice(on, tools);
            if (c.isEmpty()) {
                return new ChoicesView(false, List.of());
            }
            views.add(view(on, tools, c.get()));
        }
        return new ChoicesView(true, views);
    }

    @PostMapping("/sets")
    TaskState compare(@PathVariable long id) {
        mills.onMill(id);
        return tasks.start(
                task -> {
                    mills.compare(id, task);
                    return "";
                });
    }

    private static ChoiceView view(OnMill on, List<String> tools, CutterChoice c) {
        double cutter =
                on.mill().contourCutter().map(Cutter::diameter).map(Long::doubleValue).orElse(0.0);
        var corners = cutter == 0 ? List.<Double>of() : corners(on, cutter);
        return new ChoiceView(
                tools.isEmpty(),
                tools.equals(on.setup().tools()),
                c.tools().stream().map(Cutter::id).toList(),
                c.tools().stream().map(Cutter::name).toList(),
                c.makesTheBoard(),
                c.joined().size(),
                spots(on, c.joined()),
                c.unreached().size(),
                c.unreached().stream().mapToDouble(CutterChoice.Place::areaMm2).sum(),
                spots(on, c.unreached()),
                c.nicked().size(),
                c.nicked().stream().mapToDouble(CutterChoice.NickedPad::share).max().orElse(0),
                corners.size(),
                corners.stream().mapToDouble(d -> d).max().orElse(0),
                c.minutes(),
                c.shares().stream()
                        .map(
                                s ->
                                        new ShareView(
                                                s.side().word(),
                                                s.cutter().name(),
                                                s.width(),
                                                s.lengthMm(),
                                                s.minutes()))
                        .toList());
    }

    private static List<Double> corners(OnMill on, double cutter) {
        return on.geometry()
                .once(
                        List.of("corners", cutter),
                        () ->
                                ContourOperations.roundedCorners(on.geometry(), cutter).stream()
                                        .map(m -> m.nm())
                                        .toList());
    }

    private static List<SpotView> spots(OnMill on, List<CutterChoice.Place> places) {
        return places.stream()
                .sorted((a, b) -> Double.compare(b.areaMm2(), a.areaMm2()))
                .limit(MOST_PLACES)
                .map(
                        p ->
                                new SpotView(
                                        p.side().word(),
                                        PlaceView.of(p.at()),
                                        p.nets().stream().map(on.geometry()::netName).toList(),
                                        p.gap(),
                                        p.areaMm2()))
                .toList();
    }

    /** Areas as flat lists of x, y in nm, one for each ring. */
    record AreasView(List<double[]> joined, List<double[]> unreached) {}

    /** What a set leaves on a side, for the table; the chosen set when none is named. */
    @OnlyAsks
    @PostMapping("/areas/{side}")
    AreasView areas(
            @PathVariable long id, @PathVariable String side, @RequestBody List<String> tools) {
        OnMill on = mills.onMill(id);
        Optional<CutterChoice> choice = mills.choice(on, tools);
        if (choice.isEmpty()) {
            return new AreasView(List.of(), List.of());
        }
        return new AreasView(
                rings(choice.get().joined(), side), rings(choice.get().unreached(), side));
    }

    private static List<double[]> rings(List<CutterChoice.Place> places, String side) {
        return places.stream()
                .filter(p -> p.side().word().equals(side))
                .map(p -> Rings.flat(p.area().getExteriorRing()))
                .toList();
    }

    /** Points of a probed surface, program coordinates, nm; {@code z} row by row. */
    record HeightsView(
            boolean present,
            int points,
            double minutes,
            int columns,
            int rows,
            double minX,
            double minY,
            double maxX,
            double maxY,
            List<Double> z,
            double lowest,
            double highest,
            List<String> problems,
            List<PlaceView> odd,
            List<PlaceView> places) {}

    @GetMapping("/heights/{side}")
    HeightsView heights(@PathVariable long id, @PathVariable String side) {
        OnMill on = mills.onMill(id);
        Optional<ProbeTable.Reading> reading = mills.reading(id, side(side));
        ProbeGrid grid =
                reading.filter(ProbeTable.Reading::isUsable)
                        .map(r -> r.map().grid())
                        .orElseGet(() -> ProbeGrid.over(on.plan().extent()));
        return view(on, side(side), grid, reading.filter(ProbeTable.Reading::isUsable));
    }

    private static HeightsView view(
            OnMill on, Side side, ProbeGrid grid, Optional<ProbeTable.Reading> reading) {
        var to = on.toPack(side);
        List<Double> z = new ArrayList<>();
        List<PlaceView> places = new ArrayList<>();
        for (int j = 0; j < grid.rows(); j++) {
            for (int i = 0; i < grid.columns(); i++) {
                int column = i;
                int row = j;
                reading.ifPresent(r -> z.add(r.map().at(column, row)));
                places.add(place(to.packX(grid.x(i)), to.packY(grid.y(j))));
            }
        }
        List<PlaceView> odd = new ArrayList<>();
        reading.ifPresent(
                r -> {
                    r.missing().forEach(m -> odd.add(place(to.packX(m[0]), to.packY(m[1]))));
                    r.wild().forEach(w -> odd.add(place(to.packX(w[0]), to.packY(w[1]))));
                });
        return new HeightsView(
                reading.isPresent(),
                grid.count(),
                grid.minutes(on.mill().cutting().rapidMmPerMin()),
                grid.columns(),
                grid.rows(),
                grid.minX(),
                grid.minY(),
                grid.maxX(),
                grid.maxY(),
                z,
                reading.map(r -> r.map().lowest()).orElse(0.0),
                reading.map(r -> r.map().highest()).orElse(0.0),
                reading.map(ProbeTable.Reading::problems).orElse(List.of()),
                odd,
                places);
    }

    private static PlaceView place(double x, double y) {
        return PlaceView.of(new Pt(Math.round(x), Math.round(y)));
    }

    private static Side side(String word) {
        for (Side s : Side.values()) {
            if (s.word().equals(word)) {
                return s;
            }
        }
        throw new RefusedException("A side is top or bottom, not '" + word + "'.");
    }

    /** Measured points as text: x, y and z in mm on each line. */
    record PointsRequest(String text) {}

    @PutMapping("/heights/{side}")
    HeightsView keep(
            @PathVariable long id,
            @PathVariable String side,
            @RequestHeader(name = IfMatchVersion.HEADER, required = false) String base,
            @RequestBody PointsRequest points) {
        OnMill on = mills.onMill(id);
        ProbeGrid grid = ProbeGrid.over(on.plan().extent());
        String text = points.text() == null ? "" : points.text();
        mills.keepProbed(id, IfMatchVersion.of(base), side(side), grid, text);
        return heights(id, side);
    }

    @DeleteMapping("/heights/{side}")
    HeightsView forget(
            @PathVariable long id,
            @PathVariable String side,
            @RequestHeader(name = IfMatchVersion.HEADER, required = false) String base) {
        mills.forgetProbed(id, IfMatchVersion.of(base), side(side));
        return heights(id, side);
    }

    @GetMapping("/heights/{side}/points.txt")
    ResponseEntity<byte[]> points(@PathVariable long id, @PathVariable String side) {
        HeightMap map =
                Optional.ofNullable(mills.heights(id).get(side(side)))
                        .orElseThrow(() -> new RefusedException("Nothing was probed yet."));
        return download("points-" + side + ".txt", ProbeTable.write(map));
    }

    @GetMapping("/heights/probe.nc")
    ResponseEntity<byte[]> probe(@PathVariable long id) {
        return download("probe.nc", ProbeGrid.over(mills.onMill(id).plan().extent()).program());
    }

    private static ResponseEntity<byte[]> download(String name, String text) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .body(text.getBytes(StandardCharsets.US_ASCII));
    }

    /** The usual set-up, to begin anew from. */
    @GetMapping("/usual")
    MillSetupJson usual(@PathVariable long id) {
        mills.onMill(id);
        return MillSetupJson.of(MillSetup.USUAL);
    }
}
