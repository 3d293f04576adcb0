package dev.lastcut.core.check.copper;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.current.NetCurrent;
import dev.lastcut.core.current.NetPath;
import dev.lastcut.core.current.Terminal;
import dev.lastcut.core.current.TrackCurrent;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * The narrowest section of a net against the current the maker gives it, by IPC-2221; the way is
 * the one given, or the longest.
 */
public final class CurrentRule implements Rule {
    /** So many times what is asked for is usual (common practice, no source). */
    private static final double SAFETY = 2;

    /** From this current on a filled area is usual (common practice, no source). */
    private static final double POUR_AMPS = 0.5;

    @Override
    public String id() {
        return "current";
    }

    @Override
    public String title() {
        return "Currents";
    }

    @Override
    public Outcome run(CheckContext c) {
        List<NetCurrent> currents = c.currents();
        if (currents.isEmpty()) {
            return Outcome.notRun("no net has been given a current");
        }
        NetPath.Stack stack = NetPath.Stack.ordered(c::number);
        List<Finding> findings = new ArrayList<>();
        List<String> remarks = new ArrayList<>();
        for (NetCurrent current : currents) {
            Optional<Integer> net = NetPath.named(c.geometry(), current.net());
            Optional<NetPath.Result> path;
            try {
                path = net.flatMap(n -> NetPath.of(c.geometry(), n, current, stack));
            } catch (IllegalStateException e) {
                findings.add(unsolved(current));
                continue;
            }
            if (path.isEmpty()) {
                findings.add(noWay(current));
                continue;
            }
            NetPath.Result p = path.get();
            remarks.add(
                    String.format(
                            Locale.ROOT,
                            "%s %.2f mΩ, drop %.1f mV at %.2f A",
                            current.net(),
                            p.ohm() * 1e3,
                            p.ohm() * TrackCurrent.warm(current.riseC()) * current.amps() * 1e3,
                            current.amps()));
            double needed =
                    TrackCurrent.area(
                            current.amps(), current.riseC(), p.isOuter(c.board().copper().size()));
            // The least of many lines through a mesh is true to a thousandth.
            if (p.sectionNm2() < needed * 0.999) {
                findings.add(finding(c, current, p, stack, needed));
            } else {
                reserve(c, current, p).ifPresent(findings::add);
            }
            if (current.amps() > POUR_AMPS && !hasArea(c, net.get())) {
                findings.add(tracksAlone(current, p));
            }
        }
        return Outcome.of(findings, String.join("; ", remarks));
    }

    /** Enough copper, but with less in reserve than is usual. */
    private Optional<Finding> reserve(CheckContext c, NetCurrent current, NetPath.Result p) {
        double good =
                TrackCurrent.amps(
                        p.sectionNm2(), current.riseC(), p.isOuter(c.board().copper().size()));
        if (good >= SAFETY * current.amps()) {
            return Optional.empty();
        }
        return Optional.of(
                new FindingBuilder(id())
                        .severity(Severity.NOTE)
                        .about("reserve")
                        .measure(p.across())
                        .ratio(good / current.amps(), SAFETY)
                        .nets(List.of(current.net()))
                        .say(
                                String.format(
                                        Locale.ROOT,
                                        "%s carries its %.2f A, and would carry %.2f A at most:"
                                                + " %.1f times. Usual is a reserve of %.0f times.",
                                        current.net(),
                                        current.amps(),
                                        good,
                                        good / current.amps(),
                                        SAFETY)));
    }

    private static boolean hasArea(CheckContext c, int net) {
        return c.geometry().nets().nodesOf(net).stream()
                .map(n -> c.geometry().nets().nodes().get(n).feature())
                .anyMatch(Feature.Region.class::isInstance);
    }

    private Finding tracksAlone(NetCurrent current, NetPath.Result p) {
        return new FindingBuilder(id())
                .severity(Severity.NOTE)
                .about("area")
                .at(p.across().middle())
                .count(0, 1, "filled areas")
                .nets(List.of(current.net()))
                .say(
                        String.format(
                                Locale.ROOT,
                                "%s carries %.2f A through tracks alone. A filled area at its pads and"
                                        + " fuses keeps them cool.",
                                current.net(),
                                current.amps()));
    }

    private Finding unsolved(NetCurrent current) {
        return new FindingBuilder(id())
                .count(0, 1, "solved")
                .severity(Severity.LOOK)
                .nets(List.of(current.net()))
                .say(
                        "The copper of "
                                + current.net()
                                + " is too fine to be solved as a whole, so its current was not"
                                + " checked. Choose two pads nearer to each other.");
    }

    private Finding noWay(NetCurrent current) {
        FindingBuilder b = new FindingBuilder(id());
        current.from().map(Terminal::at).ifPresent(b::at);
        return b.count(0, 1, "ways")
                .severity(Severity.LOOK)
                .nets(List.of(current.net()))
                .say(
                        "No copper leads from pad to pad for the current of "
                                + current.net()
                                + ". The net is not on this board, has one pad only, or is in"
                                + " pieces. Choose its pads anew.");
    }

    private Finding finding(
            CheckContext c,
            NetCurrent current,
            NetPath.Result p,
            NetPath.Stack stack,
            double needed) {
        double thick = p.isOuter(c.board().copper().size()) ? stack.outerNm() : stack.innerNm();
        double width = p.sectionNm2() / thick;
        String layer = p.layer() < 0 ? "plated-holes" : c.copperId(p.layer());
        return new FindingBuilder(id())
                .layers(layer)
                .measure(p.across())
                .lengths(width, needed / thick)
                .nets(List.of(current.net()))
                .say(
                        String.format(
                                Locale.ROOT,
                                "%s is to carry %.2f A, for which copper of %.0f µm must be %s wide"
                                        + " to stay within %.0f °C (IPC-2221). At its narrowest the"
                                        + " section is that of %s%s, good for %.2f A. It gets hot."
                                        + " Widen it, or order heavier copper.",
                                current.net(),
                                current.amps(),
                                thick / 1e3,
                                Length.text(needed / thick),
                                current.riseC(),
                                Length.text(width),
                                p.layer() < 0 ? ", in the walls of vias" : "",
                                TrackCurrent.amps(
                                        p.sectionNm2(),
                                        current.riseC(),
                                        p.isOuter(c.board().copper().size()))));
    }
}
