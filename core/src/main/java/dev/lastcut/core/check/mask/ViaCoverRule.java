package dev.lastcut.core.check.mask;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Pads;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.PieceIndex;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/**
 * Vias that the mask leaves open or covers: some of each on one side, or not what was asked for.
 * Vias within the opening of a pad follow the pad and are left out.
 */
public final class ViaCoverRule implements Rule {
    private static final String OPEN = "open";
    private static final String TENTED = "tented";

    @Override
    public String id() {
        return "via-cover";
    }

    @Override
    public String title() {
        return "Via tenting";
    }

    @Override
    public Outcome run(CheckContext c) {
        List<Integer> vias = Pads.vias(c);
        if (vias.isEmpty()) {
            return Outcome.notRun("the board has no vias");
        }
        Optional<String> wish =
                c.wish(OrderOption.VIA_COVER).filter(w -> w.equals(OPEN) || w.equals(TENTED));
        List<Finding> findings = new ArrayList<>();
        List<String> remarks = new ArrayList<>();
        for (Side side : Side.values()) {
            Role mask = Role.of(Role.Kind.MASK, side);
            if (c.board().layer(mask).isPresent()) {
                check(c, side, mask, vias, wish, findings, remarks);
            }
        }
        return remarks.isEmpty()
                ? Outcome.notRun("the pack has no mask file")
                : Outcome.of(findings, String.join(", ", remarks));
    }

    private void check(
            CheckContext c,
            Side side,
            Role mask,
            List<Integer> vias,
            Optional<String> wish,
            List<Finding> findings,
            List<String> remarks) {
        PieceIndex openings = c.geometry().index(mask);
        Set<Object> ofPads = new HashSet<>();
        Pads.on(c, side).forEach(p -> ofPads.addAll(openings.at(p.at())));
        List<Pt> open = new ArrayList<>();
        List<Pt> covered = new ArrayList<>();
        for (int i : vias) {
            Hole h = c.board().holes().get(i);
            var over = openings.at(h.middle());
            if (over.isEmpty()) {
                covered.add(h.middle());
            } else if (over.stream().noneMatch(ofPads::contains)) {
                open.add(h.middle());
            }
        }
        remarks.add(side.word() + ": " + open.size() + " open, " + covered.size() + " covered");
        boolean wantsOpen = wish.filter(OPEN::equals).isPresent();
        if (wish.isPresent() && !(wantsOpen ? covered : open).isEmpty()) {
            List<Pt> wrong = wantsOpen ? covered : open;
            findings.add(
                    finding(
                            mask,
                            wrong,
                            String.format(
                                    Locale.ROOT,
                                    "%d vias are %s on the %s side, but the order says %s. The mask"
                                            + " file decides what is made. Change the file or the"
                                            + " order.",
                                    wrong.size(),
                                    wantsOpen ? "covered" : OPEN,
                                    side.word(),
                                    wish.get())));
        } else if (wish.isEmpty() && !open.isEmpty() && !covered.isEmpty()) {
            List<Pt> fewer = open.size() < covered.size() ? open : covered;
            findings.add(
                    finding(
                            mask,
                            fewer,
                            String.format(
                                    Locale.ROOT,
                                    "On the %s side %d vias are open and %d covered. The shop cannot"
                                            + " know what is meant. Say so in the order, or make"
                                            + " them alike.",
                                    side.word(),
                                    open.size(),
                                    covered.size())));
        }
    }

    private Finding finding(Role mask, List<Pt> places, String message) {
        return new FindingBuilder(id())
                .layers(mask.id())
                .at(places.get(0))
                .alsoAt(places)
                .count(places.size(), 0, "vias")
                .severity(Severity.LOOK)
                .say(message);
    }
}
