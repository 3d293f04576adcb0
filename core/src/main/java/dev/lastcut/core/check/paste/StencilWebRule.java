package dev.lastcut.core.check.paste;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Openings;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.WebRule;
import dev.lastcut.core.geometry.Length;
import java.util.Optional;

/**
 * The web of foil between two openings. Where the sheet states no number, 0.15 mm (common practice,
 * no source).
 */
public final class StencilWebRule extends WebRule {
    private static final double USUAL_NM = 150_000;

    public StencilWebRule() {
        super(Role.Kind.PASTE);
    }

    @Override
    public String id() {
        return "stencil-web";
    }

    @Override
    public String title() {
        return "Stencil web";
    }

    @Override
    public Optional<CheckContext.Bounds> bounds(CheckContext c) {
        return Optional.of(c.boundsOr(LimitKey.STENCIL_WEB, USUAL_NM));
    }

    @Override
    public Outcome noBounds(CheckContext c) {
        return c.noLimit(LimitKey.STENCIL_WEB);
    }

    @Override
    protected Openings openings(CheckContext c, Side side) {
        return PlannedPaste.on(c, side);
    }

    @Override
    public String sentence(int webs, double widthNm, double limitNm) {
        return (webs == 1
                        ? "The foil between two openings is "
                        : webs + " webs of foil between openings are ")
                + Length.text(widthNm)
                + " wide; the limit is "
                + Length.text(limitNm)
                + ". It bends or tears when wiped. Make the openings smaller.";
    }
}
