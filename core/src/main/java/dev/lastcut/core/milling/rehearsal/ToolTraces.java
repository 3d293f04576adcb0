package dev.lastcut.core.milling.rehearsal;

import dev.lastcut.core.milling.rehearsal.Rehearsal.Part;
import dev.lastcut.core.milling.rehearsal.Rehearsal.Track;
import java.util.ArrayList;
import java.util.List;

/** The ways of the tools, and how long each tool runs. */
final class ToolTraces {
    private ToolTraces() {}

    static List<Part> parts(List<Cutting> all, List<Script> scripts) {
        List<Part> parts = new ArrayList<>();
        for (List<Cutting> turn : turns(all)) {
            Cutting first = turn.get(0);
            double minutes = turn.stream().mapToDouble(Cutting::minutes).sum();
            double cut =
                    turn.stream()
                                    .filter(c -> c.cuts() && c.isFeed())
                                    .mapToDouble(ToolTraces::length)
                                    .sum()
                            / 1e6;
            parts.add(
                    new Part(
                            scripts.get(first.script()).name(),
                            first.tool() == null ? "no tool" : first.tool().name(),
                            first.startMinute(),
                            minutes,
                            cut));
        }
        return parts;
    }

    private static double length(Cutting c) {
        return Math.hypot(c.x1() - c.x0(), c.y1() - c.y0());
    }

    /** Runs of steps of one program with one tool. */
    private static List<List<Cutting>> turns(List<Cutting> all) {
        List<List<Cutting>> turns = new ArrayList<>();
        List<Cutting> now = new ArrayList<>();
        for (Cutting c : all) {
            boolean same =
                    now.isEmpty()
                            || (now.get(0).script() == c.script() && now.get(0).tool() == c.tool());
            if (!same) {
                turns.add(now);
                now = new ArrayList<>();
            }
            now.add(c);
        }
        if (!now.isEmpty()) {
            turns.add(now);
        }
        return turns;
    }

    static List<Track> of(List<Cutting> all) {
        List<Track> tracks = new ArrayList<>();
        for (List<Cutting> turn : turns(all)) {
            List<Cutting> moves = turn.stream().filter(c -> c.step().moves()).toList();
            if (!moves.isEmpty()) {
                tracks.add(track(moves));
            }
        }
        return tracks;
    }

    private static Track track(List<Cutting> moves) {
        int n = moves.size() + 1;
        Cutting first = moves.get(0);
        double deepest = moves.stream().mapToDouble(Cutting::depth1).max().orElse(0);
        double width = first.tool() == null ? 0 : first.tool().widthAt(Math.max(0, deepest));
        Track t =
                new Track(
                        first.script(),
                        width,
                        new int[n],
                        new double[n],
                        new double[n],
                        new double[n],
                        new double[n],
                        new boolean[n]);
        t.x()[0] = first.x0();
        t.y()[0] = first.y0();
        t.depth()[0] = first.depth0();
        t.minute()[0] = first.startMinute();
        t.lines()[0] = first.step().line();
        for (int i = 1; i < n; i++) {
            Cutting c = moves.get(i - 1);
            t.x()[i] = c.x1();
            t.y()[i] = c.y1();
            t.depth()[i] = c.depth1();
            t.minute()[i] = c.startMinute() + c.minutes();
            t.lines()[i] = c.step().line();
            t.feed()[i] = c.isFeed();
        }
        return t;
    }
}
