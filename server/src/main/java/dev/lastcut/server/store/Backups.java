package dev.lastcut.server.store;

import dev.lastcut.server.work.Daemons;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;

/**
 * Copies of everything on a schedule, in the folder {@code backups} of the data directory. The
 * newest few are kept. A copy has its name only once it is whole.
 */
@Component
public class Backups {
    private static final Logger LOG = LoggerFactory.getLogger(Backups.class);
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss");
    private static final String NAME = "last-cut-\\d{8}-\\d{6}\\.db";

    private final ParcelStore parcels;
    private final Path folder;
    private final long seconds;
    private final int keep;
    private final ScheduledExecutorService clock =
            Executors.newSingleThreadScheduledExecutor(new Daemons("backups"));

    Backups(
            ParcelStore parcels,
            @Value("${lastcut.data:data}") Path data,
            @Value("${lastcut.backup.seconds:0}") long seconds,
            @Value("${lastcut.backup.keep:7}") int keep) {
        this.parcels = parcels;
        this.folder = data.resolve("backups");
        this.seconds = seconds;
        this.keep = keep;
    }

    /** The first copy is made when it is due, counted from the newest there is. */
    @EventListener(ApplicationReadyEvent.class)
    void begin() throws IOException {
        if (seconds > 0) {
            clock.scheduleWithFixedDelay(this::made, untilDue(), seconds, TimeUnit.SECONDS);
        }
    }

    private long untilDue() throws IOException {
        List<Path> all = all();
        if (all.isEmpty()) {
            return 0;
        }
        long age =
                (System.currentTimeMillis() - Files.getLastModifiedTime(all.get(0)).toMillis())
                        / 1000;
        return Math.max(0, seconds - age);
    }

    private void made() {
        try {
            LOG.info("Copy of everything: {}", make());
        } catch (IOException | DataAccessException e) {
            LOG.error("The copy of everything could not be made; the next one is tried in time", e);
        }
    }

    /** Makes a copy now; where it is. */
    public Path make() throws IOException {
        OwnerOnly.directory(folder);
        Path part = folder.resolve("part.db");
        Files.deleteIfExists(part);
        parcels.copyTo(part.toString());
        Path whole = folder.resolve("last-cut-" + LocalDateTime.now().format(TIME) + ".db");
        Files.move(part, whole, StandardCopyOption.REPLACE_EXISTING);
        List<Path> all = all();
        for (Path old : all.subList(Math.min(keep, all.size()), all.size())) {
            Files.delete(old);
        }
        return whole;
    }

    /** The copies there are, the newest first. */
    private List<Path> all() throws IOException {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(f -> f.getFileName().toString().matches(NAME))
                    .sorted(Comparator.comparing((Path f) -> f.getFileName().toString()).reversed())
                    .toList();
        }
    }

    @PreDestroy
    void stop() {
        clock.shutdownNow();
    }
}
