package dev.lastcut.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Orders at a desk, as far as they are known here. */
@Repository
public class DeskOrderStore {
    private final JdbcClient jdbc;
    private final CutStore cuts;

    DeskOrderStore(JdbcClient jdbc, CutStore cuts) {
        this.jdbc = jdbc;
        this.cuts = cuts;
    }

    /** How far an order is on this side. */
    public enum State {
        /** The cut is on its way to the desk, or was and did not get there. */
        SENDING,
        /** The desk has read it; nothing is ordered. */
        READ,
        /** The order was sent; whether the desk has it is not known yet. */
        PLACING,
        /** The desk has it. */
        PLACED,
        /** It came to nothing: refused, withdrawn, or left. */
        LEFT
    }

    /**
     * An order.
     *
     * @param cut its number; 0 for the files as they came
     * @param upload the SHA-256 of what was uploaded; empty before it was read
     * @param key what the desk knows the order by
     * @param reading what the desk read, in JSON; empty before it did
     * @param said the order as the desk said last, in JSON; empty before it has it
     * @param heard when that was
     * @param fault what went wrong last, in a sentence; empty when nothing did
     * @param differences parts that the desk would fit otherwise, in JSON
     * @param list the packing list that was sent, in JSON; empty before it was read
     */
    public record Row(
            long id,
            long job,
            int cut,
            String upload,
            String key,
            State state,
            String by,
            String note,
            String begun,
            Optional<String> reading,
            Optional<String> said,
            Optional<String> heard,
            String fault,
            String differences,
            Optional<String> list) {}

    /**
     * What was sent.
     *
     * @param upload the SHA-256 of the packing list
     * @param list the packing list, in JSON
     */
    public record Sent(String upload, String list) {}

    /** The open order of a cut, begun if there is none. */
    @Transactional
    public Row begin(long job, int cut, String key, String now) {
        jdbc.sql(
                        """
                        insert or ignore into desk_order (job_id, cut, upload, key, state, begun)
                        values (:job, :cut, '', :key, 'sending', :now)
                        """)
                .param("job", job)
                .param("cut", cut)
                .param("key", key)
                .param("now", now)
                .update();
        return jdbc.sql(
                        """
                        select * from desk_order where job_id = :job and cut = :cut
                        and state in ('sending', 'read', 'placing')
                        """)
                .param("job", job)
                .param("cut", cut)
                .query((r, n) -> row(r))
                .single();
    }

    public Optional<Row> find(long id) {
        return jdbc.sql("select * from desk_order where id = :id")
                .param("id", id)
                .query((r, n) -> row(r))
                .optional();
    }

    /** Of a job, the newest first. */
    public List<Row> of(long job) {
        return jdbc.sql("select * from desk_order where job_id = :job order by id desc")
                .param("job", job)
                .query((r, n) -> row(r))
                .list();
    }

    /** Those that are in a state. */
    public List<Row> in(State state) {
        return jdbc.sql("select * from desk_order where state = :state order by id")
                .param("state", word(state))
                .query((r, n) -> row(r))
                .list();
    }

    private static Row row(ResultSet r) throws SQLException {
        return new Row(
                r.getLong("id"),
                r.getLong("job_id"),
                r.getInt("cut"),
                r.getString("upload"),
                r.getString("key"),
                State.valueOf(r.getString("state").toUpperCase(Locale.ROOT)),
                r.getString("by"),
                r.getString("note"),
                r.getString("begun"),
                Optional.ofNullable(r.getString("reading")),
                Optional.ofNullable(r.getString("said")),
                Optional.ofNullable(r.getString("heard")),
                r.getString("fault"),
                r.getString("differences"),
                Optional.ofNullable(r.getString("list")));
    }

    private static String word(State state) {
        return state.name().toLowerCase(Locale.ROOT);
    }

    /** What went wrong; the order stays where it is. */
    public void fault(long id, String sentence) {
        jdbc.sql("update desk_order set fault = :fault where id = :id")
                .param("fault", sentence)
                .param("id", id)
                .update();
    }

    /** The desk has read it, for the first time or anew: what it said, with its pictures. */
    @Transactional
    public void read(
            long id, Sent sent, String reading, String differences, Map<String, byte[]> pictures) {
        jdbc.sql(
                        """
                        update desk_order set state = 'read', upload = :upload, list = :list,
                        reading = :reading, differences = :differences, fault = ''
                        where id = :id and state in ('sending', 'read')
                        """)
                .param("upload", sent.upload())
                .param("list", sent.list())
                .param("reading", reading)
                .param("differences", differences)
                .param("id", id)
                .update();
        pictures.forEach(
                (name, png) ->
                        jdbc.sql(
                                        """
                                        insert or replace into desk_picture (order_id, name, png)
                                        values (:id, :name, :png)
                                        """)
                                .param("id", id)
                                .param("name", name)
                                .param("png", png)
                                .update());
    }

    public Optional<byte[]> picture(long id, String name) {
        return jdbc.sql("select png from desk_picture where order_id = :id and name = :name")
                .param("id", id)
                .param("name", name)
                .query((r, n) -> r.getBytes(1))
                .optional();
    }

    /** It is about to be sent; false when it is not there to be. */
    public boolean placing(long id, String by, String note) {
        return jdbc.sql(
                                """
                                update desk_order set state = 'placing', by = :by, note = :note,
                                fault = '' where id = :id and state = 'read'
                                """)
                        .param("by", by)
                        .param("note", note)
                        .param("id", id)
                        .update()
                == 1;
    }

    /** The desk does not have it, and cannot get it any more by the key it had. */
    public void notPlaced(long id, String newKey, String fault) {
        jdbc.sql(
                        """
                        update desk_order set state = 'read', key = :key, fault = :fault
                        where id = :id and state = 'placing'
                        """)
                .param("key", newKey)
                .param("fault", fault)
                .param("id", id)
                .update();
    }

    /** The desk has it: noted with the cut, too, the first time. */
    @Transactional
    public void placed(long id, String said, String heard, String fault, CutStore.Handed handed) {
        int first =
                jdbc.sql(
                                """
                                update desk_order set state = 'placed', said = :said,
                                heard = :heard, fault = :fault
                                where id = :id and state = 'placing'
                                """)
                        .param("said", said)
                        .param("heard", heard)
                        .param("fault", fault)
                        .param("id", id)
                        .update();
        // Files that were sent as they came are of no cut that could be handed over.
        if (first == 1 && handed.cut() > 0) {
            cuts.hand(find(id).orElseThrow().job(), handed);
        }
    }

    /** What the desk says of an order it has. */
    public void said(long id, String said, String heard) {
        jdbc.sql("update desk_order set said = :said, heard = :heard, fault = '' where id = :id")
                .param("said", said)
                .param("heard", heard)
                .param("id", id)
                .update();
    }

    /** It came to nothing. */
    public void left(long id, String why) {
        jdbc.sql(
                        """
                        update desk_order set state = 'left', fault = :why
                        where id = :id and state in ('sending', 'read')
                        """)
                .param("why", why)
                .param("id", id)
                .update();
    }
}
