package dev.lastcut.core.check.paste;

import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.check.Openings;
import java.util.Locale;

/** The width of a stencil opening by the foil's thickness, at least 1.5 (IPC-7525, from memory). */
public final class StencilAspectRule extends StencilRule {
    public StencilAspectRule() {
        super(LimitKey.STENCIL_ASPECT, 1.5);
    }

    @Override
    public String id() {
        return "stencil-aspect";
    }

    @Override
    public String title() {
        return "Stencil aspect ratio";
    }

    @Override
    public double ratio(Openings.Figures f, double foilNm) {
        return f.width().nm() / foilNm;
    }

    @Override
    public String sentence(double ratio, double limit, String foil) {
        return String.format(
                Locale.ROOT,
                " of the stencil: only %.2f times as wide as the foil of %s is thick; the limit is"
                        + " %.2f. Paste stays in the foil. Take a thinner foil or a wider opening.",
                ratio,
                foil,
                limit);
    }
}
