package dev.lastcut.core.intake.naming;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The words of the trade: sides, kinds, inner layers, holes, tables, drawings; written out, joined,
 * as three-letter extensions and as short forms with layer numbers. Common practice, no source.
 */
public final class Vocabulary {
    private enum Sense {
        TOP,
        BOTTOM,
        COPPER,
        MASK,
        PASTE,
        SILK,
        OUTLINE,
        INNER,
        HOLES,
        PLATED,
        UNPLATED,
        DRAWING,
        PARTS,
        PLACEMENT,
        NETLIST,
        /** Takes a following "plated" into its opposite. */
        NOT,
        /** Bottom, unless mask or paste follows. */
        SOLDER,
        /** A word that belongs to the trade and tells nothing by itself. */
        NOTHING
    }

    private static final Map<String, Sense> WORDS = new HashMap<>();

    private static void put(Sense sense, String... words) {
        for (String w : words) {
            WORDS.put(w, sense);
        }
    }

    static {
        put(Sense.TOP, "top", "front", "upper", "primary", "component", "comp", "t", "f");
        put(Sense.BOTTOM, "bottom", "bot", "back", "lower", "secondary", "b", "bott");
        put(Sense.SOLDER, "solder");
        put(
                Sense.COPPER,
                "copper",
                "cu",
                "tracks",
                "track",
                "traces",
                "signal",
                "sig",
                "conductor");
        put(Sense.COPPER, "conductive", "etch");
        put(Sense.MASK, "mask", "resist", "soldermask", "stop", "stopmask", "solderresist", "sm");
        put(Sense.PASTE, "paste", "cream", "stencil", "solderpaste", "pastemask", "pst", "sp");
        put(Sense.SILK, "silk", "silkscreen", "legend", "overlay", "screen", "ident", "marking");
        put(Sense.SILK, "nomenclature", "slk");
        put(Sense.OUTLINE, "outline", "edge", "edges", "profile", "contour", "border", "dimension");
        put(Sense.OUTLINE, "shape", "keepout", "mill", "milling", "boundary", "cutout", "outlines");
        put(Sense.OUTLINE, "rout", "route", "gko", "gml", "oln", "bor");
        put(Sense.INNER, "inner", "internal", "int", "mid", "plane", "gnd", "ground", "pwr");
        put(Sense.INNER, "power", "vcc", "vdd");
        put(Sense.HOLES, "drill", "drills", "drilling", "holes", "hole", "via", "vias", "slot");
        put(Sense.HOLES, "slots", "drl", "drd", "xln", "exc", "nc", "tap", "ncd", "thruhole");
        put(Sense.PLATED, "pth", "plated", "plt");
        put(Sense.UNPLATED, "npth", "unplated", "nonplated", "nplt");
        put(Sense.NOT, "non", "not", "un", "no");
        put(Sense.DRAWING, "drawing", "drawings", "fabrication", "fab", "assembly", "assy", "asm");
        put(Sense.DRAWING, "courtyard", "notes", "note", "readme", "panel", "panelization");
        put(Sense.DRAWING, "drillmap", "map", "guide", "title", "frame", "logo", "dwg");
        put(Sense.DRAWING, "adhesive", "glue", "padmaster", "padmasters", "gpt", "gpb");
        put(Sense.DRAWING, "vcut", "vcuts", "vscore", "scoring", "vgroove");
        put(Sense.PARTS, "bom", "parts", "partslist", "bill", "materials", "components", "stuff");
        put(Sense.PLACEMENT, "placement", "pick", "place", "pnp", "centroid", "centroids", "pos");
        put(Sense.PLACEMENT, "positions", "xy", "mount", "mounting", "xyrs", "cpl", "coordinates");
        put(Sense.NETLIST, "netlist", "ipc", "nets", "net", "ipc356");
        put(Sense.NOTHING, "side", "layer", "board", "pcb", "gerber", "gbr", "ger", "gdo", "pho");
        put(Sense.NOTHING, "art", "csv", "txt", "lyr", "circuit", "file", "photo", "plot", "pads");
    }

    /** What may stand inside a joined word; single letters and short forms only beside a kind. */
    private static final Pattern INNER_NUMBER =
            Pattern.compile("(?:inner|int|internal|mid|in|innerlayer|innercopper)0*(\\d{1,2})");

    private static final Pattern INNER_EXTENSION = Pattern.compile("gp?0*(\\d{1,2})");
    private static final Pattern LAYER_NUMBER =
            Pattern.compile("(?:layer|lyr|l|copper|cu|signal|sig)0*([1-9]\\d?)");
    private static final Pattern LAYER_EXTENSION = Pattern.compile("g0*([1-9]\\d?)l");
    private static final Pattern MECHANICAL = Pattern.compile("gm\\d{1,2}|mech(?:anical)?\\d*");
    private static final Pattern SIDE_AND_KIND = Pattern.compile("g([tb])([lspo])");
    private static final Pattern SHORT = Pattern.compile("s([mps])([tb])");
    private static final Pattern COMPONENT_AND_KIND = Pattern.compile("(st|pl|cr|ts)([cs])");
    private static final Pattern NUMBER = Pattern.compile("0*(\\d{1,2})");
    private static final Set<String> NUMBERED =
            Set.of(
                    "inner",
                    "int",
                    "internal",
                    "mid",
                    "in",
                    "plane",
                    "layer",
                    "lyr",
                    "copper",
                    "cu");

    private final Set<Sense> senses = new HashSet<>();
    private final List<String> told = new ArrayList<>();
    private Optional<Integer> inner = Optional.empty();
    private Optional<Integer> layer = Optional.empty();
    private Optional<String> drawing = Optional.empty();

    private Vocabulary() {}

    /** Whether a word tells something by itself. */
    static boolean tells(String word) {
        return !read(List.of(word)).isNone();
    }

    /** What these words say. */
    public static Hints read(List<String> words) {
        Vocabulary v = new Vocabulary();
        List<String> parts = new ArrayList<>();
        words.forEach(w -> parts.addAll(v.isWhole(w) ? List.of(w) : joined(w)));
        for (int i = 0; i < parts.size(); i++) {
            String next = i + 1 < parts.size() ? parts.get(i + 1) : "";
            v.take(parts.get(i), next, i == parts.size() - 1);
        }
        return v.hints();
    }

    private boolean isWhole(String w) {
        return WORDS.containsKey(w)
                || w.length() < 4
                || INNER_NUMBER.matcher(w).matches()
                || LAYER_NUMBER.matcher(w).matches()
                || MECHANICAL.matcher(w).matches();
    }

    /** A word made of known words is these, such as {@code boardoutline}; else it stays. */
    private static List<String> joined(String w) {
        List<String> parts = split(w, 0);
        return parts == null ? List.of(w) : parts;
    }

    private static List<String> split(String w, int depth) {
        if (w.isEmpty()) {
            return new ArrayList<>();
        }
        for (int n = w.length(); n >= 1 && depth < 6; n--) {
            String head = w.substring(0, n);
            boolean letter = n == 1 && depth == 0 && "tbf".contains(head);
            boolean digits = depth > 0 && NUMBER.matcher(head).matches();
            boolean known = n >= 3 && WORDS.containsKey(head) || n == 2 && head.equals("cu");
            if (letter || digits || known) {
                List<String> rest = split(w.substring(n), depth + 1);
                if (rest != null && (!letter || rest.size() == 1 && isKind(rest.get(0)))) {
                    rest.add(0, head);
                    return rest;
                }
            }
        }
        return null;
    }

    private static boolean isKind(String w) {
        Sense s = WORDS.get(w);
        return s == Sense.COPPER || s == Sense.MASK || s == Sense.PASTE || s == Sense.SILK;
    }

    private void take(String w, String next, boolean last) {
        Sense sense = w.matches("pads?") && next.matches("masters?") ? Sense.DRAWING : WORDS.get(w);
        if (NUMBERED.contains(w) && NUMBER.matcher(next).matches()) {
            numbered(w, Integer.parseInt(next));
            tell(w + " " + next);
            return;
        }
        if (sense == null) {
            patterns(w, last);
            return;
        }
        switch (sense) {
            case NOTHING -> {}
            case NOT -> {
                if (next.equals("plated")) {
                    senses.add(Sense.UNPLATED);
                    tell(w);
                }
            }
            case SOLDER -> {
                Sense after = WORDS.get(next);
                if (after == null || !isKind(next)) {
                    senses.add(Sense.BOTTOM);
                    tell(w);
                }
            }
            case PLATED -> {
                if (!senses.contains(Sense.UNPLATED)) {
                    senses.add(Sense.PLATED);
                }
                tell(w);
            }
            case DRAWING -> {
                drawing = drawing.or(() -> Optional.of(w));
                tell(w);
            }
            default -> {
                senses.add(sense);
                tell(w);
            }
        }
    }

    private void numbered(String w, int n) {
        boolean among = !Set.of("layer", "lyr", "copper", "cu").contains(w);
        if (among) {
            inner = Optional.of(n);
        } else {
            layer = Optional.of(n);
        }
        senses.add(Sense.COPPER);
    }

    private void patterns(String w, boolean last) {
        Matcher m = INNER_NUMBER.matcher(w);
        if (m.matches() || (last && (m = INNER_EXTENSION.matcher(w)).matches())) {
            numbered("inner", Integer.parseInt(m.group(1)));
            tell(w);
            return;
        }
        m = LAYER_NUMBER.matcher(w);
        if (m.matches() || (last && (m = LAYER_EXTENSION.matcher(w)).matches())) {
            numbered("layer", Integer.parseInt(m.group(1)));
            tell(w);
            return;
        }
        m = SIDE_AND_KIND.matcher(w);
        if (m.matches()) {
            sided(m.group(1).equals("t"), m.group(2).charAt(0));
            tell(w);
            return;
        }
        m = SHORT.matcher(w);
        if (m.matches()) {
            char kind = m.group(1).charAt(0);
            sided(m.group(2).equals("t"), kind == 'm' ? 's' : kind == 's' ? 'o' : 'p');
            tell(w);
            return;
        }
        m = COMPONENT_AND_KIND.matcher(w);
        if (m.matches()) {
            char kind =
                    switch (m.group(1)) {
                        case "st", "ts" -> 's';
                        case "pl" -> 'o';
                        default -> 'p';
                    };
            sided(m.group(2).equals("c"), kind);
            tell(w);
            return;
        }
        if (last && (w.equals("cmp") || w.equals("sol"))) {
            sided(w.equals("cmp"), 'l');
            tell(w);
        } else if (MECHANICAL.matcher(w).matches()) {
            senses.add(Sense.OUTLINE);
            tell(w);
        }
    }

    private void sided(boolean top, char kind) {
        senses.add(top ? Sense.TOP : Sense.BOTTOM);
        senses.add(
                switch (kind) {
                    case 's' -> Sense.MASK;
                    case 'p' -> Sense.PASTE;
                    case 'o' -> Sense.SILK;
                    default -> Sense.COPPER;
                });
    }

    private void tell(String w) {
        told.add(w);
    }

    private Hints hints() {
        boolean top = senses.contains(Sense.TOP);
        boolean bottom = senses.contains(Sense.BOTTOM);
        boolean unplated = senses.contains(Sense.UNPLATED);
        boolean plated = senses.contains(Sense.PLATED) && !unplated;
        Optional<Integer> among =
                inner.or(() -> senses.contains(Sense.INNER) ? Optional.of(0) : Optional.empty());
        boolean anyHoles = senses.contains(Sense.HOLES) || plated || unplated;
        return new Hints(
                kind(among, anyHoles),
                top == bottom ? Optional.empty() : Optional.of(top ? Side.TOP : Side.BOTTOM),
                among,
                layer,
                drawing,
                anyHoles,
                plated || unplated ? Optional.of(plated) : Optional.empty(),
                table(),
                told);
    }

    /** Paste before mask ("paste mask"), mask before copper ("copper mask" is no word). */
    private Optional<Role.Kind> kind(Optional<Integer> among, boolean anyHoles) {
        if (senses.contains(Sense.PASTE)) {
            return Optional.of(Role.Kind.PASTE);
        }
        if (senses.contains(Sense.MASK)) {
            return Optional.of(Role.Kind.MASK);
        }
        if (senses.contains(Sense.SILK)) {
            return Optional.of(Role.Kind.SILK);
        }
        if (senses.contains(Sense.OUTLINE) && !anyHoles) {
            return Optional.of(Role.Kind.OUTLINE);
        }
        boolean copper = senses.contains(Sense.COPPER) || among.isPresent() || layer.isPresent();
        return copper && !anyHoles ? Optional.of(Role.Kind.COPPER) : Optional.empty();
    }

    private Optional<Role.Kind> table() {
        if (senses.contains(Sense.PLACEMENT)) {
            return Optional.of(Role.Kind.PLACEMENT);
        }
        if (senses.contains(Sense.PARTS)) {
            return Optional.of(Role.Kind.PARTS_LIST);
        }
        return senses.contains(Sense.NETLIST) ? Optional.of(Role.Kind.NETLIST) : Optional.empty();
    }
}
