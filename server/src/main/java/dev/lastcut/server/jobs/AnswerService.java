package dev.lastcut.server.jobs;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.compare.AnswerEffect;
import dev.lastcut.core.intake.Choices;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.UnusablePackException;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.core.ticket.TicketWords;
import dev.lastcut.server.ticket.BadTicketException;
import dev.lastcut.server.ticket.Tickets;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.stereotype.Component;

/** What an answer at Bring in would change, found by reading the pack with it; nothing is kept. */
@Component
public class AnswerService {
    private static final int KEPT = 200;

    private final JobService jobs;
    private final ResultCache<List<String>> effects = new ResultCache<>(KEPT);

    /** What is computed of what: the files of a job, as they are read and as they would be. */
    private record Question(long job, int revision, Choices now, Choices then) {}

    AnswerService(JobService jobs) {
        this.jobs = jobs;
    }

    /**
     * The effect in sentences, found once however many ask.
     *
     * @param parts of a ticket, as they would be chosen
     * @throws RefusedException when they are no parts of a ticket
     */
    public List<String> effect(long id, byte[] parts) {
        Ticket now = jobs.ticket(id);
        Choices then = choices(now, parts);
        Question question = new Question(id, jobs.revision(id), now.files(), then);
        return effects.get(question, Ticket.BLANK, asking -> read(question));
    }

    private static Choices choices(Ticket now, byte[] parts) {
        try {
            return Tickets.changed(now, parts).files();
        } catch (BadTicketException | IllegalArgumentException e) {
            throw new RefusedException(e.getMessage());
        }
    }

    private List<String> read(Question q) {
        Board before = jobs.asRead(q.job()).board();
        try {
            return AnswerEffect.of(
                    before, Intake.open(jobs.pack(q.job()), q.then()), answered(q.now(), q.then()));
        } catch (UnusablePackException e) {
            return List.of(e.getMessage());
        }
    }

    private static Set<String> answered(Choices now, Choices then) {
        Set<String> all = new TreeSet<>();
        all.addAll(TicketWords.different(now.roles(), then.roles()));
        all.addAll(TicketWords.different(now.columns(), then.columns()));
        all.addAll(TicketWords.different(now.toolSizes(), then.toolSizes()));
        all.addAll(TicketWords.different(now.formats(), then.formats()));
        all.addAll(TicketWords.different(now.unitsNm(), then.unitsNm()));
        all.addAll(TicketWords.different(now.corrections(), then.corrections()));
        return all;
    }
}
