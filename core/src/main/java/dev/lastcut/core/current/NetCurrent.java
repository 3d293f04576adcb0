package dev.lastcut.core.current;

import java.util.Optional;

/**
 * A current the maker gives to a net.
 *
 * @param net its name
 * @param amps direct current, A
 * @param riseC how much warmer the copper may get, K
 * @param from and {@code to}: the pads it flows between; empty for the two that are farthest apart
 */
public record NetCurrent(
        String net, double amps, double riseC, Optional<Terminal> from, Optional<Terminal> to) {
    public NetCurrent {
        if (net.isBlank()) {
            throw new IllegalArgumentException("a current needs the name of its net");
        }
        if (!(amps > 0 && amps <= 1000)) {
            throw new IllegalArgumentException("a current is above 0 and at most 1000 A: " + amps);
        }
        if (!(riseC > 0 && riseC <= 200)) {
            throw new IllegalArgumentException("a rise is above 0 and at most 200 °C: " + riseC);
        }
    }
}
