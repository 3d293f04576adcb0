package dev.lastcut.server.sheets;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.lastcut.core.capability.Carriage;
import dev.lastcut.core.capability.FineSurcharge;
import dev.lastcut.core.capability.Limit;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.Lot;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.capability.Price;
import java.util.List;
import java.util.function.Function;

/** The price section of a sheet; what is not given costs nothing. */
@JsonInclude(JsonInclude.Include.NON_EMPTY)
public record PriceJson(
        String currency,
        Double setup,
        Double perSquareCm,
        Integer days,
        List<StepPriceJson> steps,
        List<AddsJson> adds,
        List<LotJson> lots,
        List<FineJson> fine,
        List<CarriageJson> carriage,
        Double minimum,
        Double wearPerMetre) {
    /** From so many pieces on. */
    public record StepPriceJson(Integer from, Double perSquareCm) {}

    /** What a value of an option adds. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record AddsJson(
            String option,
            String value,
            Double setup,
            Double perSquareCm,
            Double percent,
            Integer days) {}

    /** A fixed price; {@code upToMm} is width and height. */
    public record LotJson(Integer upToBoards, List<Double> upToMm, Integer layers, Double total) {
        static LotJson of(Lot l) {
            return new LotJson(
                    l.upToBoards(),
                    List.of(l.widthMm(), l.heightMm()),
                    l.copperLayers(),
                    l.total());
        }

        Lot toLot() {
            if (upToBoards == null || upToMm == null || upToMm.size() != 2 || total == null) {
                throw new IllegalArgumentException(
                        "price.lots: each has up_to_boards, up_to_mm [width, height] and total");
            }
            return new Lot(
                    upToBoards, upToMm.get(0), upToMm.get(1), layers == null ? 2 : layers, total);
        }
    }

    /** What finer work adds. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record FineJson(String limit, BelowJson below, Double setup, Double percent) {
        static FineJson of(FineSurcharge f) {
            return new FineJson(
                    f.limit().id(),
                    new BelowJson(f.below().value(), f.below().unit()),
                    unlessZero(f.setup()),
                    unlessZero(f.percent()));
        }

        FineSurcharge toSurcharge() {
            if (below == null || below.value == null) {
                throw new IllegalArgumentException("price.fine: below has a value and a unit");
            }
            return new FineSurcharge(
                    LimitKey.parse(String.valueOf(limit))
                            .orElseThrow(
                                    () ->
                                            new IllegalArgumentException(
                                                    "price.fine: unknown limit '" + limit + "'")),
                    new Limit(below.value, below.unit, "", ""),
                    or(setup),
                    or(percent));
        }
    }

    /** A length with its unit. */
    public record BelowJson(Double value, String unit) {}

    /** A way to have it sent. */
    public record CarriageJson(String name, Double amount, Integer days) {}

    static PriceJson of(Price p) {
        return new PriceJson(
                p.currency(),
                p.setup(),
                p.perSquareCm(),
                p.days(),
                p.steps().stream().map(s -> new StepPriceJson(s.from(), s.perSquareCm())).toList(),
                p.additions().stream()
                        .map(
                                a ->
                                        new AddsJson(
                                                a.option().id(),
                                                a.value(),
                                                unlessZero(a.setup()),
                                                unlessZero(a.perSquareCm()),
                                                unlessZero(a.percent()),
                                                a.days() == 0 ? null : a.days()))
                        .toList(),
                p.lots().stream().map(LotJson::of).toList(),
                p.fine().stream().map(FineJson::of).toList(),
                p.carriage().stream()
                        .map(c -> new CarriageJson(c.name(), c.amount(), c.days()))
                        .toList(),
                unlessZero(p.minimum()),
                unlessZero(p.wearPerMetre()));
    }

    private static Double unlessZero(double n) {
        return n == 0 ? null : n;
    }

    /**
     * @throws IllegalArgumentException when a word or a number of it cannot be
     */
    Price toPrice() {
        return new Price(
                currency == null ? "EUR" : currency,
                or(setup),
                or(perSquareCm),
                days == null ? 0 : days,
                all(steps, s -> new Price.Step(s.from == null ? 1 : s.from, or(s.perSquareCm))),
                all(adds, PriceJson::addition),
                all(lots, LotJson::toLot),
                all(fine, FineJson::toSurcharge),
                all(carriage, c -> new Carriage(c.name, or(c.amount), c.days == null ? 0 : c.days)),
                or(minimum),
                or(wearPerMetre));
    }

    private static <A, B> List<B> all(List<A> given, Function<A, B> codec) {
        return given == null ? List.of() : given.stream().map(codec).toList();
    }

    private static Price.Addition addition(AddsJson a) {
        return new Price.Addition(
                OrderOption.parse(String.valueOf(a.option))
                        .orElseThrow(
                                () ->
                                        new IllegalArgumentException(
                                                "price.adds: unknown option '" + a.option + "'")),
                String.valueOf(a.value),
                or(a.setup),
                or(a.perSquareCm),
                or(a.percent),
                a.days == null ? 0 : a.days);
    }

    private static double or(Double given) {
        return given == null ? 0 : given;
    }
}
