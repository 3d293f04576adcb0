package dev.lastcut.core.check.parts;

import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.PartPins;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/**
 * Header rows that do not fit a breadboard together: rows of leads 2.54 mm apart whose distance is
 * not a multiple of 2.54 mm, both ways (common practice, no source).
 */
public final class BreadboardPitchRule implements Rule {
    private static final double PITCH_NM = 2_540_000;

    /** Pins of a row are this near to its pitch. */
    private static final double ROW_NM = 60_000;

    /** What the springs of a breadboard give way (common practice, no source). */
    private static final double GIVES_NM = 200_000;

    /** A row of leads on the pitch, along x or along y. */
    private record Row(String part, Pt first, boolean alongX) {}

    @Override
    public String id() {
        return "breadboard-pitch";
    }

    @Override
    public String title() {
        return "Breadboard pitch";
    }

    @Override
    public Outcome run(CheckContext c) {
        PartPins pins = PartPins.of(c.geometry());
        if (pins.isEmpty()) {
            return Outcome.notRun("no netlist tells which pads are whose");
        }
        List<Row> rows = new ArrayList<>();
        pins.designators().stream()
                .filter(PartPins::isPlug)
                .sorted()
                .forEach(name -> row(name, pins.of(name), rows));
        List<Finding> findings = new ArrayList<>();
        int judged = 0;
        for (boolean alongX : new boolean[] {true, false}) {
            List<Row> same = rows.stream().filter(r -> r.alongX == alongX).toList();
            judged += same.size() > 1 ? same.size() : 0;
            for (int i = 1; i < same.size(); i++) {
                hold(same.get(0), same.get(i), findings);
            }
        }
        return judged == 0
                ? Outcome.notRun("there are no two header rows side by side")
                : Outcome.of(findings, judged + " header rows");
    }

    private static void row(String part, List<Netlist.Point> own, List<Row> rows) {
        List<Pt> leads = own.stream().filter(Netlist.Point::hole).map(Netlist.Point::at).toList();
        if (leads.size() < 2 || leads.size() < own.size()) {
            return;
        }
        for (boolean alongX : new boolean[] {true, false}) {
            List<Pt> sorted = new ArrayList<>(leads);
            sorted.sort(Comparator.comparingLong(p -> alongX ? p.x() : p.y()));
            boolean on = true;
            for (int i = 1; i < sorted.size(); i++) {
                Pt d = sorted.get(i).minus(sorted.get(i - 1));
                long along = alongX ? d.x() : d.y();
                long across = alongX ? d.y() : d.x();
                on &= Math.abs(across) < ROW_NM && Math.abs(along - PITCH_NM) < ROW_NM;
            }
            if (on) {
                rows.add(new Row(part, sorted.get(0), alongX));
            }
        }
    }

    private void hold(Row a, Row b, List<Finding> findings) {
        Pt d = b.first.minus(a.first);
        double offX = off(d.x());
        double offY = off(d.y());
        double worst = Math.max(Math.abs(offX), Math.abs(offY));
        if (worst <= GIVES_NM) {
            return;
        }
        boolean x = Math.abs(offX) >= Math.abs(offY);
        double apart = Math.abs(x ? d.x() : d.y());
        findings.add(
                new FindingBuilder(id())
                        .severity(Severity.NOTE)
                        .at(b.first)
                        .between(a.first, b.first)
                        .lengths(apart, Math.rint(apart / PITCH_NM) * PITCH_NM)
                        .parts(List.of(a.part, b.part))
                        .say(
                                String.format(
                                        Locale.ROOT,
                                        "The rows of %s and %s are %s apart along %s, which is %s"
                                                + " off a multiple of 2.54 mm: the board does not"
                                                + " go into a breadboard. Move one if it is to.",
                                        a.part,
                                        b.part,
                                        Length.text(apart),
                                        x ? "x" : "y",
                                        Length.text(worst))));
    }

    private static double off(long nm) {
        return nm - Math.rint(nm / PITCH_NM) * PITCH_NM;
    }
}
