package dev.lastcut.core.report;

import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;

/**
 * What is to be seen about the place of a finding: its layers in their inks, holes, the edge, and
 * the two points that were measured.
 *
 * @param window nm, 4 wide to 3 high
 */
record FindingPicture(
        Envelope window,
        List<Film> films,
        List<Geometry> holes,
        Geometry edge,
        Measure caliper,
        List<Measure> also) {
    private static final double LEAST_WIDTH_NM = 2_400_000;
    private static final double MARGIN = 5;

    /** The nearest holes that are drawn. */
    private static final int MOST_HOLES = 300;

    /** A layer's picture within the window. */
    record Film(Role role, int[] ink, Geometry shape) {}

    static FindingPicture of(BoardGeometry geometry, Finding f) {
        Envelope window = window(f);
        List<Film> films = new ArrayList<>();
        for (Role role : roles(geometry, f)) {
            List<Geometry> near = new ArrayList<>();
            for (int i : geometry.index(role).near(window)) {
                Piece p = geometry.index(role).pieces().get(i);
                Geo.eachPolygon(Geo.clip(p.polygon(), window), near::add);
            }
            if (!near.isEmpty()) {
                films.add(new Film(role, Inks.of(role), Geo.union(near)));
            }
        }
        List<Geometry> holes = new ArrayList<>();
        geometry.holes().near(window).stream()
                .map(geometry.board().holes()::get)
                .sorted(Comparator.comparingDouble(h -> h.middle().distance(f.at())))
                .limit(MOST_HOLES)
                .forEach(h -> holes.add(h.shape(Flattener.SCREEN)));
        Geometry edge = geometry.boardArea().getBoundary().intersection(Geo.rectangle(window));
        List<Measure> also =
                f.also().stream()
                        .filter(m -> m.nm() > 0 && window.intersects(m.middle().coordinate()))
                        .toList();
        return new FindingPicture(
                window, films, holes, edge, new Measure(f.from(), f.to(), 0), also);
    }

    private static Envelope window(Finding f) {
        Envelope e = new Envelope(f.from().coordinate(), f.to().coordinate());
        double width =
                Math.max(LEAST_WIDTH_NM, MARGIN * Math.max(e.getWidth(), e.getHeight() * 4 / 3));
        // A long measure, such as the width of the board, needs no margin of its own.
        width = Math.min(width, Math.max(60_000_000, 1.2 * e.getWidth()));
        Pt at = f.at();
        return new Envelope(
                at.x() - width / 2,
                at.x() + width / 2,
                at.y() - width * 0.375,
                at.y() + width * 0.375);
    }

    /** The pictures the finding names; for holes and outlines, copper below them to go by. */
    private static Set<Role> roles(BoardGeometry geometry, Finding f) {
        Set<Role> roles = new LinkedHashSet<>();
        for (String id : f.layers()) {
            Optional<Role> role = Role.parse(id);
            role.filter(r -> r.isPicture() && r.kind() != Role.Kind.OUTLINE).ifPresent(roles::add);
        }
        boolean below = roles.stream().anyMatch(r -> r.side().equals(Optional.of(Side.BOTTOM)));
        Role copper = Role.of(Role.Kind.COPPER, below ? Side.BOTTOM : Side.TOP);
        if (roles.stream().noneMatch(Role::isCopper)
                && geometry.board().layer(copper).isPresent()) {
            Set<Role> all = new LinkedHashSet<>(List.of(copper));
            all.addAll(roles);
            return all;
        }
        if (roles.isEmpty()) {
            geometry.board().copper().stream().map(Layer::role).limit(1).forEach(roles::add);
        }
        return roles;
    }
}
