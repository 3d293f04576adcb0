package dev.lastcut.server.store;

import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Capability sheets of the user's own, as JSON. */
@Repository
public class SheetStore {
    private final JdbcClient jdbc;

    SheetStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** The JSON of every sheet, by id. */
    public List<String> all() {
        return jdbc.sql("select json from sheet order by id").query(String.class).list();
    }

    public Optional<String> find(String id) {
        return jdbc.sql("select json from sheet where id = :id")
                .param("id", id)
                .query(String.class)
                .optional();
    }

    public void put(String id, String json, String now) {
        jdbc.sql(
                        """
                        insert into sheet (id, json, changed) values (:id, :json, :now)
                        on conflict (id) do update set json = :json, changed = :now
                        """)
                .param("id", id)
                .param("json", json)
                .param("now", now)
                .update();
    }

    /** False when there is no such sheet. */
    public boolean delete(String id) {
        return jdbc.sql("delete from sheet where id = :id").param("id", id).update() == 1;
    }
}
