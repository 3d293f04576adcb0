package dev.lastcut.core.intake.roles;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Doubt;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.intake.reading.Reading;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Lists, placements and netlists of a pack: one of each kind, the others are asked about. */
class TableRolesTest {
    private static final String LIST = "Designator,Value\nR1,10k\nR2,10k\n";
    private static final String LONGER = LIST + "R3,22k\n";
    private static final String PLACED =
            "Designator,X,Y,Rotation,Side\nR1,1,2,0,Top\nR2,3,4,0,Top\n";

    private final Map<String, Reading> readings = new LinkedHashMap<>();
    private final Map<String, Role> chosen = new LinkedHashMap<>();

    private void put(String path, String text) {
        readings.put(path, Reading.of(path, text.getBytes(StandardCharsets.UTF_8)));
    }

    private SourceFile propose(String path) {
        return TableRoles.propose(new PackFacts(readings), chosen).get(path);
    }

    private void shared(String path, String role, String with) {
        SourceFile f = propose(path);
        assertThat(f.role()).isEqualTo(Role.UNKNOWN);
        assertThat(f.confidence()).isEqualTo(0.3);
        assertThat(f.doubt())
                .contains(
                        new Doubt(
                                Doubt.Kind.SHARED,
                                "it looks like " + role + ", but " + with + " is that already"));
    }

    private void settled(String path, Role role, String evidence) {
        SourceFile f = propose(path);
        assertThat(f.role()).isEqualTo(role);
        assertThat(f.evidence()).isEqualTo(evidence);
        assertThat(f.confidence()).isEqualTo(0.97);
        assertThat(f.doubt()).isEmpty();
    }

    @Test
    void oneOfEachIsTaken() {
        put("a", LIST);
        put("b", PLACED);
        put(
                "c",
                "P  UNITS CUST 1\n"
                        + "327GND           U1    -1         A01X+000100Y+000100X0500Y0500R000 S0\n"
                        + "327VCC           U1    -2         A01X+000200Y+000100X0500Y0500R000 S0\n"
                        + "999\n");
        settled("a", Role.PARTS_LIST, "a table with a designator column, 2 parts");
        settled("b", Role.PLACEMENT, "a table with designator, x and y columns, 2 parts");
        settled("c", Role.NETLIST, "2 test records naming 2 nets");
    }

    @Test
    void ofTwoListsTheLongerIsTakenAndOneWhoseNameSaysSoBeforeIt() {
        put("a.csv", LIST);
        put("b.csv", LONGER);
        settled("b.csv", Role.PARTS_LIST, "a table with a designator column, 3 parts");
        shared("a.csv", "parts list", "b.csv");
        put("z bom.csv", LIST);
        settled("z bom.csv", Role.PARTS_LIST, "a table with a designator column, 2 parts");
        shared("b.csv", "parts list", "z bom.csv");
        shared("a.csv", "parts list", "z bom.csv");
    }

    @Test
    void ofTwoAlikeTheFirstByNameIsTaken() {
        put("b.csv", LIST);
        put("a.csv", LIST.replace("10k", "22k"));
        settled("a.csv", Role.PARTS_LIST, "a table with a designator column, 2 parts");
        shared("b.csv", "parts list", "a.csv");
    }

    @Test
    void whatTheUserChoseIsTaken() {
        put("a.csv", LIST);
        put("b.csv", LONGER);
        chosen.put("a.csv", Role.PARTS_LIST);
        assertThat(propose("a.csv")).isNull();
        shared("b.csv", "parts list", "a.csv");
        chosen.put("a.csv", Role.NOT_PART);
        settled("b.csv", Role.PARTS_LIST, "a table with a designator column, 3 parts");
    }

    @Test
    void placementsThatShareNoPartGoTogether() {
        put("bottom.csv", PLACED.replace("R", "C").replace("Top", "Bottom"));
        put("top.csv", PLACED);
        settled("top.csv", Role.PLACEMENT, "a table with designator, x and y columns, 2 parts");
        settled("bottom.csv", Role.PLACEMENT, "a table with designator, x and y columns, 2 parts");
        // A placement that the user chose is no reason against another.
        chosen.put("top.csv", Role.PLACEMENT);
        settled("bottom.csv", Role.PLACEMENT, "a table with designator, x and y columns, 2 parts");
        chosen.clear();
        put("x.csv", PLACED.replace("R2", "R9"));
        shared("x.csv", "placement", "top.csv");
    }

    @Test
    void anEmptyTableIsOneStill() {
        put("a.csv", "Designator,Value\n");
        SourceFile f = propose("a.csv");
        assertThat(f.role()).isEqualTo(Role.PARTS_LIST);
        assertThat(f.evidence()).endsWith("0 parts; it is empty");
        assertThat(f.confidence()).isEqualTo(0.6);
    }

    @Test
    void aComponentLayerPlacesParts() {
        put(
                "a.gbr",
                "%TF.FileFunction,Component,L1,Top*%\n%FSLAX46Y46*%\n%MOMM*%\n"
                        + "%TA.AperFunction,ComponentMain*%\n%ADD10C,0.3*%\n%TD*%\n"
                        + "%TO.C,R1*%\n%TO.CRot,90*%\nD10*\nX1000000Y2000000D03*\nM02*\n");
        settled("a.gbr", Role.PLACEMENT, "a component layer that places 1 parts");
    }
}
