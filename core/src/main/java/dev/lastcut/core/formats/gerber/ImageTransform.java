package dev.lastcut.core.formats.gerber;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The deprecated commands that change the image as a whole: axis select (AS), mirror (MI), scale
 * (SF), offset (OF), rotation (IR) and polarity (IP). They are applied in that order, once the file
 * has been read. Meaning and order after older editions of the specification, from memory.
 */
final class ImageTransform {
    private static final Pattern PAIR = Pattern.compile("..(?:A([-+.\\d]+))?(?:B([-+.\\d]+))?");

    private boolean negative;
    private boolean swapped;
    private boolean mirrorX;
    private boolean mirrorY;
    private double scaleX = 1;
    private double scaleY = 1;
    private Pt offset = Pt.ORIGIN;
    private int rotation;

    /**
     * @param command in upper case
     * @return true when the command changes anything
     * @throws IllegalArgumentException when its parameters make no sense
     */
    boolean accept(String command, double nmPerUnit) {
        String body = command.substring(2);
        switch (command.substring(0, 2)) {
            case "IP" -> negative = body.startsWith("NEG");
            case "AS" -> swapped = body.startsWith("AY");
            case "IR" -> rotation = Integer.parseInt(body);
            case "MI" -> {
                mirrorX = value(command, 1, 0) != 0;
                mirrorY = value(command, 2, 0) != 0;
            }
            case "SF" -> {
                scaleX = value(command, 1, 1);
                scaleY = value(command, 2, 1);
            }
            default ->
                    offset =
                            new Pt(
                                    Math.round(value(command, 1, 0) * nmPerUnit),
                                    Math.round(value(command, 2, 0) * nmPerUnit));
        }
        if (scaleX != scaleY || !(scaleX > 0.001) || scaleX > 1000 || rotation % 90 != 0) {
            scaleX = scaleX > 0.001 && scaleX <= 1000 ? scaleX : 1;
            scaleY = scaleX;
            rotation -= rotation % 90;
            throw new IllegalArgumentException("only one scale and quarter turns are understood");
        }
        return negative || !isNone();
    }

    private static double value(String command, int group, double otherwise) {
        Matcher m = PAIR.matcher(command);
        if (!m.matches()) {
            throw new IllegalArgumentException("expected A and B with a number each");
        }
        return m.group(group) == null ? otherwise : Double.parseDouble(m.group(group));
    }

    private boolean isNone() {
        return !swapped
                && !mirrorX
                && !mirrorY
                && scaleX == 1
                && offset.equals(Pt.ORIGIN)
                && rotation == 0;
    }

    boolean isNegative() {
        return negative;
    }

    List<Feature> apply(List<Feature> features) {
        if (isNone()) {
            return features;
        }
        // Exchanging the axes is a mirrored x turned back by a quarter.
        Orientation how = swapped ? new Orientation(true, -90, 1) : Orientation.NONE;
        if (mirrorX != mirrorY) {
            how = new Orientation(true, mirrorY ? 180 : 0, 1).around(how);
        } else if (mirrorX) {
            how = new Orientation(false, 180, 1).around(how);
        }
        how = new Orientation(false, 0, scaleX).around(how);
        Orientation turn = new Orientation(false, rotation, 1);
        List<Feature> moved = new ArrayList<>();
        for (Feature f : features) {
            // The scale factor is one of places; apertures keep their size.
            Feature placed = f.placed(how, offset, true).resized(1 / scaleX);
            moved.add(placed.placed(turn, Pt.ORIGIN, true));
        }
        return moved;
    }
}
