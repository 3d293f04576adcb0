package dev.lastcut.server.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.ArgumentMatchers.longThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import dev.lastcut.server.jobs.Opening;
import dev.lastcut.server.report.Json;
import dev.lastcut.server.work.TaskState;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerMapping;

/** Boards are read as tasks; who prefers it is answered at once (RFC 7240, section 4.1). */
class BoardFirstTest {
    private static final TaskState READING =
            new TaskState("t1", TaskState.Status.RUNNING, "9 files", 0, 2, "", "");

    private final Opening opening = mock(Opening.class);
    private final BoardFirst first = new BoardFirst(opening);
    private final MockHttpServletResponse response = new MockHttpServletResponse();

    /** Routes of the test. */
    static class Routes {
        public void board() {}

        @WithoutBoard
        public void history() {}
    }

    private boolean asked(String method, String route, String prefer) throws Exception {
        MockHttpServletRequest request = new MockHttpServletRequest(method, "/api/jobs/7/x");
        request.setAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE, Map.of("id", "7"));
        if (prefer != null) {
            request.addHeader("Prefer", prefer);
        }
        return first.preHandle(
                request, response, new HandlerMethod(new Routes(), Routes.class.getMethod(route)));
    }

    @Test
    void isAnsweredAtOnceWithTheTaskThatReads() throws Exception {
        when(opening.open(eq(7L), anyLong())).thenReturn(Optional.of(READING));
        assertThat(asked("GET", "board", "respond-async, wait=10")).isFalse();
        assertThat(response.getStatus()).isEqualTo(202);
        assertThat(response.getHeader("Preference-Applied")).isEqualTo("respond-async");
        assertThat(Json.MAPPER.readTree(response.getContentAsByteArray()).at("/id").asString())
                .isEqualTo("t1");
        verify(opening).open(eq(7L), longThat(ms -> ms < 1_000));
    }

    @Test
    void othersWaitForIt() throws Exception {
        when(opening.open(eq(7L), anyLong())).thenReturn(Optional.empty());
        assertThat(asked("GET", "board", null)).isTrue();
        verify(opening).open(eq(7L), longThat(ms -> ms > 60_000));
    }

    @Test
    void whatNeedsNoBoardDoesNotWait() throws Exception {
        assertThat(asked("GET", "history", "respond-async")).isTrue();
        assertThat(asked("PATCH", "board", "respond-async")).isTrue();
        verify(opening, never()).open(anyLong(), anyLong());
    }
}
