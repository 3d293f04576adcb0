package dev.lastcut.core.strip;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A lead form as a user describes it.
 *
 * @param leads how many there are
 * @param spacing from lead to lead of a row, or of two bendable leads the least, in pitches
 * @param rowsApart from row to row of two rows, in pitches
 * @param lengthMm of the body along a row of leads
 * @param widthMm of the body across
 * @param heightMm above the board
 */
public record OwnForm(
        Shape shape,
        int leads,
        int spacing,
        int rowsApart,
        double lengthMm,
        double widthMm,
        double heightMm) {
    /** How the leads leave the body. */
    public enum Shape {
        AXIAL,
        RADIAL,
        ROW,
        TWO_ROWS;

        public String id() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        public static Optional<Shape> parse(String id) {
            return Stream.of(values()).filter(s -> s.id().equals(id)).findFirst();
        }
    }

    private static final double PITCH_MM = 2.54;
    private static final double LARGEST_MM = 200;

    /**
     * @throws IllegalArgumentException when no part can be so, with a sentence
     */
    public OwnForm {
        boolean two = shape == Shape.AXIAL || shape == Shape.RADIAL;
        require(!two || leads == 2, "a part with bendable leads has two of them");
        require(shape != Shape.TWO_ROWS || leads % 2 == 0, "two rows have an even number of leads");
        require(leads >= 1 && leads <= 64, "a part has 1 to 64 leads");
        require(spacing >= 1 && spacing <= 40, "the spacing is 1 to 40 holes");
        require(
                shape != Shape.TWO_ROWS || (rowsApart >= 1 && rowsApart <= 40),
                "rows are 1 to 40 holes apart");
        for (double mm : new double[] {lengthMm, widthMm, heightMm}) {
            require(
                    mm > 0 && mm <= LARGEST_MM,
                    "a body is above 0 and up to 200 mm long, wide and high");
        }
    }

    private static void require(boolean holds, String otherwise) {
        if (!holds) {
            throw new IllegalArgumentException(otherwise);
        }
    }

    /** The form; its body lies about the middle of its leads. */
    public LeadForm form() {
        String name = "own form, " + leads + " leads";
        if (shape == Shape.AXIAL) {
            return LeadForm.axial(name, lengthMm, widthMm, spacing);
        }
        if (shape == Shape.RADIAL) {
            return LeadForm.radial(name, lengthMm, widthMm, heightMm, spacing);
        }
        int rows = shape == Shape.ROW ? 1 : 2;
        int each = leads / rows;
        List<GridHole> feet = new ArrayList<>();
        for (int i = 0; i < each; i++) {
            feet.add(new GridHole(0, i * spacing));
        }
        for (int i = each - 1; rows == 2 && i >= 0; i--) {
            feet.add(new GridHole(-rowsApart, i * spacing));
        }
        double midX = (each - 1) * spacing * PITCH_MM / 2;
        double midY = rows == 1 ? 0 : -rowsApart * PITCH_MM / 2;
        return LeadForm.fixed(
                name,
                feet,
                new LeadForm.Box(
                        midX - lengthMm / 2,
                        midY - widthMm / 2,
                        midX + lengthMm / 2,
                        midY + widthMm / 2),
                heightMm);
    }
}
