package dev.lastcut.server.api;

import dev.lastcut.server.jobs.RefusedException;
import dev.lastcut.server.work.Task;
import dev.lastcut.server.work.TaskRunner;
import dev.lastcut.server.work.TaskState;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import org.springframework.boot.webmvc.autoconfigure.WebMvcRegistrations;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.ServletWebRequest;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.method.support.ModelAndViewContainer;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerAdapter;
import org.springframework.web.servlet.mvc.method.annotation.ServletInvocableHandlerMethod;

/**
 * What is asked about a board is computed as a task and not on the thread of the request: pages of
 * paper, comparisons, offers of all shops. Mostly the answer is there at once. Where it is not, who
 * sends {@code Prefer: respond-async} gets 202 with the task, which can be cancelled, and its id in
 * the header {@code Task}; asking again with that header fetches the answer. Others wait.
 */
@Component
class RouteTasks implements WebMvcRegistrations {
    static final String TASK = "Task";

    private static final long PATIENCE_MS = 1_000;
    private static final long LONGEST_MS = 600_000;

    /** Answers that nobody fetched are dropped when there are more. */
    private static final int MOST_KEPT = 30;

    private final TaskRunner tasks;

    /** Answers to be fetched, by task; the oldest first. */
    private final Map<String, Answer> kept = new LinkedHashMap<>();

    RouteTasks(TaskRunner tasks) {
        this.tasks = tasks;
    }

    /** An answer that is computed: what the route returned, or how it failed. */
    private static final class Answer {
        private final String address;
        private Task task;
        private volatile Object value;
        private volatile Exception failure;

        Answer(String address) {
            this.address = address;
        }

        Object get() throws Exception {
            if (failure != null) {
                throw failure;
            }
            TaskState end = task.state();
            if (end.status() == TaskState.Status.CANCELLED) {
                throw new CancellationException("cancelled");
            }
            if (end.status() == TaskState.Status.FAILED) {
                throw new RefusedException(end.error());
            }
            return value;
        }
    }

    /** It is still computed; the request is answered with the task. */
    private static final class StillComputing extends Exception {
        private final transient Task task;

        StillComputing(Task task) {
            super("still computing", null, false, false);
            this.task = task;
        }
    }

    @Override
    public RequestMappingHandlerAdapter getRequestMappingHandlerAdapter() {
        return new RequestMappingHandlerAdapter() {
            @Override
            protected ServletInvocableHandlerMethod createInvocableHandlerMethod(HandlerMethod m) {
                return new Route(m);
            }
        };
    }

    /** A route; one that is about a board computes in a task. */
    private final class Route extends ServletInvocableHandlerMethod {
        private HttpServletRequest request;

        Route(HandlerMethod method) {
            super(method);
        }

        @Override
        public void invokeAndHandle(
                ServletWebRequest web, ModelAndViewContainer container, Object... given)
                throws Exception {
            request = web.getRequest();
            try {
                super.invokeAndHandle(web, container, given);
            } catch (StillComputing e) {
                HttpServletResponse response = web.getResponse();
                response.setHeader(TASK, e.task.state().id());
                BoardRoutes.accepted(response, e.task.state());
                container.setRequestHandled(true);
            }
        }

        @Override
        protected Object doInvoke(Object... args) throws Exception {
            if (BoardRoutes.job(request, this).isEmpty()) {
                return super.doInvoke(args);
            }
            boolean async = BoardRoutes.isAsync(request);
            Answer answer = fetched().orElseGet(() -> begun(args));
            if (!answer.task.await(async ? PATIENCE_MS : LONGEST_MS).isOver()) {
                keep(answer);
                throw new StillComputing(answer.task);
            }
            return answer.get();
        }

        private Answer begun(Object... args) {
            Answer answer = new Answer(address());
            answer.task =
                    tasks.answer(
                            task -> {
                                task.progress(0, 1, "computing the answer");
                                try {
                                    answer.value = super.doInvoke(args);
                                } catch (Exception e) {
                                    // It is the request's to say, with the status it has there.
                                    answer.failure = e;
                                }
                                return "";
                            });
            return answer;
        }

        private Optional<Answer> fetched() {
            String id = request.getHeader(TASK);
            synchronized (kept) {
                Answer answer = id == null ? null : kept.get(id);
                if (answer == null || !answer.address.equals(address())) {
                    return Optional.empty();
                }
                kept.remove(id);
                return Optional.of(answer);
            }
        }

        private String address() {
            return request.getRequestURI() + "?" + request.getQueryString();
        }
    }

    private void keep(Answer answer) {
        tasks.list(answer.task);
        synchronized (kept) {
            kept.put(answer.task.state().id(), answer);
            Iterator<Answer> oldest = kept.values().iterator();
            while (kept.size() > MOST_KEPT && oldest.hasNext()) {
                oldest.next();
                oldest.remove();
            }
        }
    }
}
