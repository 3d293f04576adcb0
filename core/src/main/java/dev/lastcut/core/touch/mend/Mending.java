package dev.lastcut.core.touch.mend;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Pads;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.Net;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.TouchClearances;
import dev.lastcut.core.touch.copper.CoveredTracks;
import dev.lastcut.core.touch.copper.KeepAway;
import dev.lastcut.core.touch.copper.OutlineOff;
import dev.lastcut.core.touch.copper.Ring;
import dev.lastcut.core.touch.copper.Slivers;
import dev.lastcut.core.touch.copper.Widen;
import dev.lastcut.core.touch.holes.SnapHoles;
import dev.lastcut.core.touch.picture.CoverVias;
import dev.lastcut.core.touch.picture.Mask;
import dev.lastcut.core.touch.picture.OpenPads;
import dev.lastcut.core.touch.picture.Paste;
import dev.lastcut.core.touch.picture.SilkClip;
import dev.lastcut.core.touch.picture.SilkThicken;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.locationtech.jts.geom.Envelope;

/** Finds the touches that can mend what a check found. */
public final class Mending {
    /** A gap beside which a filled area is looked for. */
    private static final double BESIDE_NM = 20_000;

    private static final double USUAL_OPENING_NM = 50_000;

    private final BoardGeometry geometry;
    private final TouchClearances room;

    /**
     * @param geometry the board that was checked
     */
    public Mending(BoardGeometry geometry, TouchClearances room) {
        this.geometry = geometry;
        this.room = room;
    }

    /**
     * A touch that is offered.
     *
     * @param label what a button says: "Clip the silk"
     * @param findings ids of what it is to mend
     */
    public record Offer(Touch touch, String label, List<String> findings) {
        public Offer {
            findings = List.copyOf(findings);
        }
    }

    /** What nothing here can mend, and why. */
    public record Left(String finding, String why) {}

    /** All that can be mended, touches that do the same for several findings once; and the rest. */
    public record Plan(List<Offer> offers, List<Left> left) {
        public Plan {
            offers = List.copyOf(offers);
            left = List.copyOf(left);
        }
    }

    public Plan plan(List<Finding> findings) {
        Map<Touch, Offer> offers = new LinkedHashMap<>();
        List<Left> left = new ArrayList<>();
        for (Finding f : findings) {
            Optional<Offer> one = offer(f);
            if (one.isEmpty()) {
                left.add(new Left(f.id(), why(f)));
                continue;
            }
            Optional<Touch> like =
                    offers.keySet().stream()
                            .filter(t -> isOfOneKind(t, one.get().touch()))
                            .findFirst();
            if (like.isEmpty()) {
                offers.put(one.get().touch(), one.get());
            } else {
                Offer known = offers.remove(like.get());
                Touch both = both(like.get(), one.get().touch());
                List<String> ids = new ArrayList<>(known.findings());
                ids.add(f.id());
                offers.put(both, new Offer(both, known.label(), ids));
            }
        }
        return new Plan(List.copyOf(offers.values()), left);
    }

    /** Touches that one does as well as two. */
    private static boolean isOfOneKind(Touch a, Touch b) {
        if (a instanceof Widen x && b instanceof Widen y) {
            return x.net().equals(y.net());
        }
        if (a instanceof CoveredTracks) {
            return a.equals(b);
        }
        return a.getClass() == b.getClass();
    }

    private static Touch both(Touch a, Touch b) {
        if (a instanceof KeepAway x && b instanceof KeepAway y) {
            return new KeepAway(
                    Math.max(x.clear(), y.clear()),
                    Math.max(x.edge(), y.edge()),
                    Math.max(x.hole(), y.hole()),
                    Math.max(x.mask(), y.mask()),
                    Math.max(x.least(), y.least()));
        }
        if (a instanceof Widen x && b instanceof Widen y) {
            return new Widen(x.net(), Math.max(x.to(), y.to()));
        }
        if (a instanceof Ring x && b instanceof Ring y) {
            return new Ring(Math.max(x.least(), y.least()));
        }
        if (a instanceof Slivers x && b instanceof Slivers y) {
            return new Slivers(Math.max(x.least(), y.least()));
        }
        if (a instanceof SilkClip x && b instanceof SilkClip y) {
            return new SilkClip(Math.max(x.clear(), y.clear()));
        }
        if (a instanceof SilkThicken x && b instanceof SilkThicken y) {
            return new SilkThicken(Math.max(x.least(), y.least()));
        }
        if (a instanceof Mask x && b instanceof Mask y) {
            return new Mask(
                    Math.max(x.grow(), y.grow()),
                    Math.max(x.leastDam(), y.leastDam()),
                    Optional.empty());
        }
        return a;
    }

    /** The touch for one finding. */
    public Optional<Offer> offer(Finding f) {
        double limit = f.unit().equals("mm") ? Length.mm(f.limit()) : 0;
        return switch (f.rule()) {
            case "clearance" -> away(f, new KeepAway(limit, 0, 0, 0, room.neck()), limit);
            case "copper-to-edge" -> away(f, new KeepAway(0, limit, 0, 0, room.neck()), limit);
            case "copper-to-hole" -> away(f, new KeepAway(0, 0, limit, 0, room.neck()), limit);
            case "mask-exposes" -> {
                double mask = Math.max(room.maskToCopper(), 1_000);
                yield away(f, new KeepAway(0, 0, 0, mask, room.neck()), mask);
            }
            case "track-width", "current" ->
                    f.nets().stream()
                            .findFirst()
                            .filter(n -> limit > 0)
                            .map(
                                    n ->
                                            offer(
                                                    f,
                                                    new Widen(Optional.of(Net.named(n)), limit),
                                                    "Widen where there is room"));
            case "annular-ring" -> some(f, new Ring(limit), "Thicken the ring", limit);
            case "copper-sliver" -> some(f, new Slivers(limit), "Mend the neck", limit);
            case "pour-covers-track" ->
                    f.nets().stream()
                            .findFirst()
                            .map(
                                    n ->
                                            offer(
                                                    f,
                                                    new CoveredTracks(Optional.of(Net.named(n))),
                                                    "Take the covered tracks away"));
            case "outline-on-copper" ->
                    Optional.of(offer(f, new OutlineOff(), "Remove the outline"));
            case "mask-missing" ->
                    Optional.of(offer(f, new OpenPads(USUAL_OPENING_NM), "Open the mask there"));
            case "mask-expansion" -> {
                double by = limit - Length.mm(f.measured());
                yield by > 0
                        ? some(f, new Mask(by, 0, Optional.empty()), "Enlarge the openings", by)
                        : Optional.empty();
            }
            case "mask-dam" ->
                    some(f, new Mask(0, limit, Optional.empty()), "Leave the web out", limit);
            case "via-cover" -> Optional.of(offer(f, new CoverVias(true), "Cover the vias"));
            case "silk-on-pad" ->
                    Optional.of(
                            offer(f, new SilkClip(Math.max(limit, room.silk())), "Clip the silk"));
            case "silk-off-board" ->
                    Optional.of(offer(f, new SilkClip(room.silk()), "Clip the silk"));
            case "silk-width" -> some(f, new SilkThicken(limit), "Thicken the silk", limit);
            case "paste-on-hole" -> leads(f);
            case "hole-min", "hole-size" ->
                    room.drills().isEmpty()
                            ? Optional.empty()
                            : Optional.of(
                                    offer(
                                            f,
                                            new SnapHoles(List.of(), SnapHoles.USUAL_MOST_NM),
                                            "Take the nearest drills"));
            default -> Optional.empty();
        };
    }

    private static Offer offer(Finding f, Touch touch, String label) {
        return new Offer(touch, label, List.of(f.id()));
    }

    private static Optional<Offer> some(Finding f, Touch touch, String label, double limit) {
        return limit > 0 ? Optional.of(offer(f, touch, label)) : Optional.empty();
    }

    /** Areas can be pulled back, tracks and pads cannot. */
    private Optional<Offer> away(Finding f, KeepAway touch, double limit) {
        boolean area =
                f.layers().stream()
                        .map(id -> Role.parse(id))
                        .flatMap(Optional::stream)
                        .filter(Role::isCopper)
                        .anyMatch(role -> isAreaAt(role, List.of(f.from(), f.to(), f.at())));
        return limit > 0 && area
                ? Optional.of(
                        offer(
                                f,
                                touch,
                                "Keep the pour " + Length.shortMm(Length.toMm(limit)) + " mm away"))
                : Optional.empty();
    }

    private boolean isAreaAt(Role role, List<Pt> places) {
        int layer = geometry.board().copper().stream().map(l -> l.role()).toList().indexOf(role);
        for (Pt p : places) {
            Envelope e = Geo.expanded(new Envelope(p.coordinate()), BESIDE_NM);
            for (CopperNode n :
                    layer < 0 ? List.<CopperNode>of() : geometry.nets().near(layer, e)) {
                if (n.isArea() && n.polygon().distance(Geo.point(p)) <= BESIDE_NM) {
                    return true;
                }
            }
        }
        return false;
    }

    /** Paste over the hole of a lead can be left out; that over a via in a pad cannot. */
    private Optional<Offer> leads(Finding f) {
        var vias = Pads.vias(geometry);
        boolean lead =
                f.also().stream()
                        .anyMatch(
                                m ->
                                        geometry.holes().at(m.from()).stream()
                                                .anyMatch(h -> !vias.contains(h)));
        return lead
                ? Optional.of(offer(f, new Paste(0, true), "Leave the paste off holes"))
                : Optional.empty();
    }

    private static String why(Finding f) {
        return switch (f.rule()) {
            case "open" -> "The missing links must be routed in the layout.";
            case "short" -> "Nothing here can tell which of the two is wrong.";
            case "clearance", "copper-to-edge", "copper-to-hole" ->
                    "These are tracks or pads: move them in the layout, or a via of them here (Holes, Move"
                            + " a hole).";
            case "mask-exposes" ->
                    "The copper laid bare is a track or a pad: make the opening smaller in the"
                            + " layout.";
            case "plane-cut" ->
                    "A strap over the cut helps: draw one where the return current goes.";
            case "stub" ->
                    "It may be the rest of a track that is missing: look at it in the layout.";
            case "paste-on-hole" -> "The holes are vias in pads: order them plugged.";
            case "outline-open", "outline-missing" ->
                    "Replace the outline by a drawing that closes.";
            case "hole-min", "hole-size" -> "Say which size each hole gets: Holes, another size.";
            default ->
                    f.layers().contains("placement") || f.layers().contains("parts-list")
                            ? "It is in the tables: put it right at Parts."
                            : "No touch mends this: it is put right in the layout, or signed off.";
        };
    }
}
