package dev.lastcut.server.orders;

import dev.lastcut.core.intake.Pack;
import dev.lastcut.server.desk.DeskServer;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.OutputService;
import dev.lastcut.server.store.Backups;
import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Map;

/**
 * A process that does one kind of work again and again until it is killed, and says each step it
 * comes to. Desk and application die together.
 */
final class Victim {
    private Victim() {}

    /**
     * Arguments: the folder, what to do, the job. It begins once it reads how often the work was
     * begun before.
     */
    public static void main(String[] args) throws Exception {
        Path data = Path.of(args[0]);
        long job = Long.parseLong(args[2]);
        Pack pack = Jobs.pack("tag");
        int from =
                Integer.parseInt(new BufferedReader(new InputStreamReader(System.in)).readLine());
        DeskServer desk = new DeskServer(0, data.resolve("desk.db"), Duration.ofMillis(5));
        Workshop w =
                new Workshop(
                        data,
                        Map.of("lastcut.data", data.toString(), "lastcut.desk.limit-ms", "5000"));
        OrderService orders = w.orders(desk.address());
        for (int k = from; ; k++) {
            int n = k;
            say("begin " + n);
            switch (args[1]) {
                case "bring-in" ->
                        Jobs.work(
                                w,
                                Victim::say,
                                t -> {
                                    Pack named = new Pack("tag " + n, pack.files());
                                    return "" + w.a(JobService.class).bringIn(named, t);
                                });
                case "cut" ->
                        Jobs.work(w, Victim::say, t -> "" + w.a(OutputService.class).cut(job, t));
                case "backup" -> {
                    say("copying");
                    w.a(Backups.class).make();
                }
                default ->
                        Jobs.work(
                                w,
                                Victim::say,
                                t -> {
                                    long id = Long.parseLong(orders.send(job, 1, t));
                                    t.progress(2, 3, "placing the order");
                                    orders.place(id, "Ida", "");
                                    return "" + id;
                                });
            }
            say("done " + n);
        }
    }

    private static void say(String line) {
        System.out.println(line);
        System.out.flush();
    }
}
