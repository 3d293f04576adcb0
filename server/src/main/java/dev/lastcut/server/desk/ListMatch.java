package dev.lastcut.server.desk;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartsList;
import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.value.Amount;
import dev.lastcut.core.value.Dimension;
import dev.lastcut.core.value.Quantity;
import dev.lastcut.server.catalogue.PartJson;
import dev.lastcut.server.catalogue.PartJson.ValueJson;
import dev.lastcut.server.counter.HouseShelf;
import dev.lastcut.server.orders.DeskParts.DeskLine;
import java.util.Comparator;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The lines of a parts list held against the house's shelf: by the part's number, or where the list
 * gives none by value and package, which somebody must agree to.
 */
final class ListMatch {
    /** What is put behind a number for how the parts are packed (common practice, no source). */
    private static final Pattern PACKING =
            Pattern.compile(
                    "(.+?)[-/ ](REEL|TR|T|R|CT|TB|TUBE|TRAY|BULK)", Pattern.CASE_INSENSITIVE);

    private static final Map<Dimension, String> MAIN =
            Map.of(
                    Dimension.RESISTANCE, "resistance",
                    Dimension.CAPACITANCE, "capacitance",
                    Dimension.INDUCTANCE, "inductance");

    /** Values nearer than this share are one value: more than a rounding, less than a tolerance. */
    private static final double SAME = 1e-6;

    private final HouseShelf shelf;
    private final Assembly.Fees fees;
    private final int boards;

    ListMatch(HouseShelf shelf, Assembly.Fees fees, int boards) {
        this.shelf = shelf;
        this.fees = fees;
        this.boards = boards;
    }

    DeskLine line(PartsList.Line line) {
        String number = line.part().partNumber();
        if (number.isBlank()) {
            return byValue(line.part())
                    .map(
                            p ->
                                    entry(
                                            line,
                                            p,
                                            DeskLine.PROPOSED,
                                            "The list has no part number. By value and package it"
                                                    + " would be "
                                                    + p.number()
                                                    + "."))
                    .orElseGet(
                            () ->
                                    unknown(
                                            line,
                                            "The list has no part number, and value and package do"
                                                    + " not tell one part."));
        }
        Optional<PartJson> exact = shelf.find(number);
        if (exact.isPresent()) {
            return entry(line, exact.get(), DeskLine.FOUND, "");
        }
        Matcher packed = PACKING.matcher(number.strip());
        Optional<PartJson> other =
                packed.matches() ? shelf.find(packed.group(1)) : Optional.empty();
        return other.map(
                        p ->
                                entry(
                                        line,
                                        p,
                                        DeskLine.OTHER_PACKAGING,
                                        "The same part is here in other packaging, as "
                                                + p.number()
                                                + "."))
                .orElseGet(() -> unknown(line, "No part of this number is known here."));
    }

    private DeskLine entry(PartsList.Line line, PartJson p, String state, String says) {
        long needed = fees.pieces(line.quantity(), boards);
        long stock = p.supply().stock();
        boolean few = stock < needed;
        String lead =
                p.supply().leadDays() == null
                        ? "nobody says when more come"
                        : "more come in " + p.supply().leadDays() + " days";
        double loading = p.supply().lineStock() ? 0 : fees.loading();
        return entry(
                line,
                p.number(),
                few ? DeskLine.SHORT : state,
                few ? says + (says.isEmpty() ? "" : " ") + "Too few in stock: " + lead + "." : says,
                needed,
                stock,
                loading);
    }

    private DeskLine unknown(PartsList.Line line, String says) {
        return entry(line, "", DeskLine.UNKNOWN, says, fees.pieces(line.quantity(), boards), 0, 0);
    }

    private static DeskLine entry(
            PartsList.Line line,
            String taken,
            String state,
            String says,
            long needed,
            long stock,
            double loading) {
        Part p = line.part();
        return new DeskLine(
                line.designators(),
                line.value(),
                p.packageName().isEmpty() ? p.footprint() : p.packageName(),
                p.partNumber(),
                taken,
                state,
                says,
                needed,
                stock,
                loading);
    }

    /** The part most used of that value and package; empty unless both are told. */
    private Optional<PartJson> byValue(Part part) {
        Optional<Amount> amount = part.meaning().amount();
        String main = amount.map(a -> MAIN.get(a.of())).orElse(null);
        if (main == null || part.packageName().isEmpty()) {
            return Optional.empty();
        }
        double wanted = amount.get().asDouble();
        return shelf.all().stream()
                .filter(p -> part.packageName().equals(p.packageName()))
                .filter(p -> is(p.values().get(main), wanted))
                .min(
                        Comparator.comparing((PartJson p) -> !p.supply().lineStock())
                                .thenComparing(p -> -p.supply().stock())
                                .thenComparing(PartJson::number));
    }

    private static boolean is(ValueJson v, double wanted) {
        return v != null
                && v.typ() != null
                && Quantity.of(v.typ(), v.unit() == null ? "" : v.unit())
                        .filter(q -> Math.abs(q.value() - wanted) <= SAME * Math.abs(wanted))
                        .isPresent();
    }
}
