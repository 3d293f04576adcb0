package dev.lastcut.server.ticket;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.touch.picture.Art;
import dev.lastcut.core.touch.picture.CoverVias;
import dev.lastcut.core.touch.picture.Labels;
import dev.lastcut.core.touch.picture.Mask;
import dev.lastcut.core.touch.picture.OpenPads;
import dev.lastcut.core.touch.picture.Paste;
import dev.lastcut.core.touch.picture.SilkClip;
import dev.lastcut.core.touch.picture.SilkThicken;
import dev.lastcut.core.touch.picture.Text;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Touches on silk, mask and paste, lettering and art, as the ticket writes them. */
final class PictureTouches {
    private PictureTouches() {}

    static void in(TouchKinds kinds) {
        kinds.add(
                "silk-clip",
                SilkClip.class,
                "clear_mm!",
                k -> new SilkClip(k.nm("clear_mm")),
                (t, m) -> TouchValues.mm("clear_mm", t.clear(), m));
        kinds.add(
                "silk-thicken",
                SilkThicken.class,
                "least_mm!",
                k -> new SilkThicken(k.nm("least_mm")),
                (t, m) -> TouchValues.mm("least_mm", t.least(), m));
        kinds.add(
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
                    TouchValues.mm("height_mm", t.height(), m);
                });
        kinds.add(
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
                    TouchValues.place("at", t.at(), m);
                    TouchValues.mm("height_mm", t.height(), m);
                    m.put("text", t.text());
                    m.put("rotation_deg", t.rotationDeg());
                    m.put("mirrored", t.mirrored());
                    TouchValues.above0("stroke_mm", t.stroke(), m);
                });
        kinds.add(
                "art",
                Art.class,
                "layer! at! width_mm svg drawing mirrored least_mm",
                k ->
                        new Art(
                                k.layer(),
                                k.point("at"),
                                k.nm("width_mm", 0),
                                TouchValues.source(k, "svg"),
                                k.flag("mirrored", isBelow(k)),
                                k.nm("least_mm", 0.15)),
                (t, m) -> {
                    m.put("layer", t.layer().id());
                    TouchValues.place("at", t.at(), m);
                    TouchValues.above0("width_mm", t.width(), m);
                    TouchValues.write(t.source(), "svg", m);
                    m.put("mirrored", t.mirrored());
                    TouchValues.mm("least_mm", t.least(), m);
                });
        kinds.add(
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
                        TouchValues.mm("grow_mm", t.grow(), m);
                    }
                    TouchValues.above0("least_dam_mm", t.leastDam(), m);
                    t.side().ifPresent(s -> m.put("side", s.word()));
                });
        kinds.add(
                "open-pads",
                OpenPads.class,
                "grow_mm",
                k -> new OpenPads(k.nm("grow_mm", 0.05)),
                (t, m) -> TouchValues.mm("grow_mm", t.grow(), m));
        kinds.add(
                "cover-vias",
                CoverVias.class,
                "cover tented open",
                PictureTouches::coverVias,
                (t, m) -> m.put("cover", t.tented() ? "tented" : "open"));
        kinds.add(
                "paste",
                Paste.class,
                "grow_mm off_holes",
                k -> new Paste(k.nm("grow_mm", 0), k.flag("off_holes", false)),
                (t, m) -> {
                    if (t.grow() != 0) {
                        TouchValues.mm("grow_mm", t.grow(), m);
                    }
                    m.put("off_holes", t.offHoles());
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
}
