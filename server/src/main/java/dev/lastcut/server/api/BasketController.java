package dev.lastcut.server.api;

import dev.lastcut.core.assembly.Baskets;
import dev.lastcut.server.catalogue.PartJson;
import dev.lastcut.server.jobs.NotFoundException;
import dev.lastcut.server.parts.BasketService;
import dev.lastcut.server.work.TaskRunner;
import dev.lastcut.server.work.TaskState;
import java.util.Arrays;
import java.util.List;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Where the parts of a job that the shop does not bring can be bought. */
@RestController
@RequestMapping("/api/jobs/{id}/baskets")
class BasketController {
    private final BasketService baskets;
    private final TaskRunner tasks;

    BasketController(BasketService baskets, TaskRunner tasks) {
        this.baskets = baskets;
        this.tasks = tasks;
    }

    /**
     * @param asOf when the counters said so; empty before they were asked
     * @param kinds how many part numbers are wanted
     * @param unnamed designators of parts without a part number
     * @param nowhere part numbers that nobody sells in time
     * @param faults why a counter is not among the sellers, in sentences
     */
    record BasketsView(
            String asOf,
            String currency,
            int kinds,
            double total,
            List<BasketView> baskets,
            List<String> unnamed,
            List<String> nowhere,
            List<String> faults) {}

    /** What is bought of one seller. */
    record BasketView(
            String seller, int days, double carriage, double goods, List<BasketLineView> lines) {
        static BasketView of(Baskets.Basket b) {
            return new BasketView(
                    b.seller().name(),
                    b.seller().days(),
                    b.seller().carriage(),
                    b.goods(),
                    b.lines().stream()
                            .map(
                                    l ->
                                            new BasketLineView(
                                                    l.wanted().number(),
                                                    l.wanted().designators(),
                                                    l.wanted().pieces(),
                                                    l.purchase().pieces(),
                                                    l.purchase().each(),
                                                    l.purchase().total(),
                                                    l.inStock()))
                            .toList());
        }
    }

    /** A line of a basket: how many are wanted, and how many are bought. */
    record BasketLineView(
            String number,
            List<String> designators,
            long wanted,
            long pieces,
            double each,
            double sum,
            boolean inStock) {}

    /**
     * @param aim {@code cheapest}, {@code fewest-sellers} or {@code in-stock}
     */
    @GetMapping
    BasketsView view(@PathVariable long id, @RequestParam(defaultValue = "cheapest") String aim) {
        BasketService.Offered o = baskets.offered(id, aim(aim));
        return new BasketsView(
                o.at(),
                o.currency(),
                o.wanted().size(),
                o.baskets().map(Baskets::total).orElse(0.0),
                o.baskets()
                        .map(b -> b.baskets().stream().map(BasketView::of).toList())
                        .orElse(List.of()),
                o.unnamed(),
                o.baskets()
                        .map(b -> b.nowhere().stream().map(Baskets.Wanted::number).toList())
                        .orElse(List.of()),
                o.faults());
    }

    /** Asks every counter, in the background. */
    @PostMapping("/ask")
    TaskState ask(@PathVariable long id) {
        return tasks.startWaiting(task -> baskets.ask(id, task));
    }

    /** One basket as a table. */
    @GetMapping(path = "/basket.csv", produces = "text/csv")
    ResponseEntity<byte[]> csv(
            @PathVariable long id, @RequestParam String aim, @RequestParam String seller) {
        String name = "basket-" + seller.replaceAll("[^A-Za-z0-9]+", "-") + ".csv";
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .body(baskets.csv(id, aim(aim), seller));
    }

    private static Baskets.Aim aim(String word) {
        return Arrays.stream(Baskets.Aim.values())
                .filter(a -> PartJson.id(a).equals(word))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("There is no aim " + word + "."));
    }
}
