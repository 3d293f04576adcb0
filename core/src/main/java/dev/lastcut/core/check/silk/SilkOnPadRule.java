package dev.lastcut.core.check.silk;

import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Distances;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.index.strtree.STRtree;

/** Silk over, or too near to, an opening of the mask. One finding for each opening. */
public final class SilkOnPadRule implements Rule {
    @Override
    public String id() {
        return "silk-on-pad";
    }

    @Override
    public String title() {
        return "Silkscreen over mask openings";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<CheckContext.Bounds> bounds =
                c.bounds(LimitKey.SILK_TO_MASK, Role.Kind.SILK, Role.Kind.MASK);
        if (bounds.isEmpty()) {
            return c.noLimit(LimitKey.SILK_TO_MASK);
        }
        List<Finding> findings = new ArrayList<>();
        int checked = 0;
        for (Side side : Side.values()) {
            boolean both =
                    c.board().layer(Role.Kind.SILK, side).isPresent()
                            && c.board().layer(Role.Kind.MASK, side).isPresent();
            if (both) {
                checked++;
                check(c, side, bounds.get(), findings);
            }
        }
        return checked == 0
                ? Outcome.notRun("no side has both a silk and a mask file")
                : Outcome.of(findings);
    }

    private void check(
            CheckContext c, Side side, CheckContext.Bounds bounds, List<Finding> findings) {
        double limit = bounds.reachNm();
        STRtree silk = new STRtree();
        for (Piece p : c.geometry().pieces(Role.of(Role.Kind.SILK, side))) {
            silk.insert(p.envelope(), p.polygon());
        }
        Geometry openings = c.geometry().area(Role.of(Role.Kind.MASK, side));
        for (Polygon opening : Geo.polygons(openings)) {
            List<Geometry> near = new ArrayList<>();
            for (Object o : silk.query(Geo.expanded(opening.getEnvelopeInternal(), limit))) {
                if (((Polygon) o).isWithinDistance(opening, limit)) {
                    near.add((Polygon) o);
                }
            }
            if (!near.isEmpty()) {
                Finding f = finding(side, bounds, opening, Geo.union(near));
                if (f != null) {
                    findings.add(f);
                }
            }
        }
    }

    private Finding finding(Side side, CheckContext.Bounds bounds, Polygon opening, Geometry silk) {
        Geometry overlap = Geo.intersection(opening, silk);
        FindingBuilder b =
                new FindingBuilder(id())
                        .layers(
                                Role.of(Role.Kind.SILK, side).id(),
                                Role.of(Role.Kind.MASK, side).id());
        if (overlap.getArea() > 0) {
            Pt at = Pt.of(overlap.getInteriorPoint().getCoordinate());
            return b.at(at)
                    .lengths(0, bounds.withHeadroomNm())
                    .severity(Severity.LOOK)
                    .say(
                            String.format(
                                    java.util.Locale.ROOT,
                                    "Silk runs over a mask opening (%.3f mm² of it). Printed on a pad"
                                            + " it spoils the joint; most shops clip it. Move the"
                                            + " silk.",
                                    overlap.getArea() / 1e12));
        }
        Measure m = Distances.centred(opening, silk, Distances.between(opening, silk));
        if (m.nm() >= bounds.reachNm()) {
            return null;
        }
        return b.measure(m)
                .limitNm(bounds.withHeadroomNm())
                .severity(bounds.severity(m.nm(), Severity.LOOK))
                .say(
                        "Silk comes within "
                                + Length.text(m.nm())
                                + " of a mask opening; the limit is "
                                + Length.text(bounds.withHeadroomNm())
                                + ". It may print on the pad. Move the silk.");
    }
}
