package dev.lastcut.core.check.mask;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Openings;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.Contact;
import dev.lastcut.core.connectivity.CopperNets;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Distances;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Openings that uncover copper of another net than the pad they are for. Copper of the pads within
 * the opening is meant to be bare; an opening without a pad may uncover one net.
 */
public final class MaskExposesRule implements Rule {
    @Override
    public String id() {
        return "mask-exposes";
    }

    @Override
    public String title() {
        return "Mask opening over other copper";
    }

    @Override
    public Outcome run(CheckContext c) {
        CheckContext.Bounds bounds = c.boundsOr(LimitKey.MASK_TO_COPPER, 0);
        List<Finding> findings = new ArrayList<>();
        int openings = 0;
        for (Side side : Side.values()) {
            Role mask = Role.of(Role.Kind.MASK, side);
            int layer = c.geometry().copperIndex(side);
            if (layer >= 0 && c.board().layer(mask).isPresent()) {
                for (Openings.Opening o : Openings.of(c, mask).all()) {
                    openings++;
                    check(c, bounds, mask, layer, o, findings);
                }
            }
        }
        return openings == 0
                ? Outcome.notRun("no side has both copper and openings in a mask")
                : Outcome.of(findings, openings + " openings");
    }

    private void check(
            CheckContext c,
            CheckContext.Bounds bounds,
            Role mask,
            int layer,
            Openings.Opening opening,
            List<Finding> findings) {
        CopperNets nets = c.geometry().nets();
        // With a limit of 0 the copper must still lie under the opening by more than flattening.
        double limit = Math.max(1, bounds.reachNm());
        List<CopperNode> near = new ArrayList<>();
        Set<Integer> owners = new HashSet<>();
        for (CopperNode n : nets.near(layer, Geo.expanded(opening.box(), limit))) {
            if (gap(nets.contact(), opening, n, limit) < limit) {
                near.add(n);
                if (n.feature() instanceof Feature.Flash f && covers(nets.contact(), opening, f)) {
                    owners.add(n.net());
                }
            }
        }
        if (owners.isEmpty() && !near.isEmpty()) {
            owners.add(near.get(0).net());
        }
        Set<Integer> told = new HashSet<>();
        for (CopperNode n : near) {
            if (!owners.contains(n.net()) && told.add(n.net())) {
                finding(c, bounds, mask, opening, n, owners, findings);
            }
        }
    }

    private static Measure at(Pt place) {
        return new Measure(place, place, 0);
    }

    private static double gap(Contact contact, Openings.Opening o, CopperNode n, double limit) {
        return o.pieces().stream()
                .mapToDouble(p -> contact.gap(p, n.piece(), limit))
                .min()
                .orElse(limit);
    }

    private static boolean covers(Contact contact, Openings.Opening o, Feature.Flash f) {
        for (Piece p : o.pieces()) {
            if (contact.covers(p, f.at())) {
                return true;
            }
        }
        return false;
    }

    private void finding(
            CheckContext c,
            CheckContext.Bounds bounds,
            Role mask,
            Openings.Opening opening,
            CopperNode n,
            Set<Integer> owners,
            List<Finding> findings) {
        var shape = opening.shape();
        var copper = Geo.clip(n.polygon(), Geo.expanded(opening.box(), 1_000_000));
        var overlap = Geo.intersection(shape, copper);
        // What flattened curves leave is thinner than half a micrometre.
        boolean bare = !Geo.offset(overlap, -300, 100).isEmpty();
        Measure m =
                bare
                        ? at(Pt.of(overlap.getInteriorPoint().getCoordinate()))
                        : Distances.between(shape, copper);
        if (!bare && !bounds.isBeyond(m.nm())) {
            return;
        }
        String net = c.netName(n.net());
        List<String> all = new ArrayList<>(owners.stream().map(c::netName).toList());
        all.add(net);
        FindingBuilder b = new FindingBuilder(id()).measure(m).limitNm(bounds.withHeadroomNm());
        if (bare) {
            b.count(Math.round(overlap.getArea() / 1e9) / 1e3, 0, "mm² bare");
        }
        findings.add(
                b.layers(mask.id(), c.copperId(n.layer()))
                        .severity(bare ? Severity.LOOK : bounds.severity(m.nm(), Severity.LOOK))
                        .nets(all)
                        .say(
                                (bare
                                                ? "This opening of the mask lays copper of "
                                                        + net
                                                        + " bare, which is not the pad's net"
                                                : "Copper of "
                                                        + net
                                                        + " lies only "
                                                        + Length.text(m.nm())
                                                        + " beside this opening; the limit is "
                                                        + Length.text(bounds.withHeadroomNm()))
                                        + ". Solder may bridge to it. Make the opening smaller or"
                                        + " move the copper."));
    }
}
