package dev.lastcut.server.report;

import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.CheckTarget;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.cut.SignOff;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.job.JobPipeline;
import dev.lastcut.core.panel.Panel;
import dev.lastcut.core.report.CheckReport;
import dev.lastcut.core.touch.Touched;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Puts into words what a board was held against, for the printed report. */
public final class Reports {
    private Reports() {}

    /**
     * @param created ISO 8601
     */
    public static CheckReport of(JobPipeline.Product product, String job, String created) {
        return of(
                job,
                created,
                product.against(),
                product.touched(),
                product.run(),
                product.signOffs());
    }

    /**
     * @param created ISO 8601
     */
    public static CheckReport of(
            String job,
            String created,
            CheckTarget against,
            Touched touched,
            CheckRun run,
            List<SignOff> signOffs) {
        List<String> lines = new ArrayList<>();
        lines.add("Held against " + against.sheet().name() + " (" + against.sheet().id() + ")");
        lines.add("Headroom: " + headroom(against.headroom()));
        String ordered = ordered(against);
        if (!ordered.isEmpty()) {
            lines.add("Ordered: " + ordered);
        }
        BoardGeometry geometry = touched.geometry();
        for (Touched.Outcome o : touched.outcomes()) {
            if (o.step().on()) {
                lines.add(
                        (o.done() ? "Touched up: " : "Not touched up: ")
                                + o.step().touch().words()
                                + ". "
                                + o.why());
            }
        }
        return new CheckReport(
                job,
                created,
                lines,
                geometry,
                run,
                signOffs,
                against.panel().flatMap(p -> p.on(geometry).panel()).map(Panel::whole));
    }

    private static String headroom(Headroom h) {
        List<String> parts = new ArrayList<>();
        parts.add(String.format(Locale.ROOT, "%s %% on all numbers", plain(h.percent())));
        h.absolute()
                .forEach(
                        (key, by) ->
                                parts.add(
                                        key.title()
                                                + " "
                                                + (key.isRatio() ? plain(by) : Length.text(by))));
        h.ownPercent().forEach((key, by) -> parts.add(key.title() + " " + plain(by) + " %"));
        return String.join(", ", parts);
    }

    private static String ordered(CheckTarget against) {
        List<String> parts = new ArrayList<>();
        for (OrderOption o : OrderOption.values()) {
            against.sheet()
                    .value(o, against.order())
                    .ifPresent(v -> parts.add(o.title() + " " + (v + " " + o.unit()).strip()));
        }
        return String.join(", ", parts);
    }

    private static String plain(double n) {
        return n == Math.rint(n) ? String.valueOf((long) n) : String.valueOf(n);
    }
}
