package dev.lastcut.core.board;

import java.util.List;

/** One picture of the board: its role, the file it comes from, its features in drawing order. */
public record Layer(Role role, String file, List<Feature> features) {
    public Layer {
        features = List.copyOf(features);
    }
}
