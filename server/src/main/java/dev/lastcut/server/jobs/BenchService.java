package dev.lastcut.server.jobs;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.milling.level.ProbeGrid;
import dev.lastcut.core.milling.level.Surface;
import dev.lastcut.core.milling.link.BenchMill;
import dev.lastcut.core.milling.link.MillLink;
import dev.lastcut.core.milling.link.Restart;
import dev.lastcut.core.milling.link.Sender;
import dev.lastcut.core.milling.rehearsal.Rehearsal;
import dev.lastcut.core.milling.rehearsal.Script;
import dev.lastcut.core.milling.rs274.ProgramError;
import dev.lastcut.server.jobs.MillService.OnMill;
import jakarta.annotation.PreDestroy;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;

/**
 * The mill on the bench: a session for each job, driven through {@link MillLink}. Time on the
 * stand-in passes here, as much faster than life as asked for.
 */
@Service
public class BenchService {
    private static final Logger LOG = LoggerFactory.getLogger(BenchService.class);
    private static final int TICK_MS = 40;
    private static final double SLICE_S = 0.2;
    private static final int MOST_SESSIONS = 8;

    /** A program as it is being run. */
    private static final class Session {
        final OnMill on;
        final Side side;
        final boolean warped;
        final BenchMill mill;
        double speed = 10;
        Script script;
        List<String> lines = List.of();
        Sender sender;
        int stoppedAt;
        boolean probing;
        Optional<ProbeGrid> grid = Optional.empty();

        Session(OnMill on, Side side, boolean warped) {
            Surface surface = warped ? MillService.WARPED : Surface.FLAT;
            this.on = on;
            this.side = side;
            this.warped = warped;
            this.mill =
                    new BenchMill(on.mill(), on.setup().inStockX(), on.setup().inStockY(), surface);
        }
    }

    private final MillService mills;
    private final Map<Long, Session> sessions = new HashMap<>();
    private final ScheduledExecutorService clock = Executors.newSingleThreadScheduledExecutor();

    BenchService(MillService mills) {
        this.mills = mills;
        clock.scheduleAtFixedRate(this::tick, TICK_MS, TICK_MS, TimeUnit.MILLISECONDS);
    }

    @PreDestroy
    void close() {
        clock.shutdownNow();
    }

    private void tick() {
        List<Session> running;
        synchronized (this) {
            running = List.copyOf(sessions.values());
        }
        for (Session s : running) {
            try {
                synchronized (s) {
                    pass(s, s.speed * TICK_MS / 1000);
                }
            } catch (RuntimeException e) {
                // The clock must not stop for the others.
                LOG.error("The bench mill failed", e);
                s.mill.stop();
            }
        }
    }

    /** Lets seconds pass, in slices, so that the mill never runs dry; not longer than a tick. */
    private static void pass(Session s, double seconds) {
        long until = System.nanoTime() + TICK_MS * 1_000_000L * 3 / 4;
        double left = seconds;
        do {
            if (s.sender != null) {
                s.sender.pump();
            }
            double slice = Math.min(left, SLICE_S);
            s.mill.advance(slice);
            left -= slice;
        } while (left > 0
                && s.mill.status().state() == MillLink.State.RUNNING
                && System.nanoTime() < until);
        if (s.sender != null) {
            s.sender.pump();
        }
        collect(s);
    }

    private static void collect(Session s) {
        if (s.mill.status().state() == MillLink.State.RUNNING && s.sender != null) {
            s.stoppedAt = s.sender.lineOfProgram() + 1;
        }
    }

    /** Takes a fresh stock, {@code flat} or {@code warped}, and lays it with a side up. */
    public synchronized void begin(long id, String side, String stock) {
        OnMill on = mills.onMill(id);
        if (sessions.size() >= MOST_SESSIONS && !sessions.containsKey(id)) {
            sessions.remove(sessions.keySet().iterator().next());
        }
        Side up = "bottom".equals(side) ? Side.BOTTOM : Side.TOP;
        sessions.put(id, new Session(on, up, "warped".equals(stock)));
    }

    private Session session(long id) {
        Session s;
        synchronized (this) {
            s = sessions.get(id);
        }
        if (s == null) {
            throw new RefusedException("Lay a stock on the bench mill first.");
        }
        return s;
    }

    /**
     * How the bench mill stands for a job.
     *
     * @param x of the tool in the pack's coordinates, nm
     * @param z of the tool in program coordinates, nm
     * @param asked number of the tool the program asks for, 0 when none
     * @param fitted number of the tool in the spindle
     * @param stoppedAt the line a stop came in, 0 when none
     */
    public record BenchView(
            boolean present,
            String side,
            boolean warped,
            String state,
            double x,
            double y,
            double z,
            boolean spindle,
            String program,
            int line,
            int lines,
            String text,
            int asked,
            int fitted,
            String message,
            int touches,
            double speed,
            int stoppedAt,
            boolean done,
            boolean probing) {}

    public BenchView view(long id) {
        Session s;
        synchronized (this) {
            s = sessions.get(id);
        }
        if (s == null) {
            return new BenchView(
                    false, "", false, "idle", 0, 0, 0, false, "", 0, 0, "", 0, 0, "", 0, 1, 0,
                    false, false);
        }
        synchronized (s) {
            MillLink.Status now = s.mill.status();
            var to = s.on.toPack(s.side);
            int line = s.sender == null ? 0 : s.sender.lineOfProgram();
            String text = line >= 1 && line <= s.lines.size() ? s.lines.get(line - 1) : "";
            boolean broke =
                    now.state() == MillLink.State.STOPPED || now.state() == MillLink.State.ALARM;
            return new BenchView(
                    true,
                    s.side.word(),
                    s.warped,
                    now.state().name().toLowerCase(Locale.ROOT),
                    to.packX(now.x() * 1e6),
                    to.packY(now.y() * 1e6),
                    now.z() * 1e6,
                    now.spindle(),
                    s.sender == null ? "" : s.sender.name(),
                    line,
                    s.lines.size(),
                    text,
                    now.asked(),
                    s.mill.fitted(),
                    now.message(),
                    now.touches().size(),
                    s.speed,
                    broke && s.sender != null && !s.sender.isDone() ? s.stoppedAt : 0,
                    s.sender != null && s.sender.isDone(),
                    s.probing);
        }
    }

    /** How many steps the mill has done on this stock. */
    public int steps(long id) {
        return session(id).mill.doneCount();
    }

    /** The places the cutter went since a step, for drawing: x, y, depth of the tip, nm. */
    public double[] trail(long id, int from) {
        Session s = session(id);
        var to = s.on.toPack(s.side);
        var done = s.mill.doneFrom(from, 5_000);
        double[] trail = new double[done.size() * 4];
        for (int i = 0; i < done.size(); i++) {
            var p = done.get(i).to();
            double height = s.mill.surface().heightAt(p.x() * 1e6, p.y() * 1e6);
            int at = i * 4;
            trail[at] = to.packX(p.x() * 1e6);
            trail[at + 1] = to.packY(p.y() * 1e6);
            trail[at + 2] = height - p.z() * 1e6;
            trail[at + 3] = done.get(i).tool();
        }
        return trail;
    }

    public void fit(long id, int tool) {
        Session s = session(id);
        if (tool < 0 || tool > s.on.mill().rack().size()) {
            throw new RefusedException("The rack has no tool " + tool + ".");
        }
        synchronized (s) {
            try {
                s.mill.fit(tool);
            } catch (IllegalStateException e) {
                throw new RefusedException("Hold or stop first: " + e.getMessage() + ".");
            }
        }
    }

    public void speed(long id, double speed) {
        if (!(speed >= 1 && speed <= 10_000)) {
            throw new RefusedException("The bench mill runs 1 to 10,000 times as fast as life.");
        }
        session(id).speed = speed;
    }

    /** Lowers the tool onto the stock where it stands and makes that z zero, then raises it. */
    public void touchOff(long id) {
        Session s = session(id);
        synchronized (s) {
            requireRest(s);
            boolean waiting = s.mill.status().state() == MillLink.State.WAITING;
            if (waiting) {
                s.mill.touchOff();
                return;
            }
            s.sender = null;
            double up = s.on.mill().cutting().safeHeight() / 1e6;
            for (String line :
                    List.of("G21 G90 G94", "G53 G0 Z15", "G0 X0 Y0", "G38.2 Z-40 F200")) {
                sendNow(s, line);
            }
            // The new origin is where the probe touched, in the old origin's numbers.
            sendNow(s, "G10 L2 P1 Z[#5223+#5063]");
            sendNow(s, String.format(Locale.ROOT, "G0 Z%.3f", up));
            s.mill.rewind();
        }
    }

    private static void sendNow(Session s, String line) {
        if (s.mill.send(line) != MillLink.Answer.OK) {
            throw new RefusedException("The mill refuses: " + s.mill.status().message());
        }
        for (int i = 0; i < 600 && s.mill.status().state() == MillLink.State.RUNNING; i++) {
            s.mill.advance(1);
        }
        if (s.mill.status().state() == MillLink.State.ALARM) {
            throw new RefusedException(s.mill.status().message());
        }
    }

    private static void requireRest(Session s) {
        MillLink.State state = s.mill.status().state();
        if (state != MillLink.State.IDLE && state != MillLink.State.WAITING) {
            throw new RefusedException(
                    "The mill is " + state.name().toLowerCase(Locale.ROOT) + ": reset it first.");
        }
    }

    /** Sends one of the plan's programs, levelled where the side was probed. */
    public void run(long id, String file) {
        Session s = session(id);
        Script script =
                Rehearsal.scripts(mills.onMill(id).plan(), mills.heights(id)).stream()
                        .filter(p -> p.name().equals(file))
                        .findFirst()
                        .orElseThrow(() -> new NotFoundException("There is no program " + file));
        synchronized (s) {
            if (script.side() != s.side) {
                throw new RefusedException(
                        file
                                + " is for the "
                                + script.side().word()
                                + ", but the stock lies with"
                                + " its "
                                + s.side.word()
                                + " up. Lay it the other way.");
            }
            requireRest(s);
            s.mill.reset();
            s.script = script;
            s.probing = false;
            start(s, file, List.of(script.text().split("\\R")), List.of(), 1);
        }
    }

    /** Probes the stock over the board. */
    public void probe(long id) {
        Session s = session(id);
        synchronized (s) {
            requireRest(s);
            s.mill.reset();
            s.probing = true;
            s.grid = Optional.of(ProbeGrid.over(s.on.plan().extent()));
            List<String> lines = List.of(s.grid.get().program().split("\\R"));
            start(s, "probing", lines, List.of(), 1);
        }
    }

    private static void start(
            Session s, String name, List<String> lines, List<String> leadIn, int from) {
        List<String> send = new ArrayList<>(leadIn);
        send.addAll(lines.subList(from - 1, lines.size()));
        s.lines = lines;
        s.sender = new Sender(s.mill, name, send, from - leadIn.size());
        s.stoppedAt = 0;
        s.sender.pump();
    }

    /** Takes the measured points over as the side's surface. */
    public void keepProbed(long id, Optional<Integer> base) {
        Session s = session(id);
        synchronized (s) {
            ProbeGrid grid =
                    s.grid.orElseThrow(() -> new RefusedException("Nothing was probed yet."));
            StringBuilder points = new StringBuilder();
            for (double[] t : s.mill.status().touches()) {
                points.append(String.format(Locale.ROOT, "%.4f %.4f %.4f%n", t[0], t[1], t[2]));
            }
            mills.keepProbed(id, base, s.side, grid, points.toString());
        }
    }

    public void hold(long id) {
        session(id).mill.hold();
    }

    public void resume(long id) {
        session(id).mill.resume();
    }

    public void stop(long id) {
        Session s = session(id);
        synchronized (s) {
            collect(s);
            s.mill.stop();
        }
    }

    public void reset(long id) {
        Session s = session(id);
        synchronized (s) {
            s.mill.reset();
            s.sender = null;
        }
    }

    /** Goes on with the program that was stopped, from the path it was stopped in. */
    public void restart(long id) {
        Session s = session(id);
        synchronized (s) {
            if (s.sender == null || s.stoppedAt == 0) {
                throw new RefusedException("No program was stopped.");
            }
            double top = s.script == null ? 0 : s.script.zero() / 1e6;
            double safe = top + s.on.mill().cutting().safeHeight() / 1e6;
            try {
                Restart.Point p = Restart.of(s.lines, s.stoppedAt, top, safe, s.on.mill());
                s.mill.reset();
                start(s, s.sender.name(), s.lines, p.leadIn(), p.line());
            } catch (ProgramError e) {
                throw new RefusedException("Line " + e.line() + ": " + e.getMessage() + ".");
            }
        }
    }

    /** What became of the stock. */
    public Rehearsal look(long id) {
        Session s = session(id);
        Script script =
                s.script != null ? s.script : new Script("", "", s.side, s.on.toPack(s.side), 0, 0);
        return Rehearsal.ofDone(
                s.on.geometry(),
                s.on.mill(),
                s.on.setup(),
                script,
                s.mill.done(),
                s.mill.surface());
    }
}
