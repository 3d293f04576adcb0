package dev.lastcut.core.landpattern;

import java.util.ArrayList;
import java.util.List;

/**
 * The terminals of a package, seen from above; lengths in mm about the middle of the package.
 *
 * @param terminals in order of their numbers
 * @param leadMm the thickness of a lead that goes through the board; 0 for flat terminals
 * @param numbered whether makers number them alike, so that a mirrored pattern can be told
 */
public record PackageShape(String name, List<Terminal> terminals, double leadMm, boolean numbered) {
    public PackageShape {
        terminals = List.copyOf(terminals);
    }

    /**
     * Where one terminal touches the board.
     *
     * @param width along x, {@code height} along y
     */
    public record Terminal(String number, double x, double y, double width, double height) {
        Terminal mirrored() {
            return new Terminal(number, -x, y, width, height);
        }
    }

    public boolean isLeaded() {
        return leadMm > 0;
    }

    /** The same with its terminals in each other's place, as on a pattern seen from below. */
    PackageShape mirrored() {
        return new PackageShape(
                name, terminals.stream().map(Terminal::mirrored).toList(), leadMm, numbered);
    }

    /** The least distance between two terminals, mm. */
    public double pitchMm() {
        double least = Double.MAX_VALUE;
        for (int i = 1; i < terminals.size(); i++) {
            Terminal a = terminals.get(i - 1);
            Terminal b = terminals.get(i);
            least = Math.min(least, Math.hypot(a.x - b.x, a.y - b.y));
        }
        return least;
    }

    /**
     * Two rows, counted down the left and up the right.
     *
     * @param pins of both rows
     * @param rows from the middle of one row's contacts to the other's
     */
    static PackageShape dual(
            String name,
            int pins,
            double pitch,
            double rows,
            double foot,
            double width,
            double lead) {
        int side = pins / 2;
        List<Terminal> all = new ArrayList<>();
        for (int i = 0; i < pins; i++) {
            boolean left = i < side;
            double along = ((side - 1) / 2.0 - (left ? i : pins - 1 - i)) * pitch;
            all.add(
                    new Terminal(
                            String.valueOf(i + 1),
                            left ? -rows / 2 : rows / 2,
                            along,
                            foot,
                            width));
        }
        return new PackageShape(name, all, lead, true);
    }

    /**
     * Four rows, counted from the top of the left one against the clock.
     *
     * @param rows from the middle of the contacts of one side to the other's
     */
    static PackageShape quad(
            String name, int pins, double pitch, double rows, double foot, double width) {
        int side = pins / 4;
        List<Terminal> all = new ArrayList<>();
        for (int i = 0; i < pins; i++) {
            double along = (i % side - (side - 1) / 2.0) * pitch;
            String number = String.valueOf(i + 1);
            all.add(
                    switch (i / side) {
                        case 0 -> new Terminal(number, -rows / 2, -along, foot, width);
                        case 1 -> new Terminal(number, along, -rows / 2, width, foot);
                        case 2 -> new Terminal(number, rows / 2, along, foot, width);
                        default -> new Terminal(number, -along, rows / 2, width, foot);
                    });
        }
        return new PackageShape(name, all, 0, true);
    }

    /** Two terminals, which makers name in many ways. */
    static PackageShape two(String name, double apart, double foot, double width) {
        return new PackageShape(
                name,
                List.of(
                        new Terminal("1", -apart / 2, 0, foot, width),
                        new Terminal("2", apart / 2, 0, foot, width)),
                0,
                false);
    }
}
