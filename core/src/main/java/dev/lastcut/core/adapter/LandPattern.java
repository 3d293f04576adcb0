package dev.lastcut.core.adapter;

/**
 * The pads of a part with leads on its sides, by the proportions of IPC-7351, nominal density (from
 * memory): toe 0.35 mm beyond the tip of the lead, heel 0.35 mm behind its foot, and about half the
 * pitch wide, so that the solder mask between two pads stands. Lengths in mm.
 *
 * @param pitch from lead to lead
 * @param bodyWidth across the rows, without the leads
 * @param leadSpan from tip to tip of opposite leads
 * @param rowLength from the first to the last lead of a row, where rows meet at corners; else 0
 */
public record LandPattern(double pitch, double bodyWidth, double leadSpan, double rowLength) {
    /** Between the pads and copper under the body. */
    static final double ROOM = 0.25;

    /** How far beyond the pads of a neighbouring row a row's pads begin. */
    private static final double CORNER = 0.15;

    private static final double TOE = 0.35;
    private static final double HEEL = 0.35;

    /** The part of a lead that lies flat, of what shows of it. */
    private static final double FOOT = 0.55;

    private static final double FINE_PITCH = 0.5;
    private static final double WIDEST = 0.7;

    /** From the middle of the part to the outer ends of its pads. */
    public double outerEdge() {
        return leadSpan / 2 + TOE;
    }

    /**
     * From the middle of the part to the inner ends of its pads; they do not go under the body far.
     */
    public double innerEdge() {
        double shown = (leadSpan - bodyWidth) / 2;
        double foot = Math.max(0.3, shown * FOOT);
        double corner = rowLength == 0 ? 0.2 : rowLength / 2 + padWidth() / 2 + CORNER;
        return Math.max(corner, leadSpan / 2 - foot - HEEL);
    }

    public double padLength() {
        return outerEdge() - innerEdge();
    }

    public double padWidth() {
        double share = pitch < FINE_PITCH ? 0.5 : 0.55;
        return Math.round(Math.min(WIDEST, share * pitch) * 1000) / 1000.0;
    }

    /** Of the tracks that leave the pads. */
    public double trackWidth() {
        return Math.round(Math.min(0.5, 0.45 * pitch) * 1000) / 1000.0;
    }
}
