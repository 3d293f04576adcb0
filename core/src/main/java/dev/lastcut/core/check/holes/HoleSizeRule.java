package dev.lastcut.core.check.holes;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** Holes too small or too large for the shop; for a mill, holes with no drill in the rack. */
public final class HoleSizeRule implements Rule {
    @Override
    public String id() {
        return "hole-size";
    }

    @Override
    public String title() {
        return "Hole sizes";
    }

    @Override
    public Outcome run(CheckContext c) {
        if (c.board().holes().isEmpty()) {
            return Outcome.notRun("the pack has no holes");
        }
        Map<Long, List<Hole>> bySize = new TreeMap<>();
        c.board()
                .holes()
                .forEach(h -> bySize.computeIfAbsent(h.diameter(), k -> new ArrayList<>()).add(h));
        List<Finding> findings = new ArrayList<>();
        Optional<Mill> mill = c.mill();
        var least = c.bounds(LimitKey.HOLE_MIN, Role.Kind.PLATED_HOLES);
        var most = c.bounds(LimitKey.HOLE_MAX, Role.Kind.PLATED_HOLES);
        if (mill.isEmpty() && least.isEmpty() && most.isEmpty()) {
            return c.noLimit(LimitKey.HOLE_MIN);
        }
        bySize.forEach(
                (size, holes) -> {
                    least.filter(b -> b.isBeyond(size))
                            .ifPresent(b -> findings.add(outOfRange(b, size, holes, "smaller")));
                    most.filter(b -> b.isBeyond(size))
                            .ifPresent(b -> findings.add(outOfRange(b, size, holes, "larger")));
                    mill.ifPresent(m -> rack(m, size, holes).ifPresent(findings::add));
                });
        return Outcome.of(findings, bySize.size() + " sizes");
    }

    private FindingBuilder start(List<Hole> holes) {
        Hole h = holes.get(0);
        return new FindingBuilder(id())
                .layers(h.plated() ? "plated-holes" : "unplated-holes")
                .at(h.middle())
                .between(h.across().from(), h.across().to())
                .alsoAt(holes.stream().map(Hole::middle).toList());
    }

    private Finding outOfRange(
            CheckContext.Bounds bounds, long size, List<Hole> holes, String how) {
        return start(holes)
                .lengths(size, bounds.withHeadroomNm())
                .severity(bounds.severity(size, Severity.STOP))
                .say(
                        count(holes)
                                + Length.text(size)
                                + ", "
                                + how
                                + " than the shop's "
                                + Length.text(bounds.withHeadroomNm())
                                + ". It will be refused or drilled differently. Change the size.");
    }

    private Optional<Finding> rack(Mill mill, long size, List<Hole> holes) {
        boolean slots = holes.stream().allMatch(Hole::isSlot);
        boolean bored =
                mill.contourCutter().filter(f -> f.diameter() < size).isPresent()
                        || mill.rack().stream()
                                .anyMatch(
                                        f -> f.kind() == Cutter.Kind.FLAT && f.diameter() <= size);
        if ((mill.drillFor(size).isPresent() && !slots) || bored) {
            return Optional.empty();
        }
        Optional<Cutter> nearest = mill.nearestDrill(size);
        String hint =
                nearest.map(n -> " The nearest drill is " + Length.text(n.diameter()) + ".")
                        .orElse(" The rack holds no drill.");
        return Optional.of(
                start(holes)
                        .lengths(size, nearest.map(Cutter::diameter).orElse(0L))
                        .say(
                                count(holes)
                                        + Length.text(size)
                                        + ", for which the rack has no drill within tolerance and no"
                                        + " end mill that fits."
                                        + hint
                                        + " Change the hole or add a drill."));
    }

    private static String count(List<Hole> holes) {
        return holes.size() == 1 ? "One hole is " : holes.size() + " holes are ";
    }
}
