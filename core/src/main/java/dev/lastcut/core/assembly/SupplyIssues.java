package dev.lastcut.core.assembly;

import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.catalogue.Supply;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Why a part of the list cannot simply be bought. */
public final class SupplyIssues {
    private SupplyIssues() {}

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

    /** The kinds of a list with problems: designators and what is wrong, in words. */
    public static List<String> lines(List<PartsList.Line> kinds, PartsPlan plan, int boards) {
        List<String> all = new ArrayList<>();
        for (PartsList.Line l : kinds) {
            long pieces = (long) l.quantity() * boards;
            List<String> own = of(l.part(), plan.known(l.part()), pieces);
            if (!own.isEmpty()) {
                all.add(String.join(" ", l.designators()) + ": " + String.join(", ", own));
            }
        }
        return all;
    }

    /** How many kinds of a list have problems. */
    public static int count(List<PartsList.Line> kinds, PartsPlan plan, int boards) {
        return lines(kinds, plan, boards).size();
    }
}
