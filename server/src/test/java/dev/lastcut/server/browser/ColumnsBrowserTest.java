package dev.lastcut.server.browser;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.LastCut;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/**
 * A foreign table that nothing of ours understands: its columns are chosen, and then it is read.
 */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class ColumnsBrowserTest extends BrowserTest {
    private static final String QUESTION = "section[aria-label='What is lista.csv?']";
    private static final String DIALOG = "[role=dialog]";

    /** Designators with the number first, headings in no language. */
    private static final String TABLE =
            "qorv;zimble;plaf\n1-R;10k;0805\n2-R;10k;0805\n1-C;100n;0805\n2-C;100n;0805\n";

    @TempDir static Path data;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    /** The joint box with that table in place of its own. */
    private static byte[] foreign() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(pack("joint-box")));
                ZipOutputStream out = new ZipOutputStream(bytes)) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                boolean list = e.getName().endsWith("parts.csv");
                out.putNextEntry(new ZipEntry(list ? "lista.csv" : e.getName()));
                out.write(list ? TABLE.getBytes(StandardCharsets.UTF_8) : in.readAllBytes());
            }
        }
        return bytes.toByteArray();
    }

    private void dropForeign() throws IOException {
        bench.open("/");
        bench.drop("[data-over]", "joint-box.zip", foreign());
        bench.seeBoard();
        bench.until(() -> bench.path().endsWith("/bring-in"));
        bench.seeText(QUESTION, "no column lists designators");
        bench.seeText("[data-station=bring-in]", "1 question to answer");
    }

    private String select(String heading) {
        return DIALOG + " [aria-label='What " + heading + " holds']";
    }

    private void read() {
        bench.until(() -> bench.all(QUESTION).isEmpty() && bench.all(DIALOG).isEmpty());
        assertThat(bench.see("[aria-label='Role of lista.csv']").getText()).contains("parts list");
        bench.seeText("[aria-label='Files of the board']", "4 parts");
        bench.click("[data-station=parts]");
        bench.seeText("main, body", "100n");
        assertThat(bench.complaints()).isEmpty();
    }

    @Test
    void withTheMouse() throws Exception {
        dropForeign();
        bench.click(QUESTION + " [aria-label='Choose columns of lista.csv']");
        bench.seeText(DIALOG, "1-R");
        bench.seeText(DIALOG, "Say which column lists the designators.");
        bench.click(select("qorv"));
        bench.option("designator");
        bench.click(select("zimble"));
        bench.option("value");
        bench.click(select("plaf"));
        bench.option("package");
        bench.press("Read it with these columns");
        read();

        // What was chosen can be taken back, and then it is asked again.
        bench.click("[data-station=bring-in]");
        bench.click("[aria-label='Columns of lista.csv']");
        assertThat(bench.see(select("zimble")).getText()).contains("value");
        bench.press("Take back");
        bench.see(QUESTION);
    }

    @Test
    void byKeyboardAlone() throws Exception {
        dropForeign();
        // The first answer has the focus.
        bench.keys(Keys.ENTER);
        bench.see(select("qorv"));
        for (String kind : List.of("d", "v", "p")) {
            WebElement open = bench.see(DIALOG);
            assertThat(open.isDisplayed()).isTrue();
            bench.keys(Keys.ENTER);
            bench.until(() -> !bench.all("[role=listbox]").isEmpty());
            bench.keys(kind);
            bench.keys(Keys.ENTER);
            bench.until(() -> bench.all("[role=listbox]").isEmpty());
            bench.keys(Keys.TAB);
        }
        // Past "Cancel".
        bench.keys(Keys.TAB);
        bench.keys(Keys.ENTER);
        read();
    }
}
