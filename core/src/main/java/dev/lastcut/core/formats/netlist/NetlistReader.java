package dev.lastcut.core.formats.netlist;

import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.Problem.Code;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.formats.ProblemLog;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads IPC-D-356 and 356A. Columns are those of the standard, counted from 1 in the comments. */
public final class NetlistReader {
    private static final Pattern TEST_RECORD = Pattern.compile("3[012346]7.*");

    /** The access side, the place and the hole; some writers are a column or two off. */
    /** How {@link NetlistWriter} tells the names of parts that are longer than their columns. */
    private static final Pattern PART_ALIAS = Pattern.compile("C\\s+PART (#\\d+) = (\\S+)\\s*");

    private static final Pattern ORDINATES =
            Pattern.compile("(?:A\\s?(\\d{1,2}))?\\s*X\\s*([+-]?\\d{1,8})\\s*Y\\s*([+-]?\\d{1,8})");

    private static final Pattern DRILL = Pattern.compile("D\\s*(\\d{1,4})\\s*([PU])?");

    private final ProblemLog log;
    private final Map<String, String> aliases = new HashMap<>();
    private final Map<String, String> components = new HashMap<>();
    private final List<Netlist.Point> points = new ArrayList<>();
    // The standard's default, "CUST 0": inches, one unit is a ten-thousandth.
    private int deepest;
    private double nmPerUnit = Length.NM_PER_INCH / 1e4;
    private boolean ended;

    /** What was read. {@code looksLikeNetlist} is false when no test record was found. */
    public record Result(
            Netlist netlist, List<Problem> problems, boolean looksLikeNetlist, int deepest) {
        public Result(Netlist netlist, List<Problem> problems, boolean looksLikeNetlist) {
            this(netlist, problems, looksLikeNetlist, 0);
        }
    }

    private NetlistReader(String file) {
        this.log = new ProblemLog(file);
    }

    public static Result read(String file, byte[] content) {
        NetlistReader reader = new NetlistReader(file);
        int line = 0;
        for (String s : new String(content, StandardCharsets.UTF_8).split("\r\n|\n|\r", -1)) {
            reader.line(s, ++line);
        }
        boolean any = !reader.points.isEmpty();
        if (any && !reader.ended) {
            reader.log.add(
                    Code.TRUNCATED,
                    line,
                    "the netlist has no end record (999): it may have been cut off",
                    "everything up to here was read");
        }
        return new Result(
                new Netlist(file, reader.points), reader.log.problems(), any, reader.deepest);
    }

    private void line(String s, int line) {
        if (ended) {
            return;
        }
        if (s.startsWith("999")) {
            ended = true;
        } else if (s.startsWith("C")) {
            Matcher part = PART_ALIAS.matcher(s);
            if (part.matches()) {
                components.put(part.group(1), part.group(2));
            }
        } else if (s.startsWith("P")) {
            parameter(s.substring(1).strip());
        } else if (TEST_RECORD.matcher(s).matches()) {
            testRecord(s, line);
        }
        // Other comments, conductors (378), adjacency (379), outlines (389) and continuations (0nn)
        // carry no points.
    }

    private void parameter(String p) {
        String[] words = p.split("\\s+");
        if (words.length >= 2 && words[0].equals("UNITS")) {
            boolean metric = p.contains("SI") || p.matches(".*CUST\\s*1.*");
            nmPerUnit = metric ? Length.NM_PER_MM / 1e3 : Length.NM_PER_INCH / 1e4;
        } else if (words.length >= 2 && words[0].startsWith("NNAME")) {
            aliases.put(words[0], words[1]);
        }
    }

    private void testRecord(String s, int line) {
        String net = columns(s, 4, 17);
        String column = columns(s, 21, 26);
        String component = components.getOrDefault(column, column);
        String pin = columns(s, 28, 31);
        String rest = s.length() > 31 ? s.substring(31) : "";
        Matcher m = ORDINATES.matcher(rest);
        if (!m.find()) {
            log.add(
                    Code.BAD_ROW,
                    line,
                    "expected X and Y from column 42 but found '" + columns(s, 42, 57) + "'",
                    "this point is left out");
            return;
        }
        Matcher drill = DRILL.matcher(rest.substring(0, m.start()));
        boolean hole = s.charAt(1) == '1' || s.charAt(1) == '0' || drill.find();
        String access = m.group(1) == null ? "" : m.group(1);
        access = access.length() == 1 ? "0" + access : access;
        if (access.matches("\\d{2}")) {
            // Many write 2 for the bottom whatever the number of layers; more than that counts.
            int layer = Integer.parseInt(access);
            deepest = Math.max(deepest, layer > 2 ? layer : 0);
        }
        Pt at = new Pt(ordinate(m.group(2)), ordinate(m.group(3)));
        boolean via = column.equals("VIA");
        String name = aliases.getOrDefault(net, net);
        points.add(
                new Netlist.Point(
                        name.equals("N/C") ? "" : name,
                        via ? "" : component,
                        via ? "" : pin,
                        at,
                        side(access, hole),
                        hole));
    }

    /** Access 00 is both sides, 01 the primary (top), the highest in use the secondary side. */
    private static Optional<Side> side(String access, boolean hole) {
        if (hole || access.isEmpty() || access.equals("00")) {
            return Optional.empty();
        }
        return Optional.of(access.equals("01") ? Side.TOP : Side.BOTTOM);
    }

    private long ordinate(String digits) {
        return Math.round(Long.parseLong(digits) * nmPerUnit);
    }

    /** Columns {@code from} to {@code to}, both counted from 1 and included, trimmed. */
    private static String columns(String s, int from, int to) {
        return s.length() < from ? "" : s.substring(from - 1, Math.min(to, s.length())).strip();
    }
}
