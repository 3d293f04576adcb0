package dev.lastcut.core.panel;

import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;

/** A panel as it is laid out. Lengths in nm, in panel coordinates. */
public final class Panel {
    private final PanelPlan plan;
    private final Layout layout;
    private final List<Polygon> rails;
    private final List<Break> breaks;
    private final Marks marks;
    private final Geometry material;
    private BoardGeometry whole;

    private Panel(PanelPlan plan, Layout layout) {
        this.plan = plan;
        this.layout = layout;
        this.rails = Material.rails(plan, layout);
        this.breaks = new ArrayList<>();
        List<Break.Tab> tabs = new ArrayList<>();
        if (plan.join() == Join.TABS) {
            tabs.addAll(TabMaker.of(plan, layout, rails));
            breaks.addAll(tabs);
        } else if (plan.join() == Join.SCORE) {
            breaks.addAll(ScoreMaker.of(layout));
        }
        this.marks = Marks.of(plan, layout);
        this.material = Material.of(plan, layout, rails, tabs);
    }

    /**
     * @param own the job's board
     * @param others boards of other packs, by name
     * @throws IllegalArgumentException when the boards cannot lie on one panel; the sentence begins
     *     with the key it is about
     */
    public static Panel of(PanelPlan plan, PanelSource own, Map<String, PanelSource> others) {
        return of(plan, Layout.of(plan, own, others), own, others);
    }

    static Panel of(
            PanelPlan plan, Layout layout, PanelSource own, Map<String, PanelSource> others) {
        int layers = own.geometry().board().copper().size();
        others.forEach(
                (name, o) -> {
                    int has = o.geometry().board().copper().size();
                    if (has != layers) {
                        throw new IllegalArgumentException(
                                "also.pack: "
                                        + name
                                        + " has "
                                        + has
                                        + " copper layers and this board "
                                        + layers
                                        + ": they cannot be made on one panel. Order them apart");
                    }
                });
        layout.requireApart();
        return new Panel(plan, layout);
    }

    public PanelPlan plan() {
        return plan;
    }

    public double widthNm() {
        return layout.widthNm();
    }

    public double heightNm() {
        return layout.heightNm();
    }

    public List<PlacedBoard> boards() {
        return layout.boards();
    }

    public List<Polygon> rails() {
        return rails;
    }

    public List<Break> breaks() {
        return List.copyOf(breaks);
    }

    public List<Break.Tab> tabs() {
        return breaks.stream().filter(b -> b instanceof Break.Tab).map(b -> (Break.Tab) b).toList();
    }

    public List<Break.Score> scores() {
        return breaks.stream()
                .filter(b -> b instanceof Break.Score)
                .map(b -> (Break.Score) b)
                .toList();
    }

    public List<Pt> fiducials() {
        return marks.fiducials();
    }

    public List<Pt> tooling() {
        return marks.tooling();
    }

    /** What stays when channels and cut-outs are routed. */
    public Geometry material() {
        return material;
    }

    /** How much of the panel's area its boards take, in percent. */
    public double usedPercent() {
        double used = 0;
        Map<PanelSource, Double> areas = new HashMap<>();
        for (PlacedBoard b : layout.boards()) {
            used += areas.computeIfAbsent(b.source(), s -> s.geometry().boardArea().getArea());
        }
        return 100 * used / (layout.widthNm() * layout.heightNm());
    }

    /** How many tabs hold each board, by its number; empty where nothing joins them. */
    public Map<Integer, Integer> tabsOfBoards() {
        Map<Integer, Integer> counts = new HashMap<>();
        if (plan.join() == Join.TABS) {
            layout.boards().forEach(b -> counts.put(b.number(), 0));
            for (Break.Tab t : tabs()) {
                counts.merge(t.board(), 1, Integer::sum);
                if (t.other() > 0) {
                    counts.merge(t.other(), 1, Integer::sum);
                }
            }
        }
        return counts;
    }

    /** The bodies of its boards' parts where they stand on it. */
    public List<PartBodies.Body> bodies() {
        List<PartBodies.Body> all = new ArrayList<>();
        for (PlacedBoard b : layout.boards()) {
            for (PartBodies.Body body : b.source().bodies()) {
                all.add(b.onPanel(body));
            }
        }
        return all;
    }

    /** What is chosen about the parts of its boards, by their designators on the panel. */
    public PartsPlan parts() {
        return PanelParts.plan(this);
    }

    /** The panel as one board, made when first asked for. */
    public synchronized BoardGeometry whole() {
        if (whole == null) {
            whole = new BoardGeometry(PanelBoard.of(this), material);
        }
        return whole;
    }
}
