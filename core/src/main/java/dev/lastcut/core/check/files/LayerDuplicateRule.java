package dev.lastcut.core.check.files;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Pads;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The same picture under two roles: one of the two is most likely the wrong file. */
public final class LayerDuplicateRule implements Rule {
    @Override
    public String id() {
        return "layer-duplicate";
    }

    @Override
    public String title() {
        return "Duplicate layers";
    }

    @Override
    public Outcome run(CheckContext c) {
        List<Layer> layers =
                c.board().layers().stream().filter(l -> !l.features().isEmpty()).toList();
        if (layers.isEmpty()) {
            return Outcome.notRun("the pack has no pictures");
        }
        List<Finding> findings = new ArrayList<>();
        for (int i = 0; i < layers.size(); i++) {
            for (int k = 0; k < i; k++) {
                Layer a = layers.get(k);
                Layer b = layers.get(i);
                if (same(a, b) && !mayBeEqual(c, a, b)) {
                    findings.add(finding(a, b));
                }
            }
        }
        return Outcome.of(findings);
    }

    private static boolean same(Layer a, Layer b) {
        return a.features().size() == b.features().size() && objects(a).equals(objects(b));
    }

    /** What is drawn, whatever the order, the lines of the file and the attributes. */
    private static Map<Object, Integer> objects(Layer layer) {
        Map<Object, Integer> all = new HashMap<>();
        layer.features().forEach(f -> all.merge(bare(f), 1, Integer::sum));
        return all;
    }

    private static Feature bare(Feature f) {
        ObjectAttributes none = ObjectAttributes.NONE;
        if (f instanceof Feature.Flash a) {
            return new Feature.Flash(a.aperture(), a.at(), a.orientation(), a.dark(), 0, none);
        }
        if (f instanceof Feature.Stroke a) {
            return new Feature.Stroke(a.aperture(), a.path(), a.orientation(), a.dark(), 0, none);
        }
        return new Feature.Region(((Feature.Region) f).contours(), f.dark(), 0, none);
    }

    /**
     * Masks of both sides are equal on a board of through-hole parts alone, whose copper may be so
     * too where every pad has its hole; paste may be drawn as large as the mask.
     */
    private static boolean mayBeEqual(CheckContext c, Layer a, Layer b) {
        Role.Kind one = a.role().kind();
        Role.Kind two = b.role().kind();
        boolean maskAndPaste =
                one != two
                        && List.of(Role.Kind.MASK, Role.Kind.PASTE).containsAll(List.of(one, two))
                        && a.role().side().equals(b.role().side());
        boolean masks = one == Role.Kind.MASK && two == Role.Kind.MASK;
        return maskAndPaste || (masks && onlyThroughHole(c)) || areTwoPlanes(a, b);
    }

    /** Planes of one net are often equal: then numbers in their names tell them apart. */
    private static boolean areTwoPlanes(Layer a, Layer b) {
        String one = digits(a);
        String two = digits(b);
        return a.role().inner() > 0
                && b.role().inner() > 0
                && !one.isEmpty()
                && !two.isEmpty()
                && !one.equals(two);
    }

    private static String digits(Layer l) {
        return l.file().substring(l.file().lastIndexOf('/') + 1).replaceAll("\\D+", " ").strip();
    }

    private static boolean onlyThroughHole(CheckContext c) {
        for (Side side : Side.values()) {
            for (Pads.Pad pad : Pads.on(c, side)) {
                if (c.geometry().holes().at(pad.at()).isEmpty()) {
                    return false;
                }
            }
        }
        return true;
    }

    private Finding finding(Layer a, Layer b) {
        boolean copper = a.role().isCopper() || b.role().isCopper();
        return new FindingBuilder(id())
                .layers(a.role().id(), b.role().id())
                .count(2, 1, "times")
                .severity(copper ? Severity.STOP : Severity.LOOK)
                .say(
                        a.file()
                                + " ("
                                + a.role().words()
                                + ") and "
                                + b.file()
                                + " ("
                                + b.role().words()
                                + ") show the same picture. One of them is most likely the wrong"
                                + " file. Look at both, then change the role or write it again.");
    }
}
