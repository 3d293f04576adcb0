package dev.lastcut.core.touch;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.touch.Touched.Outcome;
import dev.lastcut.core.work.WorkLimitException;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.stream.IntStream;

/**
 * Does the touches of a list. They are done by {@link Touch.Phase}, within one in the order of the
 * list: so a pour is filled about what all others left, whichever was drawn first. One that cannot
 * be done, or would join or part nets, is left out and says why; the others are done.
 */
public final class Touches {
    private static final System.Logger LOG = System.getLogger(Touches.class.getName());

    private Touches() {}

    public static Touched on(
            BoardGeometry read, List<Step> steps, TouchClearances room, Drawings drawings) {
        Outcome[] outcomes = new Outcome[steps.size()];
        List<Integer> order =
                IntStream.range(0, steps.size())
                        .boxed()
                        .sorted(Comparator.comparing(i -> steps.get(i).touch().phase()))
                        .toList();
        BoardGeometry now = read;
        for (int i : order) {
            Step step = steps.get(i);
            if (!step.on()) {
                outcomes[i] = new Outcome(step, false, "Switched off.", List.of());
                continue;
            }
            try {
                Change change = step.touch().on(new Work(now, room, drawings));
                BoardGeometry next = now.changed(change.board());
                Optional<NotDone> broken =
                        sameCopper(now.board(), next.board())
                                ? Optional.empty()
                                : NetsHeld.broken(now, next);
                if (broken.isPresent()) {
                    throw broken.get();
                }
                now = next;
                outcomes[i] = new Outcome(step, true, change.says() + ".", change.places());
            } catch (NotDone e) {
                outcomes[i] = new Outcome(step, false, e.getMessage() + ".", e.places());
            } catch (WorkLimitException | CancellationException e) {
                throw e;
            } catch (RuntimeException e) {
                // The geometry library gives up on shapes it cannot make anything of; or it is
                // ours.
                LOG.log(System.Logger.Level.WARNING, "A touch failed", e);
                outcomes[i] =
                        new Outcome(
                                step,
                                false,
                                "Its shapes cannot be worked out here (" + e.getMessage() + ").",
                                List.of());
            }
        }
        return new Touched(read, now, Arrays.asList(outcomes));
    }

    private static boolean sameCopper(Board a, Board b) {
        return same(a.copper(), b.copper()) && same(a.holes(), b.holes());
    }

    private static boolean same(List<?> a, List<?> b) {
        return a.size() == b.size()
                && IntStream.range(0, a.size()).allMatch(i -> a.get(i) == b.get(i));
    }
}
