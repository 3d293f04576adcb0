package dev.lastcut.core.catalogue;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * The parameters of data sheets that we know the sense of: which way is better, and what a stated
 * number proves (common practice, no source).
 */
public enum Parameter {
    RESISTANCE("resistance", Better.SAME, Kind.VALUE),
    CAPACITANCE("capacitance", Better.SAME, Kind.VALUE),
    INDUCTANCE("inductance", Better.SAME, Kind.VALUE),
    FREQUENCY("frequency", Better.SAME, Kind.VALUE),
    TOLERANCE("tolerance", Better.LOWER, Kind.CHARACTERISTIC),
    DIELECTRIC("dielectric", Better.SAME, Kind.VALUE),
    TEMPERATURE_COEFFICIENT("temperature coefficient", Better.LOWER, Kind.CHARACTERISTIC),
    POWER("rated power", Better.HIGHER, Kind.RATING, "dissipates", "power"),
    VOLTAGE_RATING("rated voltage", Better.HIGHER, Kind.RATING, "withstands", "stands", "voltage"),
    CURRENT_RATING("rated current", Better.HIGHER, Kind.RATING, "carries", "current"),
    ESR("series resistance", Better.LOWER, Kind.CHARACTERISTIC),
    DC_RESISTANCE("winding resistance", Better.LOWER, Kind.CHARACTERISTIC),
    COLOUR("colour", Better.SAME, Kind.VALUE),
    REVERSE_VOLTAGE(
            "reverse voltage", Better.HIGHER, Kind.RATING, "withstands", "stands", "blocks"),
    FORWARD_CURRENT("forward current", Better.HIGHER, Kind.RATING, "carries", "current"),
    FORWARD_VOLTAGE("forward voltage", Better.LOWER, Kind.CHARACTERISTIC, "drops"),
    LEAKAGE("reverse leakage", Better.LOWER, Kind.CHARACTERISTIC, "leaks"),
    RECOVERY_TIME("recovery time", Better.LOWER, Kind.CHARACTERISTIC, "recovers in"),
    INTENSITY("luminous intensity", Better.HIGHER, Kind.CHARACTERISTIC, "shines"),
    POLARITY("polarity", Better.SAME, Kind.VALUE),
    DRAIN_VOLTAGE("drain to source voltage", Better.HIGHER, Kind.RATING, "withstands", "stands"),
    DRAIN_CURRENT("drain current", Better.HIGHER, Kind.RATING, "carries", "switches"),
    COLLECTOR_VOLTAGE("collector voltage", Better.HIGHER, Kind.RATING, "withstands", "stands"),
    COLLECTOR_CURRENT("collector current", Better.HIGHER, Kind.RATING, "carries", "switches"),
    ON_RESISTANCE("on-resistance", Better.LOWER, Kind.CHARACTERISTIC),
    GATE_THRESHOLD("gate threshold", Better.LOWER, Kind.CHARACTERISTIC, "opens"),
    GATE_CHARGE("gate charge", Better.LOWER, Kind.CHARACTERISTIC),
    GAIN("current gain", Better.HIGHER, Kind.CHARACTERISTIC, "amplifies"),
    OUTPUT_VOLTAGE("output voltage", Better.SAME, Kind.VALUE),
    OUTPUT_CURRENT(
            "output current",
            Better.HIGHER,
            Kind.CHARACTERISTIC,
            "supplies",
            "drives",
            "delivers",
            "sources",
            "current"),
    DROPOUT("dropout voltage", Better.LOWER, Kind.CHARACTERISTIC, "drops"),
    QUIESCENT_CURRENT("quiescent current", Better.LOWER, Kind.CHARACTERISTIC, "draws"),
    INPUT_VOLTAGE("input voltage", Better.HIGHER, Kind.RATING, "takes", "withstands"),
    SUPPLY_VOLTAGE("supply voltage", Better.WIDER, Kind.RANGE, "runs on"),
    SUPPLY_CURRENT("supply current", Better.LOWER, Kind.CHARACTERISTIC, "draws"),
    BANDWIDTH("bandwidth", Better.HIGHER, Kind.CHARACTERISTIC),
    OFFSET_VOLTAGE("offset voltage", Better.LOWER, Kind.CHARACTERISTIC),
    LOAD_CAPACITANCE("load capacitance", Better.SAME, Kind.VALUE),
    STABILITY("frequency stability", Better.LOWER, Kind.CHARACTERISTIC),
    CONTACTS("contacts", Better.SAME, Kind.VALUE),
    PITCH("pitch", Better.SAME, Kind.VALUE),
    OPERATIONS("operations", Better.HIGHER, Kind.CHARACTERISTIC, "lasts"),
    TEMPERATURE("operating temperature", Better.WIDER, Kind.RANGE);

    /** Which way a replacement is better. */
    public enum Better {
        HIGHER,
        LOWER,
        WIDER,
        SAME
    }

    /** What a number of it means. */
    public enum Kind {
        /** What the part is. */
        VALUE,
        /** What it stands: the largest number it may see. */
        RATING,
        /** What it does: only a guaranteed bound proves it. */
        CHARACTERISTIC,
        /** From where to where it works. */
        RANGE
    }

    private final String title;
    private final Better better;
    private final Kind kind;
    private final List<String> verbs;

    Parameter(String title, Better better, Kind kind, String... verbs) {
        this.title = title;
        this.better = better;
        this.kind = kind;
        this.verbs = List.of(verbs);
    }

    /** The name in a catalogue, such as {@code output-current}. */
    public String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public String title() {
        return title;
    }

    public Better better() {
        return better;
    }

    public Kind kind() {
        return kind;
    }

    /** Words a need may name it by. */
    public boolean isNamed(String words) {
        return title.equals(words) || id().equals(words) || verbs.contains(words);
    }

    public static Optional<Parameter> of(String id) {
        return Arrays.stream(values()).filter(p -> p.id().equals(id)).findFirst();
    }

    /** The title of a name in a catalogue; the name itself where we do not know it. */
    public static String title(String id) {
        return of(id).map(Parameter::title).orElse(id.replace('-', ' '));
    }
}
