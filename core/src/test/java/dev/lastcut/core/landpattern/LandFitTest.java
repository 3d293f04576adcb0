package dev.lastcut.core.landpattern;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.landpattern.LandFit.Misfit;
import dev.lastcut.core.landpattern.LandFit.Pad;
import dev.lastcut.core.landpattern.PackageShape.Terminal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.locationtech.jts.geom.Envelope;

/**
 * Packages on the pads that are drawn for them, on either side and turned, and on pads that are
 * wrong in one way each.
 */
class LandFitTest {
    private static final List<String> PACKAGES =
            List.of(
                    "0201", "0402", "0603", "0805", "1206", "1210", "2512", "SOD123", "SOD323",
                    "SMA", "SMB", "SMC", "SOT23", "SOT23-5", "SOT23-6", "SOT223", "SOIC8", "SOIC14",
                    "SOIC16", "TSSOP8", "TSSOP14", "TSSOP16", "TSSOP20", "SSOP20", "MSOP8",
                    "MSOP10", "QFP32", "TQFP32", "TQFP44", "LQFP48", "LQFP64", "TQFP80", "LQFP100",
                    "DIP8", "DIP16", "DIP28", "HDR1X4", "HDR2X3");

    static Stream<String> packages() {
        return PACKAGES.stream();
    }

    static Stream<String> numbered() {
        return PACKAGES.stream().filter(p -> shape(p).numbered());
    }

    private static PackageShape shape(String name) {
        return PackageShapes.of(name).get(0);
    }

    /** How pads are drawn: moved apart by a factor, at an angle, seen from either side. */
    private record Drawn(double along, double across, double deg, boolean below, double hole) {
        static final Drawn RIGHT = new Drawn(1, 1, 0, false, 0);

        List<Pad> pads(PackageShape shape) {
            List<Pad> all = new ArrayList<>();
            for (Terminal t : shape.terminals()) {
                double a = Math.toRadians(deg);
                double x = t.x() * across;
                double y = t.y() * along;
                double rx = (x * Math.cos(a) - y * Math.sin(a)) * (below ? -1 : 1);
                double ry = x * Math.sin(a) + y * Math.cos(a);
                Pt at = new Pt(Math.round((30 + rx) * 1e6), Math.round((20 + ry) * 1e6));
                Envelope box = new Envelope(at.coordinate());
                boolean turned = Math.abs(Math.cos(a)) < 0.5;
                double w = (turned ? t.height() : t.width()) / 2 + 0.1;
                double h = (turned ? t.width() : t.height()) / 2 + 0.1;
                box.expandBy(w * 1e6, h * 1e6);
                double drilled =
                        shape.isLeaded() ? (hole > 0 ? hole : shape.leadMm() + 0.25) : hole;
                all.add(new Pad(t.number(), at, box, drilled));
            }
            return all;
        }
    }

    private static Optional<Misfit> fit(String part, List<Pad> pads, boolean below) {
        return LandFit.of(PackageShapes.of(part), pads, pin -> true, at -> false, below);
    }

    @ParameterizedTest
    @MethodSource("packages")
    void aPartFitsItsOwnPattern(String name) {
        for (double deg : new double[] {0, 90, 180, 270}) {
            for (boolean below : new boolean[] {false, true}) {
                List<Pad> pads = new Drawn(1, 1, deg, below, 0).pads(shape(name));
                assertThat(fit(name, pads, below)).as("%s at %s", name, deg).isEmpty();
            }
        }
    }

    /** A pin that goes nowhere has no name in a netlist; its pad is there all the same. */
    @Test
    void padsWithoutANameAreSeenAsCopper() {
        List<Pad> all = Drawn.RIGHT.pads(shape("SOIC8"));
        List<Pad> named = all.stream().filter(p -> !p.pin().equals("5")).toList();
        Pt fifth = all.get(4).at();
        assertThat(
                        LandFit.of(
                                PackageShapes.of("SOIC8"),
                                named,
                                pin -> true,
                                at -> at.distance(fifth) < 50_000,
                                false))
                .isEmpty();
        // Not every package comes with all of its pins.
        assertThat(LandFit.of(PackageShapes.of("SOIC8"), named, pin -> false, at -> false, false))
                .isEmpty();
        assertThat(fit("SOIC8", named, false))
                .hasValueSatisfying(m -> assertThat(m.off()).hasSize(1));
    }

    @ParameterizedTest
    @MethodSource("numbered")
    void aMirroredPatternIsFoundAndCalledSo(String name) {
        List<Pad> pads = Drawn.RIGHT.pads(shape(name).mirrored());
        Optional<Misfit> misfit = fit(name, pads, false);
        if (shape(name).terminals().stream().allMatch(t -> t.x() == 0)) {
            // One row is the same from below, turned by half.
            assertThat(misfit).isEmpty();
        } else if (!name.startsWith("HDR")) {
            assertThat(misfit).hasValueSatisfying(m -> assertThat(m.says()).contains("mirrored"));
        }
    }

    @ParameterizedTest
    @MethodSource("numbered")
    void anotherPitchIsFound(String name) {
        Optional<Misfit> misfit =
                fit(name, new Drawn(1.6, 1, 0, false, 0).pads(shape(name)), false);
        assertThat(misfit).as(name).isPresent();
    }

    @ParameterizedTest
    @CsvSource({
        "SOIC8, 1.5, rows",
        "TSSOP20, 1.4, rows",
        "DIP8, 1.6, rows",
        "SOT23-5, 2, rows",
        "LQFP48, 1.3, rows"
    })
    void rowsFartherApartAreFound(String name, double across, String says) {
        assertThat(fit(name, new Drawn(1, across, 0, false, 0).pads(shape(name)), false))
                .hasValueSatisfying(m -> assertThat(m.says()).contains(says));
    }

    @ParameterizedTest
    @CsvSource({
        "TSSOP8, SOIC8, pitch",
        "SOIC8, TSSOP8, pitch",
        "SOIC8, SOIC14, pads up to pin 14",
        "SOIC8, DIP8, have holes",
        "DIP8, SOIC8, no holes",
        "LQFP64, TQFP44, not on the pads",
        "1206, 0603, not on the pads",
        "SMA, SOD323, not on the pads"
    })
    void aPartOnThePatternOfAnother(String part, String board, String says) {
        Optional<Misfit> misfit = fit(part, Drawn.RIGHT.pads(shape(board)), false);
        assertThat(misfit).as("%s on %s", part, board).isPresent();
        if (!says.equals("not on the pads")) {
            assertThat(misfit.get().says()).contains(says);
        }
    }

    @ParameterizedTest
    @CsvSource({"DIP8, 0.5", "HDR1X4, 0.8", "HDR2X3, 0.9"})
    void aHoleNarrowerThanItsLead(String name, double hole) {
        assertThat(fit(name, new Drawn(1, 1, 0, false, hole).pads(shape(name)), false))
                .hasValueSatisfying(m -> assertThat(m.says()).contains("has leads of"));
    }
}
