package dev.lastcut.core.assembly;

import dev.lastcut.core.formats.table.Designators;
import java.util.Collections;
import java.util.Map;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * Turns added to the rotations of the placement, in degrees counter-clockwise as the placement
 * counts: for all parts of a package, which is a footprint's name or the package in it, and for
 * single parts. Both are added where both are said.
 */
public record Turns(SortedMap<String, Double> packages, SortedMap<String, Double> parts) {
    public static final Turns NONE = new Turns(new TreeMap<>(), new TreeMap<>());

    public Turns {
        packages = kept(packages, new TreeMap<>());
        parts = kept(parts, new TreeMap<>(Designators.ORDER));
    }

    private static SortedMap<String, Double> kept(
            Map<String, Double> said, TreeMap<String, Double> all) {
        said.forEach(
                (name, degrees) -> {
                    if (!Double.isFinite(degrees) || Math.abs(degrees) > 360) {
                        throw new IllegalArgumentException(
                                name + ": a turn is from -360 to 360 degrees, not " + degrees);
                    }
                    double turn = turn(degrees);
                    if (turn != 0) {
                        all.put(name, turn);
                    }
                });
        return Collections.unmodifiableSortedMap(all);
    }

    /** From 0 to 360. */
    private static double turn(double degrees) {
        return (degrees % 360 + 360) % 360;
    }

    /** With another turn of a package; 0 takes it back. */
    public Turns ofPackage(String name, double degrees) {
        TreeMap<String, Double> all = new TreeMap<>(packages);
        all.put(name, degrees);
        return new Turns(all, parts);
    }

    /** With another turn of a part; 0 takes it back. */
    public Turns ofPart(String designator, double degrees) {
        TreeMap<String, Double> all = new TreeMap<>(parts);
        all.put(designator, degrees);
        return new Turns(packages, all);
    }

    /** What is added for a part alone. */
    public double ofPart(String designator) {
        return parts.getOrDefault(designator, 0.0);
    }

    /** What is added for all parts of the part's footprint, or else of its package. */
    public double ofPackage(Part part) {
        String footprint = part.placed().map(p -> p.footprint()).orElse(part.footprint());
        Double own = packages.get(footprint);
        return own != null ? own : packages.getOrDefault(PackageName.of(footprint), 0.0);
    }

    /** A placed part's rotation as it goes out, from 0 to 360. */
    public double rotationDeg(Part part) {
        double file = part.placed().orElseThrow().rotationDeg();
        double added = ofPart(part.designator()) + ofPackage(part);
        return added == 0 ? file : turn(file + added);
    }

    Turns without(Set<String> designators) {
        TreeMap<String, Double> left = new TreeMap<>(parts);
        left.keySet().removeAll(designators);
        return new Turns(packages, left);
    }
}
