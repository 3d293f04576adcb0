package dev.lastcut.server.jobs;

import dev.lastcut.core.board.Correction;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.job.StripMaking;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.core.ticket.TicketConflict;
import dev.lastcut.server.sheets.Sheets;
import dev.lastcut.server.ticket.BadTicketException;
import dev.lastcut.server.work.Task;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Service;

/** Choosing: what is chosen must be a ticket, and must fit the job. */
@Service
public class ChoiceService {
    private final JobService jobs;
    private final TicketService tickets;
    private final Sheets sheets;
    private final Opening opening;

    ChoiceService(JobService jobs, TicketService tickets, Sheets sheets, Opening opening) {
        this.jobs = jobs;
        this.tickets = tickets;
        this.sheets = sheets;
        this.opening = opening;
    }

    /**
     * Chooses something.
     *
     * @param base the version it was chosen on; empty: whichever holds
     * @throws RefusedException when it is no ticket, or names what is not there: then nothing is
     *     changed
     * @throws StaleException when another version holds
     */
    public TicketService.Chosen choose(
            long id, Optional<Integer> base, TicketService.Change change) {
        return choose(id, base, change, after -> after);
    }

    /** The same as background work, which can be cancelled until the ticket is kept. */
    public TicketService.Chosen choose(
            long id, Optional<Integer> base, TicketService.Change change, Task task) {
        return choose(id, base, change, after -> task.commit(() -> after));
    }

    private TicketService.Chosen choose(
            long id,
            Optional<Integer> base,
            TicketService.Change change,
            UnaryOperator<Ticket> last) {
        Ticket before = jobs.ticket(id);
        TicketService.Chosen chosen;
        try {
            chosen = tickets.choose(id, base, t -> last.apply(fitting(id, t, change.apply(t))));
        } catch (BadTicketException | IllegalArgumentException e) {
            throw new RefusedException(e.getMessage());
        }
        if (chosen.ticket().files().roles().entrySet().stream()
                .anyMatch(e -> !e.getValue().equals(before.files().roles().get(e.getKey())))) {
            jobs.told(id);
        }
        return chosen;
    }

    /** Refuses what names something that is not there, unless it did so before. */
    private Ticket fitting(long id, Ticket before, Ticket after) {
        Set<String> paths = jobs.paths(id);
        Set<TicketConflict> old = new HashSet<>(misfits(id, paths, before, before));
        List<TicketConflict> fresh =
                misfits(id, paths, before, after).stream().filter(m -> !old.contains(m)).toList();
        if (!fresh.isEmpty()) {
            throw new RefusedException(
                    "Nothing was changed: "
                            + String.join(
                                    "; ", fresh.stream().map(TicketConflict::sentence).toList())
                            + ".");
        }
        return after;
    }

    private List<TicketConflict> misfits(long id, Set<String> paths, Ticket before, Ticket after) {
        List<TicketConflict> all = new ArrayList<>(TicketConflict.files(after, paths));
        Optional<CapabilitySheet> sheet = after.shop().flatMap(sheets::find);
        if (after.shop().isPresent() && sheet.isEmpty()) {
            all.add(new TicketConflict("shop", "there is no sheet '" + after.shop().get() + "'"));
        }
        sheet.ifPresent(s -> all.addAll(TicketConflict.tools(after, s)));
        sheet.ifPresent(s -> all.addAll(TicketConflict.stock(after, s)));
        if (!after.shop().equals(before.shop())) {
            sheet.flatMap(s -> StripMaking.unfit(jobs.asRead(id).board(), s))
                    .ifPresent(
                            says ->
                                    all.add(
                                            new TicketConflict(
                                                    "shop", says.replaceAll("\\.$", ""))));
        }
        // Only then is the board looked at: it may have to be read for it, which is a task.
        boolean ofNets =
                !after.currents().equals(before.currents()) || !after.mill().equals(before.mill());
        boolean ofParts =
                !after.parts().equals(before.parts()) || !after.stencil().equals(before.stencil());
        if (ofNets || ofParts) {
            opening.open(id, Opening.LONGEST_MS);
        }
        if (ofNets) {
            all.addAll(TicketConflict.nets(after, jobs.board(jobs.now(id), after)));
        }
        if (ofParts) {
            all.addAll(TicketConflict.parts(after, jobs.board(jobs.now(id), after).board()));
        }
        return all;
    }

    /** The move that is proposed for a file. */
    public Correction proposedMove(long id, String path) {
        return jobs.board(id).board().files().stream()
                .filter(s -> s.path().equals(path))
                .findFirst()
                .flatMap(SourceFile::suggested)
                .orElseThrow(
                        () -> new RefusedException("No correction is proposed for " + path + "."));
    }
}
