package dev.lastcut.server.api;

import dev.lastcut.server.jobs.AnswerService;
import dev.lastcut.server.work.TaskState;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.util.List;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** What an answer to a question of Bring in would change, before it is given. */
@RestController
class AnswerController {
    private final AnswerService answers;

    AnswerController(AnswerService answers) {
        this.answers = answers;
    }

    /** What changes, in sentences. */
    record AnswerView(List<String> says) {}

    /**
     * Reads the pack with parts of a ticket as they would be chosen, and keeps nothing of it. While
     * that takes time the task is answered with 202; it is asked again when it is over.
     */
    @PostMapping(
            path = "/api/jobs/{id}/answers/effect",
            consumes = MediaType.APPLICATION_JSON_VALUE)
    @ApiResponse(
            responseCode = "200",
            content = @Content(schema = @Schema(implementation = AnswerView.class)))
    @ApiResponse(
            responseCode = "202",
            content = @Content(schema = @Schema(implementation = TaskState.class)))
    ResponseEntity<?> effect(@PathVariable long id, @RequestBody byte[] parts) {
        AnswerService.Effect effect = answers.effect(id, parts);
        return effect.task().isPresent()
                ? ResponseEntity.accepted().body(effect.task().get())
                : ResponseEntity.ok(new AnswerView(effect.says().orElseThrow()));
    }
}
