package dev.lastcut.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.MovedBoard;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.TruePack;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Where a board lies on its sheet, how it is turned and which side is up is no defect of it. */
class SameFindingsTest {
    /** Measures agree to a micrometre. */
    private static final double UNIT_MM = 0.001;

    /** A large pad is as far out at its other corner; which is named is open. */
    private static final double NEAR_NM = 4_000_000;

    /** Names one of the layers on which a ring is as narrow. */
    private static final String ANY_LAYER = "annular-ring";

    /** Measures an angle, which turns with the board. */
    private static final String ANGLE = "rotation-suspect";

    private static Board open(String name) throws Exception {
        return Intake.open(TruePack.of(name).pack());
    }

    /** What is said, without where: rule, severity, layers, nets and parts. */
    private static String what(Finding f, List<String> layers) {
        return f.rule() + " " + f.severity() + " " + layers + " " + f.nets() + " " + f.parts();
    }

    @ParameterizedTest
    @CsvSource({
        "p10_defects_copper, false, 0",
        "p10_defects_copper, false, 90",
        "p10_defects_copper, true, 0",
        "p12_defects_other, false, 90",
        "p12_defects_other, true, 180",
        "p04_terse_four, true, 0",
        "p11_defects_tables, false, 270"
    })
    void ofABoardMovedTurnedOrTurnedOver(String name, boolean over, double deg) throws Exception {
        Board as = open(name);
        // Turned over it has no placements; then the board it is held against has none either.
        Board was = over ? unplaced(as) : as;
        MovedBoard moved = new MovedBoard(was, new Orientation(over, deg, 1), Pt.mm(13.37, -41.29));
        List<Finding> before = Planted.all(was, Headroom.NONE).findings();
        List<Finding> left = new ArrayList<>(Planted.all(moved.board(), Headroom.NONE).findings());
        assertThat(before).isNotEmpty();
        for (Finding f : before) {
            List<String> layers =
                    f.layers().stream()
                            .map(l -> Role.parse(l).map(r -> moved.role(r).id()).orElse(l))
                            .toList();
            Finding same =
                    left.stream().filter(g -> isSame(f, g, layers, moved)).findFirst().orElse(null);
            assertThat(same).as("%s at %s: %s", what(f, layers), f.at(), f.message()).isNotNull();
            left.remove(same);
        }
        assertThat(left).extracting(Finding::message).isEmpty();
    }

    private static Board unplaced(Board b) {
        return new MovedBoard(b, new Orientation(true, 0, 1), Pt.ORIGIN).board();
    }

    private static boolean isSame(Finding f, Finding g, List<String> layers, MovedBoard moved) {
        return f.rule().equals(g.rule())
                && f.severity() == g.severity()
                && (f.rule().equals(ANY_LAYER)
                        || new TreeSet<>(layers).equals(new TreeSet<>(g.layers())))
                && named(f).equals(named(g))
                && f.parts().equals(g.parts())
                && (f.rule().equals(ANGLE) || Math.abs(f.measured() - g.measured()) <= UNIT_MM)
                && (f.everywhere() || isNear(moved.place(f.at()), g));
    }

    /** Nets without a name are counted from the top layer on. */
    private static Set<String> named(Finding f) {
        return f.nets().stream()
                .filter(n -> !n.matches("net \\d+"))
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /** At one of its places: of several alike another may be named first. */
    private static boolean isNear(Pt at, Finding g) {
        return g.at().distance(at) <= NEAR_NM
                || g.also().stream().anyMatch(m -> m.from().middle(m.to()).distance(at) <= NEAR_NM);
    }

    /** More headroom asks for more: what stops the board does so still. */
    @ParameterizedTest
    @ValueSource(strings = {"p10_defects_copper", "p12_defects_other"})
    void moreHeadroomRemovesNoFinding(String name) throws Exception {
        Board board = open(name);
        Set<String> before = stops(board, 0);
        assertThat(before).isNotEmpty();
        for (double percent : new double[] {10, 40}) {
            assertThat(stops(board, percent)).containsAll(before);
        }
    }

    /** Of places near each other one may be named for all, so they are not counted. */
    private static Set<String> stops(Board board, double percent) {
        return Planted.all(board, Headroom.ofPercent(percent)).findings().stream()
                .filter(f -> f.severity() == Severity.STOP)
                .map(f -> what(f, f.layers()))
                .collect(Collectors.toSet());
    }
}
