package dev.lastcut.server.sheets;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.capability.Price;
import java.util.List;

/** The price section of a sheet; what is not given costs nothing. */
@JsonInclude(JsonInclude.Include.NON_EMPTY)
public record PriceJson(
        String currency,
        Double setup,
        Double perSquareCm,
        Integer days,
        List<StepPriceJson> steps,
        List<AddsJson> adds) {
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
                        .toList());
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
                steps == null
                        ? List.of()
                        : steps.stream()
                                .map(
                                        s ->
                                                new Price.Step(
                                                        s.from == null ? 1 : s.from,
                                                        or(s.perSquareCm)))
                                .toList(),
                adds == null ? List.of() : adds.stream().map(PriceJson::addition).toList());
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
