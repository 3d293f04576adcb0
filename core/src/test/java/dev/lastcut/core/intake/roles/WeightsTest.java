package dev.lastcut.core.intake.roles;

import static dev.lastcut.core.intake.roles.SmallBoard.BOTTOM;
import static dev.lastcut.core.intake.roles.SmallBoard.END;
import static dev.lastcut.core.intake.roles.SmallBoard.HEAD;
import static dev.lastcut.core.intake.roles.SmallBoard.TOP;
import static dev.lastcut.core.intake.roles.SmallBoard.lines;
import static dev.lastcut.core.intake.roles.SmallBoard.pads;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;

/**
 * What each witness's testimony weighs, in bits, reckoned by hand from the counts of the small
 * board. Of its 31 anchors (5 holes, 9 and 9 openings, 4 and 4 of paste) a copper layer meets 23.
 */
class WeightsTest {
    /** Weights that come from counts are exact, those from pixels nearly. */
    private static final Offset<Double> EXACT = within(1e-9);

    private static final Offset<Double> NEARLY = within(0.12);

    private final SmallBoard board = new SmallBoard();
    private final List<PlacedPart> placed = new ArrayList<>();
    private Testimony said = new Testimony();

    private void put(String path, String content) {
        board.files.put(path, HEAD + content + END);
    }

    private void hear(Witness w) {
        PackFacts facts = board.facts();
        facts.place(placed);
        said = new Testimony();
        w.testify(facts, said);
    }

    private void weighs(String path, String role, double bits) {
        weighs(path, role, bits, EXACT);
    }

    private void weighs(String path, String role, double bits, Offset<Double> near) {
        assertThat(said.weight(path, Role.parse(role).orElseThrow()))
                .as("%s as %s", path, role)
                .isCloseTo(bits, near);
    }

    @Test
    void copperAndOpeningsByTheirPads() {
        hear(new PadContent());
        // Three pairs of hole and pad are joined: 9 of the 23 places met; all 5 holes have rings.
        double joined = 6 * (9 / 23.0 - 0.2) / 0.3;
        weighs("copper 1", "copper-top", joined + 4);
        weighs("copper 1", "mask-top", -joined - 3);
        weighs("copper 1", "silk-bottom", -4);
        weighs("copper 1", "not-part", 0);
        // Nothing joined: −4; all is openings: 3; it opens over holes: 3; rings at all holes: 4.
        weighs("openings 1", "mask-top", 4 + 3 + 3);
        weighs("openings 1", "paste-bottom", 4 + 3 - 3);
        weighs("openings 1", "copper-inner-1", -4 + 4);
        weighs("openings 1", "silk-top", -4 - 3);
        weighs("openings 1", "outline", -4);
        // Over no hole: −1.5 for mask, 1.5 for paste; no ring at any hole: −8, and half for lines.
        weighs("paste 1", "mask-top", 4 + 3 - 1.5);
        weighs("paste 1", "paste-top", 4 + 3 + 1.5);
        weighs("paste 1", "copper-top", -4 - 8);
        weighs("paste 1", "silk-top", 4 - 3);
        weighs("lines 1", "copper-top", -8);
        weighs("lines 1", "mask-top", -3);
        weighs("lines 1", "silk-top", 4);
        weighs("edge", "copper-top", 0);
    }

    @Test
    void someOfTheHolesTellLess() {
        put("three", pads("D10", 5, 5, 5, 15, 25, 5) + lines("D12", 5, 5, 25, 15, 5, 15, 15, 10));
        put("two", pads("D10", 5, 5, 5, 15));
        put("across", lines("D13", 8.6, 5, 11.4, 5, 8.6, 15, 11.4, 15, 2, 2, 9, 2));
        hear(new PadContent());
        // Three of five: a third of the way from half to four fifths; all is joined to something.
        weighs("three", "copper-top", 6 + 4 / 3.0);
        weighs("three", "silk-top", -4 / 3.0);
        // Two of five: a quarter of the way from half down, doubled.
        weighs("two", "outline", 1);
        weighs("two", "silk-top", 1 - 3);
        // Two lines each join two of the pads: four of the eight places that are met, of 33.
        double joined = 6 * (8 / 33.0 / 0.25);
        weighs("across", "copper-top", joined - 8);
        weighs("across", "mask-top", -joined - 3);
    }

    @Test
    void fewHolesProveLess() {
        board.files.put("drill", "M48\nMETRIC\nT1C0.8\n%\nT1\nX5.0Y5.0\nX5.0Y15.0\nM30\n");
        hear(new PadContent());
        weighs("copper 1", "outline", -4 / 2.0);
        // Openings over two holes are mask's still, over one they would be chance.
        weighs("openings 1", "mask-top", 4 + 3 + 3);
        board.files.put("drill", "M48\nMETRIC\nT1C0.8\n%\nT1\nX5.0Y5.0\nM30\n");
        hear(new PadContent());
        weighs("copper 1", "outline", -4 / 4.0);
        weighs("openings 1", "mask-top", 4 + 3);
        weighs("paste 1", "paste-top", 4 + 3);
    }

    @Test
    void linesByWhatTheyLieOn() {
        // 2.2 mm of 11.3 lie in openings, each end being round.
        put("across", lines("D13", 7, 5, 13, 5, 5, 11, 10, 11));
        hear(new LineContent());
        weighs("lines 1", "silk-top", 4);
        weighs("lines 1", "not-part", -1);
        weighs("across", "silk-bottom", 4 - 20 * 2.2 / 11.3, NEARLY);
        weighs("across", "not-part", 15 * 2.2 / 11.3 - 1, NEARLY);
        weighs("copper 1", "silk-top", -3);
        weighs("openings 1", "silk-top", -3);
        weighs("edge", "silk-top", 0);
        // The other pictures are 20 mm long: beyond 0.15 × 20 + 2 mm it is a sheet.
        put("far", lines("D13", 8, 3.5, 12, 3.5, 8, 6.5, 12, 6.5, 15, 10.1, 15, 10.1));
        for (double[] reach : new double[][] {{0, 9.9, 0}, {-0.1, 9.9, 4}, {30.1, 9, 4}}) {
            put("far", lines("D13", 8, 3.5, 12, 3.5, 8, 13.5, 12, 13.5, reach[0], reach[1], 15, 9));
            hear(new LineContent());
            weighs("far", "outline", reach[2] > 0 ? -5 : 0);
            weighs("far", "not-part", reach[2] - 1);
        }
        put("far", lines("D13", 8, 3.5, 12, 3.5, 8, 6.5, 12, 6.5, 7, 20.1, 9, 20.1));
        hear(new LineContent());
        weighs("far", "outline", -5);
        board.files.put("none", HEAD + END);
        hear(new LineContent());
        weighs("none", "outline", -6);
    }

    @Test
    void contoursByWhatLiesInThem() {
        String tight = "4.5,4.5 25.5,4.5 25.5,15.5 4.5,15.5";
        put("tight", contour(tight));
        put("half", contour("0,0 23,0 23,20 0,20"));
        put("none", contour("0,0 3,0 3,3 0,3"));
        hear(new ContourContent());
        // The pictures fill 20 × 10 mm; half a millimetre over is within.
        weighs("edge", "outline", 4 + 3 + 4 * (200 / (31 * 21.0) - 0.5));
        weighs("tight", "outline", 4 + 3 + 4 * (200 / (22 * 12.0) - 0.5));
        // Of 31 anchors those at two holes lie outside: the holes, and what opens over them.
        double share = (25 / 31.0 - 0.7) / 0.3;
        weighs("half", "outline", 4 + 3 * share + 4 * (200 / (24 * 21.0) - 0.5));
        // A small one encloses nothing; it is as small as can be held for it.
        weighs("none", "outline", 4 - 3 + 4 * 0.5);
        weighs("half", "silk-top", -4);
        weighs("half", "not-part", 0);
        weighs("copper 1", "outline", -5);
        Role outline = Role.OUTLINE;
        assertThat(said.speaksFor("half", outline))
                .containsExactly("thin strokes that close to one contour around everything");
        assertThat(said.speaksFor("none", outline))
                .containsExactly("thin strokes that close to a contour, but not around the pads");
    }

    private static String contour(String corners) {
        String[] all = corners.split(" ");
        StringBuilder s = new StringBuilder();
        for (int i = 0; i < all.length; i++) {
            String[] a = all[i].split(",");
            String[] b = all[(i + 1) % all.length].split(",");
            s.append(
                    lines(
                            "D13",
                            Double.parseDouble(a[0]),
                            Double.parseDouble(a[1]),
                            Double.parseDouble(b[0]),
                            Double.parseDouble(b[1])));
        }
        return s.toString();
    }

    private void part(double x, double y, Side side) {
        placed.add(new PlacedPart("R" + placed.size(), "", "", Pt.mm(x, y), 0, side, 1));
    }

    @Test
    void placedPartsByTheirPairsOfPads() {
        part(10, 5, Side.TOP);
        part(10, 15, Side.TOP);
        part(20, 5, Side.BOTTOM);
        part(21, 12, Side.BOTTOM);
        hear(new PlacedSides());
        weighs("openings 1", "mask-top", 6);
        weighs("openings 1", "copper-bottom", -6);
        weighs("openings 1", "silk-top", 0);
        // Half of the parts of the bottom lie on its pads: three quarters of the weight.
        weighs("paste 2", "paste-top", -4.5);
        weighs("paste 2", "paste-bottom", 4.5);
        weighs("lines 1", "silk-top", 6);
        weighs("lines 1", "silk-bottom", -6);
        weighs("lines 1", "mask-top", 0);
        assertThat(said.speaksFor("paste 2", Role.of(Role.Kind.PASTE, Side.BOTTOM)))
                .containsExactly(
                        "0 % of the parts placed on top have pads in it, 50 % of those on the"
                                + " bottom");
        placed.clear();
        part(20, 15, Side.BOTTOM);
        hear(new PlacedSides());
        weighs("openings 2", "mask-bottom", 6);
        placed.clear();
        hear(new PlacedSides());
        weighs("openings 2", "mask-bottom", 0);
    }

    private static String points(double[] xy, String access, int count) {
        StringBuilder s = new StringBuilder();
        for (int i = 0; i < count; i++) {
            s.append(
                    String.format(
                            "327N%-13dU1    -%-4d       A%sX+%06dY+%06dX0500Y0500R000 S0%n",
                            i,
                            i,
                            access,
                            Math.round(xy[2 * i] * 1e3),
                            Math.round(xy[2 * i + 1] * 1e3)));
        }
        return s.toString();
    }

    @Test
    void pointsOfTheNetlistByTheirSide() {
        String units = "P  UNITS CUST 1\n";
        double[] half = {9, 5, 11, 5, 9, 10, 11, 10};
        board.files.put("nets", units + points(half, "01", 4) + points(BOTTOM, "02", 4) + "999\n");
        hear(new NetlistSides());
        // Four points are four fifths of proof; half of the top's lie beside the pads.
        weighs("openings 1", "mask-top", 6 * 0.5 * 0.8);
        weighs("openings 1", "silk-top", 0);
        weighs("openings 2", "paste-bottom", 6 * 0.8);
        // Copper must be at all of them: a lack of half is as bad as a lack of all.
        weighs("copper 1", "copper-top", -6);
        weighs("copper 1", "copper-bottom", -6);
        weighs("copper 1", "copper-inner-1", 0);
        weighs("copper 2", "copper-bottom", 0);
        board.files.put("nets", units + points(TOP, "01", 2) + "999\n");
        hear(new NetlistSides());
        weighs("openings 1", "mask-top", 6 * 0.4);
        weighs("copper 2", "copper-top", -6);
        weighs("copper 2", "copper-bottom", 0);
        weighs("copper 1", "copper-top", 0);
        double[] many = new double[20];
        for (int i = 0; i < 20; i += 2) {
            many[i] = i < 18 ? 9 + i / 100.0 : 15;
            many[i + 1] = 5;
        }
        board.files.put("nets", units + points(many, "01", 10) + "999\n");
        hear(new NetlistSides());
        weighs("copper 1", "copper-top", -2);
        weighs("openings 1", "mask-top", 6 * 0.9);
    }

    @Test
    void blindHolesByTheirLayers() {
        String span = "M48\n; #@! TF.FileFunction,Plated,%d,%d,Blind\nMETRIC\nT1C0.4\n%%\nT1\n";
        String holes = "X9.0Y5.0\nX11.0Y5.0\nX9.0Y15.0\nX15.0Y17.0\nM30\n";
        board.files.put("blind", String.format(span, 1, 2) + holes);
        board.files.put("deep", String.format(span, 3, 4) + holes.replace("15.0Y17", "11.0Y15"));
        hear(new DrillSpans());
        // Three of four from layer 1 to 2 have a pad: half the weight; all of those from 3 to 4.
        weighs("copper 1", "copper-top", 2 - 4);
        weighs("copper 1", "copper-inner-1", 2 - 4);
        weighs("copper 1", "copper-inner-2", -2 + 4);
        weighs("copper 1", "copper-inner-3", -2 + 4);
        weighs("copper 1", "copper-bottom", -2 + 4);
        weighs("copper 1", "mask-top", 0);
        weighs("copper 2", "copper-bottom", 4 - 4);
        weighs("openings 1", "copper-top", 0);
        weighs("edge", "copper-top", 0);
    }

    private static void joins(Bond bond, PackFacts facts, String upper, String lower, double bits) {
        assertThat(bond.bits(facts.picture(upper), facts.picture(lower)))
                .as("%s on %s", upper, lower)
                .isCloseTo(bits, EXACT);
    }

    @Test
    void bondsByTheShareOfOpenings() {
        put("grown", pads("D14", TOP));
        put("mixed", pads("D14", 9, 5, 11, 5, 19, 5, 21, 5));
        PackFacts facts = board.facts();
        OpeningOnPad onPad = new OpeningOnPad(facts);
        // Four surface openings weigh 0.4 + 0.4.
        joins(onPad, facts, "openings 1", "copper 1", 8 * .55 * .8);
        joins(onPad, facts, "openings 1", "copper 2", -8 * .45 * .8);
        joins(onPad, facts, "mixed", "copper 1", 8 * .05 * .8);
        assertThat(onPad.bits(facts.picture("lines 1"), facts.picture("copper 1"))).isZero();
        PasteInMask inMask = new PasteInMask();
        // All within, and smaller than the openings; larger; the same.
        joins(inMask, facts, "paste 1", "openings 1", 3.5 * .8 + 1.6);
        joins(inMask, facts, "grown", "paste 1", 3.5 * .8 - 3.2);
        joins(inMask, facts, "grown", "openings 1", 3.5 * .8);
        joins(inMask, facts, "paste 1", "openings 2", -3.5 * .8);
        joins(inMask, facts, "mixed", "openings 1", 0);
        // Of nine openings four have paste: weighed in full.
        joins(inMask, facts, "openings 1", "paste 1", 7 * (4 / 9. - .5));
        assertThat(inMask.bits(facts.picture("paste 1"), facts.picture("paste 1"))).isZero();
        assertThat(inMask.words(facts.picture("mixed"), facts.picture("openings 1")))
                .startsWith("50 % ");
        SilkByOpenings silk = new SilkByOpenings(facts);
        joins(silk, facts, "lines 1", "openings 1", 2.5 * .5);
        joins(silk, facts, "lines 1", "openings 2", -2.5 * .5);
        joins(silk, facts, "lines 1", "mixed", 0);
        assertThat(silk.bits(facts.picture("lines 1"), facts.picture("lines 1"))).isZero();
        assertThat(silk.words(facts.picture("lines 1"), facts.picture("mixed")))
                .isEqualTo("it has lines near 50 % of the surface pads that mixed opens");
    }
}
