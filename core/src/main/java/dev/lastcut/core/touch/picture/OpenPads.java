package dev.lastcut.core.touch.picture;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.Pads;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.KeepOff;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import dev.lastcut.core.touch.copper.Sizes;
import java.util.ArrayList;
import java.util.List;

/**
 * Opens the mask over pads that have no opening. Lengths in nm.
 *
 * @param grow how far the opening reaches beyond its pad
 */
public record OpenPads(double grow) implements Touch {
    public OpenPads {
        Sizes.notBelow0("grow_mm", grow);
    }

    @Override
    public String kind() {
        return "open-pads";
    }

    @Override
    public String words() {
        return "Open the mask over pads that have no opening, "
                + Length.shortMm(Length.toMm(grow))
                + " mm beyond them";
    }

    @Override
    public Phase phase() {
        return Phase.MASK;
    }

    @Override
    public Change on(Work work) throws NotDone {
        Board board = work.board();
        List<Pt> places = new ArrayList<>();
        List<Pt> tight = new ArrayList<>();
        for (Side side : Side.values()) {
            Role mask = Role.of(Role.Kind.MASK, side);
            if (board.layer(mask).isEmpty()) {
                continue;
            }
            List<Feature> more = new ArrayList<>();
            for (Pads.Pad pad : Pads.on(work.geometry(), side)) {
                if (work.geometry().index(mask).at(pad.at()).isEmpty()) {
                    if (baresOthers(work, pad)) {
                        tight.add(pad.at());
                    } else {
                        more.addAll(
                                Openings.grown(pad.node().feature(), pad.node().polygon(), grow));
                        places.add(pad.at());
                    }
                }
            }
            if (!more.isEmpty()) {
                board = board.with(board.layer(mask).orElseThrow().plus(more));
            }
        }
        if (places.isEmpty()) {
            throw new NotDone(
                    tight.isEmpty()
                            ? "Every pad has its opening"
                            : "An opening that wide would lay other copper bare",
                    tight);
        }
        String says = "Opens " + Change.count(places.size(), "pad");
        if (!tight.isEmpty()) {
            says += "; other copper is too near to " + tight.size();
        }
        return new Change(board, says, places);
    }

    private boolean baresOthers(Work work, Pads.Pad pad) {
        double reach = grow + Math.max(1, work.room().maskToCopper());
        for (CopperNode n :
                work.nets().near(pad.node().layer(), Geo.expanded(pad.node().envelope(), reach))) {
            if (n.net() != pad.node().net()
                    && work.nets().contact().gap(n.piece(), pad.node().piece(), reach)
                            < reach - KeepOff.SLACK_NM) {
                return true;
            }
        }
        return false;
    }
}
