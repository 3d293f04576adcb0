package dev.lastcut.server.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertThrows;

import dev.lastcut.server.jobs.RefusedException;
import dev.lastcut.server.report.Json;
import dev.lastcut.server.work.TaskRunner;
import dev.lastcut.server.work.TaskState;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.context.support.StaticWebApplicationContext;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerAdapter;
import tools.jackson.databind.JsonNode;

/** What takes long is answered with a task, and fetched when that is over. */
@Timeout(30)
class RouteTasksTest {
    private final TaskRunner runner = new TaskRunner();
    private final CountDownLatch on = new CountDownLatch(1);
    private final Routes routes = new Routes();

    /** Routes of the test. */
    @RestController
    class Routes {
        private int computed;

        public String slow() throws Exception {
            computed++;
            on.await();
            return "the answer";
        }

        public String refused() {
            throw new RefusedException("Not this board.");
        }
    }

    private final RequestMappingHandlerAdapter adapter =
            new RouteTasks(runner).getRequestMappingHandlerAdapter();

    @BeforeEach
    void ready() {
        adapter.setApplicationContext(new StaticWebApplicationContext());
        adapter.afterPropertiesSet();
    }

    private MockHttpServletResponse ask(String route, String... headers) throws Exception {
        MockHttpServletRequest request = new MockHttpServletRequest("GET", "/api/jobs/7/" + route);
        request.setAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE, Map.of("id", "7"));
        for (int i = 0; i < headers.length; i += 2) {
            request.addHeader(headers[i], headers[i + 1]);
        }
        MockHttpServletResponse response = new MockHttpServletResponse();
        adapter.handle(request, response, new HandlerMethod(routes, Routes.class.getMethod(route)));
        return response;
    }

    @Test
    void isFetchedOnceItsTaskIsOver() throws Exception {
        MockHttpServletResponse begun = ask("slow", "Prefer", "respond-async");
        assertThat(begun.getStatus()).isEqualTo(202);
        JsonNode task = Json.MAPPER.readTree(begun.getContentAsByteArray());
        String id = task.at("/id").asString();
        assertThat(runner.find(id)).isPresent();
        on.countDown();
        assertThat(runner.find(id).orElseThrow().await(10_000).status())
                .isEqualTo(TaskState.Status.DONE);
        assertThat(begun.getHeader("Task")).isEqualTo(id);
        MockHttpServletResponse answer = ask("slow", "Prefer", "respond-async", "Task", id);
        assertThat(answer.getStatus()).isEqualTo(200);
        assertThat(answer.getContentAsString()).isEqualTo("the answer");
        assertThat(routes.computed).isEqualTo(1);
    }

    @Test
    void whatIsRefusedIsRefusedByTheRouteItself() {
        assertThat(assertThrows(RefusedException.class, () -> ask("refused")))
                .hasMessage("Not this board.");
    }

    @Test
    void whoDoesNotPreferItWaits() throws Exception {
        on.countDown();
        assertThat(ask("slow").getContentAsString()).isEqualTo("the answer");
    }
}
