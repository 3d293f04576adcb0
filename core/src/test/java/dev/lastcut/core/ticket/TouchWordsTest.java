package dev.lastcut.core.ticket;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.touch.Step;
import dev.lastcut.core.touch.copper.Ring;
import dev.lastcut.core.touch.copper.Teardrop;
import dev.lastcut.core.touch.picture.SilkClip;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What a step of the list of what was done says of touches. */
class TouchWordsTest {
    private static final Step RING = new Step(new Ring(200_000), true);
    private static final Step CLIP = new Step(new SilkClip(150_000), true);
    private static final Step DROP = new Step(new Teardrop(500_000), true);

    private static String says(List<Step> before, List<Step> after) {
        return TicketWords.changed(
                Ticket.BLANK.with(d -> d.touches = before),
                Ticket.BLANK.with(d -> d.touches = after),
                s -> s);
    }

    @Test
    void eachChangeIsSaidAsWhatItIs() {
        assertThat(says(List.of(), List.of(RING))).isEqualTo("touch: thicken rings to 0.2 mm");
        assertThat(says(List.of(RING, CLIP), List.of(CLIP)))
                .isEqualTo("without the touch: thicken rings to 0.2 mm");
        assertThat(says(List.of(RING), List.of(new Step(new Ring(300_000), true))))
                .isEqualTo("touch changed: thicken rings to 0.3 mm");
        assertThat(says(List.of(RING, CLIP), List.of(RING, new Step(CLIP.touch(), false))))
                .isEqualTo("switched off: clip the silk 0.15 mm off pads and holes");
        assertThat(says(List.of(new Step(RING.touch(), false)), List.of(RING)))
                .startsWith("switched on: ");
        assertThat(says(List.of(RING, CLIP), List.of(CLIP, RING)))
                .isEqualTo("touches in another order");
        assertThat(says(List.of(), List.of(RING, CLIP, DROP, RING))).endsWith("and 1 more");
        assertThat(says(List.of(RING), List.of(RING))).isEmpty();
    }
}
