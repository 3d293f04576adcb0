package dev.lastcut.server.store;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.jdbc.core.ColumnMapRowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** All rows of one job, out and in again as another. */
@Repository
public class ParcelStore {
    private static final String REVISION = "revision";
    private static final String FILES = "revision_file";

    /** Tables beside the job itself, and the column that names it, in the order to put them in. */
    private static final Map<String, String> OF_JOB =
            new TreeMap<>(
                    Map.of(
                            "cut",
                            "job_id",
                            "handed",
                            "job",
                            "inspection",
                            "job",
                            "kit_picture",
                            "job",
                            "kit_ticks",
                            "job",
                            REVISION,
                            "job_id",
                            "ticket_version",
                            "job_id"));

    private final JdbcClient jdbc;

    ParcelStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Rows by table, each by its columns. */
    public Map<String, List<Map<String, Object>>> rows(long job) {
        Map<String, List<Map<String, Object>>> all = new LinkedHashMap<>();
        all.put("job", rows("select * from job where id = :job", job));
        OF_JOB.forEach(
                (table, column) ->
                        all.put(
                                table,
                                rows(
                                        "select * from "
                                                + table
                                                + " where "
                                                + column
                                                + " = :job order by rowid",
                                        job)));
        all.put(
                FILES,
                rows(
                        "select f.* from revision_file f join revision r on r.id = f.revision_id"
                                + " where r.job_id = :job order by f.rowid",
                        job));
        return all;
    }

    private List<Map<String, Object>> rows(String sql, long job) {
        return jdbc.sql(sql).param("job", job).query(new ColumnMapRowMapper()).list();
    }

    /** Puts the rows in as a job of its own, whole or not at all; its id. */
    @Transactional
    public long add(Map<String, List<Map<String, Object>>> rows) {
        Map<String, Object> own = new LinkedHashMap<>(rows.get("job").get(0));
        own.remove("id");
        own.remove("deleted");
        long job = insert("job", own);
        Map<Object, Long> revisions = new LinkedHashMap<>();
        for (Map<String, Object> r : rows.getOrDefault(REVISION, List.of())) {
            Map<String, Object> row = new LinkedHashMap<>(r);
            Object was = row.remove("id");
            row.put("job_id", job);
            revisions.put(String.valueOf(was), insert(REVISION, row));
        }
        for (Map<String, Object> r : rows.getOrDefault(FILES, List.of())) {
            Map<String, Object> row = new LinkedHashMap<>(r);
            row.put("revision_id", revisions.get(String.valueOf(row.get("revision_id"))));
            insert(FILES, row);
        }
        OF_JOB.forEach(
                (table, column) -> {
                    if (!table.equals(REVISION)) {
                        for (Map<String, Object> r : rows.getOrDefault(table, List.of())) {
                            Map<String, Object> row = new LinkedHashMap<>(r);
                            row.remove("id");
                            row.put(column, job);
                            insert(table, row);
                        }
                    }
                });
        return job;
    }

    /** Columns are those of the table: another name is an error of the database. */
    private long insert(String table, Map<String, Object> row) {
        List<String> columns = new ArrayList<>(row.keySet());
        for (String c : columns) {
            if (!c.matches("[a-z_0-9]+")) {
                throw new IllegalArgumentException("no column is called " + c);
            }
        }
        var statement =
                jdbc.sql(
                        "insert into "
                                + table
                                + " ("
                                + String.join(", ", columns)
                                + ") values (:"
                                + String.join(", :", columns)
                                + ")");
        for (String c : columns) {
            statement = statement.param(c, row.get(c));
        }
        GeneratedKeyHolder key = new GeneratedKeyHolder();
        statement.update(key);
        return key.getKey() == null ? 0 : key.getKey().longValue();
    }

    /** A copy of the whole database as it is at this moment, while it is in use. */
    public void copyTo(String file) {
        jdbc.sql("vacuum into :file").param("file", file).update();
    }
}
