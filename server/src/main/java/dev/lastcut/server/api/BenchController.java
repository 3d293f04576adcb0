package dev.lastcut.server.api;

import dev.lastcut.server.jobs.BenchService;
import dev.lastcut.server.jobs.RefusedException;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The mill on the bench. */
@RestController
@WithoutBoard
@RequestMapping("/api/jobs/{id}/mill/bench")
class BenchController {
    private final BenchService bench;

    BenchController(BenchService bench) {
        this.bench = bench;
    }

    @GetMapping
    BenchService.BenchView view(@PathVariable long id) {
        return bench.view(id);
    }

    /**
     * Where the tool went since a step: x, y, depth in nm and the tool, four numbers a step, of
     * {@code total} steps.
     */
    record TrailView(int from, int total, double[] points) {}

    @GetMapping("/trail")
    TrailView trail(@PathVariable long id, @RequestParam int from) {
        return new TrailView(from, bench.steps(id), bench.trail(id, from));
    }

    /**
     * A wish: {@code begin} with side and stock, {@code run} with a program, {@code fit} with a
     * tool, {@code speed} with a factor; {@code touch}, {@code probe}, {@code keep}, {@code hold},
     * {@code resume}, {@code stop}, {@code reset} and {@code restart} want nothing more.
     */
    record BenchRequest(
            String wish, String side, String stock, String program, Integer tool, Double speed) {}

    @PostMapping
    BenchService.BenchView wish(
            @PathVariable long id,
            @RequestHeader(name = IfMatchVersion.HEADER, required = false) String base,
            @RequestBody BenchRequest r) {
        switch (r.wish() == null ? "" : r.wish()) {
            case "begin" -> bench.begin(id, r.side(), r.stock());
            case "run" -> bench.run(id, r.program());
            case "fit" -> bench.fit(id, r.tool() == null ? 0 : r.tool());
            case "speed" -> bench.speed(id, r.speed() == null ? 1 : r.speed());
            case "touch" -> bench.touchOff(id);
            case "probe" -> bench.probe(id);
            case "keep" -> bench.keepProbed(id, IfMatchVersion.of(base));
            case "hold" -> bench.hold(id);
            case "resume" -> bench.resume(id);
            case "stop" -> bench.stop(id);
            case "reset" -> bench.reset(id);
            case "restart" -> bench.restart(id);
            default -> throw new RefusedException("The bench mill knows no '" + r.wish() + "'.");
        }
        return bench.view(id);
    }
}
