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
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads a placement table: designator, x, y, rotation and side, in mm, mil or inch. */
public final class PlacementReader {
    private static final String[] DESIGNATOR = {
        "designator", "refdes", "reference", "ref", "name", "part"
    };
    private static final String[] X = {
        "x", "midx", "centerx", "centrex", "posx", "xmm", "locationx"
    };
    private static final String[] Y = {
        "y", "midy", "centery", "centrey", "posy", "ymm", "locationy"
    };
    private static final Pattern NUMBER =
            Pattern.compile("([-+]?\\d*[.,]?\\d+)\\s*(mm|mil|mils|in|inch|\")?");

    private PlacementReader() {}

    /** What was read. {@code looksLikePlacement} is false when the columns are not there. */
    public record Result(
            List<PlacedPart> parts, List<Problem> problems, boolean looksLikePlacement) {}

    public static Result read(String file, byte[] content) {
        ProblemLog log = new ProblemLog(file);
        Table table = Table.parse(content);
        int head =
                table.header(
                        r ->
                                Table.column(r, DESIGNATOR) >= 0
                                        && Table.column(r, X) >= 0
                                        && Table.column(r, Y) >= 0);
        if (head < 0) {
            log.add(
                    Code.MISSING_COLUMN,
                    1,
                    "expected columns designator, x and y; found "
                            + (table.rows().isEmpty() ? "nothing" : table.rows().get(0).cells()),
                    "the placement was not read; name the columns and bring it in again");
            return new Result(List.of(), log.problems(), false);
        }
        Table.Row header = table.rows().get(head);
        Columns c =
                new Columns(
                        Table.column(header, DESIGNATOR),
                        Table.column(header, X),
                        Table.column(header, Y),
                        Table.column(header, "rotation", "rot", "angle", "orientation"),
                        Table.column(header, "side", "layer", "tb", "boardside"),
                        Table.column(header, "value", "val", "comment"),
                        Table.column(header, "footprint", "package", "case"),
                        headerUnit(header));
        List<PlacedPart> parts = new ArrayList<>();
        for (Table.Row row : table.rows().subList(head + 1, table.rows().size())) {
            c.read(row, parts, log);
        }
        return new Result(parts, log.problems(), true);
    }

    private static double headerUnit(Table.Row header) {
        String all = String.join(" ", header.cells()).toLowerCase(Locale.ROOT);
        if (all.contains("mil)") || all.contains("mil]")) {
            return Length.NM_PER_MIL;
        }
        return all.contains("inch") || all.contains("(in)") ? Length.NM_PER_INCH : Length.NM_PER_MM;
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
            if (name.isEmpty()) {
                return;
            }
            try {
                Pt at = new Pt(length(row.cell(x)), length(row.cell(y)));
                String turn = row.cell(rotation);
                double angle = turn.isEmpty() ? 0 : number(turn, 1).value();
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
        String c = cell.toLowerCase(Locale.ROOT);
        return c.startsWith("b") || c.equals("2") || c.contains("bottom") ? Side.BOTTOM : Side.TOP;
    }
}
