package dev.lastcut.server.ticket;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.lastcut.core.panel.Join;
import dev.lastcut.core.panel.PanelPlan;
import dev.lastcut.core.panel.Rails;
import java.util.List;
import java.util.Optional;

/** What is chosen about a panel; what is not given is usual. */
@JsonInclude(JsonInclude.Include.NON_EMPTY)
public record PanelJson(
        Integer rows,
        Integer columns,
        Double gapMm,
        Double rotationDeg,
        String join,
        Double railMm,
        String rails,
        TabJson tab,
        Object fiducials,
        Double toolingMm,
        List<AlsoJson> also,
        List<LyingJson> places) {
    /** The form of tabs. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record TabJson(Double widthMm, Integer perSide, BitesJson bites) {
        static TabJson of(PanelPlan.TabForm t) {
            return new TabJson(t.widthMm(), t.perSide(), new BitesJson(t.biteMm(), t.pitchMm()));
        }

        PanelPlan.TabForm toForm() {
            PanelPlan.TabForm usual = PanelPlan.TabForm.USUAL;
            return new PanelPlan.TabForm(
                    or(widthMm, usual.widthMm()),
                    perSide == null ? usual.perSide() : perSide,
                    bites == null ? usual.biteMm() : or(bites.holeMm, usual.biteMm()),
                    bites == null ? usual.pitchMm() : or(bites.pitchMm, usual.pitchMm()));
        }
    }

    /** The holes a tab is broken at; a hole of 0 for none. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record BitesJson(Double holeMm, Double pitchMm) {}

    /** So many boards of another pack. */
    public record AlsoJson(String pack, Integer count) {}

    /** A board's place: its pack's coordinates, turned, then shifted. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record LyingJson(String pack, Double xMm, Double yMm, Double rotationDeg) {}

    public static PanelJson of(PanelPlan p) {
        return new PanelJson(
                p.rows(),
                p.columns(),
                p.gapMm().orElse(null),
                p.rotationDeg() == 0 ? null : p.rotationDeg(),
                p.join().id(),
                p.railMm(),
                p.rails().id(),
                p.tab().equals(PanelPlan.TabForm.USUAL) ? null : TabJson.of(p.tab()),
                p.fiducials() == 0 ? null : p.fiducials(),
                p.toolingMm() == 0 ? null : p.toolingMm(),
                p.also().stream().map(a -> new AlsoJson(a.pack(), a.count())).toList(),
                p.places().stream()
                        .map(
                                l ->
                                        new LyingJson(
                                                l.pack().orElse(null),
                                                l.xMm(),
                                                l.yMm(),
                                                l.rotationDeg()))
                        .toList());
    }

    /**
     * @throws IllegalArgumentException when a number is out of range, after the key it is of
     */
    public PanelPlan toPlan() {
        PanelPlan usual = PanelPlan.ONE;
        return new PanelPlan(
                rows == null ? usual.rows() : rows,
                columns == null ? usual.columns() : columns,
                Optional.ofNullable(gapMm),
                or(rotationDeg, 0),
                join == null ? usual.join() : Join.parse(join).orElseThrow(),
                rails == null ? usual.rails() : Rails.parse(rails).orElseThrow(),
                or(railMm, usual.railMm()),
                tab == null ? usual.tab() : tab.toForm(),
                marks(),
                or(toolingMm, 0),
                also == null
                        ? List.of()
                        : also.stream()
                                .map(a -> new PanelPlan.Also(a.pack, a.count == null ? 1 : a.count))
                                .toList(),
                places == null
                        ? List.of()
                        : places.stream()
                                .map(
                                        l ->
                                                new PanelPlan.Place(
                                                        Optional.ofNullable(l.pack),
                                                        or(l.xMm, 0),
                                                        or(l.yMm, 0),
                                                        or(l.rotationDeg, 0)))
                                .toList());
    }

    /** A number, or true for three. */
    private int marks() {
        if (fiducials instanceof Number n) {
            return n.intValue();
        }
        return Boolean.TRUE.equals(fiducials) ? 3 : 0;
    }

    private static double or(Double given, double usual) {
        return given == null ? usual : given;
    }
}
