package dev.lastcut.server.cli;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.api.Packs;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class VerifyCommandTest {
    @TempDir Path folder;

    private final ByteArrayOutputStream out = new ByteArrayOutputStream();
    private final ByteArrayOutputStream err = new ByteArrayOutputStream();

    private int verify(Path zip) {
        out.reset();
        err.reset();
        return new VerifyCommand(
                        new PrintStream(out, true, StandardCharsets.UTF_8),
                        new PrintStream(err, true, StandardCharsets.UTF_8))
                .run(List.of(zip.toString()));
    }

    /** What make wrote, packed by somebody else. */
    private byte[] handover() throws IOException {
        Path pack = folder.resolve("joint-box.zip");
        try (InputStream in = getClass().getResourceAsStream("/demo-packs/joint-box.zip")) {
            Files.write(pack, in.readAllBytes());
        }
        Path made = folder.resolve("made");
        PrintStream nowhere = new PrintStream(new ByteArrayOutputStream());
        new MakeCommand(nowhere, nowhere)
                .run(List.of(pack.toString(), "--for", "waggle-quick", "--out", made.toString()));
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes);
                Stream<Path> files = Files.walk(made)) {
            for (Path f : files.filter(Files::isRegularFile).sorted().toList()) {
                zip.putNextEntry(new ZipEntry(made.relativize(f).toString()));
                zip.write(Files.readAllBytes(f));
                zip.closeEntry();
            }
        }
        return bytes.toByteArray();
    }

    @Test
    void whatMakeWroteIsWholeAndWhatWasChangedSinceIsNamed() throws Exception {
        byte[] zip = handover();
        Path file = Files.write(folder.resolve("a.zip"), zip);
        assertThat(verify(file)).as(err.toString(StandardCharsets.UTF_8)).isZero();
        assertThat(out.toString(StandardCharsets.UTF_8)).contains("of joint-box");
        Files.write(
                file, Packs.edit(zip, n -> n.endsWith("netlist.ipc"), t -> t.replace("999", "99")));
        assertThat(verify(file)).isEqualTo(1);
        assertThat(err.toString(StandardCharsets.UTF_8))
                .startsWith("fabrication/netlist.ipc was shortened: ")
                .hasLineCount(1);
        assertThat(verify(folder.resolve("nowhere.zip"))).isEqualTo(2);
    }
}
