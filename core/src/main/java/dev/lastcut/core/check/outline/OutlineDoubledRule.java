package dev.lastcut.core.check.outline;

import dev.lastcut.core.board.Outline;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Geometry;

/** More than one outer contour, or an edge that is drawn twice. Cut-outs inside are fine. */
public final class OutlineDoubledRule implements Rule {
    /** A contour this near to the edge all along is the edge drawn again: 0.1 mm. */
    private static final double UPON_NM = 100_000;

    @Override
    public String id() {
        return "outline-doubled";
    }

    @Override
    public String title() {
        return "Duplicate outline";
    }

    @Override
    public Outcome run(CheckContext c) {
        if (c.geometry().boardArea().isEmpty()) {
            return Outcome.notRun("there is no closed outline");
        }
        Outline outline = c.board().outline().orElseThrow();
        Geometry edge = c.geometry().boardArea().getBoundary();
        List<Finding> findings = new ArrayList<>();
        for (List<Segment> contour : outline.others()) {
            Pt at = contour.get(0).middle();
            boolean upon =
                    contour.stream()
                            .allMatch(s -> edge.isWithinDistance(Geo.point(s.middle()), UPON_NM));
            findings.add(upon ? again(at, 1) : outside(at, outline.others().size() + 1));
        }
        if (!outline.repeated().isEmpty()) {
            findings.add(again(outline.repeated().get(0).middle(), outline.repeated().size()));
        }
        return Outcome.of(findings, outline.cutouts().size() + " cut-outs");
    }

    private Finding outside(Pt at, int contours) {
        return new FindingBuilder(id())
                .layers("outline")
                .at(at)
                .count(contours, 1, "outer contours")
                .say(
                        "The outline has a second outer contour here. The shop cannot know which one"
                                + " is the board. Leave one in the file, or make it a panel.");
    }

    private Finding again(Pt at, int strokes) {
        return new FindingBuilder(id())
                .layers("outline")
                .at(at)
                .count(strokes, 0, "repeated")
                .severity(Severity.LOOK)
                .say(
                        "The edge is drawn twice here. A cutter may go round twice, or take the"
                                + " strip between for a cut-out. Delete one of them.");
    }
}
