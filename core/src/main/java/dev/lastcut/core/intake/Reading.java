package dev.lastcut.core.intake;

import dev.lastcut.core.board.Problem;
import dev.lastcut.core.formats.drill.DrillFile;
import dev.lastcut.core.formats.drill.DrillReader;
import dev.lastcut.core.formats.gerber.GerberFile;
import dev.lastcut.core.formats.gerber.GerberReader;
import dev.lastcut.core.formats.netlist.NetlistReader;
import dev.lastcut.core.formats.table.PartsListReader;
import dev.lastcut.core.formats.table.PlacementReader;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;

/** What a file turned out to be when read by the reader that fits its content. */
sealed interface Reading {
    /** Enough of a file to tell what it is. */
    int HEAD = 200_000;

    Pattern GERBER = Pattern.compile("%(FS|MO|AD|AM|LP|TF|IN|LN)|D0?[123]\\*|G0?4[^*]*\\*|G36\\*");
    Pattern DRILL = Pattern.compile("(?m)^(M48|T\\d+C[.\\d]+|X[-+.\\d]+Y[-+.\\d]+)\\s*$");
    Pattern NETLIST = Pattern.compile("(?m)^(3[1236]7.{30}|P\\s+(UNITS|VER|IMAGE|NNAME))");

    List<Problem> problems();

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

    record Placements(PlacementReader.Result result) implements Reading {
        @Override
        public List<Problem> problems() {
            return result.problems();
        }
    }

    /** Nothing we know. */
    record Unknown(List<Problem> problems) implements Reading {}

    static Reading of(String path, byte[] content) {
        String head =
                new String(content, 0, Math.min(content.length, HEAD), StandardCharsets.UTF_8);
        if (content.length == 0) {
            return unknown(path, "the file is empty", "export it again");
        }
        if (head.indexOf('\0') >= 0) {
            return unknown(path, "the file is not text", "kept, but not used");
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
        PlacementReader.Result placement = PlacementReader.read(path, content);
        if (placement.looksLikePlacement()) {
            return new Placements(placement);
        }
        PartsListReader.Result parts = PartsListReader.read(path, content);
        if (parts.looksLikeList()) {
            return new Parts(parts);
        }
        boolean table = path.toLowerCase(Locale.ROOT).matches(".*\\.(csv|tsv)");
        if (table) {
            return new Unknown(parts.problems());
        }
        boolean readme = path.toLowerCase(Locale.ROOT).matches(".*\\.(txt|md|pdf)");
        return readme
                ? new Unknown(List.of())
                : unknown(
                        path,
                        "nothing in it is Gerber, drill, netlist, parts list or placement",
                        "kept, but not used; if it belongs to the board, export it again");
    }

    private static Reading unknown(String path, String text, String action) {
        return new Unknown(List.of(new Problem(Problem.Code.UNKNOWN_FILE, path, 0, text, action)));
    }

    /** The same drill file read with an assumed number format. */
    static Drill drillAs(
            String path, byte[] content, dev.lastcut.core.formats.drill.DrillFormat format) {
        return new Drill(DrillReader.read(path, content, Optional.of(format)));
    }
}
