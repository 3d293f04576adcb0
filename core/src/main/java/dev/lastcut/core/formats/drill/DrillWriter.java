package dev.lastcut.core.formats.drill;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Span;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * Writes holes of one plating as XNC: millimetres with explicit decimals, round holes drilled,
 * slots routed, one tool per diameter. Six decimals, so nothing is rounded.
 */
public final class DrillWriter {
    private DrillWriter() {}

    /**
     * @param copperLayers how many copper layers the board has, for the file function
     */
    public static byte[] write(List<Hole> holes, boolean plated, int copperLayers) {
        return write(holes, plated, Span.THROUGH, copperLayers);
    }

    /**
     * @param span what all the holes pass
     */
    public static byte[] write(List<Hole> holes, boolean plated, Span span, int copperLayers) {
        Map<Long, List<Hole>> byDiameter = new TreeMap<>();
        for (Hole h : holes) {
            byDiameter.computeIfAbsent(h.diameter(), k -> new ArrayList<>()).add(h);
        }
        StringBuilder out = new StringBuilder("M48\n");
        out.append("; #@! TF.FileFunction,").append(function(plated, span, copperLayers));
        out.append('\n');
        out.append("; #@! TF.SameCoordinates,pack\n");
        out.append("METRIC\n");
        int tool = 1;
        for (long diameter : byDiameter.keySet()) {
            out.append('T').append(tool++).append('C').append(mm(diameter)).append('\n');
        }
        out.append("%\nG90\n");
        tool = 1;
        for (List<Hole> same : byDiameter.values()) {
            out.append('T').append(tool++).append('\n');
            body(same, out);
        }
        return out.append("M30\n").toString().getBytes(StandardCharsets.UTF_8);
    }

    /** The file function after the Gerber specification, such as {@code Plated,1,2,PTH}. */
    public static String function(boolean plated, Span span, int copperLayers) {
        return (plated ? "Plated," : "NonPlated,") + layers(span, plated, copperLayers);
    }

    private static String layers(Span span, boolean plated, int copperLayers) {
        if (span.isThrough()) {
            return "1," + copperLayers + (plated ? ",PTH" : ",NPTH");
        }
        boolean atSurface = span.first() == 1 || span.last() == copperLayers;
        return span.first() + "," + span.last() + (atSurface ? ",Blind" : ",Buried");
    }

    private static void body(List<Hole> holes, StringBuilder out) {
        out.append("G05\n");
        for (Hole h : holes) {
            if (!h.isSlot()) {
                out.append('X').append(mm(h.from().x()));
                out.append('Y').append(mm(h.from().y())).append('\n');
            }
        }
        for (Hole h : holes) {
            if (h.isSlot()) {
                out.append("G00X").append(mm(h.from().x())).append('Y').append(mm(h.from().y()));
                out.append("\nM15\nG01X").append(mm(h.to().x()));
                out.append('Y').append(mm(h.to().y())).append("\nM16\n");
            }
        }
    }

    private static String mm(long nm) {
        BigDecimal v = BigDecimal.valueOf(nm, 6).stripTrailingZeros();
        return (v.scale() < 1 ? v.setScale(1) : v).toPlainString();
    }
}
