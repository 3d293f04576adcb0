package dev.lastcut.server.orders;

import dev.lastcut.core.cut.CutZip;
import dev.lastcut.core.cut.Manifest;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.NotFoundException;
import dev.lastcut.server.jobs.OutputService;
import dev.lastcut.server.jobs.RefusedException;
import dev.lastcut.server.orders.DeskOrder.Wanted;
import dev.lastcut.server.orders.Shipments.Shipment;
import dev.lastcut.server.outside.ExternalHttpException;
import dev.lastcut.server.outside.ExternalHttpException.Kind;
import dev.lastcut.server.report.Json;
import dev.lastcut.server.report.QuoteJson;
import dev.lastcut.server.store.CutStore;
import dev.lastcut.server.store.DeskOrderStore;
import dev.lastcut.server.store.DeskOrderStore.Row;
import dev.lastcut.server.store.DeskOrderStore.State;
import dev.lastcut.server.work.Task;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;

/**
 * Orders of cuts. What is sent is noted before it is sent: when there is no answer, the desk is
 * asked whether it has the order, by the order's own key. One that it does not have it is told
 * never to take by that key, and only then may the order be placed again. So it is placed once or
 * not at all, whatever is lost on the way.
 */
@Service
public class OrderService {
    private static final int MOST_NAME = 120;
    private static final int MOST_NOTE = 2000;
    private static final long READING_MS = 120_000;
    private static final int CONFLICT = 409;
    private static final int SERVER_FAULT = 500;
    private static final int CLOSED = 503;

    private final DeskOrderStore orders;
    private final OutputService outputs;
    private final Shipments shipments;
    private final DeskStand stand;
    private final Duration limit;

    /** Orders that are being sent just now: nobody asks for them meanwhile. */
    private final Set<Long> onTheWay = ConcurrentHashMap.newKeySet();

    @Autowired
    OrderService(
            DeskOrderStore orders,
            OutputService outputs,
            Shipments shipments,
            DeskStand stand,
            @Value("${lastcut.desk.limit-ms:10000}") long limitMs) {
        this.orders = orders;
        this.outputs = outputs;
        this.shipments = shipments;
        this.stand = stand;
        this.limit = Duration.ofMillis(limitMs);
    }

    private DeskClient desk() {
        return new DeskClient(stand.address(), limit);
    }

    /** Of a job, the newest first, as far as is known here. */
    public List<Row> of(long job) {
        return orders.of(job);
    }

    public Row order(long id) {
        return orders.find(id)
                .orElseThrow(() -> new NotFoundException("There is no order " + id + "."));
    }

    public byte[] picture(long id, String name) {
        return orders.picture(id, name)
                .orElseThrow(() -> new NotFoundException("There is no picture " + name + "."));
    }

    /** What the desk read; empty before it did. */
    public static Optional<DeskReading> reading(Row order) {
        return order.reading().map(json -> Json.MAPPER.readValue(json, DeskReading.class));
    }

    /** Parts that the desk would fit otherwise than the cut means. */
    public static List<DeskDifference> differences(Row order) {
        return List.of(Json.MAPPER.readValue(order.differences(), DeskDifference[].class));
    }

    /** The order as the desk said last; empty before it has it. */
    public static Optional<DeskOrder> said(Row order) {
        return order.said().map(json -> Json.MAPPER.readValue(json, DeskOrder.class));
    }

    /**
     * Sends a cut to the desk, or the files as they came, and waits until it has read them. One
     * that it has read is sent to it again when something else is ordered of it now. Nothing is
     * ordered by that.
     *
     * @param cut its number, 0 for the files as they came
     * @return the order's id
     */
    public String send(long job, int cut, Task task) {
        if (cut != Shipments.AS_THEY_CAME) {
            outputs.cutZip(job, cut);
        }
        Optional<PackingList> before =
                orders.of(job).stream()
                        .filter(o -> o.cut() != cut && o.cut() != Shipments.AS_THEY_CAME)
                        .filter(o -> o.reading().isPresent())
                        .findFirst()
                        .flatMap(OrderService::list);
        Row order = orders.begin(job, cut, newKey(), JobService.time());
        if (order.state() == State.SENDING || order.state() == State.READ) {
            Shipment shipment;
            try {
                shipment = shipments.of(job, cut, before);
            } catch (RefusedException e) {
                leave(order, e.getMessage());
                throw e;
            }
            if (!order.upload().equals(Manifest.sha256(shipment.bytes()))) {
                send(order, shipment, task);
            }
        }
        return String.valueOf(order.id());
    }

    /** What was sent to the desk; empty of an order from before there were packing lists. */
    private static Optional<PackingList> list(Row order) {
        return order.list().map(json -> Json.MAPPER.readValue(json, PackingList.class));
    }

    /** Sends the parcels that the desk does not have, and their list. */
    private static DeskReading upload(DeskClient desk, Shipment shipment, Task task)
            throws ExternalHttpException {
        for (PackingList.Item item : shipment.list().parcels()) {
            byte[] content = shipment.parcels().get(item.sha256());
            task.progress(0, 3, "sending " + item.name() + ", " + kB(content));
            if (task.isCancelled()) {
                throw new CancellationException("cancelled");
            }
            desk.parcel(item.sha256(), content);
        }
        task.progress(0, 3, "sending the packing list");
        return desk.upload(shipment.bytes());
    }

    private static String kB(byte[] bytes) {
        return (bytes.length + 1023) / 1024 + " kB";
    }

    private void send(Row order, Shipment shipment, Task task) {
        long id = order.id();
        DeskClient desk = desk();
        try {
            DeskReading read = read(desk, upload(desk, shipment, task), task);
            if (!read.state().equals(DeskReading.READ)) {
                String why =
                        "The order desk does not take it. " + read.says() + " Nothing was ordered.";
                leave(order, why);
                throw new RefusedException(why);
            }
            task.progress(2, 3, "fetching its pictures");
            Map<String, byte[]> pictures = new LinkedHashMap<>();
            for (DeskReading.DeskBoard b : read.boards()) {
                for (String name : b.all()) {
                    pictures.put(name, desk.picture(read.sha256(), name));
                }
            }
            String differences = text(differences(order, read));
            task.commit(
                    () -> {
                        orders.read(
                                id,
                                new DeskOrderStore.Sent(
                                        read.sha256(),
                                        new String(shipment.bytes(), StandardCharsets.UTF_8)),
                                text(read),
                                differences,
                                pictures);
                        orders.of(order.job()).stream()
                                .filter(o -> o.id() != id && o.state() == State.READ)
                                .forEach(o -> orders.left(o.id(), replaced(order.cut())));
                        return id;
                    });
        } catch (CancellationException e) {
            leave(order, "You did not wait for the desk. Nothing was ordered.");
            throw e;
        } catch (ExternalHttpException e) {
            String why = e.getMessage() + " Nothing was ordered. Send it again.";
            orders.fault(id, why);
            throw new RefusedException(why);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            orders.fault(id, "Sending was broken off. Nothing was ordered. Send it again.");
        }
    }

    /** One that the desk has read stays as it read it; any other comes to nothing. */
    private void leave(Row order, String why) {
        if (order.state() == State.READ) {
            orders.fault(order.id(), why);
        } else {
            orders.left(order.id(), why);
        }
    }

    private DeskReading read(DeskClient desk, DeskReading begun, Task task)
            throws ExternalHttpException, InterruptedException {
        DeskReading reading = begun;
        long until = System.nanoTime() + TimeUnit.MILLISECONDS.toNanos(READING_MS);
        while (reading.state().equals(DeskReading.READING) && System.nanoTime() < until) {
            task.progress(1, 3, "the desk reads the files");
            if (task.isCancelled()) {
                throw new CancellationException("cancelled");
            }
            TimeUnit.MILLISECONDS.sleep(150);
            reading = desk.reading(reading.sha256());
        }
        return reading;
    }

    private List<DeskDifference> differences(Row order, DeskReading read) {
        if (order.cut() == Shipments.AS_THEY_CAME) {
            return List.of();
        }
        return CutZip.read(outputs.cutZip(order.job(), order.cut()), "report.json")
                .map(Json.MAPPER::readTree)
                .map(r -> DeskDifference.between(r, read.parts()))
                .orElse(List.of());
    }

    private static String replaced(int cut) {
        String what = cut == Shipments.AS_THEY_CAME ? "The files as they came" : "Cut " + cut;
        return what + " took its place. Nothing was ordered of this one.";
    }

    /**
     * Places an order for what was quoted.
     *
     * @throws RefusedException when it was not placed, or it is not known yet whether it was
     */
    public void place(long id, String by, String note) {
        if (by.isBlank() || by.length() > MOST_NAME || note.length() > MOST_NOTE) {
            throw new RefusedException(
                    "Say who orders, in at most "
                            + MOST_NAME
                            + " characters; a note has at most "
                            + MOST_NOTE
                            + ". Nothing was ordered.");
        }
        Row before = order(id);
        if (list(before).filter(l -> !shipments.isAsChosen(before.job(), l)).isPresent()) {
            throw new RefusedException(
                    "Something else is chosen than what the desk has priced. Send it to the desk"
                            + " again, look at the price, and order then. Nothing was ordered.");
        }
        QuoteJson quote =
                reading(before)
                        .map(DeskReading::quote)
                        .orElseThrow(
                                () ->
                                        new RefusedException(
                                                "The desk has no price for it, so it cannot be"
                                                        + " ordered."));
        onTheWay.add(id);
        try {
            if (!orders.placing(id, by.strip(), note.strip())) {
                throw new RefusedException("It is ordered already, or on its way.");
            }
            Row order = order(id);
            DeskOrder said =
                    desk().place(
                                    order.key(),
                                    new Wanted(
                                            order.upload(),
                                            quote.total(),
                                            quote.currency(),
                                            order.by(),
                                            order.note()));
            placed(order, said, "");
        } catch (ExternalHttpException e) {
            boolean unknown =
                    e.kind() == Kind.LOST || e.status() >= SERVER_FAULT && e.status() != CLOSED;
            if (unknown) {
                orders.fault(id, notKnown(e));
                settle(order(id));
            } else {
                orders.notPlaced(id, newKey(), e.getMessage() + " Nothing was ordered.");
            }
        } finally {
            onTheWay.remove(id);
        }
        Row now = order(id);
        if (now.state() != State.PLACED) {
            throw new RefusedException(now.fault());
        }
    }

    private static String notKnown(ExternalHttpException e) {
        return e.getMessage()
                + " Whether the order arrived is not known yet; the desk is asked again until it"
                + " is. Nothing is ordered twice.";
    }

    /** Finds out whether an order that was sent has arrived. */
    private void settle(Row order) {
        try {
            DeskClient desk = desk();
            Optional<DeskOrder> there = desk.order(order.key());
            if (there.isEmpty()) {
                there = forestalled(desk, order.key());
            }
            if (there.filter(o -> !o.state().equals(DeskOrder.WITHDRAWN)).isPresent()) {
                placed(
                        order,
                        there.get(),
                        "The connection was lost while it was placed, but it had arrived: it is"
                                + " ordered once.");
            } else {
                orders.notPlaced(
                        order.id(),
                        newKey(),
                        "The connection was lost before the order arrived. Nothing was ordered;"
                                + " place it again.");
            }
        } catch (ExternalHttpException e) {
            orders.fault(order.id(), notKnown(e));
        }
    }

    /** Sees to it that an order which did not come cannot come any more; it, if it just did. */
    private static Optional<DeskOrder> forestalled(DeskClient desk, String key)
            throws ExternalHttpException {
        try {
            return desk.withdraw(key);
        } catch (ExternalHttpException e) {
            if (e.status() == CONFLICT) {
                return desk.order(key);
            }
            throw e;
        }
    }

    private void placed(Row order, DeskOrder said, String fault) {
        orders.placed(
                order.id(),
                text(said),
                JobService.time(),
                fault,
                new CutStore.Handed(
                        order.cut(),
                        "order desk, order " + said.number(),
                        JobService.time(),
                        order.note()));
    }

    /** Asks the desk how an order stands; what was known stays when it does not answer. */
    public void follow(Row order) {
        if (order.state() == State.PLACING && onTheWay.add(order.id())) {
            try {
                settle(order);
            } finally {
                onTheWay.remove(order.id());
            }
        } else if (order.state() == State.PLACED
                && said(order).filter(DeskOrder::ended).isEmpty()) {
            try {
                desk().order(order.key())
                        .ifPresent(o -> orders.said(order.id(), text(o), JobService.time()));
            } catch (ExternalHttpException e) {
                orders.fault(order.id(), e.getMessage() + " This is what it said last.");
            }
        }
    }

    /**
     * @throws RefusedException when the desk does not take the answer, or is not there
     */
    public void answer(long id, String question, String answer) {
        Row order = requirePlaced(id);
        try {
            orders.said(id, text(desk().answer(order.key(), question, answer)), JobService.time());
        } catch (ExternalHttpException e) {
            throw new RefusedException(
                    e.getMessage() + " Whether it has the answer is not known; answer again.");
        }
    }

    /**
     * Withdraws an order that is placed, or leaves one that is not.
     *
     * @throws RefusedException when it is too late, or the desk is not there
     */
    public void withdraw(long id) {
        Row order = order(id);
        if (order.state() == State.SENDING || order.state() == State.READ) {
            orders.left(id, "You left it. Nothing was ordered.");
            return;
        }
        requirePlaced(id);
        try {
            desk().withdraw(order.key())
                    .ifPresent(o -> orders.said(id, text(o), JobService.time()));
        } catch (ExternalHttpException e) {
            throw new RefusedException(e.getMessage());
        }
    }

    private Row requirePlaced(long id) {
        Row order = order(id);
        if (order.state() != State.PLACED) {
            throw new RefusedException("The desk does not have this order.");
        }
        return order;
    }

    /** After the application was started again: what was on its way then is not any more. */
    void takeUp() {
        orders.in(State.SENDING)
                .forEach(
                        o ->
                                orders.fault(
                                        o.id(),
                                        "Sending broke off when the application stopped. Nothing"
                                                + " was ordered. Send it again."));
        orders.in(State.PLACING).forEach(this::follow);
    }

    private static String text(Object value) {
        return new String(Json.write(value), StandardCharsets.UTF_8);
    }

    private static String newKey() {
        return UUID.randomUUID().toString();
    }
}
