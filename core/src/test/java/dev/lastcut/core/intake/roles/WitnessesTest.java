package dev.lastcut.core.intake.roles;

import static dev.lastcut.core.intake.roles.SmallBoard.BOTTOM;
import static dev.lastcut.core.intake.roles.SmallBoard.END;
import static dev.lastcut.core.intake.roles.SmallBoard.HEAD;
import static dev.lastcut.core.intake.roles.SmallBoard.HOLES;
import static dev.lastcut.core.intake.roles.SmallBoard.TOP;
import static dev.lastcut.core.intake.roles.SmallBoard.lines;
import static dev.lastcut.core.intake.roles.SmallBoard.pads;
import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Correction;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.reading.Reading;
import java.util.Map;
import java.util.function.BiConsumer;
import org.junit.jupiter.api.Test;

/** Each witness by itself, on a small board. */
class WitnessesTest {
    private final SmallBoard board = new SmallBoard();
    private final Map<String, String> files = board.files;

    private PackFacts facts() {
        return board.facts();
    }

    private Testimony heard(Witness w) {
        Testimony t = new Testimony();
        w.testify(facts(), t);
        return t;
    }

    private static Role role(Role.Kind kind, Side side) {
        return Role.of(kind, side);
    }

    private static final Role COPPER = role(Role.Kind.COPPER, Side.TOP);
    private static final Role MASK = role(Role.Kind.MASK, Side.TOP);
    private static final Role PASTE = role(Role.Kind.PASTE, Side.TOP);
    private static final Role SILK = role(Role.Kind.SILK, Side.TOP);

    /** A role beats all others of the four kinds, by the words of this witness alone. */
    private static void best(Testimony t, String path, Role wanted, double by) {
        for (Role other : new Role[] {COPPER, MASK, PASTE, SILK, Role.OUTLINE}) {
            if (!other.equals(wanted)) {
                assertThat(t.weight(path, wanted) - t.weight(path, other))
                        .as("%s as %s rather than %s", path, wanted.id(), other.id())
                        .isGreaterThan(by);
            }
        }
    }

    @Test
    void padsOverHolesAndTracksAreCopper() {
        Testimony t = heard(new PadContent());
        best(t, "copper 1", COPPER, 3);
        best(t, "copper 2", COPPER, 3);
        assertThat(t.speaksFor("copper 1", COPPER)).anyMatch(w -> w.contains("joined by tracks"));
        assertThat(t.speaksAgainst("lines 1", COPPER))
                .anyMatch(w -> w.contains("0 % of the holes"));
    }

    @Test
    void openingsOverHolesAreMaskAndOthersPaste() {
        Testimony t = heard(new PadContent());
        best(t, "openings 1", MASK, 2);
        best(t, "paste 1", PASTE, 2);
        assertThat(t.speaksFor("openings 1", MASK)).contains("it opens over 5 holes");
        assertThat(t.speaksFor("paste 1", PASTE)).contains("it opens over no hole");
    }

    @Test
    void linesThatKeepOffPadsAreSilk() {
        Testimony t = heard(new LineContent());
        assertThat(t.weight("lines 1", SILK)).isGreaterThan(3);
        assertThat(t.weight("copper 1", SILK)).isNegative();
        files.put(
                "over",
                HEAD + lines("D13", 8.6, 5, 11.4, 5, 8.6, 15, 11.4, 15, 4.6, 5, 5.4, 5) + END);
        assertThat(heard(new LineContent()).weight("over", SILK))
                .isLessThan(t.weight("lines 1", SILK) - 4);
    }

    @Test
    void whatReachesFarBeyondIsADrawing() {
        files.put(
                "sheet",
                HEAD
                        + lines(
                                "D13", -40, -40, 90, -40, 90, -40, 90, 70, 60, -40, 60, -20, 0, 22,
                                30, 22)
                        + END);
        Testimony t = heard(new LineContent());
        assertThat(t.weight("sheet", Role.NOT_PART)).isGreaterThan(2);
        assertThat(t.weight("sheet", Role.NOT_PART)).isGreaterThan(t.weight("sheet", SILK));
    }

    @Test
    void aClosedContourAroundAllIsTheOutline() {
        Testimony t = heard(new ContourContent());
        best(t, "edge", Role.OUTLINE, 5);
        for (String other : new String[] {"copper 1", "openings 1", "lines 1"}) {
            assertThat(t.weight(other, Role.OUTLINE)).isNegative();
        }
        files.put(
                "small",
                HEAD + lines("D13", 8, 8, 12, 8, 12, 8, 12, 12, 12, 12, 8, 12, 8, 12, 8, 8) + END);
        Testimony both = heard(new ContourContent());
        assertThat(both.weight("edge", Role.OUTLINE))
                .isGreaterThan(both.weight("small", Role.OUTLINE) + 2);
    }

    @Test
    void theNetlistKnowsTheSide() {
        StringBuilder list = new StringBuilder("P  UNITS CUST 1\n");
        BiConsumer<double[], String> side =
                (xy, access) -> {
                    for (int i = 0; i < xy.length; i += 2) {
                        list.append(
                                String.format(
                                        "327NET%-10dU1    -%-4d       A%sX+%06dY+%06dX0500Y0500R000 S0%n",
                                        i,
                                        i,
                                        access,
                                        Math.round(xy[i] * 1e3),
                                        Math.round(xy[i + 1] * 1e3)));
                    }
                };
        side.accept(TOP, "01");
        side.accept(BOTTOM, "02");
        files.put("nets", list + "999\n");
        Testimony t = heard(new NetlistSides());
        for (String one : new String[] {"openings 1", "paste 1"}) {
            assertThat(t.weight(one, MASK)).isGreaterThan(3);
            assertThat(t.weight(one, MASK.across())).isLessThan(-3);
        }
        assertThat(t.weight("openings 2", MASK)).isLessThan(-3);
        assertThat(t.weight("copper 1", COPPER)).isZero();
        assertThat(t.weight("copper 1", COPPER.across())).isLessThan(-3);
        assertThat(t.weight("copper 2", COPPER)).isLessThan(-3);
    }

    @Test
    void placedPartsKnowTheirSide() {
        PackFacts facts = facts();
        facts.place(
                java.util.List.of(
                        part("R1", 10, 5, Side.TOP),
                        part("R2", 10, 15, Side.TOP),
                        part("R3", 20, 5, Side.BOTTOM),
                        part("R4", 20, 15, Side.BOTTOM)));
        Testimony t = new Testimony();
        new PlacedSides().testify(facts, t);
        assertThat(t.weight("openings 1", MASK)).isGreaterThan(3);
        assertThat(t.weight("paste 2", PASTE)).isLessThan(-3);
        assertThat(t.weight("lines 1", SILK)).isGreaterThan(2);
        assertThat(t.weight("lines 1", COPPER)).isZero();
    }

    private static dev.lastcut.core.board.PlacedPart part(
            String name, double x, double y, Side side) {
        return new dev.lastcut.core.board.PlacedPart(name, "", "", Pt.mm(x, y), 0, side, 1);
    }

    /** R, P, 4, F and G in strokes; mirrored they are of the bottom. */
    @Test
    void letteringThatReadsMirroredIsTheBottoms() {
        String letters =
                letter(2, "00063645443303 2340")
                        + letter(6, "00063645443303")
                        + letter(10, "3036 360242")
                        + letter(14, "000646 0333")
                        + letter(18, "00063645443303 2340")
                        + letter(22, "3036 360242");
        files.put("letters", HEAD + letters + END);
        assertThat(heard(new Lettering()).weight("letters", SILK)).isGreaterThan(2);
        Map<String, Reading> readings = board.readings();
        readings.computeIfPresent(
                "letters", (p, r) -> r.moved(new Correction(true, 0, 1, Pt.mm(30, 0))));
        Testimony t = new Testimony();
        new Lettering().testify(new PackFacts(readings), t);
        assertThat(t.weight("letters", SILK)).isLessThan(-2);
        assertThat(t.speaksFor("letters", SILK.across())).anyMatch(w -> w.contains("mirrored"));
    }

    private static String letter(double x, String strokes) {
        return SmallBoard.letter(x, 8, 0.35, false, strokes);
    }

    @Test
    void blindHolesKnowTheLayersTheyPass() {
        files.put(
                "blind",
                "M48\n; #@! TF.FileFunction,Plated,1,2,Blind\nMETRIC\nT1C0.4\n%\nT1\nX9.0Y5.0\nX11.0Y5.0\n"
                        + "X9.0Y15.0\nM30\n");
        Testimony t = heard(new DrillSpans());
        assertThat(t.weight("copper 1", COPPER)).isGreaterThan(2);
        assertThat(t.weight("copper 1", Role.innerCopper(1))).isGreaterThan(2);
        assertThat(t.weight("copper 1", Role.innerCopper(2))).isLessThan(-2);
        assertThat(t.weight("copper 2", COPPER)).isLessThan(-2);
    }

    @Test
    void whatAFileSaysOfItselfOutweighsAll() {
        files.put("x", "%TF.FileFunction,Soldermask,Bot*%\n" + files.get("copper 1"));
        files.put("y", "%TF.FileFunction,AssemblyDrawing,Top*%\n" + files.get("copper 1"));
        Testimony t = heard(new StatedFunction());
        assertThat(t.weight("x", MASK.across())).isGreaterThan(20);
        assertThat(t.weight("x", COPPER)).isLessThan(-20);
        assertThat(t.weight("y", Role.NOT_PART)).isGreaterThan(20);
        assertThat(t.weight("copper 1", COPPER)).isZero();
    }

    @Test
    void wordsOfNamesFoldersAndComments() {
        files.clear();
        String picture = HEAD + pads("D10", HOLES) + END;
        files.put("a/board.gtl", picture);
        files.put("b/board.gbs", picture);
        files.put("inner/board.x1", picture);
        files.put("c/board.x2", "G04 the bottom paste*\n" + picture);
        Testimony name = heard(new WordWitness(WordWitness.Source.NAME));
        assertThat(name.weight("a/board.gtl", COPPER)).isEqualTo(8);
        assertThat(name.weight("a/board.gtl", COPPER.across())).isNegative();
        assertThat(name.weight("b/board.gbs", MASK.across())).isEqualTo(8);
        assertThat(name.weight("c/board.x2", PASTE)).isZero();
        assertThat(
                        heard(new WordWitness(WordWitness.Source.REMARK))
                                .weight("c/board.x2", PASTE.across()))
                .isEqualTo(10);
        assertThat(
                        heard(new WordWitness(WordWitness.Source.FOLDER))
                                .weight("inner/board.x1", Role.innerCopper(1)))
                .isPositive();
        assertThat(name.speaksFor("a/board.gtl", COPPER))
                .containsExactly("its name says copper", "its name says top");
    }

    @Test
    void openingsLieOnThePadsOfTheirSide() {
        PackFacts f = facts();
        OpeningOnPad bond = new OpeningOnPad(f);
        assertThat(bond.bits(f.picture("openings 1"), f.picture("copper 1"))).isGreaterThan(2);
        assertThat(bond.bits(f.picture("openings 1"), f.picture("copper 2"))).isLessThan(-1.5);
        assertThat(bond.words(f.picture("openings 2"), f.picture("copper 2"))).startsWith("100 %");
    }

    @Test
    void pasteLiesInTheMaskOfItsSideAndNotTheOtherWayRound() {
        PackFacts f = facts();
        PasteInMask bond = new PasteInMask();
        double right = bond.bits(f.picture("paste 1"), f.picture("openings 1"));
        assertThat(right).isGreaterThan(3);
        assertThat(bond.bits(f.picture("paste 1"), f.picture("openings 2"))).isLessThan(-2);
        assertThat(bond.bits(f.picture("openings 1"), f.picture("paste 1"))).isLessThan(right - 4);
    }

    @Test
    void silkIsDrawnNearThePadsOfItsSide() {
        PackFacts f = facts();
        SilkByOpenings bond = new SilkByOpenings(f);
        assertThat(bond.bits(f.picture("lines 1"), f.picture("openings 1"))).isPositive();
        assertThat(bond.bits(f.picture("lines 1"), f.picture("openings 2"))).isNegative();
    }
}
