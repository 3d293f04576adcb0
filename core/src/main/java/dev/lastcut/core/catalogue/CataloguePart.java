package dev.lastcut.core.catalogue;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * One part as a counter knows it.
 *
 * @param number what it is ordered by
 * @param kind resistor, capacitor, regulator …
 * @param packageName such as 0603 or SOIC8
 * @param body the size of its body; empty when not stated
 * @param values its data sheet, by the parameter's name
 * @param pins in order of their names; empty when not stated
 * @param asOf when this was read, ISO 8601
 */
public record CataloguePart(
        String number,
        String maker,
        String kind,
        String description,
        String packageName,
        Optional<Body> body,
        Map<String, DataValue> values,
        List<Pin> pins,
        Supply supply,
        String asOf) {
    public CataloguePart {
        if (number == null || number.isBlank() || number.length() > 100) {
            throw new IllegalArgumentException("a part's number has 1 to 100 characters");
        }
        values = Collections.unmodifiableMap(new TreeMap<>(values));
        pins = List.copyOf(pins);
    }

    /** Length along the pins' rows, width across, and height, mm. */
    public record Body(double lengthMm, double widthMm, double heightMm) {
        public Body {
            if (!(lengthMm > 0) || !(widthMm > 0) || !(heightMm > 0) || lengthMm > 1000) {
                throw new IllegalArgumentException("a body's sizes are above 0 mm");
            }
        }
    }

    /** A terminal. */
    public record Pin(String pin, String name, PinRole role) {}

    /** What a terminal is for, and whether it may be left open. */
    public enum PinRole {
        SUPPLY("supply", true),
        GROUND("ground", true),
        INPUT("input", true),
        OUTPUT("output", false),
        BOTH("input or output", false),
        PASSIVE("passive", false),
        ANODE("anode", true),
        CATHODE("cathode", true),
        SHIELD("shield", false),
        STAY_FREE("to stay free", false);

        private final String words;
        private final boolean mustConnect;

        PinRole(String words, boolean mustConnect) {
            this.words = words;
            this.mustConnect = mustConnect;
        }

        public String words() {
            return words;
        }

        /** True when the part does not work with this terminal open. */
        public boolean mustConnect() {
            return mustConnect;
        }
    }

    public Optional<DataValue> value(String name) {
        return Optional.ofNullable(values.get(name));
    }

    /** The same as it was told at a time. */
    public CataloguePart asOf(String time) {
        return new CataloguePart(
                number, maker, kind, description, packageName, body, values, pins, supply, time);
    }

    /** True when both tell the same, whenever it was. */
    public boolean tellsTheSame(CataloguePart other) {
        return asOf("").equals(other.asOf(""));
    }
}
