package dev.lastcut.core.touch.copper;

import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.PlaceIndex;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.KeepOff;
import dev.lastcut.core.touch.Net;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.locationtech.jts.geom.Envelope;

/**
 * Vias that tie the areas of a net on different layers together, on a grid or along a line,
 * wherever both areas are and nothing else is near. Lengths in nm.
 *
 * @param along the corners of a line; empty: on a grid all over
 */
public record Stitch(Net net, double pitch, double hole, double pad, List<Pt> along)
        implements Touch {
    private static final int MOST = 20_000;

    public Stitch {
        along = List.copyOf(along);
        Sizes.above("pitch_mm", pitch);
        new ViaForm(hole, pad);
        if (along.size() == 1) {
            throw new IllegalArgumentException("along: a line has two corners or more");
        }
    }

    @Override
    public String kind() {
        return "stitch";
    }

    @Override
    public String words() {
        return "Stitch "
                + net.words()
                + (along.isEmpty() ? " every " : " along a line every ")
                + Length.shortMm(Length.toMm(pitch))
                + " mm";
    }

    @Override
    public Phase phase() {
        return Phase.AFTER_POUR;
    }

    @Override
    public Change on(Work work) throws NotDone {
        if (work.nets().layerCount() < 2) {
            throw new NotDone("The board has one copper layer, so there is nothing to stitch");
        }
        Set<Integer> own = work.nets(net);
        ViaForm form = new ViaForm(hole, pad);
        List<KeepOff> offs = ViaForm.offs(work, own);
        double apart = Math.max(pitch * 0.5, hole + work.room().web());
        PlaceIndex<Pt> taken = new PlaceIndex<>(Math.nextDown(apart));
        List<Pt> placed = new ArrayList<>();
        for (Pt p : candidates(work)) {
            if (!taken.hasAt(p)
                    && form.covered(work, own, p).size() >= 2
                    && form.hasRoom(work, offs, p)) {
                placed.add(p);
                taken.put(p, p);
            }
        }
        if (placed.isEmpty()) {
            throw new NotDone(
                    "Nowhere on the way do two areas of "
                            + net.words()
                            + " lie over each other with room for a via",
                    along);
        }
        String says = "Adds " + Change.count(placed.size(), "via");
        if (own.size() > 1) {
            says += "; " + net.words() + " was in " + own.size() + " pieces";
        }
        return new Change(ViaForm.with(work, own, form, placed), says, placed);
    }

    private List<Pt> candidates(Work work) throws NotDone {
        if (!along.isEmpty()) {
            Way way = Way.of(along);
            check(way.pitches(pitch));
            return way.places(pitch).toList();
        }
        Envelope e = work.geometry().boardArea().getEnvelopeInternal();
        if (e.isNull()) {
            throw new NotDone("The board has no closed outline to lay a grid over; give a line");
        }
        double columns = Math.floor(e.getWidth() / pitch);
        double rows = Math.floor(e.getHeight() / pitch);
        check(columns * rows);
        List<Pt> all = new ArrayList<>();
        double x0 = e.getMinX() + (e.getWidth() - columns * pitch) / 2;
        double y0 = e.getMinY() + (e.getHeight() - rows * pitch) / 2;
        for (int row = 0; row <= rows; row++) {
            for (int column = 0; column <= columns; column++) {
                all.add(new Pt(Math.round(x0 + column * pitch), Math.round(y0 + row * pitch)));
            }
        }
        return all;
    }

    private void check(double count) throws NotDone {
        if (count > MOST) {
            throw new NotDone(
                    "A pitch of "
                            + Length.text(pitch)
                            + " makes more than "
                            + MOST
                            + " places: take a wider one");
        }
    }
}
