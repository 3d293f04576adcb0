package dev.lastcut.core.strip;

/**
 * What counts how much when plans are compared.
 *
 * @param area for each hole of the board that is used
 * @param link for each wire link
 * @param cut for each cut
 */
public record StripWeights(double area, double link, double cut) {
    public static final StripWeights USUAL = new StripWeights(1, 4, 1.5);

    private static final double MOST = 1000;

    public StripWeights {
        for (double w : new double[] {area, link, cut}) {
            if (!(w >= 0 && w <= MOST)) {
                throw new IllegalArgumentException("a weight is 0 to 1000");
            }
        }
    }
}
