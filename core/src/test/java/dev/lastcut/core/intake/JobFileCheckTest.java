package dev.lastcut.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.intake.reading.Reading;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a job file says, held against a board of 40 by 30 mm with two layers. */
class JobFileCheckTest {
    private final Map<String, Reading> readings = new LinkedHashMap<>();

    private static TestBoards drawn() {
        return new TestBoards()
                .on(Role.Kind.COPPER, Side.TOP)
                .round(5, 5, 1)
                .on(Role.Kind.COPPER, Side.BOTTOM)
                .round(5, 5, 1);
    }

    private void job(String specs, String... named) {
        StringBuilder files = new StringBuilder();
        for (String n : named) {
            files.append(files.isEmpty() ? "" : ",")
                    .append("{\"Path\":\"" + n + "\",\"FileFunction\":\"Profile\"}");
        }
        String text = "{\"GeneralSpecs\":{" + specs + "},\"FilesAttributes\":[" + files + "]}";
        // Any file function makes it a job file; this one names none of a file.
        String whole =
                text.replace("]}", (named.length > 0 ? "," : "") + "{\"FileFunction\":\"\"}]}");
        readings.put("job", Reading.of("job", whole.getBytes(StandardCharsets.UTF_8)));
    }

    private List<String> said(TestBoards t) {
        Board board = t.board();
        List<Problem> problems = JobFileCheck.problems(readings, board);
        assertThat(problems)
                .allMatch(p -> p.code() == Problem.Code.JOB_FILE_DISAGREES)
                .allMatch(p -> p.file().equals("job"))
                .allMatch(p -> p.action().startsWith("the pictures count"));
        return problems.stream().map(Problem::text).toList();
    }

    @ParameterizedTest
    @CsvSource({
        "40, 30, true",
        "40.29, 29.71, true",
        "39.71, 30.29, true",
        "40.31, 30, false",
        "39.69, 30, false",
        "40, 30.31, false",
        "40, 29.69, false"
    })
    void theSize(double x, double y, boolean alike) {
        job("\"Size\":{\"X\":" + x + ",\"Y\":" + y + "}");
        List<String> said = said(drawn().outline(0, 0, 40, 30));
        if (alike) {
            assertThat(said).isEmpty();
        } else {
            assertThat(said)
                    .containsExactly(
                            String.format(
                                    java.util.Locale.ROOT,
                                    "the job file says %.2f × %.2f mm, but the outline is 40.00 ×"
                                            + " 30.00 mm",
                                    x,
                                    y));
        }
        assertThat(said(drawn())).as("no outline").isEmpty();
        job("\"Size\":{\"X\":99}");
        assertThat(said(drawn().outline(0, 0, 40, 30))).as("half a size").isEmpty();
        job("\"Size\":{\"Y\":99}");
        assertThat(said(drawn().outline(0, 0, 40, 30))).as("half a size").isEmpty();
        job("\"Size\":{\"X\":99,\"Y\":99}");
        TestBoards open = drawn().on(Role.OUTLINE).line(0.1, 0, 0, 40, 0);
        assertThat(said(open)).as("an outline that encloses nothing").isEmpty();
    }

    @Test
    void theNumberOfLayers() {
        job("\"LayerNumber\":2");
        assertThat(said(drawn())).isEmpty();
        job("\"LayerNumber\":4");
        assertThat(said(drawn()))
                .containsExactly("the job file says 4 copper layers, but the pack has 2");
    }

    @Test
    void theFilesItNames() {
        readings.put("out/top.gbr", new Reading.Beside("x"));
        readings.put("edge.gbr", new Reading.Beside("x"));
        job("", "out/top.gbr", "top.gbr", "edge.gbr", "elsewhere/edge.gbr");
        assertThat(said(drawn())).isEmpty();
        job("", "stop.gbr", "edge.gbr");
        assertThat(said(drawn()))
                .containsExactly("the job file names stop.gbr, which the pack lacks");
    }
}
