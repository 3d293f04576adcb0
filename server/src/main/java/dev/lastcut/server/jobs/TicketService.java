package dev.lastcut.server.jobs;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.core.ticket.TicketWords;
import dev.lastcut.server.report.Json;
import dev.lastcut.server.sheets.Sheets;
import dev.lastcut.server.store.JobStore;
import dev.lastcut.server.store.TicketStore;
import dev.lastcut.server.store.TicketStore.Place;
import dev.lastcut.server.store.TicketStore.Step;
import dev.lastcut.server.store.TicketStore.Version;
import dev.lastcut.server.ticket.BadTicketException;
import dev.lastcut.server.ticket.Tickets;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;

/**
 * The tickets of jobs, and their versions. Whatever is chosen goes through here: there is no other
 * way to change a job.
 */
@Service
public class TicketService {
    private static final int REMEMBERED = 200;

    private final JobStore jobs;
    private final TicketStore store;
    private final Sheets sheets;
    private final JobEvents events;

    /** Versions never change, so what was parsed stays good. */
    private final Map<List<Long>, Ticket> parsed =
            Collections.synchronizedMap(
                    new LinkedHashMap<>(16, 0.75f, true) {
                        @Override
                        protected boolean removeEldestEntry(Map.Entry<List<Long>, Ticket> eldest) {
                            return size() > REMEMBERED;
                        }
                    });

    TicketService(JobStore jobs, TicketStore store, Sheets sheets, JobEvents events) {
        this.jobs = jobs;
        this.store = store;
        this.sheets = sheets;
        this.events = events;
    }

    /** A ticket and its version. */
    public record Chosen(int version, Ticket ticket) {}

    /** What holds for a job now. */
    public Chosen now(long id) {
        return at(id, jobs.revision(id));
    }

    /** What holds, or held last, for a revision. */
    Chosen at(long id, int revision) {
        int version = place(id, revision).version();
        return new Chosen(version, ticket(id, version));
    }

    private Place place(long id, int revision) {
        return store.place(id, revision)
                .orElseThrow(() -> new NotFoundException("There is no job " + id + "."));
    }

    private Ticket ticket(long id, int version) {
        return parsed.computeIfAbsent(List.of(id, (long) version), k -> parse(find(id, version)));
    }

    private Version find(long id, int version) {
        return store.find(id, version)
                .orElseThrow(
                        () ->
                                new NotFoundException(
                                        "The job has no version " + version + " of its ticket."));
    }

    private static Ticket parse(Version v) {
        try {
            return Tickets.parse(v.ticket().getBytes(StandardCharsets.UTF_8));
        } catch (BadTicketException e) {
            throw new IllegalStateException("version " + v.number() + " is damaged", e);
        }
    }

    /** How a ticket is changed. */
    public interface Change {
        Ticket apply(Ticket before) throws BadTicketException;
    }

    /**
     * Makes a new version.
     *
     * @param base the version the choice was made on; empty: whichever holds
     * @return what holds now; the same as before when nothing is other
     * @throws StaleException when another version holds; nothing is changed then
     */
    public Chosen choose(long id, Optional<Integer> base, Change change) throws BadTicketException {
        int revision = jobs.revision(id);
        Chosen before = at(id, revision);
        requireFresh(id, base, before);
        Ticket after = change.apply(before.ticket());
        String says = changed(before.ticket(), after);
        if (says.isEmpty()) {
            return before;
        }
        int number = store.nextNumber(id);
        Version v = version(number, revision, before.version(), says, List.of(), after);
        if (!store.add(id, v)) {
            throw stale(id, before, now(id));
        }
        events.tell(id, new JobEvents.Event("ticket", number, says));
        return new Chosen(number, after);
    }

    private String changed(Ticket before, Ticket after) {
        return TicketWords.changed(
                before, after, s -> sheets.find(s).map(CapabilitySheet::name).orElse(s));
    }

    private static Version version(
            int number, int revision, int parent, String says, List<String> left, Ticket ticket) {
        return new Version(
                number,
                revision,
                parent,
                JobService.time(),
                says,
                Json.MAPPER.writeValueAsString(left),
                new String(Tickets.write(ticket), StandardCharsets.UTF_8));
    }

    private void requireFresh(long id, Optional<Integer> base, Chosen now) {
        if (base.isPresent() && base.get() != now.version()) {
            throw stale(id, new Chosen(base.get(), ticket(id, base.get())), now);
        }
    }

    private StaleException stale(long id, Chosen base, Chosen now) {
        String net = changed(base.ticket(), now.ticket());
        return new StaleException(
                now.version(), net.isEmpty() ? find(id, now.version()).says() : net);
    }

    /** The first version of a revision. */
    void begin(long id, int revision, String says, Ticket ticket, List<String> left) {
        int number = store.nextNumber(id);
        store.add(id, version(number, revision, 0, says, left, ticket));
        events.tell(id, new JobEvents.Event("revision", number, says));
    }

    /**
     * Goes to another version of the newest revision: back, forward, or to a branch that was left.
     *
     * @throws StaleException when another version holds than the one that was seen
     */
    public Chosen go(long id, Optional<Integer> base, int to) {
        int revision = jobs.revision(id);
        Place place = place(id, revision);
        Chosen now = at(id, revision);
        requireFresh(id, base, now);
        Map<Integer, Step> all = byNumber(id, revision);
        if (!all.containsKey(to)) {
            throw new NotFoundException("This revision has no version " + to + " of its ticket.");
        }
        boolean onPath = path(all, place.tip()).stream().anyMatch(v -> v.number() == to);
        if (!store.move(id, revision, now.version(), new Place(to, onPath ? place.tip() : to))) {
            throw stale(id, now, now(id));
        }
        boolean back = to < now.version();
        String says =
                (back ? "undone: " : "done again: ") + all.get(back ? now.version() : to).says();
        events.tell(id, new JobEvents.Event("ticket", to, says));
        return new Chosen(to, ticket(id, to));
    }

    private Map<Integer, Step> byNumber(long id, int revision) {
        Map<Integer, Step> all = new HashMap<>();
        store.steps(id, revision).forEach(v -> all.put(v.number(), v));
        return all;
    }

    /** The versions from the first to one, by their parents. */
    private static List<Step> path(Map<Integer, Step> all, int tip) {
        List<Step> path = new ArrayList<>();
        for (Step v = all.get(tip); v != null; v = all.get(v.parent())) {
            path.add(v);
        }
        Collections.reverse(path);
        return path;
    }

    /**
     * What was done on the newest revision.
     *
     * @param version the one that holds
     * @param path the versions that undo and redo go through, the first one first
     */
    public record History(int version, List<Step> path) {
        private int place() {
            for (int i = 0; i < path.size(); i++) {
                if (path.get(i).number() == version) {
                    return i;
                }
            }
            return 0;
        }

        /** The version that undoing goes to, and the one whose change it takes back. */
        public Optional<Step> undone() {
            return place() > 0 ? Optional.of(path.get(place())) : Optional.empty();
        }

        /** The version that redoing goes to. */
        public Optional<Step> redone() {
            return place() + 1 < path.size()
                    ? Optional.of(path.get(place() + 1))
                    : Optional.empty();
        }

        /** What did not fit when the revision was brought in, in sentences. */
        public List<String> leftOut() {
            return path.isEmpty()
                    ? List.of()
                    : List.of(Json.MAPPER.readValue(path.get(0).leftOut(), String[].class));
        }
    }

    public History history(long id) {
        int revision = jobs.revision(id);
        Place place = place(id, revision);
        return new History(place.version(), path(byNumber(id, revision), place.tip()));
    }
}
