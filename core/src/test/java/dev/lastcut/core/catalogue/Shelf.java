package dev.lastcut.core.catalogue;

import dev.lastcut.core.catalogue.CataloguePart.Pin;
import dev.lastcut.core.catalogue.CataloguePart.PinRole;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** Parts for tests, put together field by field. */
public final class Shelf {
    private final String number;
    private final String packageName;
    private final Map<String, DataValue> values = new TreeMap<>();
    private final List<Pin> pins = new ArrayList<>();
    private final List<Supply.Break> breaks = new ArrayList<>();
    private Optional<CataloguePart.Body> body = Optional.empty();
    private long stock = 1000;
    private boolean line;

    private Shelf(String number, String packageName) {
        this.number = number;
        this.packageName = packageName;
    }

    public static Shelf part(String number, String packageName) {
        return new Shelf(number, packageName);
    }

    public Shelf with(Parameter p, DataValue v) {
        values.put(p.id(), v);
        return this;
    }

    public Shelf ohms(double ohms) {
        return with(Parameter.RESISTANCE, DataValue.typ(ohms, "Ω"));
    }

    public Shelf pin(String pin, String name, PinRole role) {
        pins.add(new Pin(pin, name, role));
        return this;
    }

    public Shelf body(double length, double width, double height) {
        body = Optional.of(new CataloguePart.Body(length, width, height));
        return this;
    }

    public Shelf price(int from, double each) {
        breaks.add(new Supply.Break(from, each));
        return this;
    }

    public Shelf stock(long pieces) {
        stock = pieces;
        return this;
    }

    public Shelf line() {
        line = true;
        return this;
    }

    public CataloguePart get() {
        return new CataloguePart(
                number,
                "Test works",
                "",
                "",
                packageName,
                body,
                values,
                pins,
                new Supply(stock, "EUR", breaks, Optional.empty(), line, Supply.Life.MADE),
                "2026-01-01T00:00:00Z");
    }
}
