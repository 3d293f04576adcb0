package dev.lastcut.server.store;

import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** What the user said of files in earlier packs, by what their names have in common. */
@Repository
public class NamingStore {
    private final JdbcClient jdbc;

    NamingStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Role ids by signature. */
    public Map<String, String> all() {
        Map<String, String> all = new LinkedHashMap<>();
        jdbc.sql("select signature, role from naming order by signature")
                .query((r, n) -> Map.entry(r.getString("signature"), r.getString("role")))
                .list()
                .forEach(e -> all.put(e.getKey(), e.getValue()));
        return all;
    }

    @Transactional
    public void put(Map<String, String> roles, String now) {
        roles.forEach(
                (signature, role) ->
                        jdbc.sql(
                                        """
                                        insert into naming (signature, role, said)
                                        values (:signature, :role, :now)
                                        on conflict (signature) do update
                                        set role = excluded.role, said = excluded.said
                                        """)
                                .param("signature", signature)
                                .param("role", role)
                                .param("now", now)
                                .update());
    }
}
