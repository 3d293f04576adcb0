package dev.lastcut.core.check.panel;

import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.panel.Break;
import dev.lastcut.core.panel.Join;
import dev.lastcut.core.panel.Panel;
import dev.lastcut.core.panel.PlacedBoard;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.index.strtree.STRtree;

/** Tabs under or against parts that hang over the edge: connectors, mostly. */
public final class TabAtConnectorRule extends PanelRule {
    @Override
    public String id() {
        return "tab-at-connector";
    }

    @Override
    public String title() {
        return "Tabs at connectors";
    }

    /** The same part of every like board. */
    private record Of(Object source, String designator) {}

    private record Standing(Of of, Geometry outline) {}

    @Override
    Optional<String> run(CheckContext c, Panel panel, List<Finding> out) {
        if (panel.plan().join() != Join.TABS) {
            return Optional.of("the panel has no tabs");
        }
        STRtree bodies = new STRtree();
        boolean any = false;
        for (PlacedBoard b : panel.boards()) {
            for (PartBodies.Body body : b.source().bodies()) {
                if (body.fitted()) {
                    Geometry outline = b.onPanel(body.outline());
                    bodies.insert(
                            outline.getEnvelopeInternal(),
                            new Standing(new Of(b.source(), body.designator()), outline));
                    any = true;
                }
            }
        }
        if (!any) {
            return Optional.of("the pack has no placement, so nobody knows where parts stand");
        }
        Map<Of, List<Pt>> found = new LinkedHashMap<>();
        for (Break.Tab t : panel.tabs()) {
            for (Object o : bodies.query(t.shape().getEnvelopeInternal())) {
                Standing s = (Standing) o;
                if (s.outline.intersection(t.shape()).getArea() > 0) {
                    found.computeIfAbsent(s.of, k -> new ArrayList<>())
                            .add(Pt.of(t.shape().getCentroid().getCoordinate()));
                }
            }
        }
        found.forEach((of, places) -> out.add(finding(of, places)));
        return Optional.empty();
    }

    private Finding finding(Of of, List<Pt> places) {
        return finding(Severity.STOP)
                .at(places.get(0))
                .alsoAt(places)
                .parts(List.of(of.designator))
                .say(
                        of.designator
                                + " hangs over the edge where "
                                + (places.size() == 1 ? "a tab is" : places.size() + " tabs are")
                                + ": it cannot be soldered on the panel, nor the tab broken"
                                + " without it. Turn the board, or have fewer or narrower tabs a"
                                + " side.");
    }
}
