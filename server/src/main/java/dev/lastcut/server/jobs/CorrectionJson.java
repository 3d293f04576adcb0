package dev.lastcut.server.jobs;

import dev.lastcut.core.board.Correction;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.server.report.Json;

/** A correction as stored and as the interface sends it; the shift in nm. */
public record CorrectionJson(boolean mirrored, int quarterTurns, double scale, long dx, long dy) {
    public static CorrectionJson of(Correction c) {
        return new CorrectionJson(
                c.mirrored(), c.quarterTurns(), c.scale(), c.shift().x(), c.shift().y());
    }

    /**
     * @throws IllegalArgumentException when a number is out of range
     */
    Correction toCorrection() {
        return new Correction(mirrored, quarterTurns, scale, new Pt(dx, dy));
    }

    static CorrectionJson parse(String json) {
        return Json.MAPPER.readValue(json, CorrectionJson.class);
    }

    String write() {
        return Json.MAPPER.writeValueAsString(this);
    }
}
