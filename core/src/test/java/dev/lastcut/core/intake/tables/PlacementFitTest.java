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

    @Test
    void withoutKnownPadsNothingIsClaimed() {
        assertThat(new PlacementFit(new NamedPads(List.of())).fit(right, false)).isEmpty();
    }
}
