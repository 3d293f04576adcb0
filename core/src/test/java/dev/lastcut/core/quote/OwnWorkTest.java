package dev.lastcut.core.quote;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.capability.Price;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.milling.MillingPlan;
import dev.lastcut.core.milling.Program;
import dev.lastcut.core.milling.ProgramWriter;
import dev.lastcut.core.milling.TestMills;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Work of one's own, against the written programs. */
class OwnWorkTest {
    private static final Mill MILL = TestMills.mill(TestMills.flat(0.2), TestMills.flat(2));

    private static CapabilitySheet mill() {
        Price price =
                new Price(
                        "EUR", 0, 0.03, 0, List.of(), List.of(), List.of(), List.of(), List.of(), 0,
                        0.5);
        return new CapabilitySheet(
                "mill",
                "Mill",
                CapabilitySheet.Kind.MILL,
                "",
                Map.of(),
                2,
                false,
                Map.of(),
                List.of(),
                price,
                Optional.of(MILL));
    }

    private static BoardGeometry board() {
        return new BoardGeometry(
                new TestBoards()
                        .on(Role.Kind.COPPER, Side.BOTTOM)
                        .box(10, 10, 3, 2, 0)
                        .box(20, 10, 3, 2, 30)
                        .outline(0, 0, 30, 20)
                        .board());
    }

    /** The metres of feed moves below the stock's top, read off the programs' own lines. */
    private static double metres(MillingPlan plan) {
        Pattern word = Pattern.compile("([GXYZ])(-?[\\d.]+)");
        double sum = 0;
        for (Program p : plan.programs()) {
            double x = 0;
            double y = 0;
            double z = 1;
            String text = new String(ProgramWriter.write(p, MILL), StandardCharsets.US_ASCII);
            for (String line : text.replaceAll("\\([^)]*\\)", "").split("\\R")) {
                double toX = x;
                double toY = y;
                double toZ = z;
                Matcher m = word.matcher(line);
                while (m.find()) {
                    double v = Double.parseDouble(m.group(2));
                    switch (m.group(1)) {
                        case "X" -> toX = v;
                        case "Y" -> toY = v;
                        case "Z" -> toZ = v;
                        default -> {}
                    }
                }
                sum += z < 0 && toZ < 0 ? Math.hypot(toX - x, toY - y) : 0;
                x = toX;
                y = toY;
                z = toZ;
            }
        }
        return sum / 1000;
    }

    @Test
    void metresWearAndMinutesAreThoseOfThePrograms() {
        MillingPlan plan = MillingPlan.of(board(), MILL, MillSetup.USUAL);
        OwnWork w = OwnWork.of(board(), mill(), MillSetup.USUAL);
        // About 100 mm of contour and twice 10 mm round pads, at the least.
        assertThat(w.cutMetres()).isGreaterThan(0.12).isCloseTo(metres(plan), within(0.01));
        assertThat(w.wear()).isEqualTo(w.cutMetres() * 0.5);
        double minutes = plan.programs().stream().mapToDouble(Program::minutes).sum();
        assertThat(w.machineMinutes()).isCloseTo(minutes, within(1e-9));
        assertThat(w.minutes())
                .isCloseTo(
                        minutes + w.toolChanges() * MILL.controller().toolChangeMinutes(),
                        within(1e-9));
        assertThat(w.lacks()).contains("solder mask", "plated holes");
        assertThat(OwnWork.of(board(), TestBoards.house(Map.of()), MillSetup.USUAL))
                .isEqualTo(OwnWork.NONE);
    }
}
