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
 * What nothing of ours understands is put right by hand: the columns of a foreign table are chosen,
 * sizes of tools that no file states are typed.
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

    /** A file of a pack, or what takes its place: its name and content. */
    private interface Instead {
        byte[] of(String name, byte[] content);
    }

    /** The joint box with that table in place of its own. */
    private static byte[] foreign() throws IOException {
        return changed(
                (name, content) ->
                        name.endsWith("parts.csv")
                                ? TABLE.getBytes(StandardCharsets.UTF_8)
                                : content);
    }

    /** The joint box whose drill file chooses tools and says nothing of them. */
    private static byte[] unsized() throws IOException {
        return changed(
                (name, content) ->
                        name.endsWith("holes.drl")
                                ? new String(content, StandardCharsets.UTF_8)
                                        .replaceAll("(T\\d)C[\\d.]+\\r?\\n", "")
                                        .getBytes(StandardCharsets.UTF_8)
                                : content);
    }

    private static byte[] changed(Instead instead) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(pack("joint-box")));
                ZipOutputStream out = new ZipOutputStream(bytes)) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                byte[] content = in.readAllBytes();
                byte[] now = instead.of(e.getName(), content);
                boolean list = now != content && e.getName().endsWith("parts.csv");
                out.putNextEntry(new ZipEntry(list ? "lista.csv" : e.getName()));
                out.write(now);
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
    void sizesOfToolsAreTyped() throws Exception {
        String card = "section[aria-label='How large are the holes of joint-box-holes.drl?']";
        bench.open("/");
        bench.drop("[data-over]", "joint-box.zip", unsized());
        bench.seeBoard();
        bench.seeText("[data-station=bring-in]", "1 question to answer");
        // What each answer changes is found by reading the pack with it.
        bench.seeText(card, "No file is in doubt then.");
        bench.seeText(card, "4 holes instead of ");
        bench.retype(card + " [aria-label='Diameter of T1 in mm']", "0.9");
        bench.retype(card + " [aria-label='Diameter of T2 in mm']", "1.2");
        bench.press("These are the sizes");
        bench.until(() -> bench.all(card).isEmpty());
        bench.click("[data-station=look-over]");
        bench.seeText("[aria-label='Hole sizes']", "0.900 mm");
        bench.seeText("[aria-label='Hole sizes']", "1.200 mm");
        bench.seeText("[aria-label='Hole sizes']", "3.200 mm");
        assertThat(bench.complaints()).isEmpty();
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
