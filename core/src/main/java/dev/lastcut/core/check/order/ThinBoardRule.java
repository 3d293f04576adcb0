package dev.lastcut.core.check.order;

import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Boards below 1.2 mm that are long or carry large parts: they bend when plugged and when soldered
 * (common practice, no source).
 */
public final class ThinBoardRule implements Rule {
    private static final double THIN_MM = 1.2;
    private static final double LONG_MM = 100;
    private static final double LARGE_MM2 = 200;
    private static final double TALL_MM = 10;

    @Override
    public String id() {
        return "thin-board";
    }

    @Override
    public String title() {
        return "Thin board with large parts";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<Double> thickness = c.number(OrderOption.THICKNESS);
        if (thickness.isEmpty()) {
            return Outcome.notRun(c.shopName() + " states no thickness");
        }
        if (thickness.get() >= THIN_MM) {
            return Outcome.of(List.of());
        }
        List<Finding> findings = new ArrayList<>();
        var box = c.geometry().boardArea().getEnvelopeInternal();
        double longest = box.isNull() ? 0 : Length.toMm(Math.max(box.getWidth(), box.getHeight()));
        if (longest > LONG_MM) {
            findings.add(
                    new FindingBuilder(id())
                            .severity(Severity.NOTE)
                            .about("length")
                            .say(
                                    String.format(
                                            Locale.ROOT,
                                            "A board of %s mm that is %.0f mm long bends when it is"
                                                    + " soldered and handled. From 1.2 mm it is stiff"
                                                    + " enough for that size.",
                                            thickness.get(),
                                            longest)));
        }
        List<String> names = new ArrayList<>();
        List<Pt> places = new ArrayList<>();
        for (PartBodies.Body b : PartBodies.of(c.geometry(), c.partsPlan())) {
            boolean known =
                    b.source() == PartBodies.Source.STATED
                            || b.source() == PartBodies.Source.PACKAGE;
            double area = Length.toMm(b.length()) * Length.toMm(b.width());
            boolean tall = known && Length.toMm(b.heightNm()) > TALL_MM;
            if (b.fitted() && (area > LARGE_MM2 || tall)) {
                names.add(b.designator());
                places.add(Pt.of(b.centre()));
            }
        }
        if (!names.isEmpty()) {
            findings.add(
                    new FindingBuilder(id())
                            .severity(Severity.NOTE)
                            .at(places.get(0))
                            .alsoAt(places)
                            .parts(names)
                            .about("parts")
                            .say(
                                    String.format(
                                            "The board is %s mm thin and carries large parts (%s):"
                                                    + " plugging and shaking bends it and cracks solder"
                                                    + " joints. Choose 1.2 mm or more, or support it"
                                                    + " there.",
                                            thickness.get(), String.join(", ", names))));
        }
        return Outcome.of(findings);
    }
}
