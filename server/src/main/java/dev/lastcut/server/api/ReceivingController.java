package dev.lastcut.server.api;

import dev.lastcut.core.receiving.Checklist;
import dev.lastcut.core.receiving.Checklist.Answer;
import dev.lastcut.core.receiving.Perspective;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.RefusedException;
import dev.lastcut.server.receiving.ReceivingService;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Boards that came: a checklist with a verdict, and photographs laid on the board. */
@RestController
@RequestMapping("/api/jobs/{id}")
class ReceivingController {
    private final JobService jobs;
    private final ReceivingService receiving;

    ReceivingController(JobService jobs, ReceivingService receiving) {
        this.jobs = jobs;
        this.receiving = receiving;
    }

    /**
     * One item; {@code expected} is null for what is only looked at, {@code x} and {@code y} in nm
     * for what has no place; {@code right} is null while nothing was said.
     */
    record CheckItemView(
            String id,
            String what,
            Double expected,
            double tolerance,
            String unit,
            Long x,
            Long y,
            Double measured,
            Boolean right,
            String note) {}

    /** The checklist of a cut; {@code verdict} is open, good or bad. */
    record InspectionView(String verdict, String words, int open, List<CheckItemView> items) {}

    /** What was found of an item. */
    record SaidFound(String item, Double measured, Boolean good, String note) {}

    /** A clicked place of a photograph, in its pixels, and the place of the board, nm. */
    record PairView(double photoX, double photoY, double x, double y) {}

    record SaidPairs(List<PairView> pairs) {}

    /** The map from pixels to nm by rows, and how far the worst pair is off, mm. */
    record FitView(List<Double> toBoard, double worstMm) {}

    @GetMapping("/cuts/{number}/inspection")
    InspectionView inspection(@PathVariable long id, @PathVariable int number) {
        return view(receiving.of(id, number));
    }

    @PostMapping("/cuts/{number}/inspection")
    InspectionView answer(
            @PathVariable long id, @PathVariable int number, @RequestBody SaidFound body) {
        Answer answer =
                new Answer(
                        Optional.ofNullable(body.measured()),
                        Optional.ofNullable(body.good()),
                        body.note() == null ? "" : body.note().strip());
        return view(receiving.answer(id, number, body.item(), answer));
    }

    private static InspectionView view(ReceivingService.Inspection i) {
        Checklist.Verdict v = i.verdict();
        return new InspectionView(
                !v.wrong().isEmpty() ? "bad" : v.open() > 0 ? "open" : "good",
                v.words(),
                v.open(),
                i.items().stream().map(item -> view(item, i.answers())).toList());
    }

    private static CheckItemView view(Checklist.Item item, Map<String, Answer> answers) {
        Optional<Answer> a = Optional.ofNullable(answers.get(item.id()));
        return new CheckItemView(
                item.id(),
                item.what(),
                item.expected().orElse(null),
                item.tolerance(),
                item.unit(),
                item.xMm().map(ReceivingController::nm).orElse(null),
                item.yMm().map(ReceivingController::nm).orElse(null),
                a.flatMap(Answer::measured).orElse(null),
                a.flatMap(x -> x.right(item)).orElse(null),
                a.map(Answer::note).orElse(""));
    }

    private static long nm(double mm) {
        return Math.round(mm * 1e6);
    }

    /** Where a photograph lies, told from clicked places; nothing of it is kept. */
    @PostMapping("/photo-fit")
    FitView fit(@PathVariable long id, @RequestBody SaidPairs body) {
        List<Perspective.Pair> pairs =
                (body.pairs() == null ? List.<PairView>of() : body.pairs())
                        .stream()
                                .map(
                                        p ->
                                                new Perspective.Pair(
                                                        p.photoX(),
                                                        p.photoY(),
                                                        p.x() / 1e6,
                                                        p.y() / 1e6))
                                .toList();
        try {
            Perspective p = Perspective.of(pairs);
            List<Double> m = p.toBoard();
            List<Double> nm =
                    List.of(
                            m.get(0) * 1e6,
                            m.get(1) * 1e6,
                            m.get(2) * 1e6,
                            m.get(3) * 1e6,
                            m.get(4) * 1e6,
                            m.get(5) * 1e6,
                            m.get(6),
                            m.get(7),
                            m.get(8));
            return new FitView(nm, p.worstMm());
        } catch (IllegalArgumentException e) {
            throw new RefusedException(e.getMessage());
        }
    }
}
