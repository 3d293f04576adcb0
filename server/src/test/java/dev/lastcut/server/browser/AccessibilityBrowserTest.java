package dev.lastcut.server.browser;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.LastCut;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** Every station, looked at by a library that knows the guidelines for accessible pages (WCAG). */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class AccessibilityBrowserTest extends BrowserTest {
    private static final Path AXE = Path.of("../web/node_modules/axe-core/axe.min.js");

    @TempDir static Path data;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    /** What is serious or worse, as "rule: where". */
    @SuppressWarnings("unchecked")
    private List<String> serious() throws Exception {
        bench.ask(Files.readString(AXE));
        bench.ask("window.found = null; axe.run().then((r) => { window.found = r.violations; })");
        bench.until(() -> bench.ask("return window.found !== null").equals(true));
        List<String> all = new ArrayList<>();
        for (Map<String, Object> v : (List<Map<String, Object>>) bench.ask("return window.found")) {
            if (List.of("serious", "critical").contains(v.get("impact"))) {
                for (Map<String, Object> n : (List<Map<String, Object>>) v.get("nodes")) {
                    all.add(v.get("id") + ": " + n.get("html"));
                }
            }
        }
        return all;
    }

    @Test
    void nothingSeriousOnAnyStation() throws Exception {
        bench.open("/");
        bench.see("[data-over]");
        List<String> found = new ArrayList<>();
        serious().forEach(s -> found.add("start " + s));
        bringInFor("anvil-mini", "joint-box");
        List<String> stations =
                bench.all("nav [data-station]").stream()
                        .map(e -> e.getAttribute("data-station"))
                        .toList();
        assertThat(stations).contains("bring-in", "mill", "cut", "bench");
        for (String station : stations) {
            bench.click("nav [data-station=" + station + "]");
            bench.see("nav [data-station=" + station + "][aria-current=step]");
            bench.until(d -> !d.findElements(By.cssSelector("aside section h1")).isEmpty());
            serious().forEach(s -> found.add(station + " " + s));
        }
        bench.open("/");
        bench.drop("[data-over]", "hive-alarm.zip", pack("hive-alarm"));
        bench.click("nav [data-station=shop]");
        bench.click("[data-sheet=burr-strip]");
        bench.click("nav [data-station=strips]");
        bench.see("[aria-label='Strip board']");
        serious().forEach(s -> found.add("strips " + s));
        assertThat(found).isEmpty();
    }
}
