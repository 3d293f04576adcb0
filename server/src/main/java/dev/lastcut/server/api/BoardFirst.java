package dev.lastcut.server.api;

import dev.lastcut.server.jobs.Opening;
import dev.lastcut.server.jobs.RefusedException;
import dev.lastcut.server.work.TaskState;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;

/**
 * Before a job's board is asked about, it is read: as one task, however many ask, which says how
 * far it is and can be cancelled. Who sends {@code Prefer: respond-async} (RFC 7240, 4.1) is
 * answered at once with 202 and that task, and asks again when it is over; others wait for it.
 */
@Component
class BoardFirst implements HandlerInterceptor {
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
        Optional<Long> job = BoardRoutes.job(request, handler);
        if (job.isEmpty()) {
            return true;
        }
        boolean async = BoardRoutes.isAsync(request);
        Optional<TaskState> reading =
                opening.open(job.get(), async ? Opening.PATIENCE_MS : Opening.LONGEST_MS);
        if (reading.isEmpty()) {
            return true;
        }
        BoardRoutes.accepted(response, reading.get());
        return false;
    }
}
