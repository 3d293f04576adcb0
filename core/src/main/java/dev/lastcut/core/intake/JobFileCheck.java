package dev.lastcut.core.intake;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Outline;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.intake.reading.JobFile;
import dev.lastcut.core.intake.reading.Reading;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.locationtech.jts.geom.Envelope;

/** What a job file says of the whole board, held against the pictures. */
final class JobFileCheck {
    /** Sizes are written to a few decimals, and about the middle or the edge of the line. */
    private static final double ALIKE_MM = 0.3;

    private JobFileCheck() {}

    static List<Problem> problems(Map<String, Reading> readings, Board board) {
        List<Problem> problems = new ArrayList<>();
        readings.forEach(
                (path, r) -> {
                    if (r instanceof Reading.Job j) {
                        layers(path, j.file(), board, problems);
                        size(path, j.file(), board, problems);
                        missing(path, j.file(), readings, problems);
                    }
                });
        return problems;
    }

    private static void layers(String path, JobFile job, Board board, List<Problem> problems) {
        int found = board.copper().size();
        job.layers()
                .filter(n -> n != found)
                .ifPresent(
                        n ->
                                problems.add(
                                        problem(
                                                path,
                                                "the job file says "
                                                        + n
                                                        + " copper layers, but the pack has "
                                                        + found)));
    }

    private static void size(String path, JobFile job, Board board, List<Problem> problems) {
        if (job.widthMm().isEmpty() || job.heightMm().isEmpty() || board.outline().isEmpty()) {
            return;
        }
        Outline outline = board.outline().get();
        Envelope e = outline.area(Flattener.SCREEN).getEnvelopeInternal();
        if (e.isNull()) {
            return;
        }
        double width = e.getWidth() / 1e6;
        double height = e.getHeight() / 1e6;
        boolean alike =
                Math.abs(width - job.widthMm().get()) <= ALIKE_MM
                        && Math.abs(height - job.heightMm().get()) <= ALIKE_MM;
        if (!alike) {
            problems.add(
                    problem(
                            path,
                            String.format(
                                    Locale.ROOT,
                                    "the job file says %.2f × %.2f mm, but the outline is %.2f ×"
                                            + " %.2f mm",
                                    job.widthMm().get(),
                                    job.heightMm().get(),
                                    width,
                                    height)));
        }
    }

    private static void missing(
            String path, JobFile job, Map<String, Reading> readings, List<Problem> problems) {
        for (String named : job.functions().keySet()) {
            boolean there =
                    readings.keySet().stream()
                            .anyMatch(
                                    p ->
                                            p.equals(named)
                                                    || p.endsWith("/" + JobFile.leaf(named))
                                                    || p.equals(JobFile.leaf(named)));
            if (!there) {
                problems.add(
                        problem(path, "the job file names " + named + ", which the pack lacks"));
            }
        }
    }

    private static Problem problem(String path, String text) {
        return new Problem(
                Problem.Code.JOB_FILE_DISAGREES,
                path,
                0,
                text,
                "the pictures count; check whether the pack is whole and of one export");
    }
}
