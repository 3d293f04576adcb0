package dev.lastcut.core.cut;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.cut.Verification.Kind;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;

class VerificationTest {
    private static byte[] utf8(String s) {
        return s.getBytes(StandardCharsets.UTF_8);
    }

    private static Map<String, byte[]> cut() {
        Map<String, byte[]> files = new LinkedHashMap<>();
        files.put("fabrication/copper-top.gbr", utf8("G04 copper*\nM02*\n"));
        files.put("fabrication/outline.gbr", utf8("G04 outline*\nM02*\n"));
        files.put("note.txt", utf8("five boards"));
        StringBuilder list = new StringBuilder();
        files.forEach(
                (path, content) ->
                        list.append(list.isEmpty() ? "" : ",")
                                .append("{\"path\":\"")
                                .append(path)
                                .append("\",\"bytes\":")
                                .append(content.length)
                                .append(",\"sha256\":\"")
                                .append(Manifest.sha256(content))
                                .append("\"}"));
        files.put(
                "manifest.json",
                utf8(
                        "{\"job\":\"a board\",\"number\":3,\"created\":\"2026-01-02T03:04:05Z\","
                                + "\"files\":["
                                + list
                                + "]}"));
        return files;
    }

    private static byte[] zip(Map<String, byte[]> files) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> e : files.entrySet()) {
                zip.putNextEntry(new ZipEntry(e.getKey()));
                zip.write(e.getValue());
                zip.closeEntry();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    @Test
    void aCutAsItWasMadeIsWholeInAnyOrder() {
        Verification v = Verification.of(zip(cut()));
        assertThat(v.isWhole()).isTrue();
        assertThat(v.cut().orElseThrow())
                .isEqualTo(new Verification.Named("a board", 3, "2026-01-02T03:04:05Z"));
        Map<String, byte[]> turned = new LinkedHashMap<>();
        cut().entrySet().stream()
                .sorted(Map.Entry.<String, byte[]>comparingByKey().reversed())
                .forEach(e -> turned.put(e.getKey(), e.getValue()));
        assertThat(Verification.of(zip(turned)).isWhole()).isTrue();
    }

    @Test
    void everyKindOfTamperingIsNamedByFile() {
        Map<String, byte[]> files = cut();
        files.put("fabrication/copper-top.gbr", utf8("G04 kopper*\nM02*\n"));
        files.put("fabrication/edge.gbr", files.remove("fabrication/outline.gbr"));
        files.put("note.txt", utf8("five"));
        files.put("extra.txt", utf8("more"));
        assertThat(Verification.of(zip(files)).faults())
                .extracting(Verification.Fault::kind, Verification.Fault::path)
                .containsExactlyInAnyOrder(
                        org.assertj.core.groups.Tuple.tuple(
                                Kind.CHANGED, "fabrication/copper-top.gbr"),
                        org.assertj.core.groups.Tuple.tuple(
                                Kind.RENAMED, "fabrication/outline.gbr"),
                        org.assertj.core.groups.Tuple.tuple(Kind.SHORTENED, "note.txt"),
                        org.assertj.core.groups.Tuple.tuple(Kind.ADDED, "extra.txt"));
        files.remove("note.txt");
        assertThat(Verification.of(zip(files)).faults())
                .extracting(Verification.Fault::says)
                .anyMatch(s -> s.equals("note.txt is missing."))
                .anyMatch(
                        s ->
                                s.equals(
                                        "fabrication/outline.gbr is called fabrication/edge.gbr here."));
    }

    /** A zip cut off at any byte is never whole, and never more than a sentence. */
    @Test
    void aZipCutOffAnywhereIsNotWhole() {
        byte[] whole = zip(cut());
        for (int length = 0; length < whole.length; length++) {
            Verification v = Verification.of(Arrays.copyOf(whole, length));
            assertThat(v.isWhole()).as("first %d bytes", length).isFalse();
            assertThat(v.faults()).isNotEmpty();
        }
    }

    /** One byte of any file turned over is told of that file. */
    @Test
    void oneByteOfAFileIsEnough() {
        Random r = new Random(3);
        for (int i = 0; i < 200; i++) {
            Map<String, byte[]> files = cut();
            String path = files.keySet().stream().toList().get(r.nextInt(3));
            byte[] content = files.get(path).clone();
            content[r.nextInt(content.length)] ^= (byte) (1 << r.nextInt(8));
            files.put(path, content);
            assertThat(Verification.of(zip(files)).faults())
                    .singleElement()
                    .satisfies(f -> assertThat(f.path()).isEqualTo(path))
                    .satisfies(f -> assertThat(f.kind()).isEqualTo(Kind.CHANGED));
        }
    }

    @Test
    void whatIsNoCutIsSaid() {
        assertThat(Verification.of(new byte[0]).faults().get(0).says())
                .isEqualTo("It is no zip file.");
        assertThat(Verification.of(zip(Map.of("a.txt", utf8("b")))).faults().get(0).kind())
                .isEqualTo(Kind.MANIFEST);
        assertThat(Verification.of(zip(Map.of("manifest.json", utf8("{\"files\": 3}")))).cut())
                .isEmpty();
    }
}
