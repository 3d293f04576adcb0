package dev.lastcut.server.desk;

import dev.lastcut.core.cut.Manifest;
import dev.lastcut.server.orders.DeskOrder;
import dev.lastcut.server.orders.DeskOrder.Answered;
import dev.lastcut.server.orders.DeskOrder.DeskQuestion;
import dev.lastcut.server.orders.DeskOrder.DeskStep;
import dev.lastcut.server.orders.DeskOrder.Wanted;
import dev.lastcut.server.orders.DeskReading;
import dev.lastcut.server.orders.PackingList;
import dev.lastcut.server.report.Json;
import dev.lastcut.server.report.QuoteJson;
import dev.lastcut.server.standin.FaultMode;
import dev.lastcut.server.standin.LoopbackServer;
import dev.lastcut.server.standin.LoopbackServer.Answer;
import dev.lastcut.server.standin.LoopbackServer.Asked;
import dev.lastcut.server.standin.LoopbackServer.NotTakenException;
import dev.lastcut.server.standin.Stand;
import dev.lastcut.server.work.Daemons;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import tools.jackson.core.JacksonException;

/**
 * The order desk, listening on loopback. Everything that is put is named by whoever puts it, an
 * upload by its hash and an order by a key, so that putting it twice is as good as once.
 */
public final class DeskServer implements Stand.Service {
    private static final Logger LOG = LoggerFactory.getLogger(DeskServer.class);
    private static final int MOST_BYTES = 256 << 20;
    private static final int MOST_WORDS = 1 << 16;
    private static final String HASH = "[0-9a-f]{64}";
    private static final String KEY = "[0-9a-zA-Z-]{8,64}";

    private final DeskStore store;
    private final OrderTimeline pace;
    private final LoopbackServer server;
    private final DeskReader reader;
    private final ExecutorService reading =
            Executors.newSingleThreadExecutor(new Daemons("desk-reader"));
    private final Set<String> underWay = ConcurrentHashMap.newKeySet();

    /**
     * @param port 0 for any that is free
     * @param file what it keeps, a SQLite database
     * @param step how long an order stays in each state
     */
    public DeskServer(int port, Path file, Duration step) {
        store = new DeskStore(file);
        reader = new DeskReader(store::parcel);
        pace = new OrderTimeline(step);
        FaultMode mood = new FaultMode("desk");
        server =
                new LoopbackServer("desk", port)
                        .at("/parcels", mood.over(this::parcels))
                        .at("/uploads", mood.over(this::uploads))
                        .at("/orders", mood.over(this::orders))
                        .at("/mood", mood::change)
                        .start();
    }

    @Override
    public String address() {
        return server.address();
    }

    @Override
    public void close() {
        server.close();
        reading.shutdownNow();
        store.close();
    }

    private Answer uploads(Asked asked) throws IOException {
        String[] steps = asked.path().split("/");
        String sha256 = named(steps[0]);
        if (asked.method().equals("PUT")) {
            return upload(sha256, asked);
        }
        Optional<byte[]> bytes = store.upload(sha256);
        if (bytes.isEmpty()) {
            return Answer.fault(404, "nothing of this hash was uploaded");
        }
        if (steps.length == 3 && steps[1].equals("pictures")) {
            return store.picture(sha256, steps[2])
                    .map(png -> new Answer(200, "image/png", png))
                    .orElse(Answer.fault(404, "there is no picture " + steps[2]));
        }
        return reading(sha256, bytes.get());
    }

    /** A parcel: files that a packing list names later, with others. */
    private Answer parcels(Asked asked) throws IOException {
        String sha256 = named(asked.path());
        if (asked.method().equals("PUT")) {
            byte[] bytes = sent(asked, sha256);
            store.parcel(sha256, bytes);
            return Answer.json(200, new Kept(sha256, bytes.length));
        }
        return store.parcel(sha256)
                .map(b -> Answer.json(200, new Kept(sha256, b.length)))
                .orElse(Answer.fault(404, "no parcel of this hash was sent"));
    }

    /** A parcel that is here. */
    private record Kept(String sha256, long bytes) {}

    private Answer upload(String sha256, Asked asked) throws IOException {
        byte[] bytes = sent(asked, sha256);
        if (Unpacking.isList(bytes)) {
            for (PackingList.Item p : Unpacking.list(bytes).parcels()) {
                if (store.parcel(p.sha256()).isEmpty()) {
                    return Answer.fault(409, p.name() + " has not arrived: send it first");
                }
            }
        }
        store.upload(sha256, bytes);
        return reading(sha256, bytes);
    }

    private static String named(String step) {
        if (!step.matches(HASH)) {
            throw new IllegalArgumentException("an upload is named by the SHA-256 of its bytes");
        }
        return step;
    }

    /** What is put, when it is what its name says. */
    private static byte[] sent(Asked asked, String sha256) throws IOException {
        byte[] bytes = asked.body().readNBytes(MOST_BYTES + 1);
        if (bytes.length > MOST_BYTES) {
            throw new NotTakenException(413, "an upload has at most " + (MOST_BYTES >> 20) + " MB");
        }
        if (!Manifest.sha256(bytes).equals(sha256)) {
            throw new NotTakenException(
                    422, "what arrived is not what was sent: its hash is another. Send it again");
        }
        return bytes;
    }

    private Answer reading(String sha256, byte[] bytes) {
        Optional<String> known = store.reading(sha256);
        if (known.isPresent()) {
            return new Answer(
                    200, "application/json", known.get().getBytes(StandardCharsets.UTF_8));
        }
        if (underWay.add(sha256)) {
            reading.submit(() -> read(sha256, bytes));
        }
        return Answer.json(
                200,
                DeskReading.of(
                        sha256, bytes.length, DeskReading.READING, "The desk reads the files."));
    }

    private void read(String sha256, byte[] bytes) {
        try {
            DeskReader.Read r = reader.read(bytes);
            store.read(sha256, text(r.reading()), text(r.questions()), r.pictures());
        } catch (RuntimeException | StackOverflowError | OutOfMemoryError e) {
            LOG.error("The desk could not read an upload", e);
            DeskReading refused =
                    DeskReading.of(
                            sha256,
                            bytes.length,
                            DeskReading.REFUSED,
                            "The desk could not read it (" + e + ").");
            store.read(sha256, text(refused), text(List.of()), Map.of());
        } finally {
            underWay.remove(sha256);
        }
    }

    private static String text(Object value) {
        return new String(Json.write(value), StandardCharsets.UTF_8);
    }

    private Answer orders(Asked asked) throws IOException {
        String[] steps = asked.path().split("/");
        String key = steps[0];
        if (!key.matches(KEY)) {
            throw new IllegalArgumentException("an order is named by a key of 8 to 64 letters");
        }
        Optional<DeskStore.Placed> order = store.order(key);
        if (asked.method().equals("PUT") && steps.length == 1) {
            return place(key, order, asked);
        }
        if (asked.method().equals("DELETE")) {
            return withdraw(key, order);
        }
        if (order.isEmpty() || order.get().number().isEmpty()) {
            return Answer.fault(404, "there is no order of this key");
        }
        if (asked.method().equals("PUT") && steps.length == 3 && steps[1].equals("answers")) {
            return answer(order.get(), steps[2], asked);
        }
        return Answer.json(200, view(order.get()));
    }

    private Answer place(String key, Optional<DeskStore.Placed> before, Asked asked)
            throws IOException {
        String body = new String(asked.body().readNBytes(MOST_WORDS), StandardCharsets.UTF_8);
        Wanted wanted = parsed(body, Wanted.class);
        if (before.isPresent()) {
            DeskStore.Placed b = before.get();
            if (b.number().isEmpty()) {
                return gone();
            }
            return parsed(b.wanted(), Wanted.class).equals(wanted)
                    ? Answer.json(200, view(b))
                    : Answer.fault(409, "there is another order of this key");
        }
        Optional<DeskReading> read =
                Optional.ofNullable(wanted.upload())
                        .flatMap(store::reading)
                        .map(json -> parsed(json, DeskReading.class));
        if (read.isEmpty() || !read.get().state().equals(DeskReading.READ)) {
            return Answer.fault(409, "what is ordered was not uploaded, or could not be read");
        }
        if (!read.get().asks().isEmpty()) {
            return Answer.fault(409, "it waits for an answer: " + read.get().asks().get(0).says());
        }
        QuoteJson quote = read.get().quote();
        if (quote == null) {
            return Answer.fault(409, "there is no price for it: the board has no closed outline");
        }
        if (quote.total() != wanted.total() || !quote.currency().equals(wanted.currency())) {
            return Answer.fault(
                    409,
                    String.format(
                            "the price is %.2f %s, not %.2f %s",
                            quote.total(), quote.currency(), wanted.total(), wanted.currency()));
        }
        if (wanted.by() == null || wanted.by().isBlank()) {
            return Answer.fault(409, "an order is placed by somebody: it has no name");
        }
        DeskStore.Placed placed = store.place(key, wanted.upload(), body, Instant.now());
        return placed.number().isEmpty() ? gone() : Answer.json(201, view(placed));
    }

    private static Answer gone() {
        return Answer.fault(410, "an order of this key was withdrawn before it came");
    }

    private Answer withdraw(String key, Optional<DeskStore.Placed> order) {
        if (order.isPresent() && order.get().number().isPresent()) {
            DeskStore.Placed o = order.get();
            if (o.withdrawn().isEmpty() && OrderTimeline.isBegun(history(o))) {
                return Answer.fault(409, "the boards are being made: it is too late to withdraw");
            }
        }
        store.withdraw(key, Instant.now());
        DeskStore.Placed now = store.order(key).orElseThrow();
        return now.number().isEmpty()
                ? new Answer(204, "application/json", new byte[0])
                : Answer.json(200, view(now));
    }

    private Answer answer(DeskStore.Placed order, String question, Asked asked) throws IOException {
        String body = new String(asked.body().readNBytes(MOST_WORDS), StandardCharsets.UTF_8);
        String answer = parsed(body, Answered.class).answer();
        List<DeskQuestion> questions = questions(order);
        Optional<DeskQuestion> meant =
                questions.stream().filter(q -> q.id().equals(question)).findFirst();
        if (meant.isEmpty()) {
            return Answer.fault(404, "there is no such question");
        }
        if (!meant.get().answers().contains(answer)) {
            return Answer.fault(409, "that is none of the answers that can be given");
        }
        String said = meant.get().answer();
        if (!said.isEmpty() && !said.equals(answer)) {
            return Answer.fault(409, "it was answered already: " + said);
        }
        if (said.isEmpty() && order.withdrawn().isEmpty()) {
            boolean last =
                    questions.stream()
                            .filter(q -> !q.id().equals(question))
                            .noneMatch(q -> q.answer().isEmpty());
            Instant now = Instant.now();
            store.answer(order.key(), question, answer, last, now);
            if (answer.equals(Engineer.WAIT)) {
                store.withdraw(order.key(), now);
            }
        }
        return Answer.json(200, view(store.order(order.key()).orElseThrow()));
    }

    private static <T> T parsed(String json, Class<T> type) {
        try {
            T value = Json.MAPPER.readValue(json, type);
            if (value != null) {
                return value;
            }
        } catch (JacksonException e) {
            throw new IllegalArgumentException("it cannot be read: " + e.getOriginalMessage(), e);
        }
        throw new IllegalArgumentException("nothing was said");
    }

    /** What was asked of an order so far, with the answers. */
    private List<DeskQuestion> questions(DeskStore.Placed order) {
        if (!pace.isLooked(order, order.withdrawn().orElse(Instant.now()))) {
            return List.of();
        }
        Map<String, String> answers = store.answers(order.key());
        return asked(order).stream()
                .map(
                        q ->
                                new DeskQuestion(
                                        q.id(),
                                        q.says(),
                                        q.answers(),
                                        answers.getOrDefault(q.id(), "")))
                .toList();
    }

    private List<DeskQuestion> asked(DeskStore.Placed order) {
        String json = store.engineer(order.upload()).orElse("[]");
        return Arrays.asList(parsed(json, DeskQuestion[].class));
    }

    private List<DeskStep> history(DeskStore.Placed order) {
        boolean open = order.answered().isEmpty() && !asked(order).isEmpty();
        return pace.history(order, open, Instant.now());
    }

    private DeskOrder view(DeskStore.Placed order) {
        List<DeskStep> history = history(order);
        String state = history.get(history.size() - 1).state();
        String number = "D-" + order.number().orElseThrow();
        return new DeskOrder(
                order.key(),
                number,
                order.upload(),
                state,
                OrderTimeline.says(state),
                history,
                questions(order),
                state.equals(DeskOrder.SHIPPED) ? "parcel " + number + "-1" : "");
    }
}
