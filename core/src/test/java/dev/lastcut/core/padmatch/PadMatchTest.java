package dev.lastcut.core.padmatch;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.LongRun;
import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.assembly.Variants;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.PartPins;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.TruePack;
import dev.lastcut.core.padmatch.PartPad.Certainty;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Pads told by the package, against the netlist of boards that have one, which it does not see. */
class PadMatchTest {
    private static List<String> packs() {
        return LongRun.is()
                ? Stream.concat(TruePack.NAMES.stream(), TruePack.OTHER_HANDS.stream()).toList()
                : List.of("p01_extensions_inch", "p02_extensions_macros", "p08_joined_netlist");
    }

    @Test
    void padsOfPackagesAreThoseOfTheNetlist() throws Exception {
        int right = 0;
        int wrong = 0;
        int open = 0;
        int none = 0;
        StringBuilder which = new StringBuilder();
        for (String name : packs()) {
            BoardGeometry g = new BoardGeometry(Intake.open(TruePack.of(name).pack()));
            PadMatch match = PadMatch.of(g);
            PartPins pins = PartPins.of(g);
            for (Part p : Population.of(g.board(), Variants.NONE)) {
                List<Netlist.Point> true_ = pins.of(p.designator());
                if (true_.isEmpty() || p.placed().isEmpty()) {
                    continue;
                }
                List<PartPad> found =
                        match.byPackage(p.placed().get(), PadMatch.shapes(p.packageName()));
                if (found.isEmpty()) {
                    none++;
                    which.append(" none:")
                            .append(name, 0, 3)
                            .append(p.designator())
                            .append(p.packageName());
                    continue;
                }
                for (PartPad pad : found) {
                    boolean there =
                            true_.stream()
                                    .anyMatch(
                                            t ->
                                                    t.pin().equals(pad.pin())
                                                            && t.at().distance(pad.at()) < 3e5);
                    if (pad.certainty() == Certainty.OPEN) {
                        open++;
                    } else if (there) {
                        right++;
                    } else {
                        wrong++;
                        which.append(' ')
                                .append(name, 0, 3)
                                .append(p.designator())
                                .append(p.packageName());
                    }
                }
            }
        }
        System.out.printf(
                "Pads told by their package: %d right, %d wrong, %d open; %d parts without%s%n",
                right, wrong, open, none, which);
        assertThat((double) wrong).isLessThanOrEqualTo(0.02 * right);
    }
}
