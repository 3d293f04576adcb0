package dev.lastcut.core.check.parts;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.value.Dimension;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * Rotations that are not in keeping with the pads: parts of one footprint, turned back by what the
 * placement says, must look alike; and a package that stands alone must have its first pin where
 * the other packages of its kind have it.
 */
public final class RotationSuspectRule implements Rule {
    /** Packages whose first pin is in the same corner in one library (common practice). */
    private static final Pattern CORNERED =
            Pattern.compile("(SOIC|TSSOP|SSOP|VSSOP|MSOP|DIP|TQFP|LQFP|QFP|QFN|VQFN|WQFN).*");

    /** So many other packages must agree before one that stands alone is held against them. */
    private static final int WITNESSES = 2;

    @Override
    public String id() {
        return "rotation-suspect";
    }

    @Override
    public String title() {
        return "Rotations fit the pads";
    }

    @Override
    public Outcome run(CheckContext c) {
        if (c.board().placements().isEmpty()) {
            return Outcome.notRun("the pack has no placement file");
        }
        Optional<Netlist> netlist = c.board().netlist();
        if (netlist.isEmpty()) {
            return Outcome.notRun("no netlist tells which pads are whose");
        }
        Map<String, List<Netlist.Point>> points = new HashMap<>();
        for (Netlist.Point p : netlist.get().points()) {
            if (p.isPin()) {
                points.computeIfAbsent(p.component(), k -> new ArrayList<>()).add(p);
            }
        }
        Map<String, List<TurnedBack>> groups = new LinkedHashMap<>();
        for (Part part : c.parts()) {
            TurnedBack.of(part, points.getOrDefault(part.designator(), List.of()))
                    .ifPresent(
                            t -> groups.computeIfAbsent(key(part), k -> new ArrayList<>()).add(t));
        }
        List<Finding> findings = new ArrayList<>();
        groups.values().forEach(g -> among(g, findings));
        alone(groups, findings);
        return Outcome.of(findings);
    }

    /** Bottom parts are judged by bottom parts: files differ in how those are counted. */
    private static String key(Part p) {
        return p.placed().orElseThrow().side() + " " + p.placed().orElseThrow().footprint();
    }

    private void among(List<TurnedBack> group, List<Finding> findings) {
        TurnedBack habit = null;
        long most = 0;
        for (TurnedBack t : group.subList(0, Math.min(group.size(), 20))) {
            long like = group.stream().filter(o -> alike(o, t)).count();
            if (like > most) {
                most = like;
                habit = t;
            }
        }
        if (habit == null || most < 2 || most * 2 <= group.size()) {
            return;
        }
        for (TurnedBack t : group) {
            if (alike(t, habit)) {
                continue;
            }
            for (int quarters : new int[] {2, 1, 3}) {
                if (t.fits(habit, quarters)) {
                    findings.add(
                            finding(
                                    t,
                                    quarters,
                                    "the "
                                            + most
                                            + " others of "
                                            + t.part().placed().orElseThrow().footprint()));
                    break;
                }
            }
        }
    }

    /** A resistor turned by half is the same resistor. */
    private static boolean alike(TurnedBack a, TurnedBack b) {
        boolean eitherWay =
                a.pins().size() == 2 && Dimension.of(a.part().designator()) != Dimension.NONE;
        return a.fits(b, 0) || (eitherWay && a.fits(b, 2));
    }

    private void alone(Map<String, List<TurnedBack>> groups, List<Finding> findings) {
        Map<String, TurnedBack> first = new LinkedHashMap<>();
        Map<String, Integer> corners = new HashMap<>();
        groups.forEach(
                (key, group) -> {
                    TurnedBack t = group.get(0);
                    if (CORNERED.matcher(t.part().packageName()).matches()) {
                        t.corner()
                                .ifPresent(
                                        q -> {
                                            first.put(key, t);
                                            corners.put(key, q);
                                        });
                    }
                });
        first.forEach(
                (key, t) -> {
                    if (groups.get(key).size() > 1) {
                        return;
                    }
                    String side = key.substring(0, key.indexOf(' '));
                    List<Integer> others =
                            corners.entrySet().stream()
                                    .filter(e -> !e.getKey().equals(key))
                                    .filter(e -> e.getKey().startsWith(side))
                                    .map(Map.Entry::getValue)
                                    .toList();
                    boolean agreed =
                            others.size() >= WITNESSES && others.stream().distinct().count() == 1;
                    int quarters = agreed ? Math.floorMod(others.get(0) - corners.get(key), 4) : 0;
                    if (quarters != 0) {
                        findings.add(
                                finding(t, quarters, "the " + others.size() + " other packages"));
                    }
                });
    }

    /**
     * @param quarters by which the pins must be turned on, as the placement has them, to lie as
     *     those of the others do: so much less is the part turned
     */
    private Finding finding(TurnedBack t, int quarters, String others) {
        var at = t.part().placed().orElseThrow();
        boolean below = at.side() == Side.BOTTOM;
        double should = ((at.rotationDeg() + (below ? 90 : -90) * quarters) % 360 + 360) % 360;
        return new FindingBuilder(id())
                .severity(Severity.LOOK)
                .at(at.at())
                .count(at.rotationDeg(), should, "°")
                .layers("placement")
                .parts(List.of(t.part().designator()))
                .say(
                        String.format(
                                Locale.ROOT,
                                "%s is placed at %s°, but its pads lie as at %s°, held against %s:"
                                        + " it would be fitted turned by %d°. Put %s° into the"
                                        + " placement.",
                                t.part().designator(),
                                degrees(at.rotationDeg()),
                                degrees(should),
                                others,
                                quarters == 2 ? 180 : 90,
                                degrees(should)));
    }

    private static String degrees(double d) {
        return d == Math.rint(d) ? String.valueOf((long) d) : String.valueOf(d);
    }
}
