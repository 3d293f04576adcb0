package dev.lastcut.server.ticket;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.lastcut.core.board.Correction;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.OrderMark;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.formats.drill.DrillFormat;
import dev.lastcut.core.formats.table.ColumnKind;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.Choices;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.milling.level.ProbeGrid;
import dev.lastcut.core.stencil.StencilPlan;
import dev.lastcut.core.strip.StripChoices;
import dev.lastcut.core.ticket.Acceptance;
import dev.lastcut.core.ticket.CutStamp;
import dev.lastcut.core.ticket.ProbedSurface;
import dev.lastcut.core.ticket.Reviewed;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.server.catalogue.PartJson;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;

/**
 * {@code ticket.json}, version 1; documented in docs/ticket.md. What is not there has its usual
 * value, and what has its usual value is not written.
 */
@JsonInclude(JsonInclude.Include.NON_EMPTY)
record TicketJson(
        Integer version,
        String shop,
        Map<String, String> roles,
        Map<String, String> formats,
        Map<String, Double> unitsNm,
        Map<String, List<String>> columns,
        Map<String, Map<String, Double>> toolSizes,
        Map<String, MoveJson> corrections,
        HeadroomJson headroom,
        Map<String, Object> order,
        List<CurrentJson> currents,
        MillSetupJson mill,
        Map<String, MillSetupJson> millsAside,
        Map<String, SurfaceJson> surfaces,
        Map<String, PartsJson.FittingJson> parts,
        String variant,
        Map<String, Map<String, PartsJson.FittingJson>> variants,
        Map<String, PartJson> knownParts,
        Map<String, List<String>> needs,
        PartsJson.TurnsJson turns,
        PartsJson.ByHandJson byHand,
        Map<String, String> notes,
        Map<String, String> lookedAt,
        Map<String, String> polarity,
        List<PartsJson.GuideJson> guide,
        HeightsJson heights,
        StencilJson stencil,
        PanelJson panel,
        List<Map<String, Object>> touches,
        StripJson strip,
        List<SignOffJson> signOffs,
        Map<String, ReviewedJson> reviewed,
        String job,
        Integer revision,
        Integer cut,
        String madeAt) {
    static final int VERSION = 1;
    static final String QUANTITY = "quantity";

    /** The name of the way the order is sent. */
    static final String CARRIAGE = "carriage";

    /** Where the order mark goes: {@code x_mm}, {@code y_mm}, {@code side}. */
    static final String MARK = "mark";

    /** Tools of a drill file by number, and the holes before any tool is chosen. */
    static final String TOOL = "^(T[0-9]{1,4}|no-tool)$";

    private static final String NO_TOOL = "no-tool";

    /** Who looked at something before the cut, and a digest of what it was then. */
    record ReviewedJson(String by, String of) {}

    /** How a file's content is moved: mirrored, turned, scaled, then shifted. */
    record MoveJson(
            Boolean mirrored, Integer quarterTurns, Double scale, Double dxMm, Double dyMm) {
        static MoveJson of(Correction c) {
            return new MoveJson(
                    c.mirrored(),
                    c.quarterTurns(),
                    c.scale(),
                    Length.toMm(c.shift().x()),
                    Length.toMm(c.shift().y()));
        }

        Correction toCorrection() {
            return new Correction(
                    Boolean.TRUE.equals(mirrored),
                    quarterTurns == null ? 0 : quarterTurns,
                    scale == null ? 1 : scale,
                    new Pt(mm(dxMm), mm(dyMm)));
        }

        private static long mm(Double given) {
            return given == null ? 0 : Length.mm(given);
        }
    }

    /** A grid of probed places in program coordinates, nm. */
    record GridJson(double minX, double minY, double maxX, double maxY, int columns, int rows) {}

    /** A probed surface: the grid, and x, y and z in mm on each line. */
    record SurfaceJson(GridJson gridNm, String points) {
        static SurfaceJson of(ProbedSurface s) {
            ProbeGrid g = s.grid();
            return new SurfaceJson(
                    new GridJson(g.minX(), g.minY(), g.maxX(), g.maxY(), g.columns(), g.rows()),
                    s.points());
        }

        ProbedSurface toSurface() {
            GridJson g = gridNm;
            return new ProbedSurface(
                    new ProbeGrid(g.minX, g.minY, g.maxX, g.maxY, g.columns, g.rows), points);
        }
    }

    /** A sign-off; from {@code finding} on it is what was known of the finding. */
    @JsonInclude(JsonInclude.Include.NON_EMPTY)
    record SignOffJson(
            String rule,
            Double xMm,
            Double yMm,
            String by,
            String reason,
            String finding,
            String subject,
            Double beyond,
            Integer revision,
            String at) {
        static SignOffJson of(Acceptance a) {
            Optional<Acceptance.Facts> f = a.facts();
            return new SignOffJson(
                    a.rule(),
                    Length.toMm(a.at().x()),
                    Length.toMm(a.at().y()),
                    a.by(),
                    a.reason(),
                    f.map(Acceptance.Facts::finding).orElse(null),
                    f.map(Acceptance.Facts::subject).orElse(null),
                    f.flatMap(Acceptance.Facts::beyond).orElse(null),
                    f.map(Acceptance.Facts::revision).orElse(null),
                    f.map(Acceptance.Facts::time).orElse(null));
        }

        Acceptance toAcceptance() {
            return new Acceptance(
                    rule,
                    new Pt(xMm == null ? 0 : Length.mm(xMm), yMm == null ? 0 : Length.mm(yMm)),
                    by,
                    reason,
                    Optional.ofNullable(finding)
                            .map(
                                    id ->
                                            new Acceptance.Facts(
                                                    id,
                                                    subject == null ? "" : subject,
                                                    Optional.ofNullable(beyond),
                                                    revision == null ? 1 : revision,
                                                    at == null ? "" : at)));
        }
    }

    static TicketJson of(Ticket t) {
        boolean usualMill = t.mill().equals(MillSetup.USUAL);
        return new TicketJson(
                VERSION,
                t.shop().orElse(null),
                values(t.files().roles(), Role::id),
                values(t.files().formats(), DrillFormat::words),
                values(t.files().unitsNm(), u -> u),
                values(t.files().columns(), c -> c.stream().map(ColumnKind::id).toList()),
                values(t.files().toolSizes(), TicketJson::tools),
                values(t.files().corrections(), MoveJson::of),
                t.headroom().equals(Headroom.NONE) ? null : HeadroomJson.of(t.headroom()),
                byId(t.order()),
                t.currents().stream().map(CurrentJson::of).toList(),
                usualMill ? null : MillSetupJson.of(t.mill()),
                values(t.millsAside(), MillSetupJson::of),
                surfaces(t.probed()),
                PartsJson.of(t.parts().variants().base()),
                t.parts().variants().built().orElse(null),
                PartsJson.variants(t.parts().variants()),
                PartsJson.known(t.parts()),
                new TreeMap<>(t.parts().needs()),
                PartsJson.TurnsJson.of(t.parts().turns()),
                PartsJson.ByHandJson.of(t.parts().byHand()),
                t.parts().notes(),
                t.parts().looked(),
                t.parts().polarity(),
                PartsJson.GuideJson.of(t.parts().guide()),
                HeightsJson.of(t.parts().heights()),
                t.stencil().equals(StencilPlan.AS_DRAWN) ? null : StencilJson.of(t.stencil()),
                t.panel().map(PanelJson::of).orElse(null),
                TouchJson.of(t.touches()),
                t.strip().equals(StripChoices.NONE) ? null : StripJson.of(t.strip()),
                t.signOffs().stream().map(SignOffJson::of).toList(),
                values(t.reviewed(), r -> new ReviewedJson(r.by(), r.of())),
                t.made().job().orElse(null),
                t.made().revision() == 0 ? null : t.made().revision(),
                t.made().cut() == 0 ? null : t.made().cut(),
                t.made().at().orElse(null));
    }

    private static <A, B> Map<String, B> values(Map<String, A> all, Function<A, B> codec) {
        Map<String, B> next = new TreeMap<>();
        if (all != null) {
            all.forEach((k, v) -> next.put(k, codec.apply(v)));
        }
        return next;
    }

    static String toolName(int number) {
        return number < 0 ? NO_TOOL : "T" + number;
    }

    private static Map<String, Double> tools(Map<Integer, Long> sizes) {
        Map<String, Double> all = new TreeMap<>();
        sizes.forEach((tool, nm) -> all.put(toolName(tool), Length.toMm(nm)));
        return all;
    }

    private static Map<Integer, Long> toTools(Map<String, Double> sizes) {
        Map<Integer, Long> all = new TreeMap<>();
        sizes.forEach(
                (tool, mm) ->
                        all.put(
                                tool.equals(NO_TOOL) ? -1 : Integer.parseInt(tool.substring(1)),
                                Length.mm(mm)));
        return all;
    }

    private static Map<String, Object> byId(Order order) {
        Map<String, Object> all = new TreeMap<>();
        order.chosen().forEach((o, v) -> all.put(o.id(), v));
        if (order.quantity() != Order.USUAL_QUANTITY) {
            all.put(QUANTITY, order.quantity());
        }
        order.carriage().ifPresent(way -> all.put(CARRIAGE, way));
        order.mark()
                .ifPresent(
                        m -> {
                            Map<String, Object> place = new TreeMap<>();
                            place.put("x_mm", Length.toMm(m.at().x()));
                            place.put("y_mm", Length.toMm(m.at().y()));
                            place.put("side", m.side().word());
                            all.put(MARK, place);
                        });
        return all;
    }

    private static Map<String, SurfaceJson> surfaces(Map<Side, ProbedSurface> probed) {
        Map<String, SurfaceJson> all = new TreeMap<>();
        probed.forEach((side, s) -> all.put(side.word(), SurfaceJson.of(s)));
        return all;
    }

    /**
     * The ticket. The schema has looked at keys, types and words before.
     *
     * @throws IllegalArgumentException when a number is out of range, after the part it is in
     */
    Ticket toTicket() {
        return new Ticket(
                Optional.ofNullable(shop),
                new Choices(
                        values(roles, id -> Role.parse(id).orElseThrow()),
                        part("corrections", () -> values(corrections, MoveJson::toCorrection)),
                        values(formats, w -> DrillFormat.named(w).orElseThrow()),
                        values(unitsNm, u -> u),
                        values(
                                columns,
                                c ->
                                        c.stream()
                                                .map(id -> ColumnKind.parse(id).orElseThrow())
                                                .toList()),
                        values(toolSizes, TicketJson::toTools)),
                headroom == null ? Headroom.NONE : part("headroom", () -> headroom.toHeadroom()),
                part("order", () -> new Order(options(), quantity(), mark(), carriage())),
                part(
                        "currents",
                        () ->
                                currents == null
                                        ? List.of()
                                        : currents.stream().map(CurrentJson::toCurrent).toList()),
                mill == null ? MillSetup.USUAL : part("mill", () -> mill.toSetup()),
                part("mills_aside", () -> values(millsAside, MillSetupJson::toSetup)),
                part("surfaces", this::probed),
                PartsJson.plan(
                        new PartsJson.Keys(
                                parts,
                                variants,
                                variant,
                                knownParts,
                                needs,
                                turns,
                                byHand,
                                notes,
                                lookedAt,
                                polarity,
                                guide,
                                heights)),
                stencil == null ? StencilPlan.AS_DRAWN : part("stencil", () -> stencil.toPlan()),
                Optional.ofNullable(panel).map(p -> part("panel", p::toPlan)),
                TouchJson.steps(touches),
                strip == null ? StripChoices.NONE : part("strip", strip::toChoices),
                part(
                        "sign_offs",
                        () ->
                                signOffs == null
                                        ? List.of()
                                        : signOffs.stream()
                                                .map(SignOffJson::toAcceptance)
                                                .toList()),
                part("reviewed", () -> values(reviewed, r -> new Reviewed(r.by, r.of))),
                part(
                        "made_at",
                        () ->
                                new CutStamp(
                                        Optional.ofNullable(job),
                                        revision == null ? 0 : revision,
                                        cut == null ? 0 : cut,
                                        Optional.ofNullable(madeAt))));
    }

    private interface Part<T> {
        T read();
    }

    private static <T> T part(String name, Part<T> part) {
        try {
            return part.read();
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException(name + ": " + e.getMessage(), e);
        }
    }

    private Map<OrderOption, String> options() {
        Map<OrderOption, String> all = new EnumMap<>(OrderOption.class);
        values(order, v -> v)
                .forEach(
                        (id, v) ->
                                OrderOption.parse(id)
                                        .ifPresent(o -> all.put(o, String.valueOf(v))));
        return all;
    }

    /** The schema has seen to what is in it. */
    private Optional<OrderMark> mark() {
        if (order == null || !(order.get(MARK) instanceof Map<?, ?> place)) {
            return Optional.empty();
        }
        double x = ((Number) place.get("x_mm")).doubleValue();
        double y = ((Number) place.get("y_mm")).doubleValue();
        Side side = place.get("side").equals(Side.TOP.word()) ? Side.TOP : Side.BOTTOM;
        return Optional.of(new OrderMark(side, new Pt(Length.mm(x), Length.mm(y))));
    }

    private Optional<String> carriage() {
        return Optional.ofNullable(order).map(o -> o.get(CARRIAGE)).map(String::valueOf);
    }

    private int quantity() {
        Object n = order == null ? null : order.get(QUANTITY);
        return n instanceof Number whole ? whole.intValue() : Order.USUAL_QUANTITY;
    }

    private Map<Side, ProbedSurface> probed() {
        Map<Side, ProbedSurface> all = new EnumMap<>(Side.class);
        for (Side side : Side.values()) {
            SurfaceJson s = surfaces == null ? null : surfaces.get(side.word());
            if (s != null) {
                ProbedSurface surface = s.toSurface();
                if (surface.map().isEmpty()) {
                    throw new IllegalArgumentException(
                            side.word() + ": " + String.join(" ", surface.reading().problems()));
                }
                all.put(side, surface);
            }
        }
        return all;
    }
}
