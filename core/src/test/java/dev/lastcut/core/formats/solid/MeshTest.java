package dev.lastcut.core.formats.solid;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.PrecisionModel;
import org.locationtech.jts.precision.GeometryPrecisionReducer;

/** Random plates with hundreds of holes, so that they are cut into many strips. */
class MeshTest {
    private static final Flattener COARSE = new Flattener(4_000);

    private static Geometry plate(long seed) {
        Random r = new Random(seed);
        List<Coordinate> ring = new ArrayList<>();
        for (int i = 0; i < 90; i++) {
            double a = 2 * Math.PI * i / 90;
            double radius = 40e6 + 20e6 * r.nextDouble();
            ring.add(new Coordinate(radius * Math.cos(a), radius * Math.sin(a)));
        }
        ring.add(ring.get(0).copy());
        Polygon outer = Geo.FACTORY.createPolygon(ring.toArray(Coordinate[]::new));
        List<Geometry> holes = new ArrayList<>();
        for (int i = 0; i < 300; i++) {
            holes.add(
                    COARSE.disc(
                            (r.nextDouble() - 0.5) * 100e6,
                            (r.nextDouble() - 0.5) * 100e6,
                            0.2e6 + 1.5e6 * r.nextDouble()));
        }
        return GeometryPrecisionReducer.reduce(
                Geo.difference(outer, Geo.union(holes)), new PrecisionModel(1e-3));
    }

    private record Edge(List<Double> from, List<Double> to) {}

    @Test
    void anyPlateIsClosedAndHasTheVolumeOfItsArea() {
        for (long seed = 0; seed < 12; seed++) {
            Geometry plate = plate(seed);
            Mesh mesh = new Mesh();
            Geo.eachPolygon(plate, p -> mesh.prism(p, -1e6, 0.6e6));
            assertThat(mesh.volume())
                    .isCloseTo(plate.getArea() * 1.6e6, within(plate.getArea() * 1.6));
            Map<Edge, Integer> edges = new HashMap<>();
            for (double[] t : mesh.triangles()) {
                for (int k = 0; k < 3; k++) {
                    int n = (k + 1) % 3;
                    edges.merge(
                            new Edge(
                                    List.of(t[3 * k], t[3 * k + 1], t[3 * k + 2]),
                                    List.of(t[3 * n], t[3 * n + 1], t[3 * n + 2])),
                            1,
                            Integer::sum);
                }
            }
            assertThat(edges)
                    .allSatisfy(
                            (e, count) ->
                                    assertThat(edges.get(new Edge(e.to, e.from))).isEqualTo(count));
        }
    }
}
