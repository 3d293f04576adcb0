package dev.lastcut.core.current;

import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Location;

/**
 * Direct current through sheets of copper that are linked by vias: the potential is linear on each
 * triangle of a Delaunay mesh (finite elements, cotangent weights), solved by conjugate gradients.
 * Both terminals are whole pads at one potential.
 *
 * <p>The narrowest section is the line of equal potential with the least cross-section: every such
 * line is crossed by the whole current, whatever ways it takes in parallel.
 */
public final class CopperMesh {
    private static final int LEVELS = 600;

    /** The share of a line of equal potential that may lie in triangles at a terminal. */
    private static final double HUGS = 0.05;

    /** Nor is looked at what lies within this share of the whole drop from a terminal. */
    private static final double AT_TERMINAL = 0.015;

    private static final int MOST_STEPS = 4_000;
    private static final double RESIDUE = 1e-5;

    /**
     * A sheet of copper.
     *
     * @param area its shape, nm
     * @param thicknessNm its thickness
     * @param equal areas that are each at one potential: terminals and the walls of vias
     */
    public record Sheet(Geometry area, double thicknessNm, List<Geometry> equal) {}

    /** A link from one sheet's equal area to another's: a via's barrel. */
    public record Link(int sheetA, int equalA, int sheetB, int equalB, double areaNm2, double nm) {}

    /** Which equal area of which sheet. */
    public record Contact(int sheet, int equal) {}

    /**
     * What came out.
     *
     * @param ohm resistance between the terminals at 20 °C
     * @param narrowestNm2 the least cross-section
     * @param sheet the sheet where most of it lies; −1 when it lies in the barrels of vias
     * @param across where it lies, as long as the copper is wide there
     */
    public record Solution(double ohm, double narrowestNm2, int sheet, Measure across) {}

    private final List<Sheet> sheets;
    private final List<Link> links;
    private final double step;

    private final List<Coordinate> places = new ArrayList<>();
    private final List<int[]> triangles = new ArrayList<>();
    private final List<Integer> sheetOf = new ArrayList<>();
    private final Map<Contact, Integer> contacts = new HashMap<>();
    private int[] unknownOf;
    private int unknowns;

    private CopperMesh(List<Sheet> sheets, List<Link> links, double step) {
        this.sheets = sheets;
        this.links = links;
        this.step = step;
    }

    /**
     * @param step the length of the edges of triangles along the outline, nm: a fourth of the
     *     narrowest copper gives about 0.5 % in the resistance
     * @return empty when no copper joins the terminals
     * @throws IllegalStateException when the potentials do not settle
     */
    public static Optional<Solution> solve(
            List<Sheet> sheets, List<Link> links, Contact from, Contact to, double step) {
        CopperMesh mesh = new CopperMesh(sheets, links, step);
        for (int i = 0; i < sheets.size(); i++) {
            mesh.add(i);
        }
        return mesh.solve(from, to);
    }

    private void add(int sheet) {
        Sheet s = sheets.get(sheet);
        Triangles mesh = Triangles.of(s.area, s.equal, step);
        int first = places.size();
        places.addAll(mesh.places());
        for (int[] t : mesh.triangles()) {
            triangles.add(new int[] {t[0] + first, t[1] + first, t[2] + first});
            sheetOf.add(sheet);
        }
    }

    /** Places within one equal area of a sheet are one unknown. */
    private void number() {
        int[] sheetOfPlace = new int[places.size()];
        Arrays.fill(sheetOfPlace, -1);
        for (int t = 0; t < triangles.size(); t++) {
            for (int corner : triangles.get(t)) {
                sheetOfPlace[corner] = sheetOf.get(t);
            }
        }
        unknownOf = new int[places.size()];
        Arrays.fill(unknownOf, -1);
        unknowns = 0;
        for (int sheet = 0; sheet < sheets.size(); sheet++) {
            List<Geometry> equal = sheets.get(sheet).equal;
            for (int e = 0; e < equal.size(); e++) {
                contacts.put(new Contact(sheet, e), unknowns + e);
                // Places on the edge of a pad belong to it, rounded or not.
                Geometry area = Geo.offset(equal.get(e), 50, 10);
                var inside = new IndexedPointInAreaLocator(area);
                var box = area.getEnvelopeInternal();
                for (int i = 0; i < unknownOf.length; i++) {
                    if (sheetOfPlace[i] == sheet
                            && box.contains(places.get(i))
                            && inside.locate(places.get(i)) != Location.EXTERIOR) {
                        unknownOf[i] = unknowns + e;
                    }
                }
            }
            unknowns += equal.size();
        }
        for (int i = 0; i < unknownOf.length; i++) {
            if (unknownOf[i] < 0) {
                unknownOf[i] = unknowns++;
            }
        }
    }

    private Optional<Solution> solve(Contact from, Contact to) {
        number();
        Network network = new Network(unknowns);
        for (int t = 0; t < triangles.size(); t++) {
            // Conductance per square, S.
            double perSquare = sheets.get(sheetOf.get(t)).thicknessNm * 1e-9 / TrackCurrent.RHO_20;
            int[] c = triangles.get(t);
            for (int k = 0; k < 3; k++) {
                int a = c[(k + 1) % 3];
                int b = c[(k + 2) % 3];
                double half = cot(places.get(c[k]), places.get(a), places.get(b)) / 2;
                network.join(unknownOf[a], unknownOf[b], perSquare * half);
            }
        }
        for (Link l : links) {
            double siemens = l.areaNm2 * 1e-9 / (TrackCurrent.RHO_20 * l.nm);
            network.join(
                    contacts.get(new Contact(l.sheetA, l.equalA)),
                    contacts.get(new Contact(l.sheetB, l.equalB)),
                    siemens);
        }
        int source = contacts.get(from);
        int sink = contacts.get(to);
        if (!network.isJoined(source, sink)) {
            return Optional.empty();
        }
        double[] volts = network.solve(source, sink, MOST_STEPS, RESIDUE);
        double watts = network.power(volts);
        return Optional.of(section(volts, 1 / watts, source, sink));
    }

    private boolean touches(int[] triangle, int from, int to) {
        for (int corner : triangle) {
            if (unknownOf[corner] == from || unknownOf[corner] == to) {
                return true;
            }
        }
        return false;
    }

    /** The cotangent of the angle at {@code corner}. */
    private static double cot(Coordinate corner, Coordinate a, Coordinate b) {
        double ux = a.x - corner.x;
        double uy = a.y - corner.y;
        double vx = b.x - corner.x;
        double vy = b.y - corner.y;
        double cross = Math.abs(ux * vy - uy * vx);
        return cross == 0 ? 0 : (ux * vx + uy * vy) / cross;
    }

    private Solution section(double[] volts, double ohm, int from, int to) {
        double[] area = new double[LEVELS];
        double[] atTerminals = new double[LEVELS];
        for (int t = 0; t < triangles.size(); t++) {
            double thick = sheets.get(sheetOf.get(t)).thicknessNm;
            for (int level : levelsIn(volts, triangles.get(t))) {
                Coordinate[] cut = cut(volts, triangles.get(t), value(level));
                double part = cut == null ? 0 : cut[0].distance(cut[1]) * thick;
                area[level] += part;
                atTerminals[level] += touches(triangles.get(t), from, to) ? part : 0;
            }
        }
        double[] barrels = new double[LEVELS];
        for (Link l : links) {
            double a = volts[contacts.get(new Contact(l.sheetA, l.equalA))];
            double b = volts[contacts.get(new Contact(l.sheetB, l.equalB))];
            for (int level = 0; level < LEVELS; level++) {
                if (value(level) > Math.min(a, b) && value(level) < Math.max(a, b)) {
                    area[level] += l.areaNm2;
                    barrels[level] += l.areaNm2;
                }
            }
        }
        // Lines that hug a terminal follow the triangles there, not the current.
        for (int level = 0; level < LEVELS; level++) {
            boolean hugs =
                    atTerminals[level] > HUGS * area[level]
                            || Math.min(value(level), 1 - value(level)) < AT_TERMINAL;
            area[level] = hugs || area[level] == 0 ? Double.MAX_VALUE : area[level];
        }
        int least = 0;
        for (int level = 1; level < LEVELS; level++) {
            least = area[level] < area[least] ? level : least;
        }
        // Along an even track all levels are equal: the middle says more than an end.
        int last = least;
        while (last + 1 < LEVELS && area[last + 1] <= area[least] * 1.001) {
            last++;
        }
        int level = (least + last) / 2;
        return place(volts, level, ohm, area[least], barrels[level] > area[level] / 2);
    }

    private Solution place(double[] volts, int level, double ohm, double area, boolean inBarrels) {
        double[] lengthOf = new double[sheets.size()];
        List<List<Coordinate[]>> cuts = new ArrayList<>();
        sheets.forEach(s -> cuts.add(new ArrayList<>()));
        for (int t = 0; t < triangles.size(); t++) {
            Coordinate[] cut = cut(volts, triangles.get(t), value(level));
            if (cut != null) {
                lengthOf[sheetOf.get(t)] += cut[0].distance(cut[1]);
                cuts.get(sheetOf.get(t)).add(cut);
            }
        }
        int sheet = 0;
        for (int s = 1; s < lengthOf.length; s++) {
            sheet = lengthOf[s] > lengthOf[sheet] ? s : sheet;
        }
        if (inBarrels || cuts.get(sheet).isEmpty()) {
            Coordinate at = places.get(0);
            for (Link l : links) {
                double a = volts[contacts.get(new Contact(l.sheetA, l.equalA))];
                double b = volts[contacts.get(new Contact(l.sheetB, l.equalB))];
                if (value(level) > Math.min(a, b) && value(level) < Math.max(a, b)) {
                    at = sheets.get(l.sheetA).equal.get(l.equalA).getCentroid().getCoordinate();
                }
            }
            return new Solution(ohm, area, -1, new Measure(Pt.of(at), Pt.of(at), 0));
        }
        return new Solution(ohm, area, sheet, ends(cuts.get(sheet)));
    }

    /** The two ends of the longest connected stretch of a cut, nearly: its farthest points. */
    private static Measure ends(List<Coordinate[]> cut) {
        List<Coordinate> all = new ArrayList<>();
        cut.forEach(c -> all.addAll(List.of(c)));
        Coordinate a = farthest(all, all.get(0));
        Coordinate b = farthest(all, a);
        return new Measure(Pt.of(a), Pt.of(b), a.distance(b));
    }

    private static Coordinate farthest(List<Coordinate> all, Coordinate from) {
        Coordinate best = from;
        for (Coordinate c : all) {
            best = c.distance(from) > best.distance(from) ? c : best;
        }
        return best;
    }

    private static double value(int level) {
        return (level + 0.5) / LEVELS;
    }

    private List<Integer> levelsIn(double[] volts, int[] t) {
        double a = volts[unknownOf[t[0]]];
        double b = volts[unknownOf[t[1]]];
        double c = volts[unknownOf[t[2]]];
        int low = (int) Math.ceil(Math.min(a, Math.min(b, c)) * LEVELS - 0.5);
        int high = (int) Math.floor(Math.max(a, Math.max(b, c)) * LEVELS - 0.5);
        List<Integer> levels = new ArrayList<>();
        for (int i = Math.max(0, low); i <= Math.min(LEVELS - 1, high); i++) {
            levels.add(i);
        }
        return levels;
    }

    /** Where a line of equal potential crosses a triangle; null where it does not. */
    private Coordinate[] cut(double[] volts, int[] t, double value) {
        List<Coordinate> ends = new ArrayList<>();
        for (int k = 0; k < 3; k++) {
            Coordinate p = places.get(t[k]);
            Coordinate q = places.get(t[(k + 1) % 3]);
            double u = volts[unknownOf[t[k]]] - value;
            double v = volts[unknownOf[t[(k + 1) % 3]]] - value;
            if (u < 0 != v < 0) {
                double share = u / (u - v);
                ends.add(new Coordinate(p.x + share * (q.x - p.x), p.y + share * (q.y - p.y)));
            }
        }
        return ends.size() == 2 ? ends.toArray(Coordinate[]::new) : null;
    }
}
