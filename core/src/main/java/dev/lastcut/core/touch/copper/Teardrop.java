package dev.lastcut.core.touch.copper;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.Drawn;
import dev.lastcut.core.touch.Features;
import dev.lastcut.core.touch.KeepOff;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Redrawn;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;

/**
 * Where a track leaves a round pad with a hole, copper that narrows from the pad to the track, so
 * that a drill that wanders does not part them. Lengths in nm.
 *
 * @param length from the edge of the pad to where the track is as wide as ever
 */
public record Teardrop(double length) implements Touch {
    /** The part of the pad's diameter it starts with, so that it leaves the pad without a notch. */
    private static final double SHARE = 0.9;

    public Teardrop {
        Sizes.above("length_mm", length);
    }

    @Override
    public String kind() {
        return "teardrop";
    }

    @Override
    public String words() {
        return "Teardrops of " + Length.shortMm(Length.toMm(length)) + " mm";
    }

    @Override
    public Phase phase() {
        return Phase.COPPER;
    }

    @Override
    public Change on(Work work) throws NotDone {
        Map<Integer, List<Feature>> more = new HashMap<>();
        List<Pt> done = new ArrayList<>();
        List<Pt> tight = new ArrayList<>();
        Drawn made = new Drawn();
        for (CopperNode pad : work.nets().nodes()) {
            if (!isRoundPad(work, pad)) {
                continue;
            }
            Pt at = ((Feature.Flash) pad.feature()).at();
            for (CopperNode n : work.nets().near(pad.layer(), pad.envelope())) {
                Geometry drop = drop(pad, at, n);
                if (drop == null) {
                    continue;
                }
                KeepOff off =
                        new KeepOff(
                                work.geometry(),
                                pad.layer(),
                                Set.of(pad.net()),
                                KeepOff.Distances.of(work.room()),
                                made);
                if (off.isFree(drop)) {
                    ObjectAttributes says = work.says(Set.of(pad.net()), "Conductor");
                    more.computeIfAbsent(pad.layer(), k -> new ArrayList<>())
                            .addAll(Features.regions(drop, says));
                    done.add(at);
                    made.add(pad.layer(), pad.net(), drop);
                } else {
                    tight.add(at);
                }
            }
        }
        if (done.isEmpty()) {
            throw new NotDone(
                    tight.isEmpty()
                            ? "No track leaves a round pad with a hole"
                            : "There is no room for any teardrop",
                    tight);
        }
        String says = "Adds " + Change.count(done.size(), "teardrop");
        if (!tight.isEmpty()) {
            says += "; no room for " + tight.size();
        }
        return new Change(Redrawn.plus(work.board(), more), says, tight.isEmpty() ? done : tight);
    }

    private static boolean isRoundPad(Work work, CopperNode n) {
        return n.feature() instanceof Feature.Flash f
                && f.aperture() instanceof Aperture.Circle
                && n.piece().isWhole()
                && work.geometry().holes().at(f.at()).stream()
                        .anyMatch(h -> work.board().holes().get(h).plated());
    }

    /**
     * The shape for a track that leaves the pad; null where it does not, or is too wide or short.
     */
    private Geometry drop(CopperNode pad, Pt at, CopperNode track) {
        if (!(track.feature() instanceof Feature.Stroke s)
                || track.net() != pad.net()
                || !(s.path() instanceof Segment.Line line)
                || s.roundWidth() <= 0) {
            return null;
        }
        double r = pad.piece().roundRadius();
        double wide = 2 * r * SHARE;
        Pt near = line.from().distance(at) < line.to().distance(at) ? line.from() : line.to();
        Pt far = near.equals(line.from()) ? line.to() : line.from();
        double run = r + length;
        if (near.distance(at) > r / 2 || far.distance(at) < run || s.roundWidth() >= wide) {
            return null;
        }
        double d = at.distance(far);
        double ux = (far.x() - at.x()) / d;
        double uy = (far.y() - at.y()) / d;
        double w = s.roundWidth() / 2;
        Coordinate[] ring = {
            corner(at, ux, uy, 0, wide / 2),
            corner(at, ux, uy, run, w),
            corner(at, ux, uy, run, -w),
            corner(at, ux, uy, 0, -wide / 2),
            corner(at, ux, uy, 0, wide / 2)
        };
        return Geo.FACTORY.createPolygon(ring);
    }

    private static Coordinate corner(Pt at, double ux, double uy, double along, double across) {
        return new Coordinate(
                Math.rint(at.x() + along * ux - across * uy),
                Math.rint(at.y() + along * uy + across * ux));
    }
}
