package dev.lastcut.core.check.mask;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.WebRule;
import dev.lastcut.core.geometry.Length;
import java.util.Optional;

/** The web of mask between openings. */
public final class MaskDamRule extends WebRule {
    public MaskDamRule() {
        super(Role.Kind.MASK);
    }

    @Override
    public String id() {
        return "mask-dam";
    }

    @Override
    public String title() {
        return "Solder mask web";
    }

    @Override
    public Optional<CheckContext.Bounds> bounds(CheckContext c) {
        return c.bounds(LimitKey.MASK_DAM, Role.Kind.MASK);
    }

    @Override
    public Outcome noBounds(CheckContext c) {
        return c.noLimit(LimitKey.MASK_DAM);
    }

    @Override
    public String sentence(int webs, double widthNm, double limitNm) {
        return (webs == 1
                        ? "The web of mask between two openings is "
                        : webs + " webs of mask between openings are ")
                + Length.text(widthNm)
                + " wide; the limit is "
                + Length.text(limitNm)
                + ". It peels off or is left out, and solder may bridge there. Make the openings"
                + " smaller or choose another shop.";
    }
}
