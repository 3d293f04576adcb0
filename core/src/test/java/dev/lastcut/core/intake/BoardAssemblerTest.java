package dev.lastcut.core.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.LayerImage;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Pt;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** The board that is put together from files which say themselves what they are. */
class BoardAssemblerTest {
    private static final String HEAD =
            "%FSLAX46Y46*%\n%MOMM*%\n%ADD10C,1.2*%\n%ADD11C,0.1*%\nD10*\n";
    private static final String PADS = "X5000000Y5000000D03*\nX25000000Y15000000D03*\n";
    private static final String EDGE =
            "D11*\nX0Y0D02*\nX30000000Y0D01*\nX30000000Y20000000D01*\nX0Y20000000D01*\nX0Y0D01*\n";

    private final Map<String, String> files = new LinkedHashMap<>();
    private final Map<String, Role> chosen = new LinkedHashMap<>();

    private void gerber(String path, String function, String drawn) {
        files.put(path, "%TF.FileFunction," + function + "*%\n" + HEAD + drawn + "M02*\n");
    }

    private Board open() throws Exception {
        List<Pack.PackFile> all = new ArrayList<>();
        files.forEach((p, t) -> all.add(new Pack.PackFile(p, t.getBytes(StandardCharsets.UTF_8))));
        return Intake.open(new Pack("board", all), Choices.roles(chosen));
    }

    @Test
    void layersAreInTheOrderOfTheStack() throws Exception {
        gerber("1", "Profile,NP", EDGE);
        gerber("2", "Legend,Top", PADS);
        gerber("3", "Copper,L4,Bot", PADS);
        gerber("4", "Copper,L3,Inr", PADS);
        gerber("5", "Soldermask,Bot", PADS);
        gerber("6", "Copper,L2,Inr", PADS);
        gerber("7", "Soldermask,Top", PADS);
        gerber("8", "Copper,L1,Top", PADS);
        assertThat(open().layers())
                .extracting(l -> l.role().id() + " " + l.file())
                .containsExactly(
                        "copper-top 8",
                        "copper-inner-1 6",
                        "copper-inner-2 4",
                        "copper-bottom 3",
                        "mask-top 7",
                        "mask-bottom 5",
                        "silk-top 2",
                        "outline 1");
    }

    private double area(String role) throws Exception {
        Layer l = open().layer(Role.parse(role).orElseThrow()).orElseThrow();
        return LayerImage.of(l.features(), Flattener.FINE).area().getArea() / 1e12;
    }

    /** Copper drawn as what is left out fills the board, else a millimetre round what it draws. */
    @Test
    void aNegativePictureOfCopperIsFilled() throws Exception {
        double pads = 2 * Math.PI * 0.6 * 0.6;
        gerber("top", "Copper,L1,Top", "%TF.FilePolarity,Negative*%\n" + PADS);
        gerber("mask", "Soldermask,Top", "%TF.FilePolarity,Negative*%\n" + PADS);
        assertThat(area("copper-top")).isCloseTo(22 * 12 - pads, within(0.01));
        assertThat(area("mask-top")).as("openings are what it draws").isCloseTo(pads, within(0.01));
        gerber("edge", "Profile,NP", EDGE);
        assertThat(area("copper-top")).isCloseTo(30 * 20 - pads, within(0.01));
        gerber("top", "Copper,L1,Top", "%TF.FilePolarity,Positive*%\n" + PADS);
        assertThat(area("copper-top")).isCloseTo(pads, within(0.01));
    }

    @Test
    void holesDrawnAsAPictureAreHoles() throws Exception {
        gerber("top", "Copper,L1,Top", PADS);
        gerber("h", "Plated,1,2,PTH", PADS + "X10000000Y5000000D02*\nX12000000Y5000000D01*\n");
        List<Hole> holes = open().holes();
        assertThat(holes)
                .extracting(Hole::from)
                .containsExactly(Pt.mm(5, 5), Pt.mm(25, 15), Pt.mm(10, 5));
        assertThat(holes.get(2).to()).isEqualTo(Pt.mm(12, 5));
        assertThat(holes).allMatch(h -> h.plated() && h.diameter() == 1_200_000);
        assertThat(holes).extracting(Hole::line).doesNotContain(0);
        gerber("h", "NonPlated,1,2,NPTH", PADS);
        assertThat(open().holes()).hasSize(2).noneMatch(Hole::plated);
    }

    @Test
    void holesOfWhichNothingStatesThePlatingAreJudged() throws Exception {
        gerber("top", "Copper,L1,Top", PADS);
        files.put(
                "x",
                "M48\nMETRIC,TZ,000.000\nT1C0.6\n%\nT1\nX5.0Y5.0\nX25.0Y15.0\nX15.0Y5.0\nM30\n");
        assertThat(open().holes()).extracting(Hole::plated).containsExactly(true, true, false);
        chosen.put("x", Role.UNPLATED_HOLES);
        assertThat(open().holes()).noneMatch(Hole::plated);
        chosen.put("x", Role.PLATED_HOLES);
        assertThat(open().holes()).allMatch(Hole::plated);
    }

    @Test
    void aFileThatCannotServeAsWhatWasChosenIsSaid() throws Exception {
        gerber("top", "Copper,L1,Top", PADS);
        files.put("list.csv", "Designator,Value\nR1,1k\n");
        chosen.put("list.csv", Role.of(Role.Kind.SILK, Side.TOP));
        Board board = open();
        assertThat(board.problems())
                .anySatisfy(
                        p -> {
                            assertThat(p.code()).isEqualTo(Problem.Code.NOT_READABLE);
                            assertThat(p.file()).isEqualTo("list.csv");
                            assertThat(p.text()).isEqualTo("its content cannot serve as silk top");
                        });
        assertThat(board.parts()).isEmpty();
        chosen.put("list.csv", Role.NOT_PART);
        assertThat(open().problems()).isEmpty();
    }

    @Test
    void tablesAndComponentLayersGoTogether() throws Exception {
        gerber("top", "Copper,L1,Top", PADS);
        files.put("list.csv", "Designator,Value\nR1,1k\nC1,1u\n");
        files.put("a.csv", "Designator,X (mm),Y (mm),Rotation,Side\nR1,1,2,0,Top\n");
        files.put("b.csv", "Designator,X (mm),Y (mm),Rotation,Side\nC1,3,4,90,Bottom\n");
        files.put(
                "nets",
                "P  UNITS CUST 1\n"
                        + "327GND              C1    -1         A01X+000100Y+000100X0500Y0500R000 S0\n"
                        + "327VCC              C1    -2         A01X+000200Y+000100X0500Y0500R000 S0\n"
                        + "999\n");
        gerber(
                "parts.gbr",
                "Component,L1,Top",
                "%TA.AperFunction,ComponentMain*%\n%ADD12C,0.3*%\n%TD*%\n%TO.C,U1*%\n"
                        + "%TO.CRot,90*%\nD12*\nX7000000Y8000000D03*\n");
        Board board = open();
        assertThat(board.placements().orElseThrow())
                .extracting(PlacedPart::designator)
                .containsExactly("R1", "C1", "U1");
        assertThat(board.parts().orElseThrow()).hasSize(2);
        assertThat(board.netlist().orElseThrow().netCount()).isEqualTo(2);
    }
}
