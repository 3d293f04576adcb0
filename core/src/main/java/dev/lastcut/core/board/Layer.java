package dev.lastcut.core.board;

import java.util.List;

/** One picture of the board: its role, the file it comes from, its features in drawing order. */
public record Layer(Role role, String file, List<Feature> features) {
    public Layer {
        features = List.copyOf(features);
    }

    /** The same picture drawn otherwise. */
    public Layer with(List<Feature> changed) {
        return new Layer(role, file, changed);
    }

    /** With more drawn over it. */
    public Layer plus(List<? extends Feature> more) {
        List<Feature> all = new java.util.ArrayList<>(features);
        all.addAll(more);
        return with(all);
    }
}
