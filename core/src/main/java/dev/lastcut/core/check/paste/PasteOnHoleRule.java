package dev.lastcut.core.check.paste;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Openings;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Paste over a hole: the solder runs down into it. Openings with as many holes of the same size are
 * one finding.
 */
public final class PasteOnHoleRule implements Rule {
    @Override
    public String id() {
        return "paste-on-hole";
    }

    @Override
    public String title() {
        return "Paste over holes";
    }

    @Override
    public Outcome run(CheckContext c) {
        List<Finding> findings = new ArrayList<>();
        int openings = 0;
        for (Side side : Side.values()) {
            Role paste = Role.of(Role.Kind.PASTE, side);
            Map<List<Long>, List<List<Pt>>> alike = new LinkedHashMap<>();
            for (Openings.Opening o : Openings.of(c, paste).all()) {
                openings++;
                List<Hole> under = new ArrayList<>();
                for (int h : c.geometry().holes().near(o.box())) {
                    if (covers(c, o, c.board().holes().get(h))) {
                        under.add(c.board().holes().get(h));
                    }
                }
                if (!under.isEmpty()) {
                    alike.computeIfAbsent(
                                    under.stream().map(Hole::diameter).sorted().toList(),
                                    k -> new ArrayList<>())
                            .add(under.stream().map(Hole::middle).toList());
                }
            }
            alike.values().forEach(same -> findings.add(finding(paste, same)));
        }
        return openings == 0
                ? Outcome.notRun("the pack has no paste openings")
                : Outcome.of(findings, openings + " openings");
    }

    private static boolean covers(CheckContext c, Openings.Opening o, Hole h) {
        for (Piece p : o.pieces()) {
            if (c.geometry().nets().contact().touch(p, h)) {
                return true;
            }
        }
        return false;
    }

    private Finding finding(Role paste, List<List<Pt>> same) {
        int holes = same.get(0).size();
        String each = holes == 1 ? "a hole" : holes + " holes";
        return new FindingBuilder(id())
                .layers(paste.id())
                .at(same.get(0).get(0))
                .alsoAt(same.stream().flatMap(List::stream).toList())
                .count(same.size() * holes, 0, "holes")
                .severity(Severity.LOOK)
                .say(
                        (same.size() == 1
                                        ? "This opening of the stencil lies"
                                        : same.size() + " openings of the stencil lie")
                                + " over "
                                + each
                                + (same.size() == 1 ? "" : " each")
                                + ". The solder runs down into it and the joint stays dry. Leave the"
                                + " hole out of the opening, or have it plugged.");
    }
}
