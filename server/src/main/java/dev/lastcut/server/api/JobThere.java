package dev.lastcut.server.api;

import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.NotFoundException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;

/** Every route of a job asks first whether there is such a job. */
@Component
class JobThere implements HandlerInterceptor {
    private final JobService jobs;

    JobThere(JobService jobs) {
        this.jobs = jobs;
    }

    /**
     * @throws NotFoundException when there is no such job
     */
    @Override
    public boolean preHandle(
            HttpServletRequest request, HttpServletResponse response, Object handler) {
        Object variables = request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE);
        if (variables instanceof Map<?, ?> all && all.get("id") instanceof String id) {
            number(id).ifPresent(jobs::job);
        }
        return true;
    }

    /** Empty for what is no number: the route says so itself. */
    private static Optional<Long> number(String id) {
        try {
            return Optional.of(Long.valueOf(id));
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }
}
