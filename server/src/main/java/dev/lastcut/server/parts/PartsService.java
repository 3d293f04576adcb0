package dev.lastcut.server.parts;

import dev.lastcut.core.assembly.Fitting;
import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartsList;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.assembly.Variants;
import dev.lastcut.core.catalogue.Candidates;
import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.catalogue.Need;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.server.jobs.ChoiceService;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.RefusedException;
import dev.lastcut.server.jobs.TicketService;
import dev.lastcut.server.store.PartChoiceStore;
import dev.lastcut.server.work.Task;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Service;

/** What is chosen about the parts of a job, and what the counter is asked for it. */
@Service
public class PartsService {
    private final JobService jobs;
    private final ChoiceService choices;
    private final Counter counter;
    private final PartChoiceStore remembered;
    private final Map<PartChoiceStore.Asked, String> memory = new ConcurrentHashMap<>();

    PartsService(
            JobService jobs, ChoiceService choices, Counter counter, PartChoiceStore remembered) {
        this.jobs = jobs;
        this.choices = choices;
        this.counter = counter;
        this.remembered = remembered;
        memory.putAll(remembered.all());
    }

    /** The parts as they are built now. */
    public List<Part> parts(long id) {
        return Population.of(jobs.board(id).board(), jobs.ticket(id).parts().variants());
    }

    /**
     * Asks the counter about every kind on the list, and about what could be taken instead. Stops
     * at the first question that is not answered: what was known before stays.
     */
    public String ask(long id, Task task) {
        List<PartsList.Line> kinds = PartsList.kinds(parts(id));
        Counter.Asking asking = counter.asking();
        int done = 0;
        for (PartsList.Line l : kinds) {
            task.progress(done++, kinds.size(), l.part().value());
            for (Map<String, String> q : Questions.of(l.part())) {
                if (task.isCancelled() || asking.ask(q).isEmpty()) {
                    return "";
                }
            }
            Optional<CataloguePart> meant = known(id, l.part());
            if (meant.isPresent() && asking.ask(Questions.instead(meant.get())).isEmpty()) {
                return "";
            }
        }
        return "";
    }

    /** Asks the counter for words of the user's own. */
    public String search(String words) {
        counter.asking().ask(Questions.words(words));
        return "";
    }

    /** What it said to words of the user's own last; never waits. */
    public List<CataloguePart> found(String words) {
        return counter.said(Questions.words(words)).map(Counter.Answer::parts).orElse(List.of());
    }

    /** What a part is taken for: as the ticket knows it, else as the counter said last. */
    private Optional<CataloguePart> known(long id, Part p) {
        return jobs.ticket(id)
                .parts()
                .known(p)
                .or(() -> candidates(p).stream().findFirst().map(Candidates.Candidate::part));
    }

    /** Which parts of the counter a part of the list can mean, the best first; never waits. */
    public List<Candidates.Candidate> candidates(Part p) {
        Map<String, CataloguePart> offers = new LinkedHashMap<>();
        for (Map<String, String> q : Questions.of(p)) {
            counter.said(q).ifPresent(a -> a.parts().forEach(o -> offers.put(o.number(), o)));
        }
        List<Candidates.Candidate> all =
                new ArrayList<>(
                        Candidates.of(
                                new Candidates.Wanted(p.partNumber(), p.meaning(), p.packageName()),
                                List.copyOf(offers.values())));
        Optional<String> before = Optional.ofNullable(memory.get(meant(p)));
        // What was chosen in an earlier job comes before its equals, not before a number.
        before.ifPresent(
                n -> {
                    for (int i = 0; i < all.size(); i++) {
                        Candidates.Candidate c = all.get(i);
                        if (c.part().number().equals(n)
                                && c.match() != Candidates.Match.NUMBER
                                && c.against().isEmpty()) {
                            all.remove(i);
                            List<String> evidence = new ArrayList<>(c.evidence());
                            evidence.add("chosen before");
                            int at =
                                    !all.isEmpty() && all.get(0).match() == Candidates.Match.NUMBER
                                            ? 1
                                            : 0;
                            all.add(
                                    at,
                                    new Candidates.Candidate(
                                            c.part(), c.match(), evidence, c.against()));
                            return;
                        }
                    }
                });
        return all;
    }

    private static PartChoiceStore.Asked meant(Part p) {
        return new PartChoiceStore.Asked(p.meaning().canonical(), p.packageName());
    }

    /**
     * When the counter was asked about a part first of what is shown: empty when never, "" when
     * there is nothing to ask.
     */
    public Optional<String> asked(Part p) {
        List<Map<String, String>> questions = Questions.of(p);
        if (questions.isEmpty()) {
            return Optional.of("");
        }
        List<String> seen =
                questions.stream()
                        .flatMap(q -> counter.said(q).stream())
                        .map(Counter.Answer::seen)
                        .sorted()
                        .toList();
        return seen.size() < questions.size() || seen.isEmpty()
                ? Optional.empty()
                : Optional.of(seen.get(0));
    }

    /** What could be taken instead of a part, as the counter said last; never waits. */
    public List<CataloguePart> instead(CataloguePart p) {
        return counter
                .said(Questions.instead(p))
                .map(Counter.Answer::parts)
                .orElse(List.of())
                .stream()
                .filter(o -> !o.number().equals(p.number()))
                .toList();
    }

    /** All that the counter offered for the kinds of a list, and in place of those known. */
    public List<CataloguePart> offers(Collection<PartsList.Line> kinds, PartsPlan plan) {
        Map<String, CataloguePart> all = new LinkedHashMap<>();
        for (PartsList.Line l : kinds) {
            for (Map<String, String> q : Questions.of(l.part())) {
                counter.said(q).ifPresent(a -> a.parts().forEach(o -> all.put(o.number(), o)));
            }
            plan.known(l.part()).ifPresent(k -> instead(k).forEach(o -> all.put(o.number(), o)));
        }
        return List.copyOf(all.values());
    }

    /**
     * Chooses for designators in some variants, "" being the base. Part numbers that the counter
     * told are noted with what it said of them.
     *
     * @param chosen what is chosen; {@link Fitting#AS_LISTED} takes back
     * @throws RefusedException when a designator or a variant is not there
     */
    public TicketService.Chosen choose(
            long id, Optional<Integer> base, List<String> variants, Map<String, Fitting> chosen) {
        Map<String, Part> now = new HashMap<>();
        parts(id).forEach(p -> now.put(p.designator(), p));
        Map<PartChoiceStore.Asked, String> learned = new LinkedHashMap<>();
        Map<String, CataloguePart> told = new TreeMap<>();
        chosen.forEach(
                (d, f) ->
                        f.partNumber()
                                .flatMap(counter::part)
                                .ifPresent(
                                        p -> {
                                            told.put(p.number(), p);
                                            if (now.containsKey(d) && f.value().isEmpty()) {
                                                learned.put(meant(now.get(d)), p.number());
                                            }
                                        }));
        TicketService.Chosen done =
                plan(
                        id,
                        base,
                        before -> {
                            PartsPlan next = before;
                            for (String v : variants) {
                                next = next.with(in(next.variants(), v, chosen));
                            }
                            return next.knowing(told);
                        });
        memory.putAll(learned);
        remembered.put(learned, Instant.now().truncatedTo(ChronoUnit.SECONDS).toString());
        return done;
    }

    private static Variants in(Variants all, String variant, Map<String, Fitting> chosen) {
        Optional<String> name = variant.isEmpty() ? Optional.empty() : Optional.of(variant);
        name.filter(n -> !all.named().containsKey(n))
                .ifPresent(
                        n -> {
                            throw new RefusedException("There is no variant " + n + ".");
                        });
        Map<String, Fitting> next = new HashMap<>();
        chosen.forEach(
                (d, f) -> {
                    Map<String, Fitting> own =
                            name.<Map<String, Fitting>>map(all.named()::get).orElse(all.base());
                    // What is chosen anew lies over what was chosen; nothing chosen takes it back.
                    Fitting old = own.getOrDefault(d, Fitting.AS_LISTED);
                    next.put(d, f.saysNothing() ? f : f.over(old));
                });
        return all.with(name, next);
    }

    /** Adds a variant that begins like another one, or like the base. */
    public TicketService.Chosen add(
            long id, Optional<Integer> base, String name, Optional<String> like) {
        return plan(id, base, p -> p.with(p.variants().adding(name.strip(), like)));
    }

    public TicketService.Chosen drop(long id, Optional<Integer> base, String name) {
        return plan(id, base, p -> p.with(p.variants().dropping(name)));
    }

    /**
     * Says what a part must do.
     *
     * @throws RefusedException when a need cannot be read
     */
    public TicketService.Chosen need(
            long id, Optional<Integer> base, String designator, List<String> said) {
        for (String s : said) {
            try {
                Need.parse(s);
            } catch (IllegalArgumentException e) {
                throw new RefusedException("A need cannot be read: " + e.getMessage() + ".");
            }
        }
        return plan(id, base, p -> p.needing(designator, said));
    }

    /** Takes over what the counter says today of parts that are known already. */
    public TicketService.Chosen refresh(long id, Optional<Integer> base) {
        return plan(id, base, p -> p.knowing(otherToday(p)));
    }

    /** Parts that are known, of which the counter says something else by now. */
    public Map<String, CataloguePart> otherToday(PartsPlan plan) {
        Map<String, CataloguePart> all = new TreeMap<>();
        plan.known()
                .forEach(
                        (number, p) ->
                                counter.part(number)
                                        .filter(today -> !today.tellsTheSame(p))
                                        .filter(today -> today.asOf().compareTo(p.asOf()) > 0)
                                        .ifPresent(today -> all.put(number, today)));
        return all;
    }

    /** Changes what is chosen about parts. */
    public TicketService.Chosen plan(
            long id, Optional<Integer> base, UnaryOperator<PartsPlan> change) {
        return choices.choose(
                id,
                base,
                before -> {
                    Ticket t = before;
                    PartsPlan next = change.apply(t.parts());
                    return t.with(d -> d.parts = next);
                });
    }
}
