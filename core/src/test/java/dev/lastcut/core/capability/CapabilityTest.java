package dev.lastcut.core.capability;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.milling.TestMills;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class CapabilityTest {
    /** 1 in = 25.4 mm exactly; 1 mil is a thousandth of it (international inch). */
    @ParameterizedTest
    @CsvSource({"0.1, mm, 100000", "4, mil, 101600", "0.016, in, 406400", "35, um, 35000"})
    void limitsInEveryUnit(double value, String unit, long nm) {
        assertThat(new Limit(value, unit, "", "").nm()).isEqualTo(nm);
    }

    @Test
    void impossibleNumbersAreRefused() {
        assertThatThrownBy(() -> new Limit(-1, "mm", "", ""))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Limit(Double.NaN, "mm", "", ""))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Limit(1, "ell", "", "")).hasMessageContaining("'ell'");
        assertThatThrownBy(() -> Headroom.ofPercent(-1))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> own(LimitKey.CLEARANCE, -1))
                .isInstanceOf(IllegalArgumentException.class);
    }

    private static Headroom own(LimitKey key, double nm) {
        return new Headroom(0, Map.of(key, nm), Map.of());
    }

    @Test
    void aNumberHasALengthOrAShareOfItsOwnNotBoth() {
        Headroom share = new Headroom(10, Map.of(), Map.of(LimitKey.CLEARANCE, 50.0));
        assertThat(share.apply(LimitKey.CLEARANCE, 100_000)).isEqualTo(150_000);
        assertThat(share.apply(LimitKey.TRACK_WIDTH, 100_000)).isEqualTo(110_000);
        assertThatThrownBy(
                        () ->
                                new Headroom(
                                        0,
                                        Map.of(LimitKey.CLEARANCE, 1.0),
                                        Map.of(LimitKey.CLEARANCE, 1.0)))
                .hasMessageContaining("one headroom per number");
        // A ratio of 8 at most with 25 % less is 6.
        assertThat(new Headroom(25, Map.of(), Map.of()).apply(LimitKey.ASPECT_RATIO, 8))
                .isEqualTo(6);
    }

    @Test
    void whatIsOrderedChangesTheNumbersItTouches() {
        CapabilitySheet plain =
                TestBoards.house(Map.of(LimitKey.TRACK_WIDTH, 0.15, LimitKey.MASK_DAM, 0.1));
        Limit wider = new Limit(8, "mil", "", "");
        Limit ring = new Limit(0.2, "mm", "", "");
        CapabilitySheet sheet =
                new CapabilitySheet(
                        "s",
                        "S",
                        CapabilitySheet.Kind.HOUSE,
                        "",
                        plain.limits(),
                        4,
                        true,
                        Map.of(OrderOption.COPPER_OUTER, List.of("1", "2")),
                        List.of(
                                new Variation(
                                        OrderOption.COPPER_OUTER,
                                        "2",
                                        Map.of(LimitKey.TRACK_WIDTH, wider)),
                                new Variation(
                                        OrderOption.LAYERS,
                                        "4",
                                        Map.of(LimitKey.ANNULAR_RING, ring))),
                        new Price("EUR", 0, 0, 0),
                        Optional.empty());
        Order heavy = Order.USUAL.with(OrderOption.COPPER_OUTER, "2");
        assertThat(sheet.limit(LimitKey.TRACK_WIDTH, Order.USUAL, 2).orElseThrow().nm())
                .isEqualTo(150_000);
        assertThat(sheet.limit(LimitKey.TRACK_WIDTH, heavy, 2).orElseThrow().nm())
                .isEqualTo(203_200);
        assertThat(sheet.limit(LimitKey.MASK_DAM, heavy, 2).orElseThrow().nm()).isEqualTo(100_000);
        assertThat(sheet.limit(LimitKey.ANNULAR_RING, heavy, 2)).isEmpty();
        assertThat(sheet.limit(LimitKey.ANNULAR_RING, heavy, 4).orElseThrow().nm())
                .isEqualTo(200_000);
        // What is not offered falls back to the usual, and is told.
        Order odd = Order.USUAL.with(OrderOption.COPPER_OUTER, "9");
        assertThat(sheet.value(OrderOption.COPPER_OUTER, odd)).contains("1");
        assertThat(sheet.notOffered(odd)).containsEntry(OrderOption.COPPER_OUTER, "9");
    }

    /** The habit: the house does 4 mil, the maker keeps 8 (common practice, no source). */
    @Test
    void headroomRaisesALeastAndLowersAMost() {
        assertThat(Headroom.ofPercent(100).apply(LimitKey.TRACK_WIDTH, 101_600)).isEqualTo(203_200);
        assertThat(Headroom.ofPercent(10).apply(LimitKey.HOLE_MAX, 6_000_000)).isEqualTo(5_400_000);
        Headroom own = new Headroom(10, Map.of(LimitKey.CLEARANCE, 50_000.0), Map.of());
        assertThat(own.apply(LimitKey.CLEARANCE, 150_000)).isEqualTo(200_000);
        assertThat(own.apply(LimitKey.TRACK_WIDTH, 150_000)).isEqualTo(165_000);
        assertThat(Headroom.NONE.apply(LimitKey.CLEARANCE, 150_000)).isEqualTo(150_000);
    }

    @ParameterizedTest
    @EnumSource(LimitKey.class)
    void everyKeyIsFoundByItsId(LimitKey key) {
        assertThat(LimitKey.parse(key.id())).contains(key);
        assertThat(key.title()).isNotBlank();
    }

    @Test
    void everyRoleIsFoundByItsId() {
        for (Role.Kind kind : Role.Kind.values()) {
            for (Side side : Side.values()) {
                Role sided = Role.of(kind, side);
                if (sided.isPicture() && kind != Role.Kind.OUTLINE) {
                    assertThat(Role.parse(sided.id())).contains(sided);
                }
            }
        }
        for (Role role :
                List.of(
                        Role.OUTLINE,
                        Role.PLATED_HOLES,
                        Role.NETLIST,
                        Role.UNKNOWN,
                        Role.innerCopper(2))) {
            assertThat(Role.parse(role.id())).contains(role);
        }
        assertThat(Role.parse("copper")).isEqualTo(Optional.empty());
        assertThat(Role.parse("copper-inner-0")).isEmpty();
        assertThat(Role.innerCopper(2).words()).isEqualTo("inner copper 2");
    }

    @Test
    void theRackFindsTheNearestDrillWithinItsTolerance() {
        Mill mill =
                TestMills.mill(
                        TestMills.drill(0.8),
                        TestMills.drill(1),
                        TestMills.flat(1),
                        TestMills.flat(2));
        assertThat(mill.drillFor(830_000)).map(Cutter::diameter).contains(800_000L);
        assertThat(mill.drillFor(951_000)).map(Cutter::diameter).contains(1_000_000L);
        assertThat(mill.drillFor(880_000)).isEmpty();
        assertThat(mill.nearestDrill(5_000_000)).map(Cutter::diameter).contains(1_000_000L);
        assertThat(mill.contourCutter()).map(Cutter::diameter).contains(2_000_000L);
        assertThat(mill.isolationTools())
                .extracting(Cutter::diameter)
                .containsExactly(2_000_000L, 1_000_000L);
    }
}
