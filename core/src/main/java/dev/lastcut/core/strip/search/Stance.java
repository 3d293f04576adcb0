package dev.lastcut.core.strip.search;

import dev.lastcut.core.strip.BodyBox;
import dev.lastcut.core.strip.GridHole;
import dev.lastcut.core.strip.LeadForm;
import dev.lastcut.core.strip.StripPart;
import dev.lastcut.core.strip.StripPlan;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Envelope;

/**
 * One way a part may stand: its leads from the first one, and its body. All in pitches.
 *
 * @param extra what this way costs beyond others, as standing parts do
 * @param reach nothing of it is farther from its first lead along or across the strips
 * @param bent whether its two leads run over the board to their holes
 */
record Stance(
        int[] strip,
        int[] hole,
        double minStrip,
        double minHole,
        double maxStrip,
        double maxHole,
        boolean standing,
        double extra,
        int reach,
        boolean bent) {
    private static final double STANDING = 1.5;

    /** Each pitch that leads are bent beyond what they need. */
    private static final double STRETCH = 0.1;

    private static final int MOST_STRETCHES = 5;

    /** All ways a part may stand along the grid. */
    static List<Stance> of(StripPart part, double pitchMm) {
        LeadForm form = part.form().orElseThrow();
        List<Stance> all = new ArrayList<>();
        if (!form.isBendable()) {
            for (int quarters = 0; quarters < 4; quarters++) {
                List<GridHole> feet = new ArrayList<>();
                for (GridHole f : form.feet()) {
                    feet.add(BodyBox.turned(f, quarters));
                }
                all.add(of(part, feet, false, 0, pitchMm));
            }
            return all;
        }
        int most = Math.min(form.mostSpan(), form.leastSpan() + MOST_STRETCHES);
        for (int span = form.leastSpan(); span <= most; span++) {
            directions(part, span, false, (span - form.leastSpan()) * STRETCH, pitchMm, all);
        }
        if (form.standing()) {
            for (int span = 1; span < BodyBox.MOST_STANDING; span++) {
                directions(part, span, true, STANDING, pitchMm, all);
            }
        }
        return all;
    }

    private static void directions(
            StripPart part,
            int span,
            boolean standing,
            double extra,
            double pitchMm,
            List<Stance> into) {
        GridHole first = new GridHole(0, 0);
        for (int quarters = 0; quarters < 4; quarters++) {
            GridHole second = BodyBox.turned(new GridHole(0, span), quarters);
            into.add(of(part, List.of(first, second), standing, extra, pitchMm));
        }
    }

    /** The way a part stands in a plan, from its first lead. */
    static Stance of(StripPart part, StripPlan.Placed placed, double pitchMm) {
        List<GridHole> feet = new ArrayList<>();
        GridHole first = placed.pins().get(part.pins().get(0));
        for (String pin : part.pins()) {
            GridHole at = placed.pins().get(pin);
            feet.add(at.plus(-first.strip(), -first.hole()));
        }
        return of(part, feet, placed.standing(), 0, pitchMm);
    }

    private static int reach(int[] strip, int[] hole, Envelope box, double pitchMm) {
        double most =
                Math.max(
                        Math.max(-box.getMinX(), box.getMaxX()),
                        Math.max(-box.getMinY(), box.getMaxY()));
        int reach = (int) Math.ceil(most / pitchMm);
        for (int i = 0; i < strip.length; i++) {
            reach = Math.max(reach, Math.max(Math.abs(strip[i]), Math.abs(hole[i])));
        }
        return reach + 1;
    }

    private static Stance of(
            StripPart part, List<GridHole> feet, boolean standing, double extra, double pitchMm) {
        Map<String, GridHole> pins = new LinkedHashMap<>();
        int[] strip = new int[feet.size()];
        int[] hole = new int[feet.size()];
        for (int i = 0; i < feet.size(); i++) {
            strip[i] = feet.get(i).strip();
            hole[i] = feet.get(i).hole();
            pins.put(part.pins().get(i), feet.get(i));
        }
        Envelope box =
                BodyBox.of(part, new StripPlan.Placed(pins, standing, false), pitchMm)
                        .orElseThrow()
                        .getEnvelopeInternal();
        return new Stance(
                strip,
                hole,
                box.getMinY() / pitchMm,
                box.getMinX() / pitchMm,
                box.getMaxY() / pitchMm,
                box.getMaxX() / pitchMm,
                standing,
                extra,
                reach(strip, hole, box, pitchMm),
                part.form().orElseThrow().isBendable() && feet.size() == 2);
    }

    /** Half the room a lead takes that runs over the board, pitches. */
    private static final double WIRE = 0.15;

    /** Whether its leads run over a box, given from its first lead. */
    boolean runsOver(double fromStrip, double fromHole, double toStrip, double toHole) {
        return bent
                && Math.min(0, strip[1]) - WIRE < toStrip
                && Math.max(0, strip[1]) + WIRE > fromStrip
                && Math.min(0, hole[1]) - WIRE < toHole
                && Math.max(0, hole[1]) + WIRE > fromHole;
    }
}
