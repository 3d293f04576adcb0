package dev.lastcut.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Geometry;

/** The router that draws the demo boards: what it lays down joins, and keeps its distance. */
class RouterTest {
    private static final Footprint PAIR = Footprint.chip("R0603", 1.6, 0.8, 0.9);
    private static final Footprint PIN = Footprint.header("HDR1X1", 1, 1, 2.54, 1.7, 1.0);

    private static Design crossing(int layers) {
        Design d = new Design("test", 20, 20, 1, layers);
        d.part("J1", "a", PIN, 3, 10, 0, "A");
        d.part("J2", "b", PIN, 17, 10, 0, "A");
        d.part("J3", "c", PIN, 10, 3, 0, "B");
        d.part("J4", "d", PIN, 10, 17, 0, "B");
        return d;
    }

    private static void holdsItsRules(Design d) {
        for (Copper a : d.copper) {
            for (Copper b : d.copper) {
                boolean layer = a.layer() < 0 || b.layer() < 0 || a.layer() == b.layer();
                if (layer && !a.net().equals(b.net())) {
                    assertThat(a.shape().distance(b.shape()))
                            .as("%s and %s", a, b)
                            .isGreaterThan(Length.mm(d.gap) - 1_000);
                }
            }
        }
    }

    private static int pieces(Design d, String net, int layer) {
        List<Geometry> shapes = new ArrayList<>();
        d.copper.stream()
                .filter(
                        c ->
                                c.net().equals(net)
                                        && (layer < 0 || c.layer() < 0 || c.layer() == layer))
                .forEach(c -> shapes.add(c.shape()));
        return Geo.polygons(Geo.union(shapes)).size();
    }

    @Test
    void crossingNetsAreRoutedOverTwoLayers() {
        Design d = crossing(2);
        new Router(d).run();
        assertThat(pieces(d, "A", -1)).isEqualTo(1);
        assertThat(pieces(d, "B", -1)).isEqualTo(1);
        holdsItsRules(d);
    }

    @Test
    void onOneLayerARoundaboutWayIsFound() {
        Design d = crossing(1);
        new Router(d).run();
        assertThat(pieces(d, "A", 1)).isEqualTo(1);
        assertThat(pieces(d, "B", 1)).isEqualTo(1);
        assertThat(d.copper).noneMatch(c -> c instanceof Copper.Via);
        holdsItsRules(d);
    }

    @Test
    void surfaceMountPadsOfThePourGetAVia() {
        Design d = new Design("test", 20, 20, 1, 2);
        d.pourNet = "GND";
        d.part("R1", "1k", PAIR, 10, 10, 0, "GND", "A");
        d.part("R2", "1k", PAIR, 5, 5, 1, "A", "GND");
        new Router(d).run();
        assertThat(d.copper.stream().filter(c -> c instanceof Copper.Via && c.net().equals("GND")))
                .hasSize(2);
        holdsItsRules(d);
        Geometry board = Geo.rectangle(0, 0, Length.mm(20), Length.mm(20));
        List<org.locationtech.jts.geom.Polygon> pour = Pour.fill(d, 0, board);
        assertThat(pour).isNotEmpty();
        for (Copper c : d.copper) {
            if (c.net().equals("A") && c.layer() <= 0) {
                assertThat(Geo.union(pour).distance(c.shape())).isGreaterThan(Length.mm(0.24));
            }
        }
        // Spokes, not a solid joint: the pad's corners stay free of the pour.
        assertThat(Geo.union(pour).contains(Geo.point(Pt.mm(9.2 + 0.55, 10 + 0.6)))).isFalse();
    }

    @Test
    void whatCannotBeJoinedIsSaid() {
        Design d = crossing(2);
        // A wall of bare slots round one pin.
        for (double[] w : new double[][] {{1, 8, 5, 8}, {1, 12, 5, 12}, {5, 8, 5, 12}}) {
            d.bare.add(new Design.Bare(Pt.mm(w[0], w[1]), Pt.mm(w[2], w[3]), Length.mm(0.8)));
        }
        assertThatThrownBy(() -> new Router(d).run()).hasMessageContaining("no way for A");
    }

    @Test
    void everyGlyphOfTheFontHasStrokes() {
        for (char c : "ABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789+-./".toCharArray()) {
            List<double[]> lines = StrokeFont.lines(String.valueOf(c), 0, 0, 6);
            assertThat(lines).as("%s", c).isNotEmpty();
            for (double[] l : lines) {
                assertThat(Math.min(l[0], l[2])).isBetween(0.0, 4.0);
                assertThat(Math.max(l[1], l[3])).isBetween(0.0, 6.0);
            }
        }
        assertThat(StrokeFont.width("AB", 6)).isEqualTo(9.6);
    }
}
