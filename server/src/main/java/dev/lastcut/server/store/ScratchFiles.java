package dev.lastcut.server.store;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Files that are needed for a moment and may be larger than the memory. They lie in the data
 * directory, where there is room for what is kept; what an earlier run left is removed.
 */
@Component
public class ScratchFiles {
    private final Path folder;

    ScratchFiles(@Value("${lastcut.data:data}") Path data) {
        folder = data.resolve("scratch");
        try {
            OwnerOnly.directory(folder);
            try (Stream<Path> left = Files.list(folder)) {
                for (Path p : left.toList()) {
                    Files.deleteIfExists(p);
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Something to be done with a file. */
    public interface Use<T> {
        T with(Path file) throws IOException;
    }

    /** Keeps what comes while it is used. */
    public <T> T with(InputStream content, Use<T> use) throws IOException {
        Path file = Files.createTempFile(folder, "in", "");
        try {
            Files.copy(content, file, StandardCopyOption.REPLACE_EXISTING);
            return use.with(file);
        } finally {
            Files.deleteIfExists(file);
        }
    }

    /** A path at which there is nothing yet; whatever is written there is removed after its use. */
    public <T> T with(Use<T> use) throws IOException {
        Path file = Files.createTempFile(folder, "out", "");
        Files.delete(file);
        try {
            return use.with(file);
        } finally {
            for (Path p : List.of(file, Path.of(file + "-journal"))) {
                Files.deleteIfExists(p);
            }
        }
    }
}
