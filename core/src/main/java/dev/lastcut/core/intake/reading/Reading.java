package dev.lastcut.core.intake.reading;

import dev.lastcut.core.board.Correction;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.formats.Texts;
import dev.lastcut.core.formats.drawing.Drawing;
import dev.lastcut.core.formats.drawing.DxfReader;
import dev.lastcut.core.formats.drawing.SvgReader;
import dev.lastcut.core.formats.drill.DrillFile;
import dev.lastcut.core.formats.drill.DrillFormat;
import dev.lastcut.core.formats.drill.DrillReader;
import dev.lastcut.core.formats.drill.DrillRoute;
import dev.lastcut.core.formats.drill.DrillTool;
import dev.lastcut.core.formats.drill.ToolReport;
import dev.lastcut.core.formats.gerber.GerberFile;
import dev.lastcut.core.formats.gerber.GerberReader;
import dev.lastcut.core.formats.netlist.NetlistReader;
import dev.lastcut.core.formats.table.ColumnKind;
import dev.lastcut.core.formats.table.ConnectionsReader;
import dev.lastcut.core.formats.table.PartTables;
import dev.lastcut.core.formats.table.PartsListReader;
import dev.lastcut.core.formats.table.PlacementReader;
import dev.lastcut.core.formats.table.TableColumns;
import dev.lastcut.core.formats.table.XlsxRows;
import dev.lastcut.core.geometry.Segment;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Pattern;

/** What a file turned out to be when read by the reader that fits its content. */
public sealed interface Reading {
    /** Enough of a file to tell what it is. */
    int HEAD = 200_000;

    /** A text to read is kept up to so many characters. */
    int LONGEST_TEXT = 64_000;

    Pattern GERBER = Pattern.compile("%(FS|MO|AD|AM|LP|TF|IN|LN)|D0?[123]\\*|G0?4[^*]*\\*|G36\\*");
    Pattern DRILL = Pattern.compile("(?m)^(M48|T\\d+C[.\\d]+|X[-+.\\d]+Y[-+.\\d]+)\\s*$");
    Pattern NETLIST = Pattern.compile("(?m)^(3[012346]7.{30}|P\\s+(UNITS|VER|IMAGE|NNAME))");

    Pattern SVG =
            Pattern.compile(
                    "^\\s*(<\\?xml[^>]*>|<!--.*?-->|<!DOCTYPE[^>\\[]*(?:\\[.*?\\])?\\s*>|\\s)*\\s*<svg\\b",
                    Pattern.DOTALL);
    Pattern DXF = Pattern.compile("^\\s*(999\\s*\\n[^\\n]*\\n\\s*)*0\\s*\\r?\\nSECTION\\b");

    List<Problem> problems();

    /** The finest step of its numbers, nm; 0 where that is no matter. */
    default double stepNm() {
        if (this instanceof Gerber g) {
            return g.file.stepNm();
        }
        return this instanceof Drill d ? d.file.stepNm() : 0;
    }

    record Gerber(GerberFile file) implements Reading {
        @Override
        public List<Problem> problems() {
            return file.problems();
        }
    }

    record Drill(DrillFile file) implements Reading {
        @Override
        public List<Problem> problems() {
            return file.problems();
        }
    }

    record Nets(NetlistReader.Result result) implements Reading {
        @Override
        public List<Problem> problems() {
            return result.problems();
        }
    }

    record Parts(PartsListReader.Result result) implements Reading {
        @Override
        public List<Problem> problems() {
            return result.problems();
        }
    }

    record Connected(ConnectionsReader.Result result) implements Reading {
        @Override
        public List<Problem> problems() {
            return result.problems();
        }
    }

    record Placements(PlacementReader.Result result) implements Reading {
        @Override
        public List<Problem> problems() {
            return result.problems();
        }
    }

    /** An outline drawn in a mechanical or graphics program. */
    record Drawn(Drawing drawing) implements Reading {
        @Override
        public List<Problem> problems() {
            return drawing.problems();
        }
    }

    /** A report that states the tools of a drill file, by number. */
    record Tools(Map<Integer, DrillTool> tools) implements Reading {
        @Override
        public List<Problem> problems() {
            return List.of();
        }
    }

    /** A Gerber job file: what each file of the pack is, as the program that wrote them says. */
    record Job(JobFile file) implements Reading {
        @Override
        public List<Problem> problems() {
            return file.problems();
        }
    }

    /**
     * What lies beside the board: reports, pictures, pages, layout files.
     *
     * @param what in words, such as "a page to read"
     * @param text what it says, its beginning where it is long; empty for what is no text
     */
    record Beside(String what, String text) implements Reading {
        public Beside(String what) {
            this(what, "");
        }

        @Override
        public List<Problem> problems() {
            return List.of();
        }
    }

    /**
     * Nothing we know.
     *
     * @param columns those of a table that was not understood
     */
    record Unknown(List<Problem> problems, TableColumns columns) implements Reading {
        Unknown(List<Problem> problems) {
            this(problems, TableColumns.NONE);
        }
    }

    static Reading of(String path, byte[] content) {
        String head =
                new String(content, 0, Math.min(content.length, HEAD), StandardCharsets.UTF_8);
        if (BesideFiles.isLeftBehind(path)) {
            return new Beside(BesideFiles.LEFT_BEHIND);
        }
        if (content.length == 0) {
            return unknown(path, "the file is empty", "export it again");
        }
        if (XlsxRows.isWorkbook(content)) {
            return XlsxRows.hasDocumentType(content)
                    ? unknown(
                            path,
                            "the workbook declares a document type, which no spreadsheet program"
                                    + " writes",
                            "not read; save it anew, or bring it in as CSV")
                    : table(path, content);
        }
        Optional<String> beside = BesideFiles.what(path, content, head);
        if (beside.isPresent()) {
            return new Beside(beside.get());
        }
        if (JobFile.looksLikeJob(head)) {
            return new Job(JobFile.read(path, content));
        }
        if (head.indexOf('\0') >= 0 && !Texts.isWide(content)) {
            return unknown(path, "the file is not text", "kept, but not used");
        }
        if (SVG.matcher(head).find() || DXF.matcher(head).find()) {
            return drawing(path, content, Optional.empty());
        }
        if (GERBER.matcher(head).find()) {
            GerberFile gerber = GerberReader.read(path, content);
            if (gerber.looksLikeGerber()) {
                return new Gerber(gerber);
            }
        }
        if (NETLIST.matcher(head).find()) {
            NetlistReader.Result nets = NetlistReader.read(path, content);
            if (nets.looksLikeNetlist()) {
                return new Nets(nets);
            }
        }
        if (DRILL.matcher(head).find()) {
            DrillFile drill = DrillReader.read(path, content);
            if (drill.looksLikeDrill()) {
                return new Drill(drill);
            }
        }
        return table(path, content);
    }

    private static Reading table(String path, byte[] content) {
        return table(path, content, List.of());
    }

    /**
     * A table whose columns hold what the user said.
     *
     * @param columns from the left; empty to find it out
     */
    static Reading table(String path, byte[] content, List<ColumnKind> columns) {
        if (columns.isEmpty()) {
            Optional<ConnectionsReader.Result> connections = ConnectionsReader.read(path, content);
            if (connections.isPresent()) {
                return new Connected(connections.get());
            }
        }
        PartTables.Found found = PartTables.read(path, content, columns);
        if (columns.isEmpty() && !XlsxRows.isWorkbook(content)) {
            Map<Integer, DrillTool> tools = ToolReport.read(content);
            if (!tools.isEmpty() && found.names().stream().allMatch(Reading::isTool)) {
                return new Tools(tools);
            }
        }
        if (found.placement().isPresent()) {
            return new Placements(found.placement().get());
        }
        if (found.list().looksLikeList()) {
            return new Parts(found.list());
        }
        boolean table = path.toLowerCase(Locale.ROOT).matches(".*\\.(csv|tsv|xlsx?|ods)");
        if (table || !found.list().columns().columns().isEmpty() && !BesideFiles.isProse(path)) {
            return new Unknown(found.list().problems(), found.list().columns());
        }
        return BesideFiles.isProse(path)
                ? new Beside("a text to read", beginning(content))
                : unknown(
                        path,
                        "nothing in it is Gerber, drill, netlist, parts list or placement",
                        "kept, but not used; if it belongs to the board, export it again");
    }

    private static String beginning(byte[] content) {
        String text = Texts.decode(content);
        return text.substring(0, Math.min(text.length(), LONGEST_TEXT));
    }

    private static boolean isTool(String designator) {
        return designator.matches("(?i)t\\d{1,3}");
    }

    private static Reading unknown(String path, String text, String action) {
        return new Unknown(List.of(new Problem(Problem.Code.UNKNOWN_FILE, path, 0, text, action)));
    }

    /**
     * A drawing at a scale; one that cannot be used is of an unknown kind, with its problems.
     *
     * @param nmPerUnit the scale the user chose; empty to take the file's own
     */
    static Reading drawing(String path, byte[] content, Optional<Double> nmPerUnit) {
        String head =
                new String(content, 0, Math.min(content.length, HEAD), StandardCharsets.UTF_8);
        Drawing drawing =
                SVG.matcher(head).find()
                        ? SvgReader.read(path, content, nmPerUnit)
                        : DxfReader.read(path, content, nmPerUnit);
        if (drawing.looksLikeDrawing()) {
            return new Drawn(drawing);
        }
        return drawing.problems().isEmpty()
                ? unknown(path, "a drawing without any line in it", "kept, but not used")
                : new Unknown(drawing.problems());
    }

    /** The same drill file read with a number format for where it states none. */
    static Drill drillAs(
            String path, byte[] content, DrillFormat format, Map<Integer, DrillTool> tools) {
        return new Drill(DrillReader.read(path, content, Optional.of(format), tools));
    }

    /** The content moved by a correction; what has no places stays. */
    default Reading moved(Correction c) {
        if (this instanceof Gerber g) {
            return new Gerber(g.file.withFeatures(c.apply(g.file.features())));
        }
        if (this instanceof Drill d) {
            return new Drill(moved(d.file, c));
        }
        if (this instanceof Nets n) {
            Netlist list = n.result.netlist();
            List<Netlist.Point> points =
                    list.points().stream()
                            .map(
                                    p ->
                                            new Netlist.Point(
                                                    p.net(),
                                                    p.component(),
                                                    p.pin(),
                                                    c.apply(p.at()),
                                                    p.access(),
                                                    p.hole()))
                            .toList();
            return new Nets(
                    new NetlistReader.Result(
                            new Netlist(list.source(), points),
                            n.result.problems(),
                            true,
                            n.result.deepest()));
        }
        if (this instanceof Drawn d) {
            Drawing f = d.drawing;
            List<Segment> segments = c.applyTo(f.segments());
            return new Drawn(
                    new Drawing(
                            segments, f.nmPerUnit(), f.unit(), f.unitStated(), f.problems(), true));
        }
        return this;
    }

    private static DrillFile moved(DrillFile f, Correction c) {
        Map<Integer, List<Hole>> unsized = new TreeMap<>();
        f.unsized().forEach((t, h) -> unsized.put(t, h.stream().map(c::apply).toList()));
        List<DrillRoute> routes =
                f.routes().stream()
                        .map(
                                r ->
                                        new DrillRoute(
                                                r.tool(),
                                                c.applyTo(r.path()),
                                                r.slots().stream().map(c::apply).toList()))
                        .toList();
        return f.with(f.holes().stream().map(c::apply).toList(), unsized, routes);
    }
}
