package dev.lastcut.core.capability;

import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** A desktop mill: its rack, the stock it is set up for, and its habits. Lengths in nm. */
public record Mill(
        List<Cutter> rack,
        Stock stock,
        Bed bed,
        Cutting cutting,
        Tabs tabs,
        Pins pins,
        Controller controller) {
    /**
     * The blank that boards are cut from.
     *
     * @param copper thickness of the foil
     */
    public record Stock(long width, long height, long thickness, long copper) {
        public Stock {
            if (width <= 0 || height <= 0 || thickness <= 0 || copper <= 0 || copper >= thickness) {
                throw new IllegalArgumentException(
                        "the stock needs a width, a height, a thickness and a foil thinner than"
                                + " it");
            }
        }
    }

    /**
     * Where the spindle can go.
     *
     * @param lift how far above the top of the stock the tool can be raised
     */
    public record Bed(long width, long height, long lift) {
        public Bed {
            if (width <= 0 || height <= 0 || lift <= 0) {
                throw new IllegalArgumentException("the bed's sizes must be above 0");
            }
        }
    }

    /**
     * Depths and rates.
     *
     * @param isolationDepth how deep isolation cuts into the surface
     * @param channel how wide the channel round wanted copper becomes
     * @param overlap share of a pass that the next one covers again, 0 to under 1
     * @param breakthrough how far drills and contours go below the stock
     * @param drillTolerance how far a drill may differ from the wanted hole
     */
    public record Cutting(
            long safeHeight,
            long isolationDepth,
            long channel,
            double overlap,
            long breakthrough,
            long drillTolerance,
            double rapidMmPerMin) {
        public Cutting {
            if (safeHeight <= 0 || isolationDepth <= 0 || channel < 0 || breakthrough < 0) {
                throw new IllegalArgumentException("depths and heights must be above 0");
            }
            if (!(overlap >= 0 && overlap <= 0.9)) {
                throw new IllegalArgumentException("pass_overlap must be from 0 to 0.9");
            }
            if (channel > 20_000_000 || !(rapidMmPerMin > 0) || drillTolerance < 0) {
                throw new IllegalArgumentException(
                        "the channel is 20 mm at most, the rapid rate above 0");
            }
        }
    }

    /** What holds the board in the stock while its contour is cut. */
    public record Tabs(int count, long width, long height) {
        public Tabs {
            if (count < 0 || count > 100 || width < 0 || height < 0) {
                throw new IllegalArgumentException("tabs: 0 to 100, with sizes from 0");
            }
        }
    }

    /**
     * Index pins that both sides of a turned board register on.
     *
     * @param depth how deep their holes go into the bed below the stock
     */
    public record Pins(long diameter, long depth) {
        public Pins {
            if (diameter <= 0 || depth < 0) {
                throw new IllegalArgumentException("index pins need a diameter above 0");
            }
        }
    }

    /**
     * How the mill's controller wants its programs.
     *
     * @param arcs whether arcs are written as arcs; else as short lines
     * @param spindleSpeed whether the speed is written; else it is set by hand
     * @param toolChangeMinutes what changing a tool takes, for comparing cutter sets
     */
    public record Controller(
            ToolChange toolChange,
            boolean lineNumbers,
            boolean arcs,
            boolean spindleSpeed,
            double toolChangeMinutes) {
        /** The sorts of tool change. */
        public enum ToolChange {
            /** One program for a side; it pauses for each tool. */
            PAUSE,
            /** Each tool has a program of its own. */
            PROGRAM_PER_TOOL
        }

        public Controller {
            if (!(toolChangeMinutes >= 0 && toolChangeMinutes <= 60)) {
                throw new IllegalArgumentException("a tool change takes 0 to 60 minutes");
            }
        }
    }

    public Mill {
        rack = List.copyOf(rack);
        Set<String> ids = new HashSet<>();
        for (Cutter c : rack) {
            if (!ids.add(c.id())) {
                throw new IllegalArgumentException("two tools have the id " + c.id());
            }
        }
        if (tabs.height() > stock.thickness()) {
            throw new IllegalArgumentException("tabs cannot be higher than the stock is thick");
        }
    }

    public Optional<Cutter> tool(String id) {
        return rack.stream().filter(c -> c.id().equals(id)).findFirst();
    }

    /** How wide the tool of a number cuts at the isolation depth, mm; 0 when there is none. */
    public double toolWidthMm(int number) {
        boolean there = number >= 1 && number <= rack.size();
        return there ? rack.get(number - 1).widthAt(cutting.isolationDepth()) / 1e6 : 0;
    }

    /** Tools that can isolate, the widest cut first. */
    public List<Cutter> isolationTools() {
        double depth = cutting.isolationDepth();
        return rack.stream()
                .filter(Cutter::isMill)
                .sorted(
                        Comparator.comparingDouble((Cutter c) -> -c.widthAt(depth))
                                .thenComparing(Cutter::id))
                .toList();
    }

    /** How deep a cut goes that leaves nothing of the stock. */
    public long throughDepth() {
        return stock.thickness() + cutting.breakthrough();
    }

    /** The widest flat tool that reaches through the stock: for contours. */
    public Optional<Cutter> contourCutter() {
        return widestFlat(Double.MAX_VALUE);
    }

    /** The widest flat tool not above a width that reaches through the stock. */
    public Optional<Cutter> widestFlat(double most) {
        return rack.stream()
                .filter(c -> c.kind() == Cutter.Kind.FLAT && c.diameter() <= most)
                .filter(c -> c.reaches(throughDepth()))
                .max(Comparator.comparingLong(Cutter::diameter));
    }

    /** The drill nearest to a diameter, if one is within the tolerance. */
    public Optional<Cutter> drillFor(long diameter) {
        return nearestDrill(diameter)
                .filter(c -> Math.abs(c.diameter() - diameter) <= cutting.drillTolerance());
    }

    /** The drill nearest to a diameter of those that reach through the stock. */
    public Optional<Cutter> nearestDrill(long diameter) {
        return rack.stream()
                .filter(c -> c.kind() == Cutter.Kind.DRILL && c.reaches(throughDepth()))
                .min(Comparator.comparingLong(c -> Math.abs(c.diameter() - diameter)));
    }
}
