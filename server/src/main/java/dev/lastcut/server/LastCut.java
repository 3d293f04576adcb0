package dev.lastcut.server;

import dev.lastcut.server.cli.AdapterCommand;
import dev.lastcut.server.cli.MakeCommand;
import dev.lastcut.server.cli.RulesCommand;
import dev.lastcut.server.cli.SheetsCommand;
import dev.lastcut.server.cli.VerifyCommand;
import dev.lastcut.server.start.DataDirectory;
import dev.lastcut.server.start.Options;
import dev.lastcut.server.start.Restore;
import dev.lastcut.server.start.StartFault;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;

/**
 * Starts the server, or runs one of the commands that need none: {@code make}, {@code sheets},
 * {@code adapter}, {@code verify} and {@code restore}.
 */
@SpringBootApplication
public class LastCut {
    private static final Logger LOG = LoggerFactory.getLogger(LastCut.class);

    /** Held until the process ends: were it let go, the collector would give the directory back. */
    private static DataDirectory.Held held;

    public static void main(String[] args) {
        List<String> words = Arrays.asList(args);
        String command = words.isEmpty() ? "serve" : words.get(0);
        switch (command) {
            case "make" ->
                    System.exit(
                            new MakeCommand(System.out, System.err)
                                    .run(words.subList(1, words.size())));
            case "sheets" ->
                    System.exit(
                            new SheetsCommand(System.out, System.err)
                                    .run(words.subList(1, words.size())));
            case "rules" ->
                    System.exit(
                            new RulesCommand(System.out, System.err)
                                    .run(words.subList(1, words.size())));
            case "adapter" ->
                    System.exit(
                            new AdapterCommand(System.out, System.err)
                                    .run(words.subList(1, words.size())));
            case "verify" ->
                    System.exit(
                            new VerifyCommand(System.out, System.err)
                                    .run(words.subList(1, words.size())));
            case "restore" -> System.exit(restore(words.subList(1, words.size())));
            default -> serve(words);
        }
    }

    private static Path data() {
        return Path.of(System.getProperty("lastcut.data", "data"));
    }

    private static int restore(List<String> args) {
        if (args.size() != 1) {
            System.err.println("Usage: restore FILE");
            return StartFault.OPTION;
        }
        try {
            System.out.println(Restore.from(Path.of(args.get(0)), data()));
            return 0;
        } catch (StartFault e) {
            System.err.println(e.getMessage());
            return e.status();
        }
    }

    private static void serve(List<String> args) {
        try {
            Options options = Options.parse(args);
            held = DataDirectory.take(data());
            Options.requireFree(Integer.getInteger("lastcut.port", Options.USUAL_PORT));
            System.setProperty(
                    "lastcut.backup.seconds", String.valueOf(options.backupEvery().toSeconds()));
            System.setProperty("lastcut.backup.keep", String.valueOf(options.keep()));
            List<String> rest = new ArrayList<>(options.rest());
            if (options.demo()) {
                rest.add("--demo");
            }
            SpringApplication.run(LastCut.class, rest.toArray(String[]::new));
            LOG.info("The data is in {}", held.path().toAbsolutePath());
        } catch (StartFault e) {
            System.err.println(e.getMessage());
            System.exit(e.status());
        }
    }
}
