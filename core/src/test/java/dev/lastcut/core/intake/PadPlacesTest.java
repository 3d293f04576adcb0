package dev.lastcut.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.reading.Reading;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** The middles of pads and holes, by which files are laid on each other. */
class PadPlacesTest {
    private static List<Pt> of(TestBoards t) {
        List<Feature> drawn = t.board().layer(Role.Kind.COPPER, Side.TOP).orElseThrow().features();
        return PadPlaces.of(drawn);
    }

    @Test
    void flashesAndSmallAreasArePlacesAndLinesAndLargeAreasAreNot() {
        assertThat(of(new TestBoards().round(1, 2, 9))).containsExactly(Pt.mm(1, 2));
        assertThat(of(new TestBoards().line(1, 0, 0, 1, 0))).isEmpty();
        assertThat(of(new TestBoards().area(1, 1, 4, 1, 4, 3, 1, 3)))
                .containsExactly(Pt.mm(2.5, 2));
        assertThat(of(new TestBoards().area(0, 0, 12, 0, 12, 1))).isEmpty();
        assertThat(of(new TestBoards().area(0, 0, 1, 0, 1, 12))).isEmpty();
    }

    @Test
    void ofAllFilesThatHavePadsOrHoles() {
        String gerber = "%FSLAX46Y46*%\n%MOMM*%\n%ADD10C,1*%\nD10*\nX1000000Y2000000D03*\nM02*\n";
        String drill = "M48\nMETRIC,TZ,000.000\nT1C0.8\n%\nT1\nX3.0Y4.0\nM30\n";
        Map<String, Reading> readings = new LinkedHashMap<>();
        Map<String, Role> roles = new HashMap<>();
        for (Role r : Role.pictures(1)) {
            readings.put(r.id(), Reading.of("x", gerber.getBytes(StandardCharsets.UTF_8)));
            roles.put(r.id(), r);
        }
        readings.put("drawn holes", readings.get("copper-top"));
        roles.put("drawn holes", Role.PLATED_HOLES);
        readings.put("unknown", readings.get("copper-top"));
        readings.put("holes", Reading.of("x", drill.getBytes(StandardCharsets.UTF_8)));
        roles.put("holes", Role.UNPLATED_HOLES);
        readings.put("no holes", readings.get("holes"));
        Map<String, List<Pt>> places = PadPlaces.of(readings, roles);
        assertThat(places)
                .containsOnlyKeys(
                        "copper-top",
                        "copper-bottom",
                        "mask-top",
                        "mask-bottom",
                        "paste-top",
                        "paste-bottom",
                        "copper-inner-1",
                        "drawn holes",
                        "holes");
        assertThat(places.get("mask-top")).containsExactly(Pt.mm(1, 2));
        assertThat(places.get("holes")).containsExactly(Pt.mm(3, 4));
    }
}
