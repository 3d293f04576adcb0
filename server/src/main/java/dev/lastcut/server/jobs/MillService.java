package dev.lastcut.server.jobs;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.milling.CutterChoice;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.milling.MillingPlan;
import dev.lastcut.core.milling.ProgramToBoardTransform;
import dev.lastcut.core.milling.level.HeightMap;
import dev.lastcut.core.milling.level.ProbeGrid;
import dev.lastcut.core.milling.level.ProbeTable;
import dev.lastcut.core.milling.level.Surface;
import dev.lastcut.core.milling.rehearsal.Rehearsal;
import dev.lastcut.core.milling.rehearsal.Script;
import dev.lastcut.core.ticket.ProbedSurface;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.server.work.Task;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;

/** A job on a mill: sets of cutters side by side, and rehearsals. */
@Service
public class MillService {
    /** A stock that is warped by ±0.3 mm, to see what levelling is for; nm. */
    public static final Surface WARPED =
            (x, y) -> 300_000 * Math.sin(x / 19e6 + 0.6) * Math.cos(y / 23e6 + 0.4);

    private static final int MOST_SETS = 12;

    private final JobService jobs;
    private final ChoiceService choices;
    private final ResultCache<CutterChoice> sets = new ResultCache<>(60);
    private final ResultCache<Rehearsal> rehearsals = new ResultCache<>(6);

    MillService(JobService jobs, ChoiceService choices) {
        this.jobs = jobs;
        this.choices = choices;
    }

    /** A job's board on its mill. */
    public record OnMill(
            JobSnapshot moment,
            BoardGeometry geometry,
            Mill mill,
            MillSetup setup,
            String millName) {
        public MillingPlan plan() {
            return MillingPlan.of(geometry, mill, setup);
        }

        public ProgramToBoardTransform toPack(Side side) {
            return ProgramToBoardTransform.seenFrom(side, setup.turnedOver(), plan().extent());
        }
    }

    public OnMill onMill(long id) {
        JobSnapshot now = jobs.now(id);
        var sheet = JobService.requireMill(now);
        Mill mill = sheet.mill().orElseThrow();
        return new OnMill(now, jobs.board(now), mill, now.ticket().mill(), sheet.name());
    }

    /** What was measured on a side, read anew so that its problems are told again. */
    public Optional<ProbeTable.Reading> reading(long id, Side side) {
        return Optional.ofNullable(jobs.ticket(id).probed().get(side)).map(ProbedSurface::reading);
    }

    public Map<Side, HeightMap> heights(long id) {
        return Ticket.heights(jobs.ticket(id).probed());
    }

    /**
     * Keeps measured points.
     *
     * @throws RefusedException when they make no surface; nothing is changed then
     */
    public void keepProbed(
            long id, Optional<Integer> base, Side side, ProbeGrid grid, String points) {
        ProbedSurface surface = new ProbedSurface(grid, points);
        if (surface.map().isEmpty()) {
            throw new RefusedException(String.join(" ", surface.reading().problems()));
        }
        choices.choose(id, base, t -> t.withProbed(side, Optional.of(surface)));
    }

    public void forgetProbed(long id, Optional<Integer> base, Side side) {
        choices.choose(id, base, t -> t.withProbed(side, Optional.empty()));
    }

    /** What a set's result is made of besides the ticket. */
    private record SetOf(Object board, Mill mill, List<String> tools) {}

    private static SetOf of(OnMill on, List<String> tools) {
        return new SetOf(on.moment.board(), on.mill, tools);
    }

    /** The sets held side by side: the found one, the chosen one, and each tool alone. */
    public List<List<String>> sets(OnMill on) {
        Set<List<String>> sets = new LinkedHashSet<>();
        sets.add(List.of());
        if (!on.setup.tools().isEmpty()) {
            sets.add(on.setup.tools());
        }
        for (Cutter c : on.mill.isolationTools()) {
            sets.add(List.of(c.id()));
        }
        return sets.stream().limit(MOST_SETS).toList();
    }

    /** What a set makes of the board, if it was looked at already. */
    public Optional<CutterChoice> choice(OnMill on, List<String> tools) {
        return sets.peek(of(on, tools), on.moment.ticket());
    }

    /** Looks at every set. */
    public void compare(long id, Task task) {
        OnMill on = onMill(id);
        List<List<String>> sets = sets(on);
        for (int i = 0; i < sets.size() && !task.isCancelled(); i++) {
            List<String> tools = sets.get(i);
            String what = tools.isEmpty() ? "the coarsest set that does" : String.join(", ", tools);
            task.progress(i, sets.size(), "trying " + what);
            this.sets.get(
                    of(on, tools),
                    on.moment.ticket(),
                    asking ->
                            CutterChoice.of(
                                    on.geometry,
                                    on.mill,
                                    asking.ask(t -> t.mill().withTools(tools))));
        }
    }

    /**
     * What to rehearse.
     *
     * @param pasted text of a program; empty for the plan's own programs
     * @param side the pasted program is for
     * @param tool number of the tool in the spindle for it, 0 when it says
     * @param stock {@code flat}, {@code measured} or {@code warped}
     */
    public record Wish(String pasted, String side, int tool, String stock) {
        public Wish {
            pasted = pasted == null ? "" : pasted;
            stock = stock == null ? "flat" : stock;
            side = side == null ? "top" : side;
        }
    }

    /** What a rehearsal is made of besides the ticket. */
    private record RehearsalOf(Object board, Mill mill, Wish wish) {}

    private static RehearsalOf of(OnMill on, Wish wish) {
        return new RehearsalOf(on.moment.board(), on.mill, wish);
    }

    public Optional<Rehearsal> rehearsal(long id, Wish wish) {
        OnMill on = onMill(id);
        return rehearsals.peek(of(on, wish), on.moment.ticket());
    }

    /** Rehearses; the result is kept for {@link #rehearsal}. */
    public void rehearse(long id, Wish wish, Task task) {
        OnMill on = onMill(id);
        task.progress(0, 2, "planning the programs");
        rehearsals.get(
                of(on, wish),
                on.moment.ticket(),
                asking -> {
                    Map<Side, HeightMap> heights = Ticket.heights(asking.ask(Ticket::probed));
                    asking.ask(Ticket::mill);
                    return rehearsal(on, wish, heights, task);
                });
    }

    private static Rehearsal rehearsal(
            OnMill on, Wish wish, Map<Side, HeightMap> heights, Task task) {
        List<Script> scripts =
                wish.pasted.isBlank()
                        ? Rehearsal.scripts(on.plan(), heights)
                        : List.of(pasted(on, wish));
        if (scripts.isEmpty()) {
            throw new RefusedException("There is no program to rehearse: nothing can be milled.");
        }
        task.progress(1, 2, "running the programs");
        return Rehearsal.run(
                on.geometry,
                on.mill,
                on.setup,
                scripts,
                surface(wish.stock, heights, scripts.get(0).side()),
                task::isCancelled);
    }

    private static Script pasted(OnMill on, Wish wish) {
        Side side = "bottom".equals(wish.side) ? Side.BOTTOM : Side.TOP;
        return new Script("pasted program", wish.pasted, side, on.toPack(side), 0, wish.tool);
    }

    private static Surface surface(String stock, Map<Side, HeightMap> heights, Side side) {
        return switch (stock) {
            case "flat" -> Surface.FLAT;
            case "warped" -> WARPED;
            case "measured" -> {
                HeightMap map = heights.get(side);
                if (map == null) {
                    throw new RefusedException(
                            "The "
                                    + side.word()
                                    + " was not probed yet: rehearse on a flat stock,"
                                    + " or probe it first.");
                }
                yield map;
            }
            default -> throw new RefusedException("There is no stock '" + stock + "'.");
        };
    }
}
