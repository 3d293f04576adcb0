package dev.lastcut.core.value;

import java.util.Locale;

/**
 * A colour of the bands on leaded resistors, after IEC 60062 (from memory): what it stands for as a
 * digit, as a power of ten, as a tolerance and as a temperature coefficient.
 */
public enum ColourBand {
    PINK(-1, -3, 0, 0, 0xe79ab0),
    SILVER(-1, -2, 10, 0, 0xb9bcc0),
    GOLD(-1, -1, 5, 0, 0xc2973a),
    BLACK(0, 0, 0, 250, 0x1f1d1b),
    BROWN(1, 1, 1, 100, 0x7a4a26),
    RED(2, 2, 2, 50, 0xc2302b),
    ORANGE(3, 3, 0.05, 15, 0xe57a22),
    YELLOW(4, 4, 0.02, 25, 0xe8c928),
    GREEN(5, 5, 0.5, 20, 0x3a8a45),
    BLUE(6, 6, 0.25, 10, 0x2f5fae),
    VIOLET(7, 7, 0.1, 5, 0x7c4a9c),
    GREY(8, 8, 0.01, 1, 0x86878a),
    WHITE(9, 9, 0, 0, 0xf4f2ec);

    private final int digit;
    private final int power;
    private final double tolerancePercent;
    private final int ppm;
    private final int rgb;

    ColourBand(int digit, int power, double tolerancePercent, int ppm, int rgb) {
        this.digit = digit;
        this.power = power;
        this.tolerancePercent = tolerancePercent;
        this.ppm = ppm;
        this.rgb = rgb;
    }

    /** 0 to 9, or -1 where it is none. */
    public int digit() {
        return digit;
    }

    /** Of ten, as the multiplier. */
    public int power() {
        return power;
    }

    /** In per cent to either side; 0 where it is none. */
    public double tolerancePercent() {
        return tolerancePercent;
    }

    /** In 1e-6 per kelvin; 0 where it is none. */
    public int ppm() {
        return ppm;
    }

    /** How it is drawn, 0xRRGGBB. */
    public int rgb() {
        return rgb;
    }

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
