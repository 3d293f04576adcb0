package dev.lastcut.core.milling;

import dev.lastcut.core.board.Side;
import java.util.List;
import java.util.Set;
import org.locationtech.jts.geom.Envelope;

/**
 * How one board is set up on a mill: what the maker chose beyond the mill's own sheet. Lengths in
 * nm.
 *
 * @param tools ids of the tools to isolate with; empty: the coarsest set that makes the board
 * @param sides the sides to mill; empty: those with copper
 * @param rubOut areas where all that is not wanted goes, when clearing by channel
 * @param leaveOut areas where no isolation is cut
 * @param leaveFreeCopper whether copper that only rings an unplated hole is left uncut around
 * @param nick how much the finest tool may take of wanted copper where nets would stay joined
 * @param climb whether the copper that stays is on the right of the travel
 * @param ground net that leftover copper is tied to; empty unless {@link Clearing#TIE}
 * @param throughZero what Z is measured from in drilling and contour
 * @param inStockX from the left edge of the stock to the board, seen from the top side
 * @param inStockY from the lower edge of the stock to the board
 * @param pins number of index pins: 0, 2 or 4
 * @param turnedOver about which axis the board is turned for its other side
 */
public record MillSetup(
        List<String> tools,
        Set<Side> sides,
        Clearing clearing,
        List<Envelope> rubOut,
        List<Envelope> leaveOut,
        boolean leaveFreeCopper,
        long nick,
        boolean climb,
        String ground,
        Zero throughZero,
        long inStockX,
        long inStockY,
        int pins,
        FlipAxis turnedOver) {
    /** What becomes of the copper that is not wanted. */
    public enum Clearing {
        /** A channel round all that is wanted; the rest stays. */
        CHANNEL,
        /** All of it goes. */
        RUB_OUT,
        /** It stays and belongs to one net: the others get their channels. */
        TIE
    }

    /** What Z is measured from. */
    public enum Zero {
        STOCK_TOP,
        BED
    }

    /** The line in the plane of the board that it is turned over about. */
    public enum FlipAxis {
        /** Left and right change places. */
        UPRIGHT,
        /** Near and far change places. */
        LEVEL
    }

    /** Channels, no nicks, two index pins when both sides are milled, 10 mm into the stock. */
    public static final MillSetup USUAL =
            new MillSetup(
                    List.of(),
                    Set.of(),
                    Clearing.CHANNEL,
                    List.of(),
                    List.of(),
                    true,
                    0,
                    true,
                    "",
                    Zero.STOCK_TOP,
                    10_000_000,
                    10_000_000,
                    2,
                    FlipAxis.UPRIGHT);

    public MillSetup {
        tools = List.copyOf(tools);
        sides = Set.copyOf(sides);
        rubOut = rubOut.stream().map(Envelope::new).toList();
        leaveOut = leaveOut.stream().map(Envelope::new).toList();
        if (nick < 0 || nick > 500_000) {
            throw new IllegalArgumentException("a nick is 0 to 0.5 mm");
        }
        if (pins != 0 && pins != 2 && pins != 4) {
            throw new IllegalArgumentException("index pins: none, 2 or 4");
        }
        if (inStockX < 0 || inStockY < 0) {
            throw new IllegalArgumentException("the board lies within the stock, from 0");
        }
        if (clearing == Clearing.TIE && ground.isBlank()) {
            throw new IllegalArgumentException("choose the net that leftover copper is tied to");
        }
        if (rubOut.size() + leaveOut.size() > 200) {
            throw new IllegalArgumentException("200 areas at most");
        }
    }

    /** The same with other tools to isolate with. */
    public MillSetup withTools(List<String> ids) {
        return new MillSetup(
                ids,
                sides,
                clearing,
                rubOut,
                leaveOut,
                leaveFreeCopper,
                nick,
                climb,
                ground,
                throughZero,
                inStockX,
                inStockY,
                pins,
                turnedOver);
    }
}
