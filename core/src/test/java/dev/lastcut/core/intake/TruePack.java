package dev.lastcut.core.intake;

import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.UnaryOperator;

/** A pack that nobody here drew, with what is true of it; see {@code packs/README.md}. */
public record TruePack(Pack pack, JsonObject truth) {
    public static final List<String> NAMES =
            List.of(
                    "p01_extensions_inch",
                    "p02_extensions_macros",
                    "p03_joined_painted",
                    "p04_terse_four",
                    "p05_letters_four",
                    "p06_mill_old",
                    "p07_mill_single",
                    "p08_joined_netlist",
                    "p09_big_stroked",
                    "p10_defects_copper",
                    "p11_defects_tables",
                    "p12_defects_other");

    /** Packs in other languages and habits, whose truth says what is expected of them. */
    public static final List<String> OTHER_HANDS =
            List.of(
                    "p13_sagoma",
                    "p14_lagen",
                    "p15_entrega",
                    "p16_ketto",
                    "p17_borrfil",
                    "p18_kart",
                    "p19_L1_L4",
                    "p20_upper_lower");

    private static final Map<String, String> ROLES =
            Map.ofEntries(
                    Map.entry("top_copper", "copper-top"),
                    Map.entry("bottom_copper", "copper-bottom"),
                    Map.entry("inner1", "copper-inner-1"),
                    Map.entry("inner2", "copper-inner-2"),
                    Map.entry("top_mask", "mask-top"),
                    Map.entry("bottom_mask", "mask-bottom"),
                    Map.entry("top_paste", "paste-top"),
                    Map.entry("bottom_paste", "paste-bottom"),
                    Map.entry("top_silk", "silk-top"),
                    Map.entry("bottom_silk", "silk-bottom"),
                    Map.entry("outline", "outline"),
                    Map.entry("drill_pth", "plated-holes"),
                    Map.entry("drill_npth", "unplated-holes"),
                    Map.entry("bom", "parts-list"),
                    Map.entry("placement", "placement"),
                    Map.entry("netlist", "netlist"));

    public static TruePack of(String name) {
        try (InputStream zip = TruePack.class.getResourceAsStream("/packs/" + name + ".zip");
                InputStream truth =
                        TruePack.class.getResourceAsStream("/packs/" + name + ".truth.json")) {
            String json = new String(truth.readAllBytes(), StandardCharsets.UTF_8);
            return new TruePack(
                    PackReader.fromZip(name + ".zip", zip.readAllBytes()),
                    JsonParser.parseString(json).getAsJsonObject());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (UnusablePackException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The true role of every file, by path. */
    Map<String, String> roles() {
        Map<String, String> byLeaf = new LinkedHashMap<>();
        truth.getAsJsonObject("roles")
                .entrySet()
                .forEach(e -> byLeaf.put(leaf(e.getValue().getAsString()), ROLES.get(e.getKey())));
        Map<String, String> roles = new LinkedHashMap<>();
        pack.files().forEach(f -> roles.put(f.path(), byLeaf.get(leaf(f.path()))));
        return roles;
    }

    /** The roles that are right for each file, by its name without folders. */
    Map<String, List<String>> rightRoles() {
        Map<String, List<String>> all = new LinkedHashMap<>();
        truth.getAsJsonObject("roles")
                .entrySet()
                .forEach(
                        e -> {
                            String key = e.getKey().replaceAll("_\\d+$", "");
                            List<String> right = new ArrayList<>();
                            if (key.matches("inner\\d+")) {
                                right.add("copper-inner-" + key.substring(5));
                            } else if (key.equals("drill")) {
                                right.addAll(List.of("mixed-holes", "plated-holes"));
                            } else {
                                right.add(ROLES.get(key));
                            }
                            all.put(e.getValue().getAsString(), right);
                        });
        return all;
    }

    /** Every part as it truly lies. */
    List<PlacedPart> parts() {
        List<PlacedPart> all = new ArrayList<>();
        for (JsonElement e : truth.getAsJsonArray("parts")) {
            JsonObject p = e.getAsJsonObject();
            Side side = p.get("side").getAsString().equals("top") ? Side.TOP : Side.BOTTOM;
            Pt at = Pt.mm(p.get("x_mm").getAsDouble(), p.get("y_mm").getAsDouble());
            String package_ = p.get("package").getAsString();
            double turn = p.get("rot").getAsDouble();
            all.add(new PlacedPart(p.get("ref").getAsString(), "", package_, at, turn, side, 0));
        }
        return all;
    }

    static String leaf(String path) {
        return path.substring(path.lastIndexOf('/') + 1);
    }

    /** The same files called a01, a02 … in another order; true names by the new ones. */
    record Nameless(Pack pack, Map<String, String> trueNames) {}

    /**
     * @param comments whether the comments in files stay
     */
    Nameless nameless(long seed, boolean comments) {
        List<Pack.PackFile> shuffled = new ArrayList<>(pack.files());
        Collections.shuffle(shuffled, new Random(seed));
        List<Pack.PackFile> files = new ArrayList<>();
        Map<String, String> names = new LinkedHashMap<>();
        for (Pack.PackFile f : shuffled) {
            String name = String.format("a%02d", files.size() + 1);
            names.put(name, f.path());
            files.add(new Pack.PackFile(name, comments ? f.content() : silent(f.content())));
        }
        return new Nameless(new Pack("nameless", files), names);
    }

    private static byte[] silent(byte[] content) {
        return new String(content, StandardCharsets.ISO_8859_1)
                .replaceAll("(?m)^G04[^*]*\\*\\r?\\n", "")
                .replaceAll("%LN[^%]*%\\r?\\n", "")
                .replaceAll("(?m)^;.*\\r?\\n", "")
                .getBytes(StandardCharsets.ISO_8859_1);
    }

    Pack without(String path) {
        return new Pack(
                pack.name(), pack.files().stream().filter(f -> !f.path().equals(path)).toList());
    }

    Pack with(String path, String content) {
        List<Pack.PackFile> files = new ArrayList<>(pack.files());
        files.removeIf(f -> f.path().equals(path));
        files.add(new Pack.PackFile(path, content.getBytes(StandardCharsets.UTF_8)));
        return new Pack(pack.name(), files);
    }

    Pack renamed(UnaryOperator<String> leaf) {
        return new Pack(
                pack.name(),
                pack.files().stream()
                        .map(
                                f -> {
                                    int at = f.path().lastIndexOf('/') + 1;
                                    String path =
                                            f.path().substring(0, at)
                                                    + leaf.apply(f.path().substring(at));
                                    return new Pack.PackFile(path, f.content());
                                })
                        .toList());
    }

    String pathOf(String role) {
        return roles().entrySet().stream()
                .filter(e -> role.equals(e.getValue()))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElseThrow();
    }
}
