package dev.lastcut.server.parts;

import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.server.catalogue.PartJson;
import dev.lastcut.server.parts.CounterClient.CounterException;
import dev.lastcut.server.report.Json;
import dev.lastcut.server.store.CounterStore;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * The parts counter as the application sees it: what it said last, always at once, and a way to ask
 * it anew, which may take as long as its limit.
 */
@Component
public class Counter {
    private final CounterStore store;
    private final Supplier<CounterClient> client;
    private final Map<String, CataloguePart> parts = new ConcurrentHashMap<>();
    private final Map<String, CounterStore.Answer> answers = new ConcurrentHashMap<>();
    private volatile Optional<String> fault = Optional.empty();

    @Autowired
    Counter(
            CounterStore store,
            CounterStand stand,
            @Value("${lastcut.counter.limit-ms:2000}") long limitMs) {
        this.store = store;
        // The stand-in has its address only once it listens.
        this.client = () -> new CounterClient(stand.address(), Duration.ofMillis(limitMs));
        remember();
    }

    private void remember() {
        for (CounterStore.Told t : store.parts()) {
            read(t).ifPresent(p -> parts.put(p.number(), p));
        }
        answers.putAll(store.answers());
    }

    private static Optional<CataloguePart> read(CounterStore.Told t) {
        try {
            PartJson json =
                    Json.MAPPER.readValue(
                            t.part().getBytes(StandardCharsets.UTF_8), PartJson.class);
            return Optional.of(json.toPart(t.number()).asOf(t.seen()));
        } catch (tools.jackson.core.JacksonException | IllegalArgumentException e) {
            // Written by another version: it is asked for again.
            return Optional.empty();
        }
    }

    /** What went wrong when it was asked last; empty when it answered. */
    public Optional<String> fault() {
        return fault;
    }

    /** A part as it was told last. */
    public Optional<CataloguePart> part(String number) {
        return Optional.ofNullable(parts.get(number));
    }

    /** What it said to a question last, and when; empty when it was never asked. */
    public Optional<Answer> said(Map<String, String> question) {
        return Optional.ofNullable(answers.get(key(question)))
                .map(
                        a ->
                                new Answer(
                                        a.numbers().stream()
                                                .map(parts::get)
                                                .filter(p -> p != null)
                                                .toList(),
                                        a.seen()));
    }

    /** Parts that answered, and when. */
    public record Answer(List<CataloguePart> parts, String seen) {}

    /** Asks several questions, one client for all; stops at the first that is not answered. */
    public Asking asking() {
        return new Asking(client.get());
    }

    /** A run of questions. */
    public final class Asking {
        private final CounterClient at;

        private Asking(CounterClient at) {
            this.at = at;
        }

        /**
         * @return the parts, or empty when there is no answer; {@link Counter#fault} says why
         */
        public Optional<List<CataloguePart>> ask(Map<String, String> question) {
            String now = Instant.now().truncatedTo(ChronoUnit.SECONDS).toString();
            try {
                List<CataloguePart> found = at.search(question, now);
                fault = Optional.empty();
                Map<String, String> told = new LinkedHashMap<>();
                for (CataloguePart p : found) {
                    CataloguePart before = parts.put(p.number(), p);
                    if (before == null || !before.tellsTheSame(p)) {
                        told.put(
                                p.number(),
                                new String(Json.write(PartJson.of(p)), StandardCharsets.UTF_8));
                    }
                }
                List<String> numbers = found.stream().map(CataloguePart::number).toList();
                store.put(key(question), numbers, told, now);
                answers.put(key(question), new CounterStore.Answer(numbers, now));
                return Optional.of(found);
            } catch (CounterException e) {
                fault = Optional.of(e.getMessage());
                return Optional.empty();
            }
        }
    }

    private static String key(Map<String, String> question) {
        return new TreeMap<>(question)
                .entrySet().stream()
                        .map(e -> e.getKey() + "=" + e.getValue())
                        .collect(Collectors.joining("&"));
    }
}
