package dev.lastcut.core.cut;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.TimeZone;
import org.junit.jupiter.api.Test;

class CutZipTest {
    private static final List<OutputFile> FILES =
            List.of(
                    new OutputFile("a/b.txt", "hello".getBytes(StandardCharsets.UTF_8), "a file"),
                    new OutputFile("c.txt", new byte[0], "an empty one"));

    @Test
    void itIsTheSameInEveryTimeZoneAndGivesItsFilesBack() {
        TimeZone zone = TimeZone.getDefault();
        try {
            TimeZone.setDefault(TimeZone.getTimeZone("Pacific/Auckland"));
            byte[] there = ZipFiles.write(FILES, "2026-03-01T23:30:10Z", "");
            TimeZone.setDefault(TimeZone.getTimeZone("America/Anchorage"));
            assertThat(ZipFiles.write(FILES, "2026-03-01T23:30:10Z", "")).isEqualTo(there);
            assertThat(ZipFiles.write(FILES, "2026-03-01T23:30:12Z", "")).isNotEqualTo(there);
            assertThat(CutZip.read(there, "a/b.txt"))
                    .contains("hello".getBytes(StandardCharsets.UTF_8));
            assertThat(CutZip.read(there, "none")).isEmpty();
        } finally {
            TimeZone.setDefault(zone);
        }
    }

    /** A report with many pictures is tens of megabytes: it is given back to its last byte. */
    @Test
    void aLargeFileIsGivenBackWhole() {
        byte[] report = new byte[20 << 20];
        report[report.length - 1] = 1;
        byte[] zip =
                ZipFiles.write(
                        List.of(new OutputFile("report.html", report, "a report")),
                        "2026-03-01T23:30:10Z",
                        "");
        assertThat(CutZip.read(zip, "report.html").orElseThrow()).isEqualTo(report);
    }
}
