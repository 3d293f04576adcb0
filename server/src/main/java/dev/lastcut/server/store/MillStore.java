package dev.lastcut.server.store;

import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** How boards are set up on mills, and the probed surfaces of their stock; both as JSON. */
@Repository
public class MillStore {
    private final JdbcClient jdbc;

    MillStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    public Optional<String> setup(long job, String sheet) {
        return jdbc.sql("select json from mill_setup where job_id = :job and sheet_id = :sheet")
                .param("job", job)
                .param("sheet", sheet)
                .query(String.class)
                .optional();
    }

    public void putSetup(long job, String sheet, String json) {
        jdbc.sql(
                        """
                        insert into mill_setup (job_id, sheet_id, json)
                        values (:job, :sheet, :json)
                        on conflict (job_id, sheet_id) do update set json = :json
                        """)
                .param("job", job)
                .param("sheet", sheet)
                .param("json", json)
                .update();
    }

    public Optional<String> heights(long job, String side) {
        return jdbc.sql("select json from height_map where job_id = :job and side = :side")
                .param("job", job)
                .param("side", side)
                .query(String.class)
                .optional();
    }

    public void putHeights(long job, String side, String json) {
        jdbc.sql(
                        """
                        insert into height_map (job_id, side, json)
                        values (:job, :side, :json)
                        on conflict (job_id, side) do update set json = :json
                        """)
                .param("job", job)
                .param("side", side)
                .param("json", json)
                .update();
    }

    public void deleteHeights(long job, String side) {
        jdbc.sql("delete from height_map where job_id = :job and side = :side")
                .param("job", job)
                .param("side", side)
                .update();
    }
}
