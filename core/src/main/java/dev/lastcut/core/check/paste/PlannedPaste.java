package dev.lastcut.core.check.paste;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Openings;
import dev.lastcut.core.stencil.StencilPlan;
import dev.lastcut.core.stencil.openings.Stencil;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The openings as the stencil is planned, which the checks of the foil go by. */
final class PlannedPaste {
    private record Key(StencilPlan plan, List<Part> parts) {}

    private record SideKey(Key of, Side side) {}

    private PlannedPaste() {}

    static Map<Side, Stencil> of(CheckContext c) {
        StencilPlan plan = c.stencilPlan();
        // Who is fitted matters only where the parts left off get no paste, or sizes go by part.
        List<Part> parts = c.parts();
        return c.geometry().once(new Key(plan, parts), () -> Stencil.of(c.geometry(), plan, parts));
    }

    static Openings on(CheckContext c, Side side) {
        Role role = Role.of(Role.Kind.PASTE, side);
        Stencil s = of(c).get(side);
        if (s == null || s.isAsDrawn()) {
            return Openings.of(c, role);
        }
        Optional<Layer> drawn = c.board().layer(role);
        return c.geometry()
                .once(
                        new SideKey(new Key(c.stencilPlan(), c.parts()), side),
                        () -> Openings.of(c, s.layer(drawn).features()));
    }
}
