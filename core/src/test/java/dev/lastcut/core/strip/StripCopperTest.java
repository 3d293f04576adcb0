package dev.lastcut.core.strip;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonArray;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import dev.lastcut.core.capability.StripTerms;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.strip.paper.StripPlanJson;
import dev.lastcut.core.strip.paper.StripTables;
import java.io.IOException;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.planargraph.DirectedEdge;
import org.locationtech.jts.planargraph.Edge;
import org.locationtech.jts.planargraph.Node;
import org.locationtech.jts.planargraph.PlanarGraph;
import org.locationtech.jts.planargraph.Subgraph;
import org.locationtech.jts.planargraph.algorithm.ConnectedSubgraphFinder;

/** What a plan joins is held against a graph library, and against what the copper's shapes join. */
class StripCopperTest {
    private static final StripTerms.Stock STOCK =
            new StripTerms.Stock("with a gap", 8, 14, List.of(new StripTerms.Gap(2, 5, 7)));

    /** Random cuts, knife cuts and links; no link crosses another, as wires on top may not. */
    private static StripPlan random(Random r) {
        Set<GridHole> cuts = new HashSet<>();
        Set<GridHole> knife = new HashSet<>();
        for (int i = 0; i < 14; i++) {
            cuts.add(new GridHole(r.nextInt(8), r.nextInt(14)));
            knife.add(new GridHole(r.nextInt(8), r.nextInt(13)));
        }
        List<StripPlan.Link> links = new ArrayList<>();
        for (int h = 0; h < 14; h++) {
            int a = r.nextInt(8);
            int b = r.nextInt(8);
            if (a != b) {
                links.add(new StripPlan.Link(new GridHole(a, h), new GridHole(b, h)));
            }
        }
        return new StripPlan(
                Optional.of(STOCK.name()), 8, 14, Map.of(), cuts, knife, links, List.of());
    }

    /** The holes that are joined, by an independent graph: a node a hole, an edge a joint. */
    @SuppressWarnings("unchecked")
    private static Set<Set<GridHole>> byLibrary(
            int strips,
            int holes,
            Set<GridHole> bare,
            Set<GridHole> knife,
            List<StripPlan.Link> links) {
        class Graph extends PlanarGraph {
            Node of(GridHole h) {
                Coordinate at = new Coordinate(h.hole(), h.strip());
                Node known = findNode(at);
                if (known == null) {
                    known = new Node(at);
                    add(known);
                }
                return known;
            }

            void join(GridHole a, GridHole b) {
                Node x = of(a);
                Node y = of(b);
                Coordinate cx = x.getCoordinate();
                Coordinate cy = y.getCoordinate();
                Edge e =
                        new Edge(
                                new DirectedEdge(x, y, cy, true),
                                new DirectedEdge(y, x, cx, false));
                add(e);
            }
        }
        Graph graph = new Graph();
        Set<Set<GridHole>> all = new HashSet<>();
        Set<GridHole> joined = new HashSet<>();
        for (int s = 0; s < strips; s++) {
            for (int h = 0; h + 1 < holes; h++) {
                GridHole a = new GridHole(s, h);
                GridHole b = new GridHole(s, h + 1);
                if (!bare.contains(a) && !bare.contains(b) && !knife.contains(a)) {
                    graph.join(a, b);
                    joined.addAll(List.of(a, b));
                }
            }
        }
        for (StripPlan.Link l : links) {
            if (!bare.contains(l.from()) && !bare.contains(l.to())) {
                graph.join(l.from(), l.to());
                joined.addAll(List.of(l.from(), l.to()));
            }
        }
        for (Object o : new ConnectedSubgraphFinder(graph).getConnectedSubgraphs()) {
            Set<GridHole> one = new TreeSet<>();
            ((Subgraph) o)
                    .nodeIterator()
                    .forEachRemaining(
                            n -> {
                                Coordinate c = ((Node) n).getCoordinate();
                                one.add(new GridHole((int) c.y, (int) c.x));
                            });
            all.add(one);
        }
        for (int s = 0; s < strips; s++) {
            for (int h = 0; h < holes; h++) {
                GridHole alone = new GridHole(s, h);
                if (!bare.contains(alone) && !joined.contains(alone)) {
                    all.add(new TreeSet<>(Set.of(alone)));
                }
            }
        }
        return all;
    }

    private static Set<Set<GridHole>> groups(StripPlan plan, StripCopper copper) {
        Map<Integer, Set<GridHole>> all = new TreeMap<>();
        for (int s = 0; s < plan.strips(); s++) {
            for (int h = 0; h < plan.holes(); h++) {
                GridHole at = new GridHole(s, h);
                copper.at(at)
                        .ifPresent(
                                p -> all.computeIfAbsent(p.group(), k -> new TreeSet<>()).add(at));
            }
        }
        return new HashSet<>(all.values());
    }

    @Test
    void randomPlansJoinWhatAGraphLibraryJoins() throws IOException {
        Random r = new Random(31);
        for (int round = 0; round < 200; round++) {
            StripPlan plan = random(r);
            StripCopper copper = new StripCopper(plan, STOCK.gaps());
            Set<Set<GridHole>> expected =
                    byLibrary(
                            8,
                            14,
                            StripCopper.bare(plan, STOCK.gaps()),
                            plan.knifeCuts(),
                            plan.links());
            assertThat(groups(plan, copper)).isEqualTo(expected);
            StripLayout layout =
                    new StripLayout(StripCircuit.NONE, StripCircuits.TERMS, STOCK, plan, false);
            assertThat(fromTables(layout)).as("from the tables").isEqualTo(expected);
            assertThat(fromJson(layout)).as("from plan.json").isEqualTo(expected);
        }
    }

    private static Set<Set<GridHole>> fromTables(StripLayout layout) throws IOException {
        Set<GridHole> bare = new HashSet<>();
        Set<GridHole> knife = new HashSet<>();
        for (CSVRecord c : rows(StripTables.cutsCsv(layout))) {
            GridHole at = hole(c, "strip", "hole");
            (c.get("how").equals("knife") ? knife : bare).add(at);
        }
        // A knife's cut at a hole that is drilled away as well stands once, as drilled.
        List<StripPlan.Link> links = new ArrayList<>();
        for (CSVRecord c : rows(StripTables.linksCsv(layout))) {
            links.add(
                    new StripPlan.Link(
                            hole(c, "from_strip", "from_hole"), hole(c, "to_strip", "to_hole")));
        }
        return byLibrary(8, 14, bare, knife, links);
    }

    private static List<CSVRecord> rows(byte[] csv) throws IOException {
        CSVFormat format = CSVFormat.RFC4180.builder().setHeader().setSkipHeaderRecord(true).get();
        return format.parse(new StringReader(new String(csv, StandardCharsets.UTF_8))).getRecords();
    }

    private static GridHole hole(CSVRecord c, String strip, String hole) {
        return new GridHole(Integer.parseInt(c.get(strip)), Integer.parseInt(c.get(hole)));
    }

    private static Set<Set<GridHole>> fromJson(StripLayout layout) {
        JsonObject json = JsonParser.parseString(StripPlanJson.write(layout)).getAsJsonObject();
        List<StripPlan.Link> links = new ArrayList<>();
        for (var l : json.getAsJsonArray("links")) {
            JsonArray ends = l.getAsJsonArray();
            links.add(
                    new StripPlan.Link(
                            hole(ends.get(0).getAsJsonArray()),
                            hole(ends.get(1).getAsJsonArray())));
        }
        return byLibrary(
                json.get("strips").getAsInt(),
                json.get("holes").getAsInt(),
                holes(json, "cuts"),
                holes(json, "knife_cuts"),
                links);
    }

    private static Set<GridHole> holes(JsonObject json, String key) {
        Set<GridHole> all = new HashSet<>();
        json.getAsJsonArray(key).forEach(h -> all.add(hole(h.getAsJsonArray())));
        return all;
    }

    private static GridHole hole(JsonArray a) {
        return new GridHole(a.get(0).getAsInt(), a.get(1).getAsInt());
    }

    /** The layout drawn as copper, wires and holes has the nets that its plan has. */
    @Test
    void theShapesOfTheCopperJoinTheSame() {
        Random r = new Random(7);
        for (int round = 0; round < 10; round++) {
            StripPlan plan = random(r);
            StripLayout layout =
                    new StripLayout(StripCircuit.NONE, StripCircuits.TERMS, STOCK, plan, false);
            BoardGeometry drawn = StripBoard.of(StripCircuits.board(StripCircuits.FLASHER), layout);
            StripCopper copper = layout.copper();
            Map<Integer, Integer> netOfGroup = new HashMap<>();
            for (StripCopper.StripPiece p : copper.pieces()) {
                int bottom = drawn.board().copper().size() - 1;
                // Beside the hole, where there is copper.
                var at = layout.at(new GridHole(p.strip(), p.first()));
                List<CopperNode> there = drawn.nets().at(bottom, new Pt(at.x(), at.y() + 800_000));
                assertThat(there).as("copper at " + p).hasSize(1);
                int net = there.get(0).net();
                Integer had = netOfGroup.putIfAbsent(p.group(), net);
                assertThat(had == null || had == net).isTrue();
            }
            assertThat(new HashSet<>(netOfGroup.values())).hasSameSizeAs(netOfGroup.keySet());
        }
    }
}
