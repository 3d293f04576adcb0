package dev.lastcut.server.ticket;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.lastcut.core.current.NetCurrent;
import dev.lastcut.core.current.Terminal;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.util.Optional;

/** A net's current; the ends are null for the pads farthest apart. */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record CurrentJson(String net, double amps, double riseC, EndJson from, EndJson to) {
    /** A pad: its copper layer's role id and its place. */
    public record EndJson(String layer, double xMm, double yMm) {
        public Terminal toTerminal() {
            return new Terminal(layer, new Pt(Length.mm(xMm), Length.mm(yMm)));
        }

        public static EndJson of(Terminal t) {
            return new EndJson(t.layer(), Length.toMm(t.at().x()), Length.toMm(t.at().y()));
        }
    }

    public static CurrentJson of(NetCurrent c) {
        return new CurrentJson(
                c.net(),
                c.amps(),
                c.riseC(),
                c.from().map(EndJson::of).orElse(null),
                c.to().map(EndJson::of).orElse(null));
    }

    /**
     * @throws IllegalArgumentException when a number is out of range
     */
    public NetCurrent toCurrent() {
        boolean ends = from != null && to != null;
        return new NetCurrent(
                net == null ? "" : net,
                amps,
                riseC,
                ends ? Optional.of(from.toTerminal()) : Optional.empty(),
                ends ? Optional.of(to.toTerminal()) : Optional.empty());
    }
}
