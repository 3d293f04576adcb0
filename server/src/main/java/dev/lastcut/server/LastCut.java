package dev.lastcut.server;

import dev.lastcut.server.cli.MakeCommand;
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
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.web.server.PortInUseException;

/**
 * Starts the server, or runs one of the commands that need none: {@code make}, {@code sheets},
 * {@code verify} and {@code restore}.
 */
@SpringBootApplication
public class LastCut {
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
            // Held until the process ends.
            DataDirectory.take(data());
            System.setProperty(
                    "lastcut.backup.seconds", String.valueOf(options.backupEvery().toSeconds()));
            System.setProperty("lastcut.backup.keep", String.valueOf(options.keep()));
            List<String> rest = new ArrayList<>(options.rest());
            if (options.demo()) {
                rest.add("--demo");
            }
            SpringApplication.run(LastCut.class, rest.toArray(String[]::new));
        } catch (StartFault e) {
            System.err.println(e.getMessage());
            System.exit(e.status());
        } catch (PortInUseException e) {
            System.err.println(
                    "Port "
                            + e.getPort()
                            + " is taken by another program: stop that, or set LASTCUT_PORT to another"
                            + " number.");
            System.exit(StartFault.PORT);
        }
    }
}
