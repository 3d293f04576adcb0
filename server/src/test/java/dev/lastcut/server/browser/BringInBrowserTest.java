package dev.lastcut.server.browser;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.LastCut;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/**
 * A pack whose names say nothing and that has neither lettering nor tables to tell the sides: from
 * the drop to every question answered.
 */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class BringInBrowserTest extends BrowserTest {
    private static final String SIDES = "section[aria-label='Which of these is the top?']";
    private static final String ORDER =
            "section[aria-label='In which order do the inner layers lie?']";
    private static final String LOGO = "section[aria-label='What is zz.gbr?']";

    @TempDir static Path data;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    private void dropNameless() throws IOException {
        try (InputStream in = getClass().getResourceAsStream("/packs/nameless-four.zip")) {
            bench.open("/");
            bench.drop("[data-over]", "nameless-four.zip", in.readAllBytes());
        }
        bench.seeBoard();
        // What is in doubt is asked first: not Look over, but Bring in.
        bench.until(() -> bench.path().endsWith("/bring-in"));
    }

    private String roleOf(String path) {
        return bench.see("[aria-label='Role of " + path + "']").getText().replace("▾", "").strip();
    }

    private void settled() {
        bench.until(() -> bench.all(SIDES + "," + ORDER + "," + LOGO).isEmpty());
        bench.seeText("[data-station=bring-in]", "files");
        assertThat(bench.see("[data-station=bring-in]").getAttribute("data-mark"))
                .isIn("done", "look");
        bench.seeText("[data-next]", "Choose a shop");
    }

    @Test
    void withTheMouse() throws Exception {
        dropNameless();
        bench.seeText("[data-station=bring-in]", "3 questions to answer");
        assertThat(bench.see("[data-station=bring-in]").getAttribute("data-mark"))
                .isEqualTo("stop");
        bench.seeText("[data-next=bring-in]", "Say what the doubtful files are");
        bench.seeText("[aria-label='Files beside the board']", "a text to read");

        // With a shop chosen the check stops it, and it cannot be signed off.
        bench.click("[data-station=shop]");
        bench.click("[data-sheet=longcomb-fine]");
        bench.press("Go on to the check");
        bench.see("[data-rule=file-unassigned]");
        bench.click("[data-next=bring-in]");

        // Both pictures show something, and not the same.
        List<WebElement> pictures = bench.all(SIDES + " img");
        assertThat(pictures).hasSize(2);
        bench.until(
                () -> pictures.stream().allMatch(p -> "true".equals(p.getAttribute("complete"))));
        String proposed = roleOf("a11");
        List<WebElement> answers = bench.all(SIDES + " button");
        answers.get(1).click();
        bench.until(() -> bench.all(SIDES).isEmpty());
        assertThat(roleOf("a11")).isNotEqualTo(proposed).startsWith("paste");

        // Both orders of two layers, and what comes to lie under the outer copper with each.
        bench.until(() -> bench.see(ORDER).getText().contains("Next to the top copper lies "));
        List<String> before = layers();
        bench.all(ORDER + " li")
                .get(0)
                .findElements(org.openqa.selenium.By.tagName("button"))
                .get(1)
                .click();
        bench.until(() -> !layers().equals(before));
        String first = layers().get(0);
        bench.press("This is the order");
        bench.until(() -> bench.all(ORDER).isEmpty());
        assertThat(roleOf(first)).isEqualTo("inner copper 1");

        bench.press("Not part of the board");
        bench.until(() -> bench.all(SIDES + "," + ORDER + "," + LOGO).isEmpty());
        bench.seeText("[aria-label='Files beside the board']", "zz.gbr");

        // Answers stay over a reload, and one can be taken back.
        bench.reload();
        bench.seeBoard();
        assertThat(roleOf(first)).isEqualTo("inner copper 1");
        assertThat(bench.complaints()).isEmpty();
    }

    private List<String> layers() {
        return bench.all(ORDER + " li span[title]").stream().map(WebElement::getText).toList();
    }

    @Test
    void byKeyboardAlone() throws Exception {
        dropNameless();
        bench.see(SIDES);
        // The first answer has the focus: Enter says that the first picture is the top.
        bench.keys(Keys.ENTER);
        bench.until(() -> bench.all(SIDES).isEmpty());
        // On from moving the first layer to "This is the order".
        bench.see(ORDER);
        bench.keys(Keys.TAB);
        bench.keys(Keys.TAB);
        bench.keys(Keys.ENTER);
        bench.until(() -> bench.all(ORDER).isEmpty());
        bench.see(LOGO);
        bench.keys(Keys.TAB);
        bench.keys(Keys.ENTER);
        settled();
        assertThat(bench.complaints()).isEmpty();
    }
}
