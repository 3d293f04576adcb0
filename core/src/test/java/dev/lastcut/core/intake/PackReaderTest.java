package dev.lastcut.core.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class PackReaderTest {
    private static byte[] zip(Map<String, byte[]> files) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(bytes)) {
            for (Map.Entry<String, byte[]> e : files.entrySet()) {
                out.putNextEntry(new ZipEntry(e.getKey()));
                out.write(e.getValue());
            }
        }
        return bytes.toByteArray();
    }

    private static void refused(byte[] bytes, String saying) {
        assertThatThrownBy(() -> PackReader.fromZip("board.zip", bytes))
                .isInstanceOf(UnusablePackException.class)
                .hasMessageContaining("board.zip")
                .hasMessageContaining(saying);
    }

    @Test
    void filesComeOutByteForByteInOrder() throws Exception {
        Pack pack =
                PackReader.fromZip(
                        "board.zip",
                        zip(Map.of("b.gbr", new byte[] {1, 2, 0, 3}, "a/c.drl", new byte[] {9})));
        assertThat(pack.files())
                .extracting(Pack.PackFile::path)
                .containsExactly("a/c.drl", "b.gbr");
        assertThat(pack.files().get(1).content()).containsExactly(1, 2, 0, 3);
    }

    @Test
    void whatCannotBeUsedIsRefusedWithTheReason() throws IOException {
        byte[] good = zip(Map.of("a.gbr", "G04 x*".repeat(500).getBytes(StandardCharsets.UTF_8)));
        refused("hello".getBytes(StandardCharsets.UTF_8), "not a zip");
        refused(zip(Map.of()), "holds no files");
        refused(zip(Map.of("../up.gbr", new byte[1])), "outside its own folder");
        refused(zip(Map.of("/etc/x", new byte[1])), "outside its own folder");
        byte[] deep = zip(Map.of("c.zip", zip(Map.of("b.zip", zip(Map.of("a.zip", good))))));
        refused(deep, "zips within zips");
        refused(zip(Map.of("inner.zip", Arrays.copyOf(good, good.length / 3))), "inner.zip");
        byte[] cut = Arrays.copyOf(good, good.length / 3);
        refused(cut, "zip");
    }

    @Test
    void aZipBombIsStoppedAtTheLimit() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(bytes)) {
            out.putNextEntry(new ZipEntry("huge.gbr"));
            byte[] megabyte = new byte[1 << 20];
            for (int i = 0; i <= PackReader.MOST_BYTES >> 20; i++) {
                out.write(megabyte);
            }
        }
        assertThat(bytes.size()).isLessThan(1 << 20);
        refused(bytes.toByteArray(), "256 MB");
    }

    @Test
    void looseFilesAreOnePackAndAZipAloneIsTakenApart() throws Exception {
        byte[] one = {1};
        Pack loose =
                PackReader.fromLoose(
                        "loose",
                        List.of(
                                new Pack.PackFile("b\\c.gbr", one),
                                new Pack.PackFile("a.gbr", one)));
        assertThat(loose.name()).isEqualTo("loose");
        assertThat(loose.files())
                .extracting(Pack.PackFile::path)
                .containsExactlyInAnyOrder("a.gbr", "b/c.gbr");
        byte[] zip = zip(Map.of("x.gbr", one, "y.gbr", one));
        Pack apart = PackReader.fromLoose("loose", List.of(new Pack.PackFile("board.ZIP", zip)));
        assertThat(apart.files()).hasSize(2);
        assertThatThrownBy(
                        () ->
                                PackReader.fromLoose(
                                        "loose", List.of(new Pack.PackFile("../a.gbr", one))))
                .hasMessageContaining("outside its own folder");
        Pack together =
                PackReader.fromLoose(
                        "loose",
                        List.of(new Pack.PackFile("a.gbr", one), new Pack.PackFile("b.zip", zip)));
        assertThat(together.files())
                .extracting(Pack.PackFile::path)
                .containsExactly("a.gbr", "b.zip/x.gbr", "b.zip/y.gbr");
    }

    @Test
    void aFolderIsReadWithItsFolders(@TempDir Path folder) throws Exception {
        Files.createDirectories(folder.resolve("drill/deep"));
        Files.write(folder.resolve("a.gbr"), new byte[] {1});
        Files.write(folder.resolve("drill/deep/b.drl"), new byte[] {2, 3});
        Pack pack = PackReader.fromFolder(folder);
        assertThat(pack.name()).isEqualTo(folder.getFileName().toString());
        assertThat(pack.files())
                .extracting(f -> f.path() + " " + f.content().length)
                .containsExactlyInAnyOrder("a.gbr 1", "drill/deep/b.drl 2");
    }

    /** 500 files are a pack, one more is not. */
    @Test
    void theMostFilesOfAPack() throws Exception {
        List<Pack.PackFile> files = new ArrayList<>();
        for (int i = 0; i < 500; i++) {
            files.add(new Pack.PackFile("f" + i + ".gbr", new byte[] {1}));
        }
        assertThat(PackReader.fromLoose("many", files).files()).hasSize(500);
        files.add(new Pack.PackFile("one-more.gbr", new byte[] {1}));
        assertThatThrownBy(() -> PackReader.fromLoose("many", files))
                .hasMessageContaining("more than 500 files");
    }
}
