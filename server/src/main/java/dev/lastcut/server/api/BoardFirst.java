package dev.lastcut.server.api;

import dev.lastcut.server.jobs.Opening;
import dev.lastcut.server.jobs.RefusedException;
import dev.lastcut.server.report.Json;
import dev.lastcut.server.work.TaskState;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;

/**
 * Before a job's board is asked about, it is read: as one task, however many ask, which says how
 * far it is and can be cancelled. Who sends {@code Prefer: respond-async} (RFC 7240, 4.1) is
 * answered at once with 202 and that task, and asks again when it is over; others wait for it.
 */
@Component
class BoardFirst implements HandlerInterceptor {
    private static final String ASYNC = "respond-async";

    /** A board that is read within this time is answered without a word about reading. */
    private static final long PATIENCE_MS = 300;

    private static final long LONGEST_MS = 600_000;

    private final Opening opening;

    BoardFirst(Opening opening) {
        this.opening = opening;
    }

    /**
     * @throws RefusedException when the board cannot be read
     */
    @Override
    public boolean preHandle(
            HttpServletRequest request, HttpServletResponse response, Object handler)
            throws IOException {
        Optional<Long> job = job(request);
        if (job.isEmpty()
                || !request.getMethod().equals("GET")
                || !(handler instanceof HandlerMethod method)
                || method.hasMethodAnnotation(WithoutBoard.class)
                || method.getBeanType().isAnnotationPresent(WithoutBoard.class)) {
            return true;
        }
        boolean async =
                Collections.list(request.getHeaders("Prefer")).stream()
                        .anyMatch(p -> p.contains(ASYNC));
        Optional<TaskState> reading = opening.open(job.get(), async ? PATIENCE_MS : LONGEST_MS);
        if (reading.isEmpty()) {
            return true;
        }
        response.setStatus(HttpServletResponse.SC_ACCEPTED);
        response.setHeader("Preference-Applied", ASYNC);
        response.setContentType(MediaType.APPLICATION_JSON_VALUE);
        response.getOutputStream().write(Json.write(reading.get()));
        return false;
    }

    private static Optional<Long> job(HttpServletRequest request) {
        Object variables = request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE);
        if (variables instanceof Map<?, ?> all && all.get("id") instanceof String id) {
            try {
                return Optional.of(Long.valueOf(id));
            } catch (NumberFormatException e) {
                return Optional.empty();
            }
        }
        return Optional.empty();
    }
}
