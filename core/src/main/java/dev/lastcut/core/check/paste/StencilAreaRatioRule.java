package dev.lastcut.core.check.paste;

import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.check.Openings;
import java.util.Locale;

/**
 * The area of a stencil opening by the area of its wall, at least 0.66 (IPC-7525, from memory): L·W
 * / (2·T·(L + W)) for a rectangle, D / (4·T) for a circle, area / (perimeter·T) for any.
 */
public final class StencilAreaRatioRule extends StencilRule {
    public StencilAreaRatioRule() {
        super(LimitKey.STENCIL_AREA_RATIO, 0.66);
    }

    @Override
    public String id() {
        return "stencil-area-ratio";
    }

    @Override
    public String title() {
        return "Stencil area ratio";
    }

    @Override
    public double ratio(Openings.Figures f, double foilNm) {
        return f.area() / (f.perimeter() * foilNm);
    }

    @Override
    public String sentence(double ratio, double limit, String foil) {
        return String.format(
                Locale.ROOT,
                " of the stencil: area %.3f of the wall in a foil of %s; the limit is %.2f. Paste"
                        + " stays in the foil. Take a thinner foil or a larger opening.",
                ratio,
                foil,
                limit);
    }
}
