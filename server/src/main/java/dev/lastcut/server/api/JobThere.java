package dev.lastcut.server.api;

import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.NotFoundException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;

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
        BoardRoutes.id(request).ifPresent(jobs::job);
        return true;
    }
}
