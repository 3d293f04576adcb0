package dev.lastcut.server.counter;

import dev.lastcut.core.assembly.PackageSizes;
import dev.lastcut.server.catalogue.PartJson;
import dev.lastcut.server.catalogue.PartJson.BodyJson;
import dev.lastcut.server.catalogue.PartJson.BreakJson;
import dev.lastcut.server.catalogue.PartJson.PinJson;
import dev.lastcut.server.catalogue.PartJson.SupplyJson;
import dev.lastcut.server.catalogue.PartJson.ValueJson;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;

/** Puts invented parts on the shelves, the same ones every time. */
final class Shelves {
    private final Map<String, PartJson> parts = new LinkedHashMap<>();
    private final Random random = new Random(20_260_401);

    /** All parts, by number. */
    static Map<String, PartJson> filled() {
        Shelves s = new Shelves();
        Passives.put(s);
        Semiconductors.put(s);
        Circuits.put(s);
        Connectors.put(s);
        return s.parts;
    }

    /** A number below a bound, the next of the same row every time. */
    int next(int bound) {
        return random.nextInt(bound);
    }

    void put(Builder b) {
        PartJson p = b.part();
        if (parts.put(p.number(), p) != null) {
            throw new IllegalStateException(p.number() + " stands on the shelf twice");
        }
    }

    /** Starts a part; price and stock are drawn unless they are said. */
    Builder part(String maker, String number, String kind, String packageName) {
        return new Builder(maker, number, kind, packageName);
    }

    /** A part being described. */
    final class Builder {
        private final String maker;
        private final String number;
        private final String kind;
        private final String packageName;
        private final Map<String, ValueJson> values = new TreeMap<>();
        private final List<PinJson> pins = new ArrayList<>();
        private String description = "";
        private BodyJson body;
        private double price = 0.01;
        private long stock = -1;
        private Integer leadDays;
        private boolean line;
        private String life = "made";

        private Builder(String maker, String number, String kind, String packageName) {
            this.maker = maker;
            this.number = number;
            this.kind = kind;
            this.packageName = packageName;
            this.body =
                    PackageSizes.of(packageName)
                            .map(b -> new BodyJson(b.lengthMm(), b.widthMm(), b.heightMm()))
                            .orElse(null);
        }

        Builder says(String text) {
            description = text;
            return this;
        }

        Builder body(double length, double width, double height) {
            body = new BodyJson(length, width, height);
            return this;
        }

        Builder typ(String name, double value, String unit) {
            values.put(name, new ValueJson(null, value, null, unit, null, null));
            return this;
        }

        Builder min(String name, double value, String unit, String condition) {
            values.put(name, new ValueJson(value, null, null, unit, condition, null));
            return this;
        }

        Builder max(String name, double value, String unit, String condition) {
            values.put(name, new ValueJson(null, null, value, unit, condition, null));
            return this;
        }

        Builder range(String name, double min, double max, String unit) {
            values.put(name, new ValueJson(min, null, max, unit, null, null));
            return this;
        }

        Builder most(String name, double typ, double max, String unit, String condition) {
            values.put(name, new ValueJson(null, typ, max, unit, condition, null));
            return this;
        }

        Builder word(String name, String word) {
            values.put(name, new ValueJson(null, null, null, null, null, word));
            return this;
        }

        Builder pins(String... numberNameRole) {
            for (String p : numberNameRole) {
                String[] three = p.split(" ");
                pins.add(new PinJson(three[0], three[1], three[2]));
            }
            return this;
        }

        Builder twoPins() {
            return pins("1 1 passive", "2 2 passive");
        }

        Builder price(double one) {
            price = one;
            return this;
        }

        Builder stock(long pieces) {
            stock = pieces;
            return this;
        }

        Builder lead(int days) {
            leadDays = days;
            return this;
        }

        Builder line(boolean kept) {
            line = kept;
            return this;
        }

        Builder life(String word) {
            life = word;
            return this;
        }

        private PartJson part() {
            List<BreakJson> breaks = new ArrayList<>();
            int[] from = {1, 10, 100, 1000};
            double[] share = {1, 0.82, 0.6, 0.45};
            for (int i = 0; i < from.length; i++) {
                breaks.add(new BreakJson(from[i], Math.round(price * share[i] * 1e4) / 1e4));
            }
            long pieces = stock >= 0 ? stock : next(20) == 0 ? 0 : 200L + next(60_000);
            return new PartJson(
                    number,
                    maker,
                    kind,
                    description,
                    packageName,
                    body,
                    values,
                    pins,
                    new SupplyJson(
                            pieces,
                            "EUR",
                            breaks,
                            leadDays == null && pieces == 0
                                    ? Integer.valueOf(14 + next(80))
                                    : leadDays,
                            line,
                            life,
                            null),
                    null);
        }
    }
}
