package dev.lastcut.server.browser;

import dev.lastcut.server.desk.Cuts;
import java.io.IOException;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.test.web.server.LocalServerPort;

/**
 * A browser on a running server. Each class keeps its own storage, as the framework shares a server
 * between classes that are set up alike.
 */
abstract class BrowserTest {
    @TempDir Path downloads;
    @LocalServerPort int port;
    Bench bench;

    @BeforeEach
    void start() throws IOException {
        bench = new Bench(port, downloads);
    }

    @AfterEach
    void stop() {
        bench.close();
    }

    static byte[] pack(String name) throws IOException {
        return Cuts.bytes(name);
    }

    /** Brings a board in and chooses a shop for it. */
    void bringInFor(String shop, String name) throws IOException {
        bringIn(name);
        bench.click("[data-station=shop]");
        bench.click("[data-sheet=" + shop + "]");
        bench.see("[data-sheet=" + shop + "][aria-checked=true]");
    }

    void bringIn(String name) throws IOException {
        bench.open("/");
        bench.drop("[data-over]", name + ".zip", pack(name));
        bench.seeBoard();
    }
}
