package dev.lastcut.server.ticket;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.lastcut.core.stencil.HomePlate;
import dev.lastcut.core.stencil.Panes;
import dev.lastcut.core.stencil.Shaping;
import dev.lastcut.core.stencil.StencilPlan;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;

/** What is chosen about the stencil; the shaping of all openings stands beside the rest. */
@JsonInclude(JsonInclude.Include.NON_EMPTY)
public record StencilJson(
        Double foilMm,
        Double reduceMm,
        Double reducePercent,
        Double cornerMm,
        PanesJson panes,
        HomePlateJson homePlate,
        Map<String, ShapingJson> packages,
        Boolean leaveOutUnfitted,
        Boolean framed,
        Double alignMm) {
    /** Openings in panes. */
    public record PanesJson(Double overMm2, Double webMm, Double coverPercent) {
        static final double OVER_MM2 = 6;
        static final double WEB_MM = 0.3;
        static final double COVER = 70;

        static PanesJson of(Panes p) {
            return new PanesJson(p.overMm2(), p.webMm(), p.coverPercent());
        }

        Panes toPanes() {
            return new Panes(
                    overMm2 == null ? OVER_MM2 : overMm2,
                    webMm == null ? WEB_MM : webMm,
                    coverPercent == null ? COVER : coverPercent);
        }
    }

    /** Openings that run to a point. */
    @JsonInclude(JsonInclude.Include.NON_EMPTY)
    public record HomePlateJson(List<String> packages, Double ratio) {
        static final double RATIO = 0.33;

        static HomePlateJson of(HomePlate h) {
            return new HomePlateJson(List.copyOf(h.packages()), h.ratio());
        }

        HomePlate toHomePlate() {
            return new HomePlate(
                    new TreeSet<>(packages == null ? List.of() : packages),
                    ratio == null ? RATIO : ratio);
        }
    }

    /** How the openings of a package are shaped. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record ShapingJson(
            Double reduceMm,
            Double reducePercent,
            Double cornerMm,
            PanesJson panes,
            HomePlateJson homePlate) {
        static ShapingJson of(Shaping s) {
            return new ShapingJson(
                    s.reduceMm().orElse(null),
                    s.reducePercent().orElse(null),
                    s.cornerMm().orElse(null),
                    s.panes().map(PanesJson::of).orElse(null),
                    s.homePlate().map(HomePlateJson::of).orElse(null));
        }

        Shaping toShaping() {
            return new Shaping(
                    Optional.ofNullable(reduceMm),
                    Optional.ofNullable(reducePercent),
                    Optional.ofNullable(cornerMm),
                    Optional.ofNullable(panes).map(PanesJson::toPanes),
                    Optional.ofNullable(homePlate).map(HomePlateJson::toHomePlate));
        }
    }

    public static StencilJson of(StencilPlan p) {
        ShapingJson all = ShapingJson.of(p.all());
        Map<String, ShapingJson> own = new TreeMap<>();
        p.packages().forEach((name, s) -> own.put(name, ShapingJson.of(s)));
        return new StencilJson(
                p.foilMm().orElse(null),
                all.reduceMm,
                all.reducePercent,
                all.cornerMm,
                all.panes,
                all.homePlate,
                own,
                p.leaveOutUnfitted() ? true : null,
                p.mounting().framed() ? true : null,
                p.mounting().alignMm() == 0 ? null : p.mounting().alignMm());
    }

    /**
     * @throws IllegalArgumentException when a number is out of range, after the key it is of
     */
    StencilPlan toPlan() {
        TreeMap<String, Shaping> own = new TreeMap<>();
        if (packages != null) {
            packages.forEach((name, s) -> own.put(name, s.toShaping()));
        }
        return new StencilPlan(
                Optional.ofNullable(foilMm),
                new ShapingJson(reduceMm, reducePercent, cornerMm, panes, homePlate).toShaping(),
                own,
                Boolean.TRUE.equals(leaveOutUnfitted),
                new StencilPlan.Mounting(
                        Boolean.TRUE.equals(framed), alignMm == null ? 0 : alignMm));
    }
}
