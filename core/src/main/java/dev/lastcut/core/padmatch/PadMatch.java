package dev.lastcut.core.padmatch;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.PartPins;
import dev.lastcut.core.connectivity.SolderPlaces;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.landpattern.PackageShape;
import dev.lastcut.core.landpattern.PackageShape.Terminal;
import dev.lastcut.core.landpattern.PackageShapes;
import dev.lastcut.core.padmatch.PartPad.Certainty;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.locationtech.jts.geom.Envelope;

/**
 * Finds the pads of parts. Where nothing names their pins, the terminals of the package, nominal,
 * are laid where the part is placed: each must then lie on a pad of its own. A part whose package
 * is not known, or whose terminals do not all lie on pads, has none.
 */
public final class PadMatch {
    /** A pad reaches so far beyond its terminal along it (common practice, no source). */
    private static final double ALONG_MM = 1.0;

    /** Of the pitch, so much a pad may be beside its terminal. */
    private static final double BESIDE_SHARE = 0.4;

    private static final double MOST_BESIDE_MM = 0.6;

    private static final Pattern HEADER = Pattern.compile("(?:PIN)?HDR(\\d{1,2})");

    private static final int QUARTERS = 4;

    private final SolderPlaces places;
    private final PartPins pins;

    private PadMatch(BoardGeometry geometry) {
        places = SolderPlaces.of(geometry);
        pins = PartPins.of(geometry);
    }

    public static PadMatch of(BoardGeometry geometry) {
        return new PadMatch(geometry);
    }

    /** The pads of a part, in the order of its pins; empty where they cannot be told. */
    public List<PartPad> of(Part part) {
        List<Netlist.Point> named = pins.of(part.designator());
        if (!named.isEmpty()) {
            return named.stream()
                    .map(p -> new PartPad(p.pin(), p.at(), Certainty.CERTAIN))
                    .toList();
        }
        return part.placed().map(p -> byPackage(p, shapes(part.packageName()))).orElse(List.of());
    }

    /** Headers are also called by their number of pins alone, in one row or in two. */
    static List<PackageShape> shapes(String packageName) {
        List<PackageShape> known = PackageShapes.of(packageName);
        Matcher counted = HEADER.matcher(packageName);
        if (!known.isEmpty() || !counted.matches()) {
            return known;
        }
        int pins = Integer.parseInt(counted.group(1));
        List<PackageShape> all = new ArrayList<>(PackageShapes.of("HDR1X" + pins));
        if (pins > 2 && pins % 2 == 0) {
            all.addAll(PackageShapes.of("HDR2X" + pins / 2));
        }
        return all;
    }

    /** By where it is placed and its package alone, whatever names its pins. */
    List<PartPad> byPackage(PlacedPart part, List<PackageShape> shapes) {
        for (int quarter = 0; quarter < QUARTERS; quarter++) {
            List<PartPad> best = List.of();
            double least = Double.MAX_VALUE;
            for (PackageShape s : shapes) {
                Optional<Laid> laid = lay(s, part, quarter);
                if (laid.isPresent() && laid.get().off < least) {
                    least = laid.get().off;
                    best = laid.get().pads;
                }
            }
            if (!best.isEmpty()) {
                return best;
            }
        }
        return List.of();
    }

    /**
     * @param off how far pads are from their terminals, mm in all
     */
    private record Laid(List<PartPad> pads, double off) {}

    private Optional<Laid> lay(PackageShape shape, PlacedPart part, int quarter) {
        double turn = Math.toRadians(part.rotationDeg() + 90 * quarter);
        boolean below = part.side() == Side.BOTTOM;
        double beside = Math.min(MOST_BESIDE_MM, BESIDE_SHARE * shape.pitchMm());
        Set<Pt> taken = new HashSet<>();
        List<PartPad> pads = new ArrayList<>();
        double off = 0;
        for (Terminal t : shape.terminals()) {
            double x = below ? -t.x() : t.x();
            double atX = x * Math.cos(turn) - t.y() * Math.sin(turn);
            double atY = x * Math.sin(turn) + t.y() * Math.cos(turn);
            Pt at = new Pt(part.at().x() + Length.mm(atX), part.at().y() + Length.mm(atY));
            boolean level = t.width() >= t.height();
            Reach reach =
                    shape.isLeaded()
                            ? new Reach(beside, beside)
                            : new Reach(level ? ALONG_MM : beside, level ? beside : ALONG_MM);
            Optional<Pt> pad = nearest(shape, part.side(), at, turn, reach);
            if (pad.isEmpty() || !taken.add(pad.get())) {
                return Optional.empty();
            }
            pads.add(
                    new PartPad(
                            t.number(),
                            pad.get(),
                            quarter == 0 ? Certainty.LIKELY : Certainty.OPEN));
            off += Length.toMm(pad.get().distance(at));
        }
        return Optional.of(new Laid(pads, off));
    }

    /** How far a pad may be from its terminal, mm along the axes of the package. */
    private record Reach(double x, double y) {}

    private Optional<Pt> nearest(PackageShape shape, Side side, Pt at, double turn, Reach reach) {
        Envelope box = new Envelope(at.coordinate());
        box.expandBy(Length.mm(Math.hypot(reach.x, reach.y)));
        Pt best = null;
        for (Pt p : shape.isLeaded() ? places.leads(box) : places.pads(side, box)) {
            double dx = Length.toMm(p.x() - at.x());
            double dy = Length.toMm(p.y() - at.y());
            double alongX = Math.abs(dx * Math.cos(turn) + dy * Math.sin(turn));
            double alongY = Math.abs(dy * Math.cos(turn) - dx * Math.sin(turn));
            boolean near = alongX <= reach.x && alongY <= reach.y;
            if (near && (best == null || p.distance(at) < best.distance(at))) {
                best = p;
            }
        }
        return Optional.ofNullable(best);
    }
}
