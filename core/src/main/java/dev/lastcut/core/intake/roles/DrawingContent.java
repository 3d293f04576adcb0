package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.intake.picture.Loops.Loop;
import java.util.List;
import java.util.Optional;
import org.locationtech.jts.geom.Envelope;

/**
 * Line pictures that are no part of the board: assembly drawings (the board's edge and much beside
 * it), courtyards (boxes about parts and nothing else), lines for scoring a panel.
 */
final class DrawingContent implements Witness {
    private static final double SLACK_NM = 600_000;
    private static final double SAME_NM = 20_000;
    private static final int FEWEST_BOXES = 3;
    private static final int FEWEST_LINES = 4;
    private static final int MOST_SCORES = 60;

    @Override
    public void testify(PackFacts pack, Testimony testimony) {
        for (Picture p : pack.pictures()) {
            if (isKeepOut(pack, p)) {
                testimony.say(
                        p.path(),
                        "areas to keep out of, not the board's edge",
                        r -> r.equals(Role.NOT_PART) ? 7 : -4);
                continue;
            }
            boolean lines = p.thinShare() > 0.7 && !p.isEmpty() && !p.isSparse();
            if (!lines) {
                continue;
            }
            List<Loop> loops = p.loops();
            int boards = boards(pack, p, loops);
            if (boards > 1) {
                testimony.say(
                        p.path(),
                        "the board's edge " + boards + " times: a drawing of a panel",
                        r -> r.equals(Role.NOT_PART) ? 7 : isDrawn(r) ? -12 : 0);
                continue;
            }
            Loop edge = edge(pack, loops);
            if (edge != null) {
                assembly(p, edge, testimony);
            } else if (p.contour().isPresent()) {
                continue;
            } else if (isCourtyard(pack, p, loops)) {
                testimony.say(
                        p.path(),
                        "boxes about parts and nothing else: courtyards",
                        r -> r.equals(Role.NOT_PART) ? 4 : isDrawn(r) ? -6 : 0);
            } else if (isScores(pack, p)) {
                testimony.say(
                        p.path(),
                        "straight lines across the board: scores of a panel",
                        r -> r.equals(Role.NOT_PART) ? 5 : isDrawn(r) ? -6 : 0);
            }
        }
    }

    private static boolean isDrawn(Role r) {
        return r.kind() == Role.Kind.SILK || r.equals(Role.OUTLINE);
    }

    /** Called a keep-out, and no contour where another picture has one: some call the edge so. */
    private static boolean isKeepOut(PackFacts pack, Picture p) {
        return pack.name(p.path()).told().contains("keepout")
                && p.contour().isEmpty()
                && pack.pictures().stream().anyMatch(o -> o != p && o.contour().isPresent());
    }

    /** How often it has the contour of another picture. */
    private static int boards(PackFacts pack, Picture p, List<Loop> loops) {
        long most = 0;
        for (Picture other : pack.pictures()) {
            Optional<Envelope> board = other == p ? Optional.empty() : other.contour();
            if (board.isPresent()) {
                most =
                        Math.max(
                                most,
                                loops.stream().filter(l -> isAlike(l.box(), board.get())).count());
            }
        }
        return (int) most;
    }

    /** Whether two boxes have one size, turned by a quarter or not. */
    private static boolean isAlike(Envelope a, Envelope b) {
        double turned =
                Math.max(
                        Math.abs(a.getWidth() - b.getHeight()),
                        Math.abs(a.getHeight() - b.getWidth()));
        double straight =
                Math.max(
                        Math.abs(a.getWidth() - b.getWidth()),
                        Math.abs(a.getHeight() - b.getHeight()));
        return Math.min(turned, straight) < SAME_NM;
    }

    /** The loop that goes about all pads and holes; null for none. */
    private static Loop edge(PackFacts pack, List<Loop> loops) {
        Envelope usual = pack.usual();
        List<Pt> anchors = pack.anchors();
        for (Loop l : loops) {
            Envelope box = l.box();
            box.expandBy(SLACK_NM);
            long inside = anchors.stream().filter(a -> box.contains(a.coordinate())).count();
            boolean about =
                    anchors.isEmpty() ? box.contains(usual) : inside >= 0.97 * anchors.size();
            if (about && box.getArea() >= 0.7 * usual.getArea()) {
                return l;
            }
        }
        return null;
    }

    /**
     * The board's edge with parts drawn in it. Silk may hold the edge as well; so this weighs less
     * than what tells silk from other pictures, and where there is only one of both it is asked.
     */
    private static void assembly(Picture p, Loop edge, Testimony testimony) {
        // Cut-outs are drawn with the edge's line; what is not, or closes to nothing, is no edge.
        int edges =
                p.loops().stream()
                        .filter(l -> l.widthNm() == edge.widthNm())
                        .mapToInt(l -> l.strokes().size())
                        .sum();
        if (p.features().size() - edges < FEWEST_LINES) {
            return;
        }
        testimony.say(
                p.path(),
                "the board's edge with lines and lettering in it, as in an assembly drawing",
                r ->
                        r.equals(Role.NOT_PART)
                                ? 4
                                : r.kind() == Role.Kind.SILK
                                        ? -4.5
                                        : r.equals(Role.OUTLINE) ? -8 : 0);
    }

    private static boolean isCourtyard(PackFacts pack, Picture p, List<Loop> loops) {
        int own = loops.stream().mapToInt(l -> l.strokes().size()).sum();
        if (loops.size() < FEWEST_BOXES || own < 0.97 * p.features().size()) {
            return false;
        }
        List<Pt> pads = pack.surfacePads();
        long about =
                loops.stream()
                        .filter(
                                l ->
                                        pads.stream()
                                                        .filter(
                                                                a ->
                                                                        l.box()
                                                                                .contains(
                                                                                        a
                                                                                                .coordinate()))
                                                        .limit(2)
                                                        .count()
                                                > 1)
                        .count();
        return about >= 0.6 * loops.size();
    }

    /** A few straight lines, each from one end of the board to the other or beyond. */
    private static boolean isScores(PackFacts pack, Picture p) {
        Envelope usual = pack.usual();
        if (p.features().size() > MOST_SCORES || usual.isNull()) {
            return false;
        }
        for (Feature f : p.features()) {
            if (!(f instanceof Feature.Stroke s) || !(s.path() instanceof Segment.Line line)) {
                return false;
            }
            double dx = Math.abs((double) line.to().x() - line.from().x());
            double dy = Math.abs((double) line.to().y() - line.from().y());
            boolean across = dx >= 0.9 * usual.getWidth() && dy < 1_000;
            boolean along = dy >= 0.9 * usual.getHeight() && dx < 1_000;
            if (!across && !along) {
                return false;
            }
        }
        return true;
    }
}
