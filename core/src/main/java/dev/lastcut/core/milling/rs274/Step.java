package dev.lastcut.core.milling.rs274;

/**
 * One thing the mill does. Arcs come as short straight steps of the same line.
 *
 * @param line of the program, from 1
 * @param from where the tool is before, mm, in the machine's coordinates
 * @param rate mm per minute of a feed or probe; 0 otherwise
 * @param seconds a dwell lasts
 * @param spindle whether the spindle turns
 * @param tool the number of the tool in the spindle, 0 before any was chosen
 */
public record Step(
        int line,
        Kind kind,
        Point from,
        Point to,
        double rate,
        double seconds,
        boolean spindle,
        int tool) {
    /** The sorts of step. */
    public enum Kind {
        RAPID,
        FEED,
        PROBE,
        DWELL,
        /** M0, M1, M60: waits for a hand. */
        PAUSE,
        /** M6: waits for a hand, the tool is then another. */
        TOOL_CHANGE,
        END
    }

    /** A place in mm. */
    public record Point(double x, double y, double z) {
        /** Distance in mm. */
        public double distance(Point o) {
            return Math.sqrt((x - o.x) * (x - o.x) + (y - o.y) * (y - o.y) + (z - o.z) * (z - o.z));
        }

        /** x, y or z by its number from 0. */
        double axis(int i) {
            return i == 0 ? x : i == 1 ? y : z;
        }

        /** The place with x, y or z moved. */
        Point with(int i, double v) {
            return new Point(i == 0 ? v : x, i == 1 ? v : y, i == 2 ? v : z);
        }

        /** The place a share of the way to another. */
        public Point towards(Point o, double t) {
            return new Point(x + t * (o.x - x), y + t * (o.y - y), z + t * (o.z - z));
        }
    }

    public boolean moves() {
        return kind == Kind.RAPID || kind == Kind.FEED || kind == Kind.PROBE;
    }

    /**
     * How long it takes in minutes, without acceleration.
     *
     * @param rapid the mill's rapid rate, mm per minute
     */
    public double minutes(double rapid) {
        return switch (kind) {
            case RAPID -> from.distance(to) / rapid;
            case FEED, PROBE -> from.distance(to) / rate;
            case DWELL -> seconds / 60;
            default -> 0;
        };
    }
}
