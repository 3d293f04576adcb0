package dev.lastcut.core.check;

import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.work.WorkLimit;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import java.util.zip.CRC32;

/** Puts a finding together; what is not set stays empty. */
public final class FindingBuilder {
    private static final double IDENTITY_GRID_NM = Finding.SAME_PLACE_NM;
    private static final int MOST_PLACES = 500;

    private final String rule;
    private Severity severity = Severity.STOP;
    private boolean placed;
    private List<String> layers = List.of();
    private Pt at = Pt.ORIGIN;
    private Pt from = Pt.ORIGIN;
    private Pt to = Pt.ORIGIN;
    private double measured;
    private double limit;
    private String unit = "mm";
    private List<String> nets = List.of();
    private List<String> parts = List.of();
    private List<Measure> also = List.of();
    private String about = "";

    public FindingBuilder(String rule) {
        this.rule = rule;
    }

    public FindingBuilder severity(Severity s) {
        severity = s;
        return this;
    }

    public FindingBuilder layers(String... ids) {
        layers = List.of(ids);
        return this;
    }

    /** What tells this finding from others of its rule that have no place: a file, a question. */
    public FindingBuilder about(String what) {
        about = what;
        return this;
    }

    /** Without a place or a measure the finding concerns the board as a whole. */
    public FindingBuilder at(Pt place) {
        placed = true;
        at = place;
        from = place;
        to = place;
        return this;
    }

    public FindingBuilder measure(Measure m) {
        placed = true;
        at = m.middle();
        from = m.from();
        to = m.to();
        measured = mm(m.nm());
        return this;
    }

    public FindingBuilder between(Pt a, Pt b) {
        from = a;
        to = b;
        return this;
    }

    /** Measure and limit in mm, given in nm. */
    public FindingBuilder lengths(double measuredNm, double limitNm) {
        measured = mm(measuredNm);
        limit = mm(limitNm);
        return this;
    }

    public FindingBuilder limitNm(double nm) {
        limit = mm(nm);
        return this;
    }

    public FindingBuilder count(double has, double wants, String what) {
        measured = has;
        limit = wants;
        unit = what;
        return this;
    }

    public FindingBuilder nets(List<String> names) {
        nets = names.stream().sorted().distinct().toList();
        return this;
    }

    public FindingBuilder parts(List<String> names) {
        parts = names;
        return this;
    }

    /** Measure and limit as they are, without a unit. */
    public FindingBuilder ratio(double has, double wants) {
        return count(Math.round(has * 1000) / 1000.0, wants, "ratio");
    }

    /** Further places, of which the first few hundred are kept. */
    public FindingBuilder also(List<Measure> places) {
        also = places.stream().limit(MOST_PLACES).toList();
        return this;
    }

    /** The same at single points. */
    public FindingBuilder alsoAt(List<Pt> places) {
        return also(places.stream().map(p -> new Measure(p, p, 0)).toList());
    }

    /** A finding takes about as long as so many corners of an overlay. */
    private static final int STEPS = 50;

    public Finding say(String message) {
        WorkLimit.steps(STEPS);
        // Nets that nothing names are numbered in drawing order, which the next revision changes.
        List<String> named = nets.stream().filter(n -> !n.matches("net \\d+")).toList();
        String subject =
                String.join(
                        "|",
                        rule,
                        String.join(",", layers),
                        String.join(",", named),
                        String.join(",", parts));
        subject = about.isEmpty() ? subject : subject + "|" + about;
        String key = subject + "|" + (!placed ? "" : cell(at.x()) + "," + cell(at.y()));
        CRC32 crc = new CRC32();
        crc.update(key.getBytes(StandardCharsets.UTF_8));
        String id = rule + "-" + String.format("%08x", crc.getValue());
        String told = unit.equals("mm") ? distinct(message) : message;
        return new Finding(
                id, subject, rule, severity, !placed, layers, at, from, to, measured, limit, unit,
                nets, parts, also, told);
    }

    /** No sentence shows two equal numbers as unequal: more decimals tell them apart. */
    private String distinct(String message) {
        String text = Length.text(measured * 1e6);
        if (measured == limit || !text.equals(Length.text(limit * 1e6))) {
            return message;
        }
        String exact = String.format(Locale.ROOT, "%.6f", measured).replaceAll("0+$", "") + " mm";
        return message.replaceFirst(Pattern.quote(text), exact);
    }

    private static long cell(long nm) {
        return Math.round(nm / IDENTITY_GRID_NM);
    }

    private static double mm(double nm) {
        return Math.round(nm) / 1e6;
    }
}
