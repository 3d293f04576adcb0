package dev.lastcut.core.formats.gerber;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.work.WorkLimit;
import dev.lastcut.core.work.WorkLimitException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Map;

/** Collects features, through open step-repeats and block definitions. */
final class FeatureSink {
    /** More objects than any board's layer has: a file that holds more is refused. */
    private static final int MOST = 500_000;

    private static final class Frame {
        final List<Feature> features = new ArrayList<>();
        final int blockCode;
        int nx = 1;
        int ny = 1;
        double dx;
        double dy;

        Frame(int blockCode) {
            this.blockCode = blockCode;
        }
    }

    private static final int ROOT = -1;
    private static final int REPEAT = -2;
    private static final int DEEPEST = 32;
    private final Deque<Frame> frames = new ArrayDeque<>(List.of(new Frame(ROOT)));

    private int total;

    /**
     * @throws WorkLimitException when there are too many
     */
    void add(Feature feature) {
        WorkLimit.step();
        require(total + 1L);
        frames.peek().features.add(feature);
        total++;
    }

    private static void require(long objects) {
        if (objects > MOST) {
            throw new WorkLimitException(
                    "It has %,d objects or more; at most %,d are read of one file.", objects, MOST);
        }
    }

    void openRepeat(int nx, int ny, double dx, double dy) {
        Frame frame = new Frame(REPEAT);
        frame.nx = nx;
        frame.ny = ny;
        frame.dx = dx;
        frame.dy = dy;
        push(frame);
    }

    void closeRepeat() {
        if (frames.peek().blockCode == REPEAT) {
            Frame frame = frames.pop();
            long copies = (long) frame.features.size() * frame.nx * frame.ny;
            require(total + copies);
            // First along Y, then along X (specification, "Step and Repeat"; from memory).
            for (int ix = 0; ix < frame.nx; ix++) {
                for (int iy = 0; iy < frame.ny; iy++) {
                    Pt by = new Pt(Math.round(ix * frame.dx), Math.round(iy * frame.dy));
                    for (Feature f : frame.features) {
                        add(ix == 0 && iy == 0 ? f : f.translated(by));
                    }
                }
            }
        }
    }

    void openBlock(int code) {
        push(new Frame(code));
    }

    void closeBlock(Map<Integer, Aperture> apertures) {
        closeRepeat();
        if (frames.peek().blockCode >= 0) {
            Frame frame = frames.pop();
            apertures.put(frame.blockCode, new Aperture.Block(frame.features));
        }
    }

    void closeAll() {
        while (frames.size() > 1) {
            closeRepeat();
            if (frames.peek().blockCode >= 0) {
                frames.pop();
            }
        }
    }

    private void push(Frame frame) {
        if (frames.size() >= DEEPEST) {
            throw new IllegalArgumentException("nested deeper than " + DEEPEST);
        }
        frames.push(frame);
    }

    List<Feature> features() {
        return frames.peek().features;
    }
}
