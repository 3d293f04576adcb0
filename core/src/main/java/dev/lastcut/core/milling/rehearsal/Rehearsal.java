package dev.lastcut.core.milling.rehearsal;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.milling.MillingPlan;
import dev.lastcut.core.milling.Operation;
import dev.lastcut.core.milling.Program;
import dev.lastcut.core.milling.ProgramToBoardTransform;
import dev.lastcut.core.milling.ProgramWriter;
import dev.lastcut.core.milling.SideCopper;
import dev.lastcut.core.milling.level.HeightMap;
import dev.lastcut.core.milling.level.Levelling;
import dev.lastcut.core.milling.level.Surface;
import dev.lastcut.core.milling.rs274.Step;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import java.util.function.Predicate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;

/**
 * What came of running programs on a stock that exists only here.
 *
 * @param hazards dangerous or wrong moves, the severe ones first
 * @param copper each side that was isolated
 * @param body holes and edge; empty when no program cuts through the stock
 * @param parts how long each tool of each program runs
 */
public record Rehearsal(
        List<Hazard> hazards,
        List<CopperVerdict> copper,
        Optional<BodyVerdict> body,
        List<Part> parts,
        double minutes,
        List<Track> tracks) {
    /** A tool's turn within a program. */
    public record Part(
            String program, String tool, double fromMinute, double minutes, double cutMm) {}

    /**
     * The way of a tool for looking at: places in the pack's coordinates, nm, with depths under the
     * surface and the minute each is reached.
     */
    public record Track(
            int program,
            double width,
            int[] lines,
            double[] x,
            double[] y,
            double[] depth,
            double[] minute,
            boolean[] feed) {}

    public Rehearsal {
        hazards = List.copyOf(hazards);
        copper = List.copyOf(copper);
        parts = List.copyOf(parts);
        tracks = List.copyOf(tracks);
    }

    /** Whether the board comes out right and nothing dangerous was seen. */
    public boolean passes() {
        return hazards.stream().noneMatch(Hazard::severe)
                && copper.stream().allMatch(CopperVerdict::isGood)
                && body.map(BodyVerdict::isGood).orElse(true);
    }

    /** The programs of a plan as they are handed out. */
    public static List<Script> scripts(MillingPlan plan, Map<Side, HeightMap> heights) {
        List<Script> scripts = new ArrayList<>();
        for (Program p : Levelling.programs(plan, heights)) {
            Operation first = p.operations().get(0);
            scripts.add(
                    new Script(
                            p.file(),
                            new String(
                                    ProgramWriter.write(p, plan.mill()), StandardCharsets.US_ASCII),
                            p.side(),
                            first.toPack(),
                            first.zero(),
                            0));
        }
        return scripts;
    }

    /** Runs programs one after the other. */
    public static Rehearsal run(
            BoardGeometry geometry,
            Mill mill,
            MillSetup setup,
            List<Script> scripts,
            Surface surface) {
        return run(geometry, mill, setup, scripts, surface, () -> false);
    }

    /**
     * Runs programs one after the other.
     *
     * @param cancelled asked at every line and between what is looked at
     * @throws CancellationException when it says so
     */
    public static Rehearsal run(
            BoardGeometry geometry,
            Mill mill,
            MillSetup setup,
            List<Script> scripts,
            Surface surface,
            BooleanSupplier cancelled) {
        Runnable goOn =
                () -> {
                    if (cancelled.getAsBoolean()) {
                        throw new CancellationException("the rehearsal was cancelled");
                    }
                };
        Playback play = Playback.of(mill, surface, scripts, goOn);
        return judge(geometry, mill, setup, scripts, surface, play, goOn);
    }

    /**
     * Looks at what a mill really did.
     *
     * @param script the program that was run
     * @param done what the tip of the tool did
     */
    public static Rehearsal ofDone(
            BoardGeometry geometry,
            Mill mill,
            MillSetup setup,
            Script script,
            List<Step> done,
            Surface surface) {
        Playback play = Playback.ofDone(mill, surface, script, done);
        return judge(geometry, mill, setup, List.of(script), surface, play, () -> {});
    }

    private static Rehearsal judge(
            BoardGeometry geometry,
            Mill mill,
            MillSetup setup,
            List<Script> scripts,
            Surface surface,
            Playback play,
            Runnable goOn) {
        List<Cutting> all = play.cuttings();
        double bedDepth = mill.stock().thickness() + Math.max(mill.pins().depth(), 1_000_000.0);
        List<Hazard> hazards = new ArrayList<>(play.errors());
        hazards.addAll(new Hazards(mill, scripts, beds(mill, setup, scripts), bedDepth).look(all));
        for (int i = 0; i < scripts.size(); i++) {
            boolean stopped = hazards.stream().anyMatch(endsAt(scripts.get(i).name()));
            if (!play.hasFinished(i) && !stopped) {
                hazards.add(
                        new Hazard(
                                scripts.get(i).name(),
                                0,
                                "The program does not end with M2 or M30.",
                                Pt.ORIGIN,
                                0,
                                false));
            }
        }
        Stock stock =
                new Stock(mill.stock().thickness(), mill.stock().copper(), surface != Surface.FLAT);
        stock.take(all, scripts);
        Geometry holes = holes(geometry, mill.cutting().drillTolerance());
        List<CopperVerdict> copper = new ArrayList<>();
        for (Side side : new TreeSet<>(scripts.stream().map(Script::side).toList())) {
            goOn.run();
            if (isolates(all, scripts, side, mill)) {
                SideCopper.of(geometry, side, setup.leaveFreeCopper())
                        .ifPresent(
                                c ->
                                        copper.add(
                                                CopperVerdict.of(
                                                        side,
                                                        c,
                                                        holes,
                                                        stock,
                                                        setup.nick(),
                                                        MillingPlan.groundNet(geometry, setup))));
            }
        }
        goOn.run();
        Optional<BodyVerdict> body = Optional.empty();
        if (!stock.throughChains().isEmpty()) {
            body =
                    Optional.of(
                            BodyVerdict.of(
                                    geometry.board().holes(),
                                    geometry.boardArea(),
                                    stock,
                                    mill.cutting().drillTolerance(),
                                    geometry.flattener()));
            body.ifPresent(b -> freedEarly(b, all, scripts, hazards));
        }
        hazards.sort((a, b) -> Boolean.compare(b.severe(), a.severe()));
        return new Rehearsal(
                hazards,
                copper,
                body,
                ToolTraces.parts(all, scripts),
                play.minutes(),
                ToolTraces.of(all));
    }

    private static Predicate<Hazard> endsAt(String program) {
        return h -> h.program().equals(program) && h.sentence().startsWith("The program ");
    }

    private static Geometry holes(BoardGeometry geometry, double tolerance) {
        return Geo.union(
                geometry.board().holes().stream().map(h -> grown(h, geometry, tolerance)).toList());
    }

    private static Geometry grown(Hole h, BoardGeometry geometry, double tolerance) {
        return Geo.offset(h.shape(geometry.flattener()), tolerance / 2 + 20_000, 1_000);
    }

    private static List<Envelope> beds(Mill mill, MillSetup setup, List<Script> scripts) {
        List<Envelope> beds = new ArrayList<>();
        for (Script s : scripts) {
            ProgramToBoardTransform to = s.toPack();
            double x0 = -setup.inStockX();
            double y0 = -setup.inStockY();
            beds.add(
                    new Envelope(
                            to.packX(x0),
                            to.packX(x0 + mill.bed().width()),
                            to.packY(y0),
                            to.packY(y0 + mill.bed().height())));
        }
        return beds;
    }

    /**
     * Whether something shallow is milled on a side: programs that only drill say nothing of it.
     */
    private static boolean isolates(List<Cutting> all, List<Script> scripts, Side side, Mill mill) {
        return all.stream()
                .anyMatch(
                        c ->
                                scripts.get(c.script()).side() == side
                                        && c.cuts()
                                        && c.isFeed()
                                        && c.tool().kind() != Cutter.Kind.DRILL
                                        && Math.max(c.depth0(), c.depth1())
                                                < mill.stock().thickness() / 3.0
                                        && (c.x0() != c.x1() || c.y0() != c.y1()));
    }

    private static void freedEarly(
            BodyVerdict b, List<Cutting> all, List<Script> scripts, List<Hazard> hazards) {
        if (b.freedAt() < 0) {
            return;
        }
        Cutting at = all.get(b.freedAt());
        long after =
                all.subList(b.freedAt() + 1, all.size()).stream()
                        .filter(c -> c.cuts() && c.isFeed())
                        .count();
        String rest =
                after == 0 ? "at its end" : "while " + after + " cutting moves are still to come";
        hazards.add(
                new Hazard(
                        scripts.get(at.script()).name(),
                        at.step().line(),
                        "The board comes free of the stock here, " + rest + ". Leave tabs.",
                        new Pt(Math.round(at.x1()), Math.round(at.y1())),
                        0,
                        true));
    }

    /** Deepest and shallowest of the sideways cuts above a depth, nm: what a levelled tool did. */
    public double[] depthRange(double shallowerThan) {
        double least = Double.MAX_VALUE;
        double most = 0;
        for (Track t : tracks) {
            for (int i = 1; i < t.x.length; i++) {
                boolean sideways = t.x[i] != t.x[i - 1] || t.y[i] != t.y[i - 1];
                boolean shallow = Math.max(t.depth[i], t.depth[i - 1]) < shallowerThan;
                if (t.feed[i] && sideways && shallow) {
                    least = Math.min(least, Math.min(t.depth[i], t.depth[i - 1]));
                    most = Math.max(most, Math.max(t.depth[i], t.depth[i - 1]));
                }
            }
        }
        return new double[] {least, most};
    }
}
