package dev.lastcut.core.formats.table;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.Problem.Code;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.formats.ProblemLog;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads a placement table: designator, x, y, rotation and side, in mm, mil or inch. */
public final class PlacementReader {
    private static final String[] DESIGNATOR = {
        "designator", "refdes", "reference", "ref", "name", "part", "component", "refdesignator"
    };
    private static final String[] X = {
        "x",
        "midx",
        "centerx",
        "centrex",
        "posx",
        "xmm",
        "xmil",
        "xinch",
        "locationx",
        "xpos",
        "xcoord",
        "xcenter",
        "xlocation",
        "positionx"
    };
    private static final String[] Y = {
        "y",
        "midy",
        "centery",
        "centrey",
        "posy",
        "ymm",
        "ymil",
        "yinch",
        "locationy",
        "ypos",
        "ycoord",
        "ycenter",
        "ylocation",
        "positiony"
    };
    private static final Pattern UNIT_WORD =
            Pattern.compile(
                    "(?<![a-z])[xy]?(millimet(?:er|re)s?|mm|mils?|thou|inch(?:es)?|in)(?![a-z])");
    private static final Pattern NUMBER =
            Pattern.compile("([-+]?\\d*[.,]?\\d+)\\s*(mm|mil|mils|in|inch|\")?");

    /** A few turns more than one are still a rotation. */
    private static final double MOST_TURNED = 3600;

    private PlacementReader() {}

    /**
     * What was read. {@code looksLikePlacement} is false when the columns are not there; {@code
     * unitStated} is false when neither cells nor header name a unit, and mm was taken; {@code
     * sideStated} is false when no column says the side, and the top was taken.
     */
    public record Result(
            List<PlacedPart> parts,
            List<Problem> problems,
            boolean looksLikePlacement,
            boolean unitStated,
            boolean sideStated) {}

    public static Result read(String file, byte[] content) {
        ProblemLog log = new ProblemLog(file);
        Optional<Table.Found> found =
                Table.find(
                        content,
                        r ->
                                Table.column(r, DESIGNATOR) >= 0
                                        && Table.column(r, X) >= 0
                                        && Table.column(r, Y) >= 0);
        if (found.isEmpty()) {
            log.add(
                    Code.MISSING_COLUMN,
                    1,
                    "expected columns designator, x and y; found " + Table.firstRow(content),
                    "the placement was not read; name the columns and bring it in again");
            return new Result(List.of(), log.problems(), false, false, false);
        }
        Table table = found.get().table();
        int head = found.get().head();
        Table.Row header = found.get().header();
        Optional<Long> unit = statedUnit(table.rows().subList(0, head + 1));
        Columns c =
                new Columns(
                        Table.column(header, DESIGNATOR),
                        Table.column(header, X),
                        Table.column(header, Y),
                        Table.column(header, "rotation", "rot", "angle", "orientation", "theta"),
                        Table.column(
                                header, "side", "layer", "tb", "boardside", "mirror", "mirrored"),
                        Table.column(header, "value", "val", "comment"),
                        Table.column(header, "footprint", "package", "case"),
                        unit.orElse(Length.NM_PER_MM));
        List<PlacedPart> parts = new ArrayList<>();
        Table.tell(found.get(), log);
        for (Table.Row row : found.get().body()) {
            c.read(row, parts, log);
        }
        boolean inCells =
                found.get().body().stream().limit(5).anyMatch(r -> hasUnit(r.cell(c.x())));
        return new Result(parts, log.problems(), true, unit.isPresent() || inCells, c.side() >= 0);
    }

    private static boolean hasUnit(String cell) {
        Matcher m = NUMBER.matcher(cell.strip().toLowerCase(Locale.ROOT));
        return m.matches() && m.group(2) != null;
    }

    /** The unit named in the header or in the lines above it. */
    private static Optional<Long> statedUnit(List<Table.Row> top) {
        for (int i = top.size() - 1; i >= 0; i--) {
            String all = String.join(" ", top.get(i).cells()).toLowerCase(Locale.ROOT);
            Matcher m = UNIT_WORD.matcher(all);
            String word = "";
            while (m.find()) {
                // "in" is also a plain word: any other unit in the line wins over it.
                word = word.isEmpty() || word.equals("in") ? m.group(1) : word;
            }
            if (!word.isEmpty()) {
                return Optional.of(
                        word.startsWith("mm") || word.startsWith("milli")
                                ? Length.NM_PER_MM
                                : word.startsWith("mil") || word.startsWith("thou")
                                        ? Length.NM_PER_MIL
                                        : Length.NM_PER_INCH);
            }
        }
        return Optional.empty();
    }

    private record Columns(
            int designator,
            int x,
            int y,
            int rotation,
            int side,
            int value,
            int footprint,
            double unitNm) {
        void read(Table.Row row, List<PlacedPart> parts, ProblemLog log) {
            String name = row.cell(designator);
            if (name.isEmpty() || name.startsWith("#") || row.cells().size() < 3) {
                return;
            }
            try {
                Pt at = new Pt(length(row.cell(x)), length(row.cell(y)));
                String turn = row.cell(rotation);
                double angle = turn.isEmpty() ? 0 : number(turn, 1).value();
                if (Math.abs(angle) > MOST_TURNED) {
                    log.add(
                            Code.BAD_ROW,
                            row.line(),
                            name + " is turned by " + turn + "°, which is no rotation",
                            "taken as not turned; put its rotation right");
                    angle = 0;
                }
                parts.add(
                        new PlacedPart(
                                name,
                                row.cell(value),
                                row.cell(footprint),
                                at,
                                angle,
                                sideOf(row.cell(side)),
                                row.line()));
            } catch (NumberFormatException e) {
                log.add(
                        Code.BAD_ROW,
                        row.line(),
                        name + ": " + e.getMessage(),
                        "this part is left out of the placement");
            }
        }

        private long length(String cell) {
            Quantity q = number(cell, unitNm);
            double nm = q.value() * q.unit();
            if (Math.abs(nm) > 1e10) {
                throw new NumberFormatException("'" + cell + "' is out of range");
            }
            return Math.round(nm);
        }
    }

    private record Quantity(double value, double unit) {}

    private static Quantity number(String cell, double defaultUnit) {
        Matcher m = NUMBER.matcher(cell.strip().toLowerCase(Locale.ROOT));
        if (!m.matches()) {
            throw new NumberFormatException("expected a number but found '" + cell + "'");
        }
        double unit =
                m.group(2) == null
                        ? defaultUnit
                        : switch (m.group(2)) {
                            case "mm" -> Length.NM_PER_MM;
                            case "mil", "mils" -> Length.NM_PER_MIL;
                            default -> Length.NM_PER_INCH;
                        };
        return new Quantity(Double.parseDouble(m.group(1).replace(',', '.')), unit);
    }

    private static Side sideOf(String cell) {
        String c = cell.toLowerCase(Locale.ROOT).strip();
        boolean bottom =
                c.startsWith("b")
                        || c.equals("2")
                        || c.equals("yes")
                        || c.equals("true")
                        || c.contains("bottom")
                        || c.contains("solder")
                        || c.contains("secondary");
        return bottom ? Side.BOTTOM : Side.TOP;
    }
}
