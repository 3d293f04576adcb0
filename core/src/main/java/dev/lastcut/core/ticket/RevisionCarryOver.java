package dev.lastcut.core.ticket;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.formats.table.Designators;
import dev.lastcut.core.intake.Choices;
import dev.lastcut.core.intake.Pack;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;

/**
 * A ticket carried over to the next revision's pack. What was decided about a file goes to the file
 * of the same path, else of the same name in another folder, else of the same name but for its
 * numbers; all else stays.
 *
 * @param ticket the ticket as it holds for the new pack
 * @param left what no longer fits, in sentences
 */
public record RevisionCarryOver(Ticket ticket, List<String> left) {
    public static RevisionCarryOver over(Ticket ticket, Pack pack) {
        Map<String, String> paths = new HashMap<>();
        Set<String> taken = new HashSet<>();
        List<String> left = new ArrayList<>();
        Choices files = ticket.files();
        for (String path : files.paths()) {
            Optional<String> partner = partner(path, pack).filter(taken::add);
            partner.ifPresent(p -> paths.put(path, p));
            if (partner.isEmpty()) {
                left.add(
                        "What was said of "
                                + path
                                + " is left out: no file of this revision answers to it.");
            }
        }
        return new RevisionCarryOver(ticket.with(d -> d.files = files.renamed(paths)), left);
    }

    /** The same once the new board is read: what was chosen of parts that are gone is left out. */
    public RevisionCarryOver onto(Board board) {
        Set<String> gone = new TreeSet<>(Designators.ORDER);
        TicketConflict.parts(ticket, board).forEach(m -> m.designator().ifPresent(gone::add));
        if (gone.isEmpty()) {
            return this;
        }
        List<String> all = new ArrayList<>(left);
        all.add(
                "What was chosen of "
                        + Designators.fold(gone)
                        + " is left out: it no longer fits the tables of this revision.");
        return new RevisionCarryOver(ticket.with(d -> d.parts = ticket.parts().without(gone)), all);
    }

    private static Optional<String> partner(String path, Pack pack) {
        return only(pack, p -> p.equals(path))
                .or(() -> only(pack, p -> leaf(p).equals(leaf(path))))
                .or(() -> only(pack, p -> unnumbered(p).equals(unnumbered(path))));
    }

    private static Optional<String> only(Pack pack, Predicate<String> fits) {
        List<String> found = pack.files().stream().map(Pack.PackFile::path).filter(fits).toList();
        return found.size() == 1 ? Optional.of(found.get(0)) : Optional.empty();
    }

    private static String leaf(String path) {
        return path.substring(path.lastIndexOf('/') + 1);
    }

    private static String unnumbered(String path) {
        return leaf(path).toLowerCase(Locale.ROOT).replaceAll("\\d+", "#");
    }
}
