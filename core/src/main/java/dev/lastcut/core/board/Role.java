package dev.lastcut.core.board;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What a file of the pack is.
 *
 * @param kind what sort of file
 * @param side the side it belongs to; empty for inner copper and for files of the whole board
 * @param inner the number of an inner copper layer, counted from 1 below the top; 0 otherwise
 */
public record Role(Kind kind, Optional<Side> side, int inner) {
    /** The sorts of file a pack can hold. */
    public enum Kind {
        COPPER,
        MASK,
        PASTE,
        SILK,
        OUTLINE,
        PLATED_HOLES,
        UNPLATED_HOLES,
        MIXED_HOLES,
        NETLIST,
        PARTS_LIST,
        PLACEMENT,
        CONNECTIONS,
        NOT_PART,
        UNKNOWN;

        String id() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        boolean hasSide() {
            return this == COPPER || this == MASK || this == PASTE || this == SILK;
        }
    }

    public static final Role OUTLINE = whole(Kind.OUTLINE);
    public static final Role PLATED_HOLES = whole(Kind.PLATED_HOLES);
    public static final Role UNPLATED_HOLES = whole(Kind.UNPLATED_HOLES);
    public static final Role MIXED_HOLES = whole(Kind.MIXED_HOLES);
    public static final Role NETLIST = whole(Kind.NETLIST);
    public static final Role PARTS_LIST = whole(Kind.PARTS_LIST);
    public static final Role PLACEMENT = whole(Kind.PLACEMENT);

    /** A table of nets and their pins. */
    public static final Role CONNECTIONS = whole(Kind.CONNECTIONS);

    /** A file that is known to be no part of the board. */
    public static final Role NOT_PART = whole(Kind.NOT_PART);

    /** A file of which nobody knows yet what it is. */
    public static final Role UNKNOWN = whole(Kind.UNKNOWN);

    private static final Pattern INNER = Pattern.compile("copper-inner-(\\d{1,2})");

    public static Role of(Kind kind, Side side) {
        return new Role(kind, Optional.of(side), 0);
    }

    public static Role innerCopper(int number) {
        return new Role(Kind.COPPER, Optional.empty(), number);
    }

    private static Role whole(Kind kind) {
        return new Role(kind, Optional.empty(), 0);
    }

    /** All roles a picture can have, with so many inner layers. */
    public static List<Role> pictures(int innerLayers) {
        List<Role> all = new ArrayList<>();
        for (Kind kind : Kind.values()) {
            if (kind.hasSide()) {
                all.add(of(kind, Side.TOP));
                all.add(of(kind, Side.BOTTOM));
            }
        }
        all.add(OUTLINE);
        for (int n = 1; n <= innerLayers; n++) {
            all.add(innerCopper(n));
        }
        return all;
    }

    /** The stable id used in reports and on the wire, such as {@code copper-top}. */
    public String id() {
        if (inner > 0) {
            return "copper-inner-" + inner;
        }
        return side.map(s -> kind.id() + "-" + s.word()).orElse(kind.id());
    }

    /** The role with this id, or empty if there is none such. */
    public static Optional<Role> parse(String id) {
        Matcher m = INNER.matcher(id);
        if (m.matches() && Integer.parseInt(m.group(1)) > 0) {
            return Optional.of(innerCopper(Integer.parseInt(m.group(1))));
        }
        for (Kind kind : Kind.values()) {
            if (!kind.hasSide() && kind.id().equals(id)) {
                return Optional.of(whole(kind));
            }
            for (Side side : Side.values()) {
                if (kind.hasSide() && (kind.id() + "-" + side.word()).equals(id)) {
                    return Optional.of(of(kind, side));
                }
            }
        }
        return Optional.empty();
    }

    public boolean isCopper() {
        return kind == Kind.COPPER;
    }

    public boolean isHoles() {
        return kind == Kind.PLATED_HOLES || kind == Kind.UNPLATED_HOLES || kind == Kind.MIXED_HOLES;
    }

    /** True for roles whose files are pictures: copper, mask, paste, silk and outline. */
    public boolean isPicture() {
        return kind.hasSide() || kind == Kind.OUTLINE;
    }

    /** True when a board has one file of this role at most. */
    public boolean isSingle() {
        return isPicture()
                || kind == Kind.NETLIST
                || kind == Kind.PARTS_LIST
                || kind == Kind.CONNECTIONS;
    }

    /** The same on the other side, or itself where it has no side. */
    public Role across() {
        return side.map(s -> of(kind, s == Side.TOP ? Side.BOTTOM : Side.TOP)).orElse(this);
    }

    /** Plain words for people: "copper top", "inner copper 1", "plated holes". */
    public String words() {
        if (inner > 0) {
            return "inner copper " + inner;
        }
        if (kind == Kind.NOT_PART) {
            return "not part of the board";
        }
        return id().replace('-', ' ');
    }
}
