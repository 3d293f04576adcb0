package dev.lastcut.server.ticket;

import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.copper.BusBar;
import dev.lastcut.core.touch.copper.CoveredTracks;
import dev.lastcut.core.touch.copper.Hatch;
import dev.lastcut.core.touch.copper.KeepAway;
import dev.lastcut.core.touch.copper.OutlineOff;
import dev.lastcut.core.touch.copper.Pour;
import dev.lastcut.core.touch.copper.Relief;
import dev.lastcut.core.touch.copper.Ring;
import dev.lastcut.core.touch.copper.Slivers;
import dev.lastcut.core.touch.copper.Stitch;
import dev.lastcut.core.touch.copper.Strap;
import dev.lastcut.core.touch.copper.Teardrop;
import dev.lastcut.core.touch.copper.Thin;
import dev.lastcut.core.touch.copper.Widen;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Touches on copper, as the ticket writes them. */
final class CopperTouches {
    private CopperTouches() {}

    static void in(TouchKinds kinds) {
        kinds.add(
                "pour",
                Pour.class,
                "layer! net at area clearance_mm edge_mm least_width_mm relief islands keep_old"
                        + " hatch mask_mm",
                CopperTouches::pour,
                CopperTouches::write);
        kinds.add(
                "stitch",
                Stitch.class,
                "net at pitch_mm! hole_mm! pad_mm! along",
                k ->
                        new Stitch(
                                k.net(),
                                k.nm("pitch_mm"),
                                k.nm("hole_mm"),
                                k.nm("pad_mm"),
                                k.points("along")),
                (t, m) -> {
                    TouchValues.write(t.net(), m);
                    TouchValues.via(t.pitch(), t.hole(), t.pad(), m);
                    TouchValues.places("along", t.along(), m);
                });
        kinds.add(
                "bus-bar",
                BusBar.class,
                "net at along! width_mm! pitch_mm! hole_mm! pad_mm!",
                k ->
                        new BusBar(
                                k.net(),
                                k.points("along"),
                                k.nm("width_mm"),
                                k.nm("pitch_mm"),
                                k.nm("hole_mm"),
                                k.nm("pad_mm")),
                (t, m) -> {
                    TouchValues.write(t.net(), m);
                    TouchValues.places("along", t.along(), m);
                    TouchValues.mm("width_mm", t.width(), m);
                    TouchValues.via(t.pitch(), t.hole(), t.pad(), m);
                });
        kinds.add(
                "strap",
                Strap.class,
                "net at from! to! width_mm! hole_mm! pad_mm!",
                k ->
                        new Strap(
                                k.net(),
                                k.point("from"),
                                k.point("to"),
                                k.nm("width_mm"),
                                k.nm("hole_mm"),
                                k.nm("pad_mm")),
                (t, m) -> {
                    TouchValues.write(t.net(), m);
                    TouchValues.place("from", t.from(), m);
                    TouchValues.place("to", t.to(), m);
                    TouchValues.mm("width_mm", t.width(), m);
                    TouchValues.mm("hole_mm", t.hole(), m);
                    TouchValues.mm("pad_mm", t.pad(), m);
                });
        kinds.add(
                "widen",
                Widen.class,
                "net at to_mm!",
                k -> new Widen(k.anyNet(), k.nm("to_mm")),
                (t, m) -> {
                    t.net().ifPresent(n -> TouchValues.write(n, m));
                    TouchValues.mm("to_mm", t.to(), m);
                });
        kinds.add(
                "thin",
                Thin.class,
                "net at to_mm!",
                k -> new Thin(k.net(), k.nm("to_mm")),
                (t, m) -> {
                    TouchValues.write(t.net(), m);
                    TouchValues.mm("to_mm", t.to(), m);
                });
        kinds.add(
                "ring",
                Ring.class,
                "least_mm!",
                k -> new Ring(k.nm("least_mm")),
                (t, m) -> TouchValues.mm("least_mm", t.least(), m));
        kinds.add(
                "teardrop",
                Teardrop.class,
                "length_mm!",
                k -> new Teardrop(k.nm("length_mm")),
                (t, m) -> TouchValues.mm("length_mm", t.length(), m));
        kinds.add(
                "slivers",
                Slivers.class,
                "least_mm!",
                k -> new Slivers(k.nm("least_mm")),
                (t, m) -> TouchValues.mm("least_mm", t.least(), m));
        kinds.add(
                "covered-tracks",
                CoveredTracks.class,
                "net at",
                k -> new CoveredTracks(k.anyNet()),
                (t, m) -> t.net().ifPresent(n -> TouchValues.write(n, m)));
        kinds.add("outline-off", OutlineOff.class, "", k -> new OutlineOff(), (t, m) -> {});
        kinds.add(
                "keep-away",
                KeepAway.class,
                "clear_mm edge_mm hole_mm mask_mm least_mm",
                k ->
                        new KeepAway(
                                k.nm("clear_mm", 0),
                                k.nm("edge_mm", 0),
                                k.nm("hole_mm", 0),
                                k.nm("mask_mm", 0),
                                k.nm("least_mm", 0)),
                (t, m) -> {
                    TouchValues.above0("clear_mm", t.clear(), m);
                    TouchValues.above0("edge_mm", t.edge(), m);
                    TouchValues.above0("hole_mm", t.hole(), m);
                    TouchValues.above0("mask_mm", t.mask(), m);
                    TouchValues.above0("least_mm", t.least(), m);
                });
    }

    private static Pour pour(TouchKeys k) {
        Optional<List<Pt>> area =
                k.isList("area") ? Optional.of(k.points("area")) : Optional.empty();
        if (area.isEmpty() && k.has("area") && !k.text("area", "").equals("board")) {
            throw new IllegalArgumentException("area: board, or a list of places");
        }
        Optional<Relief> relief;
        if (k.within("relief").isPresent()) {
            TouchKeys r = k.within("relief").get();
            relief =
                    Optional.of(
                            new Relief(
                                    (int) r.number("spokes", 4),
                                    r.nm("spoke_mm", 0.3),
                                    r.nm("gap_mm", 0.25)));
        } else if (!k.has("relief")) {
            relief = Optional.of(new Relief(4, Length.mm(0.3), Length.mm(0.25)));
        } else if (k.text("relief", "").equals("solid")) {
            relief = Optional.empty();
        } else {
            throw new IllegalArgumentException("relief: solid, or spokes, spoke_mm and gap_mm");
        }
        String islands = k.text("islands", "remove");
        if (!List.of("remove", "keep").contains(islands)) {
            throw new IllegalArgumentException("islands: remove or keep");
        }
        return new Pour(
                k.layer(),
                k.net(),
                area,
                k.nm("clearance_mm", 0.2),
                k.nm("edge_mm", 0.3),
                k.nm("least_width_mm", 0.2),
                relief,
                islands.equals("keep"),
                k.flag("keep_old", false),
                k.within("hatch").map(h -> new Hatch(h.nm("line_mm"), h.nm("gap_mm"))),
                k.has("mask_mm") ? Optional.of(k.nm("mask_mm")) : Optional.empty());
    }

    private static void write(Pour t, Map<String, Object> m) {
        m.put("layer", t.layer().id());
        TouchValues.write(t.net(), m);
        if (t.area().isPresent()) {
            TouchValues.places("area", t.area().get(), m);
        } else {
            m.put("area", "board");
        }
        TouchValues.mm("clearance_mm", t.clearance(), m);
        TouchValues.mm("edge_mm", t.edge(), m);
        TouchValues.mm("least_width_mm", t.leastWidth(), m);
        if (t.relief().isPresent()) {
            Map<String, Object> relief = new LinkedHashMap<>();
            relief.put("spokes", t.relief().get().spokes());
            TouchValues.mm("spoke_mm", t.relief().get().spoke(), relief);
            TouchValues.mm("gap_mm", t.relief().get().gap(), relief);
            m.put("relief", relief);
        } else {
            m.put("relief", "solid");
        }
        m.put("islands", t.keepIslands() ? "keep" : "remove");
        if (t.keepOld()) {
            m.put("keep_old", true);
        }
        t.hatch()
                .ifPresent(
                        h -> {
                            Map<String, Object> hatch = new LinkedHashMap<>();
                            TouchValues.mm("line_mm", h.line(), hatch);
                            TouchValues.mm("gap_mm", h.gap(), hatch);
                            m.put("hatch", hatch);
                        });
        t.mask().ifPresent(d -> TouchValues.mm("mask_mm", d, m));
    }
}
