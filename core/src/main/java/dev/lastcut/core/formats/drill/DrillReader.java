package dev.lastcut.core.formats.drill;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Problem.Code;
import dev.lastcut.core.board.Span;
import dev.lastcut.core.formats.ProblemLog;
import dev.lastcut.core.formats.Texts;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.work.WorkLimit;
import dev.lastcut.core.work.WorkLimitException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads a drill file of any common dialect. Bad lines are reported and skipped, never thrown. */
public final class DrillReader {
    private static final int MOST_HOLES = 50_000;
    private static final int MOST_REPEATS = 10_000;
    private static final int LONGEST_LINE = 10_000;
    private static final Pattern TOOL =
            Pattern.compile("T0*(\\d{1,6})(?:[A-BD-Z][-+.\\d]*)*(?:C([.\\d]+))?.*");
    private static final Pattern MOVE =
            Pattern.compile(
                    "(?:X([-+.\\d]+))?(?:Y([-+.\\d]+))?(?:A([-+.\\d]+))?(?:I([-+.\\d]+))?(?:J([-+.\\d]+))?");
    private static final Pattern SLOT =
            Pattern.compile("((?:X[-+.\\d]+)?(?:Y[-+.\\d]+)?)G85((?:X[-+.\\d]+)?(?:Y[-+.\\d]+)?)");
    private static final Pattern REPEAT =
            Pattern.compile("R(\\d{1,6})(?:X([-+.\\d]+))?(?:Y([-+.\\d]+))?");
    private static final Pattern NUMBER_FORMAT = Pattern.compile("(0{1,6})\\.(0{1,6})");
    private static final Pattern COMMENT_FORMAT =
            Pattern.compile("(?i).*\\bformat\\b\\D*(\\d)\\s*[.:]\\s*(\\d).*");

    private final ProblemLog log;
    private static final Pattern TOOL_COMMENT =
            Pattern.compile(
                    "(?i).*\\bT(?:ool)?\\s*0*(\\d{1,3})\\b\\D*?(\\d*\\.?\\d+)\\s*(mm|mils?|inch|in|\")(?:\\W.*|$)");
    private static final int MOST_REMARKS = 20;

    /** {@code Plated,1,4,PTH}: the second number is the layer where the holes end. */
    private static final Pattern LAYERS = Pattern.compile("ated,\\d{1,2},(\\d{1,2})");

    /** Ends that are so near are one place. */
    private static final double CLOSED_NM = 50_000;

    private final DrillFormat assumed;
    private final boolean forced;
    private DrillFormat format;
    private boolean unitStated;
    private boolean zerosStated;
    private boolean anyPoint;
    private int mostDecimals;
    private int leastDecimals = Integer.MAX_VALUE;
    private boolean anyEndingInZero;
    private final List<String> remarks = new ArrayList<>();
    private final Map<Integer, Long> diameters = new HashMap<>();
    private final Map<Integer, Boolean> toolPlated = new HashMap<>();
    private final Map<Integer, DrillTool> known;
    private final List<Hit> hits = new ArrayList<>();
    private final List<DrillRoute> routes = new ArrayList<>();
    private List<Segment> path = new ArrayList<>();
    private int pathStart;
    private Optional<Boolean> plated = Optional.empty();
    private Boolean nextToolPlated;
    private int tool = -1;
    private Pt at = Pt.ORIGIN;
    private Pt lastHit = Pt.ORIGIN;
    private boolean routing;
    private boolean plunged;
    private int interpolation = 1;
    private boolean incremental;
    private Span span = Span.THROUGH;
    private boolean spanStated;
    private int deepest;
    private Pt zero = Pt.ORIGIN;
    private int patternStart = -1;
    private int patternEnd = -1;
    private Pt patternShift = Pt.ORIGIN;
    private boolean recognised;
    private boolean headerSeen;
    private boolean ended;
    private int line;

    /**
     * A hole as it stands in the file.
     *
     * @param diameterNm 0 while its tool has no size
     */
    private record Hit(Pt from, Pt to, int tool, long diameterNm, int line, Span span) {}

    private DrillReader(
            ProblemLog log, DrillFormat format, boolean forced, Map<Integer, DrillTool> known) {
        this.log = log;
        this.known = known;
        this.assumed = format;
        this.forced = forced;
        this.format = format;
    }

    public static DrillFile read(String file, byte[] content) {
        return read(file, content, Optional.empty());
    }

    /**
     * @param assumed the number format to take where the file states none
     */
    public static DrillFile read(String file, byte[] content, Optional<DrillFormat> assumed) {
        return read(file, content, assumed, Map.of());
    }

    /**
     * @param assumed the number format to take where the file states none
     * @param known the tools as another file states them, by number, for those the file does not
     */
    public static DrillFile read(
            String file,
            byte[] content,
            Optional<DrillFormat> assumed,
            Map<Integer, DrillTool> known) {
        DrillFormat format = assumed.orElse(DrillFormat.METRIC);
        return new DrillReader(new ProblemLog(file), format, false, known).whole(content);
    }

    /**
     * Reads with the given unit and number format, whatever the file says: its header may be wrong.
     */
    public static DrillFile readAs(
            String file, byte[] content, DrillFormat format, Map<Integer, DrillTool> known) {
        return new DrillReader(new ProblemLog(file), format, true, known).whole(content);
    }

    private DrillFile whole(byte[] content) {
        run(Texts.decode(content));
        return finish();
    }

    private void run(String text) {
        for (String raw : text.split("\r\n|\n|\r", -1)) {
            line++;
            String s = raw.strip();
            // Files put together hold a header for each.
            ended &= !s.equalsIgnoreCase("M48");
            if (s.isEmpty() || ended) {
                continue;
            }
            if (s.length() > LONGEST_LINE) {
                log.add(Code.LIMIT, line, "a line of " + s.length() + " characters", "skipped");
                continue;
            }
            try {
                if (s.startsWith(";")) {
                    comment(s.substring(1).strip());
                } else if (!command(s.toUpperCase(Locale.ROOT).replace(" ", ""))) {
                    log.add(
                            Code.UNKNOWN_COMMAND,
                            line,
                            "expected a drill command but found '" + s + "'",
                            "skipped");
                }
            } catch (IllegalArgumentException e) {
                log.add(Code.BAD_NUMBER, line, "in '" + s + "': " + e.getMessage(), "skipped");
            }
        }
    }

    private DrillFile finish() {
        endPath();
        List<Hole> holes = holes();
        Map<Integer, List<Hole>> unsized = unsized();
        if (recognised && !ended) {
            log.add(
                    Code.TRUNCATED,
                    line,
                    "the file has no end command (M30): it may have been cut off",
                    "everything up to here was read; compare the hole count with the original");
        }
        boolean stated = forced || (unitStated && (anyPoint || zerosStated));
        if (recognised && !stated && !hits.isEmpty()) {
            log.add(
                    Code.FORMAT_GUESSED,
                    1,
                    headerSeen
                            ? "the number format is not stated"
                            : "there is no header: unit and number format are not stated",
                    "read as " + format.words());
        }
        Set<Boolean> kinds = new HashSet<>(toolPlated.values());
        known.forEach(
                (code, t) -> {
                    if (hits.stream().anyMatch(h -> h.tool == code)) {
                        t.plated().ifPresent(kinds::add);
                    }
                });
        return new DrillFile(
                holes,
                plated.or(() -> kinds.size() == 1 ? kinds.stream().findFirst() : Optional.empty()),
                format,
                stated,
                format.nmPerUnit() / Math.pow(10, anyPoint ? decimals() : format.decimals()),
                remarks,
                kinds.size() > 1,
                log.problems(),
                recognised,
                unsized,
                routes,
                spanStated,
                deepest);
    }

    /** Holes whose tool has a size, wherever in the file that stands. */
    private List<Hole> holes() {
        List<Hole> all = new ArrayList<>();
        for (Hit h : hits) {
            long size = size(h);
            if (size > 0) {
                all.add(hole(h, size));
            }
        }
        return all;
    }

    private long size(Hit h) {
        if (h.diameterNm > 0) {
            return h.diameterNm;
        }
        Long late = diameters.get(h.tool);
        DrillTool other = known.get(h.tool);
        return late != null ? late : other == null ? 0 : other.diameterNm();
    }

    private Hole hole(Hit h, long size) {
        Boolean own = toolPlated.get(h.tool);
        Optional<Boolean> other = Optional.ofNullable(known.get(h.tool)).flatMap(DrillTool::plated);
        boolean isPlated = own != null ? own : other.or(() -> plated).orElse(true);
        return new Hole(h.from, h.to, size, isPlated, log.file(), h.line, h.span);
    }

    /** By tool, the holes of which no size is known; each has the diameter 0. */
    private Map<Integer, List<Hole>> unsized() {
        Map<Integer, List<Hole>> all = new TreeMap<>();
        for (Hit h : hits) {
            if (size(h) == 0) {
                all.computeIfAbsent(h.tool, k -> new ArrayList<>()).add(hole(h, 0));
            }
        }
        all.forEach(
                (code, own) ->
                        log.add(
                                Code.UNDEFINED_TOOL,
                                own.get(0).line(),
                                code < 0
                                        ? own.size() + " holes before any tool was chosen"
                                        : "tool T" + code + " has no diameter",
                                "its holes (" + own.size() + ") wait until their size is known"));
        return all;
    }

    /**
     * The decimals its numbers are rounded to. Where every number has the same and zeros at the end
     * are written, they are what is written; where zeros are left out, 68.8 may be 68.800, and a
     * file is taken to be as fine as is usual (1 µm, 0.1 mil; common practice, no source).
     */
    private int decimals() {
        boolean fixed = anyEndingInZero && leastDecimals == mostDecimals;
        return fixed ? mostDecimals : Math.max(mostDecimals, format.metric() ? 3 : 4);
    }

    private void comment(String c) {
        int mark = c.indexOf("#@!");
        String body = mark >= 0 ? c.substring(mark + 3).strip() : c;
        if (body.startsWith("TF.FileFunction")) {
            recognised = true;
            spanStated = true;
            Matcher layers = LAYERS.matcher(body);
            deepest = layers.find() ? Integer.parseInt(layers.group(1)) : 0;
            span = Span.of(body.substring(body.indexOf(',') + 1));
            String lower = body.toLowerCase(Locale.ROOT);
            if (lower.contains("nonplated")) {
                plated = Optional.of(false);
            } else if (lower.contains("plated") && !lower.contains("mixed")) {
                plated = Optional.of(true);
            }
        } else if (body.startsWith("TA.AperFunction")) {
            nextToolPlated = !body.toLowerCase(Locale.ROOT).contains("nonplated");
        } else if (body.startsWith("TD")) {
            nextToolPlated = null;
        } else if (mark < 0) {
            if (remarks.size() < MOST_REMARKS && !c.isEmpty()) {
                remarks.add(c);
            }
            plainComment(c);
        }
    }

    /** Habits of comments that say what the header does not: number format, plating of tools. */
    private void plainComment(String c) {
        Matcher m = COMMENT_FORMAT.matcher(c);
        if (m.matches() && !forced) {
            digits(Integer.parseInt(m.group(1)), Integer.parseInt(m.group(2)));
            zerosStated = true;
        }
        toolComment(c);
        String lower = c.toLowerCase(Locale.ROOT).replaceAll("[-_]+", " ");
        if (lower.matches(
                ".*(\\b(non|un|not) ?plated\\b|\\bnpth\\b|\\bplating\\W+(none|no|off)\\b).*")) {
            nextToolPlated = false;
        } else if (lower.matches(".*\\b(plated|pth)\\b.*")) {
            nextToolPlated = true;
        }
    }

    /** A table of tools in comments serves where the tools themselves carry no size. */
    private void toolComment(String c) {
        Matcher m = TOOL_COMMENT.matcher(c);
        if (m.matches()) {
            String unit = m.group(3).toLowerCase(Locale.ROOT);
            double nm =
                    unit.equals("mm")
                            ? Length.NM_PER_MM
                            : unit.startsWith("mil") ? Length.NM_PER_MIL : Length.NM_PER_INCH;
            double size = Double.parseDouble(m.group(2)) * nm;
            if (size > 0 && size < 1e9) {
                diameters.putIfAbsent(Integer.parseInt(m.group(1)), Math.round(size));
            }
        }
    }

    private void digits(int integers, int decimals) {
        format = new DrillFormat(format.metric(), integers, decimals, format.keepsLeading());
    }

    private boolean command(String s) {
        if (s.startsWith("X") || s.startsWith("Y")) {
            return motion(s);
        }
        if (s.startsWith("M48")) {
            headerSeen = true;
            recognised = true;
            return true;
        }
        if (s.startsWith("METRIC") || s.startsWith("INCH") || s.matches("M7[12]|G2[01]")) {
            unit(s);
            return true;
        }
        if (s.matches("M(30|00)") || (s.equals("M02") && patternStart < 0)) {
            ended = true;
            return true;
        }
        if (s.matches("M25|M01|M08|M02.*|G93.*") || s.equals("M26")) {
            pattern(s);
            return true;
        }
        if (s.matches(
                "%|M95|M47.*|G05|G81|G90|G40|FMAT.*|ICI.*|VER.*|DETECT.*|ATC.*|M06|M09|R,.*|[HNZFS][-+.\\d]*")) {
            incremental |= s.startsWith("ICI,ON");
            if (s.equals("G05") || s.equals("G81")) {
                endPath();
                routing = false;
            }
            incremental = !s.equals("G90") && incremental;
            return true;
        }
        if (s.equals("G91")) {
            incremental = true;
            return true;
        }
        if (s.matches("M15|M16|M17")) {
            endPath();
            plunged = s.equals("M15");
            return true;
        }
        Matcher t = TOOL.matcher(s);
        if (t.matches()) {
            tool(t);
            return true;
        }
        return motion(s);
    }

    /**
     * Step and repeat of a group of holes: M25 begins it, M01 ends it, M02 with a distance repeats
     * it there, M08 is done; G93 sets the zero. Old dialects, from memory.
     */
    private void pattern(String s) {
        if (s.startsWith("G93")) {
            zero = place(move(s.substring(3)), Pt.ORIGIN);
        } else if (s.equals("M25")) {
            patternStart = hits.size();
            patternEnd = -1;
            patternShift = Pt.ORIGIN;
        } else if (s.equals("M01")) {
            patternEnd = hits.size();
        } else if (s.startsWith("M02") && patternStart >= 0) {
            Matcher m = MOVE.matcher(s.substring(3));
            if (!m.matches()) {
                throw new IllegalArgumentException("expected M02 with X and Y");
            }
            long dx = m.group(1) == null ? 0 : number(m.group(1));
            long dy = m.group(2) == null ? 0 : number(m.group(2));
            patternShift = patternShift.plus(new Pt(dx, dy));
            copyPattern();
        } else {
            patternStart = -1;
        }
    }

    private void copyPattern() {
        int end = patternEnd < 0 ? hits.size() : patternEnd;
        require(hits.size() + end - patternStart);
        patternEnd = end;
        for (Hit h : List.copyOf(hits.subList(patternStart, end))) {
            Pt from = h.from.plus(patternShift);
            Pt to = h.to.plus(patternShift);
            hits.add(new Hit(from, to, h.tool, h.diameterNm, h.line, h.span));
        }
    }

    private void unit(String s) {
        recognised = true;
        unitStated = true;
        if (forced) {
            zerosStated = true;
            return;
        }
        boolean metric = s.startsWith("METRIC") || s.equals("M71") || s.equals("G21");
        DrillFormat usual = metric ? DrillFormat.METRIC : DrillFormat.INCH;
        DrillFormat base = assumed.metric() == metric ? assumed : usual;
        boolean keepsLeading = s.contains("LZ") || (!s.contains("TZ") && base.keepsLeading());
        format = new DrillFormat(metric, base.integers(), base.decimals(), keepsLeading);
        zerosStated |= s.contains("LZ") || s.contains("TZ");
        Matcher m = NUMBER_FORMAT.matcher(s);
        if (m.find()) {
            digits(m.group(1).length(), m.group(2).length());
        }
    }

    private void tool(Matcher t) {
        endPath();
        int code = toolCode(t.group(1));
        if (t.group(2) != null) {
            recognised = true;
            double size = Double.parseDouble(t.group(2)) * format.nmPerUnit();
            if (!(size > 0) || size > 1e9) {
                throw new IllegalArgumentException("a tool of that size");
            }
            diameters.put(code, Math.round(size));
            if (nextToolPlated != null) {
                toolPlated.put(code, nextToolPlated);
            }
        }
        tool = code;
    }

    /** Some files name the tool and its compensation together, as T0101. */
    private int toolCode(String digits) {
        int code = Integer.parseInt(digits);
        boolean doubled = code > 100 && code / 100 == code % 100;
        boolean single = diameters.containsKey(code / 100) || known.containsKey(code / 100);
        return doubled && !diameters.containsKey(code) && single ? code / 100 : code;
    }

    private boolean motion(String s) {
        Matcher slot = SLOT.matcher(s);
        if (slot.matches()) {
            Pt from = place(move(slot.group(1)), at);
            Pt to = place(move(slot.group(2)), from);
            hole(from, to);
            at = to;
            return true;
        }
        Matcher repeat = REPEAT.matcher(s);
        if (repeat.matches()) {
            repeat(repeat);
            return true;
        }
        String body = s;
        if (body.startsWith("G") && body.matches("G0?[0123].*")) {
            int g = body.matches("G0[0123].*") ? body.charAt(2) - '0' : body.charAt(1) - '0';
            body = body.substring(body.matches("G0[0123].*") ? 3 : 2);
            routing = true;
            if (g == 0) {
                endPath();
                plunged = false;
            }
            interpolation = g == 0 ? 1 : g;
            if (g == 0) {
                at = body.isEmpty() ? at : place(move(body), at);
                return true;
            }
            if (body.isEmpty()) {
                return true;
            }
        }
        Matcher m = MOVE.matcher(body);
        if (!m.matches() || (m.group(1) == null && m.group(2) == null)) {
            return false;
        }
        recognised |= headerSeen || tool >= 0;
        Pt to = place(m, at);
        if (!routing) {
            hole(to, to);
            lastHit = to;
        } else if (plunged) {
            route(to, m);
        }
        at = to;
        return true;
    }

    /** A routed move; arcs become short slots, each within 2 µm of the arc. */
    private void route(Pt to, Matcher m) {
        if (path.isEmpty()) {
            pathStart = hits.size();
        }
        if (interpolation == 1 || (m.group(3) == null && m.group(4) == null)) {
            hole(at, to);
            path.add(new Segment.Line(at, to));
            return;
        }
        boolean clockwise = interpolation == 2;
        Segment.Arc arc;
        if (m.group(4) != null) {
            long i = number(m.group(4));
            long j = m.group(5) == null ? 0 : number(m.group(5));
            arc = new Segment.Arc(at, to, (double) at.x() + i, (double) at.y() + j, clockwise);
        } else {
            arc = arcByRadius(to, number(m.group(3)), clockwise);
        }
        path.add(arc);
        double sagitta = 2_000;
        double half = Math.acos(Math.max(0, 1 - sagitta / Math.max(arc.startRadius(), sagitta)));
        int n = Math.max(1, (int) Math.ceil(Math.abs(arc.sweep()) / (2 * half)));
        Pt from = at;
        for (int k = 1; k <= n; k++) {
            Pt next = k == n ? to : arc.at((double) k / n);
            hole(from, next);
            from = next;
        }
    }

    private Segment.Arc arcByRadius(Pt to, long radius, boolean clockwise) {
        double d = at.distance(to);
        double r = Math.max(Math.abs(radius), d / 2);
        double h = Math.sqrt(Math.max(0, r * r - d * d / 4));
        double sign = clockwise ? -1 : 1;
        double cx = (at.x() + to.x()) / 2.0 - sign * h * (to.y() - at.y()) / d;
        double cy = (at.y() + to.y()) / 2.0 + sign * h * (to.x() - at.x()) / d;
        return new Segment.Arc(at, to, cx, cy, clockwise);
    }

    private void repeat(Matcher r) {
        int times = Integer.parseInt(r.group(1));
        if (times > MOST_REPEATS) {
            throw new IllegalArgumentException("more than " + MOST_REPEATS + " repeats");
        }
        long dx = r.group(2) == null ? 0 : number(r.group(2));
        long dy = r.group(3) == null ? 0 : number(r.group(3));
        for (int i = 0; i < times; i++) {
            lastHit = lastHit.plus(new Pt(dx, dy));
            hole(lastHit, lastHit);
        }
        at = lastHit;
    }

    private Matcher move(String s) {
        Matcher m = MOVE.matcher(s);
        if (!m.matches()) {
            throw new IllegalArgumentException("not a place: '" + s + "'");
        }
        return m;
    }

    private Pt place(Matcher m, Pt current) {
        Pt base = incremental ? current : zero;
        long x = m.group(1) == null ? current.x() : base.x() + number(m.group(1));
        long y = m.group(2) == null ? current.y() : base.y() + number(m.group(2));
        return new Pt(x, y);
    }

    private long number(String digits) {
        int point = digits.indexOf('.');
        if (point >= 0) {
            anyPoint = true;
            int after = digits.length() - point - 1;
            mostDecimals = Math.max(mostDecimals, after);
            leastDecimals = Math.min(leastDecimals, after);
            anyEndingInZero |= after > 1 && digits.endsWith("0");
        }
        OptionalLong value = format.parse(digits);
        if (value.isEmpty()) {
            throw new IllegalArgumentException("the number '" + digits + "' is out of range");
        }
        return value.getAsLong();
    }

    private void hole(Pt from, Pt to) {
        require(hits.size() + 1);
        hits.add(new Hit(from, to, tool, diameters.getOrDefault(tool, 0L), line, span));
    }

    /** More holes than any board has are refused. */
    private static void require(int holes) {
        WorkLimit.step();
        if (holes > MOST_HOLES) {
            throw new WorkLimitException(
                    "It has %,d holes or more; at most %,d are read of one file.",
                    holes, MOST_HOLES);
        }
    }

    /**
     * A path that was routed all round is kept as such, and not as the slots it would leave: it may
     * be the board's edge.
     */
    private void endPath() {
        boolean closed =
                path.size() >= 2
                        && path.get(0).from().distance(path.get(path.size() - 1).to()) <= CLOSED_NM;
        if (closed && hits.size() >= pathStart) {
            List<Hit> own = hits.subList(pathStart, hits.size());
            long size = own.isEmpty() ? 0 : size(own.get(0));
            List<Hole> slots = own.stream().map(h -> hole(h, size)).toList();
            routes.add(new DrillRoute(tool, path, slots));
            own.clear();
        }
        path = new ArrayList<>();
        pathStart = hits.size();
    }
}
