package dev.lastcut.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.report.Json;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import tools.jackson.databind.JsonNode;

/** Calls a running server as the interface does. */
record ApiCalls(int port) {
    private static final String LINE = "\r\n";
    private static final HttpClient HTTP = HttpClient.newHttpClient();

    HttpResponse<byte[]> send(String method, String path, String type, byte[] body)
            throws Exception {
        HttpRequest.Builder request =
                HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
                        .method(
                                method,
                                body == null
                                        ? HttpRequest.BodyPublishers.noBody()
                                        : HttpRequest.BodyPublishers.ofByteArray(body));
        if (type != null) {
            request.header("content-type", type);
        }
        return HTTP.send(request.build(), HttpResponse.BodyHandlers.ofByteArray());
    }

    private HttpResponse<byte[]> call(String method, String path, String body) throws Exception {
        byte[] bytes = body == null ? null : body.getBytes(StandardCharsets.UTF_8);
        return send(method, path, "application/json", bytes);
    }

    JsonNode parse(String json) {
        return Json.MAPPER.readTree(json);
    }

    JsonNode json(String method, String path, String body) throws Exception {
        return Json.MAPPER.readTree(call(method, path, body).body());
    }

    /** A job as it is, once its board is read. */
    JsonNode job(String job) throws Exception {
        HttpResponse<byte[]> answer = call("GET", job, null);
        while (answer.statusCode() == 202) {
            finish(Json.MAPPER.readTree(answer.body()));
            answer = call("GET", job, null);
        }
        assertThat(answer.statusCode()).as(job).isEqualTo(200);
        return Json.MAPPER.readTree(answer.body());
    }

    /** Chooses parts of a job's ticket; the job as it is then. */
    JsonNode choose(String job, String parts) throws Exception {
        HttpResponse<byte[]> answer = call("PATCH", job + "/ticket", parts);
        assertThat(answer.statusCode()).as(parts + new String(answer.body())).isEqualTo(200);
        return job(job);
    }

    /** A choice that must be refused; what is said of it. */
    String refused(String job, String parts) throws Exception {
        HttpResponse<byte[]> answer = call("PATCH", job + "/ticket", parts);
        assertThat(answer.statusCode()).as(parts).isEqualTo(409);
        return Json.MAPPER.readTree(answer.body()).at("/detail").asString();
    }

    /** The ids of all findings of a job's check, as a JSON list. */
    String findings(String job) throws Exception {
        return json("GET", job + "/check", null)
                .at("/findings")
                .valueStream()
                .map(f -> f.at("/id").toString())
                .collect(Collectors.joining(",", "[", "]"));
    }

    /** Signs every finding of a job's check off. */
    void signOffAll(String job) throws Exception {
        String all = "{\"findings\":" + findings(job) + ",\"by\":\"Ida\",\"reason\":\"a test\"}";
        assertThat(status("POST", job + "/sign-offs", all)).isEqualTo(200);
    }

    JsonNode chooseShop(String job, String sheet) throws Exception {
        return choose(job, "{\"shop\":\"" + sheet + "\"}");
    }

    /** What a request is answered with when it was made on some version. */
    HttpResponse<byte[]> on(int version, String method, String path, String body) throws Exception {
        HttpRequest request =
                HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
                        .method(method, HttpRequest.BodyPublishers.ofString(body))
                        .header("content-type", "application/json")
                        .header("If-Match", "\"" + version + "\"")
                        .build();
        return HTTP.send(request, HttpResponse.BodyHandlers.ofByteArray());
    }

    int status(String method, String path, String body) throws Exception {
        return call(method, path, body).statusCode();
    }

    /** A zip held against its manifest. */
    JsonNode verify(byte[] zip) throws Exception {
        HttpResponse<byte[]> answer = send("POST", "/api/verify", "application/octet-stream", zip);
        assertThat(answer.statusCode()).isEqualTo(200);
        return Json.MAPPER.readTree(answer.body());
    }

    byte[] bytes(String path) throws Exception {
        HttpResponse<byte[]> answer = send("GET", path, null, null);
        assertThat(answer.statusCode()).as(path).isEqualTo(200);
        return answer.body();
    }

    String text(String path) throws Exception {
        return new String(bytes(path), StandardCharsets.UTF_8);
    }

    JsonNode upload(String to, String name, byte[] content) throws Exception {
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        String head =
                "--edge"
                        + LINE
                        + "Content-Disposition: form-data; name=\"files\"; filename=\""
                        + name
                        + "\""
                        + LINE
                        + LINE;
        body.writeBytes(head.getBytes(StandardCharsets.UTF_8));
        body.writeBytes(content);
        body.writeBytes((LINE + "--edge--" + LINE).getBytes(StandardCharsets.UTF_8));
        return Json.MAPPER.readTree(
                send("POST", to, "multipart/form-data; boundary=edge", body.toByteArray()).body());
    }

    /** Follows the stream of a task's changes to its end. */
    JsonNode finish(JsonNode task) throws Exception {
        String path = "/api/tasks/" + task.at("/id").asString() + "/events";
        List<JsonNode> states =
                new String(send("GET", path, null, null).body(), StandardCharsets.UTF_8)
                        .lines()
                        .filter(l -> l.startsWith("data:"))
                        .map(l -> Json.MAPPER.readTree(l.substring(5)))
                        .toList();
        return states.get(states.size() - 1);
    }

    /** Does one of a job's works to its end, which must be good. */
    void work(String job, String what) throws Exception {
        JsonNode over = finish(json("POST", job + "/work/" + what, null));
        assertThat(over.at("/status").asString()).as("%s", over).isEqualTo("DONE");
    }

    private static byte[] pack(String name) throws IOException {
        try (InputStream in = ApiCalls.class.getResourceAsStream("/demo-packs/" + name + ".zip")) {
            return in.readAllBytes();
        }
    }

    /** Brings a demo board in; the path of its job. */
    String bringIn(String name) throws Exception {
        JsonNode over = finish(upload("/api/jobs", name + ".zip", pack(name)));
        assertThat(over.at("/status").asString()).isEqualTo("DONE");
        return "/api/jobs/" + over.at("/result").asString();
    }

    /** Brings it in once more as the next revision, without some of its files. */
    void bringInAgainWithout(String job, String name, Predicate<String> dropped) throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(pack(name)));
                ZipOutputStream to = new ZipOutputStream(out)) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                if (!dropped.test(e.getName())) {
                    to.putNextEntry(new ZipEntry(e.getName()));
                    to.write(in.readAllBytes());
                    to.closeEntry();
                }
            }
        }
        JsonNode over = finish(upload(job + "/revisions", name + ".zip", out.toByteArray()));
        assertThat(over.at("/status").asString()).isEqualTo("DONE");
    }
}
