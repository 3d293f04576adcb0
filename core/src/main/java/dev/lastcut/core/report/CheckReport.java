package dev.lastcut.core.report;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.cut.SignOff;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * What the printed report says.
 *
 * @param against lines that tell what the board was held against: shop, headroom, order
 * @param panel the panel as one board, which findings of the panel are about
 */
public record CheckReport(
        String job,
        String created,
        List<String> against,
        BoardGeometry geometry,
        CheckRun run,
        List<SignOff> signOffs,
        Optional<BoardGeometry> panel) {
    /** So many places get a picture; the rest are told in words. */
    static final int MOST_PICTURES = 120;

    /** The layer of findings that are about the panel. */
    private static final String PANEL = "panel";

    public CheckReport {
        against = List.copyOf(against);
        signOffs = List.copyOf(signOffs);
    }

    /** Of single boards. */
    public CheckReport(
            String job,
            String created,
            List<String> against,
            BoardGeometry geometry,
            CheckRun run,
            List<SignOff> signOffs) {
        this(job, created, against, geometry, run, signOffs, Optional.empty());
    }

    /** What a finding's places are on. */
    BoardGeometry geometryOf(Finding f) {
        return f.layers().contains(PANEL) ? panel.orElse(geometry) : geometry;
    }

    /** The rule's title for each rule id. */
    Map<String, String> titles() {
        Map<String, String> titles = new HashMap<>();
        run.results().forEach(r -> titles.put(r.rule(), r.title()));
        return titles;
    }

    Optional<SignOff> signOff(Finding f) {
        return signOffs.stream().filter(s -> s.findingId().equals(f.id())).findFirst();
    }

    /** "2 stop, 5 look, 1 note; 3 signed off". */
    String summary() {
        long signed = run.findings().stream().filter(f -> signOff(f).isPresent()).count();
        return String.format(
                Locale.ROOT,
                "%d stop, %d look, %d note; %d of them signed off. %d checks passed, %d could not"
                        + " run.",
                run.count(Severity.STOP),
                run.count(Severity.LOOK),
                run.count(Severity.NOTE),
                signed,
                with(Outcome.Status.PASSED).size(),
                with(Outcome.Status.NOT_RUN).size());
    }

    List<CheckRun.Result> with(Outcome.Status status) {
        return run.results().stream().filter(r -> r.outcome().status() == status).toList();
    }

    /** Findings with a picture: stop and look, the first hundred or so. */
    boolean hasPicture(int index, Finding f) {
        return index < MOST_PICTURES && f.severity() != Severity.NOTE && !f.everywhere();
    }

    static String measure(Finding f) {
        return f.unit().equals("mm")
                ? String.format(Locale.ROOT, "%.3f mm, limit %.3f mm", f.measured(), f.limit())
                : String.format(
                        Locale.ROOT,
                        "%s, limit %s %s",
                        number(f.measured()),
                        number(f.limit()),
                        f.unit());
    }

    private static String number(double n) {
        return n == Math.rint(n) ? String.valueOf((long) n) : String.format(Locale.ROOT, "%.3f", n);
    }

    /** The layers in plain words. */
    static String layers(Finding f) {
        return String.join(
                ", ",
                f.layers().stream().map(id -> Role.parse(id).map(Role::words).orElse(id)).toList());
    }

    static String place(Finding f) {
        return f.everywhere()
                ? "the whole board"
                : String.format(
                        Locale.ROOT, "x %.3f mm, y %.3f mm", f.at().x() / 1e6, f.at().y() / 1e6);
    }
}
