package dev.lastcut.core.assembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.assembly.PartBodies.Body;
import dev.lastcut.core.assembly.PartBodies.Source;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.catalogue.Shelf;
import dev.lastcut.core.connectivity.BoardGeometry;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Envelope;

/**
 * Sizes are the nominal ones of JEDEC and EIA, from memory; where a body lies is worked by hand.
 */
class PartBodiesTest {
    private static Body body(TestBoards t, PartsPlan plan) {
        List<Body> all = PartBodies.of(new BoardGeometry(t.outline(0, 0, 60, 60).board()), plan);
        assertThat(all).hasSize(1);
        return all.get(0);
    }

    /** Pads of a dual row package, rows along y at 0°, turned and put at (20, 20). */
    private static TestBoards dual(int each, double pitch, double span, int degrees) {
        TestBoards t = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        double a = Math.toRadians(degrees);
        for (int i = 0; i < 2 * each; i++) {
            double u = i < each ? -span / 2 : span / 2;
            double v = (i % each - (each - 1) / 2.0) * pitch;
            double x = 20 + u * Math.cos(a) - v * Math.sin(a);
            double y = 20 + u * Math.sin(a) + v * Math.cos(a);
            t.box(x, y, 0.5, 0.5, 0).pin("N" + i, "U1", String.valueOf(i + 1), x, y);
        }
        return t;
    }

    private static void box(Body b, double w, double h) {
        Envelope e = b.outline().getEnvelopeInternal();
        assertThat(e.getWidth() / 1e6).isCloseTo(w, within(1e-3));
        assertThat(e.getHeight() / 1e6).isCloseTo(h, within(1e-3));
        assertThat(e.centre().x / 1e6).isCloseTo(20, within(1e-3));
        assertThat(e.centre().y / 1e6).isCloseTo(20, within(1e-3));
    }

    @Test
    void aBodyIsLongAlongItsRowsHoweverItIsTurned() {
        for (int degrees : new int[] {0, 90, 180, 270}) {
            boolean across = degrees % 180 != 0;
            Body soic =
                    body(
                            dual(4, 1.27, 5.4, degrees)
                                    .placed("U1,A,SOIC-8,20,20," + degrees + ",top"),
                            PartsPlan.NONE);
            box(soic, across ? 4.9 : 3.9, across ? 3.9 : 4.9);
            assertThat(soic.source()).isEqualTo(Source.PACKAGE);
            assertThat(soic.isKnown()).isTrue();
            assertThat(soic.heightNm()).isEqualTo(1_600_000);
        }
    }

    @Test
    void aSlantedBodyKeepsItsSize() {
        Body b = body(dual(4, 1.27, 5.4, 30).placed("U1,A,SO8,20,20,30,top"), PartsPlan.NONE);
        assertThat(b.outline().getArea() / 1e12).isCloseTo(3.9 * 4.9, within(1e-6));
        // Long along y turned by 30°: the corner farthest right is worked by hand.
        double right = 3.9 / 2 * Math.cos(Math.PI / 6) + 4.9 / 2 * Math.sin(Math.PI / 6);
        assertThat(b.outline().getEnvelopeInternal().getMaxX() / 1e6)
                .isCloseTo(20 + right, within(1e-4));
    }

    @Test
    void whatTheCounterStatesGoesBeforeThePackage() {
        CataloguePart wide = Shelf.part("W", "SOIC8").body(5, 4.2, 2.1).get();
        CataloguePart other = Shelf.part("W", "SOT23").body(1, 1, 1).get();
        TestBoards t = dual(4, 1.27, 5.4, 0).listed("U1,A,SO8,W").placed("U1,A,SO8,20,20,0,top");
        Body stated = body(t, PartsPlan.NONE.knowing(Map.of("W", wide)));
        assertThat(stated.source()).isEqualTo(Source.STATED);
        box(stated, 4.2, 5);
        t = dual(4, 1.27, 5.4, 0).listed("U1,A,SO8,W").placed("U1,A,SO8,20,20,0,top");
        // A part in another package says nothing of what stands there.
        assertThat(body(t, PartsPlan.NONE.knowing(Map.of("W", other))).source())
                .isEqualTo(Source.PACKAGE);
    }

    @Test
    void aPartPlacedByItsFirstPinStandsAboutItsPads() {
        CataloguePart header = Shelf.part("H", "HDR1X4").body(10.16, 2.54, 8.5).get();
        TestBoards t = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        for (int i = 0; i < 4; i++) {
            double x = 20 - 3.81 + 2.54 * i;
            t.round(x, 20, 1.7).lead("N" + i, "J1", String.valueOf(i + 1), x, 20);
        }
        Body b =
                body(
                        t.listed("J1,x,HDR1X4,H").placed("J1,x,HDR1X4,16.19,20,0,top"),
                        PartsPlan.NONE.knowing(Map.of("H", header)));
        box(b, 10.16, 2.54);
    }

    @Test
    void withoutASizeTheBoxIsThatOfThePads() {
        Body b = body(dual(3, 2, 6, 0).placed("U1,A,WHATEVER,20,20,0,top"), PartsPlan.NONE);
        assertThat(b.source()).isEqualTo(Source.PADS);
        assertThat(b.isKnown()).isFalse();
        box(b, 6.5, 4.5);
    }
}
