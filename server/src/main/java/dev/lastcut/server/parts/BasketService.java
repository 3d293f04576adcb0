package dev.lastcut.server.parts;

import dev.lastcut.core.assembly.Baskets;
import dev.lastcut.core.assembly.Baskets.Seller;
import dev.lastcut.core.assembly.Baskets.Wanted;
import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartsList;
import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.assignment.Assignments;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.catalogue.Supply;
import dev.lastcut.core.formats.table.TableWriter;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.NotFoundException;
import dev.lastcut.server.parts.CounterClient.CounterException;
import dev.lastcut.server.work.Task;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;

/**
 * Where the parts of a job can be bought: those that nobody else brings, soldered by hand or not.
 * What the counters said last of a job is remembered for as long as the application runs.
 */
@Service
public class BasketService {
    /** Of so many jobs the answers are remembered. */
    private static final int MOST_JOBS = 50;

    private final JobService jobs;
    private final CounterStand stand;
    private final Duration limit;
    private final Map<Long, Asked> last =
            new LinkedHashMap<>(16, 0.75f, true) {
                private static final long serialVersionUID = 1;

                @Override
                protected boolean removeEldestEntry(Map.Entry<Long, Asked> eldest) {
                    return size() > MOST_JOBS;
                }
            };

    BasketService(
            JobService jobs,
            CounterStand stand,
            @Value("${lastcut.counter.limit-ms:2000}") long limitMs) {
        this.jobs = jobs;
        this.stand = stand;
        this.limit = Duration.ofMillis(limitMs);
    }

    /**
     * What the counters said.
     *
     * @param at when, ISO 8601
     * @param offers of each counter that answered, by number
     * @param faults of those that did not, in sentences
     */
    private record Asked(
            String at,
            String currency,
            Map<Seller, Map<String, Supply>> offers,
            List<String> faults) {}

    /**
     * What is to be bought, and where.
     *
     * @param at when the counters said so; empty before they were asked
     * @param baskets empty before the counters were asked
     * @param unnamed designators of parts without a part number
     * @param faults why a counter is not among the sellers, in sentences
     */
    public record Offered(
            String at,
            String currency,
            List<Wanted> wanted,
            List<String> unnamed,
            Optional<Baskets> baskets,
            List<String> faults) {}

    /** By what was said last; never waits. */
    public Offered offered(long id, Baskets.Aim aim) {
        List<PartsList.Line> kinds = bought(id);
        List<String> unnamed = new ArrayList<>();
        kinds.stream()
                .filter(l -> l.part().partNumber().isBlank())
                .forEach(l -> unnamed.addAll(l.designators()));
        List<Wanted> wanted = wanted(kinds, jobs.ticket(id).order().quantity());
        Asked asked = asked(id);
        if (asked == null) {
            return new Offered("", "", wanted, unnamed, Optional.empty(), List.of());
        }
        Baskets baskets = Baskets.of(aim, wanted, asked.offers);
        return new Offered(
                asked.at, asked.currency, wanted, unnamed, Optional.of(baskets), asked.faults);
    }

    private Asked asked(long id) {
        synchronized (last) {
            return last.get(id);
        }
    }

    /**
     * One basket as a table; its columns are documented in docs/counter.md.
     *
     * @throws NotFoundException when nothing is bought of that seller
     */
    public byte[] csv(long id, Baskets.Aim aim, String seller) {
        Baskets.Basket basket =
                offered(id, aim).baskets().stream()
                        .flatMap(b -> b.baskets().stream())
                        .filter(b -> b.seller().name().equals(seller))
                        .findFirst()
                        .orElseThrow(
                                () ->
                                        new NotFoundException(
                                                "Nothing is bought at " + seller + "."));
        return TableWriter.csv(
                List.of("Part number", "Pieces", "Price each", "Sum", "Designators"),
                basket.lines().stream()
                        .map(
                                l ->
                                        List.of(
                                                l.wanted().number(),
                                                String.valueOf(l.purchase().pieces()),
                                                String.valueOf(l.purchase().each()),
                                                String.format(
                                                        Locale.ROOT, "%.2f", l.purchase().total()),
                                                String.join(" ", l.wanted().designators())))
                        .toList());
    }

    /** Asks every counter for every part; one that does not answer is left out, with its reason. */
    public String ask(long id, Task task) {
        List<Wanted> wanted = wanted(bought(id), jobs.ticket(id).order().quantity());
        List<String> addresses = new ArrayList<>();
        addresses.add(stand.address());
        addresses.addAll(stand.others());
        String now = Instant.now().truncatedTo(ChronoUnit.SECONDS).toString();
        Map<Seller, Map<String, Supply>> offers = new LinkedHashMap<>();
        List<String> faults = new ArrayList<>();
        String currency =
                jobs.sheet(id)
                        .map(s -> s.price().currency())
                        .filter(c -> !c.isEmpty())
                        .orElse("EUR");
        for (String address : addresses) {
            CounterClient counter = new CounterClient(address, limit);
            try {
                var terms = counter.terms();
                if (!terms.currency().equals(currency)) {
                    faults.add(
                            terms.name()
                                    + " sells in "
                                    + terms.currency()
                                    + " and is not compared: the sums are in "
                                    + currency
                                    + ".");
                    continue;
                }
                Map<String, Supply> own = new LinkedHashMap<>();
                int done = 0;
                for (Wanted w : wanted) {
                    if (task.isCancelled()) {
                        throw new CancellationException("cancelled");
                    }
                    task.progress(done++, wanted.size(), terms.name() + ": " + w.number());
                    for (CataloguePart p : counter.search(Map.of("number", w.number()), now)) {
                        own.put(w.number(), p.supply());
                    }
                }
                offers.put(new Seller(terms.name(), terms.carriage(), terms.days()), own);
            } catch (CounterException e) {
                faults.add(address + ": " + e.getMessage());
            }
        }
        synchronized (last) {
            last.put(id, new Asked(now, currency, offers, faults));
        }
        return "";
    }

    /** Kinds that the shop does not bring: what is soldered by hand, or all of a bare board. */
    private List<PartsList.Line> bought(long id) {
        Ticket ticket = jobs.ticket(id);
        Optional<CapabilitySheet> sheet = jobs.sheet(id);
        Optional<Assignments> who =
                sheet.map(s -> Assignments.of(jobs.board(id), s, ticket.order(), ticket.parts()));
        List<Part> parts =
                who.filter(Assignments::isOrdered)
                        .map(Assignments::hand)
                        .orElseGet(
                                () ->
                                        Population.of(
                                                jobs.board(id).board(), ticket.parts().variants()));
        return PartsList.kinds(parts);
    }

    /** Kinds on two lines of the list that are one part are bought together. */
    private static List<Wanted> wanted(List<PartsList.Line> kinds, int boards) {
        Map<String, List<String>> names = new LinkedHashMap<>();
        for (PartsList.Line l : kinds) {
            if (!l.part().partNumber().isBlank()) {
                names.computeIfAbsent(l.part().partNumber(), k -> new ArrayList<>())
                        .addAll(l.designators());
            }
        }
        List<Wanted> all = new ArrayList<>();
        names.forEach(
                (number, designators) ->
                        all.add(
                                new Wanted(
                                        number,
                                        List.copyOf(designators),
                                        (long) designators.size() * boards)));
        return all;
    }
}
