package dev.lastcut.server.ticket;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.Net;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.copper.BusBar;
import dev.lastcut.core.touch.copper.CoveredTracks;
import dev.lastcut.core.touch.copper.Hatch;
import dev.lastcut.core.touch.copper.KeepAway;
import dev.lastcut.core.touch.copper.Pour;
import dev.lastcut.core.touch.copper.Relief;
import dev.lastcut.core.touch.copper.Ring;
import dev.lastcut.core.touch.copper.Slivers;
import dev.lastcut.core.touch.copper.Stitch;
import dev.lastcut.core.touch.copper.Strap;
import dev.lastcut.core.touch.copper.Teardrop;
import dev.lastcut.core.touch.copper.Thin;
import dev.lastcut.core.touch.copper.Widen;
import dev.lastcut.core.touch.edge.CutOut;
import dev.lastcut.core.touch.edge.Edge;
import dev.lastcut.core.touch.holes.AddHole;
import dev.lastcut.core.touch.holes.MountingHoles;
import dev.lastcut.core.touch.holes.MoveHole;
import dev.lastcut.core.touch.holes.PlateHole;
import dev.lastcut.core.touch.holes.ResizeHole;
import dev.lastcut.core.touch.holes.SnapHoles;
import dev.lastcut.core.touch.picture.Art;
import dev.lastcut.core.touch.picture.CoverVias;
import dev.lastcut.core.touch.picture.Labels;
import dev.lastcut.core.touch.picture.Mask;
import dev.lastcut.core.touch.picture.OpenPads;
import dev.lastcut.core.touch.picture.Paste;
import dev.lastcut.core.touch.picture.SilkClip;
import dev.lastcut.core.touch.picture.SilkThicken;
import dev.lastcut.core.touch.picture.Source;
import dev.lastcut.core.touch.picture.Text;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Function;

/** The kinds of touch as the ticket writes them; documented in docs/touches.md. */
final class TouchKinds {
    /**
     * One kind.
     *
     * @param keys all it may have; those it must have end in {@code !}
     */
    record Kind<T extends Touch>(
            Class<T> type,
            List<String> keys,
            Function<TouchKeys, T> read,
            BiConsumer<T, Map<String, Object>> write) {
        boolean allows(String key) {
            return keys.contains(key) || keys.contains(key + "!");
        }

        List<String> needs() {
            return keys.stream()
                    .filter(k -> k.endsWith("!"))
                    .map(k -> k.substring(0, k.length() - 1))
                    .toList();
        }

        Map<String, Object> written(Touch touch) {
            Map<String, Object> map = new LinkedHashMap<>();
            map.put("kind", touch.kind());
            write.accept(type.cast(touch), map);
            return map;
        }
    }

    static final Map<String, Kind<?>> ALL = new LinkedHashMap<>();

    static {
        add(
                "pour",
                Pour.class,
                "layer! net at area clearance_mm edge_mm least_width_mm relief islands keep_old"
                        + " hatch mask_mm",
                TouchKinds::pour,
                TouchKinds::write);
        add(
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
                    write(t.net(), m);
                    via(t.pitch(), t.hole(), t.pad(), m);
                    places("along", t.along(), m);
                });
        add(
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
                    write(t.net(), m);
                    places("along", t.along(), m);
                    mm("width_mm", t.width(), m);
                    via(t.pitch(), t.hole(), t.pad(), m);
                });
        add(
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
                    write(t.net(), m);
                    place("from", t.from(), m);
                    place("to", t.to(), m);
                    mm("width_mm", t.width(), m);
                    mm("hole_mm", t.hole(), m);
                    mm("pad_mm", t.pad(), m);
                });
        add(
                "widen",
                Widen.class,
                "net at to_mm!",
                k -> new Widen(k.anyNet(), k.nm("to_mm")),
                (t, m) -> {
                    t.net().ifPresent(n -> write(n, m));
                    mm("to_mm", t.to(), m);
                });
        add(
                "thin",
                Thin.class,
                "net at to_mm!",
                k -> new Thin(k.net(), k.nm("to_mm")),
                (t, m) -> {
                    write(t.net(), m);
                    mm("to_mm", t.to(), m);
                });
        add(
                "ring",
                Ring.class,
                "least_mm!",
                k -> new Ring(k.nm("least_mm")),
                (t, m) -> mm("least_mm", t.least(), m));
        add(
                "teardrop",
                Teardrop.class,
                "length_mm!",
                k -> new Teardrop(k.nm("length_mm")),
                (t, m) -> mm("length_mm", t.length(), m));
        add(
                "slivers",
                Slivers.class,
                "least_mm!",
                k -> new Slivers(k.nm("least_mm")),
                (t, m) -> mm("least_mm", t.least(), m));
        add(
                "covered-tracks",
                CoveredTracks.class,
                "net at",
                k -> new CoveredTracks(k.anyNet()),
                (t, m) -> t.net().ifPresent(n -> write(n, m)));
        add(
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
                    above0("clear_mm", t.clear(), m);
                    above0("edge_mm", t.edge(), m);
                    above0("hole_mm", t.hole(), m);
                    above0("mask_mm", t.mask(), m);
                    above0("least_mm", t.least(), m);
                });
        add(
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
                (t, m) -> {
                    place("at", t.at(), m);
                    mm("diameter_mm", t.diameter(), m);
                    m.put("plated", t.plated());
                    above0("pad_mm", t.pad(), m);
                    above0("keep_out_mm", t.keepOut(), m);
                });
        add(
                "hole-move",
                MoveHole.class,
                "at! to!",
                k -> new MoveHole(k.point("at"), k.point("to")),
                (t, m) -> {
                    place("at", t.at(), m);
                    place("to", t.to(), m);
                });
        add(
                "hole-size",
                ResizeHole.class,
                "at! diameter_mm!",
                k -> new ResizeHole(k.point("at"), k.nm("diameter_mm")),
                (t, m) -> {
                    place("at", t.at(), m);
                    mm("diameter_mm", t.diameter(), m);
                });
        add(
                "hole-plating",
                PlateHole.class,
                "at! plated!",
                k -> new PlateHole(k.point("at"), k.flag("plated", false)),
                (t, m) -> {
                    place("at", t.at(), m);
                    m.put("plated", t.plated());
                });
        add(
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
                    mm("most_mm", t.most(), m);
                });
        add(
                "mounting-holes",
                MountingHoles.class,
                "diameter_mm! inset_mm! keep_out_mm",
                k ->
                        new MountingHoles(
                                k.nm("diameter_mm"), k.nm("inset_mm"), k.nm("keep_out_mm", 0)),
                (t, m) -> {
                    mm("diameter_mm", t.diameter(), m);
                    mm("inset_mm", t.inset(), m);
                    above0("keep_out_mm", t.keepOut(), m);
                });
        add(
                "edge",
                Edge.class,
                "replace drawing scale_to_mm move_mm corner_mm cut_out",
                TouchKinds::edge,
                TouchKinds::write);
        add(
                "silk-clip",
                SilkClip.class,
                "clear_mm!",
                k -> new SilkClip(k.nm("clear_mm")),
                (t, m) -> mm("clear_mm", t.clear(), m));
        add(
                "silk-thicken",
                SilkThicken.class,
                "least_mm!",
                k -> new SilkThicken(k.nm("least_mm")),
                (t, m) -> mm("least_mm", t.least(), m));
        add(
                "labels",
                Labels.class,
                "hide show height_mm",
                k ->
                        new Labels(
                                k.flag("hide", false),
                                word("show", k.text("show", "nothing"), Labels.Show.values()),
                                k.nm("height_mm", 1)),
                (t, m) -> {
                    m.put("hide", t.hide());
                    m.put("show", t.show().name().toLowerCase(Locale.ROOT));
                    mm("height_mm", t.height(), m);
                });
        add(
                "text",
                Text.class,
                "layer! at! height_mm! text! rotation_deg mirrored stroke_mm",
                k ->
                        new Text(
                                k.layer(),
                                k.point("at"),
                                k.nm("height_mm"),
                                k.text("text", ""),
                                k.number("rotation_deg", 0),
                                k.flag("mirrored", isBelow(k)),
                                k.nm("stroke_mm", 0)),
                (t, m) -> {
                    m.put("layer", t.layer().id());
                    place("at", t.at(), m);
                    mm("height_mm", t.height(), m);
                    m.put("text", t.text());
                    m.put("rotation_deg", t.rotationDeg());
                    m.put("mirrored", t.mirrored());
                    above0("stroke_mm", t.stroke(), m);
                });
        add(
                "art",
                Art.class,
                "layer! at! width_mm svg drawing mirrored least_mm",
                k ->
                        new Art(
                                k.layer(),
                                k.point("at"),
                                k.nm("width_mm", 0),
                                source(k, "svg"),
                                k.flag("mirrored", isBelow(k)),
                                k.nm("least_mm", 0.15)),
                (t, m) -> {
                    m.put("layer", t.layer().id());
                    place("at", t.at(), m);
                    above0("width_mm", t.width(), m);
                    write(t.source(), "svg", m);
                    m.put("mirrored", t.mirrored());
                    mm("least_mm", t.least(), m);
                });
        add(
                "mask",
                Mask.class,
                "grow_mm least_dam_mm side",
                k ->
                        new Mask(
                                k.nm("grow_mm", 0),
                                k.nm("least_dam_mm", 0),
                                k.has("side")
                                        ? Optional.of(
                                                word("side", k.text("side", ""), Side.values()))
                                        : Optional.empty()),
                (t, m) -> {
                    if (t.grow() != 0) {
                        mm("grow_mm", t.grow(), m);
                    }
                    above0("least_dam_mm", t.leastDam(), m);
                    t.side().ifPresent(s -> m.put("side", s.word()));
                });
        add(
                "open-pads",
                OpenPads.class,
                "grow_mm",
                k -> new OpenPads(k.nm("grow_mm", 0.05)),
                (t, m) -> mm("grow_mm", t.grow(), m));
        add(
                "cover-vias",
                CoverVias.class,
                "cover tented open",
                TouchKinds::coverVias,
                (t, m) -> m.put("cover", t.tented() ? "tented" : "open"));
        add(
                "paste",
                Paste.class,
                "grow_mm off_holes",
                k -> new Paste(k.nm("grow_mm", 0), k.flag("off_holes", false)),
                (t, m) -> {
                    if (t.grow() != 0) {
                        mm("grow_mm", t.grow(), m);
                    }
                    m.put("off_holes", t.offHoles());
                });
    }

    private TouchKinds() {}

    private static <T extends Touch> void add(
            String id,
            Class<T> type,
            String keys,
            Function<TouchKeys, T> read,
            BiConsumer<T, Map<String, Object>> write) {
        ALL.put(id, new Kind<>(type, List.of(keys.split(" ")), read, write));
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
        write(t.net(), m);
        if (t.area().isPresent()) {
            places("area", t.area().get(), m);
        } else {
            m.put("area", "board");
        }
        mm("clearance_mm", t.clearance(), m);
        mm("edge_mm", t.edge(), m);
        mm("least_width_mm", t.leastWidth(), m);
        if (t.relief().isPresent()) {
            Map<String, Object> relief = new LinkedHashMap<>();
            relief.put("spokes", t.relief().get().spokes());
            mm("spoke_mm", t.relief().get().spoke(), relief);
            mm("gap_mm", t.relief().get().gap(), relief);
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
                            mm("line_mm", h.line(), hatch);
                            mm("gap_mm", h.gap(), hatch);
                            m.put("hatch", hatch);
                        });
        t.mask().ifPresent(d -> mm("mask_mm", d, m));
    }

    private static Edge edge(TouchKeys k) {
        Optional<CutOut> cut = Optional.empty();
        if (k.isList("cut_out")) {
            cut = Optional.of(new CutOut(k.points("cut_out"), 0));
        } else if (k.within("cut_out").isPresent()) {
            TouchKeys c = k.within("cut_out").get();
            cut = Optional.of(new CutOut(List.of(c.point("at")), c.nm("diameter_mm")));
        }
        boolean replaces = k.has("replace") || k.has("drawing");
        return new Edge(
                replaces ? Optional.of(source(k, "replace")) : Optional.empty(),
                k.lengths("scale_to_mm"),
                k.has("move_mm") ? Optional.of(k.point("move_mm")) : Optional.empty(),
                k.nm("corner_mm", 0),
                cut);
    }

    private static void write(Edge t, Map<String, Object> m) {
        t.replace().ifPresent(s -> write(s, "replace", m));
        if (t.scaleTo().size() == 1) {
            mm("scale_to_mm", t.scaleTo().get(0), m);
        } else if (!t.scaleTo().isEmpty()) {
            m.put("scale_to_mm", t.scaleTo().stream().map(Length::toMm).toList());
        }
        t.move().ifPresent(p -> place("move_mm", p, m));
        above0("corner_mm", t.corner(), m);
        t.cutOut()
                .ifPresent(
                        c -> {
                            if (c.diameter() > 0) {
                                Map<String, Object> round = new LinkedHashMap<>();
                                place("at", c.corners().get(0), round);
                                mm("diameter_mm", c.diameter(), round);
                                m.put("cut_out", round);
                            } else {
                                places("cut_out", c.corners(), m);
                            }
                        });
    }

    private static CoverVias coverVias(TouchKeys k) {
        if (k.has("tented") || k.has("open")) {
            return new CoverVias(k.flag("tented", !k.flag("open", false)));
        }
        String cover = k.text("cover", "tented");
        if (!List.of("tented", "open").contains(cover)) {
            throw new IllegalArgumentException("cover: tented or open");
        }
        return new CoverVias(cover.equals("tented"));
    }

    private static Source source(TouchKeys k, String path) {
        return new Source(k.text(path, ""), k.text("drawing", ""));
    }

    private static void write(Source s, String path, Map<String, Object> m) {
        m.put(s.path().isBlank() ? "drawing" : path, s.path().isBlank() ? s.given() : s.path());
    }

    private static boolean isBelow(TouchKeys k) {
        return k.layer().side().filter(s -> s == Side.BOTTOM).isPresent();
    }

    private static <E extends Enum<E>> E word(String key, String word, E[] all) {
        return Arrays.stream(all)
                .filter(e -> e.name().toLowerCase(Locale.ROOT).equals(word))
                .findFirst()
                .orElseThrow(
                        () ->
                                new IllegalArgumentException(
                                        key
                                                + ": it must be one of "
                                                + String.join(
                                                        ", ",
                                                        Arrays.stream(all)
                                                                .map(
                                                                        e ->
                                                                                e.name()
                                                                                        .toLowerCase(
                                                                                                Locale
                                                                                                        .ROOT))
                                                                .toList())));
    }

    private static void write(Net net, Map<String, Object> m) {
        if (!net.name().isBlank()) {
            m.put("net", net.name());
        }
        net.at().ifPresent(p -> place("at", p, m));
    }

    private static void via(double pitch, double hole, double pad, Map<String, Object> m) {
        mm("pitch_mm", pitch, m);
        mm("hole_mm", hole, m);
        mm("pad_mm", pad, m);
    }

    private static void mm(String key, double nm, Map<String, Object> m) {
        m.put(key, Length.toMm(nm));
    }

    private static void above0(String key, double nm, Map<String, Object> m) {
        if (nm > 0) {
            mm(key, nm, m);
        }
    }

    private static void place(String key, Pt p, Map<String, Object> m) {
        m.put(key, List.of(Length.toMm(p.x()), Length.toMm(p.y())));
    }

    private static void places(String key, List<Pt> all, Map<String, Object> m) {
        if (!all.isEmpty()) {
            m.put(
                    key,
                    all.stream()
                            .map(p -> List.of(Length.toMm(p.x()), Length.toMm(p.y())))
                            .toList());
        }
    }
}
