package dev.lastcut.server.start;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import dev.lastcut.server.store.StorageFault;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What keeps the application from starting is one sentence, and changes nothing. */
class StartTest {
    @TempDir Path data;

    private static void database(Path file, String... statements) throws Exception {
        try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement s = c.createStatement()) {
            for (String sql : statements) {
                s.execute(sql);
            }
        }
    }

    private static final String HISTORY =
            "create table flyway_schema_history (installed_rank int, version text)";

    private StartFault fault() {
        StartFault fault =
                catchThrowableOfType(StartFault.class, () -> DataDirectory.take(data).close());
        assertThat(fault).isNotNull();
        return fault;
    }

    @Test
    void isTakenByOneAndReadableByItsOwnerAlone() throws Exception {
        try (DataDirectory.Held held = DataDirectory.take(data)) {
            assertThat(held.path()).isEqualTo(data);
            assertThat(fault().status()).isEqualTo(StartFault.IN_USE);
            assertThat(fault()).hasMessageContaining("Another Last Cut already uses");
        }
        DataDirectory.take(data).close();
        for (String file : List.of("last-cut.db", "last-cut.log", "last-cut.lock", "desk.db")) {
            assertThat(
                            PosixFilePermissions.toString(
                                    Files.getPosixFilePermissions(data.resolve(file))))
                    .as(file)
                    .isEqualTo("rw-------");
        }
        Path made = data.resolve("made");
        DataDirectory.take(made).close();
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(made)))
                .isEqualTo("rwx------");
        // Nobody else's directory is shut to them.
        Files.setPosixFilePermissions(data, PosixFilePermissions.fromString("rwxr-xr-x"));
        DataDirectory.take(data).close();
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(data)))
                .isEqualTo("rwxr-xr-x");
    }

    @Test
    void aNewerDatabaseIsLeftAlone() throws Exception {
        Path file = data.resolve("last-cut.db");
        database(
                file,
                HISTORY,
                "insert into flyway_schema_history values (1, '"
                        + (DataDirectory.NEWEST + 1)
                        + "')");
        byte[] before = Files.readAllBytes(file);
        assertThat(fault()).hasMessageContaining("written by a newer Last Cut");
        assertThat(Files.readAllBytes(file)).isEqualTo(before);
    }

    @Test
    void aDamagedDatabaseIsNotStartedOn() throws Exception {
        Files.writeString(data.resolve("last-cut.db"), "this is no database at all".repeat(100));
        assertThat(fault()).hasMessageContaining("is damaged or no database");
        assertThat(fault().status()).isEqualTo(StartFault.STORAGE);
    }

    /** A full or failing disk is no damage: nobody is told to put a copy in its place. */
    @ParameterizedTest
    @CsvSource({"13, false", "10, false", "522, false", "14, false", "11, true", "26, true"})
    void whatIsDamageIsToldByTheCodeOfSqlite(int code, boolean damage) {
        assertThat(StorageFault.isDamage(new SQLException("x", "x", code))).isEqualTo(damage);
    }

    @Test
    void knowsTheNewestMigration() throws Exception {
        try (Stream<Path> files = Files.list(Path.of("src/main/resources/db/migration"))) {
            int newest =
                    files.map(f -> f.getFileName().toString().replaceAll("V(\\d+)__.*", "$1"))
                            .mapToInt(Integer::parseInt)
                            .max()
                            .orElseThrow();
            assertThat(DataDirectory.NEWEST).isEqualTo(newest);
        }
    }

    @Test
    void aPortThatIsTakenIsSaid() throws Exception {
        try (ServerSocket taken = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            assertThatThrownBy(() -> Options.requireFree(taken.getLocalPort()))
                    .isInstanceOf(StartFault.class)
                    .hasMessageContaining("is taken by another program");
        }
    }

    @Test
    void readsItsOptions() throws Exception {
        Options o = Options.parse(List.of("--demo", "--backup-every", "12h", "--keep=3", "--x=1"));
        assertThat(o).isEqualTo(new Options(true, Duration.ofHours(12), 3, List.of("--x=1")));
        assertThat(Options.parse(List.of()))
                .isEqualTo(new Options(false, Duration.ZERO, 7, List.of()));
    }

    @ParameterizedTest
    @ValueSource(strings = {"--backup-every=often", "--backup-every", "--keep=0", "--keep=many"})
    void refusesWhatItDoesNotKnow(String option) {
        assertThatThrownBy(() -> Options.parse(List.of(option)))
                .isInstanceOf(StartFault.class)
                .hasMessageEndingWith("'.");
    }

    @Test
    void aCopyIsPutInPlaceAndTheOldOneKept(@TempDir Path elsewhere) throws Exception {
        Path copy = elsewhere.resolve("copy.db");
        database(
                copy, HISTORY, "create table mark (what text)", "insert into mark values ('copy')");
        Path there = data.resolve("last-cut.db");
        Files.writeString(there, "damaged");
        assertThat(Restore.from(copy, data)).contains("What was there is kept as");
        try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + there);
                Statement s = c.createStatement()) {
            assertThat(s.executeQuery("select what from mark").getString(1)).isEqualTo("copy");
        }
        try (Stream<Path> files = Files.list(data)) {
            assertThat(files.filter(f -> f.getFileName().toString().startsWith("before-restore-")))
                    .singleElement()
                    .satisfies(f -> assertThat(Files.readString(f)).isEqualTo("damaged"));
        }
    }

    @Test
    void aCopyThatCannotBeUsedChangesNothing(@TempDir Path elsewhere) throws Exception {
        Path there = data.resolve("last-cut.db");
        database(there, HISTORY);
        byte[] before = Files.readAllBytes(there);
        Path damaged = elsewhere.resolve("copy.db");
        Files.writeString(damaged, "not a database".repeat(200));
        assertThatThrownBy(() -> Restore.from(damaged, data)).isInstanceOf(StartFault.class);
        assertThatThrownBy(() -> Restore.from(elsewhere.resolve("none.db"), data))
                .hasMessageStartingWith("There is no file");
        try (DataDirectory.Held running = DataDirectory.take(data)) {
            assertThat(running.path()).isEqualTo(data);
            Path good = elsewhere.resolve("good.db");
            database(good, HISTORY);
            assertThatThrownBy(() -> Restore.from(good, data))
                    .hasMessageContaining("Another Last Cut already uses");
        }
        assertThat(Files.readAllBytes(there)).isEqualTo(before);
    }
}
