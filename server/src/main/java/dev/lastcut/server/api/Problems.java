package dev.lastcut.server.api;

import dev.lastcut.server.report.Json;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;

/** Problem details (RFC 9457) written where no controller was reached yet. */
final class Problems {
    private Problems() {}

    static void write(HttpServletResponse response, HttpStatus status, String code, String sentence)
            throws IOException {
        Map<String, Object> problem = new LinkedHashMap<>();
        problem.put("title", status.getReasonPhrase());
        problem.put("status", status.value());
        problem.put("code", code);
        problem.put("detail", sentence);
        response.setStatus(status.value());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.getOutputStream().write(Json.write(problem));
    }
}
