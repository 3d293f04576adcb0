package dev.lastcut.server.ticket;

import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.touch.edge.CutOut;
import dev.lastcut.core.touch.edge.Edge;
import dev.lastcut.core.touch.holes.AddHole;
import dev.lastcut.core.touch.holes.MountingHoles;
import dev.lastcut.core.touch.holes.MoveHole;
import dev.lastcut.core.touch.holes.PlateHole;
import dev.lastcut.core.touch.holes.ResizeHole;
import dev.lastcut.core.touch.holes.SnapHoles;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Touches on holes and on the edge, as the ticket writes them. */
final class BoardTouches {
    private BoardTouches() {}

    static void in(TouchKinds kinds) {
        kinds.add(
                "hole",
                AddHole.class,
                "at! diameter_mm! plated pad_mm keep_out_mm",
                k ->
                        new AddHole(
                                k.point("at"),
                                k.nm("diameter_mm"),
                                k.flag("plated", false),
                                k.nm("pad_mm", 0),
                                k.nm("keep_out_mm", 0)),
                (hole, m) -> {
                    TouchValues.place("at", hole.at(), m);
                    TouchValues.mm("diameter_mm", hole.diameter(), m);
                    m.put("plated", hole.plated());
                    TouchValues.above0("pad_mm", hole.pad(), m);
                    TouchValues.above0("keep_out_mm", hole.keepOut(), m);
                });
        kinds.add(
                "hole-move",
                MoveHole.class,
                "at! to!",
                k -> new MoveHole(k.point("at"), k.point("to")),
                (t, m) -> {
                    TouchValues.place("at", t.at(), m);
                    TouchValues.place("to", t.to(), m);
                });
        kinds.add(
                "hole-size",
                ResizeHole.class,
                "at! diameter_mm!",
                k -> new ResizeHole(k.point("at"), k.nm("diameter_mm")),
                (t, m) -> {
                    TouchValues.place("at", t.at(), m);
                    TouchValues.mm("diameter_mm", t.diameter(), m);
                });
        kinds.add(
                "hole-plating",
                PlateHole.class,
                "at! plated!",
                k -> new PlateHole(k.point("at"), k.flag("plated", false)),
                (t, m) -> {
                    TouchValues.place("at", t.at(), m);
                    m.put("plated", t.plated());
                });
        kinds.add(
                "hole-snap",
                SnapHoles.class,
                "drills_mm most_mm",
                k ->
                        new SnapHoles(
                                k.lengths("drills_mm").stream().map(Math::round).toList(),
                                k.nm("most_mm", Length.toMm(SnapHoles.USUAL_MOST_NM))),
                (t, m) -> {
                    if (!t.drills().isEmpty()) {
                        m.put("drills_mm", t.drills().stream().map(Length::toMm).toList());
                    }
                    TouchValues.mm("most_mm", t.most(), m);
                });
        kinds.add(
                "mounting-holes",
                MountingHoles.class,
                "diameter_mm! inset_mm! keep_out_mm",
                k ->
                        new MountingHoles(
                                k.nm("diameter_mm"), k.nm("inset_mm"), k.nm("keep_out_mm", 0)),
                (holes, m) -> {
                    TouchValues.mm("diameter_mm", holes.diameter(), m);
                    TouchValues.mm("inset_mm", holes.inset(), m);
                    TouchValues.above0("keep_out_mm", holes.keepOut(), m);
                });
        kinds.add(
                "edge",
                Edge.class,
                "replace drawing scale_to_mm move_mm corner_mm cut_out",
                BoardTouches::edge,
                BoardTouches::write);
    }

    private static Edge edge(TouchKeys k) {
        Optional<CutOut> cut = Optional.empty();
        if (k.isList("cut_out")) {
            cut = Optional.of(new CutOut(k.points("cut_out"), 0));
        } else if (k.within("cut_out").isPresent()) {
            TouchKeys c = k.within("cut_out").get();
            cut =
                    Optional.of(
                            new CutOut(
                                    List.of(c.point("at")),
                                    c.has("radius_mm")
                                            ? 2 * c.nm("radius_mm")
                                            : c.nm("diameter_mm")));
        }
        boolean replaces = k.has("replace") || k.has("drawing");
        return new Edge(
                replaces ? Optional.of(TouchValues.source(k, "replace")) : Optional.empty(),
                k.lengths("scale_to_mm"),
                k.has("move_mm") ? Optional.of(k.point("move_mm")) : Optional.empty(),
                k.nm("corner_mm", 0),
                cut);
    }

    private static void write(Edge t, Map<String, Object> m) {
        t.replace().ifPresent(s -> TouchValues.write(s, "replace", m));
        if (t.scaleTo().size() == 1) {
            TouchValues.mm("scale_to_mm", t.scaleTo().get(0), m);
        } else if (!t.scaleTo().isEmpty()) {
            m.put("scale_to_mm", t.scaleTo().stream().map(Length::toMm).toList());
        }
        t.move().ifPresent(p -> TouchValues.place("move_mm", p, m));
        TouchValues.above0("corner_mm", t.corner(), m);
        t.cutOut()
                .ifPresent(
                        c -> {
                            if (c.diameter() > 0) {
                                Map<String, Object> round = new LinkedHashMap<>();
                                TouchValues.place("at", c.corners().get(0), round);
                                TouchValues.mm("diameter_mm", c.diameter(), round);
                                m.put("cut_out", round);
                            } else {
                                TouchValues.places("cut_out", c.corners(), m);
                            }
                        });
    }
}
