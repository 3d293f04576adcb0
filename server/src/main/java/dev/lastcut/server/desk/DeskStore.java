package dev.lastcut.server.desk;

import java.nio.file.Path;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.flywaydb.core.Flyway;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DataSourceTransactionManager;
import org.springframework.jdbc.datasource.SingleConnectionDataSource;
import org.springframework.transaction.support.TransactionTemplate;

/** What the desk keeps: uploads, what it read of them, orders and answers. One file of its own. */
final class DeskStore implements AutoCloseable {
    private static final int FIRST_NUMBER = 1001;

    private final SingleConnectionDataSource source;
    private final JdbcClient jdbc;
    private final TransactionTemplate whole;

    DeskStore(Path file) {
        source =
                new SingleConnectionDataSource(
                        "jdbc:sqlite:" + file + "?journal_mode=WAL&foreign_keys=on", true);
        Flyway.configure().dataSource(source).locations("classpath:db/desk").load().migrate();
        jdbc = JdbcClient.create(source);
        whole = new TransactionTemplate(new DataSourceTransactionManager(source));
    }

    @Override
    public synchronized void close() {
        source.destroy();
    }

    /**
     * An order as it is kept.
     *
     * @param number empty for one that was withdrawn before it came
     * @param answered when the last of its questions was
     */
    record Placed(
            String key,
            Optional<Integer> number,
            String upload,
            String wanted,
            Instant placed,
            Optional<Instant> answered,
            Optional<Instant> withdrawn) {}

    /** Keeps a parcel. */
    synchronized void parcel(String sha256, byte[] bytes) {
        keep("parcel", sha256, bytes);
    }

    synchronized Optional<byte[]> parcel(String sha256) {
        return bytes("parcel", sha256);
    }

    /** Keeps an upload. */
    synchronized void upload(String sha256, byte[] bytes) {
        keep("upload", sha256, bytes);
    }

    private void keep(String table, String sha256, byte[] bytes) {
        jdbc.sql("insert or ignore into " + table + " (sha256, bytes) values (:sha, :bytes)")
                .param("sha", sha256)
                .param("bytes", bytes)
                .update();
    }

    private Optional<byte[]> bytes(String table, String sha256) {
        return jdbc.sql("select bytes from " + table + " where sha256 = :sha")
                .param("sha", sha256)
                .query((r, n) -> r.getBytes(1))
                .optional();
    }

    synchronized Optional<byte[]> upload(String sha256) {
        return bytes("upload", sha256);
    }

    /** What was read of an upload; the reading, its pictures and its questions at once. */
    synchronized void read(
            String sha256, String reading, String engineer, Map<String, byte[]> pictures) {
        whole.executeWithoutResult(
                status -> {
                    jdbc.sql(
                                    """
                                    update upload set reading = :reading, engineer = :engineer
                                    where sha256 = :sha
                                    """)
                            .param("reading", reading)
                            .param("engineer", engineer)
                            .param("sha", sha256)
                            .update();
                    pictures.forEach(
                            (name, png) ->
                                    jdbc.sql(
                                                    """
                                                    insert or replace into picture
                                                    (sha256, name, png) values (:sha, :name, :png)
                                                    """)
                                            .param("sha", sha256)
                                            .param("name", name)
                                            .param("png", png)
                                            .update());
                });
    }

    synchronized Optional<String> reading(String sha256) {
        return text("reading", sha256);
    }

    /** What the engineer will ask of an upload. */
    synchronized Optional<String> engineer(String sha256) {
        return text("engineer", sha256);
    }

    private Optional<String> text(String column, String sha256) {
        return jdbc.sql(
                        "select "
                                + column
                                + " from upload where sha256 = :sha and reading not null")
                .param("sha", sha256)
                .query((r, n) -> r.getString(1))
                .optional();
    }

    synchronized Optional<byte[]> picture(String sha256, String name) {
        return jdbc.sql("select png from picture where sha256 = :sha and name = :name")
                .param("sha", sha256)
                .param("name", name)
                .query((r, n) -> r.getBytes(1))
                .optional();
    }

    /** Keeps an order, unless there is one of that key; the one there is then. */
    synchronized Placed place(String key, String upload, String wanted, Instant now) {
        return whole.execute(
                status -> {
                    jdbc.sql(
                                    """
                                    insert or ignore into placed
                                    (key, number, upload, wanted, placed)
                                    values (:key, (select coalesce(max(number) + 1, :first)
                                    from placed), :upload, :wanted, :now)
                                    """)
                            .param("key", key)
                            .param("first", FIRST_NUMBER)
                            .param("upload", upload)
                            .param("wanted", wanted)
                            .param("now", now.toEpochMilli())
                            .update();
                    return order(key).orElseThrow();
                });
    }

    /** Withdraws an order; of a key that never came, notes that it may come no more. */
    synchronized void withdraw(String key, Instant now) {
        jdbc.sql(
                        """
                        insert into placed (key, placed, withdrawn) values (:key, :now, :now)
                        on conflict (key) do update set withdrawn = coalesce(withdrawn, :now)
                        """)
                .param("key", key)
                .param("now", now.toEpochMilli())
                .update();
    }

    synchronized Optional<Placed> order(String key) {
        return jdbc.sql("select * from placed where key = :key")
                .param("key", key)
                .query((r, n) -> placed(r))
                .optional();
    }

    private static Placed placed(ResultSet r) throws SQLException {
        int number = r.getInt("number");
        return new Placed(
                r.getString("key"),
                number == 0 ? Optional.empty() : Optional.of(number),
                r.getString("upload"),
                r.getString("wanted"),
                Instant.ofEpochMilli(r.getLong("placed")),
                moment(r, "answered"),
                moment(r, "withdrawn"));
    }

    private static Optional<Instant> moment(ResultSet r, String column) throws SQLException {
        long ms = r.getLong(column);
        return r.wasNull() ? Optional.empty() : Optional.of(Instant.ofEpochMilli(ms));
    }

    /**
     * Keeps an answer.
     *
     * @param last whether it is the last that was open
     */
    synchronized void answer(
            String key, String question, String answer, boolean last, Instant now) {
        whole.executeWithoutResult(
                status -> {
                    jdbc.sql(
                                    """
                                    insert or ignore into answer (key, question, answer)
                                    values (:key, :question, :answer)
                                    """)
                            .param("key", key)
                            .param("question", question)
                            .param("answer", answer)
                            .update();
                    if (last) {
                        jdbc.sql("update placed set answered = :now where key = :key")
                                .param("now", now.toEpochMilli())
                                .param("key", key)
                                .update();
                    }
                });
    }

    /** Answers by question. */
    synchronized Map<String, String> answers(String key) {
        Map<String, String> all = new LinkedHashMap<>();
        jdbc.sql("select question, answer from answer where key = :key")
                .param("key", key)
                .query((r, n) -> Map.entry(r.getString(1), r.getString(2)))
                .list()
                .forEach(e -> all.put(e.getKey(), e.getValue()));
        return all;
    }
}
