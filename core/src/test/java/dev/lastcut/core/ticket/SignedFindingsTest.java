package dev.lastcut.core.ticket;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.cut.SignOff;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.report.CheckReport;
import dev.lastcut.core.report.JunitReport;
import java.io.ByteArrayInputStream;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/** Sign-offs by id, and by rule and place alone, as someone writes them by hand. */
class SignedFindingsTest {
    private static final CapabilitySheet SHEET = TestBoards.house(Map.of(LimitKey.CLEARANCE, 0.15));

    /** Two round pads this far apart, edge to edge. */
    private static BoardGeometry pads(double gap) {
        return new BoardGeometry(
                new TestBoards()
                        .on(Role.Kind.COPPER, Side.TOP)
                        .round(10, 10, 1)
                        .round(11 + gap, 10, 1)
                        .outline(0, 0, 30, 20)
                        .board());
    }

    private static CheckRun check(BoardGeometry board) {
        return CheckRunner.run(new CheckContext(board, SHEET, Headroom.NONE));
    }

    private static Finding gap(CheckRun run) {
        return run.findings().stream()
                .filter(f -> f.rule().equals("clearance"))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void byRuleAndPlaceItHoldsThereAndNowhereElse() {
        CheckRun run = check(pads(0.1));
        Finding f = gap(run);
        for (double off : new double[] {0, 0.3, 0.45, 0.6, 5}) {
            Pt at = Pt.mm(f.at().x() / 1e6 + off, f.at().y() / 1e6);
            Acceptance a = new Acceptance("clearance", at, "Ida", "fine", Optional.empty());
            // Half a millimetre is how far a finding may move and still be the same.
            assertThat(SignedFindings.of(run, List.of(a)).valid().containsKey(f.id()))
                    .as("%s mm off", off)
                    .isEqualTo(off <= 0.5);
        }
        Acceptance other = new Acceptance("stub", f.at(), "Ida", "fine", Optional.empty());
        assertThat(SignedFindings.of(run, List.of(other)).valid()).isEmpty();
    }

    @Test
    void whatGotWorseLapsesUnlessOnlyRuleAndPlaceWereNamed() {
        Finding before = gap(check(pads(0.12)));
        CheckRun run = check(pads(0.09));
        Acceptance known = Acceptance.of(before, "Ida", "fine", 1, "2026-01-01T00:00:00Z");
        SignedFindings signed = SignedFindings.of(run, List.of(known));
        assertThat(signed.valid()).isEmpty();
        assertThat(signed.lapsed()).containsKey(gap(run).id());
        Acceptance named =
                new Acceptance("clearance", before.at(), "Ida", "fine", Optional.empty());
        assertThat(SignedFindings.of(run, List.of(named)).valid()).containsKey(gap(run).id());
    }

    private static Element caseOf(byte[] xml, String rule) throws Exception {
        Document d =
                DocumentBuilderFactory.newInstance()
                        .newDocumentBuilder()
                        .parse(new ByteArrayInputStream(xml));
        for (int i = 0; i < d.getElementsByTagName("testcase").getLength(); i++) {
            Element e = (Element) d.getElementsByTagName("testcase").item(i);
            if (e.getAttribute("name").equals(rule)) {
                return e;
            }
        }
        throw new AssertionError("no case " + rule);
    }

    /** Read back with the platform's own XML reader. */
    @Test
    void aBuildServerSeesOpenStopsAsFailuresAndSignedOnesAsOutput() throws Exception {
        BoardGeometry board = pads(0.1);
        CheckRun run = check(board);
        String odd = "R&D <x> \u0001 ]]>";
        byte[] open =
                JunitReport.write(
                        new CheckReport(
                                odd, "2026-01-01T00:00:00Z", List.of(), board, run, List.of()));
        Element failed = caseOf(open, "clearance");
        assertThat(failed.getElementsByTagName("failure").getLength()).isEqualTo(1);
        assertThat(failed.getAttribute("classname")).isEqualTo("R&D <x> ? ]]>");
        Element suite = failed.getOwnerDocument().getDocumentElement();
        assertThat(Integer.parseInt(suite.getAttribute("tests"))).isEqualTo(run.results().size());
        assertThat(suite.getElementsByTagName("skipped").getLength())
                .isEqualTo(Integer.parseInt(suite.getAttribute("skipped")))
                .isPositive();
        assertThat(suite.getElementsByTagName("failure").getLength())
                .isEqualTo(Integer.parseInt(suite.getAttribute("failures")));

        SignOff signed = new SignOff(gap(run).id(), "Ida", "fine", "");
        byte[] accepted =
                JunitReport.write(
                        new CheckReport(
                                "b",
                                "2026-01-01T00:00:00Z",
                                List.of(),
                                board,
                                run,
                                List.of(signed)));
        Element passed = caseOf(accepted, "clearance");
        assertThat(passed.getElementsByTagName("failure").getLength()).isZero();
        assertThat(passed.getElementsByTagName("system-out").item(0).getTextContent())
                .contains("signed off by Ida");
    }
}
