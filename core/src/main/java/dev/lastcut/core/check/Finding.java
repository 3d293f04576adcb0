package dev.lastcut.core.check;

import dev.lastcut.core.geometry.Pt;
import java.util.List;

/**
 * One place where a check has something to say.
 *
 * @param id stable over revisions: made of the rule, the nets or parts, and the place
 * @param layers role ids
 * @param at the middle of the narrowest place
 * @param from and {@code to}: the two points measured; equal where there is no measure
 * @param measured and {@code limit}: in {@code unit}
 * @param message what is wrong, what it does to the board, what to do about it
 */
public record Finding(
        String id,
        String rule,
        Severity severity,
        List<String> layers,
        Pt at,
        Pt from,
        Pt to,
        double measured,
        double limit,
        String unit,
        List<String> nets,
        List<String> parts,
        String message) {
    public Finding {
        layers = List.copyOf(layers);
        nets = List.copyOf(nets);
        parts = List.copyOf(parts);
    }

    Finding withId(String newId) {
        return new Finding(
                newId, rule, severity, layers, at, from, to, measured, limit, unit, nets, parts,
                message);
    }
}
