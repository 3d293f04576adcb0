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

    static Openings on(CheckContext c, Side side) {
        Key key = new Key(c.stencilPlan(), c.parts());
        Role role = Role.of(Role.Kind.PASTE, side);
        Map<Side, Stencil> stencils =
                c.geometry().once(key, () -> Stencil.of(c.geometry(), key.plan, key.parts));
        Stencil s = stencils.get(side);
        if (s == null || s.isAsDrawn()) {
            return Openings.of(c, role);
        }
        Optional<Layer> drawn = c.board().layer(role);
        return c.geometry()
                .once(new SideKey(key, side), () -> Openings.of(c, s.layer(drawn).features()));
    }
}
