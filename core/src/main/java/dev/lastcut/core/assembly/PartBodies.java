package dev.lastcut.core.assembly;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.NetReference;
import dev.lastcut.core.connectivity.PadBox;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;

/**
 * Parts as plain boxes: as large as the counter or their package says, else as wide and long as
 * their pads and of a height that parts of that size usually have (common practice, no source).
 */
public final class PartBodies {
    private static final double USUAL_NM = 1_500_000;

    /** Pads this near in one direction are in one row. */
    private static final double ROW_NM = 100_000;

    private static final GeometryFactory FACTORY = new GeometryFactory();

    private PartBodies() {}

    /** Where a size is from. */
    public enum Source {
        STATED,
        PACKAGE,
        PADS,
        GUESSED
    }

    /**
     * A box on one side of the board; lengths in nm.
     *
     * @param length along the angle
     * @param angleDeg counter-clockwise as seen from the top
     * @param laid whether its pads tell how it lies
     */
    public record Body(
            String designator,
            Side side,
            Coordinate centre,
            double length,
            double width,
            double angleDeg,
            double heightNm,
            boolean throughHole,
            Source source,
            boolean laid,
            boolean fitted) {
        /** True for a body whose size and place are known, not guessed from pads. */
        public boolean isKnown() {
            return laid && (source == Source.STATED || source == Source.PACKAGE);
        }

        public Polygon outline() {
            double a = Math.toRadians(angleDeg);
            double c = Math.cos(a);
            double s = Math.sin(a);
            Coordinate[] ring = new Coordinate[5];
            int[][] corners = {{-1, -1}, {1, -1}, {1, 1}, {-1, 1}};
            for (int i = 0; i < 4; i++) {
                double u = corners[i][0] * length / 2;
                double v = corners[i][1] * width / 2;
                ring[i] = new Coordinate(centre.x + u * c - v * s, centre.y + u * s + v * c);
            }
            ring[4] = ring[0].copy();
            return FACTORY.createPolygon(ring);
        }
    }

    /** The pads of one part. */
    private static final class Pads {
        private final List<Envelope> boxes = new ArrayList<>();
        private boolean throughHole;
        private Side side = Side.TOP;
    }

    /**
     * The bodies of the parts as they are built; without a placement, of what the netlist names.
     */
    public static List<Body> of(BoardGeometry geometry, PartsPlan plan) {
        Map<String, Pads> pads = pads(geometry);
        List<Body> bodies = new ArrayList<>();
        for (Part p : Population.of(geometry.board(), plan.variants())) {
            Optional<CataloguePart.Body> stated =
                    plan.known(p)
                            .filter(k -> fits(k.packageName(), p.packageName()))
                            .flatMap(CataloguePart::body);
            Optional<CataloguePart.Body> size = stated.or(() -> PackageSizes.of(p.packageName()));
            Source from = stated.isPresent() ? Source.STATED : Source.PACKAGE;
            Optional<Pads> own = Optional.ofNullable(pads.remove(p.designator()));
            if (p.placed().isPresent()) {
                bodies.add(body(p, p.placed().get(), own, size, from));
            }
        }
        if (geometry.board().placements().isEmpty()) {
            pads.forEach((name, own) -> bodies.add(padded(name, own)));
        }
        return bodies;
    }

    /** A part of another package than the board has says nothing of what stands there. */
    private static boolean fits(String known, String board) {
        return known.isEmpty() || board.isEmpty() || known.equals(board);
    }

    private static Map<String, Pads> pads(BoardGeometry geometry) {
        Map<String, Pads> parts = new TreeMap<>();
        List<NetReference.Anchor> anchors =
                geometry.reference().map(NetReference::anchors).orElse(List.of());
        for (NetReference.Anchor a : anchors) {
            if (a.point().isPin()) {
                Pads f = parts.computeIfAbsent(a.point().component(), k -> new Pads());
                f.throughHole |= a.point().hole();
                a.point().access().ifPresent(s -> f.side = s);
                f.boxes.add(
                        PadBox.of(geometry, a)
                                .orElseGet(() -> new Envelope(a.point().at().coordinate())));
            }
        }
        return parts;
    }

    private static Body body(
            Part p,
            PlacedPart at,
            Optional<Pads> pads,
            Optional<CataloguePart.Body> size,
            Source from) {
        if (pads.isEmpty()) {
            double length = size.map(s -> nm(s.lengthMm())).orElse(USUAL_NM);
            double width = size.map(s -> nm(s.widthMm())).orElse(USUAL_NM);
            return new Body(
                    p.designator(),
                    at.side(),
                    at.at().coordinate(),
                    length,
                    width,
                    at.rotationDeg(),
                    size.map(s -> nm(s.heightMm())).orElse(usualHeight(USUAL_NM, false)),
                    false,
                    size.isPresent() ? from : Source.GUESSED,
                    false,
                    p.fitted());
        }
        Frame f = new Frame(pads.get(), at.rotationDeg());
        double length = size.map(s -> nm(s.lengthMm())).orElse(f.box.getWidth());
        double width = size.map(s -> nm(s.widthMm())).orElse(f.box.getHeight());
        boolean turned = size.isPresent() && f.rowsAcross();
        double least = Math.min(f.box.getWidth(), f.box.getHeight());
        return new Body(
                p.designator(),
                at.side(),
                size.isPresent() ? f.centre(at.at().coordinate()) : f.centre(f.box),
                length,
                width,
                at.rotationDeg() + (turned ? 90 : 0),
                size.map(s -> nm(s.heightMm())).orElse(usualHeight(least, pads.get().throughHole)),
                pads.get().throughHole,
                size.isPresent() ? from : Source.PADS,
                true,
                p.fitted());
    }

    private static Body padded(String name, Pads pads) {
        Frame f = new Frame(pads, 0);
        double least = Math.min(f.box.getWidth(), f.box.getHeight());
        return new Body(
                name,
                pads.side,
                f.centre(f.box),
                f.box.getWidth(),
                f.box.getHeight(),
                0,
                usualHeight(least, pads.throughHole),
                pads.throughHole,
                Source.PADS,
                true,
                true);
    }

    /** A part's pads as they lie when it is turned back. */
    private static final class Frame {
        private final double cos;
        private final double sin;
        private final Envelope box = new Envelope();
        private final Envelope middles = new Envelope();
        private final List<Double> us = new ArrayList<>();
        private final List<Double> vs = new ArrayList<>();

        Frame(Pads pads, double rotationDeg) {
            double a = Math.toRadians(rotationDeg);
            cos = Math.cos(a);
            sin = Math.sin(a);
            for (Envelope e : pads.boxes) {
                double[] xs = {e.getMinX(), e.getMaxX()};
                double[] ys = {e.getMinY(), e.getMaxY()};
                for (double x : xs) {
                    for (double y : ys) {
                        box.expandToInclude(x * cos + y * sin, y * cos - x * sin);
                    }
                }
                Coordinate m = e.centre();
                us.add(m.x * cos + m.y * sin);
                vs.add(m.y * cos - m.x * sin);
                middles.expandToInclude(us.get(us.size() - 1), vs.get(vs.size() - 1));
            }
        }

        Coordinate centre(Envelope of) {
            Coordinate c = of.centre();
            return new Coordinate(c.x * cos - c.y * sin, c.x * sin + c.y * cos);
        }

        /**
         * The middle of the body: where the placement puts it if that lies among its pads and not
         * on one of them, as where a part is placed by its first pin; else the middle of the pads.
         */
        Coordinate centre(Coordinate placed) {
            double u = placed.x * cos + placed.y * sin;
            double v = placed.y * cos - placed.x * sin;
            boolean onPad = false;
            for (int i = 0; i < us.size(); i++) {
                onPad |= Math.hypot(us.get(i) - u, vs.get(i) - v) < ROW_NM;
            }
            Envelope reach = new Envelope(middles);
            reach.expandBy(ROW_NM);
            return reach.contains(u, v) && !onPad ? placed : centre(middles);
        }

        /** A body is long along its rows of pins: here, whether they run across. */
        boolean rowsAcross() {
            int columns = distinct(us);
            int rows = distinct(vs);
            return columns == rows ? box.getHeight() > box.getWidth() : rows > columns;
        }

        private static int distinct(List<Double> values) {
            List<Double> sorted = values.stream().sorted().toList();
            int n = 1;
            for (int i = 1; i < sorted.size(); i++) {
                n += sorted.get(i) - sorted.get(i - 1) > ROW_NM ? 1 : 0;
            }
            return n;
        }
    }

    private static double usualHeight(double least, boolean throughHole) {
        return throughHole
                ? Math.min(9e6, Math.max(2e6, 0.9 * least))
                : Math.min(3e6, Math.max(0.35e6, 0.45 * least));
    }

    private static double nm(double mm) {
        return Length.mm(mm);
    }

    /** The middle of a body, to the nm. */
    public static Pt middle(Body b) {
        return new Pt(Math.round(b.centre().x), Math.round(b.centre().y));
    }
}
