package dev.lastcut.server.browser;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.LastCut;
import dev.lastcut.server.jobs.ParcelService;
import java.io.ByteArrayOutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** The jobs on the bench. */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class StartBrowserTest extends BrowserTest {
    @TempDir static Path data;

    @Autowired ParcelService parcels;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    @Test
    void jobsAreFoundRenamedCopiedLaidAsideAndTakenBack() throws Exception {
        bench.open("/");
        bench.drop("[data-over]", "joint-box.zip", pack("joint-box"));
        bench.seeBoard();
        bench.open("/");
        bench.see("[data-job='1'] img");
        bench.seeText("[data-job='1']", "no shop yet");
        bench.seeText("[data-job='1']", "brought in");
        bench.press("Rename");
        bench.see("input[aria-label='New name']").sendKeys(Keys.chord(Keys.CONTROL, "a"), "cell");
        bench.see("input[aria-label='New name']").sendKeys(Keys.ENTER);
        bench.seeText("[data-job='1']", "cell");
        bench.press("Copy");
        bench.seeText("main", "cell copy");
        bench.type("input[aria-label='Find a job']", "copy cell");
        bench.until(() -> bench.all("[data-job]").size() == 1);
        bench.press("Lay aside");
        bench.seeText("main", "No job has that");
        bench.press("Laid aside 1");
        bench.press("Back on the bench");
        bench.retype("input[aria-label='Find a job']", "cell" + Keys.ENTER);
        bench.until(() -> bench.all("button[aria-pressed=true]").isEmpty());
        bench.seeText("[data-job='2']", "cell copy");
        bench.click("[data-job='2'] button.text-stop");
        bench.seeText("[role=dialog]", "Delete cell copy?");
        bench.press("Delete it");
        bench.seeText("ul[aria-label='Deleted jobs']", "cell copy was deleted");
        bench.until(() -> bench.all("[data-job]").size() == 1);
        bench.press("Take it back");
        bench.seeText("[data-job='2']", "cell copy");
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        parcels.pack(1, out);
        byte[] whole = out.toByteArray();
        Path file = Files.write(data.resolve("cell.lastcut"), whole);
        bench.upload("input[aria-label=\"Open a job's file\"]", file);
        bench.seeText("[data-job='3']", "cell");
        Path bad = Files.write(data.resolve("bad.lastcut"), Arrays.copyOf(whole, 900));
        bench.upload("input[aria-label=\"Open a job's file\"]", bad);
        bench.seeText("[role=alert]", "Nothing was changed");
        bench.click("[data-job='2'] button");
        bench.seeBoard();
        assertThat(bench.path()).isEqualTo("/jobs/2/look-over");
    }
}
