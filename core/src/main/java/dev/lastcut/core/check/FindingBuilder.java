package dev.lastcut.core.check;

import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.zip.CRC32;

/** Puts a finding together; what is not set stays empty. */
final class FindingBuilder {
    /** Places within this grid are taken for the same when a finding is recognised again. */
    private static final long IDENTITY_GRID_NM = 500_000;

    private final String rule;
    private Severity severity = Severity.STOP;
    private List<String> layers = List.of();
    private Pt at = Pt.ORIGIN;
    private Pt from = Pt.ORIGIN;
    private Pt to = Pt.ORIGIN;
    private double measured;
    private double limit;
    private String unit = "mm";
    private List<String> nets = List.of();
    private List<String> parts = List.of();

    FindingBuilder(String rule) {
        this.rule = rule;
    }

    FindingBuilder severity(Severity s) {
        severity = s;
        return this;
    }

    FindingBuilder layers(String... ids) {
        layers = List.of(ids);
        return this;
    }

    FindingBuilder at(Pt place) {
        at = place;
        from = place;
        to = place;
        return this;
    }

    FindingBuilder measure(Measure m) {
        at = m.middle();
        from = m.from();
        to = m.to();
        measured = mm(m.nm());
        return this;
    }

    FindingBuilder between(Pt a, Pt b) {
        from = a;
        to = b;
        return this;
    }

    /** Measure and limit in mm, given in nm. */
    FindingBuilder lengths(double measuredNm, double limitNm) {
        measured = mm(measuredNm);
        limit = mm(limitNm);
        return this;
    }

    FindingBuilder limitNm(double nm) {
        limit = mm(nm);
        return this;
    }

    FindingBuilder count(double has, double wants, String what) {
        measured = has;
        limit = wants;
        unit = what;
        return this;
    }

    FindingBuilder nets(List<String> names) {
        nets = names.stream().sorted().distinct().toList();
        return this;
    }

    FindingBuilder parts(List<String> names) {
        parts = names;
        return this;
    }

    Finding say(String message) {
        String key =
                String.join(
                        "|",
                        rule,
                        String.join(",", layers),
                        String.join(",", nets),
                        String.join(",", parts),
                        Math.round((double) at.x() / IDENTITY_GRID_NM)
                                + ","
                                + Math.round((double) at.y() / IDENTITY_GRID_NM));
        CRC32 crc = new CRC32();
        crc.update(key.getBytes(StandardCharsets.UTF_8));
        String id = rule + "-" + String.format("%08x", crc.getValue());
        return new Finding(
                id, rule, severity, layers, at, from, to, measured, limit, unit, nets, parts,
                message);
    }

    private static double mm(double nm) {
        return Math.round(nm) / 1e6;
    }
}
