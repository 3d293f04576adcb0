package dev.lastcut.core.milling.rehearsal;

import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.milling.rs274.Step;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.locationtech.jts.geom.Envelope;

/** Looks at every move for what breaks tools, boards or the mill. */
final class Hazards {
    /** Depths are written to a tenth of a micrometre; rounding is no hazard. */
    private static final double SLACK_NM = 1_000;

    /** A feed beyond the tool's own by more than this share is too fast. */
    private static final double FEED_SLACK = 1.02;

    private final Mill mill;
    private final List<Script> scripts;
    private final List<Envelope> beds;
    private final double bedDepth;
    private final Map<String, Hazard> found = new LinkedHashMap<>();
    private final Map<Long, Double> deepest = new HashMap<>();

    /**
     * @param beds where the spindle can be for each program, in the pack's coordinates
     * @param bedDepth how far below the top of the stock anything may go
     */
    Hazards(Mill mill, List<Script> scripts, List<Envelope> beds, double bedDepth) {
        this.mill = mill;
        this.scripts = scripts;
        this.beds = beds;
        this.bedDepth = bedDepth;
    }

    List<Hazard> look(List<Cutting> all) {
        for (Cutting c : all) {
            if (c.step().moves()) {
                move(c);
            } else if (c.step().kind() != Step.Kind.DWELL && c.step().kind() != Step.Kind.END) {
                pause(c);
            }
        }
        return new ArrayList<>(found.values());
    }

    private void say(Cutting c, String kind, boolean severe, String sentence) {
        Script script = scripts.get(c.script());
        found.merge(
                c.script() + kind,
                new Hazard(
                        script.name(),
                        c.step().line(),
                        sentence,
                        new Pt(Math.round(c.x1()), Math.round(c.y1())),
                        0,
                        severe),
                (old, same) ->
                        old.line() == same.line()
                                ? old
                                : new Hazard(
                                        old.program(),
                                        old.line(),
                                        old.sentence(),
                                        old.at(),
                                        old.also() + 1,
                                        old.severe()));
    }

    private void pause(Cutting c) {
        if (c.depth1() > -SLACK_NM) {
            say(
                    c,
                    "pause",
                    true,
                    String.format(
                            Locale.ROOT,
                            "The mill stops for a hand with the tool %.2f mm above the stock:"
                                    + " raise it first.",
                            -c.depth1() / 1e6));
        }
    }

    private void move(Cutting c) {
        boolean level = c.x0() == c.x1() && c.y0() == c.y1();
        long place = Math.round(c.x1() / 1_000) * 4_000_000_007L + Math.round(c.y1() / 1_000);
        double below = Math.max(c.depth0(), c.depth1());
        if (!beds.get(c.script()).contains(c.x1(), c.y1())) {
            say(c, "bed", true, "The move leaves the bed of the mill.");
        }
        if (-c.depth1() > mill.bed().lift() + SLACK_NM) {
            say(c, "lift", true, "The tool is raised higher than the mill can.");
        }
        if (c.step().kind() == Step.Kind.RAPID) {
            rapid(c, level, below, place);
            return;
        }
        if (below <= SLACK_NM) {
            return;
        }
        feed(c, level, level ? deepest.getOrDefault(place, 0.0) : 0);
        if (level) {
            deepest.merge(place, c.depth1(), Math::max);
        }
    }

    private void rapid(Cutting c, boolean level, double below, long place) {
        boolean up = level && c.depth1() <= c.depth0();
        boolean inItsHole = level && c.depth1() <= deepest.getOrDefault(place, 0.0) + SLACK_NM;
        if (below > SLACK_NM && !up && !inItsHole) {
            say(
                    c,
                    "rapid",
                    true,
                    String.format(
                            Locale.ROOT,
                            "A rapid move %.2f mm below the surface of the stock.",
                            below / 1e6));
        }
    }

    private void feed(Cutting c, boolean level, double already) {
        Cutter tool = c.tool();
        if (c.step().kind() == Step.Kind.PROBE) {
            return;
        }
        if (!c.step().spindle()) {
            say(c, "spindle", true, "The tool goes into the stock with the spindle off.");
        }
        if (tool == null) {
            say(c, "tool", true, "No tool of the rack is named before the first cut.");
            return;
        }
        if (tool.kind() == Cutter.Kind.DRILL && !level) {
            say(c, "sideways", true, tool.name() + " is moved sideways in the stock.");
        }
        if (!tool.reaches(c.depth1())) {
            say(
                    c,
                    "flute",
                    true,
                    String.format(
                            Locale.ROOT,
                            "%.2f mm deep, but %s cuts %.2f mm deep at most.",
                            c.depth1() / 1e6,
                            tool.name(),
                            tool.flute() / 1e6));
        }
        double going = c.depth1() - Math.max(already, c.depth0());
        if (going > tool.depthPerPass() + SLACK_NM + slope()) {
            say(
                    c,
                    "pass",
                    false,
                    String.format(
                            Locale.ROOT,
                            "%.2f mm deeper in one pass; %s takes %.2f mm.",
                            going / 1e6,
                            tool.name(),
                            tool.depthPerPass() / 1e6));
        }
        double most = level ? Math.max(tool.plunge(), 1) : Math.max(tool.feed(), tool.plunge());
        if (c.step().rate() > most * FEED_SLACK) {
            say(
                    c,
                    "feed",
                    false,
                    String.format(
                            Locale.ROOT,
                            "%.0f mm/min; %s is %s at %.0f mm/min.",
                            c.step().rate(),
                            tool.name(),
                            level ? "plunged" : "fed",
                            most));
        }
        if (c.depth1() > bedDepth + SLACK_NM) {
            say(
                    c,
                    "through",
                    true,
                    String.format(
                            Locale.ROOT,
                            "%.2f mm below the top of the stock: that is %.2f mm into the bed.",
                            c.depth1() / 1e6,
                            (c.depth1() - mill.stock().thickness()) / 1e6));
        }
    }

    /** A warped stock makes one pass deeper here than there; that much is not the program's. */
    private static double slope() {
        return 50_000;
    }
}
