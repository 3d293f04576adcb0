package dev.lastcut.core.panel;

import java.util.List;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;

/**
 * What is chosen about a panel. Lengths in mm, angles in degrees counter-clockwise.
 *
 * @param gapMm between boards, and between boards and rails; empty for what is usual for the join
 * @param rotationDeg how the boards lie
 * @param fiducials how many marks in the rails, 0, 3 or 4
 * @param toolingMm diameter of the holes in the rails' corners, 0 for none
 * @param also other boards on the same panel
 * @param places where boards lie, when they were moved by hand; then rows and columns say nothing
 */
public record PanelPlan(
        int rows,
        int columns,
        Optional<Double> gapMm,
        double rotationDeg,
        Join join,
        Rails rails,
        double railMm,
        TabForm tab,
        int fiducials,
        double toolingMm,
        List<Also> also,
        List<Place> places) {
    /** More boards than any panel holds are a slip of the pen. */
    public static final int MOST_BOARDS = 2000;

    /** The width of a router's channel (common practice, no source). */
    public static final double CHANNEL_MM = 2;

    private static final double LEAST_CHANNEL_MM = 0.5;
    private static final double MOST_MM = 2000;

    /** Copper and the ring of bare board about it need this of a rail's width. */
    private static final double MARK_MM = 3;

    /** One board and nothing about it: where a plan begins. */
    public static final PanelPlan ONE =
            new PanelPlan(
                    1,
                    1,
                    Optional.empty(),
                    0,
                    Join.TABS,
                    Rails.NONE,
                    5,
                    TabForm.USUAL,
                    0,
                    0,
                    List.of(),
                    List.of());

    /** What a maker begins with: rails to hold a panel by, marks for the machine. */
    public static final PanelPlan BEGUN =
            new PanelPlan(
                    2,
                    2,
                    Optional.empty(),
                    0,
                    Join.TABS,
                    Rails.ALL,
                    7,
                    TabForm.USUAL,
                    3,
                    3,
                    List.of(),
                    List.of());

    /**
     * How tabs look.
     *
     * @param perSide how many on each side of a board that has a neighbour or a rail
     * @param biteMm diameter of the holes to break at, 0 for none
     * @param pitchMm from hole to hole
     */
    public record TabForm(double widthMm, int perSide, double biteMm, double pitchMm) {
        /** Common practice, no source. */
        public static final TabForm USUAL = new TabForm(3, 2, 0.5, 0.8);

        public TabForm {
            require(widthMm >= 0.5 && widthMm <= 50, "tab.width_mm", "from 0.5 to 50 mm", widthMm);
            require(perSide >= 1 && perSide <= 20, "tab.per_side", "from 1 to 20", perSide);
            require(
                    biteMm == 0 || biteMm >= 0.2 && biteMm <= 2,
                    "tab.bites.hole_mm",
                    "0 for none, or from 0.2 to 2 mm",
                    biteMm);
            require(
                    biteMm == 0 || pitchMm > biteMm && pitchMm <= 10,
                    "tab.bites.pitch_mm",
                    "more than the hole, to 10 mm",
                    pitchMm);
        }
    }

    /** So many of another board. */
    public record Also(String pack, int count) {
        public Also {
            require(count >= 1 && count <= MOST_BOARDS, "also.count", "from 1", count);
            if (pack.isBlank()) {
                throw new IllegalArgumentException(
                        "also.pack: the other board's pack is not named");
            }
        }
    }

    /**
     * A board's place: its pack's coordinates, turned and then shifted, are the panel's. The panel
     * grows about all of them, so only where they lie to each other counts.
     *
     * @param pack another board's; empty for the job's own
     */
    public record Place(Optional<String> pack, double xMm, double yMm, double rotationDeg) {
        public Place {
            require(Math.abs(xMm) <= 10 * MOST_MM, "places.x_mm", "a place on the panel", xMm);
            require(Math.abs(yMm) <= 10 * MOST_MM, "places.y_mm", "a place on the panel", yMm);
            require(
                    Math.abs(rotationDeg) <= 360,
                    "places.rotation_deg",
                    "from -360 to 360",
                    rotationDeg);
        }
    }

    /**
     * @throws IllegalArgumentException when a number cannot be, or two do not go together: the
     *     sentence begins with its key
     */
    public PanelPlan {
        also = List.copyOf(also);
        places = List.copyOf(places);
        require(rows >= 1 && rows <= MOST_BOARDS, "rows", "from 1", rows);
        require(columns >= 1 && columns <= MOST_BOARDS, "columns", "from 1", columns);
        long all = (long) rows * columns + also.stream().mapToLong(Also::count).sum();
        require(
                Math.max(all, places.size()) <= MOST_BOARDS,
                "rows",
                "at most " + MOST_BOARDS + " boards on a panel",
                all);
        double gap = gapMm.orElse(usualGap(join));
        require(gap >= 0 && gap <= 200, "gap_mm", "from 0 to 200 mm", gap);
        require(
                join != Join.TABS || gap >= LEAST_CHANNEL_MM,
                "gap_mm",
                "at least 0.5 mm where tabs join the boards, for the router; boards that touch are"
                        + " scored",
                gap);
        require(Math.abs(rotationDeg) <= 360, "rotation_deg", "from -360 to 360", rotationDeg);
        if (join == Join.SCORE) {
            straight("rotation_deg", rotationDeg);
            places.forEach(p -> straight("places.rotation_deg", p.rotationDeg()));
        }
        require(railMm >= 0 && railMm <= 100, "rail_mm", "from 0 to 100 mm", railMm);
        require(rails == Rails.NONE || railMm >= 1, "rail_mm", "at least 1 mm for rails", railMm);
        require(
                fiducials == 0 || fiducials == 3 || fiducials == 4,
                "fiducials",
                "0, 3 or 4",
                fiducials);
        require(
                toolingMm == 0 || toolingMm >= 0.5 && toolingMm <= 10,
                "tooling_mm",
                "0 for none, or from 0.5 to 10 mm",
                toolingMm);
        boolean railed = rails != Rails.NONE;
        require(
                fiducials == 0 || railed && railMm >= MARK_MM,
                "fiducials",
                "marks stand in rails of at least 3 mm: add rails, or leave the marks out",
                railed ? railMm : 0);
        require(
                toolingMm == 0 || railed && railMm >= toolingMm + 1,
                "tooling_mm",
                "holes stand in rails 1 mm wider than they are: widen the rails",
                railed ? railMm : 0);
    }

    private static void straight(String key, double deg) {
        if (deg % 90 != 0) {
            throw new IllegalArgumentException(
                    key
                            + ": a V-score runs straight, so boards turned by "
                            + deg
                            + "° cannot be scored. Turn them by quarter turns, or join them by tabs");
        }
    }

    private static void require(boolean holds, String key, String should, double is) {
        if (!holds || !Double.isFinite(is)) {
            String number =
                    is == Math.rint(is) && Math.abs(is) < 1e15
                            ? String.valueOf((long) is)
                            : String.valueOf(is);
            throw new IllegalArgumentException(key + ": " + should + ", not " + number);
        }
    }

    private static double usualGap(Join join) {
        return join == Join.SCORE ? 0 : CHANNEL_MM;
    }

    /** Between boards, mm. */
    public double gap() {
        return gapMm.orElse(usualGap(join));
    }

    /** The other packs it takes boards of. */
    public SortedSet<String> packs() {
        SortedSet<String> all = new TreeSet<>();
        if (places.isEmpty()) {
            also.forEach(a -> all.add(a.pack()));
        } else {
            places.forEach(p -> p.pack().ifPresent(all::add));
        }
        return all;
    }

    /** How many of the job's own board. */
    public int own() {
        return places.isEmpty()
                ? rows * columns
                : (int) places.stream().filter(p -> p.pack().isEmpty()).count();
    }
}
