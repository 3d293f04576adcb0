package dev.lastcut.core.check.run;

import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.CheckMemory;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.check.copper.ClearanceRule;
import dev.lastcut.core.check.copper.CopperIslandRule;
import dev.lastcut.core.check.copper.CopperSliverRule;
import dev.lastcut.core.check.copper.CopperToEdgeRule;
import dev.lastcut.core.check.copper.CopperToHoleRule;
import dev.lastcut.core.check.copper.CurrentRule;
import dev.lastcut.core.check.copper.OpenRule;
import dev.lastcut.core.check.copper.OutlineOnCopperRule;
import dev.lastcut.core.check.copper.PlaneCutRule;
import dev.lastcut.core.check.copper.PourCoversTrackRule;
import dev.lastcut.core.check.copper.ShortRule;
import dev.lastcut.core.check.copper.StubRule;
import dev.lastcut.core.check.copper.TrackWidthRule;
import dev.lastcut.core.check.files.FileUnassignedRule;
import dev.lastcut.core.check.files.LayerCountRule;
import dev.lastcut.core.check.files.LayerDuplicateRule;
import dev.lastcut.core.check.files.LayerEmptyRule;
import dev.lastcut.core.check.files.LayerMissingRule;
import dev.lastcut.core.check.files.MisregisteredRule;
import dev.lastcut.core.check.holes.AnnularRingRule;
import dev.lastcut.core.check.holes.AspectRatioRule;
import dev.lastcut.core.check.holes.HoleDuplicateRule;
import dev.lastcut.core.check.holes.HoleSizeRule;
import dev.lastcut.core.check.holes.HoleSpacingRule;
import dev.lastcut.core.check.holes.HoleToEdgeRule;
import dev.lastcut.core.check.holes.HoleWithoutPadRule;
import dev.lastcut.core.check.holes.PadWithoutHoleRule;
import dev.lastcut.core.check.holes.PlatingUnsupportedRule;
import dev.lastcut.core.check.holes.SlotWidthRule;
import dev.lastcut.core.check.mask.MaskDamRule;
import dev.lastcut.core.check.mask.MaskExpansionRule;
import dev.lastcut.core.check.mask.MaskExposesRule;
import dev.lastcut.core.check.mask.MaskMissingRule;
import dev.lastcut.core.check.mask.ViaCoverRule;
import dev.lastcut.core.check.mill.GapNotMillableRule;
import dev.lastcut.core.check.mill.InsideCornerRule;
import dev.lastcut.core.check.mill.PadNickedRule;
import dev.lastcut.core.check.mill.TrackNotSurvivingRule;
import dev.lastcut.core.check.order.CopperBalanceRule;
import dev.lastcut.core.check.order.EdgeOptionsRule;
import dev.lastcut.core.check.order.FineWorkRule;
import dev.lastcut.core.check.order.LeadedFinishRule;
import dev.lastcut.core.check.order.OrderConflictRule;
import dev.lastcut.core.check.order.OrderMarkRule;
import dev.lastcut.core.check.order.PourOnTransparentRule;
import dev.lastcut.core.check.order.ThinBoardRule;
import dev.lastcut.core.check.outline.BoardSizeRule;
import dev.lastcut.core.check.outline.OutlineCrossingRule;
import dev.lastcut.core.check.outline.OutlineDoubledRule;
import dev.lastcut.core.check.outline.OutlineMissingRule;
import dev.lastcut.core.check.outline.OutlineOpenRule;
import dev.lastcut.core.check.panel.CopperAtScoreRule;
import dev.lastcut.core.check.panel.PanelSizeRule;
import dev.lastcut.core.check.panel.PartAtBreakRule;
import dev.lastcut.core.check.panel.ScoreCrossesRule;
import dev.lastcut.core.check.panel.TabAtConnectorRule;
import dev.lastcut.core.check.parts.BodiesCollideRule;
import dev.lastcut.core.check.parts.BodyOverEdgeRule;
import dev.lastcut.core.check.parts.BodyOverHoleRule;
import dev.lastcut.core.check.parts.BreadboardPitchRule;
import dev.lastcut.core.check.parts.DecouplingRule;
import dev.lastcut.core.check.parts.FiducialsRule;
import dev.lastcut.core.check.parts.HandSolderingRule;
import dev.lastcut.core.check.parts.HeightZoneRule;
import dev.lastcut.core.check.parts.ListLimitsRule;
import dev.lastcut.core.check.parts.MachineEdgeRule;
import dev.lastcut.core.check.parts.PartDoesNotFitRule;
import dev.lastcut.core.check.parts.PartNotListedRule;
import dev.lastcut.core.check.parts.PartNotPlacedRule;
import dev.lastcut.core.check.parts.PinExpectedRule;
import dev.lastcut.core.check.parts.PinRoleSuspectRule;
import dev.lastcut.core.check.parts.PinUnconnectedRule;
import dev.lastcut.core.check.parts.PlacementOffBoardRule;
import dev.lastcut.core.check.parts.PlacementOffPadsRule;
import dev.lastcut.core.check.parts.RefdesDuplicateRule;
import dev.lastcut.core.check.parts.RotationSuspectRule;
import dev.lastcut.core.check.parts.SideConflictRule;
import dev.lastcut.core.check.parts.ValueConflictRule;
import dev.lastcut.core.check.paste.PasteMissingRule;
import dev.lastcut.core.check.paste.PasteOnHoleRule;
import dev.lastcut.core.check.paste.PasteOutsidePadRule;
import dev.lastcut.core.check.paste.StencilAreaRatioRule;
import dev.lastcut.core.check.paste.StencilAspectRule;
import dev.lastcut.core.check.paste.StencilWebRule;
import dev.lastcut.core.check.silk.SilkHeightRule;
import dev.lastcut.core.check.silk.SilkOffBoardRule;
import dev.lastcut.core.check.silk.SilkOnPadRule;
import dev.lastcut.core.check.silk.SilkWidthRule;
import dev.lastcut.core.check.strip.StripBodiesRule;
import dev.lastcut.core.check.strip.StripHolesRule;
import dev.lastcut.core.check.strip.StripLinksRule;
import dev.lastcut.core.check.strip.StripNotPlacedRule;
import dev.lastcut.core.check.strip.StripOpenRule;
import dev.lastcut.core.check.strip.StripReachRule;
import dev.lastcut.core.check.strip.StripShortRule;
import dev.lastcut.core.check.strip.StripStockRule;
import dev.lastcut.core.work.Parallel;
import dev.lastcut.core.work.WorkLimit;
import dev.lastcut.core.work.WorkLimitException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;

/**
 * Runs every rule that applies to a shop, two at a time. What did not change since an earlier run
 * on the same board is not computed again.
 */
public final class CheckRunner {
    private static final int THREADS = 2;

    /** Steps of one rule: three times what the longest takes on a board of 200,000 objects. */
    private static final long MOST_STEPS_OF_A_RULE = 3_000_000;

    private static final long MOST_STEPS = 8_000_000;

    private static final System.Logger LOG = System.getLogger(CheckRunner.class.getName());

    private static final List<Rule> RULES =
            List.of(
                    new OutlineMissingRule(),
                    new OutlineOpenRule(),
                    new OutlineDoubledRule(),
                    new OutlineCrossingRule(),
                    new FileUnassignedRule(),
                    new MisregisteredRule(),
                    new BoardSizeRule(),
                    new LayerCountRule(),
                    new LayerMissingRule(),
                    new LayerEmptyRule(),
                    new LayerDuplicateRule(),
                    new TrackWidthRule(),
                    new ClearanceRule(),
                    new CopperSliverRule(),
                    new OutlineOnCopperRule(),
                    new CopperToEdgeRule(),
                    new CopperToHoleRule(),
                    new CopperIslandRule(),
                    new ShortRule(),
                    new OpenRule(),
                    new CurrentRule(),
                    new PourCoversTrackRule(),
                    new PlaneCutRule(),
                    new StubRule(),
                    new HoleSizeRule(),
                    new SlotWidthRule(),
                    new AspectRatioRule(),
                    new AnnularRingRule(),
                    new HoleSpacingRule(),
                    new HoleToEdgeRule(),
                    new HoleDuplicateRule(),
                    new PadWithoutHoleRule(),
                    new HoleWithoutPadRule(),
                    new PlatingUnsupportedRule(),
                    new MaskMissingRule(),
                    new MaskExpansionRule(),
                    new MaskExposesRule(),
                    new MaskDamRule(),
                    new ViaCoverRule(),
                    new SilkOnPadRule(),
                    new SilkWidthRule(),
                    new SilkHeightRule(),
                    new SilkOffBoardRule(),
                    new PasteMissingRule(),
                    new PasteOutsidePadRule(),
                    new PasteOnHoleRule(),
                    new StencilAreaRatioRule(),
                    new StencilAspectRule(),
                    new StencilWebRule(),
                    new PartNotListedRule(),
                    new PartNotPlacedRule(),
                    new RefdesDuplicateRule(),
                    new ValueConflictRule(),
                    new ListLimitsRule(),
                    new PlacementOffBoardRule(),
                    new PlacementOffPadsRule(),
                    new SideConflictRule(),
                    new RotationSuspectRule(),
                    new PinUnconnectedRule(),
                    new PinExpectedRule(),
                    new PinRoleSuspectRule(),
                    new BodiesCollideRule(),
                    new BodyOverEdgeRule(),
                    new BodyOverHoleRule(),
                    new HeightZoneRule(),
                    new PartDoesNotFitRule(),
                    new DecouplingRule(),
                    new HandSolderingRule(),
                    new MachineEdgeRule(),
                    new FiducialsRule(),
                    new BreadboardPitchRule(),
                    new OrderConflictRule(),
                    new FineWorkRule(),
                    new LeadedFinishRule(),
                    new ThinBoardRule(),
                    new CopperBalanceRule(),
                    new OrderMarkRule(),
                    new EdgeOptionsRule(),
                    new PourOnTransparentRule(),
                    new PanelSizeRule(),
                    new ScoreCrossesRule(),
                    new TabAtConnectorRule(),
                    new CopperAtScoreRule(),
                    new PartAtBreakRule(),
                    new GapNotMillableRule(),
                    new TrackNotSurvivingRule(),
                    new PadNickedRule(),
                    new InsideCornerRule(),
                    new StripStockRule(),
                    new StripNotPlacedRule(),
                    new StripReachRule(),
                    new StripHolesRule(),
                    new StripBodiesRule(),
                    new StripLinksRule(),
                    new StripOpenRule(),
                    new StripShortRule());

    /** Told before each rule: how many are done, of how many, and the next one's title. */
    public interface Progress {
        void step(int done, int of, String title);
    }

    private CheckRunner() {}

    /**
     * @param cancelled asked between rules; when true, the rest is reported as not run
     */
    public static CheckRun run(CheckContext context, Progress progress, BooleanSupplier cancelled) {
        return WorkLimit.until(
                cancelled,
                () ->
                        WorkLimit.of(
                                "Checking this board",
                                MOST_STEPS,
                                () -> side(context, progress, cancelled)));
    }

    private static CheckRun side(
            CheckContext context, Progress progress, BooleanSupplier cancelled) {
        List<Rule> rules =
                RULES.stream().filter(r -> r.appliesTo(context.against().sheet())).toList();
        AtomicInteger begun = new AtomicInteger();
        List<Future<CheckRun.Result>> all = new ArrayList<>();
        ExecutorService threads = Executors.newFixedThreadPool(THREADS);
        try {
            for (Rule rule : rules) {
                all.add(
                        threads.submit(
                                Parallel.carried(
                                                () -> {
                                                    int n = begun.getAndIncrement() - THREADS + 1;
                                                    progress.step(
                                                            Math.max(0, n),
                                                            rules.size(),
                                                            rule.title());
                                                    return one(rule, context, cancelled);
                                                })
                                        ::get));
            }
            return collected(all);
        } finally {
            threads.shutdownNow();
        }
    }

    public static CheckRun run(CheckContext context) {
        return run(context, (done, of, title) -> {}, () -> false);
    }

    private static CheckRun collected(List<Future<CheckRun.Result>> all) {
        List<CheckRun.Result> results = new ArrayList<>();
        Map<String, Integer> seen = new HashMap<>();
        for (Future<CheckRun.Result> f : all) {
            try {
                CheckRun.Result r = f.get();
                results.add(
                        new CheckRun.Result(
                                r.rule(), r.title(), distinct(r.outcome(), seen), r.computed()));
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new CancellationException("the check was stopped");
            } catch (ExecutionException e) {
                if (e.getCause() instanceof CancellationException cancelled) {
                    throw cancelled;
                }
                // Rules that break down are reported as not run; this is memory running out.
                throw new IllegalStateException(e.getCause());
            }
        }
        return new CheckRun(results);
    }

    private static CheckRun.Result one(Rule rule, CheckContext context, BooleanSupplier cancelled) {
        if (cancelled.getAsBoolean()) {
            return new CheckRun.Result(rule.id(), rule.title(), Outcome.notRun("cancelled"), false);
        }
        CheckMemory memory = context.geometry().once(CheckMemory.class, CheckMemory::new);
        Optional<Outcome> known = memory.find(rule.id(), context.fresh());
        if (known.isPresent()) {
            return new CheckRun.Result(rule.id(), rule.title(), known.get(), false);
        }
        CheckContext asking = context.fresh();
        Outcome outcome;
        try {
            outcome =
                    WorkLimit.of("This check", MOST_STEPS_OF_A_RULE, () -> rule.run(asking))
                            .remarked(asking.roundingRemark());
            memory.keep(rule.id(), asking, outcome);
        } catch (CancellationException e) {
            outcome = Outcome.notRun("cancelled");
        } catch (WorkLimitException e) {
            outcome = stopped(rule, e.getMessage());
        } catch (RuntimeException e) {
            // A rule that breaks down has not passed, and the others still run.
            LOG.log(System.Logger.Level.ERROR, "The check " + rule.id() + " failed", e);
            outcome = stopped(rule, "It failed inside the application: please report this board.");
        }
        return new CheckRun.Result(rule.id(), rule.title(), outcome, true);
    }

    /** A check that could not be finished must not be taken for one that found nothing. */
    private static Outcome stopped(Rule rule, String because) {
        Finding finding =
                WorkLimit.aside(
                        () ->
                                new FindingBuilder(rule.id())
                                        .severity(Severity.STOP)
                                        .say(
                                                "The check “%s” was not finished. %s Look at the board yourself and sign this off to go on."
                                                        .formatted(rule.title(), because)));
        return new Outcome(Outcome.Status.NOT_RUN, because, List.of(finding));
    }

    /** Findings of one rule in the same half millimetre get distinct ids, in a fixed order. */
    private static Outcome distinct(Outcome outcome, Map<String, Integer> seen) {
        List<Finding> findings = new ArrayList<>();
        for (Finding f : outcome.findings()) {
            int n = seen.merge(f.id(), 1, Integer::sum);
            findings.add(n == 1 ? f : f.withId(f.id() + "-" + n));
        }
        return new Outcome(outcome.status(), outcome.reason(), findings);
    }
}
