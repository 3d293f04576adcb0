package dev.lastcut.core.touch.picture;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.check.Pads;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.PlaceIndex;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.Features;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import java.util.ArrayList;
import java.util.List;

/**
 * Covers all vias with mask, or opens it over them.
 *
 * @param tented covered; else open
 */
public record CoverVias(boolean tented) implements Touch {
    private static final double NEAR_NM = 30_000;

    @Override
    public String kind() {
        return "cover-vias";
    }

    @Override
    public String words() {
        return tented ? "Cover the vias with mask" : "Open the mask over the vias";
    }

    @Override
    public Phase phase() {
        return Phase.MASK;
    }

    @Override
    public Change on(Work work) throws NotDone {
        List<Hole> vias =
                Pads.vias(work.geometry()).stream().map(work.board().holes()::get).toList();
        if (vias.isEmpty()) {
            throw new NotDone("The board has no vias");
        }
        Board board = work.board();
        List<Pt> places = new ArrayList<>();
        boolean any = false;
        for (Layer layer : work.board().layers()) {
            if (layer.role().kind() == Role.Kind.MASK) {
                any = true;
                board =
                        board.with(
                                tented
                                        ? covered(layer, vias, places)
                                        : opened(work, layer, vias, places));
            }
        }
        if (!any) {
            throw new NotDone("The pack has no mask file");
        }
        if (places.isEmpty()) {
            throw new NotDone("The vias are " + (tented ? "covered" : "open") + " already");
        }
        return new Change(
                board,
                (tented ? "Covers " : "Opens ") + Change.count(places.size(), "via side"),
                places);
    }

    private static Layer covered(Layer layer, List<Hole> vias, List<Pt> places) {
        PlaceIndex<Hole> middles = new PlaceIndex<>(Math.nextDown(NEAR_NM));
        vias.forEach(v -> middles.put(v.middle(), v));
        List<Feature> left = new ArrayList<>();
        for (Feature f : layer.features()) {
            boolean via = f.dark() && f instanceof Feature.Flash x && middles.hasAt(x.at());
            if (via) {
                places.add(((Feature.Flash) f).at());
            } else {
                left.add(f);
            }
        }
        return left.size() == layer.features().size() ? layer : layer.with(left);
    }

    private static Layer opened(Work work, Layer layer, List<Hole> vias, List<Pt> places) {
        int copper = work.geometry().copperIndex(layer.role().side().orElseThrow());
        List<Feature> more = new ArrayList<>();
        for (Hole v : vias) {
            if (!work.geometry().index(layer.role()).at(v.middle()).isEmpty() || copper < 0) {
                continue;
            }
            double pad = 0;
            for (CopperNode n : work.nets().at(copper, v.middle())) {
                if (n.feature() instanceof Feature.Flash && n.piece().roundRadius() > 0) {
                    pad = Math.max(pad, 2 * n.piece().roundRadius());
                }
            }
            if (pad > 0) {
                more.add(Features.disc(v.middle(), pad, ObjectAttributes.NONE));
                places.add(v.middle());
            }
        }
        return more.isEmpty() ? layer : layer.plus(more);
    }
}
