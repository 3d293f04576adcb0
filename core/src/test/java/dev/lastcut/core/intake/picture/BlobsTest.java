package dev.lastcut.core.intake.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.LayerImage;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.algorithm.ConvexHull;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;

class BlobsTest {
    private static final Grid GRID = new Grid(0, 0, 40_000, 500, 500);

    private static List<Feature> features(TestBoards t) {
        return t.board().layer(Role.Kind.COPPER, Side.TOP).orElseThrow().features();
    }

    private static Blobs blobs(TestBoards t) {
        return new Blobs(Ink.of(features(t), GRID, false));
    }

    /** As many pieces as a general library's union has polygons, each of its area. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void piecesAreThoseOfTheUnion(long seed) {
        Random r = new Random(seed);
        TestBoards t = new TestBoards();
        for (int i = 0; i < 25; i++) {
            // On a lattice with lines along it: what touches, touches for certain.
            double x = 2 + 2 * r.nextInt(8);
            double y = 2 + 2 * r.nextInt(8);
            t.round(x, y, 1);
            if (r.nextBoolean()) {
                t.line(0.4, x, y, x + 2, y);
            }
        }
        var union = LayerImage.of(features(t), Flattener.FINE).area();
        Blobs blobs = blobs(t);
        assertThat(blobs.all()).hasSize(union.getNumGeometries());
        double pixels = blobs.all().stream().mapToLong(Blobs.Blob::area).sum() * 1.6e9;
        assertThat(pixels).isCloseTo(union.getArea(), within(0.02 * union.getArea()));
        for (Blobs.Blob b : blobs.all()) {
            Blobs.Patch own = blobs.patch(b);
            assertThat(own.area()).isEqualTo(b.area());
            assertThat(own.dark(Ink.of(features(t), GRID, false))).isEqualTo(b.area());
            double hull = hull(blobs, b).getArea();
            assertThat(blobs.solidity(b)).isCloseTo(b.area() / hull, within(1e-9));
        }
    }

    /** The convex hull of a piece's pixels, by a general library. */
    private static Geometry hull(Blobs blobs, Blobs.Blob b) {
        List<Coordinate> corners = new ArrayList<>();
        for (int row = b.bottom(); row <= b.top(); row++) {
            for (int column = b.left(); column <= b.right(); column++) {
                if (blobs.at(GRID.middle(column, row)) == b.number()) {
                    for (int k = 0; k < 4; k++) {
                        corners.add(new Coordinate(column + k % 2, row + k / 2));
                    }
                }
            }
        }
        return new ConvexHull(corners.toArray(Coordinate[]::new), new GeometryFactory())
                .getConvexHull();
    }

    @Test
    void placesKnowTheirPiece() {
        Blobs b = blobs(new TestBoards().round(5, 5, 1).round(9, 5, 1).line(0.3, 9, 5, 12, 8));
        assertThat(b.at(Pt.mm(5, 5))).isNotEqualTo(b.at(Pt.mm(9, 5)));
        assertThat(b.at(Pt.mm(9, 5))).isEqualTo(b.at(Pt.mm(12, 8)));
        assertThat(b.at(Pt.mm(7, 5))).isEqualTo(-1);
        assertThat(b.at(Pt.mm(-7, 5))).isEqualTo(-1);
    }

    @Test
    void aRimLiesRoundAPieceAndNotInIt() {
        TestBoards t = new TestBoards().box(10, 10, 2, 1, 0);
        Blobs b = blobs(t);
        Blobs.Patch rim = b.rim(b.all().get(0), 3);
        assertThat(rim.dark(Ink.of(features(t), GRID, false))).isZero();
        // A box of 50 × 25 pixels, three more on every side.
        assertThat(rim.area()).isEqualTo(56 * 31 - 50 * 25);
    }

    @Test
    void solidityTellsPadsFromLetters() {
        for (double turn : new double[] {0, 30, 45}) {
            Blobs pad = blobs(new TestBoards().box(10, 10, 3, 1, turn));
            assertThat(pad.solidity(pad.all().get(0))).isGreaterThan(0.86);
        }
        Blobs letter =
                blobs(
                        new TestBoards()
                                .line(0.2, 5, 5, 5, 8)
                                .line(0.2, 5, 5, 7, 5)
                                .line(0.2, 5, 8, 7, 8));
        assertThat(letter.all()).hasSize(1);
        assertThat(letter.solidity(letter.all().get(0))).isLessThan(0.5);
    }
}
