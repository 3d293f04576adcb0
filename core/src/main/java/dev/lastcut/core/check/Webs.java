package dev.lastcut.core.check;

import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.PieceIndex;
import dev.lastcut.core.geometry.Distances;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Measure;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;

/** What stands between two openings of a mask or a stencil. */
public final class Webs {
    /** Webs equal to this are alike: 2 µm, what a measure is true to. */
    private static final double ALIKE_NM = 2_000;

    /** A web at its narrowest place, and the parts whose pads lie in its openings. */
    public record Web(Measure across, List<String> parts) {}

    private Webs() {}

    /** The webs narrower than a limit, those of the same width at the same part together. */
    public static List<List<Web>> narrower(
            CheckContext c, Openings openings, Side side, double limitNm) {
        PieceIndex index = openings.index();
        Map<List<Integer>, List<Piece[]>> pairs = new LinkedHashMap<>();
        for (Piece p : index.pieces()) {
            int a = openings.numberOf(p);
            for (Piece other : index.within(p, limitNm)) {
                int b = openings.numberOf(other);
                if (a < b) {
                    pairs.computeIfAbsent(List.of(a, b), k -> new ArrayList<>())
                            .add(new Piece[] {p, other});
                }
            }
        }
        if (pairs.isEmpty()) {
            return List.of();
        }
        Map<Integer, TreeSet<String>> parts = partsIn(c, openings, index, side);
        Map<Object, List<Web>> alike = new LinkedHashMap<>();
        pairs.forEach(
                (ab, near) -> {
                    var a = Geo.union(near.stream().map(n -> n[0].polygon()).toList());
                    var b = Geo.union(near.stream().map(n -> n[1].polygon()).toList());
                    TreeSet<String> names = new TreeSet<>();
                    ab.forEach(o -> names.addAll(parts.getOrDefault(o, new TreeSet<>())));
                    for (Distances.Run run : Distances.closerThan(a, b, limitNm)) {
                        long width = Math.round(run.narrowest().nm() / ALIKE_NM);
                        alike.computeIfAbsent(List.of(names, width), k -> new ArrayList<>())
                                .add(new Web(run.narrowest(), List.copyOf(names)));
                    }
                });
        return new ArrayList<>(alike.values());
    }

    private static Map<Integer, TreeSet<String>> partsIn(
            CheckContext c, Openings openings, PieceIndex index, Side side) {
        Map<Integer, TreeSet<String>> parts = new HashMap<>();
        for (Pads.Pad pad : Pads.on(c, side)) {
            for (Piece p : index.at(pad.at())) {
                parts.computeIfAbsent(openings.numberOf(p), k -> new TreeSet<>())
                        .addAll(pad.parts());
            }
        }
        return parts;
    }
}
