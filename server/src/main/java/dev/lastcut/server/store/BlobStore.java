package dev.lastcut.server.store;

import dev.lastcut.core.cut.Manifest;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Files by their SHA-256; the same bytes are kept once. */
@Repository
public class BlobStore {
    private final JdbcClient jdbc;

    BlobStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Keeps the bytes and returns their hash. */
    public String put(byte[] bytes) {
        String sha256 = Manifest.sha256(bytes);
        jdbc.sql("insert or ignore into blob (sha256, bytes) values (:sha256, :bytes)")
                .param("sha256", sha256)
                .param("bytes", bytes)
                .update();
        return sha256;
    }

    public byte[] get(String sha256) {
        return jdbc.sql("select bytes from blob where sha256 = :sha256")
                .param("sha256", sha256)
                .query((row, n) -> row.getBytes(1))
                .single();
    }
}
