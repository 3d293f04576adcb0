package dev.lastcut.server.api;

import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.orders.DeskDifference;
import dev.lastcut.server.orders.DeskOrder;
import dev.lastcut.server.orders.DeskReading;
import dev.lastcut.server.orders.Following;
import dev.lastcut.server.orders.OrderService;
import dev.lastcut.server.store.DeskOrderStore.Row;
import dev.lastcut.server.work.TaskRunner;
import dev.lastcut.server.work.TaskState;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Orders at a board house's desk. */
@RestController
@RequestMapping("/api")
class DeskController {
    private final JobService jobs;
    private final OrderService orders;
    private final Following following;
    private final TaskRunner tasks;

    DeskController(JobService jobs, OrderService orders, Following following, TaskRunner tasks) {
        this.jobs = jobs;
        this.orders = orders;
        this.following = following;
        this.tasks = tasks;
    }

    /**
     * An order as far as it is known here.
     *
     * @param state {@code sending}, {@code read}, {@code placing}, {@code placed} or {@code left}
     * @param heard when the desk said something last; empty before it did
     * @param fault what went wrong last, or is worth knowing, in a sentence
     * @param reading what the desk read; null before it did
     * @param differences parts that the desk would fit otherwise than the cut means
     * @param said the order as the desk has it; null before it has it
     */
    record DeskOrderView(
            long id,
            int cut,
            String state,
            String by,
            String note,
            String begun,
            String heard,
            String fault,
            DeskReading reading,
            List<DeskDifference> differences,
            DeskOrder said) {
        static DeskOrderView of(Row r) {
            return new DeskOrderView(
                    r.id(),
                    r.cut(),
                    r.state().name().toLowerCase(Locale.ROOT),
                    r.by(),
                    r.note(),
                    r.begun(),
                    r.heard().orElse(""),
                    r.fault(),
                    OrderService.reading(r).orElse(null),
                    OrderService.differences(r),
                    OrderService.said(r).orElse(null));
        }
    }

    /** Who orders, with a note for the desk. */
    record PlaceView(String by, String note) {}

    /** What is answered to a question. */
    record AnswerView(String question, String answer) {}

    /** What is known now; what is new at the desk is asked for meanwhile. */
    @WithoutBoard
    @GetMapping("/jobs/{id}/orders")
    List<DeskOrderView> orders(@PathVariable long id) {
        List<Row> all = orders.of(id);
        all.forEach(following::follow);
        return all.stream().map(DeskOrderView::of).toList();
    }

    /** Sends a cut to the desk; the task's result is the order's id. Nothing is ordered by it. */
    @PostMapping("/jobs/{id}/cuts/{number}/order")
    TaskState send(@PathVariable long id, @PathVariable int number) {
        return tasks.startWaiting(task -> orders.send(id, number, task));
    }

    @PostMapping("/orders/{id}/place")
    TaskState place(@PathVariable long id, @RequestBody PlaceView said) {
        orders.order(id);
        return tasks.startWaiting(
                task -> {
                    task.progress(0, 1, "placing the order");
                    // Once it is sent nobody can say that it was not.
                    return task.commit(
                            () -> {
                                orders.place(id, words(said.by()), words(said.note()));
                                return String.valueOf(id);
                            });
                });
    }

    @PostMapping("/orders/{id}/answers")
    DeskOrderView answer(@PathVariable long id, @RequestBody AnswerView said) {
        orders.answer(id, words(said.question()), words(said.answer()));
        return DeskOrderView.of(orders.order(id));
    }

    /** Withdraws it, or leaves it when it is not placed. */
    @DeleteMapping("/orders/{id}")
    DeskOrderView withdraw(@PathVariable long id) {
        orders.withdraw(id);
        return DeskOrderView.of(orders.order(id));
    }

    /** A side as the desk read it. */
    @GetMapping(path = "/orders/{id}/pictures/{name}", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> picture(@PathVariable long id, @PathVariable String name) {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.maxAge(Duration.ofMinutes(10)).cachePrivate())
                .body(orders.picture(id, name));
    }

    private static String words(String given) {
        return given == null ? "" : given;
    }
}
