package dev.lastcut.core.designrules;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

/** Rules of several shops: what all of them can. */
class DesignRulesTest {
    private static final CapabilitySheet FINE =
            TestBoards.house(
                    Map.of(
                            LimitKey.TRACK_WIDTH, 0.1,
                            LimitKey.CLEARANCE, 0.2,
                            LimitKey.HOLE_MIN, 0.3,
                            LimitKey.ANNULAR_RING, 0.15,
                            LimitKey.BOARD_WIDTH_MAX, 100.0));
    private static final CapabilitySheet COARSE =
            TestBoards.house(
                    Map.of(
                            LimitKey.TRACK_WIDTH, 0.2,
                            LimitKey.CLEARANCE, 0.15,
                            LimitKey.BOARD_WIDTH_MAX, 80.0));

    private static String number(DesignRules rules, String id) {
        return rules.rules().stream()
                .filter(r -> r.id().equals(id))
                .findFirst()
                .orElseThrow()
                .words();
    }

    @Test
    void eachNumberIsTheMostDemandingOne() {
        DesignRules both =
                DesignRules.of(List.of(FINE, COARSE), Order.USUAL, Headroom.ofPercent(10), 2);
        assertThat(number(both, "track-width")).isEqualTo("0.220 mm");
        assertThat(number(both, "clearance")).isEqualTo("0.220 mm");
        assertThat(number(both, "board-width-max")).isEqualTo("72.000 mm");
        // 0.33 and twice 0.165.
        assertThat(number(both, "via-pad")).isEqualTo("0.660 mm");
        assertThat(both.text()).contains("hole-min").contains("not stated by Test house");
    }

    /** A board drawn to the very rules has no finding of copper at either shop. */
    @Test
    void aBoardDrawnByThemPassesAtEachShop() {
        DesignRules both = DesignRules.of(List.of(FINE, COARSE), Order.USUAL, Headroom.NONE, 2);
        double track = both.rules().get(0).amount() / 1e6;
        double gap = both.rules().get(1).amount() / 1e6;
        TestBoards t = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        t.line(track, 5, 5, 25, 5).line(track, 5, 5 + track + gap, 25, 5 + track + gap);
        t.on(Role.Kind.COPPER, Side.BOTTOM).line(track, 5, 5, 25, 5);
        BoardGeometry board = new BoardGeometry(t.outline(0, 0, 30, 20).board());
        for (CapabilitySheet s : List.of(FINE, COARSE)) {
            assertThat(CheckRunner.run(new CheckContext(board, s, Headroom.NONE)).findings())
                    .noneMatch(f -> f.rule().matches("track-width|clearance"));
        }
    }

    @Test
    void thePageSaysTheSame() throws Exception {
        DesignRules one = DesignRules.of(List.of(FINE), Order.USUAL, Headroom.NONE, 2);
        try (var pdf = Loader.loadPDF(DesignRulesPage.pdf(one))) {
            String text = new PDFTextStripper().getText(pdf);
            one.rules().forEach(r -> assertThat(text).contains(r.title()).contains(r.words()));
        }
    }

    @Test
    void layersThatAShopDoesNotMakeAreRefused() {
        assertThatThrownBy(() -> DesignRules.of(List.of(), Order.USUAL, Headroom.NONE, 2))
                .hasMessageContaining("at least one shop");
        assertThatThrownBy(() -> DesignRules.of(List.of(FINE), Order.USUAL, Headroom.NONE, 65))
                .hasMessageContaining("copper layers at most");
    }
}
