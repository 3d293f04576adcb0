package dev.lastcut.core.intake.roles;

import static dev.lastcut.core.intake.roles.SmallBoard.END;
import static dev.lastcut.core.intake.roles.SmallBoard.HEAD;
import static dev.lastcut.core.intake.roles.SmallBoard.HOLES;
import static dev.lastcut.core.intake.roles.SmallBoard.lines;
import static dev.lastcut.core.intake.roles.SmallBoard.pads;
import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Doubt;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.SourceFile;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is proposed for each file of a small board, in whose place the user would be asked. */
class RoleProposerTest {
    private static final Role COPPER = Role.of(Role.Kind.COPPER, Side.TOP);
    private static final Role SILK = Role.of(Role.Kind.SILK, Side.TOP);

    private final SmallBoard board = new SmallBoard();
    private final Map<String, Role> chosen = new LinkedHashMap<>();
    private final Map<String, String> copies = new LinkedHashMap<>();
    private Map<String, SourceFile> now = Map.of();

    /** Calls the files by other names; those that are not named are left out. */
    private void call(String... pairs) {
        Map<String, String> old = Map.copyOf(board.files);
        board.files.clear();
        for (int i = 0; i < pairs.length; i += 2) {
            board.files.put(pairs[i + 1], old.get(pairs[i]));
        }
    }

    private void usualNames() {
        call(
                "copper 1",
                "x.gtl",
                "copper 2",
                "x.gbl",
                "openings 1",
                "x.gts",
                "openings 2",
                "x.gbs",
                "paste 1",
                "x.gtp",
                "paste 2",
                "x.gbp",
                "lines 1",
                "x.gto",
                "edge",
                "x.gko",
                "drill",
                "x.drl");
    }

    private void silentNames() {
        call(
                "copper 1",
                "a1",
                "copper 2",
                "a2",
                "openings 1",
                "a3",
                "openings 2",
                "a4",
                "paste 1",
                "a5",
                "paste 2",
                "a6",
                "lines 1",
                "a7",
                "edge",
                "a8",
                "drill",
                "a9");
    }

    private void propose() {
        now = RoleProposer.propose(board.facts(), chosen, copies, Remembered.NOTHING);
        assertThat(now.keySet()).containsAll(board.files.keySet());
    }

    private Role role(String path) {
        return now.get(path).role();
    }

    private Optional<Doubt.Kind> doubt(String path) {
        return now.get(path).doubt().map(Doubt::kind);
    }

    private String asked(String path) {
        return now.get(path).doubt().orElseThrow().text();
    }

    @Test
    void namesAndPicturesThatAgreeLeaveNothingToAsk() {
        usualNames();
        propose();
        assertThat(now.values()).allMatch(f -> f.doubt().isEmpty() && !f.chosen());
        assertThat(now.values())
                .extracting(f -> f.role().id())
                .containsExactly(
                        "plated-holes",
                        "copper-bottom",
                        "paste-bottom",
                        "mask-bottom",
                        "outline",
                        "copper-top",
                        "silk-top",
                        "paste-top",
                        "mask-top");
    }

    @Test
    void evidenceIsOfAllWhoSpeakForIt() {
        usualNames();
        propose();
        SourceFile f = now.get("x.gts");
        assertThat(f.evidence())
                .contains("its name says mask")
                .contains("its name says top")
                .contains("it opens over 5 holes")
                .contains("100 % of its openings lie on pads of x.gtl");
        assertThat(f.against()).isEmpty();
        assertThat(f.confidence()).isGreaterThan(0.99);
    }

    @Test
    void whereOnlyTheSideIsOpenThatIsAsked() {
        silentNames();
        propose();
        for (String path : new String[] {"a1", "a2", "a3", "a4", "a5", "a6"}) {
            assertThat(doubt(path)).as(path).contains(Doubt.Kind.SIDE);
            assertThat(asked(path))
                    .isEqualTo("nothing tells whether it is of the top or the bottom");
            assertThat(now.get(path).evidence()).contains("nothing tells the side, so ");
            assertThat(now.get(path).confidence()).isLessThan(0.7);
        }
        assertThat(role("a1").kind()).isEqualTo(Role.Kind.COPPER);
        assertThat(role("a3").side()).isEqualTo(role("a1").side());
        assertThat(role("a5").side()).isEqualTo(role("a1").side());
        assertThat(role("a2")).isEqualTo(role("a1").across());
        assertThat(role("a8")).isEqualTo(Role.OUTLINE);
        assertThat(doubt("a8")).isEmpty();

        chosen.put("a2", COPPER);
        propose();
        assertThat(now.values()).allMatch(f -> f.doubt().isEmpty());
        assertThat(role("a1")).isEqualTo(COPPER.across());
        assertThat(role("a4").id()).isEqualTo("mask-top");
        assertThat(now.get("a2").chosen()).isTrue();
        assertThat(now.get("a2").confidence()).isEqualTo(1);
    }

    @Test
    void oneRoleChosenTwiceIsAskedAbout() {
        usualNames();
        chosen.put("x.gtl", COPPER);
        chosen.put("x.gbl", COPPER);
        chosen.put("gone", SILK);
        propose();
        assertThat(now).doesNotContainKey("gone");
        assertThat(doubt("x.gtl")).contains(Doubt.Kind.SHARED);
        assertThat(role("x.gtl")).isEqualTo(Role.UNKNOWN);
        assertThat(asked("x.gtl")).isEqualTo("you chose copper top for it and for x.gbl too");
        assertThat(doubt("x.gbl")).isEmpty();
        assertThat(role("x.gbl")).isEqualTo(COPPER);
    }

    @Test
    void whatTheUserTookOutIsOut() {
        usualNames();
        chosen.put("x.gto", Role.NOT_PART);
        chosen.put("x.gko", SILK);
        propose();
        assertThat(role("x.gto")).isEqualTo(Role.NOT_PART);
        assertThat(role("x.gko")).isEqualTo(SILK);
        assertThat(now.values()).noneMatch(f -> f.role().equals(Role.OUTLINE));
        assertThat(now.values()).allMatch(f -> f.doubt().isEmpty());
    }

    @Test
    void aCopyIsLeftAsideUnlessItsNameSaysSomethingElse() {
        usualNames();
        board.files.put("z old.gbr", board.files.get("x.gtl"));
        board.files.put("z1.gtl", board.files.get("x.gtl"));
        board.files.put("z2.drl", board.files.get("x.drl"));
        copies.putAll(Map.of("z old.gbr", "x.gtl", "z1.gtl", "x.gtl", "z2.drl", "x.drl"));
        propose();
        for (String copy : copies.keySet()) {
            assertThat(role(copy)).as(copy).isEqualTo(Role.NOT_PART);
            assertThat(doubt(copy)).isEmpty();
            assertThat(now.get(copy).evidence())
                    .isEqualTo("it holds exactly what " + copies.get(copy) + " holds");
        }
        assertThat(role("x.gtl")).isEqualTo(COPPER);

        // Copper called inner, with the same in it as the top: two layers that are alike.
        board.files.put("z inner1.gbr", board.files.get("x.gtl"));
        copies.put("z inner1.gbr", "x.gtl");
        propose();
        assertThat(role("z inner1.gbr")).isEqualTo(Role.innerCopper(1));
        chosen.put("z1.gtl", Role.innerCopper(2));
        propose();
        assertThat(role("z1.gtl")).isEqualTo(Role.innerCopper(2));
    }

    /** On a board of leaded parts both masks are one picture; a copy for safety is none of them. */
    @Test
    void twoFilesOfOnePictureMayBeBothSides() {
        String same = HEAD + pads("D16", HOLES) + END;
        Role mask = Role.of(Role.Kind.MASK, Side.TOP);
        String[][] say = {
            {"", ""},
            {"%TF.FileFunction,Soldermask,Top*%\n", "%TF.FileFunction,Soldermask,Bot*%\n"},
            {"G04 mask top*\n", "G04 mask bottom*\n"}
        };
        for (String[] s : say) {
            call("copper 1", "x.gtl", "copper 2", "x.gbl", "drill", "x.drl");
            board.files.put("q1", s[0] + same);
            board.files.put("q2", s[1] + same);
            copies.put("q2", "q1");
            propose();
            assertThat(role("q1").kind()).isEqualTo(Role.Kind.MASK);
            assertThat(role("q2")).isEqualTo(s[0].isEmpty() ? Role.NOT_PART : mask.across());
            board.files.putAll(new SmallBoard().files);
        }
    }

    @ParameterizedTest
    @CsvSource({
        "thing.xyz, nothing in it is of the board, ''",
        "b.gtl, no reader knows its content, 'its ending is that of a picture or drill file, but it"
                + " cannot be read as one'",
        "inner 2.xyz, no reader knows its content, 'its name says “inner 2”, but nothing in it can"
                + " be read as that'",
        "slots.xyz, no reader knows its content, 'its name says “slots”, but nothing in it can be"
                + " read as that'",
        "placement.bin, no reader knows its content, 'its name says “placement”, but nothing in it"
                + " can be read as that'"
    })
    void whatCannotBeReadIsAsideUnlessItsNameSaysOtherwise(
            String name, String evidence, String asked) {
        usualNames();
        board.files.put(name, "\1\2\3 nothing at all");
        propose();
        SourceFile f = now.get(name);
        assertThat(f.evidence()).isEqualTo(evidence);
        assertThat(f.doubt().map(Doubt::text).orElse("")).isEqualTo(asked);
        assertThat(f.role()).isEqualTo(asked.isEmpty() ? Role.NOT_PART : Role.UNKNOWN);
    }

    @Test
    void whatLiesBesideIsNamed() {
        usualNames();
        board.files.put("page.html", "<!DOCTYPE html><html></html>");
        board.files.put(
                "job.gbrjob", "{\"FilesAttributes\":[{\"Path\":\"x\",\"FileFunction\":\"\"}]}");
        board.files.put("zz.gbr", HEAD + END);
        propose();
        for (String path : new String[] {"page.html", "job.gbrjob", "zz.gbr"}) {
            assertThat(role(path)).isEqualTo(Role.NOT_PART);
            assertThat(doubt(path)).isEmpty();
        }
        assertThat(now.get("job.gbrjob").evidence()).startsWith("a job file");
        assertThat(now.get("zz.gbr").evidence()).isEqualTo("an empty picture");
    }

    /**
     * A name and a picture that contradict each other: which of both is wrong is not ours to say.
     */
    @Test
    void aNameThatContradictsThePictureIsAskedAbout() {
        usualNames();
        board.files.put("silk.gbr", board.files.remove("x.gko"));
        board.files.remove("x.gto");
        propose();
        assertThat(role("silk.gbr")).isEqualTo(Role.OUTLINE);
        assertThat(asked("silk.gbr"))
                .isEqualTo("its name says “silk”, but what it shows is outline");
        // What the file says of itself outweighs its name.
        board.files.put(
                "silk.gbr", "%TF.FileFunction,Profile,NP*%\n" + board.files.get("silk.gbr"));
        propose();
        assertThat(role("silk.gbr")).isEqualTo(Role.OUTLINE);
        assertThat(doubt("silk.gbr")).isEmpty();
    }

    @Test
    void twoOfOneKindAreAskedAbout() {
        usualNames();
        String other = HEAD + lines("D13", 8, 3.4, 12, 3.4, 8, 6.6, 12, 6.6, 8, 13.4, 12, 13.4);
        board.files.put("y.gto", other + END);
        propose();
        // Neither takes the place before the user says which.
        assertThat(now.values()).noneMatch(f -> f.role().equals(SILK));
        assertThat(asked("x.gto")).isEqualTo("it may be silk top, or no part of the board");
        assertThat(asked("y.gto")).isEqualTo("it looks like silk top, but x.gto is that already");
        assertThat(now.values().stream().filter(f -> f.doubt().isPresent())).hasSize(2);
    }

    @Test
    void aDrawingOfHolesIsHolesWhereItSaysSo() {
        usualNames();
        String drawn = HEAD + pads("D10", HOLES) + END;
        board.files.remove("x.drl");
        board.files.put("h.gbr", "%TF.FileFunction,NonPlated,1,2,NPTH*%\n" + drawn);
        propose();
        assertThat(role("h.gbr")).isEqualTo(Role.UNPLATED_HOLES);
        assertThat(now.get("h.gbr").evidence()).contains("the file says NonPlated, 1, 2, NPTH");
        board.files.remove("h.gbr");
        board.files.put("pth.gbr", drawn);
        propose();
        assertThat(role("pth.gbr")).isEqualTo(Role.PLATED_HOLES);
    }

    @Test
    void layersWithoutAnOrderAreAskedAbout() {
        usualNames();
        String tracks = lines("D12", 5, 5, 25, 15, 5, 15, 15, 10) + END;
        board.files.put("qa", HEAD + pads("D10", HOLES) + tracks);
        board.files.put(
                "qb", HEAD + pads("D10", HOLES) + lines("D12", 5, 5, 5, 15, 5, 15, 15, 10) + END);
        propose();
        for (String path : new String[] {"qa", "qb"}) {
            assertThat(role(path).inner()).as(path).isPositive();
            assertThat(doubt(path)).contains(Doubt.Kind.ORDER);
            assertThat(now.get(path).evidence())
                    .endsWith("nothing tells the order of the inner layers, so by name");
        }
        assertThat(role("qa")).isEqualTo(Role.innerCopper(1));
        board.files.put("inner2.gbr", board.files.remove("qa"));
        propose();
        assertThat(role("inner2.gbr")).isEqualTo(Role.innerCopper(2));
        assertThat(role("qb")).isEqualTo(Role.innerCopper(1));
        assertThat(now.values()).allMatch(f -> f.doubt().isEmpty());
    }

    @Test
    void tablesHolesAndDrawingsHaveTheirRolesAndUnits() {
        usualNames();
        board.files.put("bom.csv", "Designator,Value\nR1,10k\n");
        board.files.put(
                "edge.dxf",
                "0\nSECTION\n2\nENTITIES\n0\nLINE\n8\n0\n10\n0\n20\n0\n11\n30\n21\n20\n0\n"
                        + "ENDSEC\n0\nEOF\n");
        chosen.put("edge.dxf", Role.NOT_PART);
        chosen.put("x.drl", Role.UNPLATED_HOLES);
        propose();
        assertThat(role("bom.csv")).isEqualTo(Role.PARTS_LIST);
        assertThat(now.get("edge.dxf").scale()).isNotEmpty();
        assertThat(role("x.drl")).isEqualTo(Role.UNPLATED_HOLES);
        assertThat(now.get("x.drl").scale()).isEqualTo("mm 3.3, leading zeros left out");
        assertThat(now.get("x.drl").chosen()).isTrue();
    }

    @Test
    void whatTheUserSaidBeforeIsHeard() {
        call("copper 1", "qx", "copper 2", "qy", "openings 1", "qz", "drill", "qd");
        Role mask = Role.of(Role.Kind.MASK, Side.BOTTOM);
        Map<String, Role> said = Map.of("qx", COPPER.across(), "qy", COPPER, "qz", mask);
        now = RoleProposer.propose(board.facts(), chosen, copies, new Remembered(said));
        assertThat(role("qx")).isEqualTo(COPPER.across());
        assertThat(role("qy")).isEqualTo(COPPER);
        assertThat(role("qz")).isEqualTo(mask);
        assertThat(now.values()).allMatch(f -> f.doubt().isEmpty());
    }

    /** Where every file says what it is nobody else is heard, not even the pictures. */
    @Test
    void whatEveryFileSaysOfItselfIsBelieved() {
        call("copper 1", "x.gbl", "copper 2", "x.gtl");
        board.files.replaceAll(
                (path, text) ->
                        "%TF.FileFunction,Copper,"
                                + (path.equals("x.gbl") ? "L1,Top" : "L2,Bot")
                                + "*%\n"
                                + text);
        propose();
        assertThat(role("x.gbl")).isEqualTo(COPPER);
        assertThat(now.get("x.gbl").evidence()).isEqualTo("the file says Copper, L1, Top");
        assertThat(now.get("x.gbl").against()).isEmpty();
        assertThat(now.values()).allMatch(f -> f.doubt().isEmpty());
    }

    /** A drawing of the holes is none of them where there is a drill file. */
    @Test
    void aDrawingOfHolesBesideADrillFileIsAsideOrAskedAbout() {
        usualNames();
        board.files.put("drill map.gbr", HEAD + pads("D10", 5, 5, 9, 9, 25, 15) + END);
        propose();
        assertThat(role("drill map.gbr").isHoles()).isFalse();
        assertThat(role("x.drl")).isEqualTo(Role.PLATED_HOLES);
        board.files.put(
                "h.gbr", "%TF.FileFunction,Plated,1,2,PTH*%\n" + HEAD + pads("D10", HOLES) + END);
        propose();
        assertThat(role("h.gbr")).isEqualTo(Role.PLATED_HOLES);
    }

    @Test
    void aSheetWithAFrameIsNamedAsNoPart() {
        usualNames();
        String frame = lines("D13", -60, -60, 90, -60, -60, -60, -60, 60, 90, -60, 90, -20);
        String over = lines("D13", 8.6, 5, 11.4, 5, 8.6, 15, 11.4, 15);
        board.files.put("zz.gbr", HEAD + frame + over + END);
        board.files.put("drawing.gbr", HEAD + over + END);
        propose();
        for (String path : new String[] {"zz.gbr", "drawing.gbr"}) {
            assertThat(role(path)).as(path).isEqualTo(Role.NOT_PART);
            assertThat(doubt(path)).isEmpty();
        }
        assertThat(now.get("zz.gbr").evidence())
                .contains("it reaches far beyond the other pictures");
        assertThat(now.get("drawing.gbr").evidence()).contains("its name says “drawing”");
    }

    /** One bit is one doubling of the odds. */
    @ParameterizedTest
    @CsvSource({"0, 0.5", "-3, 0.5", "1, 0.75", "2, 0.875", "2.5, 0.912", "20, 1"})
    void confidenceIsTheChanceThatAMarginLeaves(double bits, double chance) {
        assertThat(RoleProposer.confidence(bits)).isEqualTo(chance);
    }
}
