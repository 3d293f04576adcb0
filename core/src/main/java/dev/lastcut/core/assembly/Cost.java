package dev.lastcut.core.assembly;

import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.catalogue.Supply;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What the parts of a batch cost and what fitting them costs.
 *
 * @param items the dearest first
 * @param unpriced kinds of which no price is known: the sum is at least what it says
 */
public record Cost(String currency, int boards, List<Item> items, List<PartsList.Line> unpriced) {
    /** What an item is for. */
    public enum For {
        PARTS,
        LOADING,
        FITTING,
        SETUP
    }

    /**
     * One amount.
     *
     * @param line the kind it is for; empty for what is for the whole order
     * @param pieces how many are bought
     * @param each what one costs
     */
    public record Item(
            For what, Optional<PartsList.Line> line, long pieces, double each, double amount) {}

    public double batch() {
        return items.stream().mapToDouble(Item::amount).sum();
    }

    public double perBoard() {
        return batch() / boards;
    }

    /**
     * @param parts as they are built
     * @param known what is known of parts, by number
     * @param sheet whose fees hold; a shop that fits no parts asks none
     * @param fitted whether the shop is to fit them: for bare boards parts are only bought
     */
    public static Cost of(
            List<Part> parts,
            Map<String, CataloguePart> known,
            CapabilitySheet sheet,
            int boards,
            boolean fitted) {
        Terms terms = Terms.of(sheet, boards, fitted);
        List<Item> items = new ArrayList<>();
        List<PartsList.Line> unpriced = new ArrayList<>();
        // Kinds on two lines of the list that are one part come off one reel.
        Map<String, PartsList.Line> first = new LinkedHashMap<>();
        Map<String, Integer> pieces = new LinkedHashMap<>();
        for (PartsList.Line line : PartsList.kinds(parts)) {
            String number = line.part().partNumber();
            if (known.containsKey(number)) {
                first.putIfAbsent(number, line);
                pieces.merge(number, line.quantity(), Integer::sum);
            } else {
                unpriced.add(line);
            }
        }
        first.forEach(
                (number, line) -> {
                    Supply supply = known.get(number).supply();
                    Optional<Supply.Purchase> p = terms.buy(supply, pieces.get(number));
                    p.ifPresentOrElse(
                            x ->
                                    items.add(
                                            new Item(
                                                    For.PARTS,
                                                    Optional.of(line),
                                                    x.pieces(),
                                                    x.each(),
                                                    x.total())),
                            () -> unpriced.add(line));
                    double fee = terms.loading(supply);
                    if (fee > 0) {
                        items.add(new Item(For.LOADING, Optional.of(line), 1, fee, fee));
                    }
                });
        Terms.fees(sheet, fitted)
                .ifPresent(
                        f -> {
                            long pieceCount = (long) PlacementTable.fitted(parts).size() * boards;
                            add(items, For.FITTING, pieceCount, f.perPart());
                            add(items, For.SETUP, 1, f.setup());
                        });
        items.sort(Comparator.comparingDouble(Item::amount).reversed());
        return new Cost(terms.currency, boards, List.copyOf(items), List.copyOf(unpriced));
    }

    private static void add(List<Item> items, For what, long pieces, double each) {
        if (pieces > 0 && each > 0) {
            items.add(new Item(what, Optional.empty(), pieces, each, pieces * each));
        }
    }

    /** What holds for every kind of an order. */
    record Terms(String currency, int boards, Assembly.Fees fees) {
        static Optional<Assembly.Fees> fees(CapabilitySheet sheet, boolean fitted) {
            return sheet.assembly().filter(a -> fitted).map(Assembly::fees);
        }

        static Terms of(CapabilitySheet sheet, int boards, boolean fitted) {
            return new Terms(
                    sheet.price().currency(),
                    boards,
                    fees(sheet, fitted).orElse(Assembly.Fees.NONE));
        }

        Optional<Supply.Purchase> buy(Supply supply, int perBoard) {
            return supply.currency().equals(currency)
                    ? supply.buy(fees.pieces(perBoard, boards))
                    : Optional.empty();
        }

        double loading(Supply supply) {
            return supply.lineStock() ? 0 : fees.loading();
        }

        /** One kind with its loading; empty when it has no price. */
        Optional<Double> kind(Supply supply, int perBoard) {
            return buy(supply, perBoard).map(p -> p.total() + loading(supply));
        }
    }
}
