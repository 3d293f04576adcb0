package dev.lastcut.server.api;

import dev.lastcut.server.jobs.AnswerService;
import java.util.List;
import org.springframework.http.MediaType;
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
    record AnswerEffectView(List<String> says) {}

    /** Reads the pack with parts of a ticket as they would be chosen, and keeps nothing of it. */
    @OnlyAsks
    @PostMapping(
            path = "/api/jobs/{id}/answers/effect",
            consumes = MediaType.APPLICATION_JSON_VALUE)
    AnswerEffectView effect(@PathVariable long id, @RequestBody byte[] parts) {
        return new AnswerEffectView(answers.effect(id, parts));
    }
}
