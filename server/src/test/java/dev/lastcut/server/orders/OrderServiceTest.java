package dev.lastcut.server.orders;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.server.desk.Cuts;
import dev.lastcut.server.desk.DeskServer;
import dev.lastcut.server.jobs.ChoiceService;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.OutputService;
import dev.lastcut.server.jobs.RefusedException;
import dev.lastcut.server.standin.Moods;
import dev.lastcut.server.store.CutStore;
import dev.lastcut.server.store.DeskOrderStore;
import dev.lastcut.server.store.DeskOrderStore.Row;
import dev.lastcut.server.store.DeskOrderStore.State;
import dev.lastcut.server.work.Task;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** An order at a desk that is slow, closed, talks rubbish, or goes away in the middle. */
@Timeout(120)
class OrderServiceTest {
    private static final int LIMIT_MS = 900;

    /** More than sending and ordering take. */
    private static final int REQUESTS = 14;

    private static byte[] zip;

    @TempDir static Path ready;
    private static long job;

    @TempDir Path data;
    private Workshop workshop;
    private DeskServer desk;
    private OrderService orders;

    /** A job there is, and a desk that has read its cut before. */
    @BeforeAll
    static void cut() throws Exception {
        zip = Cuts.of("p07_mill_single", "longcomb-fine", Ticket.BLANK).zip();
        try (Workshop w = new Workshop(ready, Map.of());
                DeskServer d = new DeskServer(0, ready.resolve("desk.db"), Duration.ZERO)) {
            job = Jobs.begun(w);
            service(w, d.address(), 60_000).send(job, 1, watched());
            w.a(DeskOrderStore.class).left(1, "It was tried.");
        }
    }

    @BeforeEach
    void open() throws Exception {
        for (String file : List.of("desk.db", "last-cut.db")) {
            Files.copy(ready.resolve(file), data.resolve(file));
        }
        desk = new DeskServer(0, data.resolve("desk.db"), Duration.ofMillis(20));
        workshop = new Workshop(data, Map.of());
        orders = service(desk.address());
    }

    private OrderService service(String address) {
        return service(workshop, address, LIMIT_MS);
    }

    /** A task that nobody cancels. */
    private static Task watched() {
        Task task = mock(Task.class);
        when(task.commit(any())).thenAnswer(i -> i.<Supplier<?>>getArgument(0).get());
        return task;
    }

    /** Cuts are those of the test. */
    private static OrderService service(Workshop w, String address, long limitMs) {
        OutputService outputs = mock(OutputService.class);
        when(outputs.cutZip(anyLong(), anyInt())).thenReturn(zip);
        Shipments shipments = new Shipments(outputs, w.a(JobService.class));
        return new OrderService(
                w.a(DeskOrderStore.class), outputs, shipments, () -> address, limitMs);
    }

    @AfterEach
    void shut() {
        desk.close();
        workshop.close();
    }

    private void mood(String is) throws Exception {
        Moods.set(desk.address(), is);
    }

    private Row sent() {
        return orders.order(Long.parseLong(orders.send(job, 1, watched())));
    }

    /** How many orders the desk has that are to be made. */
    private int atTheDesk() {
        return Jobs.orders(data.resolve("desk.db")).size();
    }

    private int handed() {
        return workshop.a(CutStore.class).handed(job).size();
    }

    @Test
    void aCutIsReadQuotedOrderedAndShipped() {
        Row read = sent();
        assertThat(read.state()).isEqualTo(State.READ);
        DeskReading reading = OrderService.reading(read).orElseThrow();
        assertThat(reading.quote().total()).isPositive();
        assertThat(orders.picture(read.id(), "board-top")).startsWith(0x89, 'P', 'N', 'G');
        assertThat(atTheDesk()).isZero();
        orders.place(read.id(), "Ida", "With care.");
        Row placed = orders.order(read.id());
        for (int i = 0;
                i < 200 && OrderService.said(placed).filter(DeskOrder::ended).isEmpty();
                i++) {
            orders.follow(placed);
            placed = orders.order(read.id());
        }
        assertThat(OrderService.said(placed).orElseThrow().state()).isEqualTo(DeskOrder.SHIPPED);
        assertThat(atTheDesk()).isOne();
        assertThat(workshop.a(CutStore.class).handed(job))
                .singleElement()
                .matches(h -> h.to().startsWith("order desk, order D-"));
        assertThatThrownBy(() -> orders.place(read.id(), "Ida", ""))
                .isInstanceOf(RefusedException.class);
        assertThatThrownBy(() -> orders.withdraw(read.id())).hasMessageContaining("too late");
    }

    @ParameterizedTest
    @CsvSource({
        "down, the desk is closed",
        "slow, does not answer within 900 ms",
        "rubbish, cannot be read",
        "cuts-off, broke off in the middle",
        "mute, broke off in the middle"
    })
    void whatCannotBeSentIsSaidAndSentAgain(String is, String says) throws Exception {
        mood(is);
        assertThatThrownBy(this::sent)
                .isInstanceOf(RefusedException.class)
                .hasMessageContaining(says)
                .hasMessageEndingWith("Nothing was ordered. Send it again.");
        Row open = orders.of(job).get(0);
        assertThat(open.state()).isEqualTo(State.SENDING);
        assertThat(open.fault()).contains(says);
        mood("well");
        Row read = sent();
        assertThat(read.id()).isEqualTo(open.id());
        assertThat(read.state()).isEqualTo(State.READ);
        assertThat(read.fault()).isEmpty();
    }

    @Test
    void aDeskThatIsNotThereIsSaidToBe() {
        String address = desk.address();
        desk.close();
        assertThatThrownBy(this::sent).hasMessageContaining(address + " is not there");
    }

    /** Whatever the desk does with it, it is ordered once or not at all, and it is said which. */
    @ParameterizedTest
    @CsvSource({
        "down, false, Nothing was ordered.",
        "cuts-off, false, is not known yet",
        "mute, true, is not known yet",
        "slow, false, is not known yet",
        "rubbish, false, is not known yet"
    })
    void anOrderWhoseConnectionIsLostIsFoundOutAbout(String is, boolean arrived, String says)
            throws Exception {
        Row read = sent();
        mood(is);
        assertThatThrownBy(() -> orders.place(read.id(), "Ida", "")).hasMessageContaining(says);
        mood("well");
        orders.follow(orders.order(read.id()));
        Row now = orders.order(read.id());
        if (now.state() == State.PLACED) {
            assertThat(now.fault()).endsWith("it is ordered once.");
        } else {
            assertThat(arrived).isFalse();
            assertThat(now.state()).isEqualTo(State.READ);
            assertThat(now.fault()).contains("Nothing was ordered");
            assertThat(now.key()).isNotEqualTo(read.key());
            orders.place(read.id(), "Ida", "");
        }
        // What was late would have come by now.
        Thread.sleep(is.equals("slow") ? 2_000 : 0);
        assertThat(atTheDesk()).isOne();
        assertThat(handed()).isOne();
    }

    /** What is chosen after the desk has priced it is priced anew before it can be ordered. */
    @Test
    void onlyWhatWasPricedIsOrdered() {
        Row read = sent();
        double five = OrderService.reading(read).orElseThrow().quote().total();
        choose(d -> d.order = d.order.of(50).with(OrderOption.MASK_COLOUR, "red"));
        assertThatThrownBy(() -> orders.place(read.id(), "Ida", ""))
                .hasMessageStartingWith("Something else is chosen than what the desk has priced.");
        assertThat(atTheDesk()).isZero();
        Row again = sent();
        assertThat(again.id()).isEqualTo(read.id());
        DeskReading priced = OrderService.reading(again).orElseThrow();
        assertThat(priced.quantity()).isEqualTo(50);
        assertThat(priced.ordered()).contains("Mask colour: red");
        assertThat(priced.quote().total()).isGreaterThan(five);
        assertThat(priced.parcels()).isEqualTo(OrderService.reading(read).orElseThrow().parcels());
        orders.place(read.id(), "Ida", "");
        assertThat(atTheDesk()).isOne();
    }

    private void choose(Consumer<Ticket.Draft> change) {
        workshop.a(ChoiceService.class)
                .choose(
                        job,
                        Optional.empty(),
                        before -> before.withShop("longcomb-fine").with(change));
    }

    /** One request is lost, whichever it is, on the way there or on the way back. */
    @ParameterizedTest
    @ValueSource(strings = {"cuts-off", "mute", "down"})
    void aConnectionLostAtAnyStepOrdersOnceAtMost(String is) throws Exception {
        int lost = 0;
        for (int n = 1; n <= REQUESTS; n++) {
            Moods.set(desk.address(), is, n);
            Row read = null;
            for (int tries = 0; read == null && tries < 2; tries++) {
                try {
                    read = sent();
                } catch (RefusedException e) {
                    assertThat(e.getMessage()).contains("Nothing was ordered");
                    lost++;
                }
            }
            assertThat(read.state()).isEqualTo(State.READ);
            int before = atTheDesk();
            try {
                orders.place(read.id(), "Ida", "");
            } catch (RefusedException e) {
                lost++;
                orders.follow(orders.order(read.id()));
                if (orders.order(read.id()).state() == State.READ) {
                    assertThat(atTheDesk()).isEqualTo(before);
                    orders.place(read.id(), "Ida", "");
                }
            }
            assertThat(orders.order(read.id()).state()).isEqualTo(State.PLACED);
            assertThat(atTheDesk()).as("request %d", n).isEqualTo(before + 1);
        }
        // What is only asked for is asked for again, and nobody notices.
        assertThat(lost).isPositive();
    }

    /** Random moods over random acts, another start of the application now and then. */
    @Test
    void orderedOnceOrNotAtAllWhateverHappens() throws Exception {
        Random random = new Random(7);
        List<String> moods = List.of("well", "well", "down", "rubbish", "cuts-off", "mute");
        for (int i = 0; i < 150; i++) {
            mood(moods.get(random.nextInt(moods.size())));
            List<Row> all = orders.of(job);
            Row last = all.isEmpty() ? null : all.get(0);
            try {
                switch (last == null ? State.PLACED : last.state()) {
                    case SENDING, PLACED, LEFT -> sent();
                    case READ -> orders.place(last.id(), "Ida", "n" + i);
                    case PLACING -> orders.follow(last);
                }
            } catch (RefusedException e) {
                assertThat(e.getMessage()).endsWith(".");
            }
            if (random.nextInt(12) == 0) {
                orders = service(desk.address());
                orders.takeUp();
            }
        }
        mood("well");
        orders.takeUp();
        List<Row> all = orders.of(job);
        assertThat(all).noneMatch(r -> r.state() == State.PLACING);
        assertThat(all.stream().filter(r -> r.state() == State.PLACED).map(Row::key))
                .hasSizeGreaterThan(10)
                .containsExactlyInAnyOrderElementsOf(Jobs.orders(data.resolve("desk.db")));
        assertThat(handed()).isEqualTo(atTheDesk());
    }

    @Test
    void oneCutHasOneOpenOrderAndALeftOneMakesRoom() {
        Row first = sent();
        assertThat(sent().id()).isEqualTo(first.id());
        orders.withdraw(first.id());
        assertThat(orders.order(first.id()).state()).isEqualTo(State.LEFT);
        assertThat(sent().id()).isNotEqualTo(first.id());
        assertThatCode(() -> orders.follow(orders.order(first.id()))).doesNotThrowAnyException();
        assertThatThrownBy(() -> orders.place(sent().id(), " ", ""))
                .hasMessageContaining("Say who orders");
    }
}
