package dev.lastcut.core.connectivity;

import dev.lastcut.core.geometry.EdgeIndex;
import dev.lastcut.core.geometry.Geo;
import java.util.List;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.operation.distance.IndexedFacetDistance;

/** The outline and the cut-outs of a board, to ask what lies near them. */
public final class BoardEdge {
    private final Geometry boundary;
    private final List<EdgeIndex> edges;
    private final IndexedFacetDistance index;

    private BoardEdge(Geometry area) {
        boundary = area.getBoundary();
        edges = Geo.polygons(area).stream().map(EdgeIndex::new).toList();
        index = new IndexedFacetDistance(boundary);
    }

    /** Of a board that has a closed outline. */
    public static BoardEdge of(BoardGeometry geometry) {
        return geometry.once(BoardEdge.class, () -> new BoardEdge(geometry.boardArea()));
    }

    /** The edge as lines. */
    public Geometry boundary() {
        return boundary;
    }

    /** Whether the edge may pass through a box; never false when it does. */
    public boolean mayCross(Envelope box) {
        return edges.stream().anyMatch(e -> e.mayCross(box));
    }

    public boolean isWithin(Geometry g, double distanceNm) {
        return index.isWithinDistance(g, distanceNm);
    }
}
