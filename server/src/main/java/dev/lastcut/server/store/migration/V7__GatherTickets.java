package dev.lastcut.server.store.migration;

import dev.lastcut.server.report.Json;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.flywaydb.core.api.migration.BaseJavaMigration;
import org.flywaydb.core.api.migration.Context;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Gathers what was chosen for each job, which lay in a dozen places, into the first version of its
 * ticket, one for each revision. It writes version 1 of the ticket by itself, so that it does the
 * same whatever becomes of the ticket later.
 */
@Component
@SuppressWarnings("checkstyle:TypeName")
public final class V7__GatherTickets extends BaseJavaMigration {
    private static final double NM = 1e6;

    @Override
    public void migrate(Context context) throws SQLException {
        Connection db = context.getConnection();
        for (JsonNode job : rows(db, "select * from job order by id")) {
            ObjectNode common = common(db, job);
            int number = 1;
            for (JsonNode r :
                    rows(
                            db,
                            "select * from revision where job_id = ? order by number",
                            job.get("id").asLong())) {
                ObjectNode ticket = common.deepCopy();
                files(
                        rows(
                                db,
                                "select * from revision_file where revision_id = ? order by path",
                                r.get("id").asLong()),
                        ticket);
                add(db, r, number++, Json.MAPPER.writeValueAsString(ticket));
            }
        }
        for (String old :
                List.of(
                        "drop table net_current",
                        "drop table mill_setup",
                        "drop table height_map",
                        "drop table sign_off",
                        "alter table job drop column sheet_id",
                        "alter table job drop column headroom",
                        "alter table job drop column order_options",
                        "alter table revision_file drop column role",
                        "alter table revision_file drop column correction",
                        "alter table revision_file drop column number_format",
                        "alter table revision_file drop column unit_nm")) {
            try (Statement s = db.createStatement()) {
                s.execute(old);
            }
        }
    }

    private static void add(Connection db, JsonNode revision, int number, String ticket)
            throws SQLException {
        try (PreparedStatement s =
                db.prepareStatement(
                        "insert into ticket_version (job_id, number, revision, at, says, ticket)"
                                + " values (?, ?, ?, ?, ?, ?)")) {
            s.setLong(1, revision.get("job_id").asLong());
            s.setInt(2, number);
            s.setInt(3, revision.get("number").asInt());
            s.setString(4, revision.get("created").asString());
            s.setString(5, "brought in, with what was chosen before versions were kept");
            s.setString(6, ticket);
            s.executeUpdate();
        }
        try (PreparedStatement s =
                db.prepareStatement("update revision set version = ?, tip = ? where id = ?")) {
            s.setInt(1, number);
            s.setInt(2, number);
            s.setLong(3, revision.get("id").asLong());
            s.executeUpdate();
        }
    }

    /** What holds for every revision of a job. */
    private static ObjectNode common(Connection db, JsonNode job) throws SQLException {
        long id = job.get("id").asLong();
        String shop = job.path("sheet_id").asString("");
        ObjectNode t = Json.MAPPER.createObjectNode();
        t.put("version", 1);
        if (!shop.isEmpty()) {
            t.put("shop", shop);
        }
        JsonNode headroom = Json.MAPPER.readTree(job.get("headroom").asString());
        if (headroom.path("percent").asDouble() != 0
                || !headroom.path("mm").isEmpty()
                || !headroom.path("percents").isEmpty()) {
            t.set("headroom", headroom);
        }
        JsonNode order = Json.MAPPER.readTree(job.get("order_options").asString()).path("chosen");
        if (!order.isEmpty()) {
            t.set("order", order);
        }
        currents(rows(db, "select * from net_current where job_id = ? order by net", id), t);
        mills(rows(db, "select * from mill_setup where job_id = ? order by sheet_id", id), shop, t);
        surfaces(rows(db, "select * from height_map where job_id = ? order by side", id), t);
        signOffs(rows(db, "select * from sign_off where job_id = ? order by finding_id", id), t);
        return t;
    }

    private static void files(List<JsonNode> rows, ObjectNode t) {
        for (JsonNode f : rows) {
            String path = f.get("path").asString();
            if (f.has("role")) {
                child(t, "roles").put(path, f.get("role").asString());
            }
            if (f.has("number_format")) {
                child(t, "formats").put(path, f.get("number_format").asString());
            }
            if (f.path("unit_nm").asDouble() > 0) {
                child(t, "units_nm").put(path, f.get("unit_nm").asDouble());
            }
            if (f.has("correction")) {
                JsonNode c = Json.MAPPER.readTree(f.get("correction").asString());
                ObjectNode move = Json.MAPPER.createObjectNode();
                move.set("mirrored", c.get("mirrored"));
                move.set("quarter_turns", c.get("quarter_turns"));
                move.set("scale", c.get("scale"));
                move.put("dx_mm", c.get("dx").asDouble() / NM);
                move.put("dy_mm", c.get("dy").asDouble() / NM);
                child(t, "corrections").set(path, move);
            }
        }
    }

    private static ObjectNode child(ObjectNode t, String name) {
        return t.withObject("/" + name);
    }

    private static void currents(List<JsonNode> rows, ObjectNode t) {
        for (JsonNode r : rows) {
            ObjectNode c = t.withArray("/currents").addObject();
            c.set("net", r.get("net"));
            c.set("amps", r.get("amps"));
            c.set("rise_c", r.get("rise_c"));
            if (r.has("ends")) {
                JsonNode ends = Json.MAPPER.readTree(r.get("ends").asString());
                for (String end : List.of("from", "to")) {
                    ObjectNode pad = c.putObject(end);
                    pad.set("layer", ends.get(end).get("layer"));
                    pad.put("x_mm", ends.get(end).get("x").asDouble() / NM);
                    pad.put("y_mm", ends.get(end).get("y").asDouble() / NM);
                }
            }
        }
    }

    private static void mills(List<JsonNode> rows, String shop, ObjectNode t) {
        for (JsonNode r : rows) {
            ObjectNode setup = (ObjectNode) Json.MAPPER.readTree(r.get("json").asString());
            for (String list : List.of("rub_out", "leave_out")) {
                ArrayNode areas = Json.MAPPER.createArrayNode();
                for (JsonNode a : setup.path(list)) {
                    ObjectNode area = areas.addObject();
                    for (String k : List.of("min_x", "min_y", "max_x", "max_y")) {
                        area.put(k + "_mm", a.get(k).asDouble() / NM);
                    }
                }
                setup.set(list, areas);
            }
            for (String axis : List.of("x", "y")) {
                setup.set("in_stock_" + axis + "_mm", setup.remove("in_stock_" + axis + "mm"));
            }
            String sheet = r.get("sheet_id").asString();
            if (sheet.equals(shop)) {
                t.set("mill", setup);
            } else {
                child(t, "mills_aside").set(sheet, setup);
            }
        }
    }

    private static void surfaces(List<JsonNode> rows, ObjectNode t) {
        for (JsonNode r : rows) {
            JsonNode kept = Json.MAPPER.readTree(r.get("json").asString());
            ObjectNode s = child(t, "surfaces").putObject(r.get("side").asString());
            s.set("grid_nm", kept.get("grid"));
            s.set("points", kept.get("points"));
        }
    }

    private static void signOffs(List<JsonNode> rows, ObjectNode t) {
        for (JsonNode r : rows) {
            String finding = r.get("finding_id").asString();
            ObjectNode s = t.withArray("/sign_offs").addObject();
            s.put("rule", finding.replaceFirst("-[0-9a-f]{8}(-\\d+)?$", ""));
            s.put("x_mm", r.get("x").asDouble() / NM);
            s.put("y_mm", r.get("y").asDouble() / NM);
            s.set("by", r.get("signed_by"));
            s.set("reason", r.get("reason"));
            s.put("finding", finding);
            s.set("subject", r.get("subject"));
            if (r.has("beyond")) {
                s.set("beyond", r.get("beyond"));
            }
            s.set("revision", r.get("revision"));
            s.set("at", r.get("at"));
        }
    }

    /** Rows as objects by column; what is null is left out. */
    private static List<JsonNode> rows(Connection db, String sql, Object... values)
            throws SQLException {
        List<JsonNode> all = new ArrayList<>();
        try (PreparedStatement s = db.prepareStatement(sql)) {
            for (int i = 0; i < values.length; i++) {
                s.setObject(i + 1, values[i]);
            }
            try (ResultSet r = s.executeQuery()) {
                while (r.next()) {
                    ObjectNode row = Json.MAPPER.createObjectNode();
                    for (int c = 1; c <= r.getMetaData().getColumnCount(); c++) {
                        Object value = r.getObject(c);
                        if (value != null) {
                            row.setAll(
                                    Map.of(
                                            r.getMetaData().getColumnName(c),
                                            Json.MAPPER.<JsonNode>valueToTree(value)));
                        }
                    }
                    all.add(row);
                }
            }
        }
        return all;
    }
}
