package dev.lastcut.server;

import dev.lastcut.server.cli.MakeCommand;
import dev.lastcut.server.cli.SheetsCommand;
import dev.lastcut.server.cli.VerifyCommand;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;

/**
 * Starts the server, or runs one of the commands that need none: {@code make}, {@code sheets} and
 * {@code verify}.
 */
@SpringBootApplication
public class LastCut {
    public static void main(String[] args) throws IOException {
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
            default -> serve(args);
        }
    }

    private static void serve(String[] args) throws IOException {
        Files.createDirectories(Path.of(System.getProperty("lastcut.data", "data")));
        SpringApplication.run(LastCut.class, args);
    }
}
