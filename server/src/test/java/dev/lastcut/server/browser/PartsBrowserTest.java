package dev.lastcut.server.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.server.LastCut;
import dev.lastcut.server.parts.CounterStand;
import java.awt.Color;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** The Parts station: the list, what else would do, cost, variants, a counter that is not there. */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class PartsBrowserTest extends BrowserTest {
    private static final String LIST = "[role=table][aria-label='Parts list']";
    private static final String PANEL = "section[aria-label=Parts]";
    private static final String OFFERS = "ul[aria-label='Parts that could be fitted']";
    private static final String DIFFERENCES = "table[aria-label='In what the variants differ']";

    @TempDir static Path data;
    @Autowired CounterStand counter;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    private void tell(String path) throws Exception {
        HttpRequest request =
                HttpRequest.newBuilder(URI.create(counter.address() + path))
                        .POST(HttpRequest.BodyPublishers.noBody())
                        .build();
        HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.discarding());
    }

    @AfterEach
    void well() throws Exception {
        tell("/mood?is=well");
    }

    private void atParts() throws Exception {
        bringIn("hive-scale-node");
        bench.click("[data-station=shop]");
        bench.click("[data-sheet=waggle-quick]");
        bench.see("[data-sheet=waggle-quick][aria-checked=true]");
        bench.click("[aria-label='Parts fitted']");
        bench.optionBeginning("top");
        bench.click("[data-station=parts]");
        bench.seeText(LIST, "100 nF");
    }

    private void tab(String name) {
        bench.click("[role=tab][data-parts=" + name + "]");
    }

    private void row(String designator) {
        bench.click(LIST + " [role=row][data-first='" + designator + "']");
    }

    /** Bare boards: every part is bought, of one counter or of two, and a closed one is said. */
    @Test
    void partsAreBoughtWhereTheyCostLeast() throws Exception {
        bringIn("joint-box");
        bench.click("[data-station=shop]");
        bench.click("[data-sheet=skep-pooled]");
        bench.click("[data-station=parts]");
        bench.seeText(LIST, "1");
        tab("buy");
        bench.press("Ask the counters");
        bench.see("[data-baskets-total]");
        double cheapest = total();
        assertThat(bench.all("[data-buy]")).isNotEmpty();
        double sum = 0;
        for (WebElement basket : bench.all("section[aria-label^='Basket of']")) {
            for (WebElement amount : basket.findElements(By.cssSelector("li .num.shrink-0"))) {
                sum += amount(amount);
            }
            WebElement carriage = basket.findElements(By.cssSelector(":scope > div")).get(1);
            sum += amount(carriage);
        }
        assertThat(sum).isCloseTo(cheapest, within(0.01 * bench.all("[data-buy]").size()));
        bench.click("input[name=aim][value=fewest-sellers]");
        bench.until(() -> bench.all("section[aria-label^='Basket of']").size() == 1);
        assertThat(total()).isGreaterThanOrEqualTo(cheapest);
        tell("/mood?is=down");
        bench.press("Ask again");
        bench.seeText(PANEL, "refuses: the counter is closed");
        bench.see("section[aria-label='Basket of Propolis counter']");
    }

    private double total() {
        return amount(bench.see("[data-baskets-total]"));
    }

    /** The last number of a text such as "Carriage, 2 days 8.90 EUR". */
    private static double amount(WebElement shown) {
        String[] words = shown.getText().split("\\s+");
        return Double.parseDouble(words[words.length - 2]);
    }

    @Test
    void fromTheListToAPartThatDoesAndCanBeHad() throws Exception {
        atParts();
        bench.seeText(PANEL, "kinds found at the counter by number");
        bench.until(
                () -> bench.all("button[data-take=sure]").stream().anyMatch(b -> b.isEnabled()));
        bench.click("button[data-take=sure]");
        bench.seeText(LIST + " [data-first='U3']", "not to be had, more in 84 days");
        bench.seeText(LIST + " [data-first='Q1']", "last orders");
        bench.seeText(PANEL, "11 of 6 kinds loaded to order");
        bench.seeText("[data-station=parts]", "in trouble");
        bench.seeText("[data-station=check]", "stops open");

        row("U3");
        bench.type("input[aria-label='A need']", "supplies at least 120 mA");
        bench.keys(Keys.ENTER);
        bench.seeText("ul[aria-label=Needs]", "supplies at least 120 mA");
        bench.seeText(OFFERS + " [data-offer=HP-V33-LITE]", "unproven");
        bench.click(OFFERS + " [data-offer=HP-V33-LITE] button[aria-expanded]");
        bench.seeText(OFFERS + " table", "not stated");
        bench.seeText(OFFERS + " [data-offer=HP-V33-B]", "pins are in another order");
        bench.type("input[aria-label='Search the counter']", "YD-V3V6");
        bench.keys(Keys.ENTER);
        bench.seeText(OFFERS, "YD-V3V6-300");
        bench.until(() -> bench.all(OFFERS + " [data-offer=HP-V33-LITE]").isEmpty());
        bench.retype("input[aria-label='Search the counter']", "");
        bench.keys(Keys.BACK_SPACE);
        bench.keys(Keys.ENTER);
        bench.see(OFFERS + " [data-offer=HP-V33-LITE]");
        bench.type("input[aria-label='A need']", "supplies at least 3 V + 2 A");
        bench.keys(Keys.ENTER);
        bench.seeText(PANEL + " [role=alert]", "cannot be added");

        bench.click(OFFERS + " [data-offer=YD-V3V3-300] button[data-take]");
        bench.seeText(PANEL, "Now: YD-V3V3-300");
        bench.press("‹ The whole list");
        bench.seeText(LIST + " [data-first='U3']", "YD-V3V3-300");
        bench.seeText(LIST + " [data-first='U3']", "line stock");
        // Back as it was, and what the history calls it.
        bench.hold("z", Keys.CONTROL);
        bench.seeText("section[aria-label='What was done']", "Undone: U3 is part YD-V3V3-300");
        bench.seeText(LIST + " [data-first='U3']", "not to be had");
        assertThat(bench.complaints()).filteredOn(c -> !c.contains("409")).isEmpty();
    }

    @Test
    void whatSavesIsTakenAndTheBatchCostsLess() throws Exception {
        atParts();
        bench.click("button[data-take=sure]");
        bench.seeText(LIST + " [data-first='C1']", "line stock");
        tab("cost");
        String hint = "ul[aria-label='What would save'] li";
        bench.seeText(hint, "TF-PFET2 is kept on the machines");
        double before = batch();
        String saves = bench.see(hint + " [data-saves]").getAttribute("data-saves");
        bench.click(hint + " button");
        bench.until(() -> Math.abs(before - batch() - Double.parseDouble(saves)) < 0.011);
        bench.retype("input[aria-label='Boards in the batch']", "50");
        bench.keys(Keys.ENTER);
        bench.seeText(PANEL, "50 boards");
        bench.until(() -> batch() > 3 * before);
        bench.reload();
        bench.seeText(PANEL, "50 boards");
    }

    private String text(String path) throws Exception {
        URI uri = URI.create("http://127.0.0.1:" + port + path);
        return HttpClient.newHttpClient()
                .send(HttpRequest.newBuilder(uri).build(), HttpResponse.BodyHandlers.ofString())
                .body();
    }

    private double batch() {
        return Double.parseDouble(bench.see("[data-cost=batch]").getText().split(" ")[0]);
    }

    @Test
    void variantsAndTheirWayToTheOutputs() throws Exception {
        atParts();
        tab("variants");
        for (String name : new String[] {"Mains", "Dumb"}) {
            bench.type("input[aria-label='Name of a new variant']", name);
            bench.keys(Keys.ENTER);
            bench.seeText(PANEL + " [role=radiogroup]", name);
        }
        // One part set in two variants in one act.
        tab("list");
        row("J3");
        bench.click("[data-in='']");
        bench.click("[data-in=Mains]");
        bench.click("[data-in=Dumb]");
        bench.press("Leave off");
        tab("variants");
        bench.seeText(DIFFERENCES, "J3");
        bench.seeText(PANEL, "In what they differ 1 of 58 parts");
        assertThat(bench.see(DIFFERENCES + " tbody tr").getText()).contains("left off left off");
        Color fitted = bench.colorAt(29.5, 57.5);
        bench.click("[role=radio][data-build=Mains]");
        bench.seeText("[data-station=parts]", "Mains:");
        // Left off it is an empty outline: its plate is gone from the table.
        bench.until(() -> !bench.colorAt(29.5, 57.5).equals(fitted));

        tab("files");
        bench.seeText("ul[aria-label='Output files']", "assembly/parts.xlsx");
        String job = bench.path().replaceFirst("/jobs/(\\d+).*", "/api/jobs/$1");
        assertThat(text(job + "/outputs/file?path=assembly/placement.csv"))
                .doesNotContain("J3,")
                .contains("D3,");
        assertThat(text(job + "/outputs/file?path=assembly/parts.csv")).doesNotContain("J3");
        assertThat(text(job + "/ticket.json")).contains("\"variant\" : \"Mains\"");
    }

    @Test
    void aCounterThatIsDownLosesNothing() throws Exception {
        atParts();
        bench.seeText(PANEL, "as of");
        tell("/mood?is=down");
        bench.press("Ask again");
        bench.seeText(PANEL, "The counter refuses: the counter is closed (status 503)");
        bench.seeText(PANEL, "Nothing of yours is lost");
        // The list is all there, and can be worked on, by keyboard alone.
        bench.see("input[aria-label='Find in the list']").sendKeys("R2", Keys.TAB, Keys.TAB);
        bench.keys(Keys.ENTER);
        bench.seeText(PANEL, "Set it");
        tell("/mood?is=well");
        bench.press("Ask again");
        bench.seeText(PANEL, "as of");
    }
}
