package dev.lastcut.core.intake.tables;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Envelope;

/** The habits of placement tables, each made from a board that is known to be right. */
class PlacementFitTest {
    private final List<NamedPads.Pad> pads = new ArrayList<>();
    private final List<PlacedPart> right = new ArrayList<>();

    PlacementFitTest() {
        Random r = new Random(3);
        for (int i = 0; i < 24; i++) {
            Side side = i % 3 == 0 ? Side.BOTTOM : Side.TOP;
            Pt at = Pt.mm(r.nextInt(700) / 10.0, r.nextInt(400) / 10.0);
            int turn = 90 * r.nextInt(4);
            String name = "U" + i;
            // Pin 1 lies left of the middle on top; from above, a bottom part is seen mirrored.
            double a = Math.toRadians(side == Side.TOP ? 180 + turn : 0 + turn);
            Pt arm = new Pt(Math.round(1e6 * Math.cos(a)), Math.round(1e6 * Math.sin(a)));
            pads.add(new NamedPads.Pad(name, "1", at.plus(arm)));
            pads.add(new NamedPads.Pad(name, "2", at.minus(arm)));
            right.add(new PlacedPart(name, "", "SO2", at, turn, side, i + 2));
        }
    }

    private void recovers(UnaryOperator<PlacedPart> habit, boolean unitStated, String said) {
        List<PlacedPart> written = right.stream().map(habit).toList();
        PlacementFit.Result fit =
                new PlacementFit(new NamedPads(pads)).fit(written, unitStated).orElseThrow();
        assertThat(String.join("; ", fit.done())).contains(said);
        for (int i = 0; i < right.size(); i++) {
            PlacedPart a = fit.parts().get(i);
            assertThat(a.at().distance(right.get(i).at())).isLessThan(20_000);
            assertThat((a.rotationDeg() + 360) % 360).isEqualTo(right.get(i).rotationDeg());
        }
    }

    private static PlacedPart with(PlacedPart p, Pt at, double turn) {
        return new PlacedPart(p.designator(), "", p.footprint(), at, turn, p.side(), p.line());
    }

    @Test
    void rightTablesStay() {
        PlacementFit.Result fit =
                new PlacementFit(new NamedPads(pads)).fit(right, false).orElseThrow();
        assertThat(fit.done()).isEmpty();
        assertThat(fit.parts()).isEqualTo(right);
    }

    @Test
    void anotherOrigin() {
        recovers(p -> with(p, p.at().plus(Pt.mm(-12.5, 40)), p.rotationDeg()), true, "origin");
    }

    @Test
    void milWrittenWithoutSayingSo() {
        recovers(
                p ->
                        with(
                                p,
                                new Pt(
                                        Math.round(p.at().x() / 0.0254),
                                        Math.round(p.at().y() / 0.0254)),
                                p.rotationDeg()),
                false,
                "scaled by 0.0254");
    }

    @Test
    void bottomSeenFromBelow() {
        recovers(
                p ->
                        p.side() == Side.TOP
                                ? p
                                : with(p, new Pt(-p.at().x(), p.at().y()), p.rotationDeg()),
                true,
                "seen from below");
    }

    @Test
    void bottomRotationsCountedFromBelow() {
        recovers(
                p -> p.side() == Side.TOP ? p : with(p, p.at(), (360 - p.rotationDeg()) % 360),
                true,
                "reversed");
    }

    /** Bare openings of parts on both sides: three pads or two each, as the parts truly lie. */
    static OpenPads openings(List<PlacedPart> parts) {
        List<OpenPads.Opening> all = new ArrayList<>();
        for (PlacedPart p : parts) {
            double[][] own =
                    p.footprint().equals("TRIO")
                            ? new double[][] {{-0.95, -1.1}, {0.95, -1.1}, {0, 1.1}}
                            : new double[][] {{-0.8, 0}, {0.8, 0}};
            for (double[] v : own) {
                double x = p.side() == Side.TOP ? v[0] : -v[0];
                double a = Math.toRadians(p.rotationDeg());
                Pt arm =
                        Pt.mm(
                                x * Math.cos(a) - v[1] * Math.sin(a),
                                x * Math.sin(a) + v[1] * Math.cos(a));
                all.add(new OpenPads.Opening(p.at().plus(arm), 600_000, 600_000));
            }
        }
        return new OpenPads(all, new Envelope(0, 60e6, 0, 40e6), 100);
    }

    /** Parts 5 mm apart, every third on the bottom, turned by quarters and now and then by 45°. */
    private static List<PlacedPart> spread(String... footprints) {
        List<PlacedPart> all = new ArrayList<>();
        Random r = new Random(11);
        for (int i = 0; i < 48; i++) {
            Pt at = Pt.mm(5 + 5 * (i % 8) + r.nextInt(9) / 10.0, 5 + 5 * (i / 8));
            double turn = i % 7 == 0 ? 45 : 90 * r.nextInt(4);
            all.add(
                    new PlacedPart(
                            "Q" + i,
                            "",
                            footprints[i % footprints.length],
                            at,
                            turn,
                            i % 3 == 0 ? Side.BOTTOM : Side.TOP,
                            i + 2));
        }
        return all;
    }

    private static PlacedPart reversed(PlacedPart p) {
        return p.side() == Side.TOP ? p : with(p, p.at(), (360 - p.rotationDeg()) % 360);
    }

    @Test
    void theShapeOfBarePadsTellsHowBottomAnglesCount() {
        List<PlacedPart> truly = spread("TRIO", "CHIP");
        PlacementFit fit = new PlacementFit(openings(truly));
        assertThat(fit.fit(truly, true).orElseThrow().parts()).isEqualTo(truly);
        List<PlacedPart> written = truly.stream().map(PlacementFitTest::reversed).toList();
        PlacementFit.Result found = fit.fit(written, true).orElseThrow();
        assertThat(String.join("; ", found.done())).contains("reversed");
        for (int i = 0; i < truly.size(); i++) {
            assertThat((found.parts().get(i).rotationDeg() + 360) % 360)
                    .isEqualTo(truly.get(i).rotationDeg());
        }
    }

    /** Two pads look alike after half a turn, so parts turned by quarters tell nothing. */
    @Test
    void padsThatLookAlikeTellNothingAndThatIsSaid() {
        List<PlacedPart> truly =
                spread("CHIP").stream()
                        .map(p -> with(p, p.at(), p.rotationDeg() == 45 ? 90 : p.rotationDeg()))
                        .toList();
        List<PlacedPart> written =
                truly.stream()
                        .map(
                                p ->
                                        p.side() == Side.TOP
                                                ? p
                                                : with(
                                                        p,
                                                        new Pt(60_000_000 - p.at().x(), p.at().y()),
                                                        p.rotationDeg()))
                        .toList();
        PlacementFit.Result found =
                new PlacementFit(openings(truly)).fit(written, true).orElseThrow();
        assertThat(String.join("; ", found.done())).contains("kept as written");
        for (int i = 0; i < truly.size(); i++) {
            assertThat(found.parts().get(i).at().distance(truly.get(i).at())).isLessThan(20_000);
            assertThat(found.parts().get(i).rotationDeg()).isEqualTo(truly.get(i).rotationDeg());
        }
    }

    @Test
    void withoutKnownPadsNothingIsClaimed() {
        assertThat(new PlacementFit(new NamedPads(List.of())).fit(right, false)).isEmpty();
    }

    private static Pt times(Pt p, double by) {
        return new Pt(Math.round(p.x() * by), Math.round(p.y() * by));
    }

    @Test
    void inchesMicrometresAndTheOtherWayRound() {
        recovers(p -> with(p, times(p.at(), 1 / 25.4), p.rotationDeg()), false, "scaled by 25.4");
        recovers(p -> with(p, times(p.at(), 25.4), p.rotationDeg()), false, "by 0.0393701");
        recovers(p -> with(p, times(p.at(), 1000), p.rotationDeg()), false, "scaled by 0.001");
    }

    /** A table that states its unit is not scaled, however few parts then lie on pads. */
    @Test
    void aStatedUnitStays() {
        List<PlacedPart> mil =
                right.stream().map(p -> with(p, times(p.at(), 40), p.rotationDeg())).toList();
        PlacementFit.Result fit =
                new PlacementFit(new NamedPads(pads)).fit(mil, true).orElseThrow();
        assertThat(fit.parts()).isEqualTo(mil);
        assertThat(fit.done()).isEmpty();
        assertThat(fit.share()).isLessThan(0.2);
    }

    /** The share is of the parts whose pads are known; what lies elsewhere stays. */
    @Test
    void theShareIsOfThePartsThatCanBeJudged() {
        List<PlacedPart> written = new ArrayList<>();
        for (int i = 0; i < right.size(); i++) {
            PlacedPart p = right.get(i);
            written.add(i % 4 == 0 ? with(p, p.at().plus(Pt.mm(9, 9)), p.rotationDeg()) : p);
        }
        written.add(new PlacedPart("X1", "", "", Pt.mm(1, 1), 0, Side.TOP, 99));
        PlacementFit.Result fit =
                new PlacementFit(new NamedPads(pads)).fit(written, true).orElseThrow();
        assertThat(fit.share()).isEqualTo(0.75);
        assertThat(fit.parts()).isEqualTo(written);
        assertThat(fit.done()).isEmpty();
    }

    @Test
    void fewPartsProveNothing() {
        PlacementFit fit = new PlacementFit(new NamedPads(pads));
        assertThat(fit.fit(right.subList(0, PlacementReference.FEWEST), false)).isPresent();
        assertThat(fit.fit(right.subList(0, PlacementReference.FEWEST - 1), false)).isEmpty();
    }

    /** One bottom part lies well with some origin always: only with the top's is it no chance. */
    @Test
    void aSingleBottomPartIsTurnedRoundOnlyAboutTheSameOrigin() {
        List<PlacedPart> one = new ArrayList<>();
        right.stream().filter(p -> p.side() == Side.TOP).forEach(one::add);
        PlacedPart below = right.get(3);
        PlacementFit fit = new PlacementFit(new NamedPads(pads));
        one.add(with(below, new Pt(-below.at().x(), below.at().y()), 180));
        PlacementFit.Result found = fit.fit(one, true).orElseThrow();
        assertThat(String.join("; ", found.done())).contains("seen from below");
        assertThat(found.parts().get(16).at()).isEqualTo(below.at());
        PlacedPart lost = with(below, Pt.mm(5, 77), 180);
        one.set(16, lost);
        assertThat(fit.fit(one, true).orElseThrow().parts().get(16)).isEqualTo(lost);
    }

    /** Two that count from below, and not more than as many again the other way. */
    @Test
    void bottomRotationsAreReversedOnlyWhereMostAskForIt() {
        List<PlacedPart> bottom =
                right.stream()
                        .filter(p -> p.side() == Side.BOTTOM && p.rotationDeg() % 180 != 0)
                        .toList();
        assertThat(bottom).hasSizeGreaterThanOrEqualTo(3);
        for (int wrong = 0; wrong <= bottom.size(); wrong++) {
            List<PlacedPart> some = bottom.subList(0, wrong);
            List<PlacedPart> written =
                    right.stream().map(p -> some.contains(p) ? reversed(p) : p).toList();
            PlacementFit.Result fit =
                    new PlacementFit(new NamedPads(pads)).fit(written, true).orElseThrow();
            boolean most = wrong >= 2 && wrong > 2 * (bottom.size() - wrong);
            assertThat(String.join("; ", fit.done()).contains("reversed")).isEqualTo(most);
        }
    }

    /** Many parts on one spot meet something there by chance. */
    @Test
    void aUnitThatShrinksAllOntoACornerIsNone() {
        List<PlacedPart> truly = spread("CHIP");
        PlacementFit fit = new PlacementFit(openings(truly));
        Pt spot = truly.get(1).at();
        List<PlacedPart> heap =
                truly.stream().map(p -> with(p, spot.plus(times(p.at(), 1e-4)), 0)).toList();
        PlacementFit.Result found = fit.fit(heap, false).orElseThrow();
        assertThat(found.done()).isEmpty();
        assertThat(found.parts()).isEqualTo(heap);
    }

    /** Where hardly any part is on top, those of the bottom tell the unit and the origin. */
    @Test
    void aTableOfBottomPartsAloneTellsToo() {
        List<PlacedPart> below = right.stream().filter(p -> p.side() == Side.BOTTOM).toList();
        List<PlacedPart> written =
                below.stream().map(p -> with(p, times(p.at(), 1 / 25.4), p.rotationDeg())).toList();
        PlacementFit.Result fit =
                new PlacementFit(new NamedPads(pads)).fit(written, false).orElseThrow();
        assertThat(fit.share()).isEqualTo(1);
        for (int i = 0; i < below.size(); i++) {
            assertThat(fit.parts().get(i).at().distance(below.get(i).at())).isLessThan(20_000);
        }
    }
}
