package dev.lastcut.core.landpattern;

import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.landpattern.PackageShape.Terminal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;

/**
 * Whether a part in a package can be soldered to the pads of a board. The package is laid on the
 * pads by the numbers of its pins, turned and shifted so that it lies best (least squares), and
 * each of its terminals must then be on its pad.
 */
public final class LandFit {
    /** So much of the smaller of terminal and pad must lie on the other. */
    private static final double LEAST_SHARE = 0.25;

    /** A lead bends so far from its place, mm. */
    private static final double BENDS_MM = 0.3;

    /** A hole is at least so much wider than the lead, mm. */
    private static final double LEAD_ROOM_MM = 0.05;

    /** Pitches closer than this share are the same. */
    private static final double SAME_PITCH = 0.06;

    private static final Set<String> BEYOND = Set.of("EP", "PAD", "MP", "SH", "TAB", "GND", "S");
    private static final Pattern NUMBER = Pattern.compile("\\d{1,4}");
    private static final GeometryFactory FACTORY = new GeometryFactory();

    /**
     * The pad of a pin.
     *
     * @param box about its copper, nm
     * @param holeMm the diameter of its hole; 0 for none
     */
    public record Pad(String pin, Pt at, Envelope box, double holeMm) {}

    /**
     * Why a part does not fit.
     *
     * @param says to be read after the part's name
     * @param off where its terminals would be, and where their pads are
     */
    public record Misfit(String says, List<Measure> off) {}

    private final PackageShape shape;
    private final Map<String, Pad> pads = new LinkedHashMap<>();
    private final Predicate<String> pins;
    private final Predicate<Pt> copper;
    private final boolean below;

    private LandFit(
            PackageShape shape,
            List<Pad> pads,
            Predicate<String> pins,
            Predicate<Pt> copper,
            boolean below) {
        this.shape = shape;
        this.pins = pins;
        pads.forEach(p -> this.pads.putIfAbsent(p.pin(), p));
        this.copper = copper;
        this.below = below;
    }

    /**
     * Holds pads against the shapes that a package's name stands for; one that fits is enough.
     *
     * @param pads of the pins that have a name; some of the others may have none
     * @param pins whether the part is known to have a pin; some packages come with fewer
     * @param copper whether there is a pad at a place, named or not
     * @param below whether the part stands on the bottom
     * @return empty when it fits, or when too few pads are named to tell
     */
    public static Optional<Misfit> of(
            List<PackageShape> shapes,
            List<Pad> pads,
            Predicate<String> pins,
            Predicate<Pt> copper,
            boolean below) {
        Optional<Misfit> first = Optional.empty();
        for (PackageShape shape : shapes) {
            Optional<Misfit> misfit = new LandFit(shape, pads, pins, copper, below).misfit();
            if (misfit.isEmpty()) {
                return misfit;
            }
            first = first.or(() -> misfit);
        }
        return first;
    }

    private Optional<Misfit> misfit() {
        List<Pad> own = own(shape);
        if (own.size() < 2) {
            return Optional.empty();
        }
        boolean holes = own.stream().filter(p -> p.holeMm > 0).count() * 2 > own.size();
        if (holes != shape.isLeaded()) {
            return plain(
                    shape.isLeaded()
                            ? "has leads (" + shape.name() + "), and its pads have no holes"
                            : "has no leads (" + shape.name() + "), and its pads have holes");
        }
        Optional<String> more = more();
        if (more.isPresent()) {
            return plain(more.get());
        }
        Optional<Pad> narrow =
                own.stream()
                        .filter(p -> p.holeMm > 0 && p.holeMm < shape.leadMm() + LEAD_ROOM_MM)
                        .findFirst();
        if (narrow.isPresent() && shape.isLeaded()) {
            return Optional.of(
                    new Misfit(
                            String.format(
                                    Locale.ROOT,
                                    "has leads of %s mm (%s), and the hole of pin %s is %s mm wide",
                                    Length.shortMm(shape.leadMm()),
                                    shape.name(),
                                    narrow.get().pin(),
                                    Length.shortMm(narrow.get().holeMm())),
                            List.of(between(narrow.get().at(), narrow.get().at()))));
        }
        List<Measure> off = off(shape);
        if (off.isEmpty()) {
            return Optional.empty();
        }
        if (shape.numbered() && off(shape.mirrored()).isEmpty()) {
            return Optional.of(
                    new Misfit(
                            "is a "
                                    + shape.name()
                                    + ", whose pins count the other way round:"
                                    + " its pads are mirrored",
                            off));
        }
        double pitch = pitchMm(own);
        if (Math.abs(pitch - shape.pitchMm()) > SAME_PITCH * shape.pitchMm()) {
            return Optional.of(
                    new Misfit(
                            String.format(
                                    Locale.ROOT,
                                    "is a %s with a pitch of %s mm, and its pads are %s mm from each"
                                            + " other",
                                    shape.name(),
                                    Length.shortMm(round(shape.pitchMm())),
                                    Length.shortMm(round(pitch))),
                            off));
        }
        return Optional.of(
                new Misfit(
                        "is a "
                                + shape.name()
                                + ", and "
                                + off.size()
                                + (off.size() == 1
                                        ? " of its terminals is"
                                        : " of its terminals are")
                                + " not on the pads: the rows are apart otherwise",
                        off));
    }

    private static double round(double mm) {
        return Math.round(mm * 1000) / 1000.0;
    }

    private static Optional<Misfit> plain(String says) {
        return Optional.of(new Misfit(says, List.of()));
    }

    /** The pads of the package's pins, in the order of its terminals. */
    private List<Pad> own(PackageShape s) {
        if (!s.numbered()) {
            return pads.size() == s.terminals().size() ? List.copyOf(pads.values()) : List.of();
        }
        return s.terminals().stream()
                .map(t -> pads.get(t.number()))
                .filter(p -> p != null)
                .toList();
    }

    /** Pads beyond the package's pins, but for one in its middle and such as hold it. */
    private Optional<String> more() {
        int pins = shape.terminals().size();
        if (!shape.numbered()) {
            return Optional.empty();
        }
        List<String> beyond =
                pads.keySet().stream()
                        .filter(p -> !BEYOND.contains(p.toUpperCase(Locale.ROOT)))
                        .filter(p -> NUMBER.matcher(p).matches())
                        .filter(p -> Integer.parseInt(p) > pins + 1)
                        .toList();
        return beyond.isEmpty()
                ? Optional.empty()
                : Optional.of(
                        "is a "
                                + shape.name()
                                + " with "
                                + pins
                                + " pins, and the board has pads up to pin "
                                + beyond.get(beyond.size() - 1));
    }

    /** Seen from the part's own side. */
    private Coordinate seen(Pt p) {
        return new Coordinate(below ? -p.x() : p.x(), p.y());
    }

    private Pt board(Coordinate c) {
        return new Pt(Math.round(below ? -c.x : c.x), Math.round(c.y));
    }

    /** Turned by an angle, then shifted: from the package's mm to the board's nm. */
    private record Laid(double cos, double sin, double dx, double dy) {
        Coordinate at(double xMm, double yMm) {
            double x = xMm * 1e6;
            double y = yMm * 1e6;
            return new Coordinate(x * cos - y * sin + dx, x * sin + y * cos + dy);
        }

        Polygon contact(Terminal t) {
            double w = t.width() / 2;
            double h = t.height() / 2;
            Coordinate first = at(t.x() - w, t.y() - h);
            return FACTORY.createPolygon(
                    new Coordinate[] {
                        first,
                        at(t.x() + w, t.y() - h),
                        at(t.x() + w, t.y() + h),
                        at(t.x() - w, t.y() + h),
                        first.copy()
                    });
        }
    }

    /** The turn and shift that bring the terminals nearest to their pads (Kabsch, in the plane). */
    private Laid laid(List<Terminal> terminals, List<Pad> own) {
        double tx = 0;
        double ty = 0;
        double px = 0;
        double py = 0;
        int n = own.size();
        for (int i = 0; i < n; i++) {
            Coordinate p = seen(own.get(i).at());
            tx += terminals.get(i).x() * 1e6 / n;
            ty += terminals.get(i).y() * 1e6 / n;
            px += p.x / n;
            py += p.y / n;
        }
        double dot = 0;
        double cross = 0;
        for (int i = 0; i < n; i++) {
            Coordinate p = seen(own.get(i).at());
            double ax = terminals.get(i).x() * 1e6 - tx;
            double ay = terminals.get(i).y() * 1e6 - ty;
            dot += ax * (p.x - px) + ay * (p.y - py);
            cross += ax * (p.y - py) - ay * (p.x - px);
        }
        double angle = Math.atan2(cross, dot);
        double cos = Math.cos(angle);
        double sin = Math.sin(angle);
        return new Laid(cos, sin, px - (tx * cos - ty * sin), py - (tx * sin + ty * cos));
    }

    /** The terminals that miss their pads, each with its pad's place; those without a pad too. */
    private List<Measure> off(PackageShape s) {
        List<Terminal> with = new ArrayList<>();
        List<Pad> own = own(s);
        for (int i = 0; i < s.terminals().size(); i++) {
            Terminal t = s.terminals().get(i);
            if (!s.numbered() || pads.containsKey(t.number())) {
                with.add(t);
            }
        }
        Laid laid = laid(with, own);
        List<Measure> off = new ArrayList<>();
        for (int i = 0; i < with.size(); i++) {
            Coordinate at = laid.at(with.get(i).x(), with.get(i).y());
            if (!isOn(laid, with.get(i), own.get(i), at)) {
                off.add(between(board(at), own.get(i).at()));
            }
        }
        for (Terminal t : s.terminals()) {
            Pt at = board(laid.at(t.x(), t.y()));
            if (!with.contains(t) && pins.test(t.number()) && !copper.test(at)) {
                off.add(between(at, at));
            }
        }
        return off;
    }

    private boolean isOn(Laid laid, Terminal t, Pad pad, Coordinate at) {
        if (shape.isLeaded()) {
            double room = Math.max(0, pad.holeMm() - shape.leadMm()) / 2 + BENDS_MM;
            return at.distance(seen(pad.at())) <= room * 1e6;
        }
        Envelope e = pad.box();
        Geometry box =
                Geo.rectangle(
                        below
                                ? new Envelope(-e.getMaxX(), -e.getMinX(), e.getMinY(), e.getMaxY())
                                : e);
        Polygon contact = laid.contact(t);
        double least = Math.min(contact.getArea(), box.getArea());
        return contact.intersection(box).getArea() >= LEAST_SHARE * least;
    }

    private static Measure between(Pt terminal, Pt pad) {
        return new Measure(terminal, pad, terminal.distance(pad));
    }

    private static double pitchMm(List<Pad> own) {
        double least = Double.MAX_VALUE;
        for (int i = 1; i < own.size(); i++) {
            least = Math.min(least, own.get(i - 1).at().distance(own.get(i).at()));
        }
        return least / 1e6;
    }
}
