package dev.lastcut.core.assembly;

import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.catalogue.Supply;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Why a part of the list cannot simply be bought. */
public final class Troubles {
    private Troubles() {}

    /**
     * In words, to be read after the designators.
     *
     * @param known what is known of it; empty when nothing is
     * @param pieces how many the batch takes
     */
    public static List<String> of(Part p, Optional<CataloguePart> known, long pieces) {
        List<String> all = new ArrayList<>();
        if (p.partNumber().isBlank()) {
            all.add("no part number");
        }
        if (known.isEmpty()) {
            return all;
        }
        Supply s = known.get().supply();
        String lead = s.leadDays().map(d -> ", more in " + d + " days").orElse("");
        if (s.stock() == 0) {
            all.add("not to be had" + lead);
        } else if (s.stock() < pieces) {
            all.add("only " + s.stock() + " of " + pieces + " to be had" + lead);
        }
        if (s.life() != Supply.Life.MADE) {
            all.add(s.life().words());
        }
        String its = known.get().packageName();
        if (!its.isEmpty() && !p.packageName().isEmpty() && !its.equals(p.packageName())) {
            all.add("is a " + its + ", the board has " + p.packageName());
        }
        return all;
    }

    /** How many kinds of a list are in trouble. */
    public static int count(List<PartsList.Line> kinds, PartsPlan plan, int boards) {
        return (int)
                kinds.stream()
                        .filter(
                                l ->
                                        !of(
                                                        l.part(),
                                                        plan.known(l.part()),
                                                        (long) l.quantity() * boards)
                                                .isEmpty())
                        .count();
    }
}
