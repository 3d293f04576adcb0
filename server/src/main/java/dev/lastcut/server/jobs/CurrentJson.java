package dev.lastcut.server.jobs;

import dev.lastcut.core.current.NetCurrent;
import dev.lastcut.core.current.Terminal;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.server.report.Json;
import dev.lastcut.server.store.CurrentStore;
import java.util.Optional;

/** A net's current as the interface sends it; the ends are null for the pads farthest apart. */
public record CurrentJson(String net, double amps, double riseC, EndJson from, EndJson to) {
    /** A pad: its copper layer's role id and its place in nm. */
    public record EndJson(String layer, long x, long y) {
        public Terminal toTerminal() {
            return new Terminal(layer, new Pt(x, y));
        }

        public static EndJson of(Terminal t) {
            return new EndJson(t.layer(), t.at().x(), t.at().y());
        }
    }

    /** Both ends of a current as stored. */
    record Ends(EndJson from, EndJson to) {}

    static CurrentJson of(CurrentStore.Kept k) {
        Ends ends =
                k.ends()
                        .map(json -> Json.MAPPER.readValue(json, Ends.class))
                        .orElse(new Ends(null, null));
        return new CurrentJson(k.net(), k.amps(), k.riseC(), ends.from, ends.to);
    }

    CurrentStore.Kept toKept() {
        Optional<String> ends =
                from == null || to == null
                        ? Optional.empty()
                        : Optional.of(Json.MAPPER.writeValueAsString(new Ends(from, to)));
        return new CurrentStore.Kept(net, amps, riseC, ends);
    }

    /**
     * @throws IllegalArgumentException when a number is out of range
     */
    public NetCurrent toCurrent() {
        return new NetCurrent(
                net == null ? "" : net,
                amps,
                riseC,
                Optional.ofNullable(from).map(EndJson::toTerminal),
                Optional.ofNullable(to).map(EndJson::toTerminal));
    }
}
