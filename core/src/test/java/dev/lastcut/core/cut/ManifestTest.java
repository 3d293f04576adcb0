package dev.lastcut.core.cut;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.stencil.StencilPlan;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class ManifestTest {
    private static final CapabilitySheet SHEET = TestBoards.house(Map.of(LimitKey.CLEARANCE, 0.15));
    private static final Board BOARD =
            new TestBoards()
                    .on(Role.Kind.COPPER, Side.TOP)
                    .round(10, 10, 1)
                    .round(11.1, 10, 1)
                    .outline(0, 0, 30, 20)
                    .board();

    private static final BoardGeometry GEOMETRY = new BoardGeometry(BOARD);
    private static final CheckRun CHECKS =
            CheckRunner.run(new CheckContext(GEOMETRY, SHEET, Headroom.NONE));

    private static Manifest manifest(List<SignOff> signOffs) {
        return Manifest.of(
                "board",
                3,
                "2026-01-02T03:04:05Z",
                SHEET,
                OutputSet.make(
                                GEOMETRY,
                                SHEET,
                                MillSetup.USUAL,
                                Map.of(),
                                PartsPlan.NONE,
                                StencilPlan.AS_DRAWN,
                                Order.USUAL,
                                Optional.empty())
                        .files(),
                CHECKS,
                signOffs);
    }

    /** FIPS 180-4, the example for "abc". */
    @Test
    void hashIsSha256() {
        assertThat(Manifest.sha256("abc".getBytes(StandardCharsets.US_ASCII)))
                .isEqualTo("ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad");
    }

    @Test
    void anOpenStopIsNotReleasedAndASignOffReleasesIt() {
        String id = CHECKS.findings().get(0).id();
        assertThat(manifest(List.of()).released()).isFalse();
        assertThat(manifest(List.of()).openStops()).containsExactly(id);
        Manifest signed =
                manifest(List.of(new SignOff(id, "Ida", "tested", "2026-01-01T00:00:00Z")));
        assertThat(signed.released()).isTrue();
        // A sign-off of something else neither releases nor is handed over.
        Manifest other =
                manifest(List.of(new SignOff("short-0", "Ida", "?", "2026-01-01T00:00:00Z")));
        assertThat(other.released()).isFalse();
        assertThat(other.signOffs()).isEmpty();
    }

    @Test
    void theNoteSaysWhatIsAcceptedAndWhatIsNotReleased() {
        String id = CHECKS.findings().get(0).id();
        String open =
                new String(ShopNote.write(manifest(List.of()), GEOMETRY), StandardCharsets.UTF_8);
        assertThat(open)
                .contains("NOT RELEASED")
                .contains("30.000 mm x 20.000 mm")
                .contains("fabrication/copper-top.gbr");
        Manifest signed =
                manifest(List.of(new SignOff(id, "Ida", "tested at home", "2026-01-01T00:00:00Z")));
        String note = new String(ShopNote.write(signed, GEOMETRY), StandardCharsets.UTF_8);
        assertThat(note).doesNotContain("NOT RELEASED").contains("tested at home (Ida)");
    }

    @Test
    void theSameBoardGivesTheSameBytes() {
        List<OutputFile> a =
                OutputSet.make(
                                new BoardGeometry(BOARD),
                                SHEET,
                                MillSetup.USUAL,
                                Map.of(),
                                PartsPlan.NONE,
                                StencilPlan.AS_DRAWN,
                                Order.USUAL,
                                Optional.empty())
                        .files();
        List<OutputFile> b =
                OutputSet.make(
                                new BoardGeometry(BOARD),
                                SHEET,
                                MillSetup.USUAL,
                                Map.of(),
                                PartsPlan.NONE,
                                StencilPlan.AS_DRAWN,
                                Order.USUAL,
                                Optional.empty())
                        .files();
        assertThat(a).hasSameSizeAs(b);
        for (int i = 0; i < a.size(); i++) {
            assertThat(a.get(i).content()).isEqualTo(b.get(i).content());
        }
    }

    @Test
    void whatCannotBeMadeIsSaid() {
        assertThat(
                        OutputSet.make(
                                        GEOMETRY,
                                        SHEET,
                                        MillSetup.USUAL,
                                        Map.of(),
                                        PartsPlan.NONE,
                                        StencilPlan.AS_DRAWN,
                                        Order.USUAL,
                                        Optional.empty())
                                .remarks())
                .anyMatch(r -> r.contains("stencil"))
                .anyMatch(r -> r.contains("bill of materials"))
                .anyMatch(r -> r.contains("placement"));
    }
}
