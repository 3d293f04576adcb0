package dev.lastcut.core.compare;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.formats.table.Designators;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.locationtech.jts.geom.Geometry;

/** The differences between two revisions of one board. */
public record BoardChanges(
        List<LayerChange> layers, List<HoleChange> holes, List<PartChange> parts) {

    /** What of a picture was added and removed; layers without a difference are left out. */
    public record LayerChange(Role role, Geometry added, Geometry removed) {}

    /** A hole; {@code before} or {@code after} is empty when it was added or removed. */
    public record HoleChange(Optional<Hole> before, Optional<Hole> after) {
        public Pt at() {
            return after.or(() -> before).orElseThrow().middle();
        }
    }

    /** What changed of a part, in words; its place where one is known. */
    public record PartChange(String designator, String what, Optional<Pt> at) {}

    public boolean isEmpty() {
        return layers.isEmpty() && holes.isEmpty() && parts.isEmpty();
    }

    public static BoardChanges between(BoardGeometry before, BoardGeometry after) {
        Set<Role> roles = new LinkedHashSet<>();
        after.board().layers().forEach(l -> roles.add(l.role()));
        before.board().layers().forEach(l -> roles.add(l.role()));
        List<LayerChange> layers = new ArrayList<>();
        for (Role role : roles) {
            if (before.pieces(role) == after.pieces(role)) {
                continue;
            }
            PictureDifference d =
                    PictureDifference.between(before.pieces(role), after.pieces(role));
            if (!d.added().isEmpty() || !d.removed().isEmpty()) {
                layers.add(new LayerChange(role, d.added(), d.removed()));
            }
        }
        return new BoardChanges(
                layers, holes(before.board(), after.board()), parts(before.board(), after.board()));
    }

    /** Holes by place and length, within a micrometre: what is left over on one side changed. */
    private record Place(long x0, long y0, long x1, long y1) {
        static Place of(Hole h) {
            return new Place(um(h.from().x()), um(h.from().y()), um(h.to().x()), um(h.to().y()));
        }

        private static long um(long nm) {
            return Math.round(nm / 1e3);
        }
    }

    private static List<HoleChange> holes(Board before, Board after) {
        Map<Place, List<Hole>> old = new LinkedHashMap<>();
        before.holes()
                .forEach(h -> old.computeIfAbsent(Place.of(h), k -> new ArrayList<>()).add(h));
        List<HoleChange> changes = new ArrayList<>();
        for (Hole h : after.holes()) {
            List<Hole> there = old.getOrDefault(Place.of(h), List.of());
            if (there.isEmpty()) {
                changes.add(new HoleChange(Optional.empty(), Optional.of(h)));
                continue;
            }
            Hole same = there.stream().filter(o -> alike(o, h)).findFirst().orElse(there.get(0));
            there.remove(same);
            if (!alike(same, h)) {
                changes.add(new HoleChange(Optional.of(same), Optional.of(h)));
            }
        }
        old.values()
                .forEach(
                        left ->
                                left.forEach(
                                        h ->
                                                changes.add(
                                                        new HoleChange(
                                                                Optional.of(h),
                                                                Optional.empty()))));
        return changes;
    }

    private static boolean alike(Hole a, Hole b) {
        return Math.abs(a.diameter() - b.diameter()) <= 1_000 && a.plated() == b.plated();
    }

    private static List<PartChange> parts(Board before, Board after) {
        Map<String, PlacedPart> oldPlaces = placed(before);
        Map<String, PlacedPart> newPlaces = placed(after);
        Map<String, ListedPart> oldList = listed(before);
        Map<String, ListedPart> newList = listed(after);
        Set<String> names = new TreeSet<>(Designators.ORDER);
        names.addAll(oldPlaces.keySet());
        names.addAll(newPlaces.keySet());
        names.addAll(oldList.keySet());
        names.addAll(newList.keySet());
        boolean bothPlaced = before.placements().isPresent() && after.placements().isPresent();
        boolean bothListed = before.parts().isPresent() && after.parts().isPresent();
        List<PartChange> changes = new ArrayList<>();
        for (String name : names) {
            List<String> what = new ArrayList<>();
            if (bothPlaced) {
                place(oldPlaces.get(name), newPlaces.get(name), what);
            }
            if (bothListed) {
                list(oldList.get(name), newList.get(name), what);
            }
            if (!what.isEmpty()) {
                Optional<Pt> at =
                        Optional.ofNullable(newPlaces.getOrDefault(name, oldPlaces.get(name)))
                                .map(PlacedPart::at);
                changes.add(new PartChange(name, String.join("; ", what), at));
            }
        }
        return changes;
    }

    private static Map<String, PlacedPart> placed(Board b) {
        Map<String, PlacedPart> all = new HashMap<>();
        b.placements().ifPresent(list -> list.forEach(p -> all.put(p.designator(), p)));
        return all;
    }

    private static Map<String, ListedPart> listed(Board b) {
        Map<String, ListedPart> all = new HashMap<>();
        b.parts().ifPresent(list -> list.forEach(p -> all.put(p.designator(), p)));
        return all;
    }

    private static void place(PlacedPart a, PlacedPart b, List<String> what) {
        if (a == null || b == null) {
            if (a != b) {
                what.add(a == null ? "newly placed" : "no longer placed");
            }
            return;
        }
        double moved = a.at().distance(b.at());
        if (moved > 10_000) {
            what.add(String.format(Locale.ROOT, "moved by %.3f mm", moved / 1e6));
        }
        if (Math.abs((a.rotationDeg() - b.rotationDeg()) % 360) > 0.05) {
            what.add(
                    String.format(
                            Locale.ROOT,
                            "turned from %.1f° to %.1f°",
                            a.rotationDeg(),
                            b.rotationDeg()));
        }
        if (a.side() != b.side()) {
            what.add("from " + a.side().word() + " to " + b.side().word());
        }
    }

    private static void list(ListedPart a, ListedPart b, List<String> what) {
        if (a == null || b == null) {
            if (a != b) {
                what.add(a == null ? "newly listed" : "no longer listed");
            }
            return;
        }
        if (!a.meaning().canonical().equals(b.meaning().canonical())) {
            what.add("value " + shown(a.value()) + " → " + shown(b.value()));
        }
        if (!a.footprint().equals(b.footprint())) {
            what.add("footprint " + shown(a.footprint()) + " → " + shown(b.footprint()));
        }
        if (!a.partNumber().equals(b.partNumber())) {
            what.add("part number " + shown(a.partNumber()) + " → " + shown(b.partNumber()));
        }
        if (a.fitted() != b.fitted()) {
            what.add(b.fitted() ? "now fitted" : "no longer fitted");
        }
    }

    private static String shown(String s) {
        return s.isEmpty() ? "none" : s;
    }
}
