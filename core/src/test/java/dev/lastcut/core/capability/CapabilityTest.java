package dev.lastcut.core.capability;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
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
        assertThatThrownBy(() -> new Headroom(-1, Map.of()))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Headroom(0, Map.of(LimitKey.CLEARANCE, -1L)))
                .isInstanceOf(IllegalArgumentException.class);
    }

    /** The habit: the house does 4 mil, the maker keeps 8 (common practice, no source). */
    @Test
    void headroomRaisesALeastAndLowersAMost() {
        assertThat(new Headroom(100, Map.of()).apply(LimitKey.TRACK_WIDTH, 101_600))
                .isEqualTo(203_200);
        assertThat(new Headroom(10, Map.of()).apply(LimitKey.HOLE_MAX, 6_000_000))
                .isEqualTo(5_400_000);
        Headroom own = new Headroom(10, Map.of(LimitKey.CLEARANCE, 50_000L));
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
                new Mill(
                        List.of(drill(800_000), drill(1_000_000), flat(1_000_000), flat(2_000_000)),
                        1_600_000,
                        2_000_000,
                        50_000,
                        100_000,
                        1,
                        0,
                        200_000,
                        4,
                        2_000_000,
                        500_000,
                        1200);
        assertThat(mill.drillFor(830_000)).map(Cutter::diameter).contains(800_000L);
        assertThat(mill.drillFor(951_000)).map(Cutter::diameter).contains(1_000_000L);
        assertThat(mill.drillFor(880_000)).isEmpty();
        assertThat(mill.nearestDrill(5_000_000)).map(Cutter::diameter).contains(1_000_000L);
        assertThat(mill.contourCutter()).map(Cutter::diameter).contains(2_000_000L);
        assertThat(mill.isolationCutter()).isEmpty();
    }

    private static Cutter drill(long d) {
        return new Cutter("d" + d, "drill", Cutter.Kind.DRILL, 0, 0, d, 100, 90, 12_000, 1_000_000);
    }

    private static Cutter flat(long d) {
        return new Cutter("f" + d, "flat", Cutter.Kind.FLAT, 0, 0, d, 100, 90, 12_000, 500_000);
    }
}
