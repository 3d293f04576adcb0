package dev.lastcut.core.capability;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What is chosen with an order. A shop offers some values of each; the first is its usual one. */
public enum OrderOption {
    /** Not chosen: how many copper layers the board has. */
    LAYERS("Copper layers", ""),
    THICKNESS("Board thickness", "mm"),
    COPPER_OUTER("Copper weight outside", "oz"),
    COPPER_INNER("Copper weight inside", "oz"),
    MATERIAL("Material", ""),
    FINISH("Finish", ""),
    VIA_COVER("Vias", ""),
    MASK_COLOUR("Mask colour", ""),
    SILK_COLOUR("Silk colour", ""),
    /** Where the house may print its own mark: anywhere, at a place of ours, or nowhere. */
    ORDER_MARK("Order mark", ""),
    BEVEL("Bevelled edge connector", ""),
    CASTELLATION("Castellated edges", ""),
    STIFFENER("Stiffener", ""),
    SHIELDING("Shielding", ""),
    STENCIL("Stencil", ""),
    FOIL("Stencil foil", "mm"),
    ASSEMBLY("Parts fitted", "");

    private final String title;
    private final String unit;

    OrderOption(String title, String unit) {
        this.title = title;
        this.unit = unit;
    }

    /** The id used in sheets, such as {@code copper-outer}. */
    public String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public String title() {
        return title;
    }

    /** The unit its values are written in; empty for words. */
    public String unit() {
        return unit;
    }

    /**
     * True when a shop can be told another value without new files: no picture, table or tool path
     * is drawn otherwise for it. What it does to the shop's limits is another matter.
     */
    public boolean isFreeOfFiles() {
        return switch (this) {
            case THICKNESS,
                    COPPER_OUTER,
                    COPPER_INNER,
                    MATERIAL,
                    FINISH,
                    MASK_COLOUR,
                    SILK_COLOUR ->
                    true;
            default -> false;
        };
    }

    /** A value of it with its unit: "1.6 mm". */
    public String words(String value) {
        return unit.isEmpty() ? value : value + " " + unit;
    }

    /** True when its values are numbers. */
    public boolean isNumber() {
        return !unit.isEmpty() || this == LAYERS;
    }

    public static Optional<OrderOption> parse(String id) {
        return Arrays.stream(values()).filter(o -> o.id().equals(id)).findFirst();
    }
}
