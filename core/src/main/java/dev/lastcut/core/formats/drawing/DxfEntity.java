package dev.lastcut.core.formats.drawing;

import dev.lastcut.core.board.Problem.Code;
import dev.lastcut.core.formats.ProblemLog;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** One entity of a DXF file: its type and its values by group code, in order. */
final class DxfEntity {
    private record Value(int code, String text) {}

    /** The file taken apart; {@code unitCode} is $INSUNITS, 0 where it is missing. */
    record Parsed(
            List<DxfEntity> entities,
            Map<String, List<DxfEntity>> blocks,
            int unitCode,
            boolean recognised,
            boolean ended) {}

    private final String type;
    private final int line;
    private final List<Value> values = new ArrayList<>();
    private final List<double[]> polylineVertices = new ArrayList<>();

    private DxfEntity(String type, int line) {
        this.type = type;
        this.line = line;
    }

    static Parsed parse(String text, ProblemLog log) {
        String[] lines = text.split("\r\n|\n|\r", -1);
        List<DxfEntity> all = new ArrayList<>();
        int i = 0;
        for (; i + 1 < lines.length; i += 2) {
            String code = lines[i].strip();
            if (!code.matches("-?\\d{1,4}")) {
                log.add(
                        Code.BAD_ROW,
                        i + 1,
                        "expected a group code but found '" + code + "'",
                        "reading stops here");
                break;
            }
            String value = lines[i + 1].strip();
            if (code.equals("0")) {
                all.add(new DxfEntity(value, i + 1));
            } else if (!all.isEmpty()) {
                all.get(all.size() - 1).values.add(new Value(Integer.parseInt(code), value));
            }
        }
        return sorted(all);
    }

    private static Parsed sorted(List<DxfEntity> all) {
        List<DxfEntity> entities = new ArrayList<>();
        Map<String, List<DxfEntity>> blocks = new HashMap<>();
        List<DxfEntity> block = null;
        String section = "";
        int unit = 0;
        boolean ended = false;
        DxfEntity polyline = null;
        for (DxfEntity e : all) {
            switch (e.type) {
                case "SECTION" -> {
                    section = e.text(2);
                    unit = section.equals("HEADER") ? e.headerUnit() : unit;
                }
                case "BLOCK" -> {
                    block = new ArrayList<>();
                    blocks.put(e.text(2), block);
                }
                case "ENDBLK" -> block = null;
                case "EOF" -> ended = true;
                case "VERTEX" -> {
                    if (polyline != null) {
                        polyline.polylineVertices.add(
                                new double[] {e.number(10, 0), e.number(20, 0), e.number(42, 0)});
                    }
                }
                case "SEQEND", "ENDSEC", "TABLE", "ENDTAB", "CLASS", "LAYER" -> polyline = null;
                default -> {
                    polyline = e.type.equals("POLYLINE") ? e : null;
                    if (section.equals("ENTITIES")) {
                        entities.add(e);
                    } else if (section.equals("BLOCKS") && block != null) {
                        block.add(e);
                    }
                }
            }
        }
        boolean recognised = all.stream().anyMatch(e -> e.type.equals("SECTION"));
        return new Parsed(entities, blocks, unit, recognised, ended);
    }

    private int headerUnit() {
        for (int i = 0; i + 1 < values.size(); i++) {
            if (values.get(i).text.equals("$INSUNITS")
                    && values.get(i + 1).text.matches("\\d{1,3}")) {
                return Integer.parseInt(values.get(i + 1).text);
            }
        }
        return 0;
    }

    String type() {
        return type;
    }

    int line() {
        return line;
    }

    String layer() {
        return text(8);
    }

    boolean isPaper() {
        return number(67, 0) == 1;
    }

    /** The first value of a code, empty if there is none. */
    String text(int code) {
        return values.stream().filter(v -> v.code == code).findFirst().map(Value::text).orElse("");
    }

    double number(int code, double otherwise) {
        String t = text(code);
        return t.isEmpty() ? otherwise : parse(t);
    }

    /**
     * @throws IllegalArgumentException when the entity lacks the code
     */
    double at(int code) {
        String t = text(code);
        if (t.isEmpty()) {
            throw new IllegalArgumentException("its group " + code + " is missing");
        }
        return parse(t);
    }

    List<Double> all(int code) {
        return values.stream().filter(v -> v.code == code).map(v -> parse(v.text)).toList();
    }

    List<double[]> pairs(int xCode, int yCode) {
        List<Double> x = all(xCode);
        List<Double> y = all(yCode);
        List<double[]> pairs = new ArrayList<>();
        for (int i = 0; i < Math.min(x.size(), y.size()); i++) {
            pairs.add(new double[] {x.get(i), y.get(i)});
        }
        return pairs;
    }

    /** The vertices of a polyline as x, y and bulge. */
    List<double[]> vertices() {
        if (type.equals("POLYLINE")) {
            return polylineVertices;
        }
        List<double[]> vertices = new ArrayList<>();
        for (Value v : values) {
            double[] last = vertices.isEmpty() ? new double[3] : vertices.get(vertices.size() - 1);
            switch (v.code) {
                case 10 -> vertices.add(new double[] {parse(v.text), 0, 0});
                case 20 -> last[1] = parse(v.text);
                case 42 -> last[2] = parse(v.text);
                default -> {}
            }
        }
        return vertices;
    }

    private static double parse(String text) {
        double value = Double.parseDouble(text);
        if (!Double.isFinite(value) || Math.abs(value) > 1e12) {
            throw new NumberFormatException("'" + text + "' is out of range");
        }
        return value;
    }
}
