package dev.lastcut.server.browser;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;
import java.util.logging.Level;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.openqa.selenium.By;
import org.openqa.selenium.Dimension;
import org.openqa.selenium.Keys;
import org.openqa.selenium.OutputType;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;
import org.openqa.selenium.interactions.Actions;
import org.openqa.selenium.support.ui.ExpectedCondition;
import org.openqa.selenium.support.ui.ExpectedConditions;
import org.openqa.selenium.support.ui.WebDriverWait;
import org.springframework.util.FileSystemUtils;

/** The application in a real browser, as a user has it. Waits on conditions, never on time. */
final class Bench implements AutoCloseable {
    /** How long a condition may be true before it is seen to be. */
    private static final Duration OFTEN = Duration.ofMillis(40);

    /** The browser that tests use one after the other; taken while one does. */
    private static ChromeDriver spare;

    private final ChromeDriver driver;
    private final WebDriverWait wait;
    private final String address;

    /** Whether it is as it was, but for what it keeps of the application. */
    private boolean reusable = true;

    Bench(int port, Path downloads) throws IOException {
        address = "http://127.0.0.1:" + port;
        ChromeDriver free = spare;
        spare = null;
        driver = free == null ? started() : free;
        driver.executeCdpCommand(
                "Browser.setDownloadBehavior",
                Map.of("behavior", "allow", "downloadPath", downloads.toString()));
        driver.manage().window().setSize(new Dimension(1280, 940));
        complaints();
        wait = new WebDriverWait(driver, Duration.ofSeconds(60), OFTEN);
    }

    private static ChromeDriver started() throws IOException {
        Path profile = Files.createTempDirectory("last-cut-browser");
        ChromeOptions options = new ChromeOptions();
        options.setBinary(onPath("chromium"));
        options.addArguments(
                "--headless=new",
                "--no-sandbox",
                "--disable-gpu",
                "--disable-quic",
                "--no-first-run",
                "--disable-background-networking",
                "--disable-component-update",
                "--disable-sync",
                "--enable-unsafe-swiftshader",
                "--window-size=1280,800",
                "--user-data-dir=" + profile);
        options.setCapability("goog:loggingPrefs", Map.of("browser", "ALL"));
        ChromeDriverService service =
                new ChromeDriverService.Builder()
                        .usingDriverExecutable(onPath("chromedriver"))
                        .build();
        ChromeDriver driver = new ChromeDriver(service, options);
        Runtime.getRuntime()
                .addShutdownHook(
                        new Thread(
                                () -> {
                                    driver.quit();
                                    FileSystemUtils.deleteRecursively(profile.toFile());
                                }));
        return driver;
    }

    private static File onPath(String program) {
        return Stream.of(System.getenv("PATH").split(File.pathSeparator))
                .map(folder -> new File(folder, program))
                .filter(File::canExecute)
                .findFirst()
                .orElseThrow(() -> new IllegalStateException(program + " is not on the path"));
    }

    void open(String path) {
        driver.get(address + path);
    }

    <T> T until(ExpectedCondition<T> condition) {
        return wait.until(condition);
    }

    void until(BooleanSupplier condition) {
        wait.until(d -> condition.getAsBoolean());
    }

    WebElement see(String css) {
        return wait.until(ExpectedConditions.visibilityOfElementLocated(By.cssSelector(css)));
    }

    List<WebElement> all(String css) {
        return driver.findElements(By.cssSelector(css));
    }

    void click(String css) {
        wait.until(ExpectedConditions.elementToBeClickable(By.cssSelector(css))).click();
    }

    /** Clicks the button or link with just this text. */
    void press(String text) {
        By by = By.xpath("//*[self::button or self::a][normalize-space(.)='" + text + "']");
        wait.until(ExpectedConditions.elementToBeClickable(by)).click();
    }

    /** Chooses from an open list. */
    void option(String text) {
        By by = By.xpath("//*[@role='option'][normalize-space(.)='" + text + "']");
        wait.until(ExpectedConditions.elementToBeClickable(by)).click();
    }

    /** Chooses what begins so; behind it stands what it does to the price. */
    void optionBeginning(String text) {
        By by = By.xpath("//*[@role='option'][starts-with(normalize-space(.),'" + text + "')]");
        wait.until(ExpectedConditions.elementToBeClickable(by)).click();
    }

    /** Gives a file to a field, shown or not. */
    void upload(String css, Path file) {
        driver.findElement(By.cssSelector(css)).sendKeys(file.toString());
    }

    /** How many nets are lit on the table. */
    int lit() {
        String lit = table().getAttribute("data-lit");
        return lit == null || lit.isEmpty() ? 0 : lit.split(",").length;
    }

    void seeText(String css, String text) {
        wait.until(ExpectedConditions.textToBePresentInElementLocated(By.cssSelector(css), text));
    }

    /** A picture that has come, and shows something. */
    void seePicture(String css) {
        see(css);
        until(
                () ->
                        Boolean.TRUE.equals(
                                driver.executeScript(
                                        "const i = document.querySelector(arguments[0]);"
                                                + "return i.complete && i.naturalWidth > 100",
                                        css)));
    }

    /** The board is laid out, all films. */
    void seeBoard() {
        see("[role=application][data-ready=true]");
    }

    void type(String css, String text) {
        WebElement field = see(css);
        field.clear();
        field.sendKeys(text);
    }

    /** Types over what is in a field, as a hand does. */
    void retype(String css, String text) {
        click(css);
        see(css).sendKeys(Keys.chord(Keys.CONTROL, "a"), text);
    }

    void keys(CharSequence keys) {
        new Actions(driver).sendKeys(keys).perform();
    }

    /** Presses a key while others are held. */
    void hold(String key, Keys... held) {
        Actions actions = new Actions(driver);
        for (Keys k : held) {
            actions.keyDown(k);
        }
        actions.sendKeys(key);
        for (Keys k : held) {
            actions.keyUp(k);
        }
        actions.perform();
    }

    /** Drops a file onto an element, as a desktop would. */
    void drop(String css, String name, byte[] content) {
        driver.executeScript(
                """
                const bytes = Uint8Array.from(atob(arguments[2]), (c) => c.charCodeAt(0));
                const transfer = new DataTransfer();
                transfer.items.add(new File([bytes], arguments[1]));
                for (const type of ['dragover', 'drop']) {
                  arguments[0].dispatchEvent(
                    new DragEvent(type, { bubbles: true, cancelable: true, dataTransfer: transfer }));
                }
                """,
                see(css),
                name,
                Base64.getEncoder().encodeToString(content));
    }

    private WebElement table() {
        return driver.findElement(By.cssSelector("[role=application]"));
    }

    /** Where a place of the board, in mm, lies from the middle of the table, in pixels. */
    private int[] onTable(double xMm, double yMm) {
        String[] middle = table().getAttribute("data-center").split(",");
        double scale = Double.parseDouble(table().getAttribute("data-scale"));
        return new int[] {
            (int) Math.round((xMm * 1e6 - Double.parseDouble(middle[0])) * scale),
            (int) Math.round(-(yMm * 1e6 - Double.parseDouble(middle[1])) * scale)
        };
    }

    void pointAt(double xMm, double yMm) {
        int[] at = onTable(xMm, yMm);
        new Actions(driver).moveToElement(table(), at[0], at[1]).perform();
    }

    void clickAt(double xMm, double yMm) {
        pointAt(xMm, yMm);
        new Actions(driver).click().perform();
    }

    /** Drags what lies at a place of the table, in mm, by so many mm. */
    void dragAt(double xMm, double yMm, double dxMm, double dyMm) {
        double px = scale() * 1e6;
        pointAt(xMm, yMm);
        new Actions(driver)
                .clickAndHold()
                .moveByOffset((int) Math.round(dxMm * px / 2), (int) Math.round(-dyMm * px / 2))
                .moveByOffset(
                        (int) Math.round(dxMm * px) - (int) Math.round(dxMm * px / 2),
                        (int) Math.round(-dyMm * px) - (int) Math.round(-dyMm * px / 2))
                .release()
                .perform();
    }

    void dragTable(int dx, int dy) {
        new Actions(driver)
                .moveToElement(table())
                .clickAndHold()
                .moveByOffset(dx, dy)
                .release()
                .perform();
    }

    void wheel(int delta) {
        new Actions(driver)
                .scrollFromOrigin(
                        org.openqa.selenium.interactions.WheelInput.ScrollOrigin.fromElement(
                                table()),
                        0,
                        delta)
                .perform();
    }

    double scale() {
        return Double.parseDouble(table().getAttribute("data-scale"));
    }

    String center() {
        return table().getAttribute("data-center");
    }

    /** The colour of the picture at a place of the board. */
    Color colorAt(double xMm, double yMm) {
        int[] at = onTable(xMm, yMm);
        var box = table().getRect();
        try {
            BufferedImage image =
                    ImageIO.read(
                            new ByteArrayInputStream(driver.getScreenshotAs(OutputType.BYTES)));
            return new Color(
                    image.getRGB(box.x + box.width / 2 + at[0], box.y + box.height / 2 + at[1]));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Clicks so far from the left and the top of an element, in pixels. */
    void clickIn(String css, double left, double top) {
        WebElement e = see(css);
        new Actions(driver)
                .moveToElement(
                        e,
                        (int) Math.round(left - e.getSize().width / 2.0),
                        (int) Math.round(top - e.getSize().height / 2.0))
                .click()
                .perform();
    }

    /** Whether a colour is to be seen anywhere on the table. */
    boolean anyOnTable(Color color) {
        var box = table().getRect();
        try {
            BufferedImage image =
                    ImageIO.read(
                            new ByteArrayInputStream(driver.getScreenshotAs(OutputType.BYTES)));
            for (int x = box.x; x < box.x + box.width; x += 3) {
                for (int y = box.y; y < box.y + box.height && y < image.getHeight(); y += 3) {
                    if (image.getRGB(x, y) == color.getRGB()) {
                        return true;
                    }
                }
            }
            return false;
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The colour in the middle of an element. */
    Color middleOf(String css) {
        var box = see(css).getRect();
        try {
            BufferedImage image =
                    ImageIO.read(
                            new ByteArrayInputStream(driver.getScreenshotAs(OutputType.BYTES)));
            return new Color(image.getRGB(box.x + box.width / 2, box.y + box.height / 2));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** A window of another size, in CSS pixels, at another zoom. */
    void window(int width, int height, int zoom) {
        driver.executeCdpCommand(
                "Emulation.setDeviceMetricsOverride",
                Map.of(
                        "width", width,
                        "height", height,
                        "deviceScaleFactor", zoom,
                        "mobile", false));
    }

    void usualWindow() {
        driver.executeCdpCommand("Emulation.clearDeviceMetricsOverride", Map.of());
    }

    /** What a script in the page answers. */
    Object ask(String script, Object... with) {
        return driver.executeScript(script, with);
    }

    /** Fingers on the page: one or more places at once, in pixels from the middle of the table. */
    private void fingers(String type, int[]... places) {
        var box = table().getRect();
        List<Map<String, Object>> points = new ArrayList<>();
        for (int[] p : places) {
            points.add(
                    Map.of(
                            "x", box.x + box.width / 2 + p[0],
                            "y", box.y + box.height / 2 + p[1],
                            "id", points.size()));
        }
        driver.executeCdpCommand(
                "Input.dispatchTouchEvent", Map.of("type", type, "touchPoints", points));
    }

    /** A finger that drags one thing onto another. */
    void fingerDrag(String from, String to) {
        var a = see(from).getRect();
        var b = see(to).getRect();
        int[] start = {a.x + a.width / 2, a.y + a.height / 2};
        int[] end = {b.x + 12, b.y + b.height / 2};
        touch("touchStart", start);
        for (int i = 1; i <= 6; i++) {
            touch(
                    "touchMove",
                    start[0] + (end[0] - start[0]) * i / 6,
                    start[1] + (end[1] - start[1]) * i / 6);
        }
        touch("touchEnd");
    }

    private void touch(String type, int... at) {
        List<Map<String, Object>> points =
                at.length == 0 ? List.of() : List.of(Map.of("x", at[0], "y", at[1], "id", 0));
        driver.executeCdpCommand(
                "Input.dispatchTouchEvent", Map.of("type", type, "touchPoints", points));
    }

    /** A tap with a finger on a place of the board, mm. */
    void tapAt(double xMm, double yMm) {
        fingers("touchStart", onTable(xMm, yMm));
        fingers("touchEnd");
    }

    /** A finger drawn over the table, pixels. */
    void swipe(int dx, int dy) {
        fingers("touchStart", new int[] {0, 0});
        for (int i = 1; i <= 5; i++) {
            fingers("touchMove", new int[] {dx * i / 5, dy * i / 5});
        }
        fingers("touchEnd");
    }

    /** Two fingers that move apart about the middle of the table, from so many pixels to others. */
    void pinch(int from, int to) {
        fingers("touchStart", new int[] {-from / 2, 0}, new int[] {from / 2, 0});
        for (int i = 1; i <= 8; i++) {
            int d = (from + (to - from) * i / 8) / 2;
            fingers("touchMove", new int[] {-d, 0}, new int[] {d, 0});
        }
        fingers("touchEnd");
    }

    /** From the next page on, nothing is heard of what other windows do to a job. */
    void loseStreams() {
        reusable = false;
        driver.executeCdpCommand(
                "Page.addScriptToEvaluateOnNewDocument",
                Map.of(
                        "source",
                        """
                        const Real = window.EventSource;
                        window.EventSource = function (address) {
                          return /jobs.*events/.test(address) ? { close() {} } : new Real(address);
                        };
                        """));
    }

    void reload() {
        driver.navigate().refresh();
    }

    void back() {
        driver.navigate().back();
    }

    String path() {
        return driver.getCurrentUrl().substring(address.length());
    }

    /** Every error in the browser console. */
    List<String> complaints() {
        return driver.manage().logs().get("browser").getAll().stream()
                .filter(e -> e.getLevel().intValue() >= Level.SEVERE.intValue())
                .map(Object::toString)
                .toList();
    }

    @Override
    public void close() {
        if (!reusable || spare != null) {
            driver.quit();
            return;
        }
        driver.get("about:blank");
        driver.executeCdpCommand(
                "Storage.clearDataForOrigin", Map.of("origin", address, "storageTypes", "all"));
        spare = driver;
    }
}
