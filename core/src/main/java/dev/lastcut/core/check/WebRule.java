package dev.lastcut.core.check;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Webs between the openings of a mask or a stencil; those of one width at one part are one. */
public abstract class WebRule implements Rule {
    private final Role.Kind kind;

    public WebRule(Role.Kind kind) {
        this.kind = kind;
    }

    /** What a web must reach; empty where nothing states it. */
    public abstract Optional<CheckContext.Bounds> bounds(CheckContext c);

    /** The outcome where nothing states how wide a web must be. */
    public abstract Outcome noBounds(CheckContext c);

    /** The openings of a side. */
    protected Openings openings(CheckContext c, Side side) {
        return Openings.of(c, Role.of(kind, side));
    }

    /** What is wrong with webs of a width. */
    public abstract String sentence(int webs, double widthNm, double limitNm);

    @Override
    public Outcome run(CheckContext c) {
        Optional<CheckContext.Bounds> bounds = bounds(c);
        if (bounds.isEmpty()) {
            return noBounds(c);
        }
        List<Finding> findings = new ArrayList<>();
        int openings = 0;
        for (Side side : Side.values()) {
            Role role = Role.of(kind, side);
            Openings there = openings(c, side);
            openings += there.index().pieces().size();
            for (List<Webs.Web> same : Webs.narrower(c, there, side, bounds.get().reachNm())) {
                findings.add(finding(bounds.get(), role, same));
            }
        }
        return openings == 0
                ? Outcome.notRun(
                        "the pack has no " + kind.name().toLowerCase(Locale.ROOT) + " openings")
                : Outcome.of(findings, openings + " openings");
    }

    private Finding finding(CheckContext.Bounds bounds, Role role, List<Webs.Web> same) {
        Webs.Web w = same.get(0);
        double width = w.across().nm();
        return new FindingBuilder(id())
                .layers(role.id())
                .measure(w.across())
                .also(same.stream().map(Webs.Web::across).toList())
                .limitNm(bounds.withHeadroomNm())
                .severity(bounds.severity(width, Severity.LOOK))
                .parts(w.parts())
                .say(sentence(same.size(), width, bounds.withHeadroomNm()));
    }
}
