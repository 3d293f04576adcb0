package dev.lastcut.core.touch.picture;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.connectivity.PieceIndex;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.Features;
import dev.lastcut.core.touch.KeepOff;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import dev.lastcut.core.touch.copper.Sizes;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;

/**
 * Makes the openings of the mask larger or smaller, and opens webs between them that are too thin
 * to stay on. Lengths in nm.
 *
 * @param grow how far each edge moves outwards; negative inwards
 * @param leastDam webs narrower than this between two openings are left out; 0: none
 * @param side empty: both
 */
public record Mask(double grow, double leastDam, Optional<Side> side) implements Touch {
    /** Flattened curves part by less than this. */
    private static final double HAIR_NM = 300;

    public Mask {
        Sizes.notBelow0("grow_mm", Math.abs(grow));
        Sizes.notBelow0("least_dam_mm", leastDam);
        if (grow == 0 && leastDam == 0) {
            throw new IllegalArgumentException("mask: grow_mm or least_dam_mm");
        }
    }

    @Override
    public String kind() {
        return "mask";
    }

    @Override
    public String words() {
        List<String> all = new ArrayList<>();
        if (grow != 0) {
            all.add(Openings.words(grow));
        }
        if (leastDam > 0) {
            all.add("no web under " + Length.shortMm(Length.toMm(leastDam)) + " mm");
        }
        return "Mask: " + String.join(", ", all);
    }

    @Override
    public Phase phase() {
        return Phase.MASK;
    }

    @Override
    public Change on(Work work) throws NotDone {
        Board board = work.board();
        List<Pt> places = new ArrayList<>();
        List<Pt> stay = new ArrayList<>();
        int openings = 0;
        boolean any = false;
        for (Layer layer : work.board().layers()) {
            if (layer.role().kind() == Role.Kind.MASK
                    && (side.isEmpty() || layer.role().side().equals(side))) {
                any = true;
                Layer now = layer;
                if (grow != 0) {
                    now = grown(work.geometry(), layer);
                    openings += work.geometry().pieces(layer.role()).size();
                }
                if (leastDam > 0) {
                    BoardGeometry g = work.geometry().changed(board.with(now));
                    List<Feature> webs = webs(g, layer.role(), places, stay);
                    now = now.plus(webs);
                }
                board = board.with(now);
            }
        }
        if (!any) {
            throw new NotDone("The pack has no mask file");
        }
        if (openings == 0 && places.isEmpty()) {
            throw new NotDone(
                    stay.isEmpty()
                            ? "No web of the mask is narrower than " + Length.text(leastDam)
                            : "Every thin web covers copper that must stay covered",
                    stay);
        }
        List<String> says = new ArrayList<>();
        if (openings > 0) {
            says.add("resizes " + Change.count(openings, "opening"));
        }
        if (!places.isEmpty()) {
            says.add("leaves out " + Change.count(places.size(), "web"));
        }
        if (!stay.isEmpty()) {
            says.add(Change.count(stay.size(), "web") + " must stay over other copper");
        }
        return new Change(board, Change.sentence(says), places);
    }

    private Layer grown(BoardGeometry g, Layer layer) {
        List<Feature> all = new ArrayList<>();
        for (Piece p : g.pieces(layer.role())) {
            all.addAll(Openings.grown(p, grow));
        }
        return layer.with(all);
    }

    /** What closing two openings by the width adds between them. */
    private List<Feature> webs(BoardGeometry g, Role role, List<Pt> places, List<Pt> stay) {
        List<Feature> all = new ArrayList<>();
        PieceIndex index = g.index(role);
        for (int i = 0; i < index.pieces().size(); i++) {
            Piece a = index.pieces().get(i);
            for (int k : index.near(Geo.expanded(a.envelope(), leastDam))) {
                Piece b = index.pieces().get(k);
                double gap = k <= i ? 0 : g.nets().contact().gap(a, b, leastDam);
                if (gap > 0 && gap < leastDam - KeepOff.SLACK_NM) {
                    all.addAll(web(g, role, List.of(a, b), places, stay));
                }
            }
        }
        return all;
    }

    private List<Feature> web(
            BoardGeometry g, Role role, List<Piece> sides, List<Pt> places, List<Pt> stay) {
        Geometry open = Geo.union(sides.get(0).polygon(), sides.get(1).polygon());
        double half = leastDam / 2 + HAIR_NM;
        Geometry closed = Geo.offset(Geo.offset(open, half, 100), -half, 100);
        List<Feature> all = new ArrayList<>();
        for (Polygon web : Geo.polygons(Geo.difference(closed, open))) {
            Geometry held = Geo.offset(web, HAIR_NM, 100);
            boolean between = sides.stream().allMatch(p -> p.polygon().intersects(held));
            if (!between) {
                continue;
            }
            Pt at = Pt.of(web.getInteriorPoint().getCoordinate());
            if (laysBare(g, role, web, sides)) {
                stay.add(at);
            } else {
                places.add(at);
                all.addAll(Features.regions(held, ObjectAttributes.NONE));
            }
        }
        return all;
    }

    /** Whether under a web there is copper of a net that neither opening is for. */
    private static boolean laysBare(BoardGeometry g, Role role, Polygon web, List<Piece> sides) {
        int layer = g.copperIndex(role.side().orElseThrow());
        if (layer < 0) {
            return false;
        }
        for (CopperNode n : g.nets().near(layer, web.getEnvelopeInternal())) {
            boolean pad = sides.stream().anyMatch(p -> g.nets().contact().touch(p, n.piece()));
            if (!pad && n.polygon().intersects(web)) {
                return true;
            }
        }
        return false;
    }
}
