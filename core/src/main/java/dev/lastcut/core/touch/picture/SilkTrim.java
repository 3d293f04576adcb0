package dev.lastcut.core.touch.picture;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.Work;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Geometry;

/** Draws the silk again feature by feature, each with what of it may stay. */
final class SilkTrim {
    /** The width a feature is to have from now on; 0 for its own; negative to leave it alone. */
    interface Width {
        double of(Feature f);
    }

    private final List<Pt> places = new ArrayList<>();
    private Board board;

    private SilkTrim(Board board) {
        this.board = board;
    }

    static SilkTrim of(Work work, double clear, Width width) {
        SilkTrim trim = new SilkTrim(work.board());
        for (Layer layer : work.board().layers()) {
            if (layer.role().kind() == Role.Kind.SILK) {
                trim.layer(work, layer, clear, width);
            }
        }
        return trim;
    }

    Board board() {
        return board;
    }

    List<Pt> places() {
        return places;
    }

    private void layer(Work work, Layer layer, double clear, Width width) {
        SilkZone zone = new SilkZone(work, layer.role().side().orElseThrow(), clear);
        Map<Feature, Geometry> shapes = new IdentityHashMap<>();
        for (Piece p : work.geometry().pieces(layer.role())) {
            shapes.merge(p.feature(), p.polygon(), Geo::union);
        }
        List<Feature> all = new ArrayList<>();
        boolean any = false;
        for (Feature f : layer.features()) {
            Geometry shape = shapes.get(f);
            double w = width.of(f);
            if (!f.dark() || shape == null || w < 0) {
                all.add(f);
                continue;
            }
            List<Feature> left = zone.clipped(f, shape, w);
            if (left.size() != 1 || left.get(0) != f) {
                any = true;
                places.add(Pt.of(shape.getEnvelopeInternal().centre()));
            }
            all.addAll(left);
        }
        if (any) {
            board = board.with(layer.with(all));
        }
    }
}
