package dev.lastcut.server.orders;

import dev.lastcut.core.cut.Manifest;
import dev.lastcut.server.orders.DeskOrder.Answered;
import dev.lastcut.server.orders.DeskOrder.Wanted;
import dev.lastcut.server.outside.ExternalHttpException;
import dev.lastcut.server.outside.ExternalHttpService;
import dev.lastcut.server.report.Json;
import java.time.Duration;
import java.util.Optional;
import tools.jackson.core.JacksonException;

/** Speaks to an order desk, in the words of docs/desk.md. */
final class DeskClient {
    private static final String JSON = "application/json";
    private static final int NOT_FOUND = 404;

    private final ExternalHttpService desk;

    DeskClient(String address, Duration limit) {
        desk = new ExternalHttpService("The order desk", address, limit);
    }

    /**
     * Sends a parcel, unless the desk has it already.
     *
     * @param sha256 of its bytes
     */
    void parcel(String sha256, byte[] content) throws ExternalHttpException {
        String path = "/parcels/" + sha256;
        try {
            desk.get(path);
        } catch (ExternalHttpException e) {
            if (e.status() != NOT_FOUND) {
                throw e;
            }
            desk.send("PUT", path, "application/octet-stream", content);
        }
    }

    /** Uploads a packing list; as good as once when it is done twice. */
    DeskReading upload(byte[] list) throws ExternalHttpException {
        return reading(desk.send("PUT", "/uploads/" + Manifest.sha256(list), JSON, list));
    }

    DeskReading reading(String sha256) throws ExternalHttpException {
        return reading(desk.get("/uploads/" + sha256));
    }

    private DeskReading reading(byte[] json) throws ExternalHttpException {
        DeskReading reading = read(json, DeskReading.class);
        if (reading.state() == null || reading.files() == null) {
            throw desk.senseless();
        }
        return reading;
    }

    byte[] picture(String sha256, String name) throws ExternalHttpException {
        return desk.get("/uploads/" + sha256 + "/pictures/" + name);
    }

    /** Places an order; as good as once when it is done twice with the same key. */
    DeskOrder place(String key, Wanted wanted) throws ExternalHttpException {
        return order(desk.send("PUT", "/orders/" + key, JSON, Json.write(wanted)));
    }

    /** An order as the desk has it; empty when it has none of that key. */
    Optional<DeskOrder> order(String key) throws ExternalHttpException {
        try {
            return Optional.of(order(desk.get("/orders/" + key)));
        } catch (ExternalHttpException e) {
            if (e.status() == NOT_FOUND) {
                return Optional.empty();
            }
            throw e;
        }
    }

    DeskOrder answer(String key, String question, String answer) throws ExternalHttpException {
        String path = "/orders/" + key + "/answers/" + question;
        return order(desk.send("PUT", path, JSON, Json.write(new Answered(answer))));
    }

    /**
     * Withdraws an order, or sees to it that one still on its way is not taken.
     *
     * @return the order, empty when it never came
     */
    Optional<DeskOrder> withdraw(String key) throws ExternalHttpException {
        byte[] answer = desk.send("DELETE", "/orders/" + key, JSON, new byte[0]);
        return answer.length == 0 ? Optional.empty() : Optional.of(order(answer));
    }

    private DeskOrder order(byte[] json) throws ExternalHttpException {
        DeskOrder order = read(json, DeskOrder.class);
        if (order.state() == null || order.number() == null || order.history() == null) {
            throw desk.senseless();
        }
        return order;
    }

    private <T> T read(byte[] json, Class<T> type) throws ExternalHttpException {
        try {
            T value = Json.MAPPER.readValue(json, type);
            if (value != null) {
                return value;
            }
        } catch (JacksonException e) {
            throw desk.senseless();
        }
        throw desk.senseless();
    }
}
