package dev.lastcut.core.intake.roles;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.board.Correction;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.reading.Reading;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Silk drawn about parts at random, then scaled and moved by what is known. */
class SilkFitTest {
    private static final Role TOP = Role.of(Role.Kind.SILK, Side.TOP);

    private final List<PlacedPart> parts = new ArrayList<>();
    private final Random random = new Random(4);

    /** Parts in rows, none nearer to another than 9 mm. */
    private void parts(int count, Side side) {
        for (int i = 0; i < count; i++) {
            int row = parts.size() / 8;
            double x = 5 + 10 * (parts.size() % 8) + random.nextDouble();
            double y = 5 + 10 * row + random.nextDouble();
            parts.add(new PlacedPart("R" + i, "", "", Pt.mm(x, y), 0, side, 1));
        }
    }

    /** A body of two lines and, beside it, a letter, for every part of a side. */
    private String silk(Side side, double scale, double dx, double dy) {
        StringBuilder s = new StringBuilder("%FSLAX46Y46*%\n%MOMM*%\n%ADD10C,0.15*%\nD10*\n");
        for (PlacedPart p : parts) {
            double wide = 0.8 + random.nextDouble();
            double high = 0.7 + random.nextDouble() / 2;
            if (p.side() == side) {
                double[][] lines = {
                    {-wide, -high, wide, -high},
                    {-wide, high, wide, high},
                    {-0.4, 1.7, -0.4, 2.7},
                    {-0.4, 2.7, 0.3, 2.7},
                    {-0.4, 2.2, 0.2, 2.2}
                };
                for (double[] l : lines) {
                    for (int k = 0; k < 4; k += 2) {
                        double x = (p.at().x() / 1e6 + l[k]) * scale + dx;
                        double y = (p.at().y() / 1e6 + l[k + 1]) * scale + dy;
                        s.append(SmallBoard.at(x, y, k == 0 ? 2 : 1));
                    }
                }
            }
        }
        return s + "M02*\n";
    }

    private Optional<SilkFit.Found> find(String silk, Role role) {
        byte[] content = silk.getBytes(StandardCharsets.UTF_8);
        PackFacts facts = new PackFacts(Map.of("s", Reading.of("s", content)));
        facts.place(parts);
        SourceFile f = new SourceFile("s", role, "", 1, false);
        return Optional.ofNullable(SilkFit.find(facts, List.of(f)).get("s"));
    }

    @ParameterizedTest
    @CsvSource({
        "1.02, 0, 0",
        "0.975, 0, 0",
        "1, 1.5, 0",
        "1, -1.2, 2.1",
        "1.03, -0.9, -0.9",
        "0.96, 1.8, 1.2"
    })
    void theScaleAndTheShiftAreFound(double scale, double dx, double dy) {
        parts(48, Side.TOP);
        parts(20, Side.BOTTOM);
        SilkFit.Found found = find(silk(Side.TOP, scale, dx, dy), TOP).orElseThrow();
        Correction c = found.correction();
        assertThat(c.scale()).isCloseTo(1 / scale, within(0.003));
        for (PlacedPart p : parts.subList(0, 48)) {
            Pt drawn = Pt.mm(p.at().x() / 1e6 * scale + dx, p.at().y() / 1e6 * scale + dy);
            assertThat(c.apply(drawn).distance(p.at())).isLessThan(200_000);
        }
        assertThat(found.before()).isBetween(0.0, 0.4);
        assertThat(c.shift().equals(Pt.ORIGIN)).isEqualTo(dx == 0 && dy == 0);
    }

    @Test
    void whatLiesAboutItsPartsStays() {
        parts(40, Side.TOP);
        assertThat(find(silk(Side.TOP, 1, 0, 0), TOP)).isEmpty();
        assertThat(find(silk(Side.TOP, 1, 0.1, -0.1), TOP)).as("as outlines are drawn").isEmpty();
    }

    @Test
    void onlyPartsOfItsSideTellAndEightAtLeast() {
        parts(8, Side.TOP);
        parts(30, Side.BOTTOM);
        String moved = silk(Side.TOP, 1, 1.4, 1);
        assertThat(find(moved, TOP)).isPresent();
        assertThat(find(moved, TOP.across())).as("of the other side").isEmpty();
        assertThat(find(moved, Role.of(Role.Kind.COPPER, Side.TOP))).as("no silk").isEmpty();
        parts.remove(0);
        assertThat(find(moved, TOP)).as("seven").isEmpty();
    }
}
