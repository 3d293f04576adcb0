package dev.lastcut.server.api;

import dev.lastcut.server.report.Json;
import dev.lastcut.server.work.TaskState;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.MediaType;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerMapping;

/** The routes that read something of a job's board. */
final class BoardRoutes {
    private static final String ASYNC = "respond-async";

    private BoardRoutes() {}

    /** The job whose board is asked about; empty for every other request. */
    static Optional<Long> job(HttpServletRequest request, Object handler) {
        if (!(handler instanceof HandlerMethod method)
                || !(request.getMethod().equals("GET")
                        || method.hasMethodAnnotation(OnlyAsks.class))
                || method.hasMethodAnnotation(WithoutBoard.class)
                || method.getBeanType().isAnnotationPresent(WithoutBoard.class)
                || !request.getRequestURI().startsWith("/api/jobs/")) {
            return Optional.empty();
        }
        return id(request);
    }

    /** The number in a route; empty where it has none, or for what is none: it says so itself. */
    static Optional<Long> id(HttpServletRequest request) {
        Object variables = request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE);
        if (!(variables instanceof Map<?, ?> all) || !(all.get("id") instanceof String id)) {
            return Optional.empty();
        }
        try {
            return Optional.of(Long.valueOf(id));
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }

    /** Whether 202 and a task are preferred to waiting. */
    static boolean isAsync(HttpServletRequest request) {
        return Collections.list(request.getHeaders("Prefer")).stream()
                .anyMatch(p -> p.contains(ASYNC));
    }

    /** Answers 202 with the task that is to be followed. */
    static void accepted(HttpServletResponse response, TaskState task) throws IOException {
        response.setStatus(HttpServletResponse.SC_ACCEPTED);
        response.setHeader("Preference-Applied", ASYNC);
        response.setContentType(MediaType.APPLICATION_JSON_VALUE);
        response.getOutputStream().write(Json.write(task));
    }
}
