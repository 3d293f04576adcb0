package dev.lastcut.core.check;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.geometry.Length;
import java.util.Optional;

/**
 * The web of foil between two openings. Where the sheet states no number, 0.15 mm (common practice,
 * no source).
 */
final class StencilWebRule extends WebRule {
    private static final double USUAL_NM = 150_000;

    StencilWebRule() {
        super(Role.Kind.PASTE);
    }

    @Override
    public String id() {
        return "stencil-web";
    }

    @Override
    public String title() {
        return "Webs of stencil";
    }

    @Override
    Optional<CheckContext.Bounds> bounds(CheckContext c) {
        return Optional.of(c.boundsOr(LimitKey.STENCIL_WEB, USUAL_NM));
    }

    @Override
    Outcome noBounds(CheckContext c) {
        return c.noLimit(LimitKey.STENCIL_WEB);
    }

    @Override
    String sentence(int webs, double widthNm, double limitNm) {
        return (webs == 1
                        ? "The foil between two openings is "
                        : webs + " webs of foil between openings are ")
                + Length.text(widthNm)
                + " wide; the limit is "
                + Length.text(limitNm)
                + ". It bends or tears when wiped. Make the openings smaller.";
    }
}
