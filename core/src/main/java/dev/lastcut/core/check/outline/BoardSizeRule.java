package dev.lastcut.core.check.outline;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.capability.LimitKey;
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
import org.locationtech.jts.geom.Envelope;

/** Width and height against what the shop makes; turning the board by 90° is allowed for. */
public final class BoardSizeRule implements Rule {
    @Override
    public String id() {
        return "board-size";
    }

    @Override
    public String title() {
        return "Board size";
    }

    @Override
    public Outcome run(CheckContext c) {
        if (c.geometry().boardArea().isEmpty()) {
            return Outcome.notRun("there is no closed outline to measure");
        }
        Envelope e = c.geometry().boardArea().getEnvelopeInternal();
        double small = Math.min(e.getWidth(), e.getHeight());
        double large = Math.max(e.getWidth(), e.getHeight());
        List<Finding> findings = new ArrayList<>();
        Limits most = limits(c, LimitKey.BOARD_WIDTH_MAX, LimitKey.BOARD_HEIGHT_MAX);
        Limits least = limits(c, LimitKey.BOARD_WIDTH_MIN, LimitKey.BOARD_HEIGHT_MIN);
        if (most == null && least == null) {
            return c.noLimit(LimitKey.BOARD_WIDTH_MAX);
        }
        if (most != null) {
            compare(c, e, large, most.large(), true, findings);
            compare(c, e, small, most.small(), true, findings);
        }
        if (least != null) {
            compare(c, e, large, least.large(), false, findings);
            compare(c, e, small, least.small(), false, findings);
        }
        String size = Length.text(e.getWidth()) + " × " + Length.text(e.getHeight());
        return Outcome.of(findings, size);
    }

    private record Limits(CheckContext.Bounds small, CheckContext.Bounds large) {}

    /** The two limits in order of size, as the board may be turned; null when not both stated. */
    private static Limits limits(CheckContext c, LimitKey width, LimitKey height) {
        var w = c.bounds(width, Role.Kind.OUTLINE);
        var h = c.bounds(height, Role.Kind.OUTLINE);
        if (w.isEmpty() || h.isEmpty()) {
            return null;
        }
        boolean wide = w.get().sheet() >= h.get().sheet();
        return wide ? new Limits(h.get(), w.get()) : new Limits(w.get(), h.get());
    }

    private void compare(
            CheckContext c,
            Envelope e,
            double size,
            CheckContext.Bounds bounds,
            boolean most,
            List<Finding> findings) {
        double limit = bounds.withHeadroomNm();
        if (!bounds.isBeyond(size)) {
            return;
        }
        boolean beyond = most ? size > bounds.sheet() : size < bounds.sheet();
        boolean isWidth = size == e.getWidth();
        Pt from = new Pt(Math.round(e.getMinX()), Math.round(e.getMinY()));
        Pt to =
                isWidth
                        ? new Pt(Math.round(e.getMaxX()), from.y())
                        : new Pt(from.x(), Math.round(e.getMaxY()));
        findings.add(
                new FindingBuilder(id())
                        .layers("outline")
                        .at(from.middle(to))
                        .between(from, to)
                        .lengths(size, limit)
                        .severity(beyond ? Severity.STOP : Severity.LOOK)
                        .say(
                                "The board is "
                                        + Length.text(size)
                                        + (isWidth ? " wide; " : " high; ")
                                        + c.shopName()
                                        + (most ? " takes at most " : " takes no less than ")
                                        + Length.text(limit)
                                        + ". Choose another shop or change the board."));
    }
}
