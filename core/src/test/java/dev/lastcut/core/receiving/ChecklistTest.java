package dev.lastcut.core.receiving;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.receiving.Checklist.Answer;
import dev.lastcut.core.receiving.Checklist.Item;
import dev.lastcut.core.receiving.Checklist.Verdict;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class ChecklistTest {
    private static final Received ORDERED =
            new Received(
                    5,
                    80,
                    56.004,
                    1.6,
                    List.of(new Received.Gauge(0.3, true, 93), new Received.Gauge(3.2, false, 4)),
                    2,
                    Map.of("Finish", "gold"),
                    50,
                    List.of(new Received.Accepted("clearance", 12, 30, "Too near.", "known")));

    private static Answer measured(double n) {
        return new Answer(Optional.of(n), Optional.empty(), "");
    }

    private static Answer seen(boolean good) {
        return new Answer(Optional.empty(), Optional.of(good), "");
    }

    @Test
    void everythingOrderedIsOnTheList() {
        assertThat(Checklist.of(ORDERED))
                .extracting(Item::id)
                .containsExactly(
                        "boards",
                        "width",
                        "height",
                        "thickness",
                        "option-Finish",
                        "hole-0.300-plated",
                        "hole-3.200-unplated",
                        "slots",
                        "parts",
                        "polarity",
                        "clearance-12.000-30.000",
                        "clean");
    }

    @Test
    void theVerdictIsComputedFromWhatWasFound() {
        List<Item> items = Checklist.of(ORDERED);
        Map<String, Answer> answers = new HashMap<>();
        assertThat(Checklist.verdict(items, answers).words()).contains("12 of 12 still to check");
        for (Item i : items) {
            answers.put(i.id(), i.expected().map(ChecklistTest::measured).orElse(seen(true)));
        }
        assertThat(Checklist.verdict(items, answers)).matches(Verdict::isGood);
        // A tenth of the thickness is allowed, and no more.
        answers.put("thickness", measured(1.76));
        assertThat(Checklist.verdict(items, answers)).matches(Verdict::isGood);
        answers.put("thickness", measured(1.77));
        answers.put("boards", measured(4));
        answers.put("clean", seen(false));
        assertThat(Checklist.verdict(items, answers).wrong())
                .hasSize(3)
                .contains("Boards that came", "Thickness");
        assertThat(Checklist.verdict(items, answers).isGood()).isFalse();
    }
}
