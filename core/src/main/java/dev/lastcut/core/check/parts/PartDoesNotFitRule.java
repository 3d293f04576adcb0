package dev.lastcut.core.check.parts;

import dev.lastcut.core.assembly.PackageName;
import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Pads;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.PlaceIndex;
import dev.lastcut.core.landpattern.LandFit;
import dev.lastcut.core.landpattern.PackageShape;
import dev.lastcut.core.landpattern.PackageShapes;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * The part that was chosen against the pads it is to stand on: rows, pins, pitch, which way they
 * count, and the holes for its leads. Its package is that of the known part, else the one in the
 * footprint's name.
 */
public final class PartDoesNotFitRule implements Rule {
    private static final double BESIDE_NM = 60_000;

    @Override
    public String id() {
        return "part-does-not-fit";
    }

    @Override
    public String title() {
        return "Land pattern fit";
    }

    @Override
    public Outcome run(CheckContext c) {
        Map<Side, Map<String, List<LandFit.Pad>>> pads = pads(c);
        List<Finding> findings = new ArrayList<>();
        int held = 0;
        for (Part p : c.parts()) {
            Optional<Side> side = p.placed().map(at -> at.side());
            if (!p.fitted() || side.isEmpty()) {
                continue;
            }
            List<LandFit.Pad> own = pads.get(side.get()).getOrDefault(p.designator(), List.of());
            List<PackageShape> shapes = PackageShapes.of(packageOf(c, p));
            if (own.isEmpty() || shapes.isEmpty()) {
                continue;
            }
            held++;
            Role copper = Role.of(Role.Kind.COPPER, side.get());
            LandFit.of(
                            shapes,
                            own,
                            pins(c, p)::contains,
                            at -> !c.geometry().index(copper).at(at).isEmpty(),
                            side.get() == Side.BOTTOM)
                    .ifPresent(m -> findings.add(finding(p, m)));
        }
        return held == 0
                ? Outcome.notRun("no pads are known of a part whose package is known")
                : Outcome.of(findings, held + " parts held against their packages");
    }

    /** What the known part is in, else what the board's footprint is named after. */
    private static String packageOf(CheckContext c, Part p) {
        return Optional.ofNullable(c.known().get(p.partNumber()))
                .map(CataloguePart::packageName)
                .filter(name -> !name.isBlank())
                .map(PackageName::of)
                .orElseGet(() -> PackageName.of(p.standsOn()));
    }

    /** The pins that the known part has. */
    private static Set<String> pins(CheckContext c, Part p) {
        return Optional.ofNullable(c.known().get(p.partNumber()))
                .map(CataloguePart::pins)
                .orElse(List.of())
                .stream()
                .map(CataloguePart.Pin::pin)
                .collect(Collectors.toSet());
    }

    private static Map<Side, Map<String, List<LandFit.Pad>>> pads(CheckContext c) {
        PlaceIndex<Hole> holes = new PlaceIndex<>(BESIDE_NM);
        c.board().holes().forEach(h -> holes.put(h.middle(), h));
        Map<Side, Map<String, List<LandFit.Pad>>> all = new EnumMap<>(Side.class);
        for (Side side : Side.values()) {
            Map<String, List<LandFit.Pad>> there = new HashMap<>();
            for (Pads.Pad p : Pads.on(c, side)) {
                if (!p.part().isEmpty() && !p.pin().isEmpty()) {
                    there.computeIfAbsent(p.part(), k -> new ArrayList<>())
                            .add(
                                    new LandFit.Pad(
                                            p.pin(),
                                            p.at(),
                                            p.node().envelope(),
                                            holes.at(p.at())
                                                    .map(h -> Length.toMm(h.diameter()))
                                                    .orElse(0.0)));
                }
            }
            all.put(side, there);
        }
        return all;
    }

    private Finding finding(Part p, LandFit.Misfit m) {
        List<Measure> places = m.off();
        FindingBuilder b =
                new FindingBuilder(id())
                        .severity(Severity.STOP)
                        .about(p.designator())
                        .at(p.placed().orElseThrow().at())
                        .count(Math.max(1, places.size()), 0, "terminals off")
                        .parts(List.of(p.designator()));
        return b.also(places)
                .say(
                        p.designator()
                                + " "
                                + m.says()
                                + ". It cannot be soldered there. Choose a part in the package that the"
                                + " board has, or change the footprint.");
    }
}
