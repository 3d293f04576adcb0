package dev.lastcut.core.check.silk;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Lettering too small to read. */
public final class SilkHeightRule implements Rule {
    @Override
    public String id() {
        return "silk-height";
    }

    @Override
    public String title() {
        return "Silkscreen text height";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<CheckContext.Bounds> bounds = c.bounds(LimitKey.SILK_HEIGHT, Role.Kind.SILK);
        if (bounds.isEmpty()) {
            return c.noLimit(LimitKey.SILK_HEIGHT);
        }
        List<Finding> findings = new ArrayList<>();
        int words = 0;
        for (Side side : Side.values()) {
            for (SilkWords.Word w : SilkWords.on(c.geometry(), side)) {
                words++;
                if (bounds.get().isBeyond(w.height().nm())) {
                    findings.add(finding(bounds.get(), side, w));
                }
            }
        }
        return words == 0
                ? Outcome.notRun("no lettering drawn with strokes was recognised in the silk")
                : Outcome.of(findings, words + " words");
    }

    private Finding finding(CheckContext.Bounds bounds, Side side, SilkWords.Word w) {
        return new FindingBuilder(id())
                .layers(Role.of(Role.Kind.SILK, side).id())
                .measure(w.height())
                .limitNm(bounds.withHeadroomNm())
                .severity(bounds.severity(w.height().nm(), Severity.LOOK))
                .say(
                        "Lettering of "
                                + w.letters().size()
                                + " letters is "
                                + Length.text(w.height().nm())
                                + " high; the limit is "
                                + Length.text(bounds.withHeadroomNm())
                                + ". It prints as a blot. Make it larger.");
    }
}
