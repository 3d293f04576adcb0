package dev.lastcut.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.LongRun;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.formats.gerber.GerberWriter;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Pt;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.locationtech.jts.geom.Envelope;

/**
 * Pictures beside the board that are no part of it: pads without tracks, keep-outs, lines for a
 * V-score, a panel drawn about the board. Whatever they are called, they take nobody's role, and
 * what they are not known to be is asked about them alone.
 */
class StrangePicturesTest {
    static Stream<String> names() {
        return LongRun.is()
                ? Stream.of("p02_extensions_macros", "p05_letters_four", "p13_sagoma", "p18_kart")
                : Stream.of("p05_letters_four", "p18_kart");
    }

    @ParameterizedTest
    @MethodSource("names")
    void takeNobodysRole(String name) throws Exception {
        TruePack t = TruePack.of(name);
        Board board = Intake.open(t.pack());
        Map<String, Role> before = roles(board);
        List<String> wrong = new ArrayList<>();
        strange(board)
                .forEach(
                        (kind, text) -> {
                            for (String as : List.of(kind + ".gbr", "zz9.gbr")) {
                                wrong(t.pack(), before, as, text)
                                        .forEach(w -> wrong.add(kind + " as " + as + ": " + w));
                            }
                        });
        assertThat(wrong).isEmpty();
    }

    private static Map<String, Role> roles(Board b) {
        Map<String, Role> all = new LinkedHashMap<>();
        b.files().forEach(f -> all.put(f.path(), f.role()));
        return all;
    }

    private static List<String> wrong(Pack pack, Map<String, Role> before, String as, String text) {
        List<Pack.PackFile> files = new ArrayList<>(pack.files());
        String folder = files.get(0).path().replaceAll("[^/]*$", "");
        files.add(new Pack.PackFile(folder + as, text.getBytes(StandardCharsets.US_ASCII)));
        List<String> wrong = new ArrayList<>();
        try {
            Board b = Intake.open(new Pack(pack.name(), files));
            b.files()
                    .forEach(
                            f -> {
                                Role was = before.get(f.path());
                                if (was == null) {
                                    if (!f.role().equals(Role.NOT_PART) && f.doubt().isEmpty()) {
                                        wrong.add("taken for " + f.role().id());
                                    }
                                } else if (!was.equals(f.role())) {
                                    wrong.add(f.path() + " is now " + f.role().id());
                                }
                            });
        } catch (UnusablePackException e) {
            wrong.add(e.getMessage());
        }
        return wrong;
    }

    private static Map<String, String> strange(Board b) {
        Map<String, String> all = new LinkedHashMap<>();
        Envelope e = b.outline().orElseThrow().area(Flattener.FINE).getEnvelopeInternal();
        List<Feature> flashes =
                b.layers().stream()
                        .filter(l -> l.role().equals(Role.of(Role.Kind.COPPER, Side.TOP)))
                        .flatMap(l -> l.features().stream())
                        .filter(Feature.Flash.class::isInstance)
                        .toList();
        List<Pt> pads = flashes.stream().map(f -> ((Feature.Flash) f).at()).toList();
        byte[] masters = GerberWriter.write(Map.of(), flashes);
        all.put("pad_master_top", new String(masters, StandardCharsets.US_ASCII));
        StringBuilder outs = gerber("C,0.1");
        for (int i = 0; i < 3; i++) {
            Pt p = pads.get(i * (pads.size() - 1) / 2);
            outs.append("G36*\n");
            path(outs, p.x() - 2e6, p.y() - 1.5e6, p.x() + 2e6, p.y() + 1.5e6);
            outs.append("G37*\n");
        }
        all.put("keepout_top", outs + "M02*\n");
        StringBuilder dots = gerber("C,0.8");
        b.placements()
                .orElse(List.of())
                .forEach(p -> dots.append(xy(p.at().x(), p.at().y())).append("D03*\n"));
        all.put("glue", dots + "M02*\n");
        StringBuilder map = gerber("C,0.12");
        b.holes()
                .forEach(
                        h ->
                                path(
                                        map,
                                        h.middle().x() - 4e5,
                                        h.middle().y() - 4e5,
                                        h.middle().x() + 4e5,
                                        h.middle().y() + 4e5));
        path(map, e.getMinX(), e.getMinY(), e.getMaxX(), e.getMaxY());
        path(map, e.getMinX(), e.getMinY() - 4e7, e.getMinX() + 6e7, e.getMinY() - 5e6);
        all.put("drill_map", map + "M02*\n");
        StringBuilder scores = gerber("C,0.1");
        for (double y : new double[] {e.getMinY(), e.getMaxY()}) {
            scores.append(xy(e.getMinX() - 8e6, y)).append("D02*\n");
            scores.append(xy(e.getMaxX() + 8e6, y)).append("D01*\n");
        }
        all.put("v_cut", scores + "M02*\n");
        StringBuilder panel = gerber("C,0.15");
        double w = e.getWidth() + 2e6;
        double h = e.getHeight() + 2e6;
        for (int i = 0; i < 2; i++) {
            for (int j = 0; j < 3; j++) {
                path(
                        panel,
                        e.getMinX() + i * w,
                        e.getMinY() + j * h,
                        e.getMaxX() + i * w,
                        e.getMaxY() + j * h);
            }
        }
        path(
                panel,
                e.getMinX() - 7e6,
                e.getMinY() - 7e6,
                e.getMinX() + 2 * w + 5e6,
                e.getMinY() + 3 * h + 5e6);
        all.put("panel_drawing", panel + "M02*\n");
        return all;
    }

    private static StringBuilder gerber(String aperture) {
        return new StringBuilder("%FSLAX46Y46*%\n%MOMM*%\n%ADD10" + aperture + "*%\nG01*\nD10*\n");
    }

    private static void path(StringBuilder s, double x0, double y0, double x1, double y1) {
        s.append(xy(x0, y0)).append("D02*\n");
        s.append(xy(x1, y0)).append("D01*\n");
        s.append(xy(x1, y1)).append("D01*\n");
        s.append(xy(x0, y1)).append("D01*\n");
        s.append(xy(x0, y0)).append("D01*\n");
    }

    private static String xy(double x, double y) {
        return String.format(Locale.ROOT, "X%dY%d", Math.round(x), Math.round(y));
    }
}
