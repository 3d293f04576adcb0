package dev.lastcut.server.browser;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.LastCut;
import dev.lastcut.server.orders.DeskStand;
import dev.lastcut.server.report.Json;
import dev.lastcut.server.standin.Moods;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import tools.jackson.databind.JsonNode;

/** From a board to an order that is shipped, and an order whose connection is lost. */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class OrderBrowserTest extends BrowserTest {
    private static final String ORDER = "section[aria-label=Order]";
    private static final String STATION = "[data-station=order]";

    @TempDir static Path data;
    @Autowired DeskStand desk;
    @Autowired JdbcClient jdbc;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
        registry.add("lastcut.desk.pace-ms", () -> "500");
    }

    @AfterEach
    void well() throws Exception {
        mood("well");
    }

    private void mood(String is) throws Exception {
        Moods.set(desk.address(), is);
    }

    private String ask(HttpRequest.Builder request) throws Exception {
        return HttpClient.newHttpClient()
                .send(request.build(), HttpResponse.BodyHandlers.ofString())
                .body();
    }

    private HttpRequest.Builder at(long job, String path) {
        String page = "http://127.0.0.1:" + port;
        return HttpRequest.newBuilder(URI.create(page + "/api/jobs/" + job + path))
                .header("Origin", page)
                .header("Content-Type", "application/json");
    }

    private void post(long job, String path, Object body) throws Exception {
        ask(at(job, path).POST(HttpRequest.BodyPublishers.ofByteArray(Json.write(body))));
    }

    private void signOffStops(long job) throws Exception {
        List<String> stops = new ArrayList<>();
        for (JsonNode f : Json.MAPPER.readTree(ask(at(job, "/check").GET())).path("findings")) {
            if (f.path("severity").asString().equals("stop")) {
                stops.add(f.path("id").asString());
            }
        }
        post(job, "/sign-offs", Map.of("findings", stops, "by", "Ida", "reason", "planted"));
    }

    private void cut() {
        bench.click("[data-station=cut]");
        bench.press("Make the cut");
        bench.seeText("ul[aria-label=Cuts]", "Cut 1");
        bench.seeText("[data-next=order]", "Order the cut.");
        bench.click("[data-next=order]");
    }

    @Test
    void fromAPanelToAnOrderThatIsShipped() throws Exception {
        bringInFor("waggle-quick", "joint-box");
        bench.click("button[aria-label='Parts fitted']");
        bench.optionBeginning("top");
        bench.seeText("[aria-label=Quote]", "Parts and their fitting");
        bench.seeText("[data-option=order-mark]", "No place is said yet.");
        bench.press("Find room");
        bench.seeText("[data-option=order-mark]", "Dashed on the table");
        String x = bench.see("input[aria-label='Order mark x, mm']").getAttribute("value");
        bench.retype("input[aria-label='Order mark x, mm']", "-3" + Keys.ENTER);
        bench.press("Find room");
        bench.until(
                () ->
                        bench.see("input[aria-label='Order mark x, mm']")
                                .getAttribute("value")
                                .equals(x));
        bench.click("[data-station=panel]");
        bench.press("Make a panel of 2 × 2");
        bench.see("[role=application][data-boards='4'][data-ready=true]");
        cut();
        bench.press("Send cut 1 to the desk");
        bench.seeText(ORDER, "nothing is ordered yet");
        bench.seeText("[data-upload-check]", "parcels arrived as the packing list has them");
        bench.seeText("[data-parcel='board.zip']", "copper bottom");
        // Five boards, four on each panel of 177.48 × 131.76 mm.
        bench.seeText("section[aria-label=Price]", "2 panels of 233.85 cm²");
        bench.seeText("section[aria-label='As the desk read it']", "177.48 × 131.76 mm");
        bench.seePicture("img[alt^='panel, bottom']");
        bench.press("Board");
        bench.seeText("section[aria-label='As the desk read it']", "78.74 × 55.88 mm");
        bench.seeText(STATION, "quoted, not ordered");

        bench.click("section[aria-label='Options at the desk'] button[aria-label=Carriage]");
        bench.optionBeginning("courier");
        bench.seeText("section[aria-label=Price]", "Carriage: courier");
        bench.retype("input[aria-label='Boards ordered']", "9" + Keys.ENTER);
        bench.seeText("section[aria-label=Price]", "3 panels of 233.85 cm²");
        bench.seeText("[data-station=cut]", "cut 1 of");
        String total = bench.see("[data-total]").getText();
        bench.retype("input[aria-label='Ordered by']", "Ida");
        bench.type("input[aria-label='Note for the desk']", "no hurry");
        bench.press("Order for " + total);
        bench.seeText(STATION, "D-1001");
        bench.seeText("[data-next=order]", "See what the order desk waits for.");
        mood("down");
        bench.press("Withdraw the order …");
        bench.press("Yes, withdraw");
        bench.seeText("[data-order] [role=alert]", "The order desk refuses: the desk is closed");
        mood("well");
        bench.click("[data-question] input[value='Leave it out']");
        bench.click("[data-question] button[type=submit]");
        bench.seeText("[data-question]", "✓ Leave it out");
        bench.click("[data-question=parts-list] input[value='Leave it out']");
        bench.click("[data-question=parts-list] button[type=submit]");
        bench.seeText("[data-state=shipped]", "It is parcel D-1001-1.");
        bench.reload();
        bench.seeText(STATION, "D-1001, shipped");
        assertThat(bench.all("[data-step][data-reached=true]")).hasSize(6);
        bench.click("[data-station=cut]");
        bench.seeText("[data-handed='1']", "order desk, order D-1001");
    }

    /** A line that the house does not know, a part that lies turned, and the way back from both. */
    @Test
    void aTurnedPartIsSeenAtTheDeskAndPutRightWithASmallUpload() throws Exception {
        bringInFor("waggle-quick", "hive-scale-node");
        long job = jdbc.sql("select max(id) from job").query(Long.class).single();
        post(job, "/placement/turns", List.of(Map.of("designator", "U2", "degrees", 90)));
        bench.reload();
        bench.click("button[aria-label='Parts fitted']");
        bench.optionBeginning("top");
        bench.seeText("[aria-label=Quote]", "Parts and their fitting");
        signOffStops(job);
        bench.reload();
        cut();
        bench.press("Send cut 1 to the desk");
        bench.seeText("[aria-label='The parts list as the desk read it']", "1 proposed");
        bench.seeText("[data-line=proposed]", "By value and package it would be CH-R-4K7.");
        bench.seeText("[data-turned=U2]", "A turn of 270° brings them together.");
        bench.seePicture("img[alt^='board, top']");
        bench.press("Turn U2 by 270°");
        bench.press("Make cut 2 and send the changes");
        bench.seeText(ORDER, "Cut 2 at the desk: nothing is ordered yet");
        bench.seeText("[data-parcel='board.zip']", "unchanged since cut 1");
        bench.seeText("[data-parcel='list.csv']", "unchanged since cut 1");
        assertThat(bench.see("[data-parcel='placement.csv']").getText()).doesNotContain("since");
        bench.seeText("[aria-label='Parts as the desk places them']", "as the cut means it");
        assertThat(bench.all("[data-turned]")).isEmpty();
        bench.seeText("ul[aria-label=Orders]", "Cut 2 took its place.");
        bench.press("Take CH-R-4K7");
        bench.seeText(ORDER, "Changed since cut 2");
        bench.press("Choose a part for R16 …");
        bench.see("[data-station=parts][aria-current=step]");
    }

    /** A pack by another hand goes to the desk as it came, and is ordered without a cut. */
    @Test
    void filesGoToTheDeskAsTheyCame() throws Exception {
        bringInFor("skep-pooled", "p07_mill_single");
        bench.click("[data-station=order]");
        bench.press("Send the files as they came");
        bench.seeText(ORDER, "The files as they came at the desk: nothing is ordered yet");
        bench.seeText("[data-parcel='as-they-came.zip']", "copper");
        bench.seePicture("img[alt^='board, top']");
        bench.retype("input[aria-label='Ordered by']", "Ida" + Keys.ENTER);
        bench.seeText(ORDER, "of the files as they came, by Ida");
    }

    /** Whichever request is lost, sending and ordering go on where they were. */
    @Test
    void aConnectionLostAtEachStepIsTakenUpAgain() throws Exception {
        bringInFor("skep-pooled", "joint-box");
        cut();
        for (int n = 1; n <= 4; n++) {
            Moods.set(desk.address(), "mute", n);
            bench.press("Send cut 1 to the desk");
            bench.until(
                    () ->
                            !bench.all("[data-open-order=read]").isEmpty()
                                    || !bench.all("[data-open-order=sending] [role=alert]")
                                            .isEmpty());
            if (bench.all("[data-open-order=read]").isEmpty()) {
                bench.press("Send it again");
            }
            bench.see("[data-open-order=read]");
            mood("well");
            bench.press("Leave it, order nothing");
            bench.until(() -> bench.all("[data-open-order]").isEmpty());
        }
        assertThat(bench.all("[data-number]")).isEmpty();
        bench.press("Send cut 1 to the desk");
        bench.retype("input[aria-label='Ordered by']", "Ida");
        mood("mute");
        bench.see("input[aria-label='Ordered by']").sendKeys(Keys.ENTER);
        bench.see("[data-open-order=placing] [role=alert]");
        mood("well");
        bench.seeText("[data-order] [role=status]", "it is ordered once");
        assertThat(bench.all("[data-number]")).hasSize(1);
    }

    @Test
    void anOrderWhoseConnectionIsLostIsOrderedOnceOrNotAtAll() throws Exception {
        bringInFor("waggle-quick", "joint-box");
        cut();
        mood("cuts-off");
        bench.press("Send cut 1 to the desk");
        bench.seeText(
                "[data-open-order=sending] [role=alert]", "Nothing was ordered. Send it again.");
        bench.seeText(STATION, "not ordered");
        mood("well");
        bench.press("Send it again");
        bench.see("[data-open-order=read]");

        // It never gets there.
        mood("down");
        bench.retype("input[aria-label='Ordered by']", "Ida");
        bench.see("input[aria-label='Ordered by']").sendKeys(Keys.ENTER);
        bench.seeText("[data-open-order=read] [role=alert]", "Nothing was ordered.");
        assertThat(bench.all("[data-number]")).isEmpty();

        // It gets there, and the answer does not come back.
        mood("mute");
        bench.see("input[aria-label='Ordered by']").sendKeys(Keys.ENTER);
        bench.seeText("[data-open-order=placing] [role=alert]", "is not known yet");
        bench.seeText(STATION, "not known yet");
        bench.reload();
        bench.seeText("[data-open-order=placing] [role=alert]", "Nothing is ordered twice.");
        mood("well");
        bench.seeText("[data-order] [role=status]", "it is ordered once");
        assertThat(bench.all("[data-order]")).hasSize(1);
    }

    /** A row of another run of the application is work that broke off with it. */
    @Test
    void whatBrokeOffIsToldUntilItWasRead() {
        jdbc.sql(
                        "insert into begun (run, what, at) values ('before', 'Bringing in x.zip',"
                                + " '2026-05-01T10:00:00Z')")
                .update();
        bench.open("/");
        bench.seeText(
                "[aria-label='What broke off']",
                "Bringing in x.zip broke off when the application stopped. Nothing of it was kept");
        bench.press("Read it");
        bench.until(() -> bench.all("[aria-label='What broke off']").isEmpty());
        bench.reload();
        bench.see("[data-over]");
        assertThat(bench.all("[aria-label='What broke off']")).isEmpty();
    }
}
