package dev.lastcut.server.api;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Exclusion;
import dev.lastcut.core.capability.Limit;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.Quote;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.CheckTarget;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.check.design.DesignClass.Smallest;
import dev.lastcut.core.check.design.DesignNumbers;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.designrules.DesignRules;
import dev.lastcut.core.designrules.DesignRulesPage;
import dev.lastcut.core.quote.JobQuote;
import dev.lastcut.core.quote.OwnWork;
import dev.lastcut.server.api.CheckController.PlaceView;
import dev.lastcut.server.jobs.CheckService;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.NotFoundException;
import dev.lastcut.server.jobs.RefusedException;
import dev.lastcut.server.report.QuoteJson;
import dev.lastcut.server.sheets.Sheets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The chosen shop's numbers and options, and all shops side by side. */
@RestController
@RequestMapping("/api/jobs/{id}")
class ShopController {
    private final JobService jobs;
    private final CheckService checks;
    private final Sheets known;

    ShopController(JobService jobs, CheckService checks, Sheets known) {
        this.known = known;
        this.jobs = jobs;
        this.checks = checks;
    }

    /**
     * A number of the chosen shop as it is for this order and headroom; lengths in nm, ratios as
     * they are. {@code varied} when an option of the order changes it.
     */
    record LimitView(
            String id,
            String title,
            boolean least,
            boolean ratio,
            double value,
            String unit,
            double amount,
            double checked,
            boolean varied,
            String source,
            String date) {}

    /** {@code refused} are options chosen before that this shop does not offer. */
    record NumbersView(List<LimitView> limits, Map<String, String> order, List<String> refused) {}

    @GetMapping("/limits")
    NumbersView limits(@PathVariable long id) {
        Optional<CheckTarget> against = jobs.against(id);
        if (against.isEmpty()) {
            return new NumbersView(List.of(), order(id), List.of());
        }
        CheckTarget a = against.get();
        int layers = jobs.board(id).board().copper().size();
        List<LimitView> limits = new ArrayList<>();
        for (LimitKey key : LimitKey.values()) {
            a.sheet().limit(key, a.order(), layers).ifPresent(l -> limits.add(view(a, key, l)));
        }
        List<String> refused = new ArrayList<>();
        a.sheet().notOffered(a.order()).forEach((o, v) -> refused.add(o.title() + " " + v));
        a.sheet().carriageNotOffered(a.order()).ifPresent(way -> refused.add("Carriage " + way));
        return new NumbersView(limits, order(id), refused);
    }

    private static LimitView view(CheckTarget a, LimitKey key, Limit l) {
        boolean varied = a.sheet().limit(key).filter(l::equals).isEmpty();
        return new LimitView(
                key.id(),
                key.title(),
                key.isLeast(),
                key.isRatio(),
                l.value(),
                l.unit(),
                l.amount(),
                a.headroom().apply(key, l.amount()),
                varied,
                l.source(),
                l.date());
    }

    /** What is chosen of the shop's options, by their ids. */
    private Map<String, String> order(long id) {
        Map<String, String> chosen = new TreeMap<>();
        jobs.ticket(id).order().chosen().forEach((o, v) -> chosen.put(o.id(), v));
        return chosen;
    }

    /** What the board itself has of a number: nm, with its place. */
    record DesignView(
            String id,
            String title,
            boolean least,
            double nm,
            String layer,
            PlaceView from,
            PlaceView to) {}

    /** What stops the board at a shop: one line for each rule. */
    record StoppedView(String rule, String title, int places, String message, PlaceView at) {}

    /** A shop; {@code limits} by number, with headroom, in nm; only those it states. */
    record ShopView(
            String sheetId,
            String name,
            boolean ran,
            long stops,
            long looks,
            Map<String, Double> limits,
            List<StoppedView> stopped,
            QuoteJson quote,
            List<BatchView> batches,
            WorkView work,
            List<String> conflicts) {}

    /** What so many boards would cost and take: money, days, and minutes of own work at a mill. */
    record BatchView(int boards, double total, String currency, int days, double minutes) {}

    /** One board's work of one's own at a mill; all 0 at a house. */
    record WorkView(
            double minutes,
            int toolChanges,
            double cutMetres,
            double wear,
            int joints,
            List<String> lacks) {
        static WorkView of(OwnWork w) {
            return new WorkView(
                    w.minutes(), w.toolChanges(), w.cutMetres(), w.wear(), w.joints(), w.lacks());
        }
    }

    /** How many boards are compared besides those ordered. */
    private static final List<Integer> BATCHES = List.of(1, 5, 10);

    record ShopsView(boolean ran, List<DesignView> design, List<ShopView> shops) {}

    /** All shops side by side; {@code ran} once the board was checked against every one. */
    @GetMapping("/shops")
    ShopsView shops(@PathVariable long id) {
        List<CheckService.AtShop> all = checks.shops(id);
        boolean ran = all.stream().allMatch(s -> s.run().isPresent() && s.work().isPresent());
        if (!ran) {
            return new ShopsView(false, List.of(), List.of());
        }
        List<DesignView> design = new ArrayList<>();
        Map<LimitKey, Smallest> own = DesignNumbers.of(jobs.board(id));
        for (LimitKey key : LimitKey.values()) {
            if (own.containsKey(key)) {
                Smallest s = own.get(key);
                design.add(
                        new DesignView(
                                key.id(),
                                key.title(),
                                key.isLeast(),
                                s.measure().nm(),
                                s.layer(),
                                PlaceView.of(s.measure().from()),
                                PlaceView.of(s.measure().to())));
            }
        }
        int layers = jobs.board(id).board().copper().size();
        return new ShopsView(true, design, all.stream().map(s -> shop(id, s, layers)).toList());
    }

    private ShopView shop(long id, CheckService.AtShop at, int layers) {
        CapabilitySheet sheet = at.against().sheet();
        Map<String, Double> limits = new HashMap<>();
        for (LimitKey key : LimitKey.values()) {
            sheet.limit(key, at.against().order(), layers)
                    .ifPresent(
                            l ->
                                    limits.put(
                                            key.id(),
                                            at.against().headroom().apply(key, l.amount())));
        }
        CheckRun run = at.run().orElseThrow();
        return new ShopView(
                sheet.id(),
                sheet.name(),
                true,
                run.count(Severity.STOP),
                run.count(Severity.LOOK),
                limits,
                stopped(run),
                quote(id, at, at.against().order()).map(QuoteJson::of).orElse(null),
                batches(id, at),
                WorkView.of(at.work().orElse(OwnWork.NONE)),
                sheet.excluded(at.against().order(), layers).stream()
                        .map(Exclusion::words)
                        .toList());
    }

    /**
     * The numbers of the named shops with the job's headroom and order, to draw the next board by.
     */
    @GetMapping(path = "/rules.txt", produces = "text/plain;charset=UTF-8")
    String rulesText(@PathVariable long id, @RequestParam List<String> shops) {
        return rules(id, shops).text();
    }

    @GetMapping(path = "/rules.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    byte[] rulesPage(@PathVariable long id, @RequestParam List<String> shops) {
        return DesignRulesPage.pdf(rules(id, shops));
    }

    private DesignRules rules(long id, List<String> shops) {
        List<CapabilitySheet> sheets =
                shops.stream()
                        .map(
                                s ->
                                        known.find(s)
                                                .orElseThrow(
                                                        () ->
                                                                new NotFoundException(
                                                                        "There is no sheet "
                                                                                + s
                                                                                + ".")))
                        .toList();
        int layers = jobs.board(id).board().copper().size();
        try {
            return DesignRules.of(
                    sheets,
                    jobs.ticket(id).order(),
                    jobs.ticket(id).headroom(),
                    Math.max(1, layers));
        } catch (IllegalArgumentException e) {
            throw new RefusedException(e.getMessage());
        }
    }

    private List<BatchView> batches(long id, CheckService.AtShop at) {
        OwnWork work = at.work().orElse(OwnWork.NONE);
        List<BatchView> all = new ArrayList<>();
        for (int n : BATCHES) {
            quote(id, at, at.against().order().of(n))
                    .ifPresent(
                            q ->
                                    all.add(
                                            new BatchView(
                                                    n,
                                                    q.total(),
                                                    q.currency(),
                                                    q.days(),
                                                    n * work.minutes())));
        }
        return all;
    }

    /** Empty where nobody knows the board's size. */
    private Optional<Quote> quote(long id, CheckService.AtShop at, Order order) {
        BoardGeometry board = jobs.board(id);
        return JobQuote.of(
                board,
                at.against().sheet(),
                order,
                at.against().parts(),
                at.against().panel().flatMap(p -> p.on(board).panel()));
    }

    /** What the order costs at each shop, without any check. */
    record QuotedView(String sheetId, QuoteJson quote) {}

    /** Every shop's price of this order; a shop that cannot tell it has none. */
    @GetMapping("/quotes")
    List<QuotedView> quotes(@PathVariable long id) {
        return checks.shops(id).stream()
                .map(
                        s ->
                                new QuotedView(
                                        s.against().sheet().id(),
                                        quote(id, s, s.against().order())
                                                .map(QuoteJson::of)
                                                .orElse(null)))
                .toList();
    }

    private static List<StoppedView> stopped(CheckRun run) {
        List<StoppedView> stopped = new ArrayList<>();
        for (CheckRun.Result r : run.results()) {
            List<Finding> stops =
                    r.outcome().findings().stream()
                            .filter(f -> f.severity() == Severity.STOP)
                            .toList();
            if (!stops.isEmpty()) {
                stopped.add(
                        new StoppedView(
                                r.rule(),
                                r.title(),
                                stops.size(),
                                stops.get(0).message(),
                                PlaceView.of(stops.get(0).at())));
            }
        }
        return stopped;
    }
}
