package dev.lastcut.core.touch.picture;

import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.silk.SilkWords;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.Features;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import dev.lastcut.core.touch.copper.Sizes;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.index.quadtree.Quadtree;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * Lettering beside parts: takes away what there is, and writes designators or values where there is
 * room. Lengths in nm.
 *
 * @param hide whether the words within {@link #BESIDE_NM} of a part go first
 * @param show what is written
 * @param height of capitals
 */
public record Labels(boolean hide, Show show, double height) implements Touch {
    /** Words this near to a part's body are its own. */
    static final double BESIDE_NM = 1_500_000;

    private static final double GAP_NM = 250_000;

    /** What is written beside a part. */
    public enum Show {
        NOTHING,
        DESIGNATORS,
        VALUES
    }

    public Labels {
        Sizes.above("height_mm", height);
        if (!hide && show == Show.NOTHING) {
            throw new IllegalArgumentException("labels: hide, or show: designators or values");
        }
    }

    @Override
    public String kind() {
        return "labels";
    }

    @Override
    public String words() {
        List<String> all = new ArrayList<>();
        if (hide) {
            all.add("hide what there is");
        }
        if (show != Show.NOTHING) {
            all.add("show " + show.name().toLowerCase(Locale.ROOT));
        }
        return "Lettering beside parts: " + String.join(", ", all);
    }

    @Override
    public Phase phase() {
        return Phase.SILK;
    }

    @Override
    public Change on(Work work) throws NotDone {
        List<PartBodies.Body> bodies = PartBodies.of(work.geometry(), PartsPlan.NONE);
        if (bodies.isEmpty()) {
            throw new NotDone("Nothing says where parts are: the pack has no placement");
        }
        List<String> says = new ArrayList<>();
        Work now = work;
        if (hide) {
            int[] hidden = {0};
            Board board = hidden(work, bodies, hidden);
            says.add("takes " + Change.count(hidden[0], "word") + " away");
            now = work.on(board);
        }
        Board board = now.board();
        List<Pt> without = new ArrayList<>();
        if (show != Show.NOTHING) {
            int written = 0;
            for (Side side : Side.values()) {
                if (board.layer(Role.of(Role.Kind.SILK, side)).isPresent()) {
                    Writer writer = new Writer(now, side, bodies);
                    board = writer.write(board, without);
                    written += writer.written;
                }
            }
            if (written == 0) {
                throw new NotDone("No part has room beside it for its lettering", without);
            }
            says.add("writes " + written);
            if (!without.isEmpty()) {
                says.add("no room beside " + Change.count(without.size(), "part"));
            }
        }
        return new Change(board, Change.sentence(says), without);
    }

    private static Board hidden(Work work, List<PartBodies.Body> bodies, int[] count) {
        Board board = work.board();
        for (Side side : Side.values()) {
            Role silk = Role.of(Role.Kind.SILK, side);
            if (board.layer(silk).isEmpty()) {
                continue;
            }
            STRtree near = new STRtree();
            bodies.stream()
                    .filter(b -> b.side() == side)
                    .forEach(b -> near.insert(b.outline().getEnvelopeInternal(), b));
            Set<Feature> gone = Collections.newSetFromMap(new IdentityHashMap<>());
            for (SilkWords.Word w : SilkWords.on(work.geometry(), side)) {
                Envelope e = Geo.expanded(w.box(), BESIDE_NM);
                if (!near.isEmpty() && !near.query(e).isEmpty()) {
                    count[0]++;
                    w.pieces().forEach(p -> gone.add(p.feature()));
                }
            }
            Layer layer = board.layer(silk).orElseThrow();
            board =
                    board.with(
                            layer.with(
                                    layer.features().stream()
                                            .filter(f -> !gone.contains(f))
                                            .toList()));
        }
        return board;
    }

    private Map<String, String> values(Board board) {
        Map<String, String> all = new HashMap<>();
        for (PlacedPart p : board.placements().orElse(List.of())) {
            all.put(p.designator(), p.value());
        }
        for (ListedPart p : board.parts().orElse(List.of())) {
            if (!p.value().isBlank()) {
                all.put(p.designator(), p.value());
            }
        }
        return all;
    }

    /** Writes on one side. */
    private final class Writer {
        private final Work work;
        private final Side side;
        private final List<PartBodies.Body> bodies;
        private final Quadtree taken = new Quadtree();
        private final SilkZone zone;
        private int written;

        Writer(Work work, Side side, List<PartBodies.Body> bodies) {
            this.work = work;
            this.side = side;
            this.bodies = bodies.stream().filter(b -> b.side() == side).toList();
            this.zone = new SilkZone(work, side, work.room().silk());
            work.geometry()
                    .pieces(Role.of(Role.Kind.SILK, side))
                    .forEach(p -> taken.insert(p.envelope(), p.polygon()));
            this.bodies.forEach(b -> taken.insert(b.outline().getEnvelopeInternal(), b.outline()));
        }

        Board write(Board board, List<Pt> without) {
            Map<String, String> values = values(board);
            List<Feature> all = new ArrayList<>();
            for (PartBodies.Body b : bodies) {
                String text =
                        show == Show.DESIGNATORS
                                ? b.designator()
                                : values.getOrDefault(b.designator(), "");
                if (text.isBlank() || !Lettering.lacks(text).isEmpty()) {
                    continue;
                }
                if (!place(b, text, all)) {
                    without.add(Pt.of(b.centre()));
                }
            }
            Layer layer = board.layer(Role.of(Role.Kind.SILK, side)).orElseThrow();
            return all.isEmpty() ? board : board.with(layer.plus(all));
        }

        private boolean place(PartBodies.Body body, String text, List<Feature> all) {
            double stroke = height / 8;
            double w = Lettering.width(text, height) + stroke;
            double h = height * 4 / 3 + stroke;
            Envelope e = body.outline().getEnvelopeInternal();
            double[][] middles = {
                {e.centre().x, e.getMaxY() + GAP_NM + h / 2, 0},
                {e.centre().x, e.getMinY() - GAP_NM - h / 2, 0},
                {e.getMaxX() + GAP_NM + w / 2, e.centre().y, 0},
                {e.getMinX() - GAP_NM - w / 2, e.centre().y, 0},
                {e.getMaxX() + GAP_NM + h / 2, e.centre().y, 90},
                {e.getMinX() - GAP_NM - h / 2, e.centre().y, 90}
            };
            for (double[] m : middles) {
                double bw = m[2] == 0 ? w : h;
                double bh = m[2] == 0 ? h : w;
                Geometry box =
                        Geo.rectangle(
                                Math.round(m[0] - bw / 2),
                                Math.round(m[1] - bh / 2),
                                Math.round(m[0] + bw / 2),
                                Math.round(m[1] + bh / 2));
                if (isFree(box)) {
                    draw(text, m, w - stroke, all);
                    taken.insert(box.getEnvelopeInternal(), box);
                    written++;
                    return true;
                }
            }
            return false;
        }

        private boolean isFree(Geometry box) {
            for (Object o : taken.query(box.getEnvelopeInternal())) {
                if (((Geometry) o).intersects(box)) {
                    return false;
                }
            }
            return zone.isFree(box);
        }

        private void draw(String text, double[] middle, double width, List<Feature> all) {
            boolean mirrored = side == Side.BOTTOM;
            double along = mirrored ? width / 2 : -width / 2;
            double up = -height / 2;
            boolean turned = middle[2] != 0;
            Coordinate at =
                    turned
                            ? new Coordinate(middle[0] - up, middle[1] + along)
                            : new Coordinate(middle[0] + along, middle[1] + up);
            for (Segment s : Lettering.strokes(text, Pt.of(at), height, middle[2], mirrored)) {
                all.add(Features.stroke(s, height / 8, ObjectAttributes.NONE));
            }
        }
    }
}
